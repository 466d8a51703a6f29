/** The batch: factor, machines, loads, water and weights for a target, from a composed home recipe. */
import { compose, type Composed, driesIn, type Follows, foodFollows } from '../dish';
import { HOME_FRYING_PAN, HOME_POT, type Kitchen, type Vessel, type WorkKind } from '../kitchen';
import { homeSurface, minutesFor, steamFrom, steamGrams } from '../matter';
import { type Book, isBakedDeep, mainStage, type Recipe, type Stage, stagesOf } from '../recipe';
import { loadsIn, surfaceInUse, vesselFor, workingGrams } from './machines';
import type { BatchTarget, Serving, Target } from './target';
import {
  homePortionGrams,
  homeStageGrams,
  knownShare,
  leastFactor,
  problemOf,
  storeFactors,
  type Wanted,
  wanted,
} from './wanted';

/** One stage of the batch in its machine. */
export interface StageBatch {
  stage: Stage;
  vessel: Vessel | null;
  /** Food in it, all loads together. */
  grams: number;
  /** The most one load holds; 0 where the kitchen has no such machine. */
  holdsGrams: number;
  loads: number;
  /** Open surface of one load, square metres. */
  surfaceM2: number;
  steamGrams: number;
}

/** What is in store of a line's food, and what of it is left over. */
export interface Leftover {
  lineId: string;
  haveGrams: number;
  useGrams: number;
  leftGrams: number;
  /** It is what limits the batch. */
  isLimit: boolean;
}

export interface Batch {
  /** What lines that follow the batch are multiplied by. */
  factor: number;
  /** What added water, fat for a pan and garnish are multiplied by. */
  waterFactor: number;
  panFactor: number;
  garnishFactor: number;
  finishedGrams: number;
  /** The finished weight the target asks for; more comes out where the recipe has too much water for the batch. */
  askedGrams: number;
  portions: number;
  portionGrams: number;
  servings: Serving[];
  stages: StageBatch[];
  /** The machine that decides the loads of the whole. */
  vessel: Vessel | null;
  loads: number;
  /** All steam, with what boils away in a hot pan instead of fat. */
  steamGrams: number;
  /** Water the recipe asks for beyond what this batch can lose, in grams. */
  excessWaterGrams: number;
  leftovers: Leftover[];
  /** Garnish and fat would be most of so small a batch, so they are taken by weight. */
  isPlain: boolean;
  /** Why the target could not be used; the home recipe is shown instead. */
  problem: string | null;
}

function stageBatches(
  composed: Composed,
  gramsIn: (stage: Stage) => number,
  kitchen: Kitchen,
  vesselIds: readonly string[],
): StageBatch[] {
  return stagesOf(composed.recipe).map((stage) => {
    const inIt = gramsIn(stage);
    const vessel = vesselFor(stage, inIt, kitchen, vesselIds);
    const loads = loadsIn(vessel, inIt, stage);
    return {
      stage,
      vessel,
      grams: inIt,
      holdsGrams: vessel ? workingGrams(vessel, stage) : 0,
      loads,
      surfaceM2: vessel ? surfaceInUse(vessel, inIt / loads, stage) : 0,
      steamGrams: 0,
    };
  });
}

/** Work a stretch of cooking belongs to. */
const workOfHeat = (heat: string): WorkKind => (heat === 'oven' ? 'oven' : 'simmer');

/** Steam that the vessel and the clock decide; every load loses its own. Added to the stages; returns all of it. */
function addFixedSteam(composed: Composed, stages: readonly StageBatch[], grams: number): number {
  const share = grams / composed.finishedGrams;
  let all = 0;
  for (const cooking of composed.cookings) {
    if (cooking.reduces) continue;
    const at = stages.find(({ stage }) => stage.kind === workOfHeat(cooking.heat));
    // Without such a machine the home vessel is used again and again.
    const steam = at?.vessel
      ? at.loads * steamGrams(cooking, at.surfaceM2)
      : share * steamGrams(cooking, homeSurface(cooking, isBakedDeep(composed.recipe)));
    if (at) at.steamGrams += steam;
    all += steam;
  }
  // Drying slows as the water of this batch goes; what is boiled down on purpose goes by the food.
  const water = Math.max(0, (composed.waterInGrams - composed.reducedSteamGrams) * share);
  const leaves = steamFrom(
    all,
    water,
    composed.dryInGrams * share,
    driesIn(composed.recipe, composed.cookings),
  );
  if (all > 0 && leaves < all) for (const each of stages) each.steamGrams *= leaves / all;
  return Math.min(all, leaves);
}

