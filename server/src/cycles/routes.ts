/** Cycle menus: kept, judged, turned into services, and hung out. */
import Joi from 'joi';
import Papa from 'papaparse';
import {
  type Cycle,
  cycleFaults,
  cycleFaultText,
  type CycleJudgement,
  judgeSteps,
  type Kitchen,
  type MenuDay,
  menuDays,
  menuList,
  type MenuRow,
  menuRow,
  MOST_MEALS,
  MOST_WEEKS,
  safeCell,
  serviceOf,
  servicesFrom,
  setList,
  weekdayOf,
  worksheet,
} from '@hand-ladle/core';
import { ApiError } from '../http/errors';
import { asFile, CSV, PDF } from '../http/files';
import { type Route, route } from '../http/route';
import { date, id, listOf, ofKitchen, tellingAll } from '../http/words';
import { pagesPdf } from '../paper/label-files';
import { dishesOf } from '../serving/compute';
import { clock, menuDishes } from '../serving/schemas';
import { savedTold, type ServiceStore } from '../serving/store';
import type { Store } from '../store';
import { menuPage } from './page';
import type { CycleStore, SavedCycle } from './store';

const meal = Joi.string().trim().min(1).max(60);

const fields = {
  name: Joi.string().trim().max(120).allow('').default(''),
  weeks: Joi.number().integer().min(1).max(MOST_WEEKS).required(),
  startsOn: date.required().description('A Monday'),
  meals: Joi.array()
    .items(Joi.object({ name: meal.required(), readyAt: clock.required() }))
    .min(1)
    .max(MOST_MEALS)
    .required(),
  slots: Joi.array()
    .items(
      Joi.object({
        week: Joi.number().integer().min(1).max(MOST_WEEKS).required(),
        day: Joi.number().integer().min(1).max(7).required(),
        meal: meal.required(),
        dishes: menuDishes.required(),
      }),
    )
    .max(MOST_WEEKS * 7 * MOST_MEALS)
    .required(),
};
const told = Joi.object<Omit<Cycle, 'kitchenId'> & { version: number }>({
  ...fields,
  version: Joi.number().integer().min(0).required().description('0 where there was none'),
});

/** Most days of one menu or one filling: eight weeks. */
const MOST_DAYS = 56;
const DAY_MS = 86_400_000;
interface Span {
  from: string;
  to: string;
}
const span = {
  from: date.required(),
  to: date.required(),
};
/** Days from one to another, not more than a cycle is long. */
function mustBeSpan({ from, to }: Span): void {
  const days = (Date.parse(to) - Date.parse(from)) / DAY_MS + 1;
  if (days < 1 || days > MOST_DAYS)
    throw new ApiError('bad-request', [{ message: `from ${from} to ${to} is not 1 to ${MOST_DAYS} days` }]);
}
const ofDays = Joi.object<Span>(span);
const onPaper = Joi.object<Span & { paper: 'a4' | 'letter' }>({
  ...span,
  paper: Joi.string().valid('a4', 'letter').default('a4'),
});

const cycleAnswer = tellingAll('kitchenId', 'weeks', 'startsOn', 'meals', 'slots', 'version');
const HTML = 'text/html; charset=utf-8';

export interface CycleParts {
  cycles: CycleStore;
  services: ServiceStore;
  store: Store;
  today: (kitchen: Kitchen) => string;
}

const EXAMPLE = {
  name: 'Autumn',
  weeks: 2,
  startsOn: '2026-11-30',
  meals: [{ name: 'Lunch', readyAt: '12:00' }],
  slots: [
    { week: 1, day: 1, meal: 'Lunch', dishes: [{ recipeId: 'red-lentil-tomato-soup', course: 'soup' }] },
    { week: 1, day: 2, meal: 'Lunch', dishes: [{ recipeId: 'celeriac-bean-bake', course: 'main' }] },
  ],
};
const SCHOOL = { kitchenId: 'pebble-school' };

