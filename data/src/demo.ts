/** The demo world: one central kitchen that cooks for a ward house, a primary school and a café counter. */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import {
  type Book,
  cookedItem,
  type Cycle,
  dateFrom,
  type EntryBody,
  type EquipmentSet,
  type Food,
  foodSet,
  type Kitchen,
  KITCHEN_DEFAULTS,
  NOT_FROZEN,
  type NotIn,
  type Pack,
  PACK_DEFAULTS,
  type PackedPortion,
  placeOf,
  PLAIN_SERVICE,
  readRecipe,
  type Recipe,
  recipeFromReading,
  type Service,
  serviceOf,
  type StockItem,
  type Target,
  type ToldService,
  UNPACKED,
  weekdayOf,
} from '@hand-ladle/core';
import { DATA_FOLDER } from './tables';

export interface DemoRecipe {
  recipe: Recipe;
  /** The batch it was last made for; null for a component. */
  target: Target | null;
}

interface BookEntry {
  id: string;
  isComponent: boolean;
  target?: Target;
  packed?: Partial<PackedPortion>;
  /** What the cook said is not in it, though the text names it. */
  notIn?: NotIn[];
}

const json = <T>(folder: string, file: string): T =>
  JSON.parse(readFileSync(join(folder, 'demo', file), 'utf8')) as T;

type KitchenFile = Kitchen & { packs: Pack[] };

/** The demo kitchens; what their file leaves out is as where nobody said. */
export const loadKitchens = (folder = DATA_FOLDER): Kitchen[] =>
  json<KitchenFile[]>(folder, 'kitchens.json').map((kitchen) => ({
    ...KITCHEN_DEFAULTS,
    ...kitchen,
    service: { ...PLAIN_SERVICE, ...kitchen.service },
    packs: kitchen.packs.map((pack) => ({ ...PACK_DEFAULTS, ...pack })),
  }));

/** Sets of machines, scales and pans to start a kitchen from. */
export const loadEquipment = (folder = DATA_FOLDER): EquipmentSet[] =>
  JSON.parse(readFileSync(join(folder, 'equipment.json'), 'utf8')) as EquipmentSet[];

/** The demo recipes, each read from its text as a cook would paste it; components first. */
export function loadDemoRecipes(foods: readonly Food[], folder = DATA_FOLDER): DemoRecipe[] {
  const recipes: DemoRecipe[] = [];
  const components: { id: string; name: string }[] = [];
  let known = foodSet(foods);
  for (const { id, isComponent, target, notIn = [], packed } of json<BookEntry[]>(folder, 'book.json')) {
    const text = readFileSync(join(folder, 'demo', 'dishes', `${id}.txt`), 'utf8');
    const reading = readRecipe(text, known);
    const recipe = {
      ...recipeFromReading(reading, id),
      isComponent,
      notIn,
      packed: packed ? { ...UNPACKED, ...packed } : null,
    };
    recipes.push({ recipe, target: target ?? null });
    if (!isComponent) continue;
    components.push({ id, name: recipe.name });
    known = foodSet(foods, components);
  }
  return recipes;
}

/** The demo services, on days counted from one: a demo is of tomorrow whenever it is looked at. */
export function loadServices(today: string, folder = DATA_FOLDER): Service[] {
  const told = json<(Omit<ToldService, 'date'> & { daysFromNow: number })[]>(folder, 'services.json');
  return told.map(({ daysFromNow, ...service }) => {
    const date = dateFrom(today, daysFromNow);
    return serviceOf(`${date}-${service.meal.toLowerCase()}`, { ...service, date });
  });
}

/** The demo cycles, which begin on the Monday of the week of a day. */
export function loadCycles(today: string, folder = DATA_FOLDER): Cycle[] {
  const startsOn = dateFrom(today, 1 - weekdayOf(today));
  return json<Omit<Cycle, 'startsOn'>[]>(folder, 'cycles.json').map((each) => ({ ...each, startsOn }));
}

interface DemoStock {
  kitchenId: string;
  kind: StockItem['kind'];
  foodId?: string;
  recipeId?: string;
  grams: number;
  sinceDays: number;
  useByDays?: number;
  lot: string;
}

/** What stands in the demo stores, with days counted from one. */
export function loadStock(
  today: string,
  { kitchens, recipes, book }: { kitchens: readonly Kitchen[]; recipes: readonly Recipe[]; book: Book },
  folder = DATA_FOLDER,
): StockItem[] {
  return json<DemoStock[]>(folder, 'stock.json').map((each, index): StockItem => {
    const { kitchenId, kind, foodId, recipeId, grams, lot, useByDays } = each;
    const id = `demo-${index + 1}`;
    const since = dateFrom(today, each.sinceDays);
    const kitchen = kitchens.find((one) => one.id === kitchenId)!;
    if (kind === 'pack') {
      const food = book.foods.foods.get(foodId!)!;
      const useBy = useByDays === undefined ? null : dateFrom(today, useByDays);
      const place = placeOf(food);
      return {
        id,
        kitchenId,
        kind,
        name: food.name,
        foodId: food.id,
        cooked: null,
        grams,
        place,
        since,
        useBy,
        lot,
        ...NOT_FROZEN,
      };
    }
    const recipe = recipes.find((one) => one.id === recipeId)!;
    const put = { id, kind, grams, madeOn: since, lot };
    return cookedItem({ recipe, kitchen, target: { kind: 'weight', grams } }, put, book);
  });
}

/** A batch of the demo world as it was cooked. */
export interface DemoCooked {
  kitchenId: string;
  recipeId: string;
  target: Target;
  by: string;
  /** From then on everything was weighed in as planned, a line a minute; null where nothing was yet. */
  weighedMinutesAgo: number | null;
  /** What was taken of a line that is planned to taste, grams. */
  toTasteGrams: number;
  entries: (EntryBody & { minutesAgo: number })[];
  /** What was done about a reading, by its place among the entries. */
  actions: { minutesAgo: number; on: number; action: string; words: string }[];
}

export interface DemoDays {
  batches: DemoCooked[];
  days: { kitchenId: string; by: string; entries: DemoCooked['entries'] }[];
}

/** A day that was cooked, with its records. */
export const loadCooked = (folder = DATA_FOLDER): DemoDays => json<DemoDays>(folder, 'cooked.json');
