import { SHARED_KINDS, type SharedKind } from '@hand-ladle/core';
import { recipeOf } from '@hand-ladle/testing/world';
import { equipmentUsed } from '../../src/dish/standard/equipment-used';

const used = (...steps: string[]): SharedKind[] =>
  [...equipmentUsed(recipeOf(['500 g potatoes'], steps))].sort();

describe('which shared equipment a recipe goes through', () => {
  test.each<[string, SharedKind[]]>([
    ['Deep-fry the potatoes for 4 minutes.', ['fryer']],
    ['Lower them into the fryer.', ['fryer']],
    ['Toast the bread slices.', ['toaster']],
    ['Put the buns in the toaster.', ['toaster']],
    ['Cook on an oiled griddle for 5 minutes.', ['griddle']],
    ['Pan-fry until gold.', ['frying pan']],
    ['Stir-fry the greens for 3 minutes.', ['frying pan']],
    ['Blend everything smooth.', ['blender']],
    ['Purée half of it.', ['blender']],
    ['Knead for 8 minutes.', ['mixer']],
    ['Roast for 40 minutes at 200 °C.', ['oven']],
    ['Grind the spices in a mortar.', ['mill']],
  ])('%s', (step, kinds) => expect(used(step)).toEqual(kinds));

  test.each([
    'Simmer gently, covered, for 20 minutes.',
    'Toast the almonds dry until they smell of it.',
    'Turn everything with the vinegar and serve.',
    'Leave to stand for 10 minutes.',
  ])('none of it: %s', (step) => expect(used(step)).toEqual([]));

  test('every kind is found in a method that uses them all, whatever the case of its letters', () => {
    const method = [
      'DEEP-FRY the first half.',
      'Toast the pitta.',
      'Griddle the second half and finish it in a frying pan.',
      'Blend the rest, knead it, grind the pepper and bake for 10 minutes at 200 °C.',
    ];
    expect(used(...method)).toEqual([...SHARED_KINDS].sort());
  });

  test('a recipe without steps uses none that anybody knows of', () => expect(used()).toEqual([]));
});
