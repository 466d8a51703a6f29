/** The slip that is still cheap: a line that was not in when the step that needs it is done, and what can be done about it. */
import type { WorksheetLine } from '../batch';
import type { RecipeStep } from '../recipe';
import { cookedSheet } from './as-cooked';
import type { EntryBody, KeptEntry, Standing } from './log';
import { type CookGround, groundOfBatch, type OpenedBatch } from './opened';
import { asStanding, type Effect, effectBetween, outlookOf } from './outlook';
import { loadsOf, type PutIn, putIn, stepsOf } from './put-in';

/** What can be done about a forgotten line. */
export interface WayOut {
  way: 'add now' | 'into the next' | 'leave out';
  /** What is written once it is chosen; null for adding now, which is weighed. */
  body: EntryBody | null;
  /** Against the batch as it was planned. */
  effect: Effect;
}

export interface Forgotten {
  lineId: string;
  load: number;
  name: string;
  wantedGrams: number | null;
  /** "The cumin belonged in here." */
  words: string;
  ways: WayOut[];
}

/** Loads the whole batch is cooked in. */
export const batchLoads = ({ planned }: CookGround): number =>
  Math.max(1, planned.loadCount, ...planned.lines.map(loadsOf));

/** The load of a line that a load of the batch takes: what is weighed once belongs to the first. */
export const loadOfLine = (line: WorksheetLine, load: number): number | null =>
  loadsOf(line) > 1 ? (load <= loadsOf(line) ? load : null) : load === 1 ? 1 : null;

/** A line at a step of a load. */
export interface LineAt {
  line: WorksheetLine;
  put: PutIn;
  /** The rest of it goes in with a later step. */
  isPart: boolean;
}

/** Lines that go in with a step of a load: those it names that were not put off, and those that were put off to it. */
export function linesAt(
  { planned }: CookGround,
  puts: readonly PutIn[],
  step: RecipeStep,
  steps: readonly RecipeStep[],
  load: number,
): LineAt[] {
  const at = steps.indexOf(step);
  return planned.lines.flatMap((line): LineAt[] => {
    const own = loadOfLine(line, load);
    const put = own === null ? undefined : puts.find((each) => each.lineId === line.id && each.load === own);
    if (!put || line.technique) return [];
    const span = stepsOf(line.sourceId, steps);
    if (put.laterStepId !== null) return put.laterStepId === step.id ? [{ line, put, isPart: false }] : [];
    if (span === null || !step.reading.lineIds.includes(line.sourceId)) return [];
    // What is all in by the first step that names it is not asked for again.
    return at === span.first || at === span.due ? [{ line, put, isPart: at < span.due }] : [];
  });
}

/** Lines that no step names: they are asked for with the last one. */
export function unnamedLines({ planned, steps }: CookGround, puts: readonly PutIn[], load: number): LineAt[] {
  const named = new Set(steps.flatMap(({ reading }) => reading.lineIds));
  return planned.lines.flatMap((line) => {
    const own = loadOfLine(line, load);
    const put = own === null ? undefined : puts.find((each) => each.lineId === line.id && each.load === own);
    return put && !line.technique && put.laterStepId === null && !named.has(line.sourceId)
      ? [{ line, put, isPart: false }]
      : [];
  });
}

/** Every line that should have gone in by the time a step of a load is done and did not. */
export function forgottenAt(
  opening: OpenedBatch,
  record: readonly Standing[],
  stepId: string,
  load: number,
): Forgotten[] {
  const ground = groundOfBatch(opening);
  const { steps } = ground;
  const at = steps.findIndex(({ id }) => id === stepId);
  const step = steps[at];
  if (!step) return [];
  const puts = putIn(ground.planned.lines, record);
  const isLast = at === steps.length - 1;
  const due = [
    ...steps.slice(0, at + 1).flatMap((each) => linesAt(ground, puts, each, steps, load)),
    ...(isLast ? unnamedLines(ground, puts, load) : []),
  ];
  const missing = due.filter(({ put, isPart }) => put.standing === 'not in' && !isPart);
  if (missing.length === 0) return [];
  const planned = outlookOf(cookedSheet(opening, record, 'as planned'), opening);
  const next = steps[at + 1];
  return missing.map(({ line, put }): Forgotten => {
    const out: EntryBody = { kind: 'left-out', lineId: line.id, load: put.load };
    const without = outlookOf(cookedSheet(opening, [...record, asStanding(out, 0)], 'as planned'), opening);
    const same = effectBetween(planned, planned);
    return {
      lineId: line.id,
      load: put.load,
      name: line.name,
      wantedGrams: put.wantedGrams,
      words: `${line.name} belonged in here.`,
      ways: [
        { way: 'add now', body: null, effect: same },
        ...(next
          ? [
              {
                way: 'into the next' as const,
                body: { kind: 'later' as const, lineId: line.id, load: put.load, stepId: next.id },
                effect: same,
              },
            ]
          : []),
        { way: 'leave out', body: out, effect: effectBetween(planned, without) },
      ],
    };
  });
}

/** What a line that went into the bowl of another batch is there. A line that no food stands for is unknown there too. */
export function strayBody(
  { lineId, grams }: Extract<EntryBody, { kind: 'misplaced' }>,
  lines: readonly Pick<WorksheetLine, 'id' | 'name' | 'foodId' | 'componentId'>[],
): Extract<EntryBody, { kind: 'added' }> {
  const line = lines.find(({ id }) => id === lineId);
  const foodId = line?.foodId ?? line?.componentId ?? line?.name ?? lineId;
  return { kind: 'added', foodId, grams, way: 'typed', because: 'wrong bowl', stepId: '', load: 1 };
}

/** What went into a batch by the records of others, and that nobody wrote down in its own: it counts all the same. */
export function straysInto(
  code: string,
  record: readonly Standing[],
  others: readonly { opened: OpenedBatch; record: readonly Standing[] }[],
): KeptEntry[] {
  const written = record.flatMap(({ body }) =>
    body.kind === 'added' && body.because === 'wrong bowl' ? [`${body.foodId} ${body.grams}`] : [],
  );
  return others.flatMap((other) =>
    other.record.flatMap(({ entry, body }): KeptEntry[] => {
      if (body.kind !== 'misplaced' || body.into.toUpperCase() !== code) return [];
      const there = strayBody(body, groundOfBatch(other.opened).planned.lines);
      const known = written.indexOf(`${there.foodId} ${there.grams}`);
      if (known < 0) return [{ ...entry, id: `${entry.id}-into`, body: there }];
      written.splice(known, 1);
      return [];
    }),
  );
}
