/** The printed figures of a label, in the order and words of each law. */
import type { FactId, Facts, Regime } from '../food';
import {
  carbohydrateTextUs,
  cholesterolTextUs,
  dailyValueMineralUs,
  dailyValueUs,
  energyTextEu,
  macroTextEu,
  roundEnergyUs,
  roundFatUs,
  roundMineralUs,
  roundSodiumUs,
  saltTextEu,
  saturatesTextEu,
} from './rounding';

/** US daily values (21 CFR 101.9(c)(8) and (9)). */
export const US_DAILY_VALUES = {
  fatG: 78,
  saturatesG: 20,
  cholesterolMg: 300,
  sodiumMg: 2300,
  carbohydrateG: 275,
  fibreG: 28,
  addedSugarsG: 50,
  proteinG: 50,
  vitaminDUg: 20,
  calciumMg: 1300,
  ironMg: 18,
  potassiumMg: 4700,
} as const;

/** EU reference intakes for an adult (Regulation (EU) 1169/2011 Annex XIII part B). */
export const EU_REFERENCE_INTAKES = {
  energyKj: 8400,
  fatG: 70,
  saturatesG: 20,
  availableCarbohydrateG: 260,
  sugarsG: 90,
  proteinG: 50,
  saltG: 6,
} as const;

export interface LabelFigure {
  id: FactId;
  /** The law's own word for it. */
  name: string;
  /** Amount per portion, rounded by the regime, with its unit. */
  text: string;
  /** Amount per 100 g where the regime prints one. */
  per100gText: string;
  /** "% DV" or "% RI" per portion; empty where the law gives none. */
  dailyValueText: string;
  /** Of the whole container, where the label tells it too; else empty. */
  wholeText: string;
  wholeDailyText: string;
  /** How deep it stands under the figure before it. */
  indent: 0 | 1 | 2;
  /** Some lines lack this figure, so the amount is "at least". */
  isIncomplete: boolean;
}

type Row = Pick<LabelFigure, 'id' | 'name' | 'indent'> & {
  text: (facts: Facts) => string;
  daily: (facts: Facts) => string;
};

const percent = (value: number): string => `${value}%`;
const DV = US_DAILY_VALUES;

const fat = (id: 'fatG' | 'saturatesG' | 'transG') => (facts: Facts) => `${roundFatUs(facts[id])}g`;
const mineral =
  (id: 'vitaminDUg' | 'calciumMg' | 'ironMg' | 'potassiumMg', step: 0.1 | 10, unit: string) =>
  (facts: Facts) =>
    `${roundMineralUs(facts[id], step, DV[id])}${unit}`;
const macroDaily = (id: keyof typeof US_DAILY_VALUES) => (facts: Facts) =>
  percent(dailyValueUs(facts[id], DV[id]));
const mineralDaily = (id: keyof typeof US_DAILY_VALUES) => (facts: Facts) =>
  percent(dailyValueMineralUs(facts[id], DV[id]));
const none = (): string => '';

const US_ROWS: readonly Row[] = [
  {
    id: 'energyKcal',
    name: 'Calories',
    indent: 0,
    text: (f) => String(roundEnergyUs(f.energyKcal)),
    daily: none,
  },
  { id: 'fatG', name: 'Total Fat', indent: 0, text: fat('fatG'), daily: macroDaily('fatG') },
  {
    id: 'saturatesG',
    name: 'Saturated Fat',
    indent: 1,
    text: fat('saturatesG'),
    daily: macroDaily('saturatesG'),
  },
  { id: 'transG', name: 'Trans Fat', indent: 1, text: fat('transG'), daily: none },
  {
    id: 'cholesterolMg',
    name: 'Cholesterol',
    indent: 0,
    text: (f) => cholesterolTextUs(f.cholesterolMg),
    daily: macroDaily('cholesterolMg'),
  },
  {
    id: 'sodiumMg',
    name: 'Sodium',
    indent: 0,
    text: (f) => `${roundSodiumUs(f.sodiumMg)}mg`,
    daily: macroDaily('sodiumMg'),
  },
  {
    id: 'carbohydrateG',
    name: 'Total Carbohydrate',
    indent: 0,
    text: (f) => carbohydrateTextUs(f.carbohydrateG),
    daily: macroDaily('carbohydrateG'),
  },
  {
    id: 'fibreG',
    name: 'Dietary Fiber',
    indent: 1,
    text: (f) => carbohydrateTextUs(f.fibreG),
    daily: macroDaily('fibreG'),
  },
  { id: 'sugarsG', name: 'Total Sugars', indent: 1, text: (f) => carbohydrateTextUs(f.sugarsG), daily: none },
  {
    id: 'addedSugarsG',
    name: 'Added Sugars',
    indent: 2,
    text: (f) => carbohydrateTextUs(f.addedSugarsG),
    daily: macroDaily('addedSugarsG'),
  },
  { id: 'proteinG', name: 'Protein', indent: 0, text: (f) => carbohydrateTextUs(f.proteinG), daily: none },
  {
    id: 'vitaminDUg',
    name: 'Vitamin D',
    indent: 0,
    text: mineral('vitaminDUg', 0.1, 'mcg'),
    daily: mineralDaily('vitaminDUg'),
  },
  {
    id: 'calciumMg',
    name: 'Calcium',
    indent: 0,
    text: mineral('calciumMg', 10, 'mg'),
    daily: mineralDaily('calciumMg'),
  },
  {
    id: 'ironMg',
    name: 'Iron',
    indent: 0,
    text: mineral('ironMg', 0.1, 'mg'),
    daily: mineralDaily('ironMg'),
  },
  {
    id: 'potassiumMg',
    name: 'Potassium',
    indent: 0,
    text: mineral('potassiumMg', 10, 'mg'),
    daily: mineralDaily('potassiumMg'),
  },
];

