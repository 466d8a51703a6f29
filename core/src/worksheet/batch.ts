/** The batch: factor, vessel, loads, water and weights for a target, from a composed home recipe. */
import type { Kitchen, Vessel } from '../kitchen';
import { batchSteamGrams, loadsIn, PANS, targetProblem, vesselFor, type Target } from '../scaling';
import { FINISHED_DENSITY } from '../kitchen';
import { WATER_ID } from '../swap/swap';
import type { Book } from '../recipe/book';
import type { Recipe } from '../recipe/recipe';
import { compose, type Composed } from './compose';

export interface Batch {
  /** What every line but added water is multiplied by: target over home, more where nothing makes up for steam. */
  factor: number;
  finishedGrams: number;
  portions: number;
  portionGrams: number;
  vessel: Vessel | null;
  loads: number;
  steamGrams: number;
  /** Batch water per home water; the plain factor when the recipe has no water of its own. */
  waterFactor: number;
  /** Water the recipe asks for beyond what this batch can lose, in grams. */
  excessWaterGrams: number;
  /** Why the target could not be used; the home recipe is shown instead. */
  problem: string | null;
}

/** Portion size of the recipe itself: as set, else its weight over its portions. */
export function homePortionGrams(composed: Composed): number {
  const { recipe, finishedGrams } = composed;
  if (recipe.portionGrams !== null && recipe.portionGrams > 0) return recipe.portionGrams;
  return recipe.portions > 0 ? finishedGrams / recipe.portions : finishedGrams;
}

/** What is in store is weighed as purchased: home edible grams times purchased per edible. */
function storeFactor(composed: Composed, lineId: string, grams: number): number {
  const line = composed.lines.find((each) => each.id === lineId);
  const home = line?.weight ? line.weight.grams * line.purchasedPerEdible : 0;
  return home > 0 ? grams / home : NaN;
}

/** The finished weight and portion size a target asks for. */
function wanted(composed: Composed, target: Target): { grams: number; portionGrams: number } {
  const portionGrams = homePortionGrams(composed);
  switch (target.kind) {
    case 'portions':
      return { grams: target.portions * target.portionGrams, portionGrams: target.portionGrams };
    case 'weight':
      return { grams: target.grams, portionGrams };
    case 'pans':
      return {
        grams: PANS[target.pan].litres * target.count * target.fill * FINISHED_DENSITY * 1000,
        portionGrams,
      };
    case 'store':
      return {
        grams: storeFactor(composed, target.lineId, target.grams) * composed.finishedGrams,
        portionGrams,
      };
  }
}

function problemOf(composed: Composed, target: Target): string | null {
  if (!(composed.finishedGrams > 0)) return 'no line of the recipe has a weight yet';
  const problem = targetProblem(target);
  if (problem !== null || target.kind !== 'store') return problem;
  return storeFactor(composed, target.lineId, target.grams) > 0
    ? null
    : 'the line in store has no weight yet';
}

/**
 * The factor that brings a batch out at the weight asked for. Where the list has water, water makes up for steam and
 * the factor is target over home. Where it has none, the food itself shrinks: more of everything goes in.
 */
function factorFor(
  composed: Composed,
  target: Target,
  grams: number,
  batchSteam: number,
  kept: number,
): number {
  const home = composed.finishedGrams;
  if (composed.waterGrams > 0 || target.kind === 'store') return grams / home;
  return (grams + kept * batchSteam) / (home + kept * composed.steamGrams);
}

/**
 * Plans a batch. Added water is W = f x (W home - steam home) + steam batch, so that the pot comes out as thick as at
 * home whatever its surface.
 */
export function planBatch(
  composed: Composed,
  target: Target,
  kitchen: Kitchen,
  vesselId: string | null,
): Batch {
  const problem = problemOf(composed, target);
  const home = Math.max(0, composed.finishedGrams);
  const asked =
    problem === null ? wanted(composed, target) : { grams: home, portionGrams: homePortionGrams(composed) };
  const vessel = vesselFor(composed.cookings, asked.grams, kitchen, vesselId);
  const loads = loadsIn(vessel, asked.grams);
  const steamGrams = batchSteamGrams(composed.cookings, vessel, loads, asked.grams, kitchen);
  const kept = 1 - kitchen.transferLoss;
  const factor = problem === null ? factorFor(composed, target, asked.grams, steamGrams, kept) : 1;
  const homeWater = composed.waterGrams;
  const needed = factor * (homeWater - composed.steamGrams) + steamGrams;
  const water = homeWater > 0 ? Math.max(0, needed) : 0;
  const change = water - factor * homeWater - (steamGrams - factor * composed.steamGrams);
  const finishedGrams = problem === null ? Math.max(0, factor * home + kept * change) : home;
  return {
    factor,
    finishedGrams,
    portions: asked.portionGrams > 0 ? finishedGrams / asked.portionGrams : 0,
    portionGrams: asked.portionGrams,
    vessel,
    loads,
    steamGrams,
    waterFactor: homeWater > 0 ? water / homeWater : factor,
    excessWaterGrams: homeWater > 0 ? Math.max(0, -needed) : 0,
    problem,
  };
}

/** Batch grams of a home weight of a line. */
export function batchGrams(homeGrams: number, foodId: string | null, batch: Batch): number {
  return homeGrams * (foodId === WATER_ID ? batch.waterFactor : batch.factor);
}

/** The target of a recipe as it was told: its own portions, at its own size. */
export function homeTarget(recipe: Recipe, book: Book, kitchen: Kitchen): Target {
  const composed = compose(recipe, book, kitchen);
  const portionGrams = homePortionGrams(composed);
  if (recipe.isComponent || !(portionGrams > 0))
    return { kind: 'weight', grams: Math.max(1, composed.finishedGrams) };
  return { kind: 'portions', portions: recipe.portions, portionGrams: Math.round(portionGrams) || 1 };
}
