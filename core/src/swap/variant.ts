/** A variant follows its parent. A swap that no longer fits what it stands in comes back as a decision. */
import type { Composed } from '../dish';
import { type Finding, finding, isOf } from '../finding';
import { inSentence, type SwapEntry } from '../food';
import { type Kitchen, swapHere } from '../kitchen';
import { figureText } from '../quantity';
import type { AppliedSwap, Book, Recipe } from '../recipe';
import { Asked } from './asked';
import { misfitOf } from './fit';
import { type Leaf, leavesOf } from './leaves';
import { bindingOf, LEAST_BINDING, mustSet } from './setting';

export interface Broken {
  entry: SwapEntry;
  lineId: string | null;
  reason: string;
}

const swapped = (leaves: readonly Leaf[]): Leaf[] => leaves.filter(({ line }) => line.swap !== null);

/** Recipes of a dish in which a swap stands, each with its lines once. */
function scopesOf(leaves: readonly Leaf[]): Map<Composed, Leaf[]> {
  const scopes = new Map<Composed, Leaf[]>();
  for (const leaf of leaves) {
    const known = scopes.get(leaf.scope) ?? [];
    if (!known.some(({ line }) => line.id === leaf.line.id)) scopes.set(leaf.scope, [...known, leaf]);
  }
  return new Map([...scopes].filter(([, inside]) => swapped(inside).length > 0));
}

function shareBroken(leaf: Leaf, inside: readonly Leaf[], asked: Asked): string | null {
  const { entry } = leaf.line.swap!;
  const most = entry.limits.mostShare;
  const watched = entry.to[0]!.foodId;
  if (most === null || leaf.id !== watched) return null;
  const whole = leaf.scope.lines.reduce((sum, { weight }) => sum + (weight?.grams ?? 0), 0);
  const of = inside.filter(({ id }) => id === watched).reduce((sum, { scopeGrams }) => sum + scopeGrams, 0);
  if (whole <= 0 || of <= most * whole * (1 + 1e-9)) return null;
  const name = inSentence(asked.nameOf(watched));
  return `${name} would be ${figureText((of / whole) * 100, 0)} % of the mix, and more than ${figureText(most * 100, 0)} % does not work`;
}

function bindingBroken(scope: Composed, inside: readonly Leaf[], asked: Asked): string | null {
  if (!mustSet(scope.recipe)) return null;
  const power = (id: string): number => asked.figuresOf(id).binding;
  const before = bindingOf(inside, power);
  const now = inside.reduce((sum, { id, scopeGrams }) => sum + (id === null ? 0 : scopeGrams * power(id)), 0);
  return now < LEAST_BINDING * before * (1 - 1e-9)
    ? `too little is left that binds the mix of ${scope.recipe.name}: it is shaped, and would not hold`
    : null;
}

/** The swaps of a composed dish that do not fit where they stand, and why. */
export function brokenIn(composed: Composed, asked: Asked): Broken[] {
  const broken: Broken[] = [];
  for (const [scope, inside] of scopesOf(leavesOf(composed))) {
    const unbound = bindingBroken(scope, inside, asked);
    for (const leaf of swapped(inside)) {
      const { entry } = leaf.line.swap!;
      if (leaf.originGrams <= 0 && leaf.line.weight) continue;
      const loosens = entry.to.reduce((sum, to) => sum + to.ratio * asked.figuresOf(to.foodId).binding, 0);
      const reason =
        misfitOf(entry, leaf.line, scope, asked.foodOf) ??
        shareBroken(leaf, inside, asked) ??
        (unbound && loosens < asked.figuresOf(entry.fromId).binding ? unbound : null);
      if (reason) broken.push({ entry, lineId: leaf.lineId, reason });
    }
  }
  return broken;
}

const nameIn = (id: string, book: Book): string =>
  inSentence(book.foods.foods.get(id)?.name ?? book.components.get(id)?.name ?? id);

/** Findings of the swaps of a dish: gone from the library, idle, refused by their limits, or bringing something in. */
export function swapFindings(composed: Composed, book: Book, kitchen: Kitchen): Finding[] {
  const { recipe } = composed;
  if (recipe.swaps.length === 0) return [];
  const asked = new Asked(recipe, { exclude: [], policy: kitchen.policy }, kitchen, book);
  const standing = new Set(leavesOf(composed).map(({ originId }) => originId));
  const unfit = (fromId: string, lineId: string | null, reason: string): Finding =>
    finding('swap-unfit', lineId, { foodId: fromId, name: nameIn(fromId, book), reason });
  const found = recipe.swaps.flatMap(({ fromId, swapId }): Finding[] => {
    const entry = swapHere(swapId, book.swaps, kitchen);
    if (!entry) return [unfit(fromId, null, 'this kitchen does not know that swap')];
    if (!standing.has(fromId)) return [unfit(fromId, null, 'it is no longer in the dish')];
    const refused = entry.to.flatMap(({ foodId }) => asked.refusalOf(foodId) ?? []);
    return recipe.freeFrom.length > 0 && refused.length > 0 ? [unfit(fromId, null, refused[0]!)] : [];
  });
  const told = new Set(found.filter(isOf('swap-unfit')).map(({ figures }) => figures.foodId));
  for (const { entry, lineId, reason } of brokenIn(composed, asked)) {
    if (told.has(entry.fromId)) continue;
    told.add(entry.fromId);
    found.push(unfit(entry.fromId, lineId, reason));
  }
  return found;
}

/** What a variant stands on: its own swaps, and those of its parent that it does not overrule. */
export function followingSwaps(own: readonly AppliedSwap[], parent: readonly AppliedSwap[]): AppliedSwap[] {
  const mine = own.filter(({ isInherited }) => !isInherited);
  const overruled = new Set(mine.map(({ fromId }) => fromId));
  return [
    ...parent.filter(({ fromId }) => !overruled.has(fromId)).map((each) => ({ ...each, isInherited: true })),
    ...mine,
  ];
}

/** The swaps a recipe keeps for itself. */
export const ownSwaps = (recipe: Pick<Recipe, 'swaps'>): AppliedSwap[] =>
  recipe.swaps.filter(({ isInherited }) => !isInherited);
