/** What the name of a dish stresses carries its quantity; worked by hand from what goes in. */
import {
  type Kitchen,
  PACK_DEFAULTS,
  type PackedPortion,
  type Recipe,
  UNPACKED,
  worksheet,
} from '@hand-ladle/core';
import { book, recipeOf, ward } from '@hand-ladle/testing/world';

const us: Kitchen = { ...ward, regime: 'us' };
const PACKED: PackedPortion = { ...UNPACKED, portions: 3, keeping: 'chilled' };
const LINES = ['500 g cooked chickpeas', '300 g peeled carrots', '100 g walnuts', '5 g salt'];
const dish = (): Recipe => recipeOf(LINES, [], { name: 'Chickpea and walnut pot', packed: PACKED });
const labelOf = (recipe: Recipe, kitchen: Kitchen) =>
  worksheet({ recipe, kitchen, target: { kind: 'portions', portions: 4, portionGrams: 200 } }, book).label;

describe('what the name stresses', () => {
  const said = (name: string, lines: string[], packed: Partial<PackedPortion> = {}): string =>
    labelOf(recipeOf(lines, [], { name, packed: { ...PACKED, ...packed } }), ward).ingredients;

  test('carries its share of the finished food; oil, water and a second food of the same noun do not', () => {
    // 905 g go in, 2 % sticks: shares are of what goes in, for nothing leaves as steam.
    expect(labelOf(dish(), ward).ingredients).toBe('chickpeas 55%, carrots, WALNUTS 11%, salt');
    expect(said('Olive bread', ['500 g plain flour', '30 g olive oil', '60 g green olives'])).toMatch(
      /olive oil(?! \d)/,
    );
    expect(said('Butter bean pot', ['300 g cooked butter beans', '300 g cooked kidney beans'])).toBe(
      'butter beans 50%, red kidney beans',
    );
    expect(said('Plain pot', LINES)).not.toContain('%');
    expect(said('Nut and vegetable bake', LINES)).toBe('chickpeas, carrots 33%, WALNUTS 11%, salt');
  });

  test('a picture stresses as well, a component is opened, and what lost water is told by what went in', () => {
    expect(said('Plain pot', LINES, { stressed: ['carrot'] })).toMatch(/carrots 33%/);
    // Of the kilogram 951 g are edible, 2 % of them stick to the pot; the rest of what the yield lacks was steam.
    const dried = recipeOf(['1 kg tomatoes'], [], {
      name: 'Tomato confit',
      measuredYieldGrams: 400,
      packed: PACKED,
    });
    expect(labelOf(dried, ward).ingredients).toBe('tomatoes (233 g per 100 g)');
    const eight = recipeOf(['1 kg tomatoes', '20 g salt'], [], {
      name: 'Tomato pan',
      measuredYieldGrams: 1000,
    });
    expect(labelOf(eight, ward).ingredients).toMatch(/^tomatoes 98%/);
  });

  test('sulfites stand in a US list, and not in its Contains', () => {
    const wine = {
      ...PACK_DEFAULTS,
      foodId: 'white-wine',
      productName: 'White wine',
      statement: '',
      allergens: { sulphites: 'contains' },
      certifiedGlutenFree: false,
      animal: 'plant',
      checkedBy: 'M. Tarn',
      checkedOn: '2026-11-02',
    } as const;
    const read = { ...us, packs: [...us.packs, wine] };
    const label = labelOf(recipeOf(['200 g white wine', '300 g carrots'], [], { name: 'Pot' }), read);
    expect(label.ingredients).toMatch(/white wine \(sulfites\)/);
    expect(label.contains).toBe('');
  });

  test('the US asks for none', () => {
    expect(labelOf(dish(), us).ingredients).not.toContain('%');
  });
});
