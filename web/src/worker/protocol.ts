/** What the screen asks the worker that runs core, and what it answers. */
import type {
  BatchState,
  Claim,
  Contribution,
  CoolingAnswer,
  Degree,
  DinerGroup,
  Effect,
  EntryBody,
  EntryRow,
  Food,
  Forgotten,
  FreeFromPolicy,
  Kitchen,
  Mending,
  NotIn,
  NutrientId,
  NutrientTarget,
  Offer,
  OpenedBatch,
  PortionReview,
  Progress,
  Recipe,
  RecipeReading,
  Regime,
  SearchProgress,
  ServiceWork,
  StatementStyle,
  StoveView,
  SwapAnswer,
  SwapEntry,
  SwapFunction,
  SwapOption,
  Target,
  TargetFix,
  ToldKeptEntry,
  Trouble,
  VersionsAnswer,
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
  vesselIds: readonly string[];
  labelStyle?: StatementStyle;
}

export interface Questions {
  book: { ask: BookData; answer: null };
  worksheet: { ask: BenchInput; answer: Worksheet };
  /** The batch at hand said in another way; null where it cannot be. */
  express: { ask: BenchInput & { kind: Target['kind'] }; answer: Target | null };
  /** What can be done otherwise with the lines, and the recipe once one of them is taken. */
  offers: { ask: BenchInput; answer: Offer[] };
  take: { ask: BenchInput & { offerId: string }; answer: Recipe };
  cooling: { ask: { depthMm: number; regime: Regime }; answer: CoolingAnswer };
  read: { ask: { text: string }; answer: RecipeReading };
  /** Lines with new words, read again; ids the recipe does not have are added at the end. */
  reread: {
    ask: { recipe: Recipe; changes: { id: string; text: string }[]; steps?: string[] };
    answer: Recipe;
  };
  plan: {
    ask: BenchInput & {
      exclude: string[];
      policy: FreeFromPolicy;
      isApart: boolean;
      works: Record<string, SwapFunction>;
    };
    answer: SwapAnswer;
  };
  versions: {
    ask: BenchInput & { groups: (DinerGroup & { portions: number })[]; isApart: boolean };
    answer: VersionsAnswer;
  };
  /** A better plan of a service. */
  betterPlan: { ask: { work: ServiceWork }; answer: SearchProgress };
  /** Everything on file for one food of a dish, each with its checks. */
  swapOptions: { ask: BenchInput & { foodId: string }; answer: SwapOption[] };
  /** What one portion is as food; and ways to a kitchen's targets. */
  portion: { ask: BenchInput; answer: PortionReview };
  targetFixes: { ask: BenchInput & { wanted: NutrientTarget }; answer: TargetFix[] };
  /** The dish with another weight of one line, to see what it would do. */
  whatIf: { ask: BenchInput & { lineId: string; grams: number }; answer: Worksheet };
  claims: { ask: BenchInput; answer: Claim[] };
  contributions: { ask: BenchInput & { nutrient: NutrientId; portionGrams: number }; answer: Contribution[] };
  /** A cook's word that something named is not in the dish, for every text that names it. */
  saidNotIn: {
    ask: { recipe: Recipe; kitchen: Kitchen; name: string; by: string; on: string };
    answer: NotIn[];
  };
  /** Foods whose names come nearest to what was typed. */
  suggest: { ask: { text: string }; answer: string[] };
  homeTarget: { ask: { recipe: Recipe; kitchen: Kitchen }; answer: Target };
  /** Where a batch stands at a moment, milliseconds since 1970. */
  cook: { ask: CookInput & { now: number }; answer: CookAnswer };
  /** What an entry would change, before it is written. */
  cookEffect: { ask: CookInput & { tried: EntryBody[] }; answer: Effect };
  /** Lines that should have gone in by the end of a step and did not. */
  forgotten: { ask: CookInput & { stepId: string; load: number }; answer: Forgotten[] };
  mending: { ask: CookInput & { trouble: Trouble; degree: Degree; stepId: string }; answer: Mending };
}
/** A batch that is cooked, as the stove holds it: what it was opened with, and its record so far. */
export interface CookInput {
  opened: OpenedBatch;
  kitchen: Kitchen;
  entries: readonly ToldKeptEntry[];
}

/** Everything the stove shows of a batch. */
export interface CookAnswer {
  state: BatchState;
  stove: StoveView;
  /** How soon it needs a hand: the lower the sooner. */
  hand: number;
  rows: EntryRow[];
}

export type QuestionKind = keyof Questions;

/** Parts of questions that are large and seldom change: sent once, then called by number. */
export const HELD_PARTS = ['recipe', 'kitchen', 'opened'] as const;
export type HeldPart = (typeof HELD_PARTS)[number];
/** How many of them the worker keeps; the oldest goes first. */
export const MOST_HELD = 16;
/** A held part: its number, and its value the first time. */
export interface Held {
  number: number;
  value?: unknown;
}

export interface Question<K extends QuestionKind = QuestionKind> {
  id: number;
  kind: K;
  ask: Questions[K]['ask'];
  held: Partial<Record<HeldPart, Held>>;
}

/** Questions that can take long: they tell how far they are, and can be stopped. */
export const LONG_KINDS = ['plan', 'versions', 'betterPlan'] as const;
export type LongKind = (typeof LONG_KINDS)[number];
/** How far a long question is; the search for a plan tells the best so far with it. */
export type LongProgress = Progress | SearchProgress;

/** Asks the worker to stop a long question. */
export interface Stop {
  stop: number;
}

export type Answer =
  { id: number; answer: unknown } | { id: number; error: string } | { id: number; progress: LongProgress };
