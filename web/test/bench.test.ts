/** The bench over the real core worker and a server that keeps dishes by version: what a cook changes, the rest follows. */
import { type SavedRecipe, worksheet } from '@hand-ladle/core';
import { book as world, cafe, school, ward } from '@hand-ladle/testing/world';
import { server } from '../src/api/client';
import { useBench } from '../src/state/bench';
import { useBook } from '../src/state/book';
import { freshScreen, type NearServer, standing, until } from './support/near-server';

const POT = 'barley-leek-white-bean-pot';
const SOUP = 'red-lentil-tomato-soup';
let near: NearServer;
beforeEach(() => {
  near = freshScreen();
});
afterEach(() => jest.restoreAllMocks());

async function opened(id = POT) {
  const bench = useBench();
  await bench.open(id);
  await until(() => bench.worksheet !== null);
  return bench;
}
const sheetOfNow = (bench: ReturnType<typeof useBench>) => worksheet({ ...bench.input! }, world);
/** Until the screen shows what core says of the draft as it is. */
const settled = (bench: ReturnType<typeof useBench>) =>
  until(() => JSON.stringify(bench.worksheet) === JSON.stringify(sheetOfNow(bench)));

test('what it shows is the worksheet of core, after each change and after undo', async () => {
  const bench = await opened();
  await settled(bench);
  const before = bench.worksheet!.finishedGrams;
  bench.setTarget({ kind: 'portions', portions: 240, portionGrams: 280 });
  await settled(bench);
  expect(bench.worksheet!.finishedGrams).toBeGreaterThan(before * 1.9);
  bench.answerLine(bench.recipe!.lines[0]!.id, { grams: 5000, gramsOrigin: 'weighed here' });
  await settled(bench);
  bench.undo();
  bench.undo();
  await settled(bench);
  expect(bench.worksheet!.finishedGrams).toBe(before);
  bench.redo();
  expect(bench.target).toEqual({ kind: 'portions', portions: 240, portionGrams: 280 });
  await bench.flush();
});

test('a pack that another screen read is in the flags of the dish that stands open', async () => {
  const bench = await opened();
  await settled(bench);
  const sesame = () => bench.worksheet!.allergens.find(({ id }) => id === 'sesame')!.status;
  expect(sesame()).not.toBe('contains');
  const { foodId } = bench.recipe!.lines[0]!.reading;
  const known = ward.packs[0]!;
  const read = { ...known, foodId: foodId!, allergens: { sesame: 'contains' as const }, isConfirmed: true };
  const packs = [...ward.packs.filter((pack) => pack.foodId !== foodId), read];
  jest.spyOn(server, 'kitchens').mockImplementation(standing([{ ...ward, packs }, school, cafe], 'now'));
  await useBook().refresh();
  await settled(bench);
  expect(sesame()).toBe('contains');
});

test('what another screen made of the dish that stands open is shown, but never over what is not kept here', async () => {
  const bench = await opened();
  await settled(bench);
  const mine = near.held.get(POT)!;
  await bench.renew();
  expect([bench.isRenewed, bench.canUndo]).toEqual([false, false]);
  near.held.set(POT, { ...mine, recipe: { ...mine.recipe, name: 'Pot of the others' }, version: 2 });
  await bench.renew();
  expect([bench.recipe!.name, bench.isRenewed]).toEqual(['Pot of the others', true]);
  // An answer that is older than what was kept since is not taken for news.
  near.held.set(POT, { ...mine, version: 1 });
  await bench.renew();
  expect(bench.recipe!.name).toBe('Pot of the others');
  bench.setRecipe({ name: 'Pot of mine' });
  expect(bench.isRenewed).toBe(false);
  near.held.set(POT, { ...mine, recipe: { ...mine.recipe, name: 'Pot of a third' }, version: 3 });
  await bench.renew();
  expect(bench.recipe!.name).toBe('Pot of mine');
  await bench.flush();
  expect(near.saves.at(-1)).toMatchObject({ recipe: { name: 'Pot of mine' }, version: 2 });
});

test('a dish that is opened again while it is changed keeps what can be done otherwise', async () => {
  const bench = await opened();
  await until(() => bench.offers.length > 0);
  const held = near.held.get(POT)!;
  let answer!: (saved: SavedRecipe) => void;
  jest.spyOn(server, 'recipe').mockImplementationOnce(() => new Promise((done) => (answer = done)));
  const again = bench.open(POT);
  await until(() => answer !== undefined);
  bench.setTarget({ kind: 'portions', portions: 60, portionGrams: 280 });
  await settled(bench);
  answer(held);
  await again;
  await settled(bench);
  await bench.flush();
  expect(bench.offers.length).toBeGreaterThan(0);
  expect(bench.target).toMatchObject({ portions: 60 });
});

