/** From a dish and a question to figures that can be searched: which foods must go, by what, and at what loss. */
import { homePortionGrams } from '../batch';
import { US_DAILY_VALUES } from '../declaration';
import type { Composed } from '../dish';
import { type SwapEntry, WATER_ID } from '../food';
import { swapsFrom } from '../kitchen';
import { type Asked, bindingOf, type Leaf, LEAST_BINDING, leavesOf, misfitOf, mustSet } from '../swap';
import type { Constraint, OptionFigures, SearchProblem } from './search';

/** What each part of a plan's penalty weighs (convention: closeness first, then the plate, then the bother). */
export const PENALTY = {
  /** Per unit of taste and of texture lost. */
  closeness: 1,
  /** For each food changed. */
  change: 0.3,
  /** Per daily value of protein gained or lost in a portion. */
  protein: 1,
  /** Per daily value of sodium gained or lost in a portion. */
  sodium: 1,
  /** For a dish that costs as much again. */
  cost: 0.5,
} as const;

/** An entry that was not taken up, and why. */
export interface RefusedSwap {
  swapId: string;
  /** "Almond butter". */
  to: string;
  function: string;
  reason: string;
}

/** A food that must go out, everywhere it stands, and what may take its place. */
export interface Choice {
  originId: string;
  leaves: Leaf[];
  entries: SwapEntry[];
  refused: RefusedSwap[];
}

/** A line that no swap frees. */
export interface BlockedLeaf {
  leaf: Leaf;
  refused: RefusedSwap[];
}

export interface Gathered {
  choices: Choice[];
  blocked: BlockedLeaf[];
}

/**
 * A line whose food is still open can be neither cleared nor swapped. A kitchen that lets unread packs pass lets no second
 * food on a line pass with them.
 */
export const isUnsettled = ({ line }: Leaf): boolean => !line.isFoodSure;

const isOffending = (leaf: Leaf, asked: Asked): boolean =>
  leaf.id === null || isUnsettled(leaf) || !asked.mayStay(leaf.id);

const toNames = (entry: SwapEntry, asked: Asked): string =>
  entry.to.map(({ foodId }) => asked.nameOf(foodId)).join(' + ');

/** Why an entry may not take a food's place at some lines; null where it may. */
export function refusalOf(entry: SwapEntry, leaves: readonly Leaf[], asked: Asked): string | null {
  for (const leaf of leaves) {
    const misfit = misfitOf(entry, leaf.line, leaf.scope, asked.foodOf, asked.works[entry.fromId] ?? null);
    if (misfit) return misfit;
  }
  const brought = entry.to.map(({ foodId }) => foodId);
  for (const foodId of entry.waterRatio > 0 ? [...brought, WATER_ID] : brought) {
    const refusal = asked.refusalOf(foodId);
    if (refusal) return refusal;
  }
  return null;
}

/** The entries that may take a food out at some lines, and those that may not. */
export function entriesFor(
  originId: string,
  leaves: readonly Leaf[],
  asked: Asked,
): Pick<Choice, 'entries' | 'refused'> {
  const entries: SwapEntry[] = [];
  const refused: RefusedSwap[] = [];
  for (const entry of swapsFrom(originId, asked.book.swaps, asked.kitchen)) {
    const reason = refusalOf(entry, leaves, asked);
    if (reason === null) entries.push(entry);
    else refused.push({ swapId: entry.id, to: toNames(entry, asked), function: entry.function, reason });
  }
  return { entries, refused };
}

/** Everything that must go out, with what may take its place: one substitute for one food throughout. */
export function gatherChoices(leaves: readonly Leaf[], asked: Asked): Gathered {
  const standing = new Map<string, Leaf[]>();
  const blocked: BlockedLeaf[] = [];
  for (const leaf of leaves) {
    if (!isOffending(leaf, asked)) continue;
    if (leaf.originId === null || isUnsettled(leaf)) blocked.push({ leaf, refused: [] });
    else standing.set(leaf.originId, [...(standing.get(leaf.originId) ?? []), leaf]);
  }
  const choices: Choice[] = [];
  for (const [originId, offending] of standing) {
    // A swap holds wherever the food stands, so it must work at every line that asks for it.
    const everywhere = leaves.filter((leaf) => leaf.originId === originId);
    const { entries, refused } = entriesFor(originId, everywhere, asked);
    if (entries.length === 0) blocked.push(...offending.map((leaf) => ({ leaf, refused })));
    else choices.push({ originId, leaves: everywhere, entries, refused });
  }
  return { choices, blocked };
}

/** Cost of the home recipe, where every line has a price; lines without one are left out of a drift. */
function costOf(leaves: readonly Leaf[], asked: Asked): number {
  return leaves.reduce(
    (sum, { id, grams }) => sum + (id === null ? 0 : (asked.figuresOf(id).cost ?? 0) * grams),
    0,
  );
}

const sumOf = (leaves: readonly Leaf[], field: 'originGrams' | 'originScopeGrams'): number =>
  leaves.reduce((sum, leaf) => sum + leaf[field], 0);

/** What an entry adds for one gram taken out: positive is more than before. */
function perGramOut(entry: SwapEntry, asked: Asked) {
  const out = asked.figuresOf(entry.fromId);
  let [proteinG, sodiumMg, binding] = [-out.proteinG, -out.sodiumMg, -out.binding];
  let cost = out.cost === null ? null : -out.cost;
  for (const { foodId, ratio } of entry.to) {
    const into = asked.figuresOf(foodId);
    proteinG += ratio * into.proteinG;
    sodiumMg += ratio * into.sodiumMg;
    binding += ratio * into.binding;
    cost = cost === null || into.cost === null ? null : cost + ratio * into.cost;
  }
  return { proteinG, sodiumMg, binding, cost };
}

