/** One dish for several groups of diners: a single version all can eat, or the fewest versions that cover them. */
import { isFree } from '../allergen';
import { compose } from '../dish';
import type { DinerGroup, FreeFromPolicy } from '../kitchen';
import type { Book } from '../recipe';
import { Asked } from '../swap';
import type { WorksheetInput } from '../worksheet';
import { type Blocker, blockersOf } from './blockers';
import { atOnce, planSteps, type Progress, type SwapPlan } from './plan';
import { choicesIn, problemOf } from './problem';
import { search } from './search';

/** Most different needs that are weighed at once: every set of them is tried. */
export const MOST_NEEDS = 12;

export interface VersionsQuestion extends WorksheetInput {
  /** Each with its portions; groups of the same need are served together. */
  groups: readonly (DinerGroup & { portions: number })[];
  isApart?: boolean;
}

export interface Version {
  /** Ids of the groups it is for. */
  groupIds: string[];
  names: string[];
  exclude: string[];
  portions: number;
  plan: SwapPlan;
}

export interface VersionsAnswer {
  /** The version everybody can eat, or what stands against it. */
  single: SwapPlan | null;
  singleBlockedBy: Blocker[];
  /** The fewest versions that cover all groups that can be served, least loss by portions among equals. */
  fewest: Version[];
  /** Groups that no version of this dish serves. */
  unserved: { groupId: string; name: string; blockedBy: Blocker[] }[];
}

/** Groups that need the same. */
interface Need {
  groups: (DinerGroup & { portions: number })[];
  exclude: string[];
  policy: FreeFromPolicy;
  portions: number;
}

const stricter = (one: FreeFromPolicy, other: FreeFromPolicy): FreeFromPolicy => ({
  mayContain: one.mayContain === 'refuse' || other.mayContain === 'refuse' ? 'refuse' : 'accept',
  check: one.check === 'refuse' || other.check === 'refuse' ? 'refuse' : 'accept',
});

function needsOf({ groups, kitchen }: VersionsQuestion): Need[] {
  const needs = new Map<string, Need>();
  for (const group of groups) {
    const exclude = [...new Set(group.exclude)].sort();
    const policy = group.policy ?? kitchen.policy;
    const key = JSON.stringify([exclude, policy]);
    const need = needs.get(key) ?? { groups: [], exclude, policy, portions: 0 };
    needs.set(key, {
      ...need,
      groups: [...need.groups, group],
      portions: need.portions + group.portions,
    });
  }
  return [...needs.values()];
}

/** What several needs ask together. */
function together(needs: readonly Need[]): { exclude: string[]; policy: FreeFromPolicy } {
  return {
    exclude: [...new Set(needs.flatMap(({ exclude }) => exclude))].sort(),
    policy: needs.map(({ policy }) => policy).reduce(stricter),
  };
}

/** The least penalty of a version for some exclusions; infinite where none is. */
function leastPenalty(
  question: VersionsQuestion,
  exclude: readonly string[],
  policy: FreeFromPolicy,
  book: Book,
): number {
  const { recipe, kitchen, isApart = false } = question;
  const asked = new Asked(recipe, { exclude, policy }, kitchen, book);
  const composed = compose(recipe, book, kitchen);
  const { choices, blocked, leaves } = choicesIn(composed, asked);
  if (blockersOf(composed, blocked, asked, isApart).length > 0) return Infinity;
  if (choices.length === 0) {
    const own = composed.traces.filter(({ evidence }) => !isApart || evidence.kind !== 'equipment');
    return isFree(own, asked.wanted, policy) ? 0 : Infinity;
  }
  return search(problemOf(composed, leaves, choices, asked), 1)[0]?.penalty ?? Infinity;
}

const inSet = (set: number, index: number): boolean => (set & (1 << index)) !== 0;

interface Cover {
  /** Sets of needs, each served by one version. */
  sets: number[];
  loss: number;
}

/**
 * The fewest sets that cover all needs, each set servable by one version, with the least loss among equals. A version for
 * more needs serves fewer as well, so that covers are partitions. Exact: every partition is weighed once, by its set of
 * the lowest need first.
 */
function fewestSets(penalties: readonly number[], portions: readonly number[], all: number): Cover {
  const best: (Cover | null)[] = Array.from({ length: all + 1 }, () => null);
  best[0] = { sets: [], loss: 0 };
  const lossOf = (set: number): number =>
    penalties[set]! * portions.reduce((sum, each, index) => (inSet(set, index) ? sum + each : sum), 0);
  for (let set = 1; set <= all; set += 1) {
    if ((set & ~all) !== 0) continue;
    const lowest = set & -set;
    const rest = set ^ lowest;
    for (let others = rest; ; others = (others - 1) & rest) {
      const one = others | lowest;
      const before = best[set ^ one];
      if (before && Number.isFinite(penalties[one]!)) {
        const cover: Cover = { sets: [...before.sets, one], loss: before.loss + lossOf(one) };
        const known = best[set];
        const isBetter =
          !known ||
          cover.sets.length < known.sets.length ||
          (cover.sets.length === known.sets.length && cover.loss < known.loss);
        if (isBetter) best[set] = cover;
      }
      if (others === 0) break;
    }
  }
  return best[all] ?? { sets: [], loss: 0 };
}

