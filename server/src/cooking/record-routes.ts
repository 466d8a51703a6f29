/** Records for the inspector, as pages and tables; and the recall. */
import Joi from 'joi';
import Papa from 'papaparse';
import { dayLog, productionRecord, type Recall, safeCell, type ServiceList, setList } from '@hand-ladle/core';
import { ApiError } from '../http/errors';
import { asFile, CSV, PDF } from '../http/files';
import { type Route, route } from '../http/route';
import { date, id, tellingAll } from '../http/words';
import { pagesPdf } from '../paper/label-files';
import { listCsv } from '../serving/calendar';
import { type RecallAsked, recallOf } from './recall';
import type { CookParts } from './routes';

const paper = Joi.string().valid('a4', 'letter').default('a4');
const NEW = 'POST /api/batches';
const code = { code: Joi.string().max(40) };

const recallQuery = Joi.object<{
  pack: string;
  lot: string;
  supplier: string;
  batch: string;
  version?: number;
}>({
  pack: Joi.string()
    .trim()
    .max(200)
    .allow('')
    .default('')
    .description('The food by its id, or the product by its name'),
  lot: Joi.string().trim().max(60).allow('').default(''),
  supplier: Joi.string().trim().max(200).allow('').default(''),
  batch: Joi.string().trim().max(40).allow('').default(''),
  version: Joi.number().integer().min(1).description('Which statement of the pack'),
});

const askedOf = (query: Omit<RecallAsked, 'version'> & { version?: number }): RecallAsked => {
  const { pack, lot, supplier, batch, version = null } = query;
  if (pack === '' && lot === '' && supplier === '' && batch === '')
    throw new ApiError('bad-request', [{ message: 'say a pack, a lot, a supplier or a batch' }]);
  return { pack, lot, supplier, batch, version };
};

function recallCsv({ batches, labels, services, groups, packs, store }: Recall): string {
  const rows = [
    ...packs.map((each) => [
      'pack',
      each.code,
      each.foodName,
      each.product,
      each.supplier,
      each.lot,
      each.isWritten ? 'written down' : 'by its recipe',
    ]),
    ...batches.map((each) => [
      'batch',
      each.code,
      each.name,
      each.madeOn,
      each.useBy ?? '',
      each.evidence,
      each.groups.join('; '),
    ]),
    ...store.map((each) => [
      'store',
      each.id,
      each.name,
      each.kitchenId,
      each.lot,
      `${each.grams} g`,
      each.place,
    ]),
    ...labels.map((each) => [
      'label',
      each.batchCode,
      each.title,
      each.releaseId,
      String(each.printed),
      '',
      '',
    ]),
    ...services.map((each) => ['service', each.batchCodes.join('; '), each.name, each.date, each.id, '', '']),
    ...groups.map((each) => [
      'group',
      each.batchCodes.join('; '),
      each.name,
      each.services.join('; '),
      '',
      '',
      '',
    ]),
  ].map((row) => row.map(safeCell));
  const heads = ['what', 'batch', 'name', 'detail_1', 'detail_2', 'detail_3', 'detail_4'];
  return `${Papa.unparse([heads, ...rows], { newline: '\n' })}\n`;
}

