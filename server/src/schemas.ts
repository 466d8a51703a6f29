/** What the API takes, as Joi schemas: the edge where bad input stops. The OpenAPI document is made from these. */
import Joi from 'joi';
import {
  ALLERGEN_STATUSES,
  ANIMAL_STATES,
  CAUTION_CODES,
  FOOD_KINDS,
  FOOD_STATES,
  MOST_SIZES,
  NUTRIENTS,
  PANS,
  PAN_FILL,
  PRICE_CLASSES,
  SCALING_ROLES,
  SOURCE_CLASSES,
  SUBSTANCES,
  SWAP_FUNCTIONS,
  BATH_ANSWERS,
  TECHNIQUES,
  WHOLE_FOOD_CLASSES,
} from '@hand-ladle/core';
import { ApiError } from './errors';
import { packedPortion } from './packed-schemas';

/** Longest text taken for one recipe, in characters. */
export const MOST_TEXT = 200_000;

export const id = Joi.string()
  .pattern(/^[a-z0-9][a-z0-9-]{0,79}$/)
  .description('Lower-case letters, digits and hyphens');
export const name = Joi.string().trim().min(1).max(200);
export const grams = Joi.number().positive().max(100_000_000).precision(3);
export const person = Joi.string().trim().min(1).max(120);
/** A day of the calendar, ISO. */
export const date = Joi.string()
  .pattern(/^\d{4}-\d{2}-\d{2}$/)
  .custom((value: string, helpers) => {
    const at = Date.parse(`${value}T00:00:00Z`);
    const isDay = Number.isFinite(at) && new Date(at).toISOString().startsWith(value);
    return isDay ? value : helpers.message({ custom: `"${value}" is no day of the calendar` });
  });
export const regime = Joi.string().valid('us', 'eu');
const findings = Joi.array().items(Joi.object()).max(50);

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

