/** Services: heads in, versions, demand, plan and lists out; and the bare scheduling of tasks on machines. */
import Joi from 'joi';
import Papa from 'papaparse';
import {
  clockText,
  demandOf,
  faultText,
  headsFromRows,
  type Kitchen,
  planTold,
  platesFrom,
  plateText,
  scheduleFaults,
  type Service,
  serviceOf,
  serviceWorkOf,
  setList,
} from '@hand-ladle/core';
import { ApiError } from '../http/errors';
import { asFile, CSV, PDF } from '../http/files';
import { type Route, route } from '../http/route';
import { listOf, ofKitchen, telling, tellingAll } from '../http/words';
import { pagesPdf } from '../paper/label-files';
import type { StockStore } from '../stock/store';
import type { Store } from '../store';
import { calendarOf, listCsv, tasksCsv } from './calendar';
import {
  eatenIn,
  groundOf,
  helpsFor,
  listOfService,
  LISTS,
  mustStand,
  plannedIn,
  scheduledIn,
  viewOf,
} from './compute';
import type { CookedForServices } from './cooked';
import { headsRequest, newService, planWish, savedService, scheduleRequest } from './schemas';
import { savedTold, type ServiceStore } from './store';
import { takingRoutes } from './taking-routes';

const ICS = 'text/calendar; charset=utf-8';
const NEW = 'POST /api/services';

const serviceAnswer = tellingAll(
  'id',
  'kitchenId',
  'date',
  'meal',
  'readyAt',
  'heads',
  'dishes',
  'team',
  'version',
);
const planAnswer = tellingAll(
  'feasible',
  'tasks',
  'makespanMinutes',
  'lowerBoundMinutes',
  'shortOf',
  'holds',
  'late',
  'lacking',
);
const paper = Joi.object<{ paper: 'a4' | 'letter' }>({
  paper: Joi.string().valid('a4', 'letter').default('a4'),
});

const EXAMPLE = {
  kitchenId: 'pebble-school',
  date: '2026-12-01',
  meal: 'Lunch',
  readyAt: '12:00',
  heads: [
    { groupId: 'everyone', heads: 40 },
    { groupId: 'gluten-free', heads: 3, codes: ['3A-2', '3A-9', '4B-1'] },
  ],
  dishes: [{ recipeId: 'red-lentil-tomato-soup' }, { recipeId: 'caraway-flatbread', course: 'bread' }],
};

const underOf = ({ name }: Kitchen, { meal, date, readyMinute }: Service): string =>
  `${name}: ${meal}, ${date}, ready at ${clockText(readyMinute)}`;

export interface ServingParts {
  cooking: CookedForServices;
  services: ServiceStore;
  stock: StockStore;
  store: Store;
}

/** One list of a service, as pages and as a table. */
const listRoutes = ({ services, store, stock, cooking }: ServingParts): Route[] =>
  LISTS.flatMap((list) => [
    route({
      method: 'get',
      path: `/api/services/:id/${list}.pdf` as '/api/services/:id/list.pdf',
      summary: `The ${list} list of a service, as pages`,
      query: paper,
      file: [PDF],
      answers: 'A PDF file',
      example: { params: { id: NEW }, query: { paper: 'a4' } },
      run: async ({ params, query, context }) => {
        const { service } = await services.find(params.id);
        const ground = await groundOf(service, store, stock);
        const told = await listOfService(list, ground, cooking);
        const pages = setList(told, { under: underOf(ground.kitchen, service), paper: query.paper });
        asFile(context, `${service.id}-${list}.pdf`, PDF);
        return context.body(new Uint8Array(await pagesPdf(pages, told.title)));
      },
    }),
    route({
      method: 'get',
      path: `/api/services/:id/${list}.csv` as '/api/services/:id/list.csv',
      summary: `The ${list} list of a service, as a table`,
      file: [CSV],
      answers: 'A CSV file',
      example: { params: { id: NEW } },
      run: async ({ params, context }) => {
        const { service } = await services.find(params.id);
        asFile(context, `${service.id}-${list}.csv`, CSV);
        return context.body(
          listCsv(await listOfService(list, await groundOf(service, store, stock), cooking)),
        );
      },
    }),
    route({
      method: 'get',
      path: `/api/services/:id/${list}` as '/api/services/:id/list',
      summary: `The ${list} list of a service`,
      answer: tellingAll('title', 'notes', 'columns', 'sections'),
      answers: 'A list in sections',
      example: { params: { id: NEW } },
      run: async ({ params }) => {
        const { service } = await services.find(params.id);
        return listOfService(list, await groundOf(service, store, stock), cooking);
      },
    }),
  ]);