test('a change that is made while the other screen is asked about stays', async () => {
  const bench = await opened();
  const mine = near.held.get(POT)!;
  near.held.set(POT, { ...mine, recipe: { ...mine.recipe, name: 'Pot of the others' }, version: 2 });
  const asked = bench.renew();
  bench.setRecipe({ name: 'Pot of mine' });
  await asked;
  expect(bench.recipe!.name).toBe('Pot of mine');
  await bench.flush();
});

test('a food that was changed elsewhere is worked out anew in the dish that stands open', async () => {
  const bench = await opened();
  await settled(bench);
  const { foodId } = bench.recipe!.lines[0]!.reading;
  const before = bench.worksheet!.lines[0]!.name;
  const foods = useBook().foods.map((each) =>
    each.id === foodId ? { ...each, name: 'Groats of the mill' } : each,
  );
  jest.spyOn(server, 'larder').mockImplementation(standing({ foods, swaps: [...useBook().swaps] }, 'now'));
  await useBook().refresh();
  await until(() => bench.worksheet!.lines[0]!.name !== before);
  expect(bench.worksheet!.lines[0]!.name).toBe('Groats of the mill');
});

test('a change is saved quietly with the version it was made on; the written words stay', async () => {
  const bench = await opened();
  const [line] = bench.recipe!.lines;
  bench.answerLine(line!.id, { grams: 4200, gramsOrigin: 'weighed here' });
  bench.answerLine(line!.id, { foodId: line!.reading.foodId! });
  await bench.flush();
  expect(near.saves.map(({ version }) => version)).toEqual([1]);
  expect(near.saves[0]!.recipe.lines[0]).toMatchObject({
    text: line!.text,
    answers: { grams: 4200, gramsOrigin: 'weighed here', foodId: line!.reading.foodId },
  });
  bench.setRecipe({ name: 'Pot of the ward' });
  await bench.flush();
  expect(near.saves.map(({ version }) => version)).toEqual([1, 2]);
});

test('of two dishes asked for at once the last one is shown, whichever is answered first', async () => {
  const bench = useBench();
  let answerPot: (saved: SavedRecipe) => void = () => undefined;
  jest
    .spyOn(server, 'recipe')
    .mockImplementation((id) =>
      id === POT ? new Promise((done) => (answerPot = done)) : Promise.resolve(near.held.get(id)!),
    );
  const first = bench.open(POT);
  await until(() => (server.recipe as jest.Mock).mock.calls.length === 1);
  await bench.open(SOUP);
  answerPot(near.held.get(POT)!);
  await first;
  await until(() => bench.worksheet !== null);
  expect([bench.recipe!.id, bench.worksheet!.recipeId]).toEqual([SOUP, SOUP]);
});

test('a dish that is not in the book is said, and what was open is closed with nothing of it left', async () => {
  const bench = await opened();
  await expect(bench.open('no-such-dish')).rejects.toMatchObject({ code: 'recipe-unknown' });
  expect([bench.recipe, bench.worksheet]).toEqual([null, null]);
});

test.each(['weight', 'pans', 'portions'] as const)(
  'the batch said by %s makes the same food',
  async (kind) => {
    const bench = await opened();
    const { finishedGrams } = bench.worksheet!;
    if (await bench.express(kind)) {
      await settled(bench);
      expect(bench.target!.kind).toBe(kind);
      expect(Math.abs(bench.worksheet!.finishedGrams / finishedGrams - 1)).toBeLessThan(0.02);
    } else expect(bench.target!.kind).toBe('portions');
    await bench.flush();
  },
);

test('a machine asked for takes the place of the one before for that work, and of no other', async () => {
  const bench = await opened();
  const simmering = ward.vessels.filter(({ kind }) => kind === 'kettle' || kind === 'pot');
  const [one, other] = simmering;
  bench.setMachine('simmer', one!.id);
  bench.setMachine('simmer', other!.id);
  expect(bench.vesselIds.filter((id) => simmering.some((each) => each.id === id))).toEqual([other!.id]);
  const blender = ward.vessels.find(({ kind }) => kind === 'blender');
  if (blender) {
    bench.setMachine('blend', blender.id);
    expect([...bench.vesselIds].sort()).toEqual([blender.id, other!.id].sort());
  }
  bench.setMachine('simmer', null);
  expect(bench.vesselIds).not.toContain(other!.id);
  await bench.flush();
});

