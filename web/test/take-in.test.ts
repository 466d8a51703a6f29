/** Taking a dish in over the real core worker: what is pasted, what is asked of it, and what goes to the bench. */
import { createApp, defineComponent, h, nextTick } from 'vue';
import { createMemoryHistory, createRouter } from 'vue-router';
import { decisionsOf, type FoundRecipe, recipeFromReading, worksheet } from '@hand-ladle/core';
import { book as world, demoRecipe, ward } from '@hand-ladle/testing/world';
import { server } from '../src/api/client';
import { MOST_TEXT, useTakeIn } from '../src/take-in/take-in';
import { freshScreen, type NearServer, unreachable, until } from './support/near-server';

const DRAFT = 'hand-ladle.take-in';
const SUPPER = `Leek and barley supper
Serves 6

300 g pearl barley
2 leeks, sliced
1 tbsp peanut butter
a knob of ghost pepper paste

Method
Soften the leeks in 30 g olive oil.
Simmer the barley for 40 minutes.`;

let near: NearServer;
beforeEach(() => {
  near = freshScreen();
  jest.spyOn(server, 'readDocument');
});
afterEach(() => {
  end();
  jest.restoreAllMocks();
});

let end = (): void => undefined;
/** The page as it stands in the app: with a router, and mounted. */
async function page(kept?: string) {
  if (kept !== undefined) localStorage.setItem(DRAFT, kept);
  const router = createRouter({
    history: createMemoryHistory(),
    routes: [{ path: '/:rest(.*)', component: { render: () => null } }],
  });
  await router.push('/take-in');
  let takeIn!: ReturnType<typeof useTakeIn>;
  const app = createApp(
    defineComponent({
      setup() {
        takeIn = useTakeIn();
        return () => h('div');
      },
    }),
  );
  app.use(router).mount(document.createElement('div'));
  end = () => app.unmount();
  return { takeIn, router };
}
const pasted = async (text: string) => {
  const { takeIn, router } = await page(text);
  await until(() => takeIn.sheet.value !== null);
  return { takeIn, router };
};
const lineOf = ({ recipe }: ReturnType<typeof useTakeIn>, words: string) =>
  recipe.value!.lines.find(({ text }) => text.includes(words))!;

test('a text that was begun is there again, read by core, and shown as core computes it', async () => {
  const { takeIn } = await pasted(SUPPER);
  expect(takeIn.recipe.value).toMatchObject({ name: 'Leek and barley supper', portions: 6 });
  expect(takeIn.recipe.value!.lines.map(({ text }) => text)).toContain('1 tbsp peanut butter');
  const { recipe, kitchen } = { recipe: takeIn.recipe.value!, kitchen: ward };
  const own = worksheet({ recipe, kitchen, target: takeIn.sheet.value!.target }, world);
  expect(takeIn.sheet.value!.allergens).toEqual(own.allergens);
  expect(takeIn.decisions.value).toEqual(decisionsOf(own));
  expect(takeIn.sheet.value!.allergens.find(({ id }) => id === 'peanut')?.status).not.toBe('clear');
});

test('each letter is kept as it is typed, and the worksheet follows', async () => {
  const { takeIn } = await pasted(SUPPER);
  const before = takeIn.sheet.value!.finishedGrams;
  takeIn.text.value = SUPPER.replace('300 g', '900 g');
  await until(() => takeIn.sheet.value!.finishedGrams > before + 600);
  expect(localStorage.getItem(DRAFT)).toContain('900 g pearl barley');
});

test('an answer stays with the words of its line while the text around it is edited', async () => {
  const { takeIn } = await pasted(SUPPER);
  takeIn.answerLine(lineOf(takeIn, 'leeks').id, { grams: 420, gramsOrigin: 'weighed here' });
  takeIn.text.value = SUPPER.replace('300 g pearl barley\n', '1 onion\n300 g pearl barley\n');
  await until(() => takeIn.recipe.value!.lines.some(({ text }) => text === '1 onion'));
  expect(lineOf(takeIn, 'leeks').answers).toMatchObject({ grams: 420 });
  expect(takeIn.answered.value).toBe(1);
  // A line of other words is another line: what was said of the old one does not hold for it.
  takeIn.text.value = SUPPER.replace('2 leeks', '3 leeks');
  await until(() => lineOf(takeIn, 'leeks').text.startsWith('3'));
  expect(lineOf(takeIn, 'leeks').answers).toEqual({});
  expect(takeIn.answered.value).toBe(0);
});