/** Area of the pans the batch is fried in, over the home pan's; null where nothing says what it is fried in. */
function panRatio(stages: readonly StageBatch[]): number | null {
  const at =
    stages.find(({ stage }) => stage.kind === 'fry') ?? stages.find(({ stage }) => stage.kind === 'simmer');
  if (!at?.vessel) return null;
  const home = at.stage.kind === 'fry' ? HOME_FRYING_PAN.surfaceM2 : HOME_POT.surfaceM2;
  return (at.vessel.surfaceM2 * at.loads) / home;
}

/** Home grams by what they follow. Sweating water is left out: it goes in and boils away. */
function homeParts(composed: Composed): Record<Follows, number> {
  const parts: Record<Follows, number> = {
    batch: composed.absorbedGrams - composed.pressedGrams,
    water: 0,
    pan: 0,
    portions: 0,
  };
  for (const line of composed.lines)
    if (line.weight && line.technique === null) parts[foodFollows(line)] += line.weight.grams * line.takenUp;
  return parts;
}

/** Garnish and fat for the pan may be at most this share of a batch before they are taken by weight instead. */
const MOST_FIXED_SHARE = 0.5;

interface Solved {
  factor: number;
  waterFactor: number;
  excessWaterGrams: number;
  finishedGrams: number;
  steamGrams: number;
}

/**
 * Finished weight is kept share x (batch + water + fat + garnish - steam), with W = f x (W home - E home) + E batch so that
 * the pot comes out as thick as at home whatever its surface. Where the list has no water, more of everything makes up
 * for the steam. What is boiled down on purpose loses the same share as at home. Conservation of mass.
 */
function solve(
  composed: Composed,
  parts: Record<Follows, number>,
  fixed: { grams: number; steam: number },
  asked: { grams: number } | { factor: number },
): Solved {
  const { keptShare, fixedSteamGrams: homeSteam, reducedSteamGrams: reduced } = composed;
  const hasWater = parts.water > 0;
  // Everything that is proportional to the factor, per unit of it.
  const slope = parts.batch - reduced + (hasWater ? parts.water - homeSteam : 0);
  const steamLeft = hasWater ? 0 : fixed.steam;
  const factor =
    'factor' in asked
      ? asked.factor
      : slope > 0
        ? Math.max(0, (asked.grams / keptShare - fixed.grams + steamLeft) / slope)
        : asked.grams / composed.finishedGrams;
  const needed = factor * (parts.water - homeSteam) + fixed.steam;
  const water = hasWater ? Math.max(0, needed) : 0;
  const steam = fixed.steam + factor * reduced;
  const putIn = factor * parts.batch + water + fixed.grams;
  return {
    factor,
    waterFactor: hasWater ? water / parts.water : factor,
    excessWaterGrams: hasWater ? Math.max(0, -needed) : 0,
    finishedGrams: Math.max(0, keptShare * (putIn - steam)),
    steamGrams: steam,
  };
}

/** A target from store or a machine asks for a weight that depends on the loads it makes: found in a few rounds. */
const MOST_ROUNDS = 60;

