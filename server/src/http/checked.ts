/** What comes in is held against a schema here, and nowhere else. */
import type Joi from 'joi';
import { ApiError } from './errors';

/** A value that fits a schema, converted and of the schema's own type; otherwise an error that says each field and why. */
export function checked<T>(schema: Joi.Schema<T>, value: unknown): T {
  const result = schema.validate(value, { abortEarly: false, convert: true });
  if (!result.error) return result.value;
  const details = result.error.details
    .slice(0, 20)
    .map(({ path, message }) => ({ path: path.join('.'), message }));
  throw new ApiError('bad-request', details);
}
