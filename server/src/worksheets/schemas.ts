/** What the API takes to work a dish out, as Joi schemas. */
import Joi from 'joi';
import { grams, id, name, regime } from '../http/words';
import { answers, lineText, target, vesselIds } from '../recipes/schemas';
import type { BatchSheetRequest, ComputeRequest, DemandRequest, ParseRequest, SpokenRecipe } from './compute';

const textSchema = Joi.string().allow('').description('The recipe as people write it');

/** A recipe as others send it: in words. */
const spokenRecipe = Joi.object<SpokenRecipe>({
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

export const recipePart = { recipeId: id, recipe: spokenRecipe };

export const parseRequest = Joi.object<ParseRequest>({
  text: textSchema.required(),
  units: Joi.string().valid('us', 'metric', 'imperial').default('metric'),
  kitchenId: id,
});

export const worksheetRequest = Joi.object<ComputeRequest>({
  ...recipePart,
  target,
  regime,
  kitchenId: id,
  vesselIds,
  vesselId: id.description('One machine asked for; vesselIds takes several'),
}).xor('recipeId', 'recipe');

/** A batch sheet is of a dish in the book. */
export const batchSheetRequest = Joi.object<BatchSheetRequest>({
  recipeId: id.required(),
  target,
  kitchenId: id,
  vesselIds,
  paper: Joi.string().valid('a4', 'letter').default('a4'),
});

/** Several dishes made together, each for its target; what it was last made for where none is given. */
export const demandRequest = Joi.object<DemandRequest>({
  kitchenId: id,
  dishes: Joi.array()
    .items(Joi.object({ recipeId: id.required(), target }))
    .min(1)
    .max(100)
    .required(),
});
