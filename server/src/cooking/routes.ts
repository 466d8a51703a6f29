/** Batches over HTTP: opened, written to, read as they stand, and labelled as they were cooked. */
import Joi from 'joi';
import {
  CAUTION,
  type CookedBatchView,
  groundOfBatch,
  keptTold,
  LABEL_KINDS,
  type LabelKind,
  type StatementStyle,
} from '@hand-ladle/core';
import type { People } from '../accounts/people';
import { personOf } from '../accounts/session';
import { ApiError } from '../http/errors';
import { type Route, route } from '../http/route';
import { date, id, listOf, tellingAll } from '../http/words';
import type { Batches } from '../labels/batches';
import { type Releases, withoutInputs } from '../labels/releases';
import { labelStyle } from '../labels/schemas';
import { openingOf, type OpenParts } from './open';
import { dayQuery, entriesRequest, newBatch, type SentEntries } from './schemas';
import { type CookStore, dayLogOf } from './store';
import type { Recorder } from './write';

export interface CookParts extends OpenParts {
  cooking: CookStore;
  recorder: Recorder;
  people: People;
  batches: Batches;
  releases: Releases;
}

const NEW = 'POST /api/batches';
const written = tellingAll('accepted', 'refused');

const code = { code: Joi.string().max(40) };

