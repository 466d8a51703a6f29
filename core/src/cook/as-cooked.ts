/**
 * The batch that was cooked as a recipe: its lines are what went in by the entries, its size is the batch's own. Its worksheet is
 * the one that label, record and screen read; nothing of it is scaled.
 */
import { isTelling, mentionsOf } from '../audit';
import { type AsWeighed, planBatch } from '../batch';
import { compose } from '../dish';
import { comparableName, type Kitchen, packOf, withUnreadPack } from '../kitchen';
import { lotFrom } from '../lot';
import { figureText } from '../quantity';
import {
  type Book,
  foodIdOf,
  lineFromText,
  type NotIn,
  type Reading,
  type Recipe,
  type RecipeLine,
  type RecipeStep,
} from '../recipe';
import { type Worksheet, worksheet, type WorksheetInput } from '../worksheet';
import { answersOf, type Standing, wordsAtStove } from './log';
import { type CookGround, groundOfBatch, type OpenedBatch } from './opened';
import { type PutIn, putIn, stepsOf } from './put-in';

/** What is taken of lines that nobody has written down yet: nothing known of them, or that they go in as planned. */
export type Rest = 'unknown' | 'as planned';

/** An amount that nobody knows: the written one was of the home recipe. */
const unsaid = (reading: Reading): Reading => ({
  ...reading,
  amountKind: 'none',
  measures: [],
  amountText: '',
  statedGrams: null,
  findings: reading.findings.filter(({ code }) => code !== 'amount-absurd' && code !== 'amount-shared'),
});

/**
 * Whether a pack as scanned or typed is the one on record for its food, and read. Of a food of one ingredient that no pack is on
 * record for, its own name is all there is to read: a lot can be noted under it.
 */
export function isRecordedPack(
  kitchen: Kitchen,
  { foodId, product, supplier }: { foodId: string; product: string; supplier: string },
  { foods }: Pick<Book, 'foods'>,
): boolean {
  const pack = packOf(kitchen, foodId);
  const food = foods.foods.get(foodId);
  if (!pack) return food?.kind === 'single' && comparableName(product) === comparableName(food.name);
  if (!pack.isConfirmed || comparableName(product) !== comparableName(pack.productName)) return false;
  return (
    supplier === '' || pack.supplier === '' || comparableName(supplier) === comparableName(pack.supplier)
  );
}

/** The kitchen as it was for this batch: a pack that is not the recorded one has been read by nobody. */
function kitchenFor(kitchen: Kitchen, record: readonly Standing[], book: Book): Kitchen {
  return record.reduce(
    (now, { body }) =>
      body.kind === 'pack' && !isRecordedPack(kitchen, body, book)
        ? withUnreadPack(now, body.foodId, body.product)
        : now,
    kitchen,
  );
}

/** Grams of a food at a line, all loads together. */
interface Filled {
  /** The food; null for the line's own. */
  foodId: string | null;
  /** Null where a load of it was not written down. */
  grams: number | null;
}

function filledAt(
  loads: readonly PutIn[],
  rest: Rest,
  isGoingOn: (load: number) => boolean,
  foodFrom: (from: string) => string | null,
): Filled[] {
  const instead = new Map<string, number>();
  let own = 0;
  let isOwnIn = false;
  let isOpen = false;
  for (const { additions, standing, wantedGrams, load, grams: put } of loads) {
    for (const { insteadId: other, grams, from } of additions) {
      const insteadId = other ?? foodFrom(from);
      if (insteadId === null) {
        own += grams;
        isOwnIn = true;
      } else instead.set(insteadId, (instead.get(insteadId) ?? 0) + grams);
    }
    // What is begun and not due yet goes on; what is left of it after its step stays out.
    if (rest === 'as planned' && standing === 'under' && isGoingOn(load)) {
      own += wantedGrams! - put;
      isOwnIn = true;
    }
    if (standing !== 'not in') continue;
    if (rest === 'as planned' && wantedGrams !== null) {
      own += wantedGrams;
      isOwnIn = true;
    } else isOpen = true;
  }
  const others = [...instead].map(([foodId, grams]): Filled => ({ foodId, grams }));
  return isOwnIn || isOpen ? [{ foodId: null, grams: isOpen ? null : own }, ...others] : others;
}

