/** What is water, a liquid, a fat, a starch: said once, for everybody who asks. */
import type { Food } from './food';

/** Id of tap water in the larder. */
export const WATER_ID = 'water';

/** Liquids that dry grain and pulses can drink, by category of the larder. */
const LIQUID_CATEGORIES: ReadonlySet<string> = new Set(['water', 'milk', 'stock', 'wine', 'drink']);
const FAT_CATEGORIES: ReadonlySet<string> = new Set(['oil', 'fat']);

type Kind = Pick<Food, 'category'>;

export const isWater = (food: Pick<Food, 'id'> | null): boolean => food?.id === WATER_ID;
/** Something dry food can be cooked in: water, plant milk, stock, wine, a drink. */
export const isLiquid = (food: Kind | null): boolean => food !== null && LIQUID_CATEGORIES.has(food.category);
/** Oil, margarine and the like: what a pan is greased with and what food is fried in. */
export const isFat = (food: Kind | null): boolean => food !== null && FAT_CATEGORIES.has(food.category);
/** Oil alone, which pours. */
export const isOil = (food: Kind | null): boolean => food?.category === 'oil';
/** Pure starch, which thickens and is weighed tightly. */
export const isStarch = (food: Kind | null): boolean => food?.category === 'starch';
