/**
 * Bases into plates: what can be built of the components that stand cooked in store, for how many and for whom. Nothing is
 * forbidden; the best by the plate check, the colours and the number of groups come first.
 */
import { foodTraces, isFree } from '../allergen';
import { planBatch } from '../batch';
import { compose } from '../dish';
import { wantedByAll } from '../food';
import { type Kitchen, type TargetStanding, targetStanding } from '../kitchen';
import { plateCheck, type PlatePart, platePartOf, type PortionFood } from '../nutrition';
import type { Book } from '../recipe';
import { portionFoods, worksheet } from '../worksheet';
import { firstToExpire, isUsable, type StockItem } from './stock';

/** What a base does on a plate. */
export const BASE_ROLES = ['grain', 'bean', 'vegetable', 'green', 'sauce', 'pickle'] as const;
export type BaseRole = (typeof BASE_ROLES)[number];

/** Grams of a base on one plate (convention). */
export const BASE_GRAMS: Readonly<Record<BaseRole, number>> = {
  grain: 140,
  bean: 120,
  vegetable: 120,
  green: 60,
  sauce: 50,
  pickle: 35,
};
/** From this share of vinegar on it is a pickle (convention). */
const PICKLE_SHARE = 0.08;
/** A plate is made of at least so many bases. */
const LEAST_BASES = 3;
/** Most plates that are told, and most bases that are looked at: those that expire first. */
export const MOST_PLATES = 12;
const MOST_BASES = 16;

interface Base {
  item: StockItem;
  name: string;
  role: BaseRole;
  grams: number;
  foods: PortionFood[];
  energyKcal: number;
  proteinG: number;
  sodiumMg: number;
  fibreG: number;
  missing: ReadonlySet<string>;
}

const ROLE_OF_PART: Readonly<Record<PlatePart, BaseRole>> = {
  grain: 'grain',
  bean: 'bean',
  vegetable: 'vegetable',
  green: 'green',
  'whole-food fat': 'sauce',
};
const SAUCE = /\b(?:sauce|dressing|cream|dip|paste|gravy|stock|broth)\b/i;

/** What a component does on a plate, by what most of it is and by its name (convention). */
function roleOf(name: string, foods: readonly PortionFood[]): BaseRole {
  const whole = foods.reduce((sum, { grams }) => sum + grams, 0);
  const acid = foods.reduce((sum, { food, grams }) => sum + (/vinegar/i.test(food.name) ? grams : 0), 0);
  if (whole > 0 && acid / whole >= PICKLE_SHARE) return 'pickle';
  if (SAUCE.test(name)) return 'sauce';
  const parts = new Map<PlatePart, number>();
  for (const { food, grams } of foods) {
    const part = platePartOf(food);
    if (part) parts.set(part, (parts.get(part) ?? 0) + grams);
  }
  const [most] = [...parts.keys()].sort((one, other) => parts.get(other)! - parts.get(one)!);
  return most === undefined ? 'sauce' : ROLE_OF_PART[most];
}

function baseOf(item: StockItem, kitchen: Kitchen, book: Book): Base | null {
  const recipe = item.cooked && book.components.get(item.cooked.recipeId);
  if (!recipe) return null;
  const composed = compose(recipe, book, kitchen);
  const open = (grams: number): PortionFood[] => {
    const target = { kind: 'portions' as const, portions: 1, portionGrams: grams };
    return portionFoods(composed, planBatch(composed, target, kitchen, []));
  };
  const role = roleOf(recipe.name, open(100));
  const grams = BASE_GRAMS[role];
  const { nutrition } = worksheet(
    { recipe, kitchen, target: { kind: 'portions', portions: 1, portionGrams: grams } },
    book,
  );
  const { energyKcal, proteinG, sodiumMg, fibreG } = nutrition.perPortion;
  return {
    item,
    name: recipe.name,
    role,
    grams,
    foods: open(grams),
    energyKcal,
    proteinG,
    sodiumMg,
    fibreG,
    missing: new Set(nutrition.missing.map(({ id }) => id)),
  };
}

export interface BuiltPlate {
  name: string;
  bases: {
    stockId: string;
    recipeId: string;
    name: string;
    role: BaseRole;
    grams: number;
    useBy: string | null;
  }[];
  portions: number;
  portionGrams: number;
  /** Parts of a plate that are on it. */
  parts: PlatePart[];
  colours: string[];
  energyKcal: number;
  proteinG: number;
  isAtLeast: boolean;
  /** Groups that may have it, by name, and those that may not. */
  served: string[];
  notServed: string[];
  targets: { figure: string; standing: TargetStanding }[];
}

