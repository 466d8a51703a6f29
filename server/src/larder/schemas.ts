/** What the API takes of foods, as Joi schemas. */
import Joi from 'joi';
import {
  ALLERGEN_STATUSES,
  ANIMAL_STATES,
  CAUTION_CODES,
  FOOD_KINDS,
  FOOD_STATES,
  NUTRIENTS,
  PRICE_CLASSES,
  type SavedFood,
  SCALING_ROLES,
  SOURCE_CLASSES,
  SUBSTANCES,
  WHOLE_FOOD_CLASSES,
} from '@hand-ladle/core';
import { grams, id, name } from '../http/words';

const words = (most: number, length = 120) =>
  Joi.array().items(Joi.string().trim().min(1).max(length)).max(most);
const source = Joi.string().valid(...SOURCE_CLASSES);

/** A food as it is edited: what is not known is null. */
export const food = Joi.object({
  id: id.required(),
  name: name.required(),
  labelName: name.required(),
  labelNames: Joi.object({ es: name, fr: name, de: name }),
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
  figureSources: Joi.object()
    .pattern(/^[^]{0,40}$/, source)
    .required(),
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

export const foodRequest = Joi.object<SavedFood>({
  food: food.required(),
  version: Joi.number().integer().min(0).default(0),
});