/** "450 g Rice noodles". */
const wordsFor = (grams: number | null, name: string): string =>
  grams === null ? name : `${figureText(grams, 1)} g ${name}`;

/** A line of a food by its weight, with words of its own. */
function lineOf(
  { id, foodId, name, part }: { id: string; foodId: string; name: string; part: string },
  grams: number,
  book: Book,
): RecipeLine {
  const read = lineFromText(wordsFor(grams, name), id, book.foods, part);
  return { ...read, id, answers: { foodId, grams, gramsOrigin: 'weighed here' } };
}

/** Foods of components at any depth: swaps of those still hold. */
function foodsInside(recipe: Recipe, book: Book, seen: Set<string> = new Set()): Set<string> {
  for (const line of recipe.lines) {
    const id = foodIdOf(line);
    const component = id === null ? undefined : book.components.get(id);
    if (!component || seen.has(component.id)) continue;
    seen.add(component.id);
    for (const inner of component.lines) seen.add(foodIdOf(inner) ?? '');
    foodsInside(component, book, seen);
  }
  return seen;
}

interface Made {
  line: RecipeLine;
  sourceId: string | null;
  /** Steps it went in with, where not those that name its line. */
  stepId: string | null;
}

/** Lines of the plan as they were filled. */
function plannedLines(ground: CookGround, record: readonly Standing[], rest: Rest): Made[] {
  const { book, planned, recipe, opened } = ground;
  const { lines } = compose(recipe, book, opened.inputs.kitchen);
  const perSource = new Map<string, number>();
  for (const { source } of lines) perSource.set(source.id, (perSource.get(source.id) ?? 0) + 1);
  const byLine = new Map<string, PutIn[]>();
  for (const each of putIn(planned.lines, record))
    byLine.set(each.lineId, [...(byLine.get(each.lineId) ?? []), each]);
  const done = new Set(
    record.flatMap(({ body }) => (body.kind === 'step-done' ? [`${body.stepId} ${body.load}`] : [])),
  );
  /** Whether the step by which all of a line is in is still to come. */
  const isOpen = (sourceId: string, load: number): boolean => {
    const span = stepsOf(sourceId, ground.steps);
    return span !== null && !done.has(`${ground.steps[span.due]!.id} ${load}`);
  };
  return lines.flatMap((line): Made[] => {
    if (line.technique) return [];
    const { source, food, component, swap } = line;
    const ownId = food?.id ?? component?.id ?? null;
    const isParted = swap !== null || (perSource.get(source.id) ?? 1) > 1;
    return filledAt(
      byLine.get(line.id) ?? [],
      rest,
      (load) => isOpen(source.id, load),
      (from) => lotFrom(from, opened.lots)?.foodId ?? null,
    ).flatMap(({ foodId, grams }): Made[] => {
      const made = { sourceId: source.id, stepId: null };
      if (foodId !== null && foodId !== ownId) {
        const other = book.foods.foods.get(foodId) ?? book.components.get(foodId);
        const name = other?.name ?? foodId;
        return [
          {
            ...made,
            line: lineOf(
              { id: `${line.id}+${foodId}`, foodId, name, part: source.reading.part },
              grams ?? 0,
              book,
            ),
          },
        ];
      }
      if (isParted && ownId !== null && grams !== null)
        return [
          {
            ...made,
            line: lineOf(
              { id: line.id, foodId: ownId, name: line.name, part: source.reading.part },
              grams,
              book,
            ),
          },
        ];
      const answers = {
        ...source.answers,
        ...(line.isFoodSure && ownId !== null ? { foodId: ownId } : {}),
        ...(grams === null ? {} : { grams, gramsOrigin: 'weighed here' as const }),
      };
      if (grams === null) {
        delete answers.grams;
        delete answers.gramsOrigin;
      }
      const reading = grams === null ? unsaid(source.reading) : source.reading;
      return [{ ...made, line: { ...source, id: line.id, reading, answers } }];
    });
  });
}