/** A version for more needs also serves fewer: the penalty of a set is the least of all sets that hold it. */
function downwards(penalties: number[], count: number): { penalty: number[]; by: number[] } {
  const by = penalties.map((_, set) => set);
  for (let index = 0; index < count; index += 1)
    for (let set = 0; set < penalties.length; set += 1) {
      const larger = set | (1 << index);
      if (larger !== set && penalties[larger]! < penalties[set]!) {
        penalties[set] = penalties[larger]!;
        by[set] = by[larger]!;
      }
    }
  return { penalty: penalties, by };
}

/**
 * Which versions of a dish serve some groups of diners, told step by step.
 * @throws RangeError for more than MOST_NEEDS different needs
 */
export function* versionSteps(question: VersionsQuestion, book: Book): Generator<Progress, VersionsAnswer> {
  const needs = needsOf(question);
  if (needs.length > MOST_NEEDS)
    throw new RangeError(
      `At most ${MOST_NEEDS} different needs can be weighed at once; these are ${needs.length}`,
    );
  const count = needs.length;
  const size = 1 << count;
  const known = new Map<string, number>();
  const penalties = new Array<number>(size).fill(Infinity);
  for (let set = 1; set < size; set += 1) {
    const { exclude, policy } = together(needs.filter((_, index) => inSet(set, index)));
    const key = JSON.stringify([exclude, policy]);
    if (!known.has(key)) known.set(key, leastPenalty(question, exclude, policy, book));
    penalties[set] = known.get(key)!;
    if (set % 16 === 0) yield { stage: 'Trying versions', done: set, of: size };
  }
  const plans = new Map<number, { plan: SwapPlan | null; blockedBy: Blocker[] }>();
  function* planFor(set: number): Generator<Progress, { plan: SwapPlan | null; blockedBy: Blocker[] }> {
    const done = plans.get(set);
    if (done) return done;
    const { exclude, policy } = together(needs.filter((_, index) => inSet(set, index)));
    const { isApart = false, ...input } = question;
    const found = yield* planSteps({ ...input, exclude, policy, isApart }, book, 1);
    const planned = { plan: found.plans[0] ?? null, blockedBy: found.blockedBy };
    plans.set(set, planned);
    return planned;
  }
  /** The fewest sets; where what looked possible is none after all, it is struck out and the rest is weighed again. */
  function* cover(): Generator<Progress, { sets: number[]; by: number[]; servable: number }> {
    for (;;) {
      const { penalty, by } = downwards([...penalties], count);
      const servable = needs.reduce(
        (set, _, index) => (Number.isFinite(penalty[1 << index]!) ? set | (1 << index) : set),
        0,
      );
      const { sets } = fewestSets(
        penalty,
        needs.map(({ portions }) => portions),
        servable,
      );
      let isWhole = true;
      for (const set of sets) {
        const { plan } = yield* planFor(by[set]!);
        if (plan) continue;
        penalties[by[set]!] = Infinity;
        isWhole = false;
        break;
      }
      if (isWhole) return { sets, by, servable };
    }
  }
  const { sets, by, servable } = yield* cover();
  const fewest: Version[] = [];
  for (const set of sets) {
    const served = needs.filter((_, index) => inSet(set, index));
    const groups = served.flatMap((need) => need.groups);
    fewest.push({
      groupIds: groups.map(({ id }) => id),
      names: groups.map(({ name }) => name),
      exclude: together(served).exclude,
      portions: groups.reduce((sum, { portions }) => sum + portions, 0),
      plan: (yield* planFor(by[set]!)).plan!,
    });
  }
  const unserved: VersionsAnswer['unserved'] = [];
  for (const [index, need] of needs.entries()) {
    if (inSet(servable, index)) continue;
    const { blockedBy } = yield* planFor(1 << index);
    unserved.push(...need.groups.map(({ id, name }) => ({ groupId: id, name, blockedBy })));
  }
  const whole = count === 0 ? { plan: null, blockedBy: [] } : yield* planFor(size - 1);
  return { single: whole.plan, singleBlockedBy: whole.blockedBy, fewest, unserved };
}

/** The same at one go. */
export const versionsFor = (question: VersionsQuestion, book: Book): VersionsAnswer =>
  atOnce(versionSteps(question, book));
