/** How far a figure on a label may be from what is in the food, by each law. */
import type { FactId, Regime } from '../food';

/** What the food may hold where a label declares a figure; null is no bound on that side. */
export interface ToleranceBand {
  low: number | null;
  high: number | null;
  /** The rule in words. */
  rule: string;
}

/** US 21 CFR 101.9(g)(4)(ii): naturally occurring nutrients must reach 80 % of what is declared. */
export const US_CLASS_II_SHARE = 0.8;
/** US 21 CFR 101.9(g)(5): calories, sugars, fats, cholesterol and sodium may not pass 120 % of what is declared. */
export const US_THIRD_GROUP_SHARE = 1.2;

const US_THIRD_GROUP: ReadonlySet<FactId> = new Set<FactId>([
  'energyKcal',
  'fatG',
  'saturatesG',
  'transG',
  'cholesterolMg',
  'sodiumMg',
  'sugarsG',
  'addedSugarsG',
]);

/** What the law lets a label call zero, below this amount a serving. Source: 21 CFR 101.9(c)(1) to (6). */
export const US_ZERO_BELOW: Readonly<Partial<Record<FactId, number>>> = {
  energyKcal: 5,
  fatG: 0.5,
  saturatesG: 0.5,
  transG: 0.5,
  cholesterolMg: 2,
  sodiumMg: 5,
  sugarsG: 0.5,
  addedSugarsG: 0.5,
};

/**
 * US band of a declared amount per serving. Protein, carbohydrate, fibre, vitamins and minerals are class II here, as
 * occurs naturally; what is added to a food (class I) must reach all of it, which a kitchen's own dish has none of.
 */
export function toleranceUs(id: FactId, declared: number): ToleranceBand {
  const zeroBelow = declared === 0 ? US_ZERO_BELOW[id] : undefined;
  if (zeroBelow !== undefined)
    return { low: null, high: zeroBelow, rule: `declared zero below ${zeroBelow}, 21 CFR 101.9(c)` };
  return US_THIRD_GROUP.has(id)
    ? {
        low: null,
        high: declared * US_THIRD_GROUP_SHARE,
        rule: 'at most 120 % of the label, 21 CFR 101.9(g)(5)',
      }
    : {
        low: declared * US_CLASS_II_SHARE,
        high: null,
        rule: 'at least 80 % of the label, 21 CFR 101.9(g)(4)(ii)',
      };
}

interface Step {
  /** The row holds below this amount per 100 g. */
  below: number;
  /** Either way: grams, or a share of the amount. */
  grams?: number;
  share?: number;
}

const MACRO: readonly Step[] = [
  { below: 10, grams: 2 },
  { below: 40, share: 0.2 },
  { below: Infinity, grams: 8 },
];
const FAT: readonly Step[] = [
  { below: 10, grams: 1.5 },
  { below: 40, share: 0.2 },
  { below: Infinity, grams: 8 },
];
const SATURATES: readonly Step[] = [
  { below: 4, grams: 0.8 },
  { below: Infinity, share: 0.2 },
];
const SALT: readonly Step[] = [
  { below: 1.25, grams: 0.375 },
  { below: Infinity, share: 0.2 },
];

/**
 * Guidance on tolerances for Regulation (EU) 1169/2011 (Commission, December 2012), table 1, foods other than
 * supplements: amounts per 100 g. It gives none for energy, which follows from its parts.
 */
export const EU_TOLERANCES: Readonly<Partial<Record<FactId, readonly Step[]>>> = {
  availableCarbohydrateG: MACRO,
  sugarsG: MACRO,
  proteinG: MACRO,
  fibreG: MACRO,
  fatG: FAT,
  saturatesG: SATURATES,
  monounsaturatesG: SATURATES,
  polyunsaturatesG: SATURATES,
  saltG: SALT,
};

/** EU band of a declared amount per 100 g; null where the guidance gives none. */
export function toleranceEu(id: FactId, declared: number): ToleranceBand | null {
  const step = EU_TOLERANCES[id]?.find(({ below }) => declared < below);
  if (!step) return null;
  const either = step.grams ?? declared * step.share!;
  const words = step.grams === undefined ? `${step.share! * 100} %` : `${step.grams} g`;
  return {
    low: Math.max(0, declared - either),
    high: declared + either,
    rule: `${words} either way per 100 g, EU guidance of December 2012, table 1`,
  };
}

export const toleranceOf = (regime: Regime, id: FactId, declared: number): ToleranceBand | null =>
  regime === 'us' ? toleranceUs(id, declared) : toleranceEu(id, declared);

/** How an estimate's own range stands to the band. `unknown`: some lines lack the figure, so it has no upper end. */
export type BandStanding = 'inside' | 'partly' | 'outside' | 'unknown' | 'no band';

export function standingIn(
  band: ToleranceBand | null,
  range: { low: number; high: number },
  isIncomplete: boolean,
): BandStanding {
  if (isIncomplete) return 'unknown';
  if (!band) return 'no band';
  const low = band.low ?? -Infinity;
  const high = band.high ?? Infinity;
  if (range.low >= low && range.high <= high) return 'inside';
  return range.high < low || range.low > high ? 'outside' : 'partly';
}
