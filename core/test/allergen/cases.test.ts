import { type AllergenStatus, type Kitchen, type Pack, PACK_DEFAULTS, planSwaps } from '@hand-ladle/core';
import { book, demoRecipe, recipeOf, school, sheetOf, ward } from '@hand-ladle/testing/world';

/** Cases of the kind somebody would try to break it with: hidden, nested, by regime, by pack, by policy. */
const pack = (foodId: string, allergens: Pack['allergens'] = {}, certifiedGlutenFree = false): Pack => ({
  foodId,
  ...PACK_DEFAULTS,
  productName: `${foodId} pack`,
  statement: '',
  allergens,
  certifiedGlutenFree,
  animal: 'plant',
  checkedBy: 'A. Cook',
  checkedOn: '2026-11-01',
});
const withPacks = (kitchen: Kitchen, ...packs: Pack[]): Kitchen => ({
  ...kitchen,
  packs: [...kitchen.packs, ...packs],
});
const bare: Kitchen = { ...ward, packs: [] };

const CASES: readonly [
  what: string,
  lines: string[],
  kitchen: Kitchen,
  id: string,
  status: AllergenStatus,
][] = [
  ['tofu is soy, pack or no pack', ['200 g tofu'], bare, 'soy', 'contains'],
  ['soya drink is soy', ['1 l soya milk'], bare, 'soy', 'contains'],
  ['miso of barley is gluten too', ['50 g barley miso'], bare, 'gluten', 'contains'],
  ['and no wheat until the pack is read', ['50 g barley miso'], bare, 'wheat', 'check'],
  ['soy sauce may hide wheat', ['50 g soy sauce'], bare, 'gluten', 'check'],
  ['tamari may hide wheat', ['50 g tamari'], bare, 'wheat', 'check'],
  [
    'tamari whose pack names no wheat is clear of it',
    ['50 g tamari'],
    withPacks(bare, pack('tamari')),
    'gluten',
    'clear',
  ],
  [
    'and still soy, whatever the pack leaves out',
    ['50 g tamari'],
    withPacks(bare, pack('tamari')),
    'soy',
    'contains',
  ],
  [
    'a pack that warns of wheat is may contain',
    ['50 g tamari'],
    withPacks(bare, pack('tamari', { wheat: 'may-contain' })),
    'gluten',
    'may-contain',
  ],
  [
    'a pack that names wheat contains it',
    ['50 g tamari'],
    withPacks(bare, pack('tamari', { wheat: 'contains' })),
    'wheat',
    'contains',
  ],
  ['stock paste may hide celery', ['10 g stock paste'], bare, 'celery', 'check'],
  ['celeriac is celery', ['1 celeriac'], bare, 'celery', 'contains'],
  ['seed paste of sesame is sesame', ['50 g tahini'], bare, 'sesame', 'contains'],
  ['mustard is mustard, read or not', ['20 g wholegrain mustard'], bare, 'mustard', 'contains'],
  ['mustard may carry sulphites', ['20 g wholegrain mustard'], bare, 'sulphites', 'check'],
  ['vinegar may carry sulphites', ['20 ml cider vinegar'], bare, 'sulphites', 'check'],
  ['oats are gluten', ['100 g rolled oats'], bare, 'gluten', 'contains'],
  [
    'certified oats are still oats under the EU law',
    ['100 g rolled oats'],
    withPacks(bare, pack('rolled-oats', {}, true)),
    'gluten',
    'contains',
  ],
  ['oat drink is gluten', ['1 l oat milk'], bare, 'gluten', 'contains'],
  ['buckwheat needs a certificate', ['100 g buckwheat'], bare, 'gluten', 'check'],
  [
    'a pack without a certificate does not clear buckwheat',
    ['100 g buckwheat'],
    withPacks(bare, pack('buckwheat')),
    'gluten',
    'check',
  ],
  [
    'a certificate does',
    ['100 g buckwheat'],
    withPacks(bare, pack('buckwheat', {}, true)),
    'gluten',
    'clear',
  ],
  [
    'buckwheat is no wheat',
    ['100 g buckwheat'],
    withPacks(bare, pack('buckwheat', {}, true)),
    'wheat',
    'clear',
  ],
  [
    'peanut is a nut on the screen',
    ['50 g peanut butter'],
    withPacks(bare, pack('peanut-butter')),
    'nut',
    'contains',
  ],
  ['and no tree nut', ['50 g peanut butter'], withPacks(bare, pack('peanut-butter')), 'tree-nut', 'clear'],
  ['almond butter is a tree nut', ['50 g almond butter'], bare, 'tree-nut', 'contains'],
  ['hazelnuts whose pack warns of peanut', ['50 g hazelnuts'], ward, 'peanut', 'may-contain'],
  [
    'coconut is no nut in the EU',
    ['400 g coconut milk'],
    withPacks(bare, pack('coconut-milk')),
    'nut',
    'clear',
  ],
  [
    'but is where the kitchen says so',
    ['400 g coconut milk'],
    withPacks(school, pack('coconut-milk')),
    'nut',
    'contains',
  ],
  ['seeds are packed beside nuts', ['100 g sunflower seeds'], bare, 'nut', 'check'],
  ['and are no nuts once their pack is read', ['100 g sunflower seeds'], ward, 'nut', 'clear'],
  ['seeds whose pack warns of sesame', ['100 g pumpkin seeds'], ward, 'sesame', 'may-contain'],
  ['noodles may hold egg until the pack is read', ['250 g wheat noodles'], bare, 'egg', 'check'],
  ['and do not once it is', ['250 g wheat noodles'], ward, 'egg', 'clear'],
  ['crumbled cheese is milk', ['80 g feta'], bare, 'milk', 'contains'],
  ['fish sauce is fish', ['20 ml fish sauce'], bare, 'fish', 'contains'],
  ['plain vegetables are clear of all of it', ['1 kg carrots'], bare, 'gluten', 'clear'],
  ['a cream of seeds brings no soy', ['100 g sunflower seed cream'], bare, 'soy', 'clear'],
  ['a stock brings its celery into the dish', ['1 l house vegetable stock'], bare, 'celery', 'contains'],
  ['a dressing brings its mustard from inside', ['200 g green dressing'], bare, 'mustard', 'contains'],
  ['a line nobody can read is unchecked for milk too', ['3 spoons of the usual'], bare, 'milk', 'check'],
];