test('lines are added under ids of their own, rewritten without their old answers, and taken out', async () => {
  const bench = await opened();
  const ids = bench.recipe!.lines.map(({ id }) => id);
  const [first] = ids;
  bench.answerLine(first!, { grams: 1 });
  await bench.rewriteLine(first!, '2 kg leeks, sliced');
  expect(bench.recipe!.lines[0]).toMatchObject({ id: first, text: '2 kg leeks, sliced', answers: {} });
  await bench.addLine('50 g walnuts, chopped');
  const added = bench.recipe!.lines.at(-1)!;
  expect(ids).not.toContain(added.id);
  await settled(bench);
  const nuts = () => bench.worksheet!.allergens.find(({ id }) => id === 'nut')!;
  expect([nuts().status, nuts().lineIds.includes(added.id)]).toEqual(['contains', true]);
  await bench.removeLine(added.id);
  await settled(bench);
  expect([nuts().status, nuts().lineIds.includes(added.id)]).toEqual(['check', false]);
  await bench.addLine('10 g dill');
  await bench.addLine('10 g chives');
  const all = bench.recipe!.lines.map(({ id }) => id);
  expect(new Set(all).size).toBe(all.length);
  await bench.flush();
});

test('what the text names is out by a cook’s word, with who and the kitchen’s day, and only what was asked', async () => {
  const bench = await opened(SOUP);
  await bench.rewriteSteps(['Simmer everything for 20 minutes.', 'Finish with toasted walnuts and honey.']);
  await settled(bench);
  const asked = () =>
    bench.worksheet!.findings.filter(({ code }) => code === 'named-nowhere').map(({ message }) => message);
  expect(asked().length).toBeGreaterThan(1);
  const many = asked().length;
  await bench.sayNotIn('walnut', 'R. Fallow');
  await settled(bench);
  expect(bench.recipe!.notIn.at(-1)).toMatchObject({
    by: 'R. Fallow',
    on: expect.stringMatching(/^\d{4}-\d\d-\d\d$/),
  });
  expect(asked().length).toBeLessThan(many);
  expect(asked().join()).toMatch(/honey/i);
  await bench.flush();
});

test('a figure is stood for once: a later word takes the place of the earlier', async () => {
  const bench = await opened();
  bench.standFor('sodium', 900, 'R. Fallow');
  bench.standFor('sodium', 950, 'Ilka Reedmace');
  expect(bench.recipe!.confirmed).toMatchObject([{ what: 'sodium', figure: 950, by: 'Ilka Reedmace' }]);
  await bench.flush();
});

test('a variant of a variant is linked to the first parent, and is no component', async () => {
  const bench = await opened();
  const create = jest
    .spyOn(server, 'create')
    .mockImplementation((saved) => Promise.resolve({ ...saved, version: 1 }));
  const plan = { applied: [], exclude: ['soy'], apart: [] } as never;
  bench.setRecipe({ name: 'Pot as it is' });
  const id = await bench.makeVariant(plan, 'Pot, no soy');
  // What was typed is kept before it is copied.
  expect(near.saves.at(-1)!.recipe.name).toBe('Pot as it is');
  expect(id).toMatch(/^pot-no-soy-/);
  expect(create.mock.calls[0]![0].recipe).toMatchObject({
    parentId: POT,
    freeFrom: ['soy'],
    isComponent: false,
  });
  near.held.set(id, create.mock.calls[0]![0]);
  await bench.open(id);
  expect(bench.isVariant).toBe(true);
  await bench.makeVariant(plan, 'Once more');
  expect(create.mock.calls[1]![0].recipe.parentId).toBe(POT);
});

test('another kitchen, another law: the label follows the regime of the kitchen that is chosen', async () => {
  const bench = await opened();
  const book = useBook();
  const [american] = [ward, school, cafe].filter(({ regime }) => regime === 'us');
  const [european] = [ward, school, cafe].filter(({ regime }) => regime === 'eu');
  for (const kitchen of [american, european])
    if (kitchen) {
      book.chooseKitchen(kitchen.id);
      await until(() => bench.kitchen?.id === kitchen.id);
      await settled(bench);
      expect([bench.regime, bench.worksheet!.label.regime]).toEqual([kitchen.regime, kitchen.regime]);
    }
});

test('a food that is taught is in the next worksheet', async () => {
  const bench = await opened();
  const book = useBook();
  const leek = book.foodsById.get('leek')!;
  await book.replaceFood({ ...leek, name: 'Leek of the garden' });
  expect(book.nameOf('leek')).toBe('Leek of the garden');
  await book.replaceFood({ ...leek, id: 'new-leek', name: 'Tree leek', synonyms: [] });
  await bench.addLine('100 g tree leek');
  expect(bench.recipe!.lines.at(-1)!.reading.foodId).toBe('new-leek');
  await bench.flush();
});