export const recordRoutes = ({ cooking, store, today, now }: CookParts & { now: () => Date }): Route[] => {
  const recordOf = async (asked: string): Promise<{ list: ServiceList; under: string }> => {
    const { opened, counted } = await cooking.mustRecord(asked);
    const list = productionRecord(opened, counted, now().getTime());
    return { list, under: `${opened.inputs.kitchen.name}, made ${opened.madeOn}` };
  };
  const logOf = async (query: { kitchenId?: string; date?: string }) => {
    const kitchen = await store.kitchens.kitchen(query.kitchenId);
    const on = query.date ?? today(kitchen);
    const rows = await cooking.list({ kitchenId: kitchen.id, date: on });
    const batches = [];
    for (const row of rows.reverse()) {
      const { opened, counted } = await cooking.mustRecord(row.code);
      batches.push({ opened, entries: counted });
    }
    const list = dayLog(kitchen, on, batches, await cooking.day(kitchen.id, on), now().getTime());
    return { list, under: kitchen.name, on, kitchen };
  };
  const ofDay = { kitchenId: id, date };
  return [
    route({
      method: 'get',
      path: '/api/batches/:code/record',
      summary: 'The production record of a batch, in sections',
      params: code,
      answer: tellingAll('title', 'notes', 'columns', 'sections'),
      answers: 'A list in sections',
      example: { params: { code: NEW } },
      run: async ({ params }) => (await recordOf(params.code)).list,
    }),
    route({
      method: 'get',
      path: '/api/batches/:code/record.pdf',
      summary: 'The same as pages',
      params: code,
      query: Joi.object<{ paper: 'a4' | 'letter' }>({ paper }),
      file: [PDF],
      answers: 'A PDF file',
      example: { params: { code: NEW } },
      run: async ({ params, query, context }) => {
        const { list, under } = await recordOf(params.code);
        asFile(context, `record-${params.code}.pdf`, PDF);
        const pages = setList(list, { under, paper: query.paper });
        return context.body(new Uint8Array(await pagesPdf(pages, list.title)));
      },
    }),
    route({
      method: 'get',
      path: '/api/batches/:code/record.csv',
      summary: 'The same as a table',
      params: code,
      file: [CSV],
      answers: 'A CSV file',
      example: { params: { code: NEW } },
      run: async ({ params, context }) => {
        asFile(context, `record-${params.code}.csv`, CSV);
        return context.body(listCsv((await recordOf(params.code)).list));
      },
    }),
    route({
      method: 'get',
      path: '/api/safety-log',
      summary: 'Every reading of a day, with its limit and what was done where it was out',
      query: Joi.object<{ kitchenId?: string; date?: string }>(ofDay),
      answer: tellingAll('title', 'notes', 'columns', 'sections'),
      answers: 'A list in sections',
      example: { query: { kitchenId: 'alder-ward' } },
      run: async ({ query }) => (await logOf(query)).list,
    }),
    route({
      method: 'get',
      path: '/api/safety-log.pdf',
      summary: 'The same as pages',
      query: Joi.object<{ kitchenId?: string; date?: string; paper: 'a4' | 'letter' }>({ ...ofDay, paper }),
      file: [PDF],
      answers: 'A PDF file',
      example: { query: { kitchenId: 'alder-ward' } },
      run: async ({ query, context }) => {
        const { list, under, on } = await logOf(query);
        asFile(context, `safety-log-${on}.pdf`, PDF);
        const pages = setList(list, { under, paper: query.paper });
        return context.body(new Uint8Array(await pagesPdf(pages, list.title)));
      },
    }),
    route({
      method: 'get',
      path: '/api/safety-log.csv',
      summary: 'The same as a table',
      query: Joi.object<{ kitchenId?: string; date?: string }>(ofDay),
      file: [CSV],
      answers: 'A CSV file',
      example: { query: { kitchenId: 'alder-ward' } },
      run: async ({ query, context }) => {
        const { list, on } = await logOf(query);
        asFile(context, `safety-log-${on}.csv`, CSV);
        return context.body(listCsv(list));
      },
    }),
    route({
      method: 'get',
      path: '/api/recall',
      summary:
        'From a pack, lot, supplier or batch to every batch, label, service and group it is in, and back',
      query: recallQuery,
      answer: tellingAll('packs', 'batches', 'store', 'labels', 'services', 'groups', 'notes'),
      answers: 'Everything that is hit',
      example: { query: { pack: 'red-lentils' } },
      run: ({ query }) => recallOf(askedOf(query), store.tables),
    }),
    route({
      method: 'get',
      path: '/api/recall.csv',
      summary: 'The same as a table',
      query: recallQuery,
      file: [CSV],
      answers: 'A CSV file',
      example: { query: { pack: 'red-lentils' } },
      run: async ({ query, context }) => {
        asFile(context, 'recall.csv', CSV);
        return context.body(recallCsv(await recallOf(askedOf(query), store.tables)));
      },
    }),
  ];
};
