/** What is looked for in a dish, and whether a food may stand in it or be brought in. */
import { foodTraces, isFree, touches, worstStatus } from '../allergen';
import { compose, type Composed } from '../dish';
import {
  type Food,
  type NutrientId,
  NUTRIENTS,
  type SwapFunction,
  VEGAN,
  type Wanted,
  wantedByAll,
  WHOLE_FOOD,
} from '../food';
import { type FreeFromPolicy, type Kitchen, passes, priceOf } from '../kitchen';
import type { Book, Recipe } from '../recipe';
import { leavesOf } from './leaves';
import { bindingPower } from './setting';

/** Figures of one gram of a food or component. */
export interface GramFigures {
  proteinG: number;
  sodiumMg: number;
  /** In the kitchen's money; null where nobody can say. */
  cost: number | null;
  binding: number;
}

/** What must not be in a dish, and how strictly that is taken. */
export interface Excluding {
  exclude: readonly string[];
  policy: FreeFromPolicy;
}

/** What is taken as said, for this question only. */
export interface Supposed {
  /** What the cook says that a food does here, by its id. */
  works?: Readonly<Record<string, SwapFunction>> | undefined;
  /** As if every pack that nobody has read were read, and clear. */
  asIfRead?: boolean | undefined;
}

/** A question made ready: what is looked for, by which policy, in which book and kitchen. */
export class Asked {
  /** Everything that must not stay. */
  readonly wanted: Wanted;
  /** What must not be brought in: that, and what the kitchen's own standard leaves out. */
  readonly unwantedIn: Wanted;
  /** Exclusions that nobody knows in this kitchen. */
  readonly unknown: readonly string[];
  readonly exclude: readonly string[];
  readonly policy: FreeFromPolicy;
  readonly works: Readonly<Record<string, SwapFunction>>;
  readonly asIfRead: boolean;
  private readonly composed = new Map<string, Composed | null>();
  private readonly figures = new Map<string, GramFigures>();
  private readonly allowed = new Map<string, string | null>();

  constructor(
    readonly recipe: Recipe,
    { exclude, policy }: Excluding,
    readonly kitchen: Kitchen,
    readonly book: Book,
    { works = {}, asIfRead = false }: Supposed = {},
  ) {
    this.works = works;
    this.asIfRead = asIfRead;
    this.exclude = [...new Set([...recipe.freeFrom, ...exclude])];
    this.policy = asIfRead ? { ...policy, check: 'accept' } : policy;
    const { wanted, unknown } = wantedByAll([...this.exclude, VEGAN], kitchen);
    this.wanted = wanted;
    this.unknown = unknown;
    const standard = kitchen.standard.isWholeFood ? [WHOLE_FOOD] : [];
    this.unwantedIn = wantedByAll([...this.exclude, VEGAN, ...standard], kitchen).wanted;
  }

  readonly foodOf = (id: string): Food | undefined => this.book.foods.foods.get(id);

  nameOf(id: string): string {
    return this.book.foods.foods.get(id)?.name ?? this.book.components.get(id)?.name ?? id;
  }

  /** A component as it would be under the swaps of a recipe. */
  private component(id: string): Composed | null {
    let composed = this.composed.get(id);
    if (composed === undefined) {
      const component = this.book.components.get(id);
      const { swaps, apart } = this.recipe;
      composed = component ? compose({ ...component, swaps, apart }, this.book, this.kitchen) : null;
      this.composed.set(id, composed);
    }
    return composed;
  }

  /** Whether what stands there may stay. */
  mayStay(id: string): boolean {
    const food = this.book.foods.foods.get(id);
    const traces = food ? foodTraces(food, this.kitchen) : this.component(id)?.traces;
    return traces !== undefined && isFree(traces, this.wanted, this.policy);
  }

  /** Why a food or component may not be brought in, in words; null where it may. What is unread is never brought in. */
  refusalOf(id: string): string | null {
    let refusal = this.allowed.get(id);
    if (refusal === undefined) this.allowed.set(id, (refusal = this.refusal(id)));
    return refusal;
  }

  private refusal(id: string): string | null {
    const food = this.book.foods.foods.get(id);
    const traces = food ? foodTraces(food, this.kitchen) : this.component(id)?.traces;
    const name = this.nameOf(id).toLowerCase();
    if (!traces) return `${name} is no longer in the larder or the book`;
    const status = worstStatus(traces, this.unwantedIn);
    if (status === 'contains') {
      const isStandard = !traces.some((each) => each.status === 'contains' && touches(each, this.wanted));
      return isStandard
        ? `${name} is not whole food, as this kitchen cooks`
        : `${name} brings in what is excluded`;
    }
    if (status === 'may-contain' && !passes(status, this.policy))
      return `${name} may contain what is excluded, says its pack or its equipment`;
    if (this.asIfRead) return null;
    // The worst may hide what is unread behind what is let pass.
    const isUnread = traces.some((each) => each.status === 'check' && touches(each, this.unwantedIn));
    return isUnread ? `nobody has checked ${name} for it: record its pack first` : null;
  }

  figuresOf(id: string): GramFigures {
    let figures = this.figures.get(id);
    if (!figures) this.figures.set(id, (figures = this.gram(id)));
    return figures;
  }

  /** Unknown nutrients count as nothing here: a drift is a preference, not a printed figure. */
  private gram(id: string): GramFigures {
    const food = this.book.foods.foods.get(id);
    if (food) {
      const per = (nutrient: NutrientId): number => {
        const value = this.book.foods.vectors.get(id)?.[NUTRIENTS.indexOf(nutrient)] ?? 0;
        return Number.isNaN(value) ? 0 : value;
      };
      return {
        proteinG: per('proteinG'),
        sodiumMg: per('sodiumMg'),
        cost: priceOf(food, this.kitchen)?.perGram ?? null,
        binding: bindingPower(food),
      };
    }
    const inner = this.component(id);
    if (!inner || !(inner.finishedGrams > 0)) return { proteinG: 0, sodiumMg: 0, cost: null, binding: 0 };
    const sum: GramFigures = { proteinG: 0, sodiumMg: 0, cost: 0, binding: 0 };
    for (const leaf of leavesOf(inner)) {
      const one = leaf.id === null ? null : this.figuresOf(leaf.id);
      const share = leaf.grams / inner.finishedGrams;
      sum.proteinG += share * (one?.proteinG ?? 0);
      sum.sodiumMg += share * (one?.sodiumMg ?? 0);
      sum.binding += share * (one?.binding ?? 0);
      sum.cost = one?.cost == null || sum.cost === null ? null : sum.cost + share * one.cost;
    }
    return sum;
  }
}
