/** Fat that only greases a pan, and what a cook does who leaves it out. */
import { type Food, isFat } from '../../food';
import { HOME_POT, SWEATING_KG_PER_M2_H, SWEATING_MINUTES } from '../../kitchen';
import { figureText, grams, type Weight, weightWithSpread } from '../../quantity';
import { fryingMinutesOf, isPanFat, type RecipeLine, type RecipeStep, type Technique } from '../../recipe';
import type { StandardLine } from './standard-line';

/** Whether a line of a food is fat that only greases a pan. */
export const isFatForPan = (line: RecipeLine, food: Food, steps: readonly RecipeStep[]): boolean =>
  isFat(food) && isPanFat(line.id, line.reading.purpose, steps);

/** Grams of water that keep a home pan wet for as long as it is hot: what a rolling boil would drive off (convention). */
export function sweatingWater(lineId: string, steps: readonly RecipeStep[]): Weight {
  const minutes = fryingMinutesOf(lineId, steps) ?? SWEATING_MINUTES;
  const boiledOff = grams(SWEATING_KG_PER_M2_H * HOME_POT.surfaceM2 * (minutes / 60) * 1000);
  const because = `${SWEATING_KG_PER_M2_H} kg/m2/h x ${HOME_POT.surfaceM2} m2 x ${figureText(minutes)} min, added by the splash; it boils away`;
  return weightWithSpread(boiledOff, 0.5, 'convention', because);
}

/** A fat for a pan that the cook leaves out: water by the splash in its place, or a dry hot pan. */
export function withoutFat(
  line: StandardLine,
  kind: Technique,
  water: Food,
  steps: readonly RecipeStep[],
): StandardLine {
  const weight =
    kind === 'water'
      ? sweatingWater(line.source.id, steps)
      : weightWithSpread(grams(0), 0, 'convention', 'a dry hot pan: nothing goes in');
  return {
    ...line,
    name: kind === 'water' ? 'Water for the pan' : 'Dry hot pan, no fat',
    food: water,
    role: 'linear',
    weight,
    purchasedPerEdible: 1,
    follows: 'pan',
    technique: { kind, fromName: line.name },
    isFoodSure: true,
    findings: [],
  };
}
