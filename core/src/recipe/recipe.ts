/** A recipe: what was written, what was read from it, and what the cook answered. */
import type { Finding } from '../finding';
import type { Heat } from '../kitchen';
import type { Figure, Unit } from '../quantity';
import type { PackedPortion } from './packed';

export type AmountKind = 'exact' | 'range' | 'vague' | 'to-taste' | 'none';

/** One "figure and unit" of a line. A compound line ("1 cup plus 2 tbsp") has several. */
export interface Measured extends Pick<Figure, 'value' | 'low' | 'high'> {
  unit: Unit;
  size: 'small' | 'medium' | 'large';
  heaping: 'level' | 'heaped' | 'scant';
  /** Net grams of one tin or pack when the line says it ("2 x 400 g tins"). */
  packGrams: number | null;
}

/** What was read from a written line. It is kept beside the text, never instead of it. */
export interface Reading {
  amountKind: AmountKind;
  measures: readonly Measured[];
  /** The amount as the line wrote it: "1 1/2 cups". */
  amountText: string;
  /** Weight given in brackets, in grams. */
  statedGrams: number | null;
  /** Id of the food or component; null when nothing matched. */
  foodId: string | null;
  /** The name as it was written. */
  foodText: string;
  /** 1 exact, 0.7 respelt, 0 unknown. */
  confidence: number;
  /** Other foods the line may mean: other states, or near names. */
  otherFoodIds: readonly string[];
  /** Foods offered by the line itself: "or millet". */
  alternativeIds: readonly string[];
  /** Preparation: "rinsed", "finely chopped". */
  form: string;
  /** The line leaves the state open (dry, cooked or tinned). */
  stateOpen: boolean;
  optional: boolean;
  purpose: 'fry' | 'garnish' | null;
  /** The heading the line stood under: "For the glaze". */
  part: string;
  findings: readonly Finding[];
}

/** What is done instead of frying in fat. */
export const TECHNIQUES = ['water', 'dry'] as const;
export type Technique = (typeof TECHNIQUES)[number];

/** What becomes of a bath of oil or water. */
export const BATH_ANSWERS = ['eaten', 'left'] as const;
export type BathAnswer = (typeof BATH_ANSWERS)[number];

/** What the cook decided about a line. Answers overrule the reading and are never guessed. */
export interface LineAnswers {
  foodId?: string;
  /** Edible-portion grams in the home recipe, as weighed or chosen. */
  grams?: number;
  /** Whether `grams` was weighed here or accepted from the convention. */
  gramsOrigin?: 'weighed here' | 'convention';
  /** A dry pulse or grain that is soaked and boiled apart: the pot gets it cooked, with the water it took up. */
  isCookedApart?: boolean;
  /** A bath of oil or water: eaten with the food, or left in the pan and the sink but for what the food takes up. */
  bath?: BathAnswer;
  /** A dry food whose line weighs it soaked. Set by the reading of "soaked chickpeas", never by hand. */
  isSoaked?: boolean;
  /** Fat for a pan left out: water in its place that boils away, or nothing. */
  technique?: Technique;
}

export interface RecipeLine {
  id: string;
  text: string;
  reading: Reading;
  answers: LineAnswers;
}

/** One stretch of cooking found in a step. */
export interface Cooking {
  heat: Heat;
  minutes: number;
  covered: boolean;
  /** It is boiled down on purpose: then the steam follows the food, and the time the vessel. */
  reduces?: boolean;
}

export interface StepReading {
  cooking: Cooking | null;
  /** Further stretches of the same step: "then 10 minutes uncovered". */
  further?: readonly Cooking[];
  /** All the times it says one after another, in minutes, whatever they are for; null when it says none. */
  minutes: number | null;
  /** The oven temperature it sets. A fan oven is set about 20 °C lower for the same heat. */
  temperature: { celsius: number; isFan: boolean } | null;
  /** What it cooks in: "oven", "frying pan". */
  equipment: readonly string[];
  /** Ids of the lines the step uses. */
  lineIds: readonly string[];
  /** "until a fork goes in". */
  lookTest: string;
  /** Foods it names that no line holds. */
  missingNames: readonly string[];
  /** Amounts it gives of foods that no line holds: "200 ml water". */
  hiddenAmounts: readonly string[];
  findings: readonly Finding[];
}

/** A reading of a step that says nothing: what older readings lack is filled from it. */
export const EMPTY_STEP_READING: StepReading = {
  cooking: null,
  minutes: null,
  temperature: null,
  equipment: [],
  lineIds: [],
  lookTest: '',
  missingNames: [],
  hiddenAmounts: [],
  findings: [],
};

/** Every stretch of cooking of a step, in order. */
export const cookingsIn = ({ cooking, further = [] }: StepReading): Cooking[] =>
  cooking ? [cooking, ...further] : [];

export interface RecipeStep {
  id: string;
  text: string;
  reading: StepReading;
}

/** A swap that makes a variant: wherever `fromId` stands, at any depth, the entry's foods stand instead. */
export interface AppliedSwap {
  fromId: string;
  swapId: string;
  /** It is the parent's: the variant follows it and does not keep it. */
  isInherited?: boolean;
}

/**
 * A cook's word that something the text names is not in the dish. It holds for that text alone: a step that is written
 * anew is asked about anew.
 */
export interface NotIn {
  /** The name as comparable words: "walnut". */
  name: string;
  /** The whole text it stands in: the title, a line, a step. */
  text: string;
  by: string;
  /** ISO date. */
  on: string;
}

/** A cook's word that a figure the audit of matter doubts is right. It holds while the figure stays what it was. */
export interface Confirmed {
  /** What was doubted: "energy", "salt". */
  what: string;
  /** The figure as it stood. */
  figure: number;
  by: string;
  /** ISO date. */
  on: string;
}

export interface Recipe {
  id: string;
  name: string;
  /** Home portions and their size, as standardized. */
  portions: number;
  portionGrams: number | null;
  /** Finished weight of the home recipe where somebody weighed it. */
  measuredYieldGrams: number | null;
  lines: readonly RecipeLine[];
  steps: readonly RecipeStep[];
  /** What else the text said: what stood above the list, and notes. */
  notes: readonly string[];
  /** What the cook said is not in it, though the text names it. */
  notIn: readonly NotIn[];
  /** Doubted figures that a cook stands for. */
  confirmed: readonly Confirmed[];
  /** Set on a variant: the recipe whose lines and steps it follows. */
  parentId: string | null;
  swaps: readonly AppliedSwap[];
  /** What a variant was made to be free from: allergen ids. */
  freeFrom: readonly string[];
  /** Shared equipment this version is kept off: it is cooked apart, on clean equipment. */
  apart: readonly string[];
  /** Made once and used by weight in other dishes. */
  isComponent: boolean;
  /** How it is packed; nothing where nobody said. */
  packed?: PackedPortion | null;
}

/** The food a line stands for: the cook's answer, else the reading; null when unknown. */
export const foodIdOf = (line: RecipeLine): string | null => line.answers.foodId ?? line.reading.foodId;

/**
 * Whether it is settled which food a line means. Where it is not, nothing about the line may read as clear: the
 * spelling was mended, another food stands next to the name, or an alternative is still open.
 */
export const isFoodSure = (line: RecipeLine): boolean =>
  line.answers.foodId !== undefined ||
  (line.reading.foodId !== null && line.reading.confidence === 1 && line.reading.alternativeIds.length === 0);
