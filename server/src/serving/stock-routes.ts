/** What stands in store: packs, leftovers and what was made ahead; counted, and taken out for a service. */
import Joi from 'joi';
import {
  cookedItem,
  countSheet,
  demandOf,
  freezingProblem,
  frozenItem,
  type Kitchen,
  lotKey,
  LOTS_TOGETHER,
  NOT_FROZEN,
  type Place,
  placeOf,
  PLACES,
  setList,
  STOCK_KINDS,
  type StockItem,
  storeIn,
  thawedItem,
  thawingProblem,
} from '@hand-ladle/core';
import { ApiError } from '../http/errors';
import { asFile, CSV, PDF } from '../http/files';
import { type Route, route } from '../http/route';
import { date, grams, id, listOf, ofKitchen, tellingAll } from '../http/words';
import { pagesPdf } from '../paper/label-files';
import type { StockStore } from '../stock/store';
import type { Store } from '../store';
import { listCsv } from './calendar';
import { eatenIn, groundOf, servedIn } from './compute';
import type { CookedForServices } from './cooked';
import type { ServiceStore } from './store';

const lot = Joi.string().trim().max(60).allow('').default('');
const stockAnswer = tellingAll('id', 'kind', 'name', 'grams', 'place', 'since', 'useBy', 'version');
const amount = grams.max(10_000_000);

interface NewStock {
  kitchenId: string;
  kind: StockItem['kind'];
  grams: number;
  since: string;
  lot: string;
  foodId?: string;
  useBy?: string | null;
  place?: Place;
  recipeId?: string;
  serviceId?: string;
  versionKey?: string;
}

const newStock = Joi.object<NewStock>({
  kitchenId: id.required(),
  kind: Joi.string()
    .valid(...STOCK_KINDS)
    .required(),
  grams: amount.required(),
  since: date.required().description('The day it came or was made'),
  lot,
  foodId: id.description('Of a pack'),
  useBy: date.allow(null),
  place: Joi.string().valid(...PLACES.filter((each) => each !== 'tap')),
  recipeId: id.description('What was cooked; of a leftover of a service its version says it'),
  serviceId: Joi.string().max(80),
  versionKey: Joi.string().max(200).description('Which version of a service was cooked, by its key'),
})
  .with('serviceId', 'versionKey')
  .without('recipeId', 'serviceId')
  .without('foodId', ['recipeId', 'serviceId']);

const count = Joi.object<{ grams: number; useBy?: string | null; lot?: string; version: number }>({
  grams: Joi.number().min(0).max(10_000_000).precision(3).required(),
  useBy: date.allow(null),
  lot: Joi.string().trim().max(60).allow(''),
  version: Joi.number().integer().min(1).required(),
});

const paper = Joi.object<{ kitchenId?: string; paper: 'a4' | 'letter' }>({
  kitchenId: id,
  paper: Joi.string().valid('a4', 'letter').default('a4'),
});

export interface StockParts {
  cooking: CookedForServices;
  stock: StockStore;
  services: ServiceStore;
  store: Store;
  /** The day it is in a kitchen. */
  today: (kitchen: Kitchen) => string;
}

async function packItem(body: NewStock, { store, stock }: StockParts): Promise<StockItem> {
  const { foodId, kitchenId, grams: weight, since, useBy = null, lot: of } = body;
  const food = (await store.recipes.book()).foods.foods.get(foodId!);
  if (!food) throw new ApiError('stock-refused', [{ message: `there is no food "${foodId}"` }]);
  if (useBy !== null && useBy < since)
    throw new ApiError('stock-refused', [{ message: 'its last day lies before the day it came' }]);
  const place = body.place ?? placeOf(food);
  return {
    id: stock.newId(),
    kitchenId,
    kind: 'pack',
    name: food.name,
    foodId: food.id,
    cooked: null,
    grams: weight,
    place,
    since,
    useBy,
    lot: of,
    ...NOT_FROZEN,
  };
}

