/** What happens to the times and temperatures of the method in this batch: what stays, what the depth or vessel changes. */
import type { Composed } from '../dish';
import { FINISHED_DENSITY, HOME_DISH, type Kitchen, PANS, type WorkKind } from '../kitchen';
import { figureText } from '../quantity';
import { type RecipeStep, workOf } from '../recipe';
import { type Batch, reducingMinutes, type StageBatch } from './batch';
import { DEPTH_SPREAD, HEAT_LIMITS, minutesAtDepth, type OvenSetting, ovenSetting } from './heat';
import type { BatchTarget } from './target';

/** `same`: as told. `depth`: goes by the depth of the dish. `reduced`: boils down until the same share has left. */
export type TimeRule = 'same' | 'depth' | 'reduced';

export interface StepTime {
  stepId: string;
  text: string;
  work: WorkKind | null;
  rule: TimeRule;
  homeMinutes: number | null;
  minutes: number | null;
  lowMinutes: number | null;
  highMinutes: number | null;
  loads: number;
  oven: (OvenSetting & { setCelsius: number; isFan: boolean }) | null;
  lookTest: string;
  /** What the core must read, where the step heats food through; null elsewhere. */
  coreCelsius: number | null;
  why: string;
}

/** Depths closer than this share are the same depth. */
const SAME_DEPTH = 0.05;

/** Depth of food in millimetres: grams over area, at the density of most finished food. */
const depthMm = (grams: number, areaM2: number): number => grams / (areaM2 * FINISHED_DENSITY * 1000);

/** Depth of the dish in the pans or on the levels of the oven; null where nothing says. */
export function dishDepthMm(target: BatchTarget, at: StageBatch | undefined): number | null {
  if (target.kind === 'pans') return PANS[target.pan].depthMm * target.fill;
  return at?.vessel && at.surfaceM2 > 0 ? depthMm(at.grams / at.loads, at.surfaceM2) : null;
}

function depthTime(
  minutes: number,
  composed: Composed,
  batch: Batch,
  target: BatchTarget,
  at: StageBatch | undefined,
): Pick<StepTime, 'rule' | 'minutes' | 'lowMinutes' | 'highMinutes' | 'why'> {
  const same = { rule: 'same' as const, minutes, lowMinutes: minutes, highMinutes: minutes };
  const isEmpty = !(batch.finishedGrams > 0);
  const homeGrams =
    at && !isEmpty ? (at.grams / batch.finishedGrams) * composed.finishedGrams : composed.finishedGrams;
  const home = depthMm(homeGrams, HOME_DISH.surfaceM2);
  const depth = dishDepthMm(target, at);
  if (depth === null || isEmpty || !(home > 0) || !(depth > 0))
    return { ...same, why: 'no tray is known, so the time stays as told' };
  const depths = `${figureText(depth, 0)} mm deep here, ${figureText(home, 0)} mm on the ${HOME_DISH.name} (convention)`;
  if (Math.abs(depth / home - 1) <= SAME_DEPTH) return { ...same, why: `${depths}: the time stays` };
  const estimate = minutesAtDepth(minutes, home, depth);
  // Heat is through a shallower dish sooner, but what must soften may still take as long as at home.
  const isShallower = estimate < minutes;
  return {
    rule: 'depth',
    minutes: estimate,
    lowMinutes: isShallower ? estimate : estimate * (1 - DEPTH_SPREAD),
    highMinutes: isShallower ? minutes : estimate * (1 + DEPTH_SPREAD),
    why: `${figureText(minutes)} min x (${figureText(depth, 0)} / ${figureText(home, 0)})² = ${figureText(estimate, 0)} min: conduction, time goes with depth squared. ${depths}`,
  };
}

function timeOf(
  step: RecipeStep,
  composed: Composed,
  batch: Batch,
  target: BatchTarget,
): Pick<StepTime, 'rule' | 'minutes' | 'lowMinutes' | 'highMinutes' | 'why'> {
  const { minutes, cooking } = step.reading;
  const { kinds, isLayer } = workOf(step);
  const same = { rule: 'same' as const, minutes, lowMinutes: minutes, highMinutes: minutes };
  if (minutes === null) return { ...same, why: 'the step tells no time: go by the look-test' };
  if (cooking?.reduces) {
    const reduced = reducingMinutes(cooking, composed, batch);
    if (reduced === null) return { ...same, why: 'no vessel is known, so the time stays as told' };
    return {
      rule: 'reduced',
      minutes: reduced,
      lowMinutes: reduced * (1 - DEPTH_SPREAD),
      highMinutes: reduced * (1 + DEPTH_SPREAD),
      why: `boiled down until the same share has left as at home: ${figureText(minutes)} min there, ${figureText(reduced, 0)} min from this surface`,
    };
  }
  if (kinds.includes('oven')) {
    if (isLayer) return { ...same, why: 'in a single layer: the time stays, more goes on more trays' };
    return depthTime(
      minutes,
      composed,
      batch,
      target,
      batch.stages.find(({ stage }) => stage.kind === 'oven'),
    );
  }
  if (cooking) return { ...same, why: 'counted from when it simmers: the food takes as long as at home' };
  return { ...same, why: 'as told' };
}

/** Every step of the method with its time in this batch, worst surprises in words. */
export function stepTimes(
  composed: Composed,
  batch: Batch,
  target: BatchTarget,
  kitchen: Kitchen,
): StepTime[] {
  const ovens = batch.stages.find(({ stage }) => stage.kind === 'oven');
  const isFan = ovens?.vessel?.isFan ?? false;
  return composed.recipe.steps.map((step): StepTime => {
    const { reading } = step;
    const [work = null] = workOf(step).kinds;
    const setting =
      reading.temperature && ovenSetting(reading.temperature.celsius, reading.temperature.isFan);
    const at = batch.stages.find(({ stage }) => stage.kind === work);
    return {
      stepId: step.id,
      text: step.text,
      work,
      homeMinutes: reading.minutes,
      ...timeOf(step, composed, batch, target),
      loads: at?.loads ?? 1,
      oven: setting && {
        ...setting,
        setCelsius: isFan ? setting.fanCelsius : setting.conventionalCelsius,
        isFan,
      },
      lookTest: reading.lookTest,
      coreCelsius: reading.cooking ? HEAT_LIMITS[kitchen.regime].coreCelsius : null,
    };
  });
}
