/** Runs core off the main thread, so that nothing on the screen waits for a figure. */
import {
  batchState,
  betterPlanSteps,
  type Book,
  bookOf,
  claimsOfSheet,
  contributions,
  coolingAnswer,
  effectOf,
  type EntryBody,
  entryList,
  expressTarget,
  foodSet,
  forgottenAt,
  handFirst,
  HEAT_LIMITS,
  homeTarget,
  keptFromTold,
  linesFromText,
  mendingOf,
  offersOf,
  type OpenedBatch,
  planSteps,
  portionReview,
  type Progress,
  readRecipe,
  type Recipe,
  type RecipeLine,
  saidNotIn,
  standing,
  stepsFromTexts,
  stoveView,
  suggestFoods,
  swapOptions,
  takeOffer,
  targetFixes,
  versionSteps,
  withBrought,
  worksheet,
} from '@hand-ladle/core';
import {
  type Answer,
  type BenchInput,
  type CookInput,
  type Held,
  LONG_KINDS,
  type LongKind,
  MOST_HELD,
  type Question,
  type QuestionKind,
  type Questions,
  type Stop,
} from './protocol';

let book: Book = bookOf(foodSet([]), [], []);

/** Lines parted from one written line may meet ids that are taken: those get the next free one. */
function distinct(lines: readonly RecipeLine[]): RecipeLine[] {
  const taken = new Set<string>();
  return lines.map((line) => {
    let id = line.id;
    for (let number = 2; taken.has(id); number += 1) id = `${line.id}-${number}`;
    taken.add(id);
    return id === line.id ? line : { ...line, id };
  });
}

/** Reads changed lines again by their text, and all steps against the new list. */
function reread({ recipe, changes, steps }: Questions['reread']['ask']): Recipe {
  const texts = new Map(changes.map(({ id, text }) => [id, text]));
  const kept = recipe.lines.flatMap((line) => {
    const text = texts.get(line.id);
    texts.delete(line.id);
    return text === undefined ? [line] : linesFromText(text, line.id, book.foods, line.reading.part);
  });
  const added = [...texts].flatMap(([id, text]) => linesFromText(text, id, book.foods));
  const lines = distinct([...kept, ...added]);
  const told = steps ?? recipe.steps.map(({ text }) => text);
  return { ...recipe, lines, steps: stepsFromTexts(told, lines, book.foods) };
}

/** The same dish with another weight of one line. */
function withGrams(input: BenchInput, lineId: string, grams: number): BenchInput {
  const lines = input.recipe.lines.map((line) =>
    line.id === lineId
      ? { ...line, answers: { ...line.answers, grams, gramsOrigin: 'convention' as const } }
      : line,
  );
  return { ...input, recipe: { ...input.recipe, lines } };
}

/** A batch with the foods its own entries brought in, worked out once for the same ones. */
const openings = new WeakMap<OpenedBatch, Map<string, OpenedBatch>>();

function cookGround({ opened, entries, kitchen }: CookInput, tried: readonly EntryBody[] = []) {
  const kept = entries.map(keptFromTold);
  const whole = withBrought(opened, [...kept.map(({ body }) => body), ...tried], book, kitchen);
  const key = JSON.stringify(whole.brought.foods.map(({ id }) => id));
  const known = openings.get(opened) ?? new Map<string, OpenedBatch>();
  openings.set(opened, known);
  const same = known.get(key) ?? whole;
  known.set(key, same);
  return { opened: same, kept, record: standing(kept) };
}

