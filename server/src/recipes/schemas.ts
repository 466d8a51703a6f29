/** What the API takes of recipes, as Joi schemas. */
import Joi from 'joi';
import { BATH_ANSWERS, MOST_SIZES, PAN_FILL, PANS, type SavedRecipe, TECHNIQUES } from '@hand-ladle/core';
import { date, grams, id, name, person } from '../http/words';
import { packedPortion } from './packed-schemas';

/** Longest text taken for one recipe, in characters. */
export const MOST_TEXT = 200_000;

const findings = Joi.array().items(Joi.object().unknown()).max(50);

const portions = Joi.number().positive().max(1_000_000).required();
/** Weights of a target are kept as they are worked out, so that the batch said in another way stays the same. */
const targetGrams = Joi.number().positive().max(100_000_000);
const counted = { portionGrams: targetGrams };
const stored = { lineId: Joi.string().max(80).required(), grams: targetGrams.required() };

export const target = Joi.alternatives(
  Joi.object({
    kind: Joi.string().valid('portions').required(),
    portions,
    portionGrams: targetGrams.required(),
  }),
  Joi.object({
    kind: Joi.string().valid('sizes').required(),
    sizes: Joi.array()
      .items(
        Joi.object({
          name: Joi.string().trim().max(60).allow('').required(),
          portions,
          portionGrams: targetGrams.required(),
        }),
      )
      .min(1)
      .max(MOST_SIZES)
      .required(),
  }),
  Joi.object({ kind: Joi.string().valid('weight').required(), grams: targetGrams.required(), ...counted }),
  Joi.object({
    kind: Joi.string().valid('pans').required(),
    pan: Joi.string()
      .valid(...Object.keys(PANS))
      .required(),
    count: Joi.number().positive().max(10_000).required(),
    fill: Joi.number().positive().max(1).default(PAN_FILL),
    ...counted,
  }),
  Joi.object({
    kind: Joi.string().valid('store').required(),
    ...stored,
    others: Joi.array().items(Joi.object(stored)).max(40),
    ...counted,
  }),
  Joi.object({
    kind: Joi.string().valid('load').required(),
    vesselId: id.required(),
    loads: Joi.number().positive().max(1000).required(),
    ...counted,
  }),
).description('What the batch is made for');

export const answers = Joi.object({
  foodId: id,
  grams,
  gramsOrigin: Joi.string().valid('weighed here', 'convention'),
  isCookedApart: Joi.boolean().valid(true),
  technique: Joi.string().valid(...TECHNIQUES),
  bath: Joi.string()
    .valid(...BATH_ANSWERS)
    .description('Oil or water food lies in: eaten with it, or left but for what the food takes up'),
});

const reading = Joi.object({
  amountKind: Joi.string().valid('exact', 'range', 'vague', 'to-taste', 'none').required(),
  measures: Joi.array()
    .items(
      Joi.object({
        value: Joi.number().unsafe().required(),
        low: Joi.number().unsafe().required(),
        high: Joi.number().unsafe().required(),
        unit: Joi.string().max(20).required(),
        size: Joi.string().valid('small', 'medium', 'large').required(),
        heaping: Joi.string().valid('level', 'heaped', 'scant').required(),
        packGrams: Joi.number().unsafe().allow(null).required(),
      }),
    )
    .max(20)
    .required(),
  amountText: Joi.string().max(500).allow('').required(),
  statedGrams: Joi.number().unsafe().allow(null).required(),
  foodId: id.allow(null).required(),
  foodText: Joi.string().max(500).allow('').required(),
  confidence: Joi.number().min(0).max(1).required(),
  otherFoodIds: Joi.array().items(id).max(20).required(),
  alternativeIds: Joi.array().items(id).max(20).required(),
  form: Joi.string().max(600).allow('').required(),
  stateOpen: Joi.boolean().required(),
  optional: Joi.boolean().required(),
  purpose: Joi.string().valid('fry', 'garnish').allow(null).required(),
  part: Joi.string().max(200).allow('').required(),
  findings: findings.required(),
});

const cooking = Joi.object({
  heat: Joi.string().valid('bare simmer', 'gentle simmer', 'rolling boil', 'oven').required(),
  minutes: Joi.number().min(0).max(100_000).required(),
  covered: Joi.boolean().required(),
  reduces: Joi.boolean(),
});

const stepReading = Joi.object({
  cooking: cooking.allow(null).required(),
  further: Joi.array().items(cooking).max(100).default([]),
  minutes: Joi.number().min(0).max(100_000).allow(null).default(null),
  temperature: Joi.object({ celsius: Joi.number().required(), isFan: Joi.boolean().required() })
    .allow(null)
    .default(null),
  equipment: Joi.array().items(Joi.string().max(40)).max(60).default([]),
  lineIds: Joi.array().items(Joi.string().max(80)).max(2000).required(),
  missingNames: Joi.array().items(Joi.string().max(200)).max(500).required(),
  hiddenAmounts: Joi.array().items(Joi.string().max(300)).max(100).default([]),
  lookTest: Joi.string().max(200).allow('').required(),
  findings: findings.required(),
});

const lineId = Joi.string().max(80).required();
export const lineText = Joi.string().max(20_000).allow('').required();

/** A recipe as it is saved: read, answered, standardized. */
export const recipe = Joi.object({
  id: id.required(),
  name: name.required(),
  portions: Joi.number().positive().max(1_000_000).precision(3).required(),
  portionGrams: grams.allow(null).required(),
  measuredYieldGrams: grams.allow(null).required(),
  lines: Joi.array()
    .items(
      Joi.object({ id: lineId, text: lineText, reading: reading.required(), answers: answers.required() }),
    )
    .max(2000)
    .unique('id')
    .required(),
  steps: Joi.array()
    .items(Joi.object({ id: lineId, text: lineText, reading: stepReading.required() }))
    .max(2000)
    .required(),
  notes: Joi.array()
    .items(Joi.string().max(20_000))
    .max(2000)
    .default([])
    .description('What else the text said: it is looked through for foods like every line'),
  notIn: Joi.array()
    .items(
      Joi.object({
        name: Joi.string().max(200).required(),
        text: lineText,
        by: person.required(),
        on: date.required(),
      }),
    )
    .max(2000)
    .default([])
    .description('What a cook said is not in the dish, though this text names it'),
  confirmed: Joi.array()
    .items(
      Joi.object({
        what: Joi.string().max(60).required(),
        figure: Joi.number().positive().required(),
        by: person.required(),
        on: date.required(),
      }),
    )
    .max(40)
    .default([])
    .description('Figures the audit of matter doubts and a cook stands for, while they stay as they were'),
  packed: packedPortion.allow(null).default(null),
  parentId: id.allow(null).required(),
  swaps: Joi.array()
    .items(Joi.object({ fromId: id.required(), swapId: id.required(), isInherited: Joi.boolean() }))
    .max(200)
    .required(),
  freeFrom: Joi.array().items(Joi.string().max(60)).max(40).required(),
  apart: Joi.array().items(id).max(60).default([]),
  isComponent: Joi.boolean().required(),
});

export const vesselIds = Joi.array()
  .items(id)
  .max(20)
  .description('Machines asked for; others are chosen by size');

export const savedRecipe = Joi.object<SavedRecipe>({
  recipe: recipe.required(),
  target: target.allow(null).required(),
  vesselIds: vesselIds.default([]),
  version: Joi.number().integer().min(0).required().description('The version that was read; 0 for a new one'),
});
