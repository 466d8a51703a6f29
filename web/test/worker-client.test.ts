/** The worker is asked once for what stays the same, told to stop, and of several worksheets only the last is worked out. */
import { homeTarget, worksheet } from '@hand-ladle/core';
import { book, demoRecipe, foods, swaps, ward } from '@hand-ladle/testing/world';
import { ask, askLong, latestOnly, Stopped } from '../src/worker/client';
import { MOST_HELD } from '../src/worker/protocol';
import { posted } from './support/near-worker';

const recipe = demoRecipe('barley-leek-white-bean-pot');
const target = homeTarget(recipe, book, ward);
const input = { recipe, kitchen: ward, target, vesselIds: [] };
const portions = (count: number) => ({
  ...input,
  target: { kind: 'portions' as const, portions: count, portionGrams: 280 },
});

beforeAll(() =>
  ask('book', {
    foods: [...foods],
    swaps: [...swaps],
    components: [...book.components.values()],
  }),
);

test('its worksheet is the worksheet of core, byte by byte', async () => {
  expect(JSON.stringify(await ask('worksheet', input))).toBe(JSON.stringify(worksheet(input, book)));
});

test('a recipe and a kitchen go over once; a changed one goes over again, and what was pushed out too', async () => {
  const size = (): number => JSON.stringify(posted.at(-1)).length;
  const first = { ...input, recipe: { ...recipe } };
  await ask('worksheet', first);
  const whole = size();
  await ask('worksheet', first);
  expect(size()).toBeLessThan(whole / 10);
  await ask('worksheet', { ...first, recipe: { ...recipe, name: 'Another pot' } });
  expect(size()).toBeGreaterThan(whole / 3);
  for (let count = 0; count < MOST_HELD; count += 1)
    await ask('homeTarget', { recipe: { ...recipe, name: `Pot ${count}` }, kitchen: ward });
  const { name } = await ask('worksheet', first);
  expect(name).toBe(recipe.name);
});

test('of several asked while it is busy only the last is worked out; the others are told so', async () => {
  const compute = latestOnly('worksheet');
  const before = posted.length;
  const answers = await Promise.all([40, 50, 60, 70].map((count) => compute(portions(count))));
  expect(answers.map((each) => each && Math.round(each.portions))).toEqual([40, null, null, 70]);
  expect(posted.length - before).toBe(2);
});

test('what fails fails for the one who waits, and the lane goes on', async () => {
  const compute = latestOnly('worksheet');
  const broken = { ...input, recipe: null as never };
  const [first, second] = await Promise.allSettled([compute(portions(40)), compute(broken)]);
  expect([first.status, second.status]).toEqual(['fulfilled', 'rejected']);
  await expect(compute(broken)).rejects.toThrow();
  expect((await compute(portions(90)))!.portions).toBeCloseTo(90);
});

test('a long question says how far it is; stopped, it rejects and a short one is answered', async () => {
  const free = demoRecipe('ginger-broth-noodles');
  const asked = {
    recipe: free,
    kitchen: ward,
    target: homeTarget(free, book, ward),
    vesselIds: [],
    exclude: ['soy', 'gluten', 'nut', 'sesame'],
    policy: ward.policy,
    isApart: false,
    works: {},
  };
  const { answer, stop } = askLong('plan', asked, () => undefined);
  stop();
  await expect(answer).rejects.toBeInstanceOf(Stopped);
  expect((await ask('suggest', { text: 'leek' })).length).toBeGreaterThan(0);
  const whole = await askLong('plan', asked, () => undefined).answer;
  expect(whole.plans.length + whole.blockedBy.length).toBeGreaterThan(0);
});
