/**
 * Nutrients a plant kitchen keeps an eye on, and those a hospital asks for. Information only: what a person needs is for a
 * dietitian to say.
 */
import type { FactId, Facts, Regime } from '../food';

export interface WatchNutrient {
  id: FactId;
  /** Adult reference a day in its own unit; null where the regime gives none. */
  us: number | null;
  eu: number | null;
  /** Why a plant kitchen looks at it. */
  because: string;
}

/**
 * US: daily values of 21 CFR 101.9(c)(8)(iv), ALA by the adequate intake for women and men halved (1.35 g). EU: nutrient
 * reference values of Regulation 1169/2011 Annex XIII part A; ALA 2 g by Regulation 432/2012.
 */
export const WATCH_NUTRIENTS: readonly WatchNutrient[] = [
  {
    id: 'vitaminB12Ug',
    us: 2.4,
    eu: 2.5,
    because: 'plants hold none: it comes from fortified food or a supplement',
  },
  {
    id: 'iodineUg',
    us: 150,
    eu: 150,
    because: 'low in plants unless salt is iodised; seaweed can hold far too much',
  },
  { id: 'ironMg', us: 18, eu: 14, because: 'iron of plants is taken up less; vitamin C at the meal helps' },
  {
    id: 'zincMg',
    us: 11,
    eu: 10,
    because: 'phytate of grain and pulses holds it back; soaking and sprouting help',
  },
  { id: 'calciumMg', us: 1300, eu: 800, because: 'set tofu, fortified milk and low-oxalate greens carry it' },
  { id: 'vitaminDUg', us: 20, eu: 5, because: 'hardly any in plants: fortified food, sun or a supplement' },
  { id: 'alaG', us: 1.35, eu: 2, because: 'flax, chia, hemp, walnut and rapeseed carry it' },
];

export const HOSPITAL_NUTRIENTS: readonly WatchNutrient[] = [
  { id: 'potassiumMg', us: 4700, eu: 2000, because: 'kidney diets are held to a limit' },
  {
    id: 'phosphorusMg',
    us: 1250,
    eu: 700,
    because: 'kidney diets are held to a limit; from plants less is taken up',
  },
  { id: 'vitaminKUg', us: 120, eu: 75, because: 'must stay even from day to day with some blood thinners' },
];

export interface WatchFigure extends WatchNutrient {
  amount: number;
  /** Share of the day's reference in a portion; null where there is none or the amount is "at least". */
  share: number | null;
  isIncomplete: boolean;
}

/** The watch list of a portion. */
export function watchFigures(
  list: readonly WatchNutrient[],
  perPortion: Facts,
  missing: ReadonlySet<string>,
  regime: Regime,
): WatchFigure[] {
  return list.map((each) => {
    const reference = each[regime];
    const isIncomplete = missing.has(each.id);
    const amount = perPortion[each.id];
    return {
      ...each,
      amount,
      isIncomplete,
      share: reference === null || isIncomplete ? null : amount / reference,
    };
  });
}
