/** A per-serving label: figures, ingredient statement, allergen statement, and whether it is still a draft. */
import type { Regime } from '../allergen/substances';
import type { LabelFigure } from './figures';
import type { Segment } from './statement';

export interface Label {
  regime: Regime;
  title: string;
  portionGrams: number;
  figures: LabelFigure[];
  /** The statement as one text. */
  ingredients: string;
  ingredientSegments: Segment[];
  contains: string;
  mayContain: string;
  unconfirmed: string;
  /** True until every decision is taken and every printed figure is known. */
  isDraft: boolean;
  /** Why it is a draft, one sentence each. */
  draftReasons: string[];
}

/** Said under every printed label that is not a draft any more. */
export const LABEL_CAUTION =
  'Calculated from recipe weights and reference data. Check against your local food law and the packs before use.';
