/** What the screen draws and what the API answers are the same, figure by figure, for random dishes: a few here, a thousand in the bench. */
// Nothing of it is saved, so it does not wait for that as other journeys do.
import { expect, test } from '@playwright/test';
import { randomFrom } from '../../../core/src/quantity/random';
import { go, open, type Opened } from '../../support/kitchen';

const DISHES = 50 * (Number(process.env['HAND_LADLE_MORE']) || 1);
let kitchen: Opened;
test.beforeAll(async () => {
  kitchen = await open('agree', 4402);
});
test.afterAll(() => kitchen.stop());

interface Figure {
  text: string;
  per100gText: string;
  dailyValueText: string;
}
interface Told {
  figures: Figure[];
  ingredients: string;
  contains: string;
  mayContain: string;
}
/** What a bench of the open page can be told from outside: the store the screen itself uses. */
interface OpenBench {
  recipe: object;
  worksheet: object;
  setRecipe: (recipe: object) => void;
  setTarget: (target: object) => void;
}

test(`${DISHES} random dishes`, async ({ page, request }) => {
  const { foods } = (await (await request.get(`${kitchen.url}/api/larder`)).json()) as {
    foods: { name: string }[];
  };
  const random = randomFrom(20261126);
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!;
  const texts = Array.from({ length: DISHES }, (_, index) =>
    [
      `Random dish ${index + 1}`,
      `Serves ${1 + Math.floor(random() * 12)}, portions of ${60 + Math.floor(random() * 400)} g`,
      '',
      ...Array.from(
        { length: 2 + Math.floor(random() * 9) },
        () => `${Math.ceil(random() * 600)} g ${pick(foods).name.toLowerCase()}`,
      ),
      '',
      'Method',
      pick([
        'Simmer everything gently for 25 minutes.',
        'Roast everything on a tray for 30 minutes at 200 °C.',
        'Turn everything together and serve.',
      ]),
    ].join('\n'),
  );
  await go(page, `${kitchen.url}/dishes/fennel-butter-bean-pot/label`);
  await expect(page.getByRole('article', { name: 'Label preview' })).toBeVisible();
  // The dish on the bench is changed a thousand times; none of it is to be saved.
  await page.route('**/api/recipes/*', (route) =>
    route.request().method() === 'PUT' ? route.abort() : route.continue(),
  );
  const wrong: string[] = [];
  let figures = 0;
  /** The recipe the server reads of a text, and the label it answers for it. */
  const told = async (text: string): Promise<{ recipe: Record<string, unknown>; label: Told }> => {
    const read = await request.post(`${kitchen.url}/api/recipes/import?dryRun=true&kitchenId=alder-ward`, {
      data: text,
      headers: { 'Content-Type': 'text/plain' },
    });
    const [found] = ((await read.json()) as { recipes: { recipe: Record<string, unknown> }[] }).recipes;
    const { name, portions, portionGrams, lines, steps } = found!.recipe as {
      name: string;
      portions: number;
      portionGrams: number;
      lines: { id: string; text: string; answers: object }[];
      steps: { text: string }[];
    };
    const answer = await request.post(`${kitchen.url}/api/worksheet`, {
      data: {
        recipe: {
          name,
          lines: lines.map(({ id, text: words, answers }) => ({ id, text: words, answers })),
          steps: steps.map(({ text: words }) => words),
          portions,
          portionGrams,
        },
        target: { kind: 'portions', portions, portionGrams },
        kitchenId: 'alder-ward',
      },
    });
    return { recipe: found!.recipe, label: ((await answer.json()) as { label: Told }).label };
  };
  /** What the screen draws of each recipe, one after the other. */
  const drawn = (recipes: Record<string, unknown>[]): Promise<string[]> =>
    page.evaluate(async (list) => {
      const root = document.querySelector('#app') as unknown as {
        __vue_app__: { config: { globalProperties: { $pinia: { _s: Map<string, unknown> } } } };
      };
      const bench = root.__vue_app__.config.globalProperties.$pinia._s.get('bench') as OpenBench;
      const label = (): string => document.querySelector('article.label pre')!.textContent ?? '';
      const labels: string[] = [];
      for (const next of list) {
        const before = bench.worksheet;
        bench.setTarget({ kind: 'portions', portions: next['portions'], portionGrams: next['portionGrams'] });
        const id = (bench.recipe as { id: string }).id;
        bench.setRecipe({ ...bench.recipe, ...next, id, isComponent: false, parentId: null });
        while (bench.worksheet === before || !label().includes(`${String(next['name'])}\n`))
          await new Promise((done) => setTimeout(done, 2));
        labels.push(label());
      }
      return labels;
    }, recipes);

  const CHUNK = 50;
  const asked = (from: number) => Promise.all(texts.slice(from, from + CHUNK).map(told));
  let next = asked(0);
  for (let from = 0; from < DISHES; from += CHUNK) {
    const answers = await next;
    // The server reads the next dishes while the screen draws these.
    next = asked(from + CHUNK);
    const labels = await drawn(answers.map(({ recipe }) => recipe));
    answers.forEach(({ label }, index) => {
      for (const { text, per100gText, dailyValueText } of label.figures)
        for (const part of [text, per100gText, dailyValueText]) {
          figures += 1;
          if (!labels[index]!.includes(part)) wrong.push(`dish ${from + index + 1}: ${part}`);
        }
      for (const part of [label.ingredients, label.contains, label.mayContain])
        if (!labels[index]!.includes(part)) wrong.push(`dish ${from + index + 1}: ${part}`);
    });
  }
  expect(wrong).toEqual([]);
  expect(figures).toBe(DISHES * 8 * 3);
});