/** The lots of a tub: the batches it is known to be of, and what is typed on it. */
const together = (codes: readonly string[], typed: string): string =>
  [...new Set([...codes, ...(typed === '' ? [] : [typed])])].join(LOTS_TOGETHER);

/** What a service cooked, by the version's key, or a recipe as it is. */
async function cookedOf(body: NewStock, parts: StockParts): Promise<StockItem> {
  const { kitchenId, kind, grams: weight, since, lot: of, recipeId, serviceId, versionKey, useBy } = body;
  const { store, services, stock, cooking } = parts;
  const put = {
    id: stock.newId(),
    kind: kind as 'leftover' | 'made-ahead',
    grams: weight,
    madeOn: since,
    lot: of,
  };
  const shortened = (item: StockItem): StockItem => {
    if (useBy === undefined || useBy === null) return item;
    if (useBy > item.useBy! || useBy < since)
      throw new ApiError('stock-refused', [{ message: `it keeps until ${item.useBy!}, not until ${useBy}` }]);
    return { ...item, useBy };
  };
  if (serviceId !== undefined) {
    const { service } = await services.find(serviceId);
    if (service.kitchenId !== kitchenId)
      throw new ApiError('stock-refused', [{ message: 'that service is of another kitchen' }]);
    const ground = await groundOf(service, store, stock);
    const version = (await servedIn(ground, cooking))
      .flatMap(({ versions }) => versions)
      .find(({ key }) => key === versionKey);
    if (!version) throw new ApiError('stock-refused', [{ message: `it made no "${versionKey}"` }]);
    const { kitchen, book } = ground;
    const used = storeIn(version, demandOf(await eatenIn(ground), ground));
    const from = ground.stock.filter((item) => used.has(item.id));
    return shortened(
      cookedItem(
        { recipe: version.recipe, kitchen, target: version.sheet.target },
        // What was cooked for it is what is left of it.
        { ...put, lot: together(version.batches, of) },
        book,
        from,
      ),
    );
  }
  if (recipeId === undefined)
    throw new ApiError('stock-refused', [{ message: 'a recipe or a service must be named' }]);
  const { recipe } = await store.recipes.recipe(recipeId);
  const kitchen = await store.kitchens.kitchen(kitchenId);
  const target = { kind: 'weight' as const, grams: weight };
  // Where nobody says of which batch it is, it may be of any that was cooked of it that day.
  const codes = of === '' ? await cooking.codesOf({ recipeId, kitchenId, date: since }) : [];
  return shortened(
    cookedItem({ recipe, kitchen, target }, { ...put, lot: together(codes, of) }, await store.recipes.book()),
  );
}

/** Whether something in store is of a batch whose record says what it holds. */
async function isOfBatch({ cooked, lot: of }: StockItem, { cooking }: StockParts): Promise<boolean> {
  if (!cooked || of === '') return false;
  for (const code of of.split(LOTS_TOGETHER)) if (await cooking.isCooked(lotKey(code))) return true;
  return false;
}

const countedOn = async ({ stock, store, today }: StockParts, kitchenId: string | undefined) => {
  const kitchen = await store.kitchens.kitchen(kitchenId);
  return { kitchen, list: countSheet(await stock.list(kitchen.id), today(kitchen)) };
};