test('an answer for a line that is gone changes nothing', async () => {
  const { takeIn } = await pasted(SUPPER);
  takeIn.answerLine('no such line', { grams: 1 });
  expect(takeIn.answered.value).toBe(0);
});

test('what the method uses and the list lacks is asked, and put in the list where it belongs', async () => {
  const { takeIn } = await pasted(SUPPER);
  expect(takeIn.hidden.value).toHaveLength(1);
  expect(takeIn.hidden.value[0]).toContain('olive oil');
  takeIn.addHidden(takeIn.hidden.value[0]!);
  await until(() => takeIn.recipe.value!.lines.some(({ text }) => text.includes('olive oil')));
  expect(takeIn.text.value.indexOf('olive oil')).toBeLessThan(takeIn.text.value.indexOf('Method'));
  await until(() => takeIn.hidden.value.length === 0);
});

test('how sure a reading is stands beside it in words, and an answer ends the doubt', async () => {
  const { takeIn } = await pasted(SUPPER.replace('pearl barley', 'perl barly'));
  const line = lineOf(takeIn, 'perl');
  expect(takeIn.sureness(line.id)).not.toBe('');
  takeIn.answerLine(line.id, { foodId: 'pearl-barley' });
  expect(takeIn.sureness(line.id)).toBe('');
  expect(takeIn.sureness('no such line')).toBe('');
});

test.each(['', 'none', '0', '-4', '1e9'])(
  'a dish that says no portions is not put on the bench with "%s" of them',
  async (typed) => {
    const { takeIn, router } = await pasted(SUPPER.replace('Serves 6\n', ''));
    takeIn.portions.value = typed;
    expect(takeIn.needsPortions.value).toBe(true);
    await takeIn.putOnBench();
    expect(takeIn.problem.value).toContain('how many portions');
    expect(router.currentRoute.value.path).toBe('/take-in');
    expect(server.create).not.toHaveBeenCalled();
  },
);

test('portions typed go over those of the text; used by weight it needs none', async () => {
  const { takeIn } = await pasted(SUPPER);
  takeIn.portions.value = '1 200';
  takeIn.size.value = '280,5';
  expect(takeIn.recipe.value).toMatchObject({ portions: 1200, portionGrams: 280.5 });
  takeIn.text.value = SUPPER.replace('Serves 6\n', '');
  takeIn.portions.value = '';
  await until(() => takeIn.needsPortions.value);
  takeIn.isComponent.value = true;
  expect(takeIn.needsPortions.value).toBe(false);
});

test('on the bench it is a new dish without confirmations, and the kept text is gone', async () => {
  const { takeIn, router } = await pasted(SUPPER);
  await takeIn.putOnBench();
  const [made] = [...near.held.values()].filter(({ recipe }) => recipe.name === 'Leek and barley supper');
  expect(made!.recipe.confirmed).toEqual([]);
  expect(router.currentRoute.value.path).toBe(`/dishes/${made!.recipe.id}`);
  expect(localStorage.getItem(DRAFT)).toBeNull();
});

test('a server that does not answer keeps the text, and says so', async () => {
  const { takeIn, router } = await pasted(SUPPER);
  jest.spyOn(server, 'create').mockImplementation(unreachable);
  await takeIn.putOnBench();
  expect(takeIn.problem.value).toContain('Your text is kept.');
  expect(takeIn.isSaving.value).toBe(false);
  expect(router.currentRoute.value.path).toBe('/take-in');
  expect(localStorage.getItem(DRAFT)).toBe(SUPPER);
});

test('a text over the limit is refused before it is read; taken shorter it is read', async () => {
  const { takeIn } = await page();
  takeIn.text.value = `${SUPPER}\n${'salt\n'.repeat(MOST_TEXT / 5)}`;
  expect(takeIn.isTooLong.value).toBe(true);
  await nextTick();
  takeIn.text.value = SUPPER;
  await until(() => takeIn.reading.value !== null);
  expect(takeIn.isTooLong.value).toBe(false);
});

