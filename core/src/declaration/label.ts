/** A per-serving label: figures, ingredient statement, allergen statement, and whether it is still a draft. */
import type { Narrowing } from '../dish';
import type { FactId, Regime } from '../food';
import type { BandStanding, ToleranceBand } from '../nutrition';
import type { LabelFigure } from './figures';
import type { LabelPack } from './label-pack';
import type { Segment } from './statement';
import type { Language } from './words';

/** A printed figure against what the law lets the food hold. */
export interface FigureTolerance {
  id: FactId;
  name: string;
  unit: string;
  /** US figures are held per portion, EU figures per 100 g, as each law does. */
  per: 'portion' | '100 g';
  /** What was worked out, before rounding, and its range; no upper end where a figure is missing. */
  value: number;
  low: number;
  high: number | null;
  /** What is printed, as a number. */
  declared: number;
  band: ToleranceBand | null;
  standing: BandStanding;
}

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
  /** Allergens by name, for labels that say them apart. */
  named: { contains: string[]; mayContain: string[] };
  language: Language;
  /** How it is packed, and who answers for it. Labels frozen before packs were told lack it. */
  pack?: LabelPack;
  /** Grams of water in 100 g; null where it is not known. */
  waterGrams?: number | null;
  /** Protein in % of the daily value, corrected for quality; null where it cannot be. US only. */
  proteinDailyText?: string | null;
  /** US: the same label in English, where it speaks another language. */
  beside?: Label | null;
  /** Names and pack statements that stand in English because nobody translated them. */
  untranslated: string[];
  tolerances: FigureTolerance[];
  /** What would narrow the ranges most, best first. */
  narrowings: Narrowing[];
  /** True until every decision is taken and every printed figure is known. */
  isDraft: boolean;
  /** Why it is a draft, one sentence each. */
  draftReasons: string[];
}
