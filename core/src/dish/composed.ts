/** A composed dish: what is in it at home size, line by line, and what becomes of it. */
import type { Trace } from '../allergen';
import type { Finding } from '../finding';
import type { BathKind } from '../matter';
import type { NutrientSum } from '../nutrition';
import type { Cooking, Recipe } from '../recipe';
import type { StandardLine } from './standard';
import type { StatementItem } from './statement-items';

export interface ComposedLine extends StandardLine {
  /** The component's own composition, when the line is one. */
  inner: Composed | null;
  /** Everything this line brings that is not clear. */
  traces: Trace[];
  /** Share of it that ends in the food, 0 to 1: of deep-frying oil, what is taken up; the rest stays in the bath. */
  takenUp: number;
  /** It is boiled in water that is poured off, and leaves of itself there. */
  isPouredOff: boolean;
  /** The bath it is, where it is one. */
  bath: BathKind | null;
}

export interface Composed {
  recipe: Recipe;
  lines: ComposedLine[];
  cookings: Cooking[];
  /** Finished weight at home size, measured or predicted, with its range. */
  finishedGrams: number;
  lowGrams: number;
  highGrams: number;
  isMeasured: boolean;
  /** Everything that leaves as steam at home size. */
  steamGrams: number;
  /** Of it, what the vessel and the clock decide, and what is boiled down on purpose, which follows the food. */
  fixedSteamGrams: number;
  reducedSteamGrams: number;
  /** Of the latter, what a fryer drives out. */
  friedSteamGrams: number;
  /** Water put in a hot pan instead of fat, which boils away as it is added. */
  sweatGrams: number;
  /** Added water at home size. */
  waterGrams: number;
  /** Water that foods take up and no line names. */
  absorbedGrams: number;
  /** Water pressed out of them. */
  pressedGrams: number;
  /** Water and all else of what ends in the food, before any of it leaves as steam. */
  waterInGrams: number;
  dryInGrams: number;
  /** Everything that goes in at home size, absorbed water too. */
  putInGrams: number;
  /** What is left of it once the steam is gone, 0 to 1: measured, or less what sticks to pots and spoons. */
  keptShare: number;
  nutrients: NutrientSum;
  traces: Trace[];
  /** Ingredients as put in, line by line, and in the order of a statement at home size. */
  statementItems: StatementItem[];
  statement: StatementItem[];
  findings: Finding[];
}

/**
 * What a component is made of, as a key: two dishes share a batch of it only where a swap changes it for neither or for both.
 * A batch shared by name alone would put into the free-from dish what the other one asked for.
 */
export const componentKey = ({ recipe, lines }: Composed): string =>
  `${recipe.id}(${lines.map(({ food, inner }) => (inner ? componentKey(inner) : (food?.id ?? '?'))).join()})`;
