/** Components a batch leans on: one demand for each, however many lines and other components ask for it. */
import { componentKey, type Composed } from '../dish';
import type { Kitchen } from '../kitchen';
import { roundToDecimals } from '../quantity';
import { type Batch, factorFor, planBatch } from './batch';
import { scopeOf, type WorksheetLine, worksheetLine } from './lines';
import { type StageView, stageViews } from './stages';

/** Who asks for a component, and how much of it. */
export interface Asking {
  /** Name of the dish or component that uses it. */
  name: string;
  grams: number;
}

export interface ComponentBatch {
  /** The component as it is made here: where a swap reaches into it, another than the plain one. */
  key: string;
  componentId: string;
  name: string;
  askedBy: Asking[];
  neededGrams: number;
  /** Taken from store. */
  storeGrams: number;
  /** What is made: the rest of the need rounded up to what a kitchen makes. */
  madeGrams: number;
  surplusGrams: number;
  factor: number;
  loads: number;
  steamGrams: number;
  stages: StageView[];
  lines: WorksheetLine[];
}

/** A component is made in whole steps of its weight: 50 g, from 1 kg 100 g, from 10 kg 500 g (convention). */
const STEPS: readonly { belowGrams: number; stepGrams: number }[] = [
  { belowGrams: 1000, stepGrams: 50 },
  { belowGrams: 10_000, stepGrams: 100 },
  { belowGrams: Infinity, stepGrams: 500 },
];

/** The weight of a component to make for a need: never less than it. */
export function madeFor(neededGrams: number): number {
  const step = STEPS.find(({ belowGrams }) => neededGrams < belowGrams)!.stepGrams;
  return Math.ceil(roundToDecimals(neededGrams / step, 6)) * step;
}

/** "Seeded crumb", and what stands in it instead where a swap reached it. */
function nameHere({ recipe, lines }: Composed): string {
  const swapped = lines.flatMap(({ swap, food }) => (swap && food ? [food.name.toLowerCase()] : []));
  return swapped.length === 0 ? recipe.name : `${recipe.name} with ${swapped.join(' and ')}`;
}

/** A dish with its batch, which asks for components. */
export interface Asker {
  composed: Composed;
  batch: Batch;
}

interface Need {
  composed: Composed;
  askedBy: Asking[];
}

export interface PlannedComponent extends Need {
  neededGrams: number;
  storeGrams: number;
  madeGrams: number;
  batch: Batch;
}

/** Every component used by a list of askers, each after all that use it, whichever of them uses it deepest. */
function inOrderOfUse(askers: readonly Composed[]): Composed[] {
  const deepest = new Map<string, { composed: Composed; depth: number }>();
  const visit = (composed: Composed, depth: number): void => {
    for (const { inner } of composed.lines) {
      if (!inner || (deepest.get(componentKey(inner))?.depth ?? -1) >= depth) continue;
      deepest.set(componentKey(inner), { composed: inner, depth });
      visit(inner, depth + 1);
    }
  };
  for (const asker of askers) visit(asker, 0);
  return [...deepest.values()].sort((one, other) => one.depth - other.depth).map(({ composed }) => composed);
}

/** Grams of a component that stand in store, made as it is made now. */
export type InStore = (composed: Composed) => number;
const NOTHING: InStore = () => 0;

/**
 * Plans every component that some batches need, at any depth: one batch each, users before what they use. What is in store is
 * not made again, nor what that would have been made of.
 */
export function planComponents(
  askers: readonly Asker[],
  kitchen: Kitchen,
  vesselIds: readonly string[],
  inStore: InStore = NOTHING,
): PlannedComponent[] {
  const needs = new Map<string, Need>();
  const ask = ({ composed, batch }: Asker): void => {
    const { name } = composed.recipe;
    for (const { inner, weight, follows } of composed.lines) {
      if (!inner || !weight) continue;
      const key = componentKey(inner);
      const need = needs.get(key) ?? { composed: inner, askedBy: [] };
      needs.set(key, need);
      const grams = weight.grams * factorFor(follows, batch);
      const known = need.askedBy.find((each) => each.name === name);
      if (known) known.grams += grams;
      else need.askedBy.push({ name, grams });
    }
  };
  for (const asker of askers) ask(asker);
  const planned: PlannedComponent[] = [];
  for (const used of inOrderOfUse(askers.map(({ composed }) => composed))) {
    const need = needs.get(componentKey(used));
    if (!need) continue;
    const neededGrams = need.askedBy.reduce((sum, { grams }) => sum + grams, 0);
    const storeGrams = Math.min(neededGrams, inStore(need.composed));
    const restGrams = neededGrams - storeGrams;
    // A millionth of a gram is not another batch.
    const madeGrams = restGrams > 1e-6 ? madeFor(restGrams) : 0;
    const batch = planBatch(need.composed, { kind: 'weight', grams: madeGrams }, kitchen, vesselIds);
    planned.push({ ...need, neededGrams, storeGrams, madeGrams, batch });
    ask({ composed: need.composed, batch });
  }
  return planned;
}

/** A planned component as the screen and the batch sheet show it. */
export function componentBatch(
  planned: PlannedComponent,
  kitchen: Kitchen,
  components: ReadonlyMap<string, Batch>,
): ComponentBatch {
  const { composed, batch, neededGrams, storeGrams, madeGrams, askedBy } = planned;
  const scope = scopeOf(composed, batch, kitchen, components, false);
  return {
    key: componentKey(composed),
    componentId: composed.recipe.id,
    name: nameHere(composed),
    askedBy,
    neededGrams,
    storeGrams,
    madeGrams,
    surplusGrams: Math.max(0, batch.finishedGrams + storeGrams - neededGrams),
    factor: batch.factor,
    loads: batch.loads,
    steamGrams: batch.steamGrams,
    stages: stageViews(batch),
    lines: composed.lines.map((line) => worksheetLine(line, scope)),
  };
}
