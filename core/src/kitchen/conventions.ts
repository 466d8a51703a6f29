/**
 * Figures for which no standard exists. Each is a *convention*: a stated default that a kitchen may change,
 * and that the screen names as such.
 */
import type { ScalingRole } from '../food';
import { grams, type VagueUnit, type Weight, weightWithSpread } from '../quantity';
import type { Heat } from './kitchen';

/** Grams of a vague word where neither the kitchen nor the food's table knows better, and how unsure it is. */
const VAGUE_GRAMS: Readonly<Record<VagueUnit, { grams: number; spread: number }>> = {
  pinch: { grams: 0.4, spread: 0.5 },
  dash: { grams: 0.7, spread: 0.5 },
  splash: { grams: 8, spread: 0.6 },
  handful: { grams: 25, spread: 0.6 },
  thumb: { grams: 15, spread: 0.5 },
  knob: { grams: 15, spread: 0.5 },
  drizzle: { grams: 8, spread: 0.6 },
  turn: { grams: 0.1, spread: 0.5 },
};

/** The conventional weight of a vague word. */
export function conventionalWeight(unit: VagueUnit): Weight {
  const { grams: taken, spread } = VAGUE_GRAMS[unit];
  return weightWithSpread(
    grams(taken),
    spread,
    'convention',
    `a ${unit} is taken as ${taken} g (convention)`,
  );
}

/** Water lost from a free surface, kg per square metre per hour, by heat (convention, until weighed batches tell). */
export const EVAPORATION_KG_PER_M2_H: Readonly<Record<Heat, number>> = {
  'bare simmer': 3,
  'gentle simmer': 8,
  'rolling boil': 22,
  oven: 4,
};
/** What a lid leaves of that (convention). */
export const COVERED_FACTOR = 0.15;

/** The home pot assumed when a recipe names none: 24 cm across, 0.045 m2 (convention). */
export const HOME_POT = { name: '24 cm home pot', litres: 5, fill: 0.85, surfaceM2: 0.045 } as const;
/** The home oven tray assumed when a recipe names none: 30 x 40 cm (convention). */
export const HOME_TRAY = { name: '30 x 40 cm home tray', litres: 5, fill: 0.85, surfaceM2: 0.12 } as const;

/** The deep home dish something is baked in when a recipe names none: 30 x 20 cm (convention). */
export const HOME_DISH = { name: '30 x 20 cm home dish', surfaceM2: 0.06 } as const;
/** The home frying pan assumed when a recipe names none: 28 cm across (convention). */
export const HOME_FRYING_PAN = { name: '28 cm frying pan', surfaceM2: 0.0616 } as const;

/** Share of a tin's net weight that is solids once drained, where the pack does not say (convention). */
export const DRAINED_SHARE = 0.6;

/**
 * What "to taste" is taken as when a cook wants a figure to start from, as a share of the home recipe: salt on the
 * low side, strong spices a pinch to the kilo (convention). Only offered, never assumed.
 */
export const TO_TASTE_SHARE: Readonly<Partial<Record<ScalingRole, number>>> = {
  salt: 0.005,
  seasoning: 0.001,
};
/** Oil "for frying" and a garnish without an amount start from a spoon and from so much a portion (convention). */
export const FRYING_OIL_GRAMS = 14;
export const GARNISH_GRAMS_A_PORTION = 5;

/** Density assumed for a volume of a food nobody has measured, g per mL, and how unsure that is (guess). */
export const GUESSED_DENSITY = { gramsPerMl: 0.6, spread: 0.5 } as const;
/** Density of most finished food in a vessel, kg per litre (convention). */
export const FINISHED_DENSITY = 1;
/** Heaped and scant measures against a level one (convention). */
export const HEAPED_FACTOR = 1.35;
export const SCANT_FACTOR = 0.9;
/** Sizes against a medium piece, where the table holds only one size (convention). */
export const SIZE_FACTOR = { small: 0.7, medium: 1, large: 1.35 } as const;
/** Relative spread of one piece bought by eye (convention). */
export const PIECE_SPREAD = 0.15;
/** Relative spread of a level cup or spoon (convention). */
export const VOLUME_SPREAD = 0.08;
/** Spoon and gram that differ by more than this contradict each other (convention). */
export const CONTRADICTION_RATIO = 1.25;
/** More than this of one line in a home recipe is a slip of the pen (convention), in grams. */
export const ABSURD_GRAMS = 100_000;