function optionFigures(
  entry: SwapEntry,
  choice: Choice,
  portions: number,
  cost: number,
  asked: Asked,
): OptionFigures {
  const { proteinG, sodiumMg, cost: dearer } = perGramOut(entry, asked);
  const grams = sumOf(choice.leaves, 'originGrams');
  return {
    own: PENALTY.closeness * (1 - entry.taste + (1 - entry.texture)) + PENALTY.change,
    drift: [
      (proteinG * grams) / portions / US_DAILY_VALUES.proteinG,
      (sodiumMg * grams) / portions / US_DAILY_VALUES.sodiumMg,
      dearer === null || cost <= 0 ? 0 : (dearer * grams) / cost,
    ],
  };
}

/** The recipes of a dish that a choice reaches, each once. */
const scopesOf = (choices: readonly Choice[]): Composed[] => [
  ...new Set(choices.flatMap(({ leaves }) => leaves.map(({ scope }) => scope))),
];

/** Leaves of one recipe, each line once, however often the recipe is used in the dish. */
const leavesIn = (leaves: readonly Leaf[], scope: Composed): Leaf[] => {
  const seen = new Set<string>();
  return leaves.filter((leaf) => {
    if (leaf.scope !== scope || seen.has(leaf.line.id)) return false;
    seen.add(leaf.line.id);
    return true;
  });
};

const zeroRows = (choices: readonly Choice[]): number[][] =>
  choices.map(({ entries }) => entries.map(() => 0));

/** What binds a mix must not fall below a share of what binds it as written. */
function bindingConstraint(
  choices: readonly Choice[],
  all: readonly Leaf[],
  scope: Composed,
  asked: Asked,
): Constraint {
  const inScope = leavesIn(all, scope);
  const before = bindingOf(inScope, (id) => asked.figuresOf(id).binding);
  const rows = zeroRows(choices);
  let kept = before;
  // What stands there by an earlier swap is undone first: an origin is what the list asks for.
  choices.forEach(({ entries, leaves }, choice) => {
    const grams = sumOf(leavesIn(leaves, scope), 'originScopeGrams');
    entries.forEach((entry, option) => {
      rows[choice]![option] = -perGramOut(entry, asked).binding * grams;
    });
  });
  // Swaps that stay and are not asked about again still hold.
  const asking = new Set(choices.map(({ originId }) => originId));
  for (const leaf of inScope) {
    const { swap } = leaf.line;
    if (!swap || leaf.originId === null || asking.has(leaf.originId)) continue;
    kept += perGramOut(swap.entry, asked).binding * leaf.originScopeGrams;
  }
  return { coefficients: rows, most: kept - LEAST_BINDING * before, when: null };
}

/** The first food of an entry may be no more than a share of everything that goes into the recipe. */
function shareConstraint(
  at: { choice: number; option: number; entry: SwapEntry },
  choices: readonly Choice[],
  all: readonly Leaf[],
  scope: Composed,
): Constraint {
  const share = at.entry.limits.mostShare!;
  const watched = at.entry.to[0]!.foodId;
  const inScope = leavesIn(all, scope);
  const asking = new Set(choices.map(({ originId }) => originId));
  const staying = inScope.filter(({ originId }) => originId === null || !asking.has(originId));
  const rows = zeroRows(choices);
  let base = 0;
  choices.forEach(({ entries, leaves }, choice) => {
    const grams = sumOf(leavesIn(leaves, scope), 'originScopeGrams');
    entries.forEach((entry, option) => {
      const of = entry.to
        .filter(({ foodId }) => foodId === watched)
        .reduce((sum, { ratio }) => sum + ratio, 0);
      const all = entry.waterRatio + entry.to.reduce((sum, { ratio }) => sum + ratio, 0);
      rows[choice]![option] = grams * (of - share * all);
    });
  });
  for (const { id, scopeGrams } of staying) base += scopeGrams * ((id === watched ? 1 : 0) - share);
  // Components used in this recipe weigh too.
  for (const line of scope.lines) if (line.inner && !line.swap) base -= share * (line.weight?.grams ?? 0);
  return { coefficients: rows, most: -base, when: { choice: at.choice, option: at.option } };
}

function constraintsOf(choices: readonly Choice[], all: readonly Leaf[], asked: Asked): Constraint[] {
  const constraints: Constraint[] = [];
  for (const scope of scopesOf(choices)) {
    if (mustSet(scope.recipe)) constraints.push(bindingConstraint(choices, all, scope, asked));
    choices.forEach(({ entries, leaves }, choice) => {
      if (!leaves.some((leaf) => leaf.scope === scope)) return;
      entries.forEach((entry, option) => {
        if (entry.limits.mostShare !== null)
          constraints.push(shareConstraint({ choice, option, entry }, choices, all, scope));
      });
    });
  }
  return constraints;
}

/** The search of some choices in a dish. */
export function problemOf(
  composed: Composed,
  leaves: readonly Leaf[],
  choices: readonly Choice[],
  asked: Asked,
): SearchProblem {
  const portions = Math.max(1e-9, composed.finishedGrams / homePortionGrams(composed));
  const cost = costOf(leaves, asked);
  return {
    choices: choices.map((choice) =>
      choice.entries.map((entry) => optionFigures(entry, choice, portions, cost, asked)),
    ),
    weights: [PENALTY.protein, PENALTY.sodium, PENALTY.cost],
    constraints: constraintsOf(choices, leaves, asked),
  };
}

/** Leaves, choices and problem of a composed dish. */
export function choicesIn(composed: Composed, asked: Asked): Gathered & { leaves: Leaf[] } {
  const leaves = leavesOf(composed);
  return { leaves, ...gatherChoices(leaves, asked) };
}