export const batchRoutes = (parts: CookParts): Route[] => {
  const { cooking, recorder, people, batches, releases, store, today } = parts;
  return [
    route({
      method: 'get',
      path: '/api/batches',
      summary: 'Batches of a kitchen that are cooked, newest first',
      query: Joi.object<{
        kitchenId?: string;
        date?: string;
        serviceId?: string;
        recipeId?: string;
        open: boolean;
      }>({
        recipeId: id,
        kitchenId: id,
        date,
        serviceId: Joi.string().max(80),
        open: Joi.boolean().default(false).description('Only those that are not closed'),
      }),
      answer: listOf(tellingAll('code', 'name', 'recipeId', 'madeOn', 'phase')),
      answers: 'Batches',
      example: { query: { kitchenId: 'alder-ward', open: 'true' } },
      run: async ({ query }) => {
        const kitchen = await store.kitchens.kitchen(query.kitchenId);
        const { date: on, serviceId, recipeId, open } = query;
        return cooking.list({
          kitchenId: kitchen.id,
          ...(on ? { date: on } : {}),
          ...(serviceId ? { serviceId } : {}),
          ...(recipeId ? { recipeId } : {}),
          isOpen: open,
        });
      },
    }),
    route({
      method: 'post',
      path: '/api/batches',
      summary: 'Opens a batch to be cooked: of a dish, or of a version of a service',
      body: newBatch,
      status: 201,
      answer: tellingAll('code'),
      answers: 'Its code',
      example: {
        body: {
          recipeId: 'red-lentil-tomato-soup',
          kitchenId: 'alder-ward',
          target: { kind: 'portions', portions: 40, portionGrams: 300 },
        },
      },
      run: async ({ body }) => {
        const opening = await openingOf(body, parts);
        const opened = await cooking.open(opening);
        const { planned } = groundOfBatch((await cooking.mustRecord(opened.code)).opened);
        return {
          ...opened,
          madeOn: opening.madeOn,
          loads: planned.loadCount,
          finishedGrams: planned.finishedGrams,
        };
      },
    }),
    route({
      method: 'post',
      path: '/api/batches/:code/entries',
      summary: 'Writes entries into the record of a batch: each once, however often it is sent',
      params: code,
      body: entriesRequest,
      answer: written,
      answers: 'Ids that are in the record now, and those that cannot be with the reason',
      example: {
        params: { code: NEW },
        body: {
          entries: [{ id: 'a-1', at: '2026-11-25T09:05:00Z', kind: 'note', words: 'The water was cold' }],
        },
      },
      run: async ({ params, body, context }) => {
        const by = await personOf(context, people);
        return recorder.write({ code: params.code }, body, by?.name ?? null);
      },
    }),
    route({
      method: 'get',
      path: '/api/batches/:code',
      summary:
        'A batch by its code: its label, its record in order, where it stands, and the worksheet of what really went in',
      params: code,
      answer: tellingAll(
        'code',
        'madeOn',
        'useBy',
        'grams',
        'madeBy',
        'release',
        'entries',
        'state',
        'worksheet',
      ),
      answers: 'The batch',
      example: { params: { code: NEW } },
      run: async ({ params }): Promise<CookedBatchView> => {
        const label = await batches.batch(params.code);
        const found = await cooking.standing(params.code);
        return {
          ...label,
          grams: found?.state.finishedGrams ?? label.grams,
          madeBy: label.madeBy || (found?.opened.openedBy ?? ''),
          opened: found?.opened ?? null,
          entries: found?.entries.map(keptTold) ?? [],
          state: found?.state ?? null,
          worksheet: found?.worksheet ?? null,
          differences: found?.differences ?? [],
        };
      },
    }),
    route({
      method: 'post',
      path: '/api/batches/:code/label',
      summary: 'Hands in a label of the batch as it was cooked, as a draft that somebody must check',
      role: 'cook',
      params: code,
      body: Joi.object<{ kind: LabelKind; style: StatementStyle; claims: string[] }>({
        kind: Joi.string()
          .valid(...LABEL_KINDS)
          .default('serving'),
        style: labelStyle,
        claims: Joi.array().items(Joi.string().max(60)).max(20).unique().default([]),
      }),
      status: 201,
      answer: tellingAll('id', 'state', 'openPoints', 'label'),
      answers: 'The label',
      example: { params: { code: NEW }, body: {} },
      run: async ({ params, body, by }) => {
        const { opened } = await cooking.mustRecord(params.code);
        const asked = {
          ...body,
          recipeId: opened.recipeId,
          kitchenId: opened.kitchenId,
          batchCode: opened.code,
        };
        return withoutInputs(await releases.draft(asked, by));
      },
    }),
    route({
      method: 'get',
      path: '/api/day-log',
      summary: 'The record of a day of a kitchen: rounds, deliveries, the probe',
      query: dayQuery,
      answer: tellingAll('kitchenId', 'date', 'entries', 'caution'),
      answers: 'Entries in order',
      example: { query: { kitchenId: 'alder-ward' } },
      run: async ({ query }) => {
        const kitchen = await store.kitchens.kitchen(query.kitchenId);
        const on = query.date ?? today(kitchen);
        return {
          kitchenId: kitchen.id,
          date: on,
          entries: (await cooking.day(kitchen.id, on)).map(keptTold),
          caution: CAUTION,
        };
      },
    }),
    route({
      method: 'post',
      path: '/api/day-log/entries',
      summary: 'Writes readings and what was done about them into the record of a day',
      body: entriesRequest.append<SentEntries & { kitchenId: string; date?: string }>({
        kitchenId: id.required(),
        date,
      }),
      answer: written,
      answers: 'Ids that are in the record now, and those that cannot be with the reason',
      example: {
        body: {
          kitchenId: 'alder-ward',
          entries: [
            {
              id: 'day-1',
              at: '2026-11-25T09:00:00Z',
              kind: 'reading',
              point: 'cold-hold',
              where: 'Cold room',
              celsius: 4.1,
            },
          ],
        },
      },
      run: async ({ body, context }) => {
        const kitchen = await store.kitchens.kitchen(body.kitchenId);
        const on = body.date ?? today(kitchen);
        if (on > today(kitchen)) throw new ApiError('batch-refused', [{ message: `${on} has not come yet` }]);
        const by = await personOf(context, people);
        return recorder.write({ day: dayLogOf(kitchen.id, on) }, body, by?.name ?? null);
      },
    }),
  ];
};
