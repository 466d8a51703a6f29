/** What a kitchen sets for itself, as Joi schemas: machines, scales, pans, units, regime, standard. */
import Joi from 'joi';
import {
  AMOUNT_WAYS,
  BAND_IDS,
  BUILD_WAYS,
  COUNTRIES,
  CREAM_WAYS,
  EGG_WAYS,
  FACT_NAMES,
  FRYING_FATS,
  isTimeZone,
  type KitchenName,
  type KitchenSettings,
  type KitchenWeight,
  MENU_ENERGY,
  MOST_OWN_ALLERGENS,
  PANS,
  PLAIN_SAFETY,
  PLAIN_SERVICE,
  PULSE_WAYS,
  SALT_WAYS,
  SHARED_KINDS,
  TOFU_WAYS,
  VESSEL_KINDS,
} from '@hand-ladle/core';
import { date, grams, id, regime } from '../http/words';

const bands = Joi.array()
  .items(
    Joi.object({
      belowGrams: Joi.number().positive().max(1_000_000_000).required(),
      stepGrams: Joi.number().min(0.01).max(1000).required(),
    }),
  )
  .min(1)
  .max(10);

const vessel = Joi.object({
  id: id.required(),
  name: Joi.string().trim().min(1).max(80).required(),
  kind: Joi.string()
    .valid(...VESSEL_KINDS)
    .required(),
  count: Joi.number().integer().min(1).max(100).required(),
  litres: Joi.number().min(0).max(2000).required(),
  fill: Joi.number().min(0.05).max(1).required(),
  surfaceM2: Joi.number().min(0).max(50).required(),
  levels: Joi.number().integer().min(1).max(60).required(),
  pan: Joi.string()
    .valid(...Object.keys(PANS))
    .allow(null)
    .default(null),
  powerKw: Joi.number().positive().max(500).allow(null).required(),
  isFan: Joi.boolean().required(),
});

const scale = Joi.object({
  id: id.required(),
  name: Joi.string().trim().min(1).max(80).required(),
  capacityGrams: Joi.number().positive().max(1_000_000_000).required(),
  bands: bands.required(),
});

/** Longest any policy may keep what was made, days. */
const MOST_KEEPS_DAYS = 30;

const exclusions = Joi.array().items(Joi.string().max(60)).max(40).unique();

const ownAllergen = Joi.object({
  id: id.required(),
  name: Joi.string().trim().min(1).max(80).required(),
  foodIds: Joi.array().items(id).max(100).unique().required(),
});

const shared = Joi.object({
  id: id.required(),
  name: Joi.string().trim().min(1).max(80).required(),
  kind: Joi.string()
    .valid(...SHARED_KINDS)
    .required(),
  alsoFor: Joi.array().items(id).max(100).unique().required(),
});

const policy = Joi.object({
  mayContain: Joi.string().valid('refuse', 'accept').required(),
  check: Joi.string().valid('refuse', 'accept').required(),
});

export const dinerGroup = Joi.object({
  id: id.required(),
  name: Joi.string().trim().min(1).max(80).required(),
  exclude: exclusions.required(),
  portions: Joi.number().positive().max(1_000_000).allow(null).required(),
  policy: policy.allow(null).default(null),
});

const bound = Joi.number().min(0).max(1_000_000).allow(null).required();
const nutrientTarget = Joi.object({
  figure: Joi.string()
    .valid(...Object.keys(FACT_NAMES))
    .required(),
  min: bound,
  max: bound,
  dinerId: id.allow(null).default(null),
});

const bandShare = Joi.number().min(0.1).max(5).required();
const service = Joi.object({
  isHospital: Joi.boolean().required(),
  isUsSchool: Joi.boolean().required(),
  bandShares: Joi.object(Object.fromEntries(BAND_IDS.map((each) => [each, bandShare]))).required(),
  keepsDays: Joi.number().integer().min(1).max(MOST_KEEPS_DAYS).required(),
  freezerDays: Joi.number().integer().min(1).max(730).default(PLAIN_SERVICE.freezerDays),
  readingDays: Joi.number().integer().min(1).max(3650).default(PLAIN_SERVICE.readingDays),
  timeZone: Joi.string()
    .max(60)
    .custom((value: string, helpers) =>
      isTimeZone(value)
        ? value
        : helpers.message({ custom: `"${value}" is no time zone: write it like Europe/London` }),
    )
    .default(PLAIN_SERVICE.timeZone)
    .description('IANA name of the time zone its dates are in'),
  publicAddress: Joi.string()
    .max(200)
    .uri({ scheme: ['http', 'https'] })
    .pattern(/[^/]$/)
    .allow('')
    .default('')
    .description('Where a phone reaches this app; a QR code holds the batch code alone without one'),
  businessName: Joi.string().trim().max(120).allow('').default(''),
  businessAddress: Joi.string().trim().max(300).allow('').default(''),
  country: Joi.string()
    .valid(...COUNTRIES)
    .default(PLAIN_SERVICE.country),
  menuEnergy: Joi.string()
    .valid(...MENU_ENERGY)
    .default(PLAIN_SERVICE.menuEnergy),
  isReleasedByAnother: Joi.boolean().default(false),
});