/** A file of a browser: jsdom's have no `text`. */
const fileOf = (words: string, name: string): File =>
  Object.assign(new File([words], name), { text: () => Promise.resolve(words) });

describe('a document', () => {
  const found = (id: string, answers = {}): FoundRecipe => {
    const recipe = demoRecipe(id);
    return {
      recipe: {
        ...recipe,
        lines: recipe.lines.map((line, index) =>
          index === 0 ? { ...line, answers } : { ...line, answers: {} },
        ),
      },
      needsPortions: false,
      notes: [],
    } as unknown as FoundRecipe;
  };
  const POT = 'barley-leek-white-bean-pot';
  const SOUP = 'red-lentil-tomato-soup';
  const answering = (recipes: FoundRecipe[], format = 'html') =>
    jest.spyOn(server, 'readDocument').mockResolvedValue({ format, recipes });

  test('with one recipe becomes the words a cook would have pasted', async () => {
    answering([found(POT)]);
    const { takeIn } = await page('<html><body>a page</body></html>');
    await until(() => takeIn.sheet.value !== null);
    expect(takeIn.recipe.value!.name).toBe(demoRecipe(POT).name);
    expect(takeIn.recipe.value!.lines.map(({ text }) => text)).toEqual(
      demoRecipe(POT).lines.map(({ text }) => text),
    );
    expect(takeIn.recipe.value!.steps).toHaveLength(demoRecipe(POT).steps.length);
  });

  test('with several, or with answers of its own, is shown to choose from', async () => {
    answering([found(POT), found(SOUP)]);
    const { takeIn } = await page('[{"name": "two"}]');
    await until(() => takeIn.found.value !== null);
    expect(takeIn.found.value!.recipes).toHaveLength(2);
    answering([found(POT, { grams: 4000 })]);
    await takeIn.openFile(fileOf('{}', 'one.json'));
    expect(takeIn.found.value).toMatchObject({ fileName: 'one.json', recipes: [{}] });
  });

  test('that cannot be read says why, and what was typed stays', async () => {
    jest.spyOn(server, 'readDocument').mockImplementation(unreachable);
    const { takeIn } = await page('<html>x</html>');
    await until(() => takeIn.fileProblem.value !== '');
    expect(takeIn.text.value).toBe('<html>x</html>');
    expect(takeIn.isOpening.value).toBe(false);
    expect(takeIn.reading.value).toBeNull();
  });

  test('that is too large is not sent at all', async () => {
    const { takeIn } = await page();
    const large = new File(['x'], 'all.json');
    Object.defineProperty(large, 'size', { value: 3_000_000 });
    await takeIn.openFile(large);
    await takeIn.openFile(undefined);
    expect(takeIn.fileProblem.value).toContain('larger than 2.9 MB');
    expect(server.readDocument).not.toHaveBeenCalled();
  });
});

test('what is said not to be in it is kept with who said so, and holds for the dish that is made', async () => {
  const { takeIn } = await pasted(`${SUPPER}\nServe with toasted walnuts.`);
  const asked = takeIn.sheet.value!.findings.find(({ code }) => code === 'named-nowhere');
  expect(asked).toBeDefined();
  const name = (asked as unknown as { figures: { name: string } }).figures.name;
  await takeIn.sayNotIn(name, 'Ilka Reedmace');
  expect(takeIn.recipe.value!.notIn).not.toEqual([]);
  expect(takeIn.recipe.value!.notIn.every(({ by }) => by === 'Ilka Reedmace')).toBe(true);
  await until(() => !takeIn.sheet.value!.findings.some(({ code }) => code === 'named-nowhere'));
});

test('the reading of the page is the reading of core, nothing more', async () => {
  const { takeIn } = await pasted(SUPPER);
  const own = recipeFromReading(takeIn.reading.value!, 'unsaved');
  expect(takeIn.recipe.value!.lines.map(({ reading }) => reading)).toEqual(
    own.lines.map(({ reading }) => reading),
  );
});
