/** The US serving of a pack: its size in a household measure, how many a container holds, and whether the whole container is told too. */
import type { Household, HouseholdMeasure } from '../recipe';
import { type ReferenceAmount, referenceAmount } from './reference-amounts';

/** Volumes of household measures on a label, ml (21 CFR 101.9(b)(5)(viii)). */
const MILLILITRES: Readonly<Partial<Record<HouseholdMeasure, number>>> = {
  cup: 240,
  tbsp: 15,
  tsp: 5,
  'fl oz': 30,
};

/** How far a piece may be off what one weighed before it is another piece. */
const SAME_PIECE = 0.05;

/**
 * A portion in the measure somebody measured, as large as the portion is today: spoons and cups grow with it, a piece of another
 * weight is another piece, which nobody has counted.
 */
export function householdOf(said: Household | null, portionGrams: number): Household | null {
  if (!said || said.grams === null || said.grams <= 0) return said;
  const ratio = portionGrams / said.grams;
  if (MILLILITRES[said.measure]) return { ...said, amount: said.amount * ratio, grams: portionGrams };
  return Math.abs(ratio - 1) <= SAME_PIECE ? said : null;
}

/** Grams of the reference amount, in this dish; null where its cup was never weighed. */
export function referenceGrams(
  reference: ReferenceAmount,
  household: Household | null,
  portionGrams: number,
): number | null {
  if (reference.grams !== null) return reference.grams;
  const ml = household && MILLILITRES[household.measure];
  if (!ml || household.amount <= 0) return null;
  return (reference.millilitres! * portionGrams) / (ml * household.amount);
}

/** 101.9(b)(6): a pack of less than twice the reference amount is one serving; (b)(12)(i): up to three times tells the whole pack too. */
export const ONE_SERVING_BELOW = 2;
export const WHOLE_TOLD_UP_TO = 3;
/**
 * What is spooned is served in the household measure nearest the reference amount: half of it to one and a half times (convention).
 * A piece of more than half and less than twice the reference amount is a serving (101.9(b)(2)(i)).
 */
export const SERVING_NEAR = { least: 0.5, most: 1.5, mostOfPiece: 2 } as const;

export type ReferenceProblem =
  'no reference amount' | 'its cup is not weighed' | 'one serving' | 'serving far from it';

export interface ReferenceCheck {
  /** Grams of the reference amount; null where it is not known. */
  grams: number | null;
  /** The pack as a multiple of it. */
  multiple: number | null;
  problem: ReferenceProblem | null;
  /** The law wants the whole container's figures beside the serving's. */
  isWholeAsked: boolean;
}

/** Holds a pack against the reference amount of its kind. */
export function checkReference(
  referenceId: string | null,
  household: Household | null,
  portionGrams: number,
  netGrams: number,
): ReferenceCheck {
  const unknown = (problem: ReferenceProblem): ReferenceCheck => ({
    grams: null,
    multiple: null,
    problem,
    isWholeAsked: false,
  });
  const reference = referenceAmount(referenceId);
  if (!reference) return unknown('no reference amount');
  const grams = referenceGrams(reference, household, portionGrams);
  if (grams === null) return unknown('its cup is not weighed');
  const multiple = netGrams / grams;
  const isOneServing = Math.abs(netGrams / portionGrams - 1) < 0.05;
  const most = household && MILLILITRES[household.measure] ? SERVING_NEAR.most : SERVING_NEAR.mostOfPiece;
  const isNear = portionGrams >= grams * SERVING_NEAR.least && portionGrams <= grams * most;
  const problem =
    multiple < ONE_SERVING_BELOW && !isOneServing
      ? 'one serving'
      : !isOneServing && !isNear
        ? 'serving far from it'
        : null;
  return {
    grams,
    multiple,
    problem,
    isWholeAsked: !isOneServing && multiple >= ONE_SERVING_BELOW && multiple <= WHOLE_TOLD_UP_TO,
  };
}

/** Steps a household measure is told in (101.9(b)(5)(i)). */
const FRACTIONS: readonly (readonly [number, string])[] = [
  [0, ''],
  [1 / 4, '1/4'],
  [1 / 3, '1/3'],
  [1 / 2, '1/2'],
  [2 / 3, '2/3'],
  [3 / 4, '3/4'],
  [1, ''],
];

/** An amount as a household measure says it, "1 1/3", and whether that is only about it. */
export function householdAmount(amount: number): { text: string; isAbout: boolean; isOne: boolean } {
  const whole = Math.floor(amount + 1e-9);
  const rest = amount - whole;
  const [value, fraction] = FRACTIONS.reduce((best, each) =>
    Math.abs(each[0] - rest) < Math.abs(best[0] - rest) ? each : best,
  );
  // Less than an eighth is told as a quarter: no pack holds none of it.
  const told = Math.max(whole + value, 1 / 4);
  const full = Math.floor(told + 1e-9);
  const said = whole + value < 1 / 4 ? '1/4' : fraction;
  return {
    text: [full > 0 ? String(full) : '', said].filter((part) => part !== '').join(' '),
    isAbout: Math.abs(told - amount) > 0.02 * amount,
    isOne: told <= 1 + 1e-9,
  };
}

/**
 * Servings of a container (101.9(b)(8)): whole numbers, by halves from 2 to 5; "about" where it is rounded.
 */
export function servingsPerContainer(
  netGrams: number,
  portionGrams: number,
): { count: number; isAbout: boolean } {
  const exact = netGrams / portionGrams;
  const step = exact >= 2 && exact <= 5 ? 0.5 : 1;
  const count = Math.max(1, Math.round(exact / step) * step);
  return { count, isAbout: Math.abs(count - exact) > 0.02 };
}
