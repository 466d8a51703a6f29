/** What the API answers and what the PDF prints are the same, figure by figure, for a thousand random dishes. */
import { DRAFT_ON_ROLL, type Label, type LabelFigure, randomFrom } from '@hand-ladle/core';
import { runs } from '@hand-ladle/testing/runs';
import { bytesOf, formOf, newPdf } from '../src/paper/pdf';
import { contentOf, setBy } from '../src/paper/set';
import { textOf } from './labels/pdf-reader';
import { openWorld, type World } from './world';

const DISHES = runs(100);
let world: World;
beforeAll(async () => {
  world = await openWorld('agree');
});
afterAll(() => world.close());

const STEPS = [
  'Simmer everything gently for 25 minutes.',
  'Roast everything on a tray for 30 minutes at 200 °C.',
  'Turn everything together and serve.',
];

test(`${DISHES} random dishes`, async () => {
  const { foods } = await world.store.larder.all();
  const random = randomFrom(20261125);
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!;
  const requests = Array.from({ length: DISHES }, (_, index) => ({
    recipe: {
      name: `Random dish ${index + 1}`,
      lines: Array.from(
        { length: 2 + Math.floor(random() * 9) },
        () => `${Math.ceil(random() * 600)} g ${pick(foods).name.toLowerCase()}`,
      ),
      steps: [pick(STEPS)],
      portions: 1 + Math.floor(random() * 12),
      portionGrams: 60 + Math.floor(random() * 400),
    },
    regime: pick(['us', 'eu'] as const),
    kitchenId: pick(['alder-ward', 'pebble-school', 'lock-counter']),
  }));
  const answers: Label[] = [];
  const pdf = newPdf([289.14, 1500], 'Labels');
  const done = bytesOf(pdf);
  for (const [index, request] of requests.entries()) {
    const { status, body } = await world.send('POST', '/api/worksheet', request);
    expect(status).toBe(200);
    answers.push(body.label as Label);
    const content = contentOf(body.label as Label, DRAFT_ON_ROLL, { claims: [], watch: [] }, null, true);
    const set = setBy(content, DRAFT_ON_ROLL);
    if (index > 0) pdf.addPage({ size: [set.width, set.height], margin: 0 });
    formOf(pdf, set)(0, 0);
  }
  pdf.end();
  const pages = textOf(await done).split('\f');
  const wrong: string[] = [];
  const parts = ({ text, per100gText, dailyValueText }: LabelFigure): string[] =>
    [text, per100gText, dailyValueText].flatMap((each) => each.replace('at least ', '').split(' / '));
  let figures = 0;
  answers.forEach((label, index) => {
    const page = pages[index]!;
    for (const figure of label.figures)
      for (const part of parts(figure)) {
        figures += 1;
        if (!page.includes(part)) wrong.push(`dish ${index + 1}: ${figure.id} ${part}`);
      }
    if (!page.includes(`1 portion, ${Math.round(label.portionGrams)} g`))
      wrong.push(`dish ${index + 1}: portion`);
    const list = page.replace(/ /g, '');
    if (!list.includes(`Ingredients:${label.ingredients}.`.replace(/\s/g, '')))
      wrong.push(`dish ${index + 1}: list`);
    for (const said of [label.contains, label.mayContain])
      if (!list.includes(said.replace(/\s/g, ''))) wrong.push(`dish ${index + 1}: ${said}`);
  });
  expect(wrong).toEqual([]);
  expect(figures).toBeGreaterThan(DISHES * 8);
});
