/** Whether a mix holds together: what must be shaped, cut or rolled needs something in it that binds. */
import type { Food } from '../food';
import type { Recipe } from '../recipe';
import type { Leaf } from './leaves';

const SHAPED =
  /\b(?:shape|form|press|roll|pat|mould|divide|scoop)(?:e?d|ing|s)?\b[^.;]*\b(?:patt(?:y|ies)|cakes?|balls?|burgers?|fritters?|dumplings?|loaf|loaves|sausages?|croquettes?|rounds?|thin|pieces|portions)\b|\b(?:press|pack)(?:e?d)?\b[^.;]*\b(?:tins?|moulds?)\b|\b(?:dough|batter)\b/i;
const SET =
  /\b(?:leave|chill|bake|cook|stand)\b[^.;]*\b(?:to set|until (?:it (?:is |has )?)?(?:set|firm))\b|\bslice the loaf\b/i;

const KNOWN = new WeakMap<Recipe, boolean>();

/** Whether the steps shape, roll or set the mix of a recipe. */
export function mustSet(recipe: Recipe): boolean {
  let is = KNOWN.get(recipe);
  if (is === undefined)
    KNOWN.set(recipe, (is = recipe.steps.some(({ text }) => SHAPED.test(text) || SET.test(text))));
  return is;
}

/**
 * What one gram holds together, against a gram of flour or oats (convention, from the grams that set the same cup of wet
 * mix).
 */
const BINDING_POWER: Readonly<Record<string, number>> = {
  'psyllium-husk': 10,
  'xanthan-gum': 15,
  'agar-powder': 15,
  gelatine: 12,
  'egg-replacer': 5,
  'wheat-gluten': 4,
  'ground-flax': 3,
  linseed: 2,
  'chia-seeds': 3,
  egg: 1.5,
  'egg-white': 1.2,
  aquafaba: 0.4,
  'silken-tofu': 0.4,
  'firm-tofu': 0.2,
  'white-beans-cooked': 0.25,
  'coconut-cream': 0.35,
  'ground-almonds': 0.2,
  'tiger-nut-flour': 0.2,
  breadcrumbs: 0.8,
  'oat-groats': 0.4,
  'rice-flakes': 0.6,
  'buckwheat-flakes': 0.6,
  'millet-flakes': 0.6,
  'quinoa-flakes': 0.6,
  potato: 0.1,
  'potato-cooked': 0.2,
};
const POWER_OF_CATEGORY: Readonly<Record<string, number>> = { starch: 2, flour: 1 };

/** What a gram of a food binds; 0 for most. */
export function bindingPower(food: Food): number {
  return (
    BINDING_POWER[food.id] ??
    POWER_OF_CATEGORY[food.category] ??
    (food.functions.includes('binder') || food.functions.includes('dough structure') ? 1 : 0)
  );
}

/** Of what binds a mix today, the least that must be left for it to hold (convention). */
export const LEAST_BINDING = 0.6;

/** What the lines of one recipe bind as it is written, swaps undone: power x grams, at home size. */
export function bindingOf(leaves: readonly Leaf[], powerOf: (id: string) => number): number {
  return leaves.reduce(
    (sum, { originId, originScopeGrams }) =>
      sum + (originId === null ? 0 : originScopeGrams * powerOf(originId)),
    0,
  );
}
