/** What the API takes of packs: what one says, and who confirms it. */
import Joi from 'joi';
import { NUTRIENTS, type Pack, SUBSTANCES } from '@hand-ladle/core';
import { date, grams, id, ID_PATTERN, name, person } from '../http/words';

/** What is known of a substance in a pack. */
export const packAnswer = Joi.string().valid('contains', 'may-contain', 'none', 'check');

/** What is read off a pack: whose it is and which version it becomes is not told. */
export type ReadPack = Omit<Pack, 'foodId' | 'statementVersion' | 'isConfirmed' | 'before'>;

export const packRequest = Joi.object<ReadPack>({
  productName: name.required(),
  statement: Joi.string().trim().max(4000).allow('').required(),
  allergens: Joi.object(Object.fromEntries(SUBSTANCES.map((each) => [each, packAnswer]))).required(),
  sheet: Joi.object(Object.fromEntries(SUBSTANCES.map((each) => [each, packAnswer])))
    .allow(null)
    .default(null)
    .description("What the allergen table of the supplier's sheet says"),
  certifiedGlutenFree: Joi.boolean().required(),
  animal: Joi.string().valid('plant', 'animal').allow(null).default(null),
  own: Joi.object()
    .pattern(ID_PATTERN, Joi.string().valid('contains', 'may-contain', 'none'))
    .default({}),
  supplier: Joi.string().trim().max(120).allow('').default(''),
  netGrams: grams.allow(null).default(null),
  drainedGrams: grams.allow(null).default(null),
  price: Joi.number().positive().max(1_000_000).precision(2).allow(null).default(null),
  panel: Joi.object(
    Object.fromEntries(NUTRIENTS.map((each) => [each, Joi.number().min(0).max(1_000_000)])),
  ).default({}),
  checkedBy: person.required(),
  checkedOn: date.required(),
});

export interface Confirming {
  checkedBy: string;
  checkedOn: string;
}

export const confirmRequest = Joi.object<Confirming>({
  checkedBy: person.required(),
  checkedOn: date.required(),
});

export interface ConfirmingMany extends Confirming {
  packs: { foodId: string; statementVersion: number }[];
}

export const confirmManyRequest = Joi.object<ConfirmingMany>({
  packs: Joi.array()
    .items(
      Joi.object({
        foodId: id.required(),
        statementVersion: Joi.number()
          .integer()
          .min(1)
          .required()
          .description('The statement that was read: one that changed since is not confirmed'),
      }),
    )
    .min(1)
    .max(1000)
    .unique('foodId')
    .required(),
  checkedBy: person.required(),
  checkedOn: date.required(),
});
