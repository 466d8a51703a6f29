/** What the API takes to serve a dish free from something, as Joi schemas. */
import Joi from 'joi';
import { MOST_NEEDS, SWAP_FUNCTIONS } from '@hand-ladle/core';
import { id, ID_PATTERN, regime } from '../http/words';
import { dinerGroup } from '../kitchens/schemas';
import { target, vesselIds } from '../recipes/schemas';
import type { SwapsRequest, VersionsRequest } from '../worksheets/compute';
import { recipePart, worksheetRequest } from '../worksheets/schemas';

const policyWord = Joi.string().valid('refuse', 'accept');

export const swapsRequest = Joi.object<SwapsRequest>({
  ...recipePart,
  target,
  regime,
  kitchenId: id,
  vesselIds,
  exclude: Joi.array().items(Joi.string().max(40)).min(1).max(40).required(),
  policy: Joi.object({ mayContain: policyWord.required(), check: policyWord.required() }),
  isApart: Joi.boolean().description('It will be cooked on clean equipment of its own'),
  works: Joi.object()
    .pattern(ID_PATTERN, Joi.string().valid(...SWAP_FUNCTIONS))
    .description('What a food does in the dish, by its id, where the recipe leaves it open'),
}).xor('recipeId', 'recipe');

export const versionsRequest = worksheetRequest.append<VersionsRequest>({
  groups: Joi.array()
    .items(dinerGroup.append({ portions: Joi.number().positive().max(1_000_000).required() }))
    .min(1)
    .max(MOST_NEEDS)
    .unique('id')
    .required(),
  isApart: Joi.boolean(),
});