/** The cycle of a kitchen, and an empty one of two weeks from this Monday on where none was planned. */
async function cycleOf({ cycles, today }: CycleParts, kitchen: Kitchen): Promise<SavedCycle> {
  const found = await cycles.find(kitchen.id);
  if (found) return found;
  const now = today(kitchen);
  const monday = new Date(Date.parse(now) - (weekdayOf(now) - 1) * DAY_MS).toISOString().slice(0, 10);
  return {
    kitchenId: kitchen.id,
    name: '',
    weeks: 2,
    startsOn: monday,
    meals: [{ name: 'Lunch', readyAt: '12:00' }],
    slots: [],
    version: 0,
  };
}

/** Others are answered between two dishes of a long computation. */
const breathe = (): Promise<void> => new Promise((done) => setImmediate(done));

async function judged(cycle: Cycle, kitchen: Kitchen, store: Store): Promise<CycleJudgement> {
  const ground = { book: await store.recipes.book(), dishes: await dishesOf(store) };
  const steps = judgeSteps(cycle, kitchen, ground);
  for (;;) {
    const { value, done } = steps.next();
    if (done) return value;
    await breathe();
  }
}

/** The menu of some days, with each dish's allergens from its worksheet. */
async function daysOf(
  parts: CycleParts,
  kitchenId: string,
  asked: Span,
): Promise<{ kitchen: Kitchen; days: MenuDay[] }> {
  mustBeSpan(asked);
  const { store } = parts;
  const kitchen = await store.kitchens.kitchen(kitchenId);
  const cycle = await cycleOf(parts, kitchen);
  const book = await store.recipes.book();
  const dishes = await dishesOf(store);
  const rows = new Map<string, MenuRow>();
  for (const recipeId of new Set(cycle.slots.flatMap((slot) => slot.dishes.map((each) => each.recipeId)))) {
    const recipe = dishes.get(recipeId);
    if (!recipe) continue;
    const target = {
      kind: 'portions' as const,
      portions: Math.max(1, recipe.portions),
      portionGrams: recipe.portionGrams ?? 300,
    };
    rows.set(recipeId, menuRow(worksheet({ recipe, kitchen, target }, book), recipe));
    await breathe();
  }
  return { kitchen, days: menuDays(cycle, rows, asked.from, asked.to) };
}

const menuCsv = (days: readonly MenuDay[]): string => {
  const rows = days.flatMap(({ date: on, weekday, meals }) =>
    meals.flatMap(({ name, dishes }) =>
      dishes.map((dish) => [on, weekday, ...[name, dish.course, dish.name, dish.allergens].map(safeCell)]),
    ),
  );
  return `${Papa.unparse([['date', 'weekday', 'meal', 'course', 'dish', 'allergens'], ...rows], { newline: '\n' })}\n`;
};

const SPAN_EXAMPLE = { from: '2026-11-30', to: '2026-12-11' };

