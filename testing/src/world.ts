/** The demo world and small helpers for tests; never imported by the code itself. */
import {
  type Book,
  bookOf,
  foodSet,
  type Kitchen,
  lineFromText,
  type Recipe,
  stepsFromTexts,
  type Target,
  type Worksheet,
  worksheet,
} from '@hand-ladle/core';
import { loadDemoRecipes, loadFoods, loadKitchens, loadSwaps } from '@hand-ladle/data';
import { frozen } from './frozen';

// Frozen: a test that a change in place goes unnoticed in, because something was kept by identity, fails where it changes.
export const foods = frozen(loadFoods());
export const swaps = frozen(loadSwaps());
export const demo = frozen(loadDemoRecipes(foods));
export const components = demo.filter(({ recipe }) => recipe.isComponent).map(({ recipe }) => recipe);
export const book: Book = bookOf(foodSet(foods, components), components, swaps);
const [wardAsIs, school, cafe] = frozen(loadKitchens()) as [Kitchen, Kitchen, Kitchen];
export { wardAsIs, school, cafe };
/** The ward's kitchen with equipment of its own, so that a recipe without steps has nothing to be asked about it. */
export const ward: Kitchen = { ...wardAsIs, shared: [] };

export const demoRecipe = (id: string): Recipe => demo.find(({ recipe }) => recipe.id === id)!.recipe;

/** A recipe of some written lines and steps. */
export function recipeOf(
  texts: readonly string[],
  steps: readonly string[] = [],
  extra: Partial<Recipe> = {},
): Recipe {
  const lines = texts.map((text, index) => lineFromText(text, `l${index + 1}`, book.foods));
  return {
    id: 'test-dish',
    name: 'Test dish',
    portions: 4,
    portionGrams: null,
    measuredYieldGrams: null,
    lines,
    steps: stepsFromTexts(steps, lines, book.foods),
    notes: [],
    notIn: [],
    confirmed: [],
    parentId: null,
    swaps: [],
    freeFrom: [],
    apart: [],
    isComponent: false,
    ...extra,
  };
}

export function sheetOf(
  recipe: Recipe,
  target: Target = { kind: 'weight', grams: 10_000 },
  kitchen: Kitchen = ward,
  from: Book = book,
): Worksheet {
  return worksheet({ recipe, kitchen, target }, from);
}

/** Foods a random recipe can be built from, by name and unit so that each line reads back to its food. */
export const plainFoods = foods.filter((food) => food.measures.length > 0 && food.state !== 'cooked');