/** A plan as files. */
const fileRoutes = ({ services, store, stock }: ServingParts): Route[] => {
  const planOf = async (id: string) => {
    const { service } = await services.find(id);
    const ground = await groundOf(service, store, stock);
    return { service, ground, plan: await plannedIn(ground, undefined) };
  };
  return [
    route({
      method: 'get',
      path: '/api/services/:id.ics',
      summary: 'The plan of a service as a calendar',
      file: [ICS],
      answers: 'A calendar file',
      example: { params: { id: NEW } },
      run: async ({ params, context }) => {
        const { service, ground, plan } = await planOf(params.id);
        asFile(context, `${service.id}.ics`, ICS);
        return context.body(calendarOf(plan, service, ground.kitchen.name));
      },
    }),
    route({
      method: 'get',
      path: '/api/services/:id.csv',
      summary: 'The plan of a service as a table, a task a row',
      file: [CSV],
      answers: 'A CSV file',
      example: { params: { id: NEW } },
      run: async ({ params, context }) => {
        const { service, plan } = await planOf(params.id);
        asFile(context, `${service.id}.csv`, CSV);
        return context.body(tasksCsv(plan, service));
      },
    }),
  ];
};

export const serviceRoutes = (parts: ServingParts): Route[] => {
  const { services, store, stock, cooking } = parts;
  return [
    route({
      method: 'post',
      path: '/api/schedule',
      summary: 'Tasks on machines that are shared: a short plan, how short one could be, and what is short',
      body: scheduleRequest,
      answer: tellingAll('feasible', 'makespanMinutes', 'lowerBoundMinutes', 'tasks', 'shortOf', 'isProven'),
      answers: 'The plan; minutes are whole numbers from its beginning',
      example: {
        body: {
          resources: [
            { id: 'oven', capacity: 4 },
            { id: 'hands', capacity: 2 },
          ],
          tasks: [
            { id: 'cut roots', minutes: 20, needs: [{ resource: 'hands', amount: 1 }], after: [] },
            {
              id: 'roast roots',
              minutes: 35,
              needs: [{ resource: 'oven', amount: 3, setting: 200 }],
              after: ['cut roots'],
            },
            {
              id: 'bake',
              minutes: 30,
              needs: [{ resource: 'oven', amount: 2, setting: 170 }],
              after: [],
              deadline: 120,
            },
          ],
        },
      },
      run: ({ body: { seconds, ...problem } }) => {
        const faults = scheduleFaults(problem);
        if (faults.length > 0)
          throw new ApiError(
            'bad-request',
            faults.map((fault) => ({ ...fault, message: faultText(fault) })),
          );
        return scheduledIn(problem, seconds);
      },
    }),
    route({
      method: 'post',
      path: '/api/services',
      summary: 'A new service: who eats, what is on, when it is ready',
      body: newService,
      status: 201,
      answer: serviceAnswer,
      answers: 'The service with its id',
      example: { body: EXAMPLE },
      run: async ({ body }) => {
        const service = serviceOf('new', body);
        await mustStand(service, store);
        const saved = await services.create(service);
        return savedTold(saved);
      },
    }),
    route({
      method: 'post',
      path: '/api/services/heads',
      summary: 'Heads read from a table (group, heads, site, portion in grams, codes); nothing is kept',
      body: headsRequest,
      answer: tellingAll('heads', 'taken', 'refused'),
      answers: 'Heads by group and site, and every row that was refused with the reason',
      example: {
        body: {
          kitchenId: 'pebble-school',
          text: 'group;heads;site\nNo gluten;6;Class 3\nNo gluten;x;Class 4',
        },
      },
      run: async ({ body }) => {
        const kitchen = await store.kitchens.kitchen(body.kitchenId);
        const { data } = Papa.parse<string[]>(body.text.trim(), { delimitersToGuess: ['\t', ';', ',', '|'] });
        return headsFromRows(data, kitchen);
      },
    }),
    route({
      method: 'get',
      path: '/api/services',
      summary: 'The services of a kitchen, the latest day first',
      query: ofKitchen,
      answer: listOf(serviceAnswer),
      answers: 'Services',
      example: { query: { kitchenId: 'pebble-school' } },
      run: async ({ query }) => {
        const kitchen = await store.kitchens.kitchen(query.kitchenId);
        const saved = await services.list(kitchen.id);
        return saved.map(savedTold);
      },
    }),
    ...listRoutes(parts),
    ...fileRoutes(parts),
    route({
      method: 'get',
      path: '/api/services/:id/demand',
      summary: 'What has to be had for a service: every food and component, with packs and prices',
      answer: tellingAll(
        'lines',
        'components',
        'unknown',
        'price',
        'unpriced',
        'portions',
        'pricePerPortion',
      ),
      answers: 'The demand',
      example: { params: { id: NEW } },
      run: async ({ params }) => {
        const ground = await groundOf((await services.find(params.id)).service, store, stock);
        return demandOf(await eatenIn(ground), ground);
      },
    }),
    route({
      method: 'post',
      path: '/api/services/:id/plan',
      summary: 'The plan of a service, backwards from the minute it is ready',
      body: planWish,
      answer: planAnswer,
      answers: 'Tasks with their minutes of the day of the service; negative minutes are the days before',
      example: { params: { id: NEW }, body: { seconds: 1 } },
      run: async ({ params, body }) => {
        const { service } = await services.find(params.id);
        // Pins that somebody tries are planned with, and not kept.
        const asked = body.pins ? { ...service, pins: body.pins } : service;
        return planTold(await plannedIn(await groundOf(asked, store, stock), body.seconds), service);
      },
    }),
    route({
      method: 'get',
      path: '/api/services/:id/work',
      summary: 'The work of a service before it has its times: what a search elsewhere plans',
      answer: tellingAll('tasks', 'problem', 'order'),
      answers: 'Tasks and the problem they make, counted backwards from the bell',
      example: { params: { id: NEW } },
      run: async ({ params }) => {
        const ground = await groundOf((await services.find(params.id)).service, store, stock);
        return serviceWorkOf(await eatenIn(ground), ground);
      },
    }),
    route({
      method: 'get',
      path: '/api/services/:id/plates',
      summary: 'Plates that can be built for a service of the components that stand cooked in store',
      answer: listOf(tellingAll('name', 'bases', 'portions', 'portionGrams', 'served', 'notServed', 'text')),
      answers: 'Plates, the best first, each with the text of its recipe',
      example: { params: { id: NEW } },
      run: async ({ params }) => {
        const {
          service,
          stock: items,
          ...ground
        } = await groundOf((await services.find(params.id)).service, store, stock);
        return platesFrom(items, service.date, ground).map((plate) => ({ ...plate, text: plateText(plate) }));
      },
    }),
    route({
      method: 'post',
      path: '/api/services/:id/helps',
      summary: 'What would help a service that cannot be ready: one thing at a time, each planned anew',
      answer: listOf(tellingAll('text', 'begins')),
      answers: 'What would be enough; empty where it can be ready as it is, or no single thing is enough',
      example: { params: { id: NEW } },
      run: async ({ params }) =>
        helpsFor(await groundOf((await services.find(params.id)).service, store, stock), store),
    }),
    route({
      method: 'get',
      path: '/api/services/:id',
      summary:
        'A service with its dishes in the fewest versions that feed every group, and portions by group',
      answer: telling({
        id: Joi.string().required(),
        version: Joi.number().required(),
        eaten: Joi.array().required(),
        faults: Joi.array().required(),
      }),
      answers: 'The service',
      example: { params: { id: NEW } },
      run: async ({ params }) => {
        const saved = await services.find(params.id);
        return { ...savedTold(saved), ...(await viewOf(saved.service, store, stock, cooking)) };
      },
    }),
    route({
      method: 'put',
      path: '/api/services/:id',
      summary: 'Changes a service: late heads, another dish, a machine that broke',
      body: savedService,
      answer: serviceAnswer,
      answers: 'The service with its new version',
      example: {
        params: { id: NEW },
        body: {
          ...EXAMPLE,
          heads: [
            { groupId: 'everyone', heads: 40 },
            { groupId: 'gluten-free', heads: 10 },
          ],
          version: 1,
        },
      },
      run: async ({ params, body: { version, ...told } }) => {
        const { service: before } = await services.find(params.id);
        if (told.kitchenId !== before.kitchenId)
          throw new ApiError('service-refused', [{ message: 'a service stays in its kitchen' }]);
        // What was taken out of store is not for the sender to say.
        const service = { ...serviceOf(params.id, told), taken: before.taken };
        await mustStand(service, store);
        const saved = await services.save(service, version);
        return savedTold(saved);
      },
    }),
    ...takingRoutes(parts),
    route({
      method: 'delete',
      path: '/api/services/:id',
      summary: 'Takes a service off the list',
      answer: tellingAll('id'),
      answers: 'Its id',
      example: { params: { id: NEW } },
      run: ({ params }) => services.remove(params.id),
    }),
  ];
};
