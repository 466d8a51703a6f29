/** Water that leaves and enters a dish at home size: what foods drink, what is pressed out, what goes up in steam. */
import { type Finding, finding } from '../finding';
import { isLiquid, soakUptake } from '../food';
import {
  type Drying,
  dryingOf,
  homeSurface,
  reductionOf,
  steamFrom,
  steamGrams,
  waterShareOf,
} from '../matter';
import { figureText } from '../quantity';
import { type Cooking, isBakedDeep, type Recipe, type RecipeStep, stagesOf } from '../recipe';
import type { Baths } from './baths';
import type { ComposedLine } from './composed';

/** Water in a gram of a line: of its food, or of its component as that was finished. */
export function waterIn({ food, inner }: ComposedLine): number {
  if (food) return waterShareOf(food);
  if (!inner || !(inner.finishedGrams > 0)) return 0;
  const left = Math.max(0, inner.waterInGrams - (inner.steamGrams - inner.sweatGrams)) * inner.keptShare;
  return Math.min(1, left / inner.finishedGrams);
}

/** Water that foods take up and no line gives: in a soak, boiled apart, or where the list holds no liquid to drink. */
export function absorbedWater(
  recipe: Recipe,
  lines: readonly ComposedLine[],
  baths: Baths,
  findings: Finding[],
): number {
  const isSimmered = stagesOf(recipe).some(({ kind }) => kind === 'simmer');
  // What is only baked or roasted drinks nothing of its own.
  const isDry = recipe.steps.length > 0 && !isSimmered;
  const hasLiquid =
    isDry ||
    lines.some(
      (line) => line.component || (isLiquid(line.food) && (line.bath === null || line.takenUp === 1)),
    );
  let absorbed = 0;
  for (const line of lines) {
    const { grams: drunk = 0, unlisted = 0 } = baths.drunk.get(line.id) ?? {};
    const isDone = baths.boiled.has(line.id) || (baths.soaked.has(line.id) && !isSimmered);
    const rest = isDone ? 0 : Math.max(0, absorbedBy(line, hasLiquid) - drunk);
    const grams = unlisted + rest;
    if (grams <= 0) continue;
    absorbed += grams;
    const figures = { name: line.name, grams: figureText(grams, 0) };
    if (!line.source.answers.isCookedApart) findings.push(finding('water-absorbed', line.id, figures));
  }
  return absorbed;
}

/** Water of its own cooking that a line brings into the dish, in grams at home size. */
export function absorbedBy({ food, weight, source }: ComposedLine, hasLiquid: boolean): number {
  if (!weight || food?.state !== 'dry' || food.cookingYield === null) return 0;
  const { isSoaked, isCookedApart } = source.answers;
  if (isSoaked) return weight.grams * soakUptake(food);
  return hasLiquid && !isCookedApart ? 0 : weight.grams * (food.cookingYield - 1);
}

/** Water that leaves food when it is pressed: a step presses it, or the line says so. */
export function pressedWater(recipe: Recipe, lines: readonly ComposedLine[], findings: Finding[]): number {
  let all = 0;
  for (const { id, name, source, food, weight } of lines) {
    const ratio = food?.cookingYields.find(({ method }) => method === 'pressed')?.ratio;
    if (ratio === undefined || !weight) continue;
    const isPressed =
      /\bpressed\b/i.test(source.reading.form) ||
      recipe.steps.some(
        ({ text, reading }) => /\bpress\b/i.test(text) && reading.lineIds.includes(source.id),
      );
    if (!isPressed || /\bnot pressed\b|\bunpressed\b/i.test(source.text)) continue;
    const grams = weight.grams * (1 - ratio);
    all += grams;
    findings.push(finding('water-pressed', id, { name, grams: figureText(grams, 0) }));
  }
  return all;
}

/** Where so little of what the times would drive off is there, they may be a slip: said, not only corrected (convention). */
const SLIP_SHARE = 0.5;
const DRY_SHARE = 0.15;

/** What dries the food of a recipe. */
export const driesIn = ({ name, steps }: Recipe, cookings: readonly Cooking[]): Drying =>
  dryingOf(
    cookings.some(({ heat }) => heat === 'oven'),
    name,
    steps.map(({ text }) => text),
  );

interface Steam {
  fixed: number;
  reduced: number;
}

/** Grams that a method's marks say leave ("by half", "until the liquid is gone"); null where it sets none. */
export function markedSteam(
  recipe: Recipe,
  lines: readonly ComposedLine[],
  baths: Baths,
  absorbed: number,
): { grams: number; steps: ReadonlySet<RecipeStep> } | null {
  const steps = new Set<RecipeStep>();
  const inPot = new Set<string>();
  let grams = 0;
  for (const step of recipe.steps) {
    for (const id of step.reading.lineIds) inPot.add(id);
    const mark = reductionOf(step.text);
    if (!mark) continue;
    steps.add(step);
    const here = lines.filter(({ source }) => inPot.size === 0 || inPot.has(source.id));
    const eaten = ({ weight, takenUp }: ComposedLine): number => (weight?.grams ?? 0) * takenUp;
    if (mark.kind === 'share') {
      const reduced = mark.isLiquidOnly
        ? here.filter(({ food }) => isLiquid(food) || food?.category === 'sweetener')
        : here;
      grams += Math.max(0, reduced.reduce((sum, line) => sum + eaten(line), 0) - grams) * mark.share;
      continue;
    }
    const named = lines.filter(
      ({ source, food }) => isLiquid(food) && step.reading.lineIds.includes(source.id),
    );
    const liquids = named.length > 0 ? named : here.filter(({ food }) => isLiquid(food));
    const wet = liquids.reduce((sum, line) => sum + eaten(line) * waterIn(line), 0) + absorbed;
    const drinks = here.reduce(
      (sum, line) => sum + Math.max(0, absorbedBy(line, false) - (baths.drunk.get(line.id)?.grams ?? 0)),
      0,
    );
    grams += Math.max(0, wet - drinks);
  }
  return steps.size > 0 ? { grams, steps } : null;
}

/** Home steam by what it follows: drying slows as the water goes, and no more leaves than can. */
export function steamOf(
  recipe: Recipe,
  cookings: readonly Cooking[],
  { marked, fried }: { marked: number | null; fried: number },
  { waterIn, dryIn }: { waterIn: number; dryIn: number },
  findings: Finding[],
): Steam {
  const steam: Steam = { fixed: 0, reduced: (marked ?? 0) + fried };
  for (const cooking of cookings)
    if (marked === null || !cooking.reduces)
      steam[cooking.reduces ? 'reduced' : 'fixed'] += steamGrams(
        cooking,
        homeSurface(cooking, isBakedDeep(recipe)),
      );
  const all = steam.fixed + steam.reduced;
  const leaves = steamFrom(all, waterIn, dryIn, driesIn(recipe, cookings));
  if (all <= 0 || leaves >= all) return steam;
  // What is roasted dry has no water to lose: a time that would drive off more is no slip.
  const isDryRoast = waterIn < DRY_SHARE * (waterIn + dryIn);
  if (leaves < all * SLIP_SHARE && !isDryRoast)
    findings.push(finding('steam-capped', null, { steam: figureText(all, 0), most: figureText(leaves, 0) }));
  return { fixed: (steam.fixed * leaves) / all, reduced: (steam.reduced * leaves) / all };
}
