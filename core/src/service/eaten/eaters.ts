/**
 * Who eats which: each dish of a service in the fewest versions that feed its groups, with how many portions of which size.
 * Nobody is left without a word: a group that no version serves is named, with what stands against it.
 */
import type { Serving, Target } from '../../batch';
import { exclusionName } from '../../food';
import { type Blocker, type NearDish, nearestFree, type Version, versionsFor } from '../../free-from';
import type { DinerGroup, FreeFromPolicy, Kitchen } from '../../kitchen';
import type { Book, Recipe } from '../../recipe';
import { Shelf, type StockItem } from '../../stock';
import { type Worksheet, worksheet } from '../../worksheet';
import type { Dishes, Service, ServiceDish, ServiceHeads } from './service';
import { standIn, type StoodIn } from './stand-ins';

/** One size of portion for one group at one place. */
export interface GroupServing {
  groupId: string;
  groupName: string;
  site: string;
  portions: number;
  portionGrams: number;
}

/** One version of a dish: the dish as it is, or with swaps. */
export interface DishVersion {
  /** "celeriac-bean-bake", or the same with what it is free from: "celeriac-bean-bake free from gluten". */
  key: string;
  recipe: Recipe;
  name: string;
  /** What it is free from, by id. */
  exclude: string[];
  swaps: { from: string; to: string; hint: string }[];
  /** Shared equipment it is kept off. */
  apart: string[];
  servings: GroupServing[];
  portions: number;
  /** Portions above the heads that are made. */
  extraPortions: number;
  /** Leftovers that are in it, and those that may not be. */
  stoodIn: StoodIn[];
  sheet: Worksheet;
  /** Codes of the batches that were cooked for it; none where nothing was yet. */
  batches: string[];
  /** What it was to be free from and is not, as it was cooked: "nut: contains". */
  notKept: string[];
}

export interface Unserved {
  groupId: string;
  groupName: string;
  heads: number;
  blockedBy: Blocker[];
  /** Dishes of the book that are free from it as they are, nearest first. */
  nearest: NearDish[];
}

export interface EatenDish {
  recipeId: string;
  name: string;
  course: string;
  share: number;
  versions: DishVersion[];
  unserved: Unserved[];
}

/** Heads of one group, all places together. */
interface GroupHeads {
  group: DinerGroup;
  rows: ServiceHeads[];
  heads: number;
}

function groupsOf({ heads }: Service, kitchen: Kitchen): GroupHeads[] {
  return kitchen.diners.flatMap((group): GroupHeads[] => {
    const rows = heads.filter(({ groupId, heads: count }) => groupId === group.id && count > 0);
    return rows.length === 0 ? [] : [{ group, rows, heads: rows.reduce((sum, each) => sum + each.heads, 0) }];
  });
}

/** Heads that take a dish: all, or their share, rounded up so that nobody goes short. */
const takers = (heads: number, share: number): number => Math.ceil(heads * share - 1e-9);

/** The sizes of a version as a target, the extra portions in the size that most take. */
function targetOf(servings: readonly GroupServing[], extra: number): Target {
  const sizes = new Map<number, Serving>();
  for (const { portionGrams, portions, groupName } of servings) {
    const known = sizes.get(portionGrams);
    if (known) sizes.set(portionGrams, { ...known, portions: known.portions + portions });
    else sizes.set(portionGrams, { name: groupName, portions, portionGrams });
  }
  const [most, ...rest] = [...sizes.values()].sort((one, other) => other.portions - one.portions);
  const all = [{ ...most!, portions: most!.portions + extra }, ...rest];
  return all.length === 1
    ? { kind: 'portions', portions: all[0]!.portions, portionGrams: all[0]!.portionGrams }
    : { kind: 'sizes', sizes: all };
}

/** What a service is worked out with. */
export interface ServiceGround {
  service: Service;
  /** As it stands that day. */
  kitchen: Kitchen;
  book: Book;
  dishes: Dishes;
  /** What stands in store. What is cooked of it is a food of `book` and a pack of `kitchen` (`withCooked`). */
  stock: readonly StockItem[];
}

function versionOf(
  plain: Recipe,
  swaps: DishVersion['swaps'],
  { exclude, servings }: Pick<DishVersion, 'exclude' | 'servings'>,
  { service, kitchen, book, stock }: ServiceGround,
  shelf: Shelf,
): DishVersion {
  const portions = servings.reduce((sum, each) => sum + each.portions, 0);
  const extraPortions = Math.round(portions * service.overShare);
  const target = targetOf(servings, extraPortions);
  let recipe = plain;
  let sheet = worksheet({ recipe, kitchen, target }, book);
  const stoodIn: StoodIn[] = [];
  const ids = new Set(servings.map(({ groupId }) => groupId));
  const policies = kitchen.diners.flatMap(({ id, policy }) =>
    ids.has(id) ? [policy ?? kitchen.policy] : [],
  );
  for (const { recipeId, foodId, stockId } of service.standIns) {
    const item = stock.find(
      ({ id, kind, cooked }) => id === stockId && kind === 'leftover' && cooked !== null,
    );
    if (recipeId !== plain.id || !item) continue;
    const food = book.foods.foods.get(foodId);
    const dryRatio = food?.state === 'dry' ? (food.cookingYield ?? 1) : null;
    const found = standIn({ recipe, sheet, exclude }, { foodId, item, dryRatio }, policies, kitchen, shelf);
    if (!found) continue;
    stoodIn.push(found.stood);
    if (found.stood.grams === 0) continue;
    recipe = found.recipe;
    sheet = worksheet({ recipe, kitchen, target }, book);
  }
  return {
    // Two versions of a dish are free from different things, so the key is its own.
    key: exclude.length > 0 ? `${recipe.id} free from ${exclude.join(', ')}` : recipe.id,
    recipe,
    name: recipe.name,
    exclude,
    swaps,
    apart: [...recipe.apart],
    servings,
    portions,
    extraPortions,
    stoodIn,
    sheet,
    batches: [],
    notKept: [],
  };
}

