/** How a dish is packed, as a Joi schema. */
import Joi from 'joi';
import { HOUSEHOLD_MEASURES, KEEPINGS, REFERENCE_AMOUNTS, TITLE_LANGUAGES } from '@hand-ladle/core';

const area = Joi.number().positive().max(100_000).allow(null).default(null);
const title = Joi.string().trim().max(200).allow('');

export const packedPortion = Joi.object({
  container: Joi.string().trim().max(60).allow('').default(''),
  containerMl: Joi.number().positive().max(100_000).allow(null).default(null),
  largestSurfaceCm2: area,
  labelAreaCm2: area,
  portions: Joi.number().positive().max(1000).allow(null).default(null),
  netGrams: Joi.number().positive().max(100_000).allow(null).default(null),
  keeping: Joi.string()
    .valid(...KEEPINGS)
    .allow(null)
    .default(null),
  keepsDays: Joi.number().integer().min(1).max(1000).allow(null).default(null),
  household: Joi.object({
    amount: Joi.number().positive().max(100).required(),
    measure: Joi.string()
      .valid(...HOUSEHOLD_MEASURES)
      .required(),
    grams: Joi.number()
      .positive()
      .max(100_000)
      .allow(null)
      .default(null)
      .description('What so much of it weighed when it was measured; null for the portion as it is'),
  })
    .allow(null)
    .default(null),
  referenceId: Joi.string()
    .valid(...REFERENCE_AMOUNTS.map(({ id }) => id))
    .allow(null)
    .default(null),
  showsWhole: Joi.boolean().default(false),
  stressed: Joi.array().items(Joi.string().max(80)).max(40).unique().default([]),
  names: Joi.object(Object.fromEntries(TITLE_LANGUAGES.map((each) => [each, title]))).default({}),
}).description('How the dish is packed; what a label of a pack is complete by');