export const cycleRoutes = (parts: CycleParts): Route[] => {
  const { cycles, services, store } = parts;
  const ofParams = Joi.object({ kitchenId: id.required() });
  return [
    route({
      method: 'get',
      path: '/api/cycles',
      summary: 'The cycle menu of a kitchen; an empty one where none was planned (version 0)',
      query: ofKitchen,
      answer: cycleAnswer,
      answers: 'The cycle',
      example: { query: SCHOOL },
      run: async ({ query }) => cycleOf(parts, await store.kitchens.kitchen(query.kitchenId)),
    }),
    route({
      method: 'put',
      path: '/api/cycles/:kitchenId',
      summary: 'Changes the cycle menu of a kitchen',
      params: { kitchenId: ofParams.extract('kitchenId') },
      body: told,
      answer: cycleAnswer,
      answers: 'The cycle with its new version',
      example: { params: { kitchenId: 'lock-counter' }, body: { ...EXAMPLE, version: 1 } },
      run: async ({ params, body: { version, ...rest } }) => {
        await store.kitchens.kitchen(params.kitchenId);
        const cycle: Cycle = { kitchenId: params.kitchenId, ...rest };
        const faults = cycleFaults(cycle, await dishesOf(store));
        if (faults.length > 0)
          throw new ApiError(
            'cycle-refused',
            faults.map((fault) => ({ ...fault, message: cycleFaultText(fault) })),
          );
        return cycles.save(cycle, version);
      },
    }),
    route({
      method: 'get',
      path: '/api/cycles/:kitchenId/judged',
      summary:
        'A cycle as a whole: repeats, groups without a choice, plate, energy, targets and cost by day and week',
      answer: tellingAll('weeks', 'findings'),
      answers: 'Weeks with their days, and what was found',
      example: { params: SCHOOL },
      run: async ({ params }) => {
        const kitchen = await store.kitchens.kitchen(params.kitchenId);
        return judged(await cycleOf(parts, kitchen), kitchen, store);
      },
    }),
    route({
      method: 'post',
      path: '/api/cycles/:kitchenId/services',
      summary:
        'Services of some days from the cycle, with the usual heads; a meal that is planned already is left as it is',
      body: ofDays,
      status: 201,
      answer: tellingAll('made', 'there', 'gone'),
      answers:
        'The services that were made, how many were there already, and dishes that are in the book no more',
      example: { params: SCHOOL, body: { from: '2027-01-04', to: '2027-01-05' } },
      run: async ({ params, body }) => {
        mustBeSpan(body);
        const kitchen = await store.kitchens.kitchen(params.kitchenId);
        const dishes = await dishesOf(store);
        const wanted = servicesFrom(await cycleOf(parts, kitchen), kitchen, body.from, body.to);
        // A dish that was taken out of the book since is on no service.
        const gone = wanted.flatMap((each) =>
          each.dishes.flatMap(({ recipeId }) => (dishes.has(recipeId) ? [] : [recipeId])),
        );
        const whole = wanted
          .map((each) => ({ ...each, dishes: each.dishes.filter(({ recipeId }) => dishes.has(recipeId)) }))
          .filter((each) => each.dishes.length > 0)
          .map((each) => serviceOf('new', each));
        const made = (await services.createMissing(kitchen.id, whole, store.database)).map(savedTold);
        return { made, there: whole.length - made.length, gone: [...new Set(gone)] };
      },
    }),
    route({
      method: 'get',
      path: '/api/cycles/:kitchenId/menu',
      summary: 'The menu of some days with allergens in words',
      query: ofDays,
      answer: listOf(tellingAll('date', 'weekday', 'meals')),
      answers: 'A day a row',
      example: { params: SCHOOL, query: SPAN_EXAMPLE },
      run: async ({ params, query }) => (await daysOf(parts, params.kitchenId, query)).days,
    }),
    route({
      method: 'get',
      path: '/api/cycles/:kitchenId/menu.html',
      summary: 'The same as a page to hang out or to link to',
      query: ofDays,
      file: [HTML],
      answers: 'A page',
      example: { params: SCHOOL, query: SPAN_EXAMPLE },
      run: async ({ params, query, context }) => {
        const { kitchen, days } = await daysOf(parts, params.kitchenId, query);
        return context.html(menuPage(days, kitchen.name, query.from, query.to));
      },
    }),
    route({
      method: 'get',
      path: '/api/cycles/:kitchenId/menu.pdf',
      summary: 'The same on paper',
      query: onPaper,
      file: [PDF],
      answers: 'A PDF file',
      example: { params: SCHOOL, query: SPAN_EXAMPLE },
      run: async ({ params, query, context }) => {
        const { kitchen, days } = await daysOf(parts, params.kitchenId, query);
        const list = menuList(days, 'Menu');
        asFile(context, `${kitchen.id}-menu.pdf`, PDF);
        const under = `${kitchen.name}, ${query.from} to ${query.to}`;
        return context.body(
          new Uint8Array(await pagesPdf(setList(list, { under, paper: query.paper }), 'Menu')),
        );
      },
    }),
    route({
      method: 'get',
      path: '/api/cycles/:kitchenId/menu.csv',
      summary: 'The same as a table',
      query: ofDays,
      file: [CSV],
      answers: 'A CSV file',
      example: { params: SCHOOL, query: SPAN_EXAMPLE },
      run: async ({ params, query, context }) => {
        const { kitchen, days } = await daysOf(parts, params.kitchenId, query);
        asFile(context, `${kitchen.id}-menu.csv`, CSV);
        return context.body(menuCsv(days));
      },
    }),
  ];
};