/** Versions that are the same food are one pot, for all their groups. */
function gatheredVersions(versions: readonly Version[]): Pick<Version, 'groupIds' | 'exclude' | 'plan'>[] {
  const bySwaps = new Map<string, Pick<Version, 'groupIds' | 'exclude' | 'plan'>>();
  for (const { groupIds, exclude, plan } of versions) {
    const key = JSON.stringify([plan.applied, plan.apart]);
    const known = bySwaps.get(key) ?? { groupIds: [], exclude: [], plan };
    bySwaps.set(key, {
      groupIds: [...known.groupIds, ...groupIds],
      exclude: [...new Set([...known.exclude, ...exclude])].sort(),
      plan,
    });
  }
  return [...bySwaps.values()];
}

/** Where a dish is made in more than one version, each is told by what it is free from. */
const named = (versions: readonly DishVersion[], nameOf: (id: string) => string): DishVersion[] =>
  versions.map((each) => {
    if (versions.length === 1) return each;
    const free = each.exclude.map(nameOf).join(', ');
    return { ...each, name: free === '' ? `${each.name}, as it is` : `${each.name}, free from ${free}` };
  });

/** Grams of a portion of a dish where nobody said for whom. */
const ownPortion = (recipe: Recipe, { kitchen, book }: ServiceGround): number =>
  recipe.portionGrams ??
  worksheet({ recipe, kitchen, target: { kind: 'portions', portions: 1, portionGrams: 1 } }, book)
    .basePortionGrams;

function eatenDish(
  dish: ServiceDish,
  groups: readonly GroupHeads[],
  ground: ServiceGround,
  shelf: Shelf,
): EatenDish {
  const { kitchen, book, dishes } = ground;
  const recipe = dishes.get(dish.recipeId)!;
  const usual = ownPortion(recipe, ground);
  const asking = groups.map((each) => ({ ...each, portions: takers(each.heads, dish.share) }));
  const servingsOf = (ids: readonly string[]): GroupServing[] =>
    asking
      .filter(({ group }) => ids.includes(group.id))
      .flatMap(({ group, rows }) =>
        rows.map(({ site, heads, portionGrams }) => ({
          groupId: group.id,
          groupName: group.name,
          site,
          portions: takers(heads, dish.share),
          portionGrams: portionGrams ?? usual,
        })),
      );
  const { fewest, unserved } = versionsFor(
    {
      recipe,
      kitchen,
      target: { kind: 'portions', portions: Math.max(1, recipe.portions), portionGrams: usual },
      groups: asking.map(({ group, portions }) => ({ ...group, portions })),
    },
    book,
  );
  return {
    recipeId: recipe.id,
    name: recipe.name,
    course: dish.course,
    share: dish.share,
    versions: named(
      gatheredVersions(fewest).map(({ groupIds, plan, exclude }) => {
        const made: Recipe = {
          ...recipe,
          swaps: [
            ...recipe.swaps.filter(({ fromId }) => !plan.applied.some((each) => each.fromId === fromId)),
            ...plan.applied,
          ],
          apart: [...new Set([...recipe.apart, ...plan.apart.map(({ id }) => id)])],
        };
        const swaps = plan.swaps.map(({ from, to, hint }) => ({
          from: from.name,
          to: to.map(({ name }) => name).join(' and '),
          hint,
        }));
        return versionOf(made, swaps, { exclude, servings: servingsOf(groupIds) }, ground, shelf);
      }),
      (id) => exclusionName(id, kitchen),
    ),
    unserved: unserved.map(({ groupId, name, blockedBy }) => {
      const { group, portions } = asking.find((each) => each.group.id === groupId)!;
      const policy: FreeFromPolicy = group.policy ?? kitchen.policy;
      return {
        groupId,
        groupName: name,
        heads: portions,
        blockedBy,
        nearest: nearestFree(
          recipe,
          [...dishes.values()],
          { exclude: [...group.exclude], policy },
          kitchen,
          book,
        ),
      };
    }),
  };
}

/** Every dish of a service without faults, in its versions; told dish by dish, for it takes a while. */
export function* eatersSteps(
  ground: ServiceGround,
): Generator<{ done: number; of: number }, EatenDish[], void> {
  const { service, kitchen } = ground;
  const groups = groupsOf(service, kitchen);
  const dishes: EatenDish[] = [];
  if (groups.length === 0) return dishes;
  const shelf = new Shelf(ground.stock, service.date);
  for (const dish of service.dishes) {
    dishes.push(eatenDish(dish, groups, ground, shelf));
    yield { done: dishes.length, of: service.dishes.length };
  }
  return dishes;
}

/** The same at one go. */
export function eatersOf(ground: ServiceGround): EatenDish[] {
  const steps = eatersSteps(ground);
  for (;;) {
    const { value, done } = steps.next();
    if (done) return value;
  }
}
