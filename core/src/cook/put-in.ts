/** What went into each load of each line, against what should: from the entries alone. */
import type { WorksheetLine } from '../batch';
import type { RecipeStep } from '../recipe';
import type { Standing, Way } from './log';

/** How a line of a load stands. */
export type LoadStanding = 'not in' | 'under' | 'right' | 'over' | 'left out';

/** One addition. */
export interface Addition {
  entryId: string;
  grams: number;
  way: Way;
  isAfterTasting: boolean;
  by: string;
  at: string;
  /** The food that went in instead; null where it is the line's own. */
  insteadId: string | null;
  /** The batch it came of; empty where nobody said. */
  from: string;
}

export interface PutIn {
  lineId: string;
  load: number;
  /** What goes on the scale for this load, and of it the first addition. */
  wantedGrams: number | null;
  firstGrams: number | null;
  stepGrams: number;
  /** What went in, of the line's own food and of others in its place. */
  grams: number;
  additions: Addition[];
  /** What was weighed and never got here: dropped, or in a bowl of another batch. */
  lostGrams: number;
  standing: LoadStanding;
  /** Over what should be, below zero under it. */
  offGrams: number;
  /** The step it goes in with, where it was put off to a later one. */
  laterStepId: string | null;
}

/** How far a weight may be off and still be right: closely where that matters, else what a cook calls the same (convention). */
const RIGHT_SHARE = { close: 0.02, other: 0.05 } as const;

const isClose = ({ role }: WorksheetLine): boolean =>
  role === 'salt' || role === 'leavening' || role === 'starch';

/** Loads a line is weighed in. */
export const loadsOf = ({ loads }: Pick<WorksheetLine, 'loads'>): number => Math.max(1, loads.length);

function wantedOf(
  line: WorksheetLine,
  load: number,
): { wantedGrams: number | null; firstGrams: number | null } {
  const { scaleGrams, firstGrams, loads } = line;
  if (scaleGrams === null) return { wantedGrams: null, firstGrams: null };
  const wantedGrams = loads.length > 1 ? loads[load - 1]! : scaleGrams;
  const share = scaleGrams > 0 && firstGrams !== null ? firstGrams / scaleGrams : 1;
  return { wantedGrams, firstGrams: wantedGrams * share };
}

function standingOf(
  line: WorksheetLine,
  grams: number,
  wanted: number | null,
  isLeftOut: boolean,
): LoadStanding {
  if (grams <= 0) return isLeftOut ? 'left out' : 'not in';
  if (wanted === null) return 'right';
  const allowed = Math.max(line.stepGrams / 2, wanted * RIGHT_SHARE[isClose(line) ? 'close' : 'other']);
  if (Math.abs(grams - wanted) <= allowed + 1e-9) return 'right';
  return grams < wanted ? 'under' : 'over';
}

/** "the rest of the water", "the remaining oil": what was begun with an earlier step goes on here. */
const REST = /\b(?:rest|remaining|remainder|other half|second half|held[- ]back)\b/i;

/** The first step that names a written line, and the one by which all of it is in: the first, but where a later one takes the rest. */
export function stepsOf(
  sourceId: string,
  steps: readonly RecipeStep[],
): { first: number; due: number } | null {
  const named = steps.flatMap(({ reading }, index) => (reading.lineIds.includes(sourceId) ? [index] : []));
  const [first] = named;
  if (first === undefined) return null;
  const rest = named.filter((index) => index > first && REST.test(steps[index]!.text));
  return { first, due: rest.at(-1) ?? first };
}

/** Every line of a batch, load by load. Water that boils away in a pan instead of fat is no line of the pot. */
export function putIn(lines: readonly WorksheetLine[], record: readonly Standing[]): PutIn[] {
  const byLoad = new Map<string, Standing[]>();
  for (const each of record) {
    const { body } = each;
    if (!('lineId' in body)) continue;
    const key = `${body.lineId} ${body.load}`;
    const known = byLoad.get(key);
    if (known) known.push(each);
    else byLoad.set(key, [each]);
  }
  return lines.flatMap((line) =>
    Array.from({ length: loadsOf(line) }, (_, index) => index + 1).map((load): PutIn => {
      const said = byLoad.get(`${line.id} ${load}`) ?? [];
      const { wantedGrams, firstGrams } = wantedOf(line, load);
      const additions: Addition[] = [];
      let lostGrams = 0;
      let isLeftOut = false;
      let laterStepId: string | null = null;
      for (const { entry, body } of said) {
        const add = (
          grams: number,
          way: Way,
          isAfterTasting: boolean,
          insteadId: string | null,
          from = '',
        ): void => {
          const { id: entryId, by, at } = entry;
          additions.push({ entryId, grams, way, isAfterTasting, by, at, insteadId, from });
        };
        if (body.kind === 'weighed') add(body.grams, body.way, body.isAfterTasting, null, body.from);
        else if (body.kind === 'substituted') add(body.grams, body.way, false, body.foodId);
        // In another bowl of this batch it is in the batch.
        else if (body.kind === 'misplaced' && body.into === '') add(body.grams, 'typed', false, null);
        else if (body.kind === 'misplaced' || body.kind === 'dropped') lostGrams += body.grams;
        else if (body.kind === 'left-out') isLeftOut = true;
        else if (body.kind === 'later') laterStepId = body.stepId;
      }
      const grams = additions.reduce((sum, each) => sum + each.grams, 0);
      return {
        lineId: line.id,
        load,
        wantedGrams,
        firstGrams,
        stepGrams: line.stepGrams,
        grams,
        additions,
        lostGrams,
        standing: standingOf(line, grams, wantedGrams, isLeftOut),
        offGrams: grams - (wantedGrams ?? grams),
        laterStepId,
      };
    }),
  );
}