const answers = Joi.object({
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
const lineText = Joi.string().max(20_000).allow('').required();

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

const vesselIds = Joi.array().items(id).max(20).description('Machines asked for; others are chosen by size');

export const savedRecipe = Joi.object({
  recipe: recipe.required(),
  target: target.allow(null).required(),
  vesselIds: vesselIds.default([]),
  version: Joi.number().integer().min(0).required().description('The version that was read; 0 for a new one'),
});

const textSchema = Joi.string().allow('').description('The recipe as people write it');

/** A recipe as others send it: in words. */
const spokenRecipe = Joi.object({
  name: name.required(),
  text: textSchema,
  lines: Joi.array()
    .items(
      Joi.string().max(20_000).allow(''),
      Joi.object({ id: Joi.string().max(80), text: lineText, answers: answers.default({}) }),
    )
    .max(2000),
  steps: Joi.array().items(Joi.string().max(20_000)).max(2000).default([]),
  notes: Joi.array().items(Joi.string().max(20_000)).max(2000).default([]),
  portions: Joi.number().positive().max(1_000_000),
  portionGrams: grams,
}).xor('text', 'lines');

const recipePart = { recipeId: id, recipe: spokenRecipe };

export const parseRequest = Joi.object({
  text: textSchema.required(),
  units: Joi.string().valid('us', 'metric', 'imperial').default('metric'),
  kitchenId: id,
});

export const worksheetRequest = Joi.object({
  ...recipePart,
  target,
  regime,
  kitchenId: id,
  vesselIds,
  vesselId: id.description('One machine asked for; vesselIds takes several'),
}).xor('recipeId', 'recipe');

/** A batch sheet is of a dish in the book. */
export const batchSheetRequest = Joi.object({
  recipeId: id.required(),
  target,
  kitchenId: id,
  vesselIds,
  paper: Joi.string().valid('a4', 'letter').default('a4'),
});

/** Several dishes made together, each for its target; what it was last made for where none is given. */
export const demandRequest = Joi.object({
  kitchenId: id,
  dishes: Joi.array()
    .items(Joi.object({ recipeId: id.required(), target }))
    .min(1)
    .max(100)
    .required(),
});

const policyWord = Joi.string().valid('refuse', 'accept');

export const swapsRequest = Joi.object({
  ...recipePart,
  target,
  regime,
  kitchenId: id,
  vesselIds,
  exclude: Joi.array().items(Joi.string().max(40)).min(1).max(40).required(),
  policy: Joi.object({ mayContain: policyWord.required(), check: policyWord.required() }),
  isApart: Joi.boolean().description('It will be cooked on clean equipment of its own'),
  works: Joi.object()
    .pattern(id, Joi.string().valid(...SWAP_FUNCTIONS))
    .description('What a food does in the dish, by its id, where the recipe leaves it open'),
}).xor('recipeId', 'recipe');

export const nameRequest = Joi.object({
  written: Joi.string().trim().min(1).max(400).required(),
  foodId: id.required(),
  tiedOn: date.required(),
});

const words = (most: number, length = 120) =>
  Joi.array().items(Joi.string().trim().min(1).max(length)).max(most);
const source = Joi.string().valid(...SOURCE_CLASSES);

/** A food as it is edited: what is not known is null. */
export const food = Joi.object({
  id: id.required(),
  name: name.required(),
  labelName: name.required(),
  labelNames: Joi.object()
    .pattern(Joi.string().valid('es', 'fr', 'de'), name)
    .optional(),
  synonyms: words(60).required(),
  category: Joi.string().trim().min(1).max(60).required(),
  state: Joi.string()
    .valid(...FOOD_STATES)
    .required(),
  kind: Joi.string()
    .valid(...FOOD_KINDS)
    .required(),
  animal: Joi.string()
    .valid(...ANIMAL_STATES)
    .required(),
  wholeFood: Joi.string()
    .valid(...WHOLE_FOOD_CLASSES)
    .required(),
  functions: words(20, 60).required(),
  scaling: Joi.string()
    .valid(...SCALING_ROLES)
    .required(),
  trimYield: Joi.number().min(0.01).max(1).required(),
  cookingYield: Joi.number().min(0.1).max(20).allow(null).required(),
  cookingYields: Joi.array()
    .items(
      Joi.object({
        method: Joi.string().max(40).required(),
        ratio: Joi.number().min(0.05).max(20).required(),
        absorbedGramsPerGram: Joi.number().min(0).max(20).required(),
        source: source.required(),
      }),
    )
    .max(30)
    .required(),
  allergens: Joi.object(
    Object.fromEntries(SUBSTANCES.map((each) => [each, Joi.string().valid(...ALLERGEN_STATUSES)])),
  ).required(),
  cautions: Joi.array()
    .items(Joi.string().valid(...CAUTION_CODES))
    .max(10)
    .required(),
  composition: Joi.object(
    Object.fromEntries(
      NUTRIENTS.map((each) => [each, Joi.number().min(0).max(1_000_000).allow(null).required()]),
    ),
  ).required(),
  energyKcal: Joi.number().min(0).max(950).allow(null).required(),
  priceClass: Joi.string()
    .valid(...PRICE_CLASSES)
    .allow(null)
    .required(),
  source: source.required(),
  figureSources: Joi.object().pattern(Joi.string().max(40), source).required(),
  measures: Joi.array()
    .items(
      Joi.object({
        form: Joi.string().max(40).allow('').required(),
        unit: Joi.string().max(20).required(),
        size: Joi.string().valid('small', 'medium', 'large').required(),
        grams: grams.required(),
        lowGrams: grams.required(),
        highGrams: grams.required(),
        basis: Joi.string().valid('AP', 'EP').required(),
        source: source.required(),
      }),
    )
    .max(80)
    .required(),
});

export const foodRequest = Joi.object({
  food: food.required(),
  version: Joi.number().integer().min(0).default(0),
});

export const weightRequest = Joi.object({
  foodId: id.required(),
  unit: Joi.string().max(20).required(),
  grams: grams.required(),
  weighedOn: Joi.string()
    .pattern(/^\d{4}-\d{2}-\d{2}$/)
    .required(),
});

/** A body that fits a schema, converted; otherwise an error that says each field and why. */
export function checked<T>(schema: Joi.Schema, body: unknown): T {
  const { value, error } = schema.validate(body, { abortEarly: false, convert: true });
  if (error) {
    const details = error.details
      .slice(0, 20)
      .map(({ path, message }) => ({ path: path.join('.'), message }));
    throw new ApiError('bad-request', details);
  }
  return value as T;
}