export const stockRoutes = (parts: StockParts): Route[] => {
  const { stock, store, today } = parts;
  return [
    route({
      method: 'get',
      path: '/api/stock',
      summary: 'What stands in store, first to expire first',
      query: ofKitchen,
      answer: listOf(stockAnswer),
      answers: 'Packs, leftovers and what was made ahead',
      example: { query: { kitchenId: 'pebble-school' } },
      run: async ({ query }) => stock.list((await store.kitchens.kitchen(query.kitchenId)).id),
    }),
    route({
      method: 'post',
      path: '/api/stock',
      summary: 'Puts something into store: a pack, a leftover of a service, or a batch made ahead',
      body: newStock,
      status: 201,
      answer: stockAnswer,
      answers: 'The thing, with its last day',
      example: {
        body: {
          kitchenId: 'pebble-school',
          kind: 'made-ahead',
          recipeId: 'green-dressing',
          grams: 900,
          since: '2026-11-25',
        },
      },
      run: async ({ body }) => {
        const kitchen = await store.kitchens.kitchen(body.kitchenId);
        if (body.since > parts.today(kitchen))
          throw new ApiError('stock-refused', [{ message: `${body.since} has not come yet` }]);
        if ((body.kind === 'pack') !== (body.foodId !== undefined))
          throw new ApiError('stock-refused', [
            { message: 'a pack has a food; what was cooked has a recipe or a service' },
          ]);
        const item = body.kind === 'pack' ? await packItem(body, parts) : await cookedOf(body, parts);
        return stock.add(item);
      },
    }),
    route({
      method: 'put',
      path: '/api/stock/:id',
      summary: 'A new count of something in store; nothing left takes it off the list',
      body: count,
      answer: stockAnswer,
      answers: 'The thing with its new version',
      example: { params: { id: 'POST /api/stock' }, body: { grams: 640, version: 1 } },
      run: async ({ params, body }) => {
        const item = await stock.item(params.id);
        const { useBy = item.useBy, lot: of = item.lot } = body;
        if (of !== item.lot && (await isOfBatch(item, parts)))
          throw new ApiError('stock-refused', [{ message: `it came of ${item.lot}, and stays of it` }]);
        // What was cooked keeps no longer because somebody writes a later day.
        if (item.cooked && (useBy === null || useBy > item.useBy!))
          throw new ApiError('stock-refused', [{ message: `it keeps until ${item.useBy!}` }]);
        return stock.save({ ...item, grams: body.grams, useBy, lot: of }, body.version);
      },
    }),
    ...(['freeze', 'thaw'] as const).map((act) =>
      route({
        method: 'post',
        path: `/api/stock/:id/${act}` as '/api/stock/:id/act',
        summary:
          act === 'freeze'
            ? 'Puts something that was cooked into the freezer: it keeps as long as the kitchen lets it'
            : 'Takes it out to thaw in the cold room: it keeps the days it had left, two at most',
        body: Joi.object<{ version: number }>({ version: Joi.number().integer().min(1).required() }),
        answer: stockAnswer,
        answers: 'The thing with its new last day',
        example: { params: { id: 'POST /api/stock' }, body: { version: act === 'freeze' ? 2 : 3 } },
        run: async ({ params, body }) => {
          const item = await stock.item(params.id);
          const kitchen = await store.kitchens.kitchen(item.kitchenId);
          const on = today(kitchen);
          const problem = act === 'freeze' ? freezingProblem(item, on) : thawingProblem(item, on);
          if (problem !== '') throw new ApiError('stock-refused', [{ message: problem }]);
          const next = act === 'freeze' ? frozenItem(item, on, kitchen) : thawedItem(item, on);
          return stock.save(next, body.version);
        },
      }),
    ),
    route({
      method: 'get',
      path: '/api/stock/count.pdf',
      summary: 'A sheet to count by, as pages',
      query: paper,
      file: [PDF],
      answers: 'A PDF file',
      example: { query: { kitchenId: 'pebble-school', paper: 'a4' } },
      run: async ({ query, context }) => {
        const { kitchen, list } = await countedOn(parts, query.kitchenId);
        asFile(context, `${kitchen.id}-count.pdf`, PDF);
        const pages = setList(list, { under: kitchen.name, paper: query.paper });
        return context.body(new Uint8Array(await pagesPdf(pages, list.title)));
      },
    }),
    route({
      method: 'get',
      path: '/api/stock/count.csv',
      summary: 'The same as a table',
      query: ofKitchen,
      file: [CSV],
      answers: 'A CSV file',
      example: { query: { kitchenId: 'pebble-school' } },
      run: async ({ query, context }) => {
        const { kitchen, list } = await countedOn(parts, query.kitchenId);
        asFile(context, `${kitchen.id}-count.csv`, CSV);
        return context.body(listCsv(list));
      },
    }),
  ];
};
