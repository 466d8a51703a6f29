/** A dish worked out: read, scaled, weighed, flagged, declared. Nothing is kept. */
import Joi from 'joi';
import { DRAFT_ON_ROLL } from '@hand-ladle/core';
import { asFile, PDF } from '../http/files';
import { type Route, route } from '../http/route';
import { id, listOf, ofKitchen, telling, tellingAll } from '../http/words';
import { batchSheetPdf } from '../paper/batch-sheet-pdf';
import { labelsPdf } from '../paper/label-files';
import { contentOf, setBy } from '../paper/set';
import type { Store } from '../store';
import {
  computeBatchSheet,
  computeDemand,
  computePortion,
  computeWorksheet,
  digests,
  parseText,
} from './compute';
import { batchSheetRequest, demandRequest, parseRequest, worksheetRequest } from './schemas';

const figure = Joi.number().required();
const figures = Joi.object().pattern(/^\w+$/, Joi.number());
const findings = listOf(
  telling({
    code: Joi.string().required(),
    severity: Joi.string().required(),
    lineId: Joi.string().allow(null).required(),
    message: Joi.string().required(),
  }),
).required();

const parsedLine = telling({
  text: Joi.string().allow('').required(),
  source: listOf(Joi.number().integer()).length(2).required(),
  amount: Joi.number().allow(null).required(),
  unit: Joi.string().allow(null).required(),
  food: telling({ id: id.required(), name: Joi.string().required() }).allow(null).required(),
  form: Joi.string().allow('').required(),
  optional: Joi.boolean().required(),
  grams: Joi.number().allow(null).required(),
  lowGrams: Joi.number().allow(null).required(),
  highGrams: Joi.number().allow(null).required(),
  origin: Joi.string().allow(null).required(),
  findings,
});
const parsedDish = {
  name: Joi.string().allow('').required(),
  portions: Joi.number().allow(null).required(),
  lines: listOf(parsedLine).required(),
  steps: Joi.array().required(),
  mentions: listOf(tellingAll('text', 'from', 'to', 'foodId', 'kinds', 'end')).required(),
  findings,
};

/** What every worksheet tells, whoever asks. */
export const worksheetAnswer = telling({
  factor: figure,
  finishedGrams: figure,
  portions: figure,
  portionGrams: figure,
  lines: listOf(
    telling({
      id: Joi.string().required(),
      name: Joi.string().required(),
      baseGrams: Joi.number().allow(null).required(),
      batchGrams: Joi.number().allow(null).required(),
      scaleGrams: Joi.number().allow(null).required(),
      firstGrams: Joi.number().allow(null).required(),
      heldBackGrams: Joi.number().allow(null).required(),
      loads: listOf(Joi.number()).required(),
      allergens: Joi.array().required(),
      findings,
    }),
  ).required(),
  allergens: listOf(
    telling({
      id: Joi.string().required(),
      status: Joi.string().valid('contains', 'may-contain', 'check', 'clear').required(),
      paths: listOf(Joi.string()).required(),
    }),
  ).required(),
  nutrition: telling({
    perPortion: figures.required(),
    per100g: figures.required(),
    missing: listOf(tellingAll('id', 'lineIds')).required(),
  }).required(),
  label: telling({
    regime: Joi.string().valid('us', 'eu').required(),
    figures: listOf(tellingAll('id', 'text', 'dailyValueText')).required(),
    ingredients: Joi.string().allow('').required(),
    contains: Joi.string().allow('').required(),
  }).required(),
  findings,
});

const FLATBREAD = { recipeId: 'caraway-flatbread', kitchenId: 'alder-ward' };
const FORTY = { kind: 'portions', portions: 40, portionGrams: 90 };

const digest = tellingAll(
  'id',
  'name',
  'portions',
  'portionGrams',
  'finishedGrams',
  'contains',
  'mayContain',
  'check',
  'openCount',
  'energyKcal',
  'isEnergyComplete',
);

