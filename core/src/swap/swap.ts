/** A swap: one food replaced by others in a function, by weight, with the water and the method it needs. */
export interface SwapEntry {
  id: string;
  fromId: string;
  /** What the food does in the dish: cream, binder, grain base, savoury-salty ... */
  function: string;
  /** Grams of each food put in for one gram taken out. */
  to: readonly { foodId: string; ratio: number }[];
  /** Grams of extra water for one gram taken out. */
  waterRatio: number;
  hint: string;
  /** Closeness of taste and texture, 0 to 1 each (convention until a kitchen rates it). */
  taste: number;
  texture: number;
  source: string;
}

/** The food that extra water is made of. */
export const WATER_ID = 'water';
