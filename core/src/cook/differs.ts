/** In what a batch that was cooked differs from the recipe its label was checked for. A release does not cover what differs. */
import { STATUS_WORDS } from '../food';
import { lotFrom } from '../lot';
import { figureText, gramsText } from '../quantity';
import type { Worksheet } from '../worksheet';
import { cookedSheet, isRecordedPack } from './as-cooked';
import type { Standing } from './log';
import { groundOfBatch, type OpenedBatch } from './opened';
import { loadsOf, putIn } from './put-in';

export interface Difference {
  what: string;
  planned: string;
  cooked: string;
}

const pair = (what: string, planned: string, cooked: string): Difference => ({ what, planned, cooked });

/** Foods that went in and should not have, lines that did not, packs nobody has read. */
function byEntries(opening: OpenedBatch, record: readonly Standing[]): Difference[] {
  const { book, planned, opened } = groundOfBatch(opening);
  const nameOf = (id: string): string => (book.foods.foods.get(id) ?? book.components.get(id))?.name ?? id;
  const lines = new Map(planned.lines.map((line) => [line.id, line]));
  const found: Difference[] = [];
  for (const { lineId, load, additions, standing } of putIn(planned.lines, record)) {
    const line = lines.get(lineId)!;
    const where = loadsOf(line) > 1 ? `${line.name}, load ${load}` : line.name;
    for (const { insteadId: other, grams, from } of additions) {
      const insteadId = other ?? lotFrom(from, opened.lots)?.foodId ?? null;
      if (insteadId !== null && insteadId !== (line.foodId ?? line.componentId))
        found.push(pair(where, line.name, `${gramsText(grams)} ${nameOf(insteadId)} instead`));
    }
    if (standing === 'left out') found.push(pair(where, line.name, 'left out'));
  }
  const known = new Set(planned.lines.map(({ foodId, componentId }) => foodId ?? componentId));
  for (const { body } of record) {
    if (body.kind === 'added' && !known.has(body.foodId))
      found.push(
        pair(
          'Added',
          'not in the recipe',
          `${gramsText(body.grams)} ${nameOf(body.foodId)} (${body.because})`,
        ),
      );
    if (body.kind === 'pack' && !isRecordedPack(opened.inputs.kitchen, body, book))
      found.push(
        pair(
          `Pack of ${nameOf(body.foodId)}`,
          'the recorded one',
          `"${body.product}", which nobody has read`,
        ),
      );
  }
  return found;
}

function byFlags(planned: Worksheet, cooked: Worksheet): Difference[] {
  const flags = (sheet: Worksheet) => [...sheet.allergens, ...sheet.standards];
  const told = ({ status, kinds }: ReturnType<typeof flags>[number]): string =>
    `${STATUS_WORDS[status]}${kinds.length > 0 ? `: ${kinds.join(', ')}` : ''}`;
  // Those that changed alike are told together: a pack nobody has read opens all at once.
  const alike = new Map<string, Difference & { names: string[] }>();
  for (const flag of flags(cooked)) {
    const before = flags(planned).find(({ id }) => id === flag.id);
    if (!before || told(before) === told(flag)) continue;
    const key = `${told(before)} ${told(flag)}`;
    const known = alike.get(key);
    if (known) known.names.push(flag.name);
    else alike.set(key, { ...pair('', told(before), told(flag)), names: [flag.name] });
  }
  return [...alike.values()].map(({ names, ...each }) => ({ ...each, what: names.join(', ') }));
}

const SHARE = / (\d+(?:\.\d+)?)\s?%/g;
/** How far a declared share of an ingredient may be off and still be the same: rounding to the scale moves it (convention). */
const SHARE_POINTS = 0.5;
const SHARE_PART = 0.1;

/** Whether two statements name the same in the same order, with shares that only the scale's rounding moved. */
export function isSameStatement(one: string, other: string): boolean {
  const plain = (text: string): string => text.replace(SHARE, '');
  const shares = (text: string): number[] => [...text.matchAll(SHARE)].map(([, share]) => Number(share));
  const [first, second] = [shares(one), shares(other)];
  return (
    plain(one) === plain(other) &&
    first.every(
      (share, index) =>
        Math.abs(share - (second[index] ?? NaN)) <= Math.max(SHARE_POINTS, share * SHARE_PART),
    )
  );
}

function byLabel({ label: planned }: Worksheet, { label }: Worksheet): Difference[] {
  const { tolerances: cooked } = label;
  const found: Difference[] = [];
  if (!isSameStatement(planned.ingredients, label.ingredients))
    found.push(pair('Ingredients on the label', planned.ingredients, label.ingredients));
  if (planned.contains !== label.contains)
    found.push(
      pair('Allergens on the label', planned.contains || 'none named', label.contains || 'none named'),
    );
  const values = new Map(cooked.map((each) => [each.id, each.value]));
  for (const { id, name, band, value: before, unit, per } of planned.tolerances) {
    const value = values.get(id);
    if (band === null || value === undefined) continue;
    if ((band.low === null || value >= band.low) && (band.high === null || value <= band.high)) continue;
    found.push(
      pair(
        `${name}, per ${per}`,
        `${figureText(before, 1)} ${unit}`,
        `${figureText(value, 1)} ${unit}: what the label declares no longer holds it (${band.rule})`,
      ),
    );
  }
  return found;
}

/** Everything in which a batch differs from its recipe; while lines are not written down, in that too. */
export function differences(
  opened: OpenedBatch,
  record: readonly Standing[],
  cooked: Worksheet = cookedSheet(opened, record),
): Difference[] {
  const { planned } = groundOfBatch(opened);
  const open = putIn(planned.lines, record).filter(
    ({ standing, lineId }) =>
      standing === 'not in' && planned.lines.find(({ id }) => id === lineId)?.technique === null,
  );
  const names = [...new Set(open.map(({ lineId }) => planned.lines.find(({ id }) => id === lineId)!.name))];
  const unwritten = names.map((name) => pair(name, 'in the recipe', 'nobody wrote down whether it went in'));
  return [
    ...unwritten,
    ...byEntries(opened, record),
    ...byFlags(planned, cooked),
    ...byLabel(planned, cooked),
  ];
}