/** What went in beside the list, food by food and step by step. */
function addedLines({ book }: CookGround, record: readonly Standing[]): Made[] {
  const added = new Map<string, { foodId: string; stepId: string; grams: number }>();
  for (const { body } of record) {
    if (body.kind !== 'added') continue;
    const key = `${body.foodId} ${body.stepId}`;
    const known = added.get(key);
    added.set(key, { foodId: body.foodId, stepId: body.stepId, grams: (known?.grams ?? 0) + body.grams });
  }
  return [...added.values()].map(({ foodId, stepId, grams }, index) => {
    const food = book.foods.foods.get(foodId) ?? book.components.get(foodId);
    return {
      line: lineOf({ id: `added-${index + 1}`, foodId, name: food?.name ?? foodId, part: '' }, grams, book),
      sourceId: null,
      stepId: stepId === '' ? null : stepId,
    };
  });
}

function stepsWith(steps: readonly RecipeStep[], made: readonly Made[]): RecipeStep[] {
  return steps.map((step) => {
    const named = new Set(step.reading.lineIds);
    const lineIds = made
      .filter(({ sourceId, stepId }) =>
        stepId === null ? sourceId !== null && named.has(sourceId) : stepId === step.id,
      )
      .map(({ line }) => line.id);
    return { ...step, reading: { ...step.reading, lineIds } };
  });
}

/** What the plan's words name that is no longer in the batch: who wrote the entry that took it out stands for that. */
function saidByEntries(cooked: Recipe, ground: CookGround, kitchen: Kitchen, by: string): NotIn[] {
  const { book, recipe, opened } = ground;
  const settled = new Set(
    mentionsOf(recipe, book, opened.inputs.kitchen)
      .filter(({ end }) => end !== 'open')
      .map(({ place, from, name }) => `${place.text} ${from} ${name}`),
  );
  return mentionsOf(cooked, book, kitchen)
    .filter(({ end, place, from, name }) => end === 'open' && settled.has(`${place.text} ${from} ${name}`))
    .map(({ name, place }): NotIn => ({ name, text: place.text, by, on: opened.madeOn }));
}

/** Those of them that name what the batch does not have, so that it is asked: anything else that is written changes nothing. */
function askingWords(cooked: Recipe, record: readonly Standing[], book: Book, kitchen: Kitchen) {
  const said = wordsAtStove(record);
  if (said.length === 0) return [];
  const whole = { ...cooked, notes: [...cooked.notes, ...said.map(({ words }) => words)] };
  const open = new Set(
    mentionsOf(whole, book, kitchen)
      .filter(isTelling)
      .map(({ place }) => place.text),
  );
  return said.filter(({ words }) => open.has(words));
}

const sumOf = (
  record: readonly Standing[],
  kind: 'finished' | 'left-over' | 'thrown-away',
): number | null => {
  const own = record.flatMap(({ body }) => (body.kind === kind ? [body.grams] : []));
  return own.length === 0 ? null : own.reduce((sum, grams) => sum + grams, 0);
};

/** Grams the whole came to on the scale; null where nobody weighed it. */
export const finishedGramsOf = (record: readonly Standing[]): number | null => sumOf(record, 'finished');
export const leftOverGramsOf = (record: readonly Standing[]): number | null => sumOf(record, 'left-over');
export const thrownAwayGramsOf = (record: readonly Standing[]): number | null => sumOf(record, 'thrown-away');

