/** Joi schemas of what many routes speak of. */
import Joi from 'joi';

export const ID_PATTERN = /^[a-z0-9][a-z0-9-]{0,79}$/;
export const id = Joi.string().pattern(ID_PATTERN).description('Lower-case letters, digits and hyphens');
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

/** The kitchen something is asked for; the first one where none is named. */
export const ofKitchen = Joi.object<{ kitchenId?: string }>({ kitchenId: id });

/** An object of which an answer tells at least these fields. */
export const telling = (fields: Joi.SchemaMap): Joi.ObjectSchema => Joi.object(fields).unknown();
export const listOf = (item: Joi.Schema): Joi.ArraySchema => Joi.array().items(item);
const any = Joi.any();
/** An object that tells at least the fields of these names, each of its own kind. */
export const tellingAll = (...names: string[]): Joi.ObjectSchema =>
  telling(Object.fromEntries(names.map((each) => [each, any.required()])));
