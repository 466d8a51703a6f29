/** What the stove may write down, as Joi schemas: one for each kind of entry. */
import Joi from 'joi';
import {
  ADDED_BECAUSE,
  ENTRY_KINDS,
  type EntryKind,
  POINTS,
  SCORES,
  type Target,
  TASTES,
  type ToldEntry,
  WAYS,
} from '@hand-ladle/core';
import { date, id } from '../http/words';
import { target } from '../recipes/schemas';

/** Most entries in one request: a long day without the server. */
export const MOST_ENTRIES = 5000;

const key = Joi.string().min(1).max(80);
const grams = Joi.number().positive().max(10_000_000).precision(3).required();
const load = Joi.number().integer().min(1).max(1000).default(1);
const lineId = key.required();
const way = Joi.string()
  .valid(...WAYS)
  .default('typed');
const words = (most: number): Joi.StringSchema => Joi.string().trim().max(most).allow('').default('');
/** A moment that a clock can show: one that was never set begins in 1970, and its entries count too. */
const instant = Joi.string()
  .isoDate()
  .custom((value: string, helpers) => {
    const at = Date.parse(value);
    return at >= 0 && at < Date.UTC(2100, 0)
      ? value
      : helpers.message({ custom: `"${value}" is no moment a clock can show` });
  });
const ofLine = { lineId, load, grams };
const stepId = Joi.string().max(80).allow('').default('');
/** As measured: rounded to a limit it would stand within it. */
const celsius = Joi.number().min(-60).max(400);
const minutes = Joi.number()
  .min(0)
  .max(7 * 24 * 60);

const BODIES: Readonly<Record<EntryKind, Joi.SchemaMap>> = {
  begun: { isClean: Joi.boolean().default(false) },
  weighed: { ...ofLine, way, isAfterTasting: Joi.boolean().default(false), from: words(80) },
  added: {
    foodId: id.required(),
    grams,
    way,
    because: Joi.string()
      .valid(...ADDED_BECAUSE)
      .default('other'),
    stepId,
    load,
  },
  substituted: { ...ofLine, foodId: id.required(), way },
  misplaced: { ...ofLine, into: words(40) },
  dropped: ofLine,
  'left-out': { lineId, load },
  later: { lineId, load, stepId: key.required() },
  'step-done': { stepId: key.required(), load },
  pack: {
    foodId: id.required(),
    product: Joi.string().trim().min(1).max(200).required(),
    lot: words(60),
    supplier: words(120),
  },
  tasted: {
    taste: Joi.string()
      .valid(...TASTES)
      .required(),
    words: words(500),
  },
  'timer-started': {
    timer: key.required(),
    name: Joi.string().trim().min(1).max(200).required(),
    minutes: minutes.required(),
    everyMinutes: minutes.min(0.1).allow(null).default(null),
    stepId,
    load,
  },
  'timer-answered': { timer: key.required() },
  'timer-stopped': { timer: key.required() },
  reading: {
    point: Joi.string()
      .valid(...POINTS)
      .required(),
    where: words(120),
    celsius: celsius.required(),
    way: Joi.string().valid('probe', 'typed').default('typed'),
    takenAt: instant
      .allow(null)
      .default(null)
      .description('Where it is written down later than it was measured'),
  },
  action: { of: key.required(), action: Joi.string().trim().min(1).max(200).required(), words: words(500) },
  finished: { grams, way },
  portioned: {
    portions: Joi.number().min(0).max(1_000_000).required(),
    portionGrams: Joi.number().positive().max(100_000).allow(null).default(null),
  },
  'left-over': { grams, way },
  'thrown-away': { grams, reason: Joi.string().trim().min(1).max(500).required() },
  verdict: {
    scores: Joi.object(
      Object.fromEntries(SCORES.map((each) => [each, Joi.number().integer().min(1).max(5)])),
    ).default({}),
    words: words(1000),
  },
  note: { words: Joi.string().trim().min(1).max(2000).required() },
  answered: { of: key.required(), words: Joi.string().trim().min(1).max(500).required() },
  closed: {},
  correction: {
    of: key.required(),
    reason: Joi.string().trim().min(1).max(500).required(),
    instead: Joi.object({
      kind: Joi.string()
        .valid(...ENTRY_KINDS.filter((kind) => kind !== 'correction'))
        .required(),
    })
      .unknown()
      .allow(null)
      .default(null),
  },
};

const common = {
  id: Joi.string()
    .pattern(/^[A-Za-z0-9._:-]{1,80}$/)
    .required()
    .description('Made by who writes it; sent twice it counts once'),
  at: instant.required().description('By the clock of the device it was written on'),
  by: Joi.string().trim().max(120).allow('').default(''),
  device: Joi.string().trim().max(80).allow('').default(''),
  order: Joi.number().integer().min(0).max(Number.MAX_SAFE_INTEGER).default(0),
  signature: Joi.string().max(200).allow('').default('').description('From POST /api/signatures'),
};

export const bodySchemas = new Map<EntryKind, Joi.ObjectSchema>(
  ENTRY_KINDS.map((kind) => [
    kind,
    Joi.object({ kind: Joi.string().valid(kind).required(), ...BODIES[kind] }),
  ]),
);
/** An entry of each kind, whole. */
export const entrySchemas = new Map<EntryKind, Joi.ObjectSchema<ToldEntry & { signature: string }>>(
  ENTRY_KINDS.map((kind) => [
    kind,
    Joi.object({ kind: Joi.string().valid(kind).required(), ...common, ...BODIES[kind] }),
  ]),
);

export interface SentEntries {
  entries: ({ id: string; kind?: unknown } & Record<string, unknown>)[];
  sentAt?: string;
}

const sentEntry = Joi.object({
  id: Joi.string().min(1).max(200).required(),
  at: Joi.any(),
  kind: Joi.any().description(`One of ${ENTRY_KINDS.join(', ')}`),
}).unknown();

/** Entries are looked at one by one: one that cannot be stops no other. */
export const entriesRequest = Joi.object<SentEntries>({
  entries: Joi.array().items(sentEntry).min(1).max(MOST_ENTRIES).required(),
  sentAt: instant.description('The clock of the device as it sends: how far it is off is noted'),
});

export interface NewBatch {
  recipeId: string;
  target?: Target;
  kitchenId?: string;
  serviceId?: string;
  versionKey?: string;
  clientId?: string;
  openedBy: string;
  vesselIds?: string[];
}

export const newBatch = Joi.object<NewBatch>({
  recipeId: id.required(),
  target,
  kitchenId: id,
  serviceId: Joi.string().max(80),
  versionKey: Joi.string()
    .max(200)
    .description('Which version of a service is cooked, by its key; the dish as it is without one'),
  clientId: Joi.string()
    .pattern(/^[A-Za-z0-9._:-]{1,80}$/)
    .description('Made by who opens it: asked twice, one batch is opened'),
  openedBy: Joi.string().trim().max(120).allow('').default(''),
  vesselIds: Joi.array().items(id).max(20),
});

export const dayQuery = Joi.object<{ kitchenId?: string; date?: string }>({ kitchenId: id, date });
