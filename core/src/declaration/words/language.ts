/** What a label says in a language: a language is one file beside this one, and its part of the allergen words. */
import type { FactId } from '../../food';
import type { HouseholdMeasure, Keeping } from '../../recipe';

export const LANGUAGES = ['en', 'es', 'fr', 'de'] as const;
export type Language = (typeof LANGUAGES)[number];
export const LANGUAGE_NAMES: Readonly<Record<Language, string>> = {
  en: 'English',
  es: 'Spanish',
  fr: 'French',
  de: 'German',
};

/** The words of the US panel. */
export interface PanelWords {
  title: readonly [string, string];
  netWeight: string;
  about: string;
  servings: (count: string, isOne: boolean) => string;
  servingSize: string;
  amount: string;
  perServing: string;
  perContainer: string;
  calories: string;
  dailyValue: string;
  dailyShort: string;
  lessThan: string;
  /** "Includes 3g Added Sugars". */
  includes: (text: string) => string;
  /** How the linear form begins. */
  linear: (servings: string, size: string) => string;
  figures: Readonly<Partial<Record<FactId, string>>>;
  /** 21 CFR 101.9(d)(9), and what small packs may carry in its place, (j)(13)(ii)(C). */
  footnote: string;
  shortFootnote: string;
  /** One and several of a household measure; "portion" where a plate is served and nothing is packed. */
  measures: Readonly<Record<HouseholdMeasure | 'portion', readonly [string, string]>>;
}

export interface LabelWords {
  /** Mark between whole and fraction in figures of the EU table. */
  decimalMark: '.' | ',';
  figures: Readonly<Partial<Record<FactId, string>>>;
  nutrition: string;
  per100g: string;
  perPortion: (grams: string) => string;
  portion: (grams: string) => string;
  /** "5 portions of 196 g". */
  portions: (count: string, grams: string) => string;
  referenceIntake: string;
  referenceIntakeNote: string;
  atLeast: string;
  ingredients: string;
  contains: string;
  mayContain: string;
  notConfirmed: string;
  otherAllergens: string;
  notRecorded: string;
  allergensInCapitals: string;
  noneDeclared: string;
  made: string;
  useBy: string;
  bestBefore: string;
  batch: string;
  weight: string;
  netWeight: string;
  keep: Readonly<Record<Keeping, string>>;
  keepUs: Readonly<Record<Keeping, string>>;
  /** What of an ingredient went into 100 g, where it is more than 100 % (1169/2011 Annex VIII 4). */
  per100gOf: (grams: string) => string;
  /** What begins the end of a US list (21 CFR 101.4(a)(2)). */
  tailUs: string;
  allergens: string;
  forWhom: string;
  texture: string;
  draft: string;
  openPoints: (count: number) => string;
  caution: string;
  ask: string;
  treeNuts: string;
  askDietitian: string;
  panel: PanelWords;
}
