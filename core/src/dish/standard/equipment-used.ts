/** Which kinds of shared equipment a recipe's steps use. When in doubt it does: a trace too many is a question, one too few is harm. */
import type { SharedKind } from '../../kitchen';
import { type Recipe, type RecipeStep, workOf } from '../../recipe';

const WORDS: Readonly<Record<SharedKind, RegExp>> = {
  fryer: /\b(?:deep[- ]?fr(?:y|ied|ies|yer)|fryer|chip pan)\b/i,
  toaster:
    /\btoaster\b|\btoast(?:ed|ing)?\b[^.;]*\b(?:bread|bun|buns|pitta|bagel|slice|slices|baguette|loaf)\b|\b(?:bread|bun|buns|pitta|bagel|slices|baguette)\b[^.;]*\btoast/i,
  griddle: /\b(?:griddle|hot ?plate|plancha)\b/i,
  'frying pan':
    /\b(?:frying pan|skillet|wok|pan[- ]fr(?:y|ied)|stir[- ]fr(?:y|ied)|shallow[- ]fr(?:y|ied))\b/i,
  blender: /\b(?:blend|blender|blitz|pur[ée]e|food processor|whizz|liquidi[sz]e)/i,
  mixer: /\b(?:mixer|knead)\b/i,
  oven: /\b(?:oven|bake|baked|roast|roasted)\b/i,
  mill: /\b(?:grind|mill (?:it|them|the)|spice grinder|mortar|pestle)\b/i,
};

/** What `workOf` reads from a step, as a kind of shared equipment. */
const BY_WORK = { blend: 'blender', mix: 'mixer', oven: 'oven' } as const;

function kindsOf(step: RecipeStep): SharedKind[] {
  const named = (Object.keys(WORDS) as SharedKind[]).filter((kind) => WORDS[kind].test(step.text));
  const worked = workOf(step).kinds.flatMap((kind) =>
    kind in BY_WORK ? BY_WORK[kind as keyof typeof BY_WORK] : [],
  );
  return [...named, ...worked];
}

const KNOWN = new WeakMap<Recipe, ReadonlySet<SharedKind>>();

/** The kinds of shared equipment a recipe uses, its components not counted. */
export function equipmentUsed(recipe: Recipe): ReadonlySet<SharedKind> {
  let kinds = KNOWN.get(recipe);
  if (!kinds) KNOWN.set(recipe, (kinds = new Set(recipe.steps.flatMap(kindsOf))));
  return kinds;
}
