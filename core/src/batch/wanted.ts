/** What a target asks of a dish: a finished weight, portions and sizes, and why it cannot be used. */
import { absorbedBy, type Composed, type ComposedLine } from '../dish';
import { inSentence } from '../food';
import { FINISHED_DENSITY, type Kitchen, PANS, type Vessel } from '../kitchen';
import { mainStage, type Stage, stagesOf } from '../recipe';
import { machinesFor, workingGrams } from './machines';
import { type BatchTarget, gramsOfSizes, type Serving, storedOf, type Target, targetProblem } from './target';

/** Portion size of the recipe itself: as set, else its weight over its portions. */
export function homePortionGrams(composed: Composed): number {
  const { recipe, finishedGrams } = composed;
  if (recipe.portionGrams !== null && recipe.portionGrams > 0) return recipe.portionGrams;
  return recipe.portions > 0 ? finishedGrams / recipe.portions : finishedGrams;
}

/**
 * Lines whose weight nobody knows and that are more than a seasoning, fat for the pan or garnish: without them the home weight
 * is only a part of the dish.
 */
export const unweighedLines = ({ lines }: Composed): ComposedLine[] =>
  lines.filter(
    ({ weight, technique, role, source: { reading } }) =>
      weight === null &&
      technique === null &&
      role === 'linear' &&
      reading.amountKind !== 'to-taste' &&
      reading.purpose === null,
  );

/** The whole home yield where the recipe states it: weighed, or portions of a size; null where it does not. */
export function statedYieldGrams({ recipe, isMeasured, finishedGrams }: Composed): number | null {
  if (isMeasured) return finishedGrams;
  const { portions, portionGrams, isComponent } = recipe;
  return !isComponent && portionGrams !== null && portionGrams > 0 && portions > 0
    ? portions * portionGrams
    : null;
}

/**
 * Share of the finished dish that the weighed lines make up, 0 to 1: 1 where all are weighed, null where some are not and the
 * recipe states no yield to hold them against.
 */
export function knownShare(composed: Composed): number | null {
  if (unweighedLines(composed).length === 0) return 1;
  const stated = statedYieldGrams(composed);
  if (stated === null) return null;
  return composed.isMeasured ? 1 : Math.min(1, composed.finishedGrams / stated);
}

/** Home grams as purchased of everything in a dish that is the same food as a line, components opened. */
export function homeDemand(composed: Composed, lineId: string): number {
  const line = composed.lines.find((each) => each.id === lineId);
  const key = line?.food?.id ?? line?.component?.id ?? null;
  if (!line || key === null || line.follows === 'pan' || line.follows === 'portions') return 0;
  const demand = (inner: Composed): number =>
    inner.lines.reduce((sum, each) => {
      const grams = each.weight?.grams ?? 0;
      if ((each.food?.id ?? each.component?.id) === key) return sum + grams * each.purchasedPerEdible;
      if (!each.inner || !(each.inner.finishedGrams > 0)) return sum;
      return sum + demand(each.inner) * (grams / each.inner.finishedGrams);
    }, 0);
  return demand(composed);
}

/** What each stored food allows, as a factor of the home recipe; the least of them limits. */
export function storeFactors(composed: Composed, target: Extract<Target, { kind: 'store' }>) {
  return storedOf(target).map(({ lineId, grams }) => {
    const home = homeDemand(composed, lineId);
    return { lineId, grams, home, factor: home > 0 ? grams / home : NaN };
  });
}

export const leastFactor = (composed: Composed, target: Extract<Target, { kind: 'store' }>): number =>
  Math.min(...storeFactors(composed, target).map(({ factor }) => factor));

/** Home grams in a stage: everything finished, or what the lines that go into it weigh with the water they take up. */
export function homeStageGrams(composed: Composed, { lineIds }: Stage): number {
  if (lineIds === null) return composed.finishedGrams;
  return composed.lines.reduce((sum, line) => {
    if (!lineIds.has(line.source.id)) return sum;
    return sum + (line.weight?.grams ?? 0) + absorbedBy(line, composed.absorbedGrams === 0);
  }, 0);
}