/** Plans a batch of a composed recipe for a target, in the kitchen's machines or those asked for. */
export function planBatch(
  composed: Composed,
  target: BatchTarget,
  kitchen: Kitchen,
  vesselIds: readonly string[] = [],
): Batch {
  const problem = problemOf(composed, target, kitchen);
  const home = Math.max(0, composed.finishedGrams);
  const own = homePortionGrams(composed);
  const asked: Wanted =
    problem === null
      ? wanted(composed, target, kitchen)
      : { grams: home, portionGrams: own, portions: own > 0 ? home / own : 0, servings: [], vesselIds: [] };
  // The weighed lines make up their share of what is asked for; the rest is open.
  const isPart = problem === null && target.kind !== 'store' && target.kind !== 'as-weighed';
  const known = isPart ? (knownShare(composed) ?? 1) : 1;
  const factor =
    problem === null && target.kind === 'store' ? leastFactor(composed, target) : problem === null ? null : 1;
  let grams = asked.grams * known;
  if (target.kind === 'as-weighed')
    return asWeighed(composed, { ...asked, reducedGrams: target.reducedGrams }, kitchen, vesselIds);
  let batch = batchOf(composed, { ...asked, grams }, kitchen, vesselIds, factor);
  for (let round = 0; factor !== null && round < MOST_ROUNDS; round += 1) {
    if (Math.abs(batch.finishedGrams - grams) < 1e-9) break;
    grams = batch.finishedGrams;
    const portions = asked.portionGrams > 0 ? grams / asked.portionGrams : 0;
    batch = batchOf(composed, { ...asked, grams, portions }, kitchen, vesselIds, factor);
  }
  const leftovers =
    problem === null && target.kind === 'store'
      ? storeFactors(composed, target).map(
          ({ lineId, grams: haveGrams, home: each, factor: own_ }): Leftover => {
            const useGrams = each * batch.factor;
            return {
              lineId,
              haveGrams,
              useGrams,
              leftGrams: Math.max(0, haveGrams - useGrams),
              isLimit: own_ <= batch.factor * (1 + 1e-9),
            };
          },
        )
      : [];
  const portions = known < 1 && asked.servings.length === 0 ? asked.portions : batch.portions;
  return { ...batch, portions, leftovers, problem };
}

function batchOf(
  composed: Composed,
  asked: Wanted,
  kitchen: Kitchen,
  vesselIds: readonly string[],
  givenFactor: number | null,
): Batch {
  const home = composed.finishedGrams;
  const share = home > 0 ? asked.grams / home : 0;
  const gramsIn = (stage: Stage): number => homeStageGrams(composed, stage) * share;
  const stages = stageBatches(composed, gramsIn, kitchen, [...asked.vesselIds, ...vesselIds]);
  const steam = home > 0 ? addFixedSteam(composed, stages, asked.grams) : 0;
  const parts = homeParts(composed);
  const linear = home > 0 ? asked.grams / home : 1;
  const homePortions = home / (homePortionGrams(composed) || 1);
  // A component is the same wherever it is used: what goes by pan or portion in a dish goes by weight in it.
  const isByWeight = composed.recipe.isComponent;
  let panFactor = isByWeight ? linear : (panRatio(stages) ?? linear);
  let garnishFactor = isByWeight || !(homePortions > 0) ? linear : asked.portions / homePortions;
  let fixedGrams = parts.pan * panFactor + parts.portions * garnishFactor;
  const isPlain = !isByWeight && fixedGrams > (asked.grams / composed.keptShare) * MOST_FIXED_SHARE;
  if (isPlain || isByWeight) {
    parts.batch += parts.pan + parts.portions;
    fixedGrams = 0;
  }
  const solved = solve(
    composed,
    parts,
    { grams: fixedGrams, steam },
    givenFactor === null ? { grams: asked.grams } : { factor: givenFactor },
  );
  if (isPlain || isByWeight) panFactor = garnishFactor = solved.factor;
  const main = mainStage(stagesOf(composed.recipe));
  const at = stages.find(({ stage }) => stage === main);
  const sweat = composed.sweatGrams * panFactor;
  const isSizes = asked.servings.length > 0;
  return {
    ...solved,
    panFactor,
    garnishFactor,
    portions: isSizes || asked.portionGrams <= 0 ? asked.portions : solved.finishedGrams / asked.portionGrams,
    askedGrams: asked.grams,
    portionGrams: asked.portionGrams,
    servings: asked.servings,
    stages,
    vessel: at?.vessel ?? null,
    loads: at?.loads ?? 1,
    steamGrams: solved.steamGrams + sweat,
    leftovers: [],
    isPlain,
    problem: null,
  };
}

