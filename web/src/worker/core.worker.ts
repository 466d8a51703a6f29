/** Runs core off the main thread, so that nothing on the screen waits for a figure. */
import {
  bookOf,
  contributions,
  foodSet,
  homeTarget,
  lineFromText,
  planSwaps,
  readRecipe,
  stepsFromTexts,
  suggestFoods,
  worksheet,
  type Book,
  type Recipe,
} from '@hand-ladle/core';
import type { Answer, Question, QuestionKind, Questions } from './protocol';

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
  read: ({ text }) => readRecipe(text, book.foods),
  reread,
  plan: (question) => planSwaps(question, book),
  contributions: ({ nutrient, portionGrams, ...input }) => contributions(input, nutrient, portionGrams, book),
  suggest: ({ text }) => suggestFoods(text, book.foods, 8),
  homeTarget: ({ recipe, kitchen }) => homeTarget(recipe, book, kitchen),
};

self.onmessage = ({ data }: MessageEvent<Question>) => {
  let answer: Answer;
  try {
    const run = ANSWERS[data.kind] as (ask: unknown) => unknown;
    answer = { id: data.id, answer: run(data.ask) };
  } catch (error) {
    answer = { id: data.id, error: error instanceof Error ? error.message : String(error) };
  }
  self.postMessage(answer);
};