/** The machine a "one load of this" target means; in a kitchen without it, the largest that does the same work. */
function loadedVessel(
  composed: Composed,
  vesselId: string,
  kitchen: Kitchen,
): { stage: Stage; vessel: Vessel } | null {
  const stages = stagesOf(composed.recipe);
  for (const stage of stages) {
    const vessel = machinesFor(stage.kind, kitchen).find(({ id }) => id === vesselId);
    if (vessel) return { stage, vessel };
  }
  const stage = mainStage(stages);
  const able = stage ? machinesFor(stage.kind, kitchen) : [];
  const vessel = able[able.length - 1];
  return stage && vessel ? { stage, vessel } : null;
}

export interface Wanted {
  grams: number;
  portionGrams: number;
  /** Portions that garnish is counted for. */
  portions: number;
  servings: Serving[];
  /** Machines the target itself names. */
  vesselIds: readonly string[];
}

/** The finished weight and portions a target asks for. */
export function wanted(composed: Composed, target: BatchTarget, kitchen: Kitchen): Wanted {
  const own = homePortionGrams(composed);
  const of = (grams: number, portionGrams: number, vesselIds: readonly string[] = []): Wanted => ({
    grams,
    portionGrams,
    portions: portionGrams > 0 ? grams / portionGrams : 0,
    servings: [],
    vesselIds,
  });
  switch (target.kind) {
    case 'portions':
      return of(target.portions * target.portionGrams, target.portionGrams);
    case 'sizes': {
      const grams = gramsOfSizes(target.sizes);
      const portions = target.sizes.reduce((sum, each) => sum + each.portions, 0);
      return { ...of(grams, target.sizes[0]!.portionGrams), portions, servings: [...target.sizes] };
    }
    case 'weight':
      return of(target.grams, target.portionGrams ?? own);
    case 'as-weighed':
      return of(target.plannedGrams, target.portionGrams ?? own);
    case 'pans': {
      const { litres } = PANS[target.pan];
      return of(litres * target.count * target.fill * FINISHED_DENSITY * 1000, target.portionGrams ?? own);
    }
    case 'store':
      return of(leastFactor(composed, target) * composed.finishedGrams, target.portionGrams ?? own);
    case 'load': {
      const found = loadedVessel(composed, target.vesselId, kitchen)!;
      const home = homeStageGrams(composed, found.stage);
      const grams = workingGrams(found.vessel, found.stage) * target.loads * (composed.finishedGrams / home);
      return of(grams, target.portionGrams ?? own, [found.vessel.id]);
    }
  }
}

/** How far a portion may be off the home one and still be the same (rounding of the target). */
const SAME_PORTION = 0.02;

/**
 * A dish of which a part was never weighed scales by its portions, for they hold whatever is in it. For a weight, pans or
 * another size of portion nobody can say how much of the weighed lines belongs in it, unless the recipe states its yield.
 */
function openProblem(composed: Composed, target: BatchTarget): string | null {
  if (
    composed.recipe.isComponent ||
    knownShare(composed) !== null ||
    target.kind === 'store' ||
    target.kind === 'as-weighed'
  )
    return null;
  const own = homePortionGrams(composed);
  const sizes = target.kind === 'portions' ? [target] : target.kind === 'sizes' ? target.sizes : [];
  const isByPortions =
    sizes.length > 0 && sizes.every(({ portionGrams }) => Math.abs(portionGrams / own - 1) <= SAME_PORTION);
  const isHome =
    target.kind === 'weight' && Math.abs(target.grams / composed.finishedGrams - 1) <= SAME_PORTION;
  if (isByPortions || isHome) return null;
  const names = unweighedLines(composed).map(({ name }) => inSentence(name));
  return `nobody has weighed ${names.join(', ')}: say how much goes in, or go by portions of the home size`;
}

export function problemOf(composed: Composed, target: BatchTarget, kitchen: Kitchen): string | null {
  if (!(composed.finishedGrams > 0)) return 'no line of the recipe has a weight yet';
  const problem = targetProblem(target);
  if (problem !== null) return problem;
  const open = openProblem(composed, target);
  if (open !== null) return open;
  if (target.kind === 'load') {
    const found = loadedVessel(composed, target.vesselId, kitchen);
    if (!found) return 'no machine of this kitchen is used by the steps of this dish';
    return homeStageGrams(composed, found.stage) > 0 ? null : 'nothing with a weight goes into that machine';
  }
  if (target.kind !== 'store') return null;
  return storeFactors(composed, target).every(({ factor }) => factor > 0)
    ? null
    : 'the line in store has no weight yet, or is fat for the pan or a garnish';
}
