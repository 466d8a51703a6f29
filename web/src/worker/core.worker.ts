/** Runs core off the main thread, so that nothing on the screen waits for a figure. */
import {
  bookOf,
  contributions,
  coolingAnswer,
  expressTarget,
  foodSet,
  HEAT_LIMITS,
  homeTarget,
  lineFromText,
  offersOf,
  planSwaps,
  readRecipe,
  stepsFromTexts,
  suggestFoods,
  takeOffer,
  worksheet,
  type Book,
  type Recipe,
} from '@hand-ladle/core';
import {
  MOST_HELD,
  type Answer,
  type Held,
  type Question,
  type QuestionKind,
  type Questions,
} from './protocol';

let book: Book = bookOf(foodSet([]), [], []);

/** Reads changed lines again by their text, and all steps against the new list. */
function reread({ recipe, changes, steps }: Questions['reread']['ask']): Recipe {
  const texts = new Map(changes.map(({ id, text }) => [id, text]));
  const kept = recipe.lines.map((line) => {
    const text = texts.get(line.id);
    texts.delete(line.id);
    return text === undefined ? line : lineFromText(text, line.id, book.foods, line.reading.part);
  });
  const added = [...texts].map(([id, text]) => lineFromText(text, id, book.foods));
  const lines = [...kept, ...added];
  const told = steps ?? recipe.steps.map(({ text }) => text);
  return { ...recipe, lines, steps: stepsFromTexts(told, lines, book.foods) };
}

const ANSWERS: { [K in QuestionKind]: (ask: Questions[K]['ask']) => Questions[K]['answer'] } = {
  book: ({ foods, swaps, components }) => {
    book = bookOf(foodSet(foods, components), components, swaps);
    return null;
  },
  worksheet: (input) => worksheet(input, book),
  express: ({ kind, ...input }) => expressTarget(input, kind, book),
  offers: (input) => offersOf(input, book),
  take: ({ offerId, ...input }) => takeOffer(input, offerId, book),
  cooling: ({ depthMm, regime }) => coolingAnswer(depthMm, HEAT_LIMITS[regime]),
  read: ({ text }) => readRecipe(text, book.foods),
  reread,
  plan: (question) => planSwaps(question, book),
  contributions: ({ nutrient, portionGrams, ...input }) => contributions(input, nutrient, portionGrams, book),
  suggest: ({ text }) => suggestFoods(text, book.foods, 8),
  homeTarget: ({ recipe, kitchen }) => homeTarget(recipe, book, kitchen),
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

self.onmessage = ({ data }: MessageEvent<Question>) => {
  let answer: Answer;
  try {
    const parts = Object.entries(data.held).map(([part, held]) => [part, heldValue(held)]);
    const run = ANSWERS[data.kind] as (ask: unknown) => unknown;
    answer = { id: data.id, answer: run({ ...data.ask, ...Object.fromEntries(parts) }) };
  } catch (error) {
    answer = { id: data.id, error: error instanceof Error ? error.message : String(error) };
  }
  self.postMessage(answer);
};
