/** What an import takes. */
import Joi from 'joi';
import { packAnswer } from '../pack-schemas';
import { id } from '../schemas';

export const runRequest = Joi.object({
  mapping: Joi.object().pattern(Joi.string().max(300), Joi.string().max(60).allow('')).required(),
  hasDecimalComma: Joi.boolean().required(),
  existing: Joi.string().valid('update', 'refuse').default('refuse'),
  dryRun: Joi.boolean().default(true),
  kitchenId: id,
  marks: Joi.object()
    .pattern(Joi.string().max(60).allow(''), packAnswer)
    .default({})
    .description('What a mark of a specification sheet means, where it is not the usual'),
});