/** The size of a portion as it was served; the planned one where nobody said. */
function portionGramsOf({ planned }: CookGround, record: readonly Standing[]): number {
  const said = record.flatMap(({ body }) =>
    body.kind === 'portioned' && body.portionGrams !== null ? [body.portionGrams] : [],
  );
  return said.at(-1) ?? planned.portionGrams;
}

const isYieldKnown = ({ measuredYieldGrams }: Recipe): boolean => (measuredYieldGrams ?? 0) > 0;

/** The batch as it was cooked, as the input of a worksheet. */
export function cookedInput(
  opening: OpenedBatch,
  record: readonly Standing[],
  rest: Rest = 'unknown',
): WorksheetInput & { book: Book } {
  const ground = groundOfBatch(opening);
  const { opened, book, recipe, planned } = ground;
  const kitchen = kitchenFor(opened.inputs.kitchen, record, book);
  const made = [...plannedLines(ground, record, rest), ...addedLines(ground, record)];
  const inside = foodsInside(recipe, book);
  let cooked: Recipe = {
    ...recipe,
    portionGrams: portionGramsOf(ground, record),
    measuredYieldGrams: finishedGramsOf(record),
    lines: made.map(({ line }) => line),
    steps: stepsWith(recipe.steps, made),
    parentId: null,
    swaps: recipe.swaps.filter(({ fromId }) => inside.has(fromId)),
  };
  const who = record.filter(({ body }) => body.kind === 'substituted' || body.kind === 'left-out').at(-1)
    ?.entry.by;
  // What is boiled down on purpose goes by the food: as planned, for as much as went in.
  const targetOf = (made: Recipe): AsWeighed => {
    const { putInGrams } = planned.massBalance;
    const share = putInGrams > 0 ? compose(made, book, kitchen).putInGrams / putInGrams : 1;
    return {
      kind: 'as-weighed',
      plannedGrams: planned.finishedGrams,
      reducedGrams: compose(recipe, book, opened.inputs.kitchen).reducedSteamGrams * planned.factor * share,
      portionGrams: portionGramsOf(ground, record),
    };
  };
  // What a weighed home yield taught holds for this batch too, until it is weighed itself.
  if (cooked.measuredYieldGrams === null && isYieldKnown(recipe)) {
    const { keptShare } = compose(recipe, book, opened.inputs.kitchen);
    const predicted = planBatch(
      compose(cooked, book, kitchen),
      targetOf(cooked),
      kitchen,
      opened.inputs.vesselIds,
    );
    cooked = {
      ...cooked,
      measuredYieldGrams: (predicted.finishedGrams * keptShare) / (1 - kitchen.transferLoss),
    };
  }
  const said = askingWords(cooked, record, book, kitchen);
  if (said.length > 0) cooked = { ...cooked, notes: [...cooked.notes, ...said.map(({ words }) => words)] };
  const notIn = saidByEntries(
    cooked,
    ground,
    kitchen,
    who === undefined || who === '' ? 'the record of the batch' : who,
  );
  const answered = answersOf(record);
  for (const { entryId, words } of said) {
    const by = answered.get(entryId);
    // The same words written once more are asked once more.
    if (by === undefined || said.some((each) => each.words === words && !answered.has(each.entryId)))
      continue;
    for (const { name, place, end } of mentionsOf(cooked, book, kitchen))
      if (end === 'open' && place.text === words) notIn.push({ name, text: words, by, on: opened.madeOn });
  }
  return {
    recipe: notIn.length > 0 ? { ...cooked, notIn: [...cooked.notIn, ...notIn] } : cooked,
    kitchen,
    target: targetOf(cooked),
    vesselIds: opened.inputs.vesselIds,
    labelStyle: opened.inputs.style,
    book,
  };
}

/** The worksheet of what really went in. */
export function cookedSheet(
  opening: OpenedBatch,
  record: readonly Standing[],
  rest: Rest = 'unknown',
): Worksheet {
  const { book, ...input } = cookedInput(opening, record, rest);
  return worksheet(input, book);
}
