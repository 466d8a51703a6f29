/** What the API takes of a kitchen's own swaps, as Joi schemas. */
import Joi from 'joi';
import { MAKINGS, SOURCE_CLASSES, SWAP_FUNCTIONS, type SwapEntry, type SwapRating } from '@hand-ladle/core';
import { date, id, person } from '../http/words';

const closeness = Joi.number().min(0).max(1);
const makings = Joi.array()
  .items(Joi.string().valid(...MAKINGS))
  .unique()
  .max(MAKINGS.length);

/** A swap as a kitchen writes it. Allergens have no place here: they are worked out from the foods. */
export const swapEntry = Joi.object<SwapEntry>({
  id: id.required(),
  fromId: id.required(),
  function: Joi.string()
    .valid(...SWAP_FUNCTIONS)
    .required(),
  to: Joi.array()
    .items(Joi.object({ foodId: id.required(), ratio: Joi.number().positive().max(50).required() }))
    .min(1)
    .max(8)
    .unique('foodId')
    .required(),
  waterRatio: Joi.number().min(0).max(50).required(),
  hint: Joi.string().trim().max(400).allow('').required(),
  taste: closeness.required(),
  texture: closeness.required(),
  limits: Joi.object({
    notFor: makings.required(),
    onlyFor: makings.required(),
    mostShare: Joi.number().positive().max(1).allow(null).required(),
  }).required(),
  source: Joi.string()
    .valid(...SOURCE_CLASSES)
    .default('weighed here'),
}).custom((swap: { fromId: string; to: { foodId: string }[] }, helpers) =>
  swap.to.some(({ foodId }) => foodId === swap.fromId)
    ? helpers.message({ custom: 'A food cannot take its own place' })
    : swap,
);

export const ratingRequest = Joi.object<SwapRating>({
  swapId: id.required(),
  taste: closeness.required(),
  texture: closeness.required(),
  ratedBy: person.required(),
  ratedOn: date.required(),
});