export const worksheetRoutes = (store: Store): Route[] => [
  route({
    method: 'post',
    path: '/api/parse',
    summary: 'Reads a recipe as people write it into lines with food, amount and grams',
    body: parseRequest,
    answer: telling({ ...parsedDish, dishes: listOf(telling(parsedDish)).min(1).required() }),
    answers: 'The lines, the steps and what is unsure about them; of several dishes the first on top',
    example: {
      body: {
        text: 'Barley pot\nServes 6\n400 g pearl barley\n2 leeks, sliced\n1.2 l water',
        units: 'metric',
      },
    },
    run: ({ body }) => parseText(body, store),
  }),
  route({
    method: 'post',
    path: '/api/worksheet',
    summary: 'Batch weights, allergens, nutrition and label of a recipe for a target',
    body: worksheetRequest,
    answer: worksheetAnswer,
    answers: 'The worksheet: every figure the screen and the label show',
    example: { body: { ...FLATBREAD, target: FORTY, regime: 'eu' } },
    run: ({ body }) => computeWorksheet(body, store),
  }),
  route({
    method: 'post',
    path: '/api/portion',
    summary: "One portion: plate check, nutrients to watch, school credits, ways to the kitchen's targets",
    body: worksheetRequest,
    answer: tellingAll('plate', 'watch', 'targets'),
    answers: 'Plate, watch list, credits, targets',
    example: { body: FLATBREAD },
    run: ({ body }) => computePortion(body, store),
  }),
  route({
    method: 'post',
    path: '/api/label.pdf',
    summary: 'The per-serving label as PDF; DRAFT, because only a released one is printed without',
    body: worksheetRequest,
    file: [PDF],
    answers: 'A PDF file',
    example: { body: FLATBREAD },
    run: async ({ body, context }) => {
      const sheet = await computeWorksheet(body, store);
      const content = contentOf(sheet.label, DRAFT_ON_ROLL, { claims: [], watch: [] }, null, false);
      const pdf = await labelsPdf([{ set: setBy(content, DRAFT_ON_ROLL), quantity: 1 }], DRAFT_ON_ROLL);
      asFile(context, `label-${sheet.recipeId}.pdf`, PDF);
      return context.body(new Uint8Array(pdf));
    },
  }),
  route({
    method: 'post',
    path: '/api/batch-sheet.pdf',
    summary:
      'The batch sheet of a dish on one page: weights by load in order of use, times, allergens in words',
    body: batchSheetRequest,
    file: [PDF],
    answers: 'A PDF file',
    example: { body: { ...FLATBREAD, target: FORTY, paper: 'a4' } },
    run: async ({ body, context }) => {
      const pdf = await batchSheetPdf(await computeBatchSheet(body, store), body.paper);
      asFile(context, `batch-sheet-${body.recipeId}.pdf`, PDF);
      return context.body(new Uint8Array(pdf));
    },
  }),
  route({
    method: 'post',
    path: '/api/demand',
    summary: 'The components that several dishes need together, each made once',
    body: demandRequest,
    answer: listOf(tellingAll('componentId', 'name', 'neededGrams', 'madeGrams', 'surplusGrams', 'loads')),
    answers: 'Components with their need, batch, loads and surplus',
    example: {
      body: {
        kitchenId: 'alder-ward',
        dishes: [{ recipeId: 'celeriac-bean-bake' }, { recipeId: 'barley-leek-white-bean-pot' }],
      },
    },
    run: ({ body }) => computeDemand(body, store),
  }),
  route({
    method: 'get',
    path: '/api/recipes',
    summary: 'All dishes, each in one line',
    query: ofKitchen,
    answer: listOf(digest),
    answers: 'Digests',
    example: { query: { kitchenId: 'alder-ward' } },
    run: ({ query }) => digests(query.kitchenId, store),
  }),
];
