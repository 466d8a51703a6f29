/** Kitchens over HTTP: what they set for themselves, and the weights and names they keep. */
import Joi from 'joi';
import { loadEquipment } from '@hand-ladle/data';
import { type Route, route } from '../http/route';
import { id, listOf, telling, tellingAll } from '../http/words';
import { kitchenRequest, nameRequest, newKitchenRequest, weightRequest } from './schemas';
import type { KitchenStore } from './store';

/** What every kitchen tells. */
export const kitchenAnswer = tellingAll(
  'id',
  'name',
  'regime',
  'units',
  'vessels',
  'scales',
  'pans',
  'standard',
  'service',
  'policy',
  'diners',
  'packs',
  'weights',
  'names',
  'words',
  'swaps',
  'ratings',
);
const saved = telling({
  kitchen: kitchenAnswer.required(),
  version: Joi.number().integer().min(1).required(),
});

const SETTINGS = {
  name: 'Fennel Yard',
  regime: 'eu',
  units: 'metric',
  coconutIsTreeNut: false,
  transferLoss: 0.02,
  policy: { mayContain: 'refuse', check: 'refuse' },
  standard: {
    isWholeFood: false,
    fryingFat: 'as written',
    salt: 'as written',
    pulses: 'as written',
    cream: 'as written',
    egg: 'as written',
    tofu: 'as written',
    build: 'as written',
    amounts: 'tasted and noted',
  },
  vessels: [],
  scales: [
    { id: 'bench', name: 'Bench scale', capacityGrams: 15000, bands: [{ belowGrams: 15000, stepGrams: 1 }] },
  ],
  pans: [],
};

export const kitchenRoutes = (kitchens: KitchenStore): Route[] => [
  route({
    method: 'get',
    path: '/api/equipment',
    summary: 'Sets of machines, scales and pans to start a kitchen from',
    answer: listOf(tellingAll('id', 'name')),
    answers: 'Equipment sets',
    example: {},
    run: () => loadEquipment(),
  }),
  route({
    method: 'get',
    path: '/api/kitchens',
    summary: 'All kitchens with their packs and weights',
    answer: listOf(kitchenAnswer),
    answers: 'Kitchens',
    example: {},
    run: () => kitchens.all(),
  }),
  route({
    method: 'post',
    path: '/api/kitchens',
    summary: 'A new kitchen',
    body: newKitchenRequest,
    status: 201,
    answer: saved,
    answers: 'The kitchen and its version',
    example: { body: { id: 'fennel-yard', settings: SETTINGS } },
    run: ({ body }) => kitchens.create(body.id, body.settings),
  }),
  route({
    method: 'get',
    path: '/api/kitchens/:id',
    summary: 'One kitchen with its version',
    params: { id },
    answer: saved,
    answers: 'The kitchen and its version',
    example: { params: { id: 'fennel-yard' } },
    run: ({ params }) => kitchens.saved(params.id),
  }),
  route({
    method: 'put',
    path: '/api/kitchens/:id',
    summary: "Saves a kitchen's settings over the version that was read",
    params: { id },
    body: kitchenRequest,
    answer: saved,
    answers: 'The kitchen with its new version',
    example: { params: { id: 'fennel-yard' }, body: { settings: { ...SETTINGS, regime: 'us' }, version: 1 } },
    run: ({ params, body }) => kitchens.save(params.id, body.settings, body.version),
  }),
  route({
    method: 'post',
    path: '/api/kitchens/:id/weights',
    summary: "Keeps the kitchen's own weight for a word and a food",
    params: { id },
    body: weightRequest,
    answer: kitchenAnswer,
    answers: 'The kitchen',
    example: {
      params: { id: 'alder-ward' },
      body: { foodId: 'pearl-barley', unit: 'cup', grams: 205, weighedOn: '2026-11-20' },
    },
    run: ({ params, body }) => kitchens.recordWeight(params.id, body),
  }),
  route({
    method: 'post',
    path: '/api/kitchens/:id/names',
    summary: 'Ties a name, as this kitchen writes it, to a food',
    params: { id },
    body: nameRequest,
    answer: kitchenAnswer,
    answers: 'The kitchen',
    example: {
      params: { id: 'alder-ward' },
      body: { written: 'pot grain', foodId: 'pearl-barley', tiedOn: '2026-11-20' },
    },
    run: ({ params, body }) => kitchens.tieName(params.id, body),
  }),
];
