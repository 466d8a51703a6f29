/** What the screen asks the worker that runs core, and what it answers. */
import type {
  Contribution,
  Food,
  FreeFromPolicy,
  Kitchen,
  NutrientId,
  Recipe,
  RecipeReading,
  SwapAnswer,
  SwapEntry,
  Target,
  Worksheet,
} from '@hand-ladle/core';

export interface BookData {
  foods: Food[];
  swaps: SwapEntry[];
  components: Recipe[];
}

/** One bench's question: plain values that can be posted. */
export interface BenchInput {
  recipe: Recipe;
  kitchen: Kitchen;
  target: Target;
  vesselId: string | null;
}

export interface Questions {
  book: { ask: BookData; answer: null };
  worksheet: { ask: BenchInput; answer: Worksheet };
  read: { ask: { text: string }; answer: RecipeReading };
  /** Lines with new words, read again; ids the recipe does not have are added at the end. */
  reread: {
    ask: { recipe: Recipe; changes: { id: string; text: string }[]; steps?: string[] };
    answer: Recipe;
  };
  plan: { ask: BenchInput & { exclude: string[]; policy: FreeFromPolicy }; answer: SwapAnswer };
  contributions: { ask: BenchInput & { nutrient: NutrientId; portionGrams: number }; answer: Contribution[] };
  /** Foods whose names come nearest to what was typed. */
  suggest: { ask: { text: string }; answer: string[] };
  homeTarget: { ask: { recipe: Recipe; kitchen: Kitchen }; answer: Target };
}
export type QuestionKind = keyof Questions;

export interface Question<K extends QuestionKind = QuestionKind> {
  id: number;
  kind: K;
  ask: Questions[K]['ask'];
}

export type Answer = { id: number; answer: unknown } | { id: number; error: string };