/** The batch that the lines are as they stand: they lose the steam of this kitchen's machines, and nothing is scaled. */
function asWeighed(
  composed: Composed,
  asked: Wanted & { reducedGrams: number },
  kitchen: Kitchen,
  vesselIds: readonly string[],
): Batch {
  const gramsIn = (stage: Stage): number =>
    stage.lineIds === null ? asked.grams : homeStageGrams(composed, stage);
  const stages = stageBatches(composed, gramsIn, kitchen, vesselIds);
  const fixed = composed.finishedGrams > 0 ? addFixedSteam(composed, stages, composed.finishedGrams) : 0;
  const parts = homeParts(composed);
  const putIn = parts.batch + parts.water + parts.pan + parts.portions;
  const left = Math.max(0, putIn - fixed - asked.reducedGrams);
  const finishedGrams = composed.isMeasured ? composed.finishedGrams : composed.keptShare * left;
  const main = mainStage(stagesOf(composed.recipe));
  const at = stages.find(({ stage }) => stage === main);
  return {
    factor: 1,
    waterFactor: 1,
    panFactor: 1,
    garnishFactor: 1,
    excessWaterGrams: 0,
    finishedGrams,
    askedGrams: finishedGrams,
    portions: asked.portionGrams > 0 ? finishedGrams / asked.portionGrams : 0,
    portionGrams: asked.portionGrams,
    servings: [],
    stages,
    vessel: at?.vessel ?? null,
    loads: at?.loads ?? 1,
    steamGrams: fixed + asked.reducedGrams + composed.sweatGrams,
    leftovers: [],
    isPlain: false,
    problem: null,
  };
}

/** What a line of the home recipe is multiplied by in a batch. */
export function factorFor(follows: Follows, batch: Batch): number {
  switch (follows) {
    case 'batch':
      return batch.factor;
    case 'water':
      return batch.waterFactor;
    case 'pan':
      return batch.panFactor;
    case 'portions':
      return batch.garnishFactor;
  }
}

/**
 * What a line is multiplied by in a batch. Of a frying bath what the food takes up follows the food, and what fills the pan follows
 * the pan: it is topped up, never fried dry.
 */
export const lineFactor = (
  line: Pick<Composed['lines'][number], 'takenUp' | 'follows'>,
  batch: Batch,
): number =>
  line.takenUp * factorFor(foodFollows(line), batch) + (1 - line.takenUp) * factorFor(line.follows, batch);

/** Minutes that a boiling-down takes in the batch's vessel to lose the same share as at home; null without a vessel. */
export function reducingMinutes(
  cooking: Composed['cookings'][number],
  composed: Composed,
  batch: Batch,
): number | null {
  const at = batch.stages.find(({ stage }) => stage.kind === 'simmer');
  const reduced = composed.reducedSteamGrams - composed.friedSteamGrams;
  if (!at?.vessel || reduced <= 0) return null;
  const home = steamGrams(cooking, homeSurface(cooking));
  const all = composed.cookings
    .filter(({ reduces }) => reduces)
    .reduce((sum, each) => sum + steamGrams(each, homeSurface(each)), 0);
  if (!(all > 0)) return null;
  const share = reduced * batch.factor * (home / all);
  return minutesFor(share / at.loads, cooking, at.surfaceM2);
}

/** The target of a recipe as it was told: its own portions, at its own size. */
export function homeTarget(recipe: Recipe, book: Book, kitchen: Kitchen): Target {
  const composed = compose(recipe, book, kitchen);
  const portionGrams = homePortionGrams(composed);
  if (recipe.isComponent || !(portionGrams > 0))
    return { kind: 'weight', grams: Math.max(1, composed.finishedGrams) };
  return { kind: 'portions', portions: recipe.portions, portionGrams: Math.round(portionGrams) || 1 };
}