test.each(CASES)('%s', (_, lines, kitchen, id, status) => {
  const flag = sheetOf(recipeOf(lines), undefined, kitchen).allergens.find((each) => each.id === id)!;
  expect(flag.status).toBe(status);
});

describe('animal origin', () => {
  const codes = (text: string, kitchen: Kitchen) =>
    sheetOf(recipeOf([text]), undefined, kitchen).findings.map(({ code }) => code);
  const paste = (extra: Partial<Pack>) => ({ ...bare, packs: [{ ...pack('stock-paste'), ...extra }] });

  test('a pack settles it only when somebody read it for that', () => {
    expect(codes('10 g stock paste', bare)).toContain('animal-check');
    expect(codes('10 g stock paste', paste({ animal: null }))).toContain('animal-check');
    expect(codes('10 g stock paste', paste({ animal: 'plant' }))).not.toContain('animal-check');
    expect(codes('10 g stock paste', paste({ animal: 'animal' }))).toContain('animal-food');
  });

  test('a pack that contains milk or egg is no plant food, whatever was said', () => {
    expect(codes('10 g stock paste', paste({ animal: 'plant', allergens: { milk: 'contains' } }))).toContain(
      'animal-food',
    );
    expect(
      codes('250 g wheat noodles', withPacks(bare, pack('wheat-noodles', { egg: 'contains' }))),
    ).toContain('animal-food');
    expect(
      codes('250 g wheat noodles', withPacks(bare, pack('wheat-noodles', { egg: 'may-contain' }))),
    ).not.toContain('animal-food');
  });
});

