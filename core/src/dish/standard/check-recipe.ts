/** Holds a standardized recipe against what its foods need: liquid for dry grain, a boil for dry beans. */
import { type Finding, finding } from '../../finding';
import { inSentence, isLiquid } from '../../food';
import { figureText } from '../../quantity';
import type { Recipe } from '../../recipe';
import type { StandardLine } from './standard-line';

/** Vegetables and sauces that cook down give about this share of their weight as liquid (convention). */
const JUICY_SHARE = 0.4;
/** Less than this share of what dry foods take up leaves them hard; more than this many times it is a soup (convention). */
const SHORT_SHARE = 0.6;
const LONG_RATIO = 2.6;
/** Liquid and dry food together must be this much of the dish before "too much" is said: a soup is no slip. */
const PLAIN_SHARE = 0.9;

interface Balance {
  dry: number;
  needs: number;
  liquid: number;
  juicy: number;
  all: number;
}

function balanceOf(lines: readonly StandardLine[]): Balance {
  const sum: Balance = { dry: 0, needs: 0, liquid: 0, juicy: 0, all: 0 };
  for (const { food, weight, component } of lines) {
    const grams = weight?.grams ?? 0;
    sum.all += grams;
    if (component) sum.liquid += grams;
    else if (!food) sum.juicy += grams;
    else if (food.state === 'dry' && food.cookingYield !== null && food.category !== 'noodle') {
      sum.dry += grams;
      sum.needs += grams * (food.cookingYield - 1);
    } else if (isLiquid(food)) sum.liquid += grams;
    else if ((food.composition.waterG ?? 0) > 80) sum.juicy += grams;
  }
  return sum;
}

const SIMMERS = /\b(?:simmer|boil|cook|stew|braise|absorb)/i;

/** Liquid against dry grain and pulses, where the list names a liquid and the steps cook them in it. */
function liquidFinding(recipe: Recipe, lines: readonly StandardLine[]): Finding | null {
  const { dry, needs, liquid, juicy, all } = balanceOf(lines);
  if (dry < all * 0.08 || liquid === 0 || !recipe.steps.some(({ text }) => SIMMERS.test(text))) return null;
  // Cooked apart in water that is poured off, any amount is right.
  if (recipe.steps.some(({ text }) => /\bdrain\b|separately/i.test(text))) return null;
  const figures = {
    liquid: figureText(liquid, 0),
    dry: figureText(dry, 0),
    needs: figureText(needs, 0),
  };
  if (liquid + juicy * JUICY_SHARE < needs * SHORT_SHARE) return finding('liquid-short', null, figures);
  const isPlain = liquid + dry >= all * PLAIN_SHARE;
  return isPlain && liquid > needs * LONG_RATIO ? finding('liquid-long', null, figures) : null;
}

/** Dry Phaseolus beans whose steps never bring them to a boil (US FDA Bad Bug Book, phytohaemagglutinin). */
function boilFindings(recipe: Recipe, lines: readonly StandardLine[]): Finding[] {
  if (recipe.steps.length === 0 || recipe.steps.some(({ text }) => /\bboil/i.test(text))) return [];
  return lines.flatMap(({ food, id }) =>
    food?.cautions.includes('phaseolus-from-dry')
      ? [finding('pulse-boil-missing', id, { name: inSentence(food.name) })]
      : [],
  );
}

/** What is doubtful about a standardized recipe as a whole. */
export function recipeFindings(recipe: Recipe, lines: readonly StandardLine[]): Finding[] {
  const liquid = liquidFinding(recipe, lines);
  return [...(liquid ? [liquid] : []), ...boilFindings(recipe, lines)];
}