const ANSWERS: {
  [K in Exclude<QuestionKind, LongKind>]: (ask: Questions[K]['ask']) => Questions[K]['answer'];
} = {
  book: ({ foods, swaps, components }) => {
    book = bookOf(foodSet(foods, components), components, swaps);
    return null;
  },
  worksheet: (input) => worksheet(input, book),
  portion: (input) => portionReview(input, book),
  targetFixes: ({ wanted, ...input }) => targetFixes(input, wanted, book),
  whatIf: ({ lineId, grams, ...input }) => worksheet(withGrams(input, lineId, grams), book),
  claims: (input) =>
    claimsOfSheet(worksheet(input, book), input.labelStyle ?? { language: 'en', hasTail: false }),
  express: ({ kind, ...input }) => expressTarget(input, kind, book),
  offers: (input) => offersOf(input, book),
  take: ({ offerId, ...input }) => takeOffer(input, offerId, book),
  cooling: ({ depthMm, regime }) => coolingAnswer(depthMm, HEAT_LIMITS[regime]),
  read: ({ text }) => readRecipe(text, book.foods),
  reread,
  swapOptions: ({ foodId, ...input }) => swapOptions(input, foodId, book),
  contributions: ({ nutrient, portionGrams, ...input }) => contributions(input, nutrient, portionGrams, book),
  saidNotIn: ({ recipe, kitchen, name, by, on }) => saidNotIn(recipe, book, kitchen, name, { by, on }),
  suggest: ({ text }) => suggestFoods(text, book.foods, 8),
  homeTarget: ({ recipe, kitchen }) => homeTarget(recipe, book, kitchen),
  cook: ({ now, ...input }) => {
    const { opened, kept } = cookGround(input);
    const state = batchState(opened, kept, now);
    return {
      state,
      stove: stoveView(opened, kept, state),
      hand: handFirst(state, now),
      rows: entryList(kept, opened),
    };
  },
  cookEffect: ({ tried, ...input }) => {
    const { opened, record } = cookGround(input, tried);
    return effectOf(opened, record, tried);
  },
  forgotten: ({ stepId, load, ...input }) => {
    const { opened, record } = cookGround(input);
    return forgottenAt(opened, record, stepId, load);
  },
  mending: ({ trouble, degree, stepId, ...input }) => {
    const { opened, record } = cookGround(input);
    return mendingOf(opened, record, trouble, degree, stepId);
  },
};

/** Parts that were sent before, by number. The same object each time lets core keep what it worked out of it. */
const kept = new Map<number, unknown>();

function heldValue({ number, value }: Held): unknown {
  if (value !== undefined) {
    kept.set(number, value);
    if (kept.size > MOST_HELD) kept.delete(kept.keys().next().value!);
  }
  return kept.get(number);
}

const steps: { [K in LongKind]: (ask: Questions[K]['ask']) => Generator<Progress, Questions[K]['answer']> } =
  {
    plan: (question) => planSteps(question, book),
    versions: (question) => versionSteps(question, book),
    betterPlan: ({ work }) => betterPlanSteps(work),
  };
const isLong = (kind: QuestionKind): kind is LongKind => (LONG_KINDS as readonly string[]).includes(kind);

/** Long questions that nobody waits for any more. */
const stopped = new Set<number>();
/** How long a long question works before it lets others speak, in milliseconds. */
const TURN = 12;
const pause = (): Promise<void> => new Promise((done) => setTimeout(done));

/** Takes a long answer in turns, so that the batch still follows the hand and a stop is heard. Null: it was stopped. */
async function inTurns<T>(id: number, long: Generator<Progress, T>): Promise<{ answer: T } | null> {
  let turn = performance.now();
  for (;;) {
    const step = long.next();
    if (step.done) return { answer: step.value };
    if (performance.now() - turn < TURN) continue;
    self.postMessage({ id, progress: step.value } satisfies Answer);
    await pause();
    if (stopped.delete(id)) return null;
    turn = performance.now();
  }
}

async function answered({ id, kind, ask, held }: Question): Promise<Answer | null> {
  try {
    const parts = Object.entries(held).map(([part, each]) => [part, heldValue(each)]);
    const whole: unknown = { ...ask, ...Object.fromEntries(parts) };
    if (!isLong(kind)) return { id, answer: (ANSWERS[kind] as (ask: unknown) => unknown)(whole) };
    const long = (steps[kind] as (ask: unknown) => Generator<Progress, unknown>)(whole);
    const done = await inTurns(id, long);
    return done && { id, answer: done.answer };
  } catch (error) {
    return { id, error: error instanceof Error ? error.message : String(error) };
  }
}

self.onmessage = ({ data }: MessageEvent<Question | Stop>) => {
  if ('stop' in data) {
    stopped.add(data.stop);
    return;
  }
  void answered(data).then((answer) => {
    stopped.delete(data.id);
    if (answer) self.postMessage(answer);
  });
};
