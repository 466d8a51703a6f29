/**
 * What a portion may credit towards a US school lunch: 7 CFR 210.10(c) and the Food Buying Guide, rounded. An estimate to be
 * confirmed by the state agency: product formulation statements and the guide's own yields decide.
 */
import type { Food } from '../food';
import type { BandId } from '../kitchen';
import type { PortionFood } from './plate';

export const VEGETABLE_SUBGROUPS = [
  'dark green',
  'red and orange',
  'beans, peas and lentils',
  'starchy',
  'other',
] as const;
export type VegetableSubgroup = (typeof VEGETABLE_SUBGROUPS)[number];

/** Grams that credit one ounce equivalent of meat alternate. */
export const GRAMS_PER_OZ_EQ_MEAT_ALTERNATE = {
  /** Cooked pulses: 1/4 cup. */
  pulse: 44,
  /** Tofu of 5 g protein or more in 62 g (2.2 oz). */
  tofu: 62,
  tempeh: 28.35,
  /** Two tablespoons. */
  nutButter: 32,
  nut: 28.35,
} as const;
/** Least protein of creditable tofu, g per 62 g. */
export const LEAST_TOFU_PROTEIN_G = 5;
/** Grams that credit one ounce equivalent of grain: dry whole or cracked grain and pasta, flour in a dough, bread. */
export const GRAMS_PER_OZ_EQ_GRAIN = { dry: 28, flour: 16, bread: 28, cooked: 75 } as const;
/** A cup of cooked or cut vegetable where the larder has no measure, g (convention). */
export const GRAMS_PER_CUP_VEGETABLE = 150;
export const GRAMS_PER_CUP_FRUIT = 155;
export const GRAMS_PER_CUP_PULSE = 175;
/** Tomato paste credits as what it was made of: a tablespoon (16 g) is a quarter cup. */
export const GRAMS_PER_CUP_TOMATO_PASTE = 64;
/** Raw leaves credit half their volume, dried fruit twice. */
export const LEAF_SHARE = 0.5;
export const DRIED_FRUIT_SHARE = 2;
/** Credits are told in whole steps, always down. */
export const OZ_EQ_STEP = 0.25;
export const CUP_STEP = 0.125;

/** Daily minimum of a lunch by grade band, 7 CFR 210.10(c)(2). */
export interface AgeBand {
  id: BandId;
  name: string;
  meatAlternateOzEq: number;
  grainOzEq: number;
  vegetableCups: number;
  fruitCups: number;
}
export const AGE_BANDS: readonly AgeBand[] = [
  {
    id: 'k-5',
    name: 'Grades K to 5',
    meatAlternateOzEq: 1,
    grainOzEq: 1,
    vegetableCups: 0.75,
    fruitCups: 0.5,
  },
  {
    id: '6-8',
    name: 'Grades 6 to 8',
    meatAlternateOzEq: 1,
    grainOzEq: 1,
    vegetableCups: 0.75,
    fruitCups: 0.5,
  },
  { id: '9-12', name: 'Grades 9 to 12', meatAlternateOzEq: 2, grainOzEq: 2, vegetableCups: 1, fruitCups: 1 },
];

const DARK_GREEN =
  /\b(?:kale|spinach|chard|broccoli|watercress|rocket|pak choi|collard|mustard greens|parsley|greens)\b/i;
const RED_ORANGE = /\b(?:carrot|tomato|red pepper|pumpkin|squash|sweet potato|passata)/i;
const STARCHY = /\b(?:potato(?!es, sweet)|sweetcorn|corn|peas?\b|parsnip|plantain|cassava|broad beans?)/i;
const GRAIN_CATEGORIES = new Set(['grain', 'noodle', 'flour', 'bread']);

/** The subgroup of a vegetable; null for other foods. */
export function subgroupOf(food: Food): VegetableSubgroup | null {
  if (!['vegetable', 'aromatic', 'green'].includes(food.category)) return null;
  if (DARK_GREEN.test(food.name)) return 'dark green';
  if (RED_ORANGE.test(food.name)) return 'red and orange';
  return STARCHY.test(food.name) ? 'starchy' : 'other';
}

const down = (amount: number, step: number): number => Math.floor(amount / step + 1e-9) * step;

/** Grams of a food once cooked. */
function cookedGrams({ food, grams }: PortionFood): number {
  return food.state === 'dry' ? grams * (food.cookingYield ?? 2.4) : grams;
}

