/** How far a figure of the larder may be off, by where it came from (convention: no source states its own spread). */
import { type Food, type NutrientId, NUTRIENTS, type SourceClass } from '../food';
import { type Kitchen, packOf } from '../kitchen';

/** Kinds of figures that vary alike from one field, season and tin to the next. */
export type FigureKind = 'macro' | 'mineral' | 'vitamin';

/** Relative spread either way (convention). */
export const FIGURE_SPREAD: Readonly<Record<SourceClass, Readonly<Record<FigureKind, number>>>> = {
  'weighed here': { macro: 0.05, mineral: 0.1, vitamin: 0.2 },
  'pack label': { macro: 0.08, mineral: 0.15, vitamin: 0.25 },
  reference: { macro: 0.1, mineral: 0.15, vitamin: 0.3 },
  calculated: { macro: 0.15, mineral: 0.25, vitamin: 0.4 },
  convention: { macro: 0.25, mineral: 0.35, vitamin: 0.5 },
  guess: { macro: 0.5, mineral: 0.6, vitamin: 0.7 },
};

/** How far a weighed finished batch may still be off (convention: the scale, and what sticks to the pot). */
export const WEIGHED_YIELD_SPREAD = 0.02;

const kindOf = (id: NutrientId): FigureKind => {
  if (id.startsWith('vitamin') || id === 'folateUg') return 'vitamin';
  return id.endsWith('Mg') || id === 'iodineUg' ? 'mineral' : 'macro';
};
const KINDS: readonly FigureKind[] = NUTRIENTS.map(kindOf);

/** The column of the larder a nutrient stands in: "proteinG" is "protein_g", "vitaminB12Ug" "vitamin_b12_ug". */
const columnOf = (id: NutrientId): string => id.replace(/([A-Z])/g, (letter) => `_${letter.toLowerCase()}`);
const COLUMNS = NUTRIENTS.map(columnOf);

const SPREADS = new WeakMap<Kitchen, Map<string, Float64Array>>();

/** Relative spread of every figure of a food in a kitchen, in the order of NUTRIENTS. */
export function spreadsOf(food: Food, kitchen: Kitchen): Float64Array {
  let ofKitchen = SPREADS.get(kitchen);
  if (!ofKitchen) SPREADS.set(kitchen, (ofKitchen = new Map()));
  let spreads = ofKitchen.get(food.id);
  if (!spreads) {
    const panel = packOf(kitchen, food.id)?.panel ?? {};
    spreads = Float64Array.from(NUTRIENTS, (id, index) => {
      const source =
        panel[id] === undefined ? (food.figureSources[COLUMNS[index]!] ?? food.source) : 'pack label';
      return FIGURE_SPREAD[source][KINDS[index]!];
    });
    ofKitchen.set(food.id, spreads);
  }
  return spreads;
}
