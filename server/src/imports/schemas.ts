/** What an import takes. */
import Joi from 'joi';
import type { ImportKind, RunRequest } from '@hand-ladle/core';
import { id } from '../http/words';
import { packAnswer } from '../kitchens/pack-schemas';

const kind = Joi.string().valid('foods', 'products');

export const uploadQuery = Joi.object<{ kind: ImportKind; fileName: string }>({
  kind: kind.default('foods'),
  fileName: Joi.string().max(1000).truncate().allow('').default('table.csv'),
});

export const runRequest = Joi.object<RunRequest>({
  mapping: Joi.object()
    .pattern(/^[^]{0,300}$/, Joi.string().max(60).allow(''))
    .required(),
  hasDecimalComma: Joi.boolean().required(),
  existing: Joi.string().valid('update', 'refuse').default('refuse'),
  dryRun: Joi.boolean().default(true),
  kitchenId: id,
  marks: Joi.object()
    .pattern(/^[^]{0,60}$/, packAnswer)
    .default({})
    .description('What a mark of a specification sheet means, where it is not the usual'),
});
