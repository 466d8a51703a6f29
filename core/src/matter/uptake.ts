/** What food takes up from what it lies in, and what it leaves there. Shares of its own weight unless said otherwise. */

/**
 * Oil that fried food takes up, as a share of what goes into the fryer (convention, by food and coating: potato sticks 8 to 14 %,
 * battered 12 to 20, cutlets and balls 6 to 12, floured vegetables 8 to 15, tofu 5 to 10; the middle of each).
 */
export const OIL_UPTAKE = {
  battered: 0.16,
  floured: 0.115,
  potato: 0.11,
  shaped: 0.09,
  tofu: 0.075,
  bread: 0.15,
  otherwise: 0.11,
} as const;

/** A marinade that is thrown away: what clings and soaks in (convention). */
export const MARINADE_UPTAKE = 0.1;
/** Salt that stays in food that was salted, left to weep and rinsed, as a share of the salt (convention). */
export const SALTED_AND_RINSED = 0.25;
/** Boiled in salted water, food takes up the salt of this share of its own weight in water, if it drinks no more (convention). */
export const SALT_EXCHANGE = 0.3;
/** Boiling water that no line names, as a multiple of what is boiled in it: noodles and grain, all else (convention). */
export const PLENTY_OF_WATER = { dry: 10, otherwise: 3 } as const;

/**
 * Share that passes the cloth or the sieve (convention): of nuts, seeds and grain blended for milk; of vegetables and spices
 * boiled or steeped for a stock or a tea; of anything blended that is soft throughout.
 */
export const STRAINED = { milked: 0.5, steeped: 0.15, blended: 0.9 } as const;

/** Water that deep frying drives out, as a share of what goes into the fryer: bare pieces, under a coat or shaped (convention). */
export const FRYING_LOSS = { bare: 0.2, coated: 0.12 } as const;

/** One food in the fryer. */
export interface Fried {
  name: string;
  category: string;
  grams: number;
}

const SHAPED =
  /\b(?:balls?|patt(?:y|ies)|cutlets?|cakes|croquettes?|fritters?|dumplings?|shape|quenelles?)\b/;
const gramsOf = (fried: readonly Fried[]): number => fried.reduce((sum, each) => sum + each.grams, 0);
const isFloured = (fried: readonly Fried[]): boolean =>
  fried.some(({ category }) => category === 'flour' || category === 'starch');

/** Grams of steam that a fryer drives out of food, before what the food cannot give. */
export const fryingSteam = (fried: readonly Fried[], method: string): number =>
  gramsOf(fried) *
  (/\bbatter/.test(method) || SHAPED.test(method) || isFloured(fried)
    ? FRYING_LOSS.coated
    : FRYING_LOSS.bare);

/** Grams of oil that stay in what is fried; the rest stays in the pan. */
export function oilTakenUp(fried: readonly Fried[], method: string): number {
  const grams = gramsOf(fried);
  if (/\bbatter/.test(method)) return grams * OIL_UPTAKE.battered;
  if (SHAPED.test(method)) return grams * OIL_UPTAKE.shaped;
  const share = ({ name, category }: Fried): number => {
    if (category === 'bread') return OIL_UPTAKE.bread;
    if (category === 'soya' || /tofu|tempeh/i.test(name)) return OIL_UPTAKE.tofu;
    if (isFloured(fried)) return OIL_UPTAKE.floured;
    return /potato/i.test(name) ? OIL_UPTAKE.potato : OIL_UPTAKE.otherwise;
  };
  return fried.reduce((sum, each) => sum + each.grams * share(each), 0);
}