function groupsFor(bases: readonly Base[], kitchen: Kitchen): Pick<BuiltPlate, 'served' | 'notServed'> {
  const mayHave = kitchen.diners.map(({ name, exclude, policy }) => {
    const { wanted, unknown } = wantedByAll(exclude, kitchen);
    const isServed =
      unknown.length === 0 &&
      bases.every(({ item }) =>
        isFree(foodTraces(item.cooked!.food, kitchen), wanted, policy ?? kitchen.policy),
      );
    return { name, isServed };
  });
  return {
    served: mayHave.filter(({ isServed }) => isServed).map(({ name }) => name),
    notServed: mayHave.filter(({ isServed }) => !isServed).map(({ name }) => name),
  };
}

const sum = (bases: readonly Base[], of: (base: Base) => number): number =>
  bases.reduce((all, base) => all + of(base), 0);

function plateOf(bases: readonly Base[], kitchen: Kitchen): BuiltPlate {
  const foods = new Map<string, PortionFood>();
  for (const { foods: own } of bases)
    for (const { food, grams } of own)
      foods.set(food.id, { food, grams: (foods.get(food.id)?.grams ?? 0) + grams });
  const check = plateCheck([...foods.values()]);
  const missing = new Set(bases.flatMap((base) => [...base.missing]));
  const figures = {
    energyKcal: sum(bases, (base) => base.energyKcal),
    proteinG: sum(bases, (base) => base.proteinG),
    sodiumMg: sum(bases, (base) => base.sodiumMg),
    fibreG: sum(bases, (base) => base.fibreG),
  };
  const names = bases.map(({ name }) => name);
  return {
    name: `Plate of ${names.slice(0, -1).join(', ').toLowerCase()} and ${names.at(-1)!.toLowerCase()}`,
    bases: bases.map(({ item, name, role, grams }) => ({
      stockId: item.id,
      recipeId: item.cooked!.recipeId,
      name,
      role,
      grams,
      useBy: item.useBy,
    })),
    portions: Math.floor(Math.min(...bases.map(({ item, grams }) => item.grams / grams)) + 1e-9),
    portionGrams: sum(bases, ({ grams }) => grams),
    parts: check.parts.filter(({ isThere }) => isThere).map(({ part }) => part),
    colours: check.colours.map(({ colour }) => colour),
    energyKcal: figures.energyKcal,
    proteinG: figures.proteinG,
    isAtLeast: missing.has('energyKcal') || missing.has('proteinG'),
    ...groupsFor(bases, kitchen),
    targets: kitchen.targets
      .filter(({ figure, dinerId }) => figure in figures && dinerId === null)
      .map((target) => ({
        figure: target.figure,
        standing: targetStanding(target, figures as Parameters<typeof targetStanding>[1], missing),
      })),
  };
}

/** Every choice of at most one of each list. */
function choices<T>(lists: readonly (readonly T[])[]): T[][] {
  return lists.reduce<T[][]>(
    (all, list) => all.flatMap((chosen) => [chosen, ...list.map((each) => [...chosen, each])]),
    [[]],
  );
}

/** Plates of what stands in store on a day, the best first; `kitchen` and `book` know the cooked (`withCooked`). */
export function platesFrom(
  stock: readonly StockItem[],
  on: string,
  { kitchen, book }: { kitchen: Kitchen; book: Book },
): BuiltPlate[] {
  const known = new Set<string>();
  const bases = stock
    .filter((item) => item.kind === 'made-ahead' && isUsable(item, on))
    .sort(firstToExpire)
    .slice(0, MOST_BASES)
    .flatMap((item): Base[] => {
      // Of two batches of one component the one that expires first is built with.
      if (known.size === known.add(item.cooked!.recipeId).size) return [];
      const base = baseOf(item, kitchen, book);
      return base && item.grams >= base.grams ? [base] : [];
    });
  const byRole = BASE_ROLES.map((role) => bases.filter((base) => base.role === role));
  const worth = ({ parts, colours, served, portions }: BuiltPlate): number =>
    parts.length * 100 +
    Math.min(colours.length, 4) * 20 +
    served.length * 10 +
    Math.min(portions, 200) / 100;
  return choices(byRole)
    .filter(
      (chosen) =>
        chosen.length >= LEAST_BASES && chosen.some(({ role }) => role === 'grain' || role === 'bean'),
    )
    .map((chosen) => plateOf(chosen, kitchen))
    .filter(({ portions }) => portions > 0)
    .sort((one, other) => worth(other) - worth(one) || one.name.localeCompare(other.name))
    .slice(0, MOST_PLATES);
}

/** A plate as a recipe that somebody wrote: taken in like any other. */
export const plateText = ({ name, portions, portionGrams, bases }: BuiltPlate): string =>
  [
    name,
    `Serves ${Math.max(1, portions)}, portions of ${portionGrams} g`,
    '',
    ...bases.map((base) => `${base.grams * Math.max(1, portions)} g ${base.name.toLowerCase()}`),
    '',
    'Method',
    'Warm what is served warm, and plate everything.',
  ].join('\n');