const intake = (id: keyof typeof EU_REFERENCE_INTAKES) => (facts: Facts) =>
  percent(dailyValueUs(facts[id], EU_REFERENCE_INTAKES[id]));
const macro = (id: FactId) => (facts: Facts) => macroTextEu(facts[id]);

const EU_ROWS: readonly Row[] = [
  {
    id: 'energyKj',
    name: 'Energy',
    indent: 0,
    text: (f) => energyTextEu(f.energyKj, f.energyKcal),
    daily: intake('energyKj'),
  },
  { id: 'fatG', name: 'Fat', indent: 0, text: macro('fatG'), daily: intake('fatG') },
  {
    id: 'saturatesG',
    name: 'of which saturates',
    indent: 1,
    text: (f) => saturatesTextEu(f.saturatesG),
    daily: intake('saturatesG'),
  },
  {
    id: 'availableCarbohydrateG',
    name: 'Carbohydrate',
    indent: 0,
    text: macro('availableCarbohydrateG'),
    daily: intake('availableCarbohydrateG'),
  },
  { id: 'sugarsG', name: 'of which sugars', indent: 1, text: macro('sugarsG'), daily: intake('sugarsG') },
  { id: 'fibreG', name: 'Fibre', indent: 0, text: macro('fibreG'), daily: none },
  { id: 'proteinG', name: 'Protein', indent: 0, text: macro('proteinG'), daily: intake('proteinG') },
  { id: 'saltG', name: 'Salt', indent: 0, text: (f) => saltTextEu(f.saltG), daily: intake('saltG') },
];

/** Which figures a regime's label prints. */
export const printedFigures = (regime: Regime): ReadonlySet<string> => PRINTED[regime];
const PRINTED = { us: new Set(US_ROWS.map(({ id }) => id)), eu: new Set(EU_ROWS.map(({ id }) => id)) };

/** A US amount that is printed as zero has a daily value of zero: "Saturated Fat 0g 1%" contradicts itself (21 CFR 101.9(d)(7)(ii)). */
const dailyOf = (regime: Regime, text: string, daily: string): string =>
  regime === 'us' && daily !== '' && /^0(?:g|mg|mcg)$/.test(text) ? percent(0) : daily;

/** What the figures of a label are worked out from. */
export interface FigureGround {
  perPortion: Facts;
  per100g: Facts;
  /** Of the whole container; null where it is not told. */
  whole: Facts | null;
  missing: ReadonlySet<string>;
}

/** The figures of a regime's label; %DV comes from the unrounded amounts. */
export function labelFigures(
  { perPortion, per100g, whole, missing }: FigureGround,
  regime: Regime,
): LabelFigure[] {
  const rows = regime === 'us' ? US_ROWS : EU_ROWS;
  return rows.map(({ id, name, indent, text, daily }) => {
    const isIncomplete = missing.has(id);
    const mark = isIncomplete ? 'at least ' : '';
    const dailyText = (facts: Facts): string =>
      isIncomplete ? '' : dailyOf(regime, text(facts), daily(facts));
    return {
      id,
      name,
      text: mark + text(perPortion),
      per100gText: regime === 'eu' ? mark + text(per100g) : '',
      dailyValueText: dailyText(perPortion),
      wholeText: whole ? mark + text(whole) : '',
      wholeDailyText: whole ? dailyText(whole) : '',
      indent,
      isIncomplete,
    };
  });
}

/** Facts of so many times as much. */
export const timesFacts = (facts: Facts, factor: number): Facts =>
  Object.fromEntries(Object.entries(facts).map(([id, amount]) => [id, amount * factor])) as unknown as Facts;

/** Protein in % of the daily value, by quality: told only where the label claims protein (101.9(c)(7)(i)). */
export const proteinDailyUs = (correctedGrams: number): string =>
  percent(dailyValueUs(correctedGrams, US_DAILY_VALUES.proteinG));