function meatAlternate(each: PortionFood): number {
  const { food, grams } = each;
  const per = GRAMS_PER_OZ_EQ_MEAT_ALTERNATE;
  if (food.category === 'pulse') return cookedGrams(each) / per.pulse;
  if (/\btempeh\b/i.test(food.name)) return grams / per.tempeh;
  if (/\btofu\b/i.test(food.name)) {
    const protein = food.composition.proteinG;
    return protein !== null && (protein * per.tofu) / 100 >= LEAST_TOFU_PROTEIN_G ? grams / per.tofu : 0;
  }
  if (food.category === 'nut butter' || food.category === 'seed butter') return grams / per.nutButter;
  return food.category === 'nut' || food.category === 'seed' ? grams / per.nut : 0;
}

function grain({ food, grams }: PortionFood): number {
  if (!GRAIN_CATEGORIES.has(food.category)) return 0;
  const per = GRAMS_PER_OZ_EQ_GRAIN;
  if (food.category === 'flour') return grams / per.flour;
  if (food.category === 'bread') return grams / per.bread;
  return grams / (food.state === 'dry' ? per.dry : per.cooked);
}

/** Cups of a vegetable; leaves credit half, paste as what it was made of. */
function vegetableCups({ food, grams }: PortionFood): number {
  if (/\btomato (?:paste|pur[ée]e)\b/i.test(food.name)) return grams / GRAMS_PER_CUP_TOMATO_PASTE;
  const cup = food.measures.find(({ unit, basis }) => unit === 'cup' && basis === 'EP')?.grams;
  const cups = grams / (cup ?? GRAMS_PER_CUP_VEGETABLE);
  return food.category === 'green' && food.state === 'raw' ? cups * LEAF_SHARE : cups;
}

export interface Credits {
  meatAlternateOzEq: number;
  grainOzEq: number;
  /** Cups by subgroup; pulses stand here only where they are not counted as meat alternate. */
  vegetableCups: Record<VegetableSubgroup, number>;
  /** Sum of the subgroups. */
  allVegetableCups: number;
  fruitCups: number;
}

/**
 * What a portion credits. Pulses are one or the other at a meal: `pulsesAs` says which. Rounded down to 1/4 ounce equivalent
 * and 1/8 cup.
 */
export function creditsOf(foods: readonly PortionFood[], pulsesAs: 'meat alternate' | 'vegetable'): Credits {
  const asMeat = pulsesAs === 'meat alternate';
  const cups = Object.fromEntries(VEGETABLE_SUBGROUPS.map((each) => [each, 0])) as Record<
    VegetableSubgroup,
    number
  >;
  let meat = 0;
  let grains = 0;
  let fruit = 0;
  for (const each of foods) {
    const isPulse = each.food.category === 'pulse';
    if (!isPulse || asMeat) meat += meatAlternate(each);
    if (isPulse && !asMeat) cups['beans, peas and lentils'] += cookedGrams(each) / GRAMS_PER_CUP_PULSE;
    grains += grain(each);
    const subgroup = subgroupOf(each.food);
    if (subgroup) cups[subgroup] += vegetableCups(each);
    if (each.food.category === 'fruit') fruit += each.grams / GRAMS_PER_CUP_FRUIT;
    if (each.food.category === 'dried fruit') fruit += (each.grams / GRAMS_PER_CUP_FRUIT) * DRIED_FRUIT_SHARE;
  }
  for (const subgroup of VEGETABLE_SUBGROUPS) cups[subgroup] = down(cups[subgroup], CUP_STEP);
  return {
    meatAlternateOzEq: down(meat, OZ_EQ_STEP),
    grainOzEq: down(grains, OZ_EQ_STEP),
    vegetableCups: cups,
    allVegetableCups: VEGETABLE_SUBGROUPS.reduce((sum, each) => sum + cups[each], 0),
    fruitCups: down(fruit, CUP_STEP),
  };
}

export interface BandCredits {
  band: AgeBand;
  portionGrams: number;
  credits: Credits;
  /** Parts of the daily minimum this dish alone meets. */
  meets: { meatAlternate: boolean; grain: boolean; vegetable: boolean; fruit: boolean };
}

/** The credits of each band's own portion. */
export function bandCredits(
  foods: readonly PortionFood[],
  portionGrams: number,
  shares: Readonly<Record<BandId, number>>,
  pulsesAs: 'meat alternate' | 'vegetable',
): BandCredits[] {
  return AGE_BANDS.map((band) => {
    const share = shares[band.id];
    const credits = creditsOf(
      foods.map(({ food, grams }) => ({ food, grams: grams * share })),
      pulsesAs,
    );
    return {
      band,
      portionGrams: portionGrams * share,
      credits,
      meets: {
        meatAlternate: credits.meatAlternateOzEq >= band.meatAlternateOzEq,
        grain: credits.grainOzEq >= band.grainOzEq,
        vegetable: credits.allVegetableCups >= band.vegetableCups,
        fruit: credits.fruitCups >= band.fruitCups,
      },
    };
  });
}