describe('policies', () => {
  const ask = (
    lines: string[],
    exclude: string[],
    mayContain: 'refuse' | 'accept',
    check: 'refuse' | 'accept',
    kitchen = ward,
  ) =>
    planSwaps(
      {
        recipe: recipeOf([...lines, '1 kg potatoes']),
        kitchen,
        target: { kind: 'weight', grams: 5000 },
        exclude,
        policy: { mayContain, check },
      },
      book,
    );

  test('a warning on the pack is refused or let pass, as the kitchen says', () => {
    const refusing = ask(['50 g pumpkin seeds'], ['sesame'], 'refuse', 'refuse').plans[0]!;
    expect(refusing.swaps.map(({ to }) => to[0]!.foodId)).toEqual(['sunflower-seeds']);
    expect(ask(['50 g pumpkin seeds'], ['sesame'], 'accept', 'refuse').plans[0]!.swaps).toEqual([]);
  });

  test('a swap never brings in a food that is itself unread, even where unread ones may stay', () => {
    const { plans } = ask(['100 g seitan'], ['gluten'], 'accept', 'accept', bare);
    for (const { swaps } of plans) {
      for (const { to } of swaps) expect(to.map(({ foodId }) => foodId)).not.toContain('stock-paste');
    }
    expect(
      ask(['100 g seitan'], ['gluten'], 'refuse', 'refuse', bare).plans[0]!.swaps[0]!.to[0]!.foodId,
    ).not.toBe('tempeh');
  });

  test('a blocked line says what would open it', () => {
    const reason = (lines: string[], exclude: string[]) =>
      ask(lines, exclude, 'refuse', 'refuse', bare).blockedBy[0]!.reason;
    expect(reason(['20 g capers'], ['sulphites'])).toMatch(/record the pack/);
    expect(reason(['5 g soya lecithin'], ['soy'])).toMatch(/no swap is on file/);
    expect(reason(['3 spoons of the usual'], ['nut'])).toMatch(/nobody knows/);
  });

  test('one food is swapped the same way wherever it stands', () => {
    const { plans } = ask(
      ['50 g almonds', '30 g almonds, chopped', '20 g almonds, ground'],
      ['nut'],
      'refuse',
      'refuse',
    );
    expect(plans[0]!.swaps).toHaveLength(3);
    expect(new Set(plans[0]!.swaps.map(({ swapId }) => swapId)).size).toBe(1);
    expect(plans[0]!.applied).toHaveLength(1);
  });

  test('weights of a swap are by its ratio in the batch, water with it', () => {
    const { plans } = ask(['100 g soya milk'], ['soy'], 'refuse', 'refuse', bare);
    const [swap] = plans[0]!.swaps;
    expect(swap!.to.map(({ foodId }) => foodId)).toEqual(['hemp-seeds']);
    expect(swap!.to[0]!.grams / swap!.from.grams).toBeCloseTo(0.12, 9);
    expect(swap!.waterGrams / swap!.from.grams).toBeCloseTo(0.88, 9);
    const lines = plans[0]!.worksheet.lines.filter(({ sourceId }) => sourceId === 'l1');
    expect(lines.map(({ id, name }) => [id, name])).toEqual([
      ['l1', 'Hulled hemp seeds'],
      ['l1/2', 'Water'],
    ]);
  });
});

test('every dish of the book, under both laws, answers the daily three in words it can stand by', () => {
  for (const id of [
    'barley-leek-white-bean-pot',
    'ginger-broth-noodles',
    'millet-porridge-pear',
    'caraway-flatbread',
  ]) {
    for (const regime of ['us', 'eu'] as const) {
      const { allergens, lines } = sheetOf(demoRecipe(id), undefined, { ...ward, regime });
      for (const flag of allergens.filter(({ id: each }) => ['nut', 'soy', 'gluten'].includes(each))) {
        if (flag.status === 'contains') expect(flag.kinds.length).toBeGreaterThan(0);
        for (const lineId of flag.lineIds) expect(lines.map((line) => line.id)).toContain(lineId);
      }
    }
  }
});