const ownLimit = (low: number, high: number) => Joi.number().min(low).max(high).allow(null).default(null);
const safety = Joi.object({
  coreCelsius: ownLimit(60, 100).description('Stricter than the law; null for the law'),
  hotHoldCelsius: ownLimit(50, 100),
  coldHoldCelsius: ownLimit(-5, 15),
  oilMostCelsius: Joi.number().min(160).max(200).default(PLAIN_SAFETY.oilMostCelsius),
  coldPlaces: Joi.array().items(Joi.string().trim().min(1).max(80)).max(60).unique().required(),
  actions: Joi.array().items(Joi.string().trim().min(1).max(200)).min(1).max(40).unique().required(),
  recordMonths: Joi.number().integer().min(1).max(600).default(PLAIN_SAFETY.recordMonths),
});

/** What a kitchen sets for itself. */
export const kitchenSettings = Joi.object<KitchenSettings>({
  name: Joi.string().trim().min(1).max(120).required(),
  regime: regime.required(),
  units: Joi.string().valid('us', 'metric', 'imperial').required(),
  coconutIsTreeNut: Joi.boolean().required(),
  pineNutIsTreeNut: Joi.boolean().default(true),
  transferLoss: Joi.number().min(0).max(0.2).required(),
  policy: policy.required(),
  ownAllergens: Joi.array().items(ownAllergen).max(MOST_OWN_ALLERGENS).unique('id').default([]),
  shared: Joi.array().items(shared).max(60).unique('id').default([]),
  diners: Joi.array().items(dinerGroup).max(60).unique('id').default([]),
  targets: Joi.array().items(nutrientTarget).max(40).default([]),
  service: service.default(PLAIN_SERVICE),
  safety: safety.default(PLAIN_SAFETY),
  standard: Joi.object({
    isWholeFood: Joi.boolean().required(),
    fryingFat: Joi.string()
      .valid(...FRYING_FATS)
      .required(),
    salt: Joi.string()
      .valid(...SALT_WAYS)
      .required(),
    pulses: Joi.string()
      .valid(...PULSE_WAYS)
      .required(),
    cream: Joi.string()
      .valid(...CREAM_WAYS)
      .required(),
    egg: Joi.string()
      .valid(...EGG_WAYS)
      .required(),
    tofu: Joi.string()
      .valid(...TOFU_WAYS)
      .required(),
    build: Joi.string()
      .valid(...BUILD_WAYS)
      .required(),
    amounts: Joi.string()
      .valid(...AMOUNT_WAYS)
      .required(),
  }).required(),
  vessels: Joi.array().items(vessel).max(60).unique('id').required(),
  scales: Joi.array().items(scale).min(1).max(12).unique('id').required(),
  pans: Joi.array()
    .items(
      Joi.object({
        pan: Joi.string()
          .valid(...Object.keys(PANS))
          .required(),
        count: Joi.number().integer().min(0).max(10_000).required(),
      }),
    )
    .max(40)
    .unique('pan')
    .required(),
});

export const kitchenRequest = Joi.object<{ settings: KitchenSettings; version: number }>({
  settings: kitchenSettings.required(),
  version: Joi.number().integer().min(0).required().description('The version that was read; 0 for a new one'),
});

export const newKitchenRequest = Joi.object<{ id: string; settings: KitchenSettings }>({
  id: id.required(),
  settings: kitchenSettings.required(),
});

export const nameRequest = Joi.object<KitchenName>({
  written: Joi.string().trim().min(1).max(400).required(),
  foodId: id.required(),
  tiedOn: date.required(),
});

export const weightRequest = Joi.object<KitchenWeight>({
  foodId: id.required(),
  unit: Joi.string().max(20).required(),
  grams: grams.required(),
  weighedOn: date.required(),
});
