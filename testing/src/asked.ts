/** Small questions for worked cases: what a dish of some lines says of an allergen in a kitchen. */
import {
  type AllergenStatus,
  type FreeFromPolicy,
  type Kitchen,
  menuAnswer,
  menuRow,
  type Pack,
  PACK_DEFAULTS,
  type Recipe,
} from '@hand-ladle/core';
import { recipeOf, sheetOf, ward } from './world';

export const bare: Kitchen = { ...ward, packs: [], shared: [] };
export const pack = (foodId: string, extra: Partial<Pack> = {}): Pack => ({
  foodId,
  ...PACK_DEFAULTS,
  productName: `Pack of ${foodId}`,
  statement: '',
  allergens: {},
  certifiedGlutenFree: false,
  animal: 'plant',
  checkedBy: 'R. Fallow',
  checkedOn: '2026-11-12',
  ...extra,
});
export const withPacks = (...packs: Pack[]): Kitchen => ({ ...bare, packs });
export const at = (kitchen: Kitchen, regime: 'us' | 'eu'): Kitchen => ({ ...kitchen, regime });
export const flagOf = (lines: string[] | Recipe, id: string, kitchen: Kitchen = bare) =>
  sheetOf(Array.isArray(lines) ? recipeOf(lines) : lines, undefined, kitchen).allergens.find(
    (flag) => flag.id === id,
  )!;
export const status = (lines: string[] | Recipe, id: string, kitchen: Kitchen = bare): AllergenStatus =>
  flagOf(lines, id, kitchen).status;
export const answer = (
  recipe: Recipe,
  exclude: string[],
  kitchen: Kitchen = bare,
  policy: FreeFromPolicy = kitchen.policy,
) => menuAnswer(menuRow(sheetOf(recipe, undefined, kitchen), recipe), exclude, policy);
export const CLEAN = ['1 kg potatoes', '300 g carrots', '20 g olive oil'];
