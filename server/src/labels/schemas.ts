/** What the label routes take, as Joi schemas. */
import Joi from 'joi';
import {
  LABEL_KINDS,
  type LabelKind,
  type LabelOptions,
  LANGUAGES,
  PANEL_FORMS,
  sheetProblem,
  type SheetStock,
  type StatementStyle,
} from '@hand-ladle/core';
import { date, id, regime } from '../http/words';
import { MOST_LABELS } from '../paper/label-files';
import { target } from '../recipes/schemas';
import type { ComputeRequest } from '../worksheets/compute';
import { worksheetRequest } from '../worksheets/schemas';
import type { ReleaseAsked } from './releases';
import type { RunItem, RunOptions } from './runs';

/** Most dishes, or kinds of slips, in one job. */
export const MOST_RUN_ITEMS = 300;

const mm = Joi.number().min(0).max(2000);
const roll = Joi.object({
  kind: Joi.string().valid('roll').required(),
  id: Joi.string().max(80).required(),
  name: Joi.string().max(120).required(),
  widthMm: Joi.number().min(20).max(300).required(),
  heightMm: Joi.number().min(10).max(2000).allow(null).required(),
});
const sheet = Joi.object({
  kind: Joi.string().valid('sheet').required(),
  id: Joi.string().max(80).required(),
  name: Joi.string().max(120).required(),
  paper: Joi.string().valid('a4', 'letter').required(),
  columns: Joi.number().integer().min(1).max(20).required(),
  rows: Joi.number().integer().min(1).max(40).required(),
  leftMm: mm.required(),
  topMm: mm.required(),
  gapXMm: mm.required(),
  gapYMm: mm.required(),
  widthMm: Joi.number().min(20).max(300).required(),
  heightMm: Joi.number().min(10).max(420).required(),
}).custom((value: SheetStock, helpers) => {
  const problem = sheetProblem(value);
  return problem === null
    ? value
    : helpers.message({ custom: `This grid does not fit its paper: ${problem}` });
});
const words = Joi.string().trim().max(200).allow(null).default(null);

const stock = Joi.alternatives(roll, sheet);
const start = Joi.number().integer().min(1).max(800).default(1);
const quantity = Joi.number().integer().min(1).max(MOST_LABELS);
const symbology = Joi.string().valid('code128', 'qr').allow(null).default(null);
const batchGrams = Joi.number().positive().max(10_000_000).allow(null).default(null);
const form = Joi.string()
  .valid(...PANEL_FORMS)
  .allow(null)
  .default(null);

/** How a label is set, and on what. */
export const labelOptions = Joi.object({
  kind: Joi.string()
    .valid(...LABEL_KINDS)
    .default('serving'),
  stock: stock.required(),
  form,
  start,
  quantity: quantity.default(1),
  symbology,
  madeOn: date.allow(null).default(null),
  grams: batchGrams,
  group: words,
  texture: words,
});

const language = Joi.string().valid(...LANGUAGES);
export const labelStyle = Joi.object({
  language: language.default('en'),
  hasTail: Joi.boolean().default(false),
}).default({ language: 'en', hasTail: false });

/** A label of a recipe as it stands: always a draft. */
export interface DraftFile extends ComputeRequest {
  style: StatementStyle;
  options: LabelOptions;
}

export const draftFileRequest = worksheetRequest.append<DraftFile>({
  style: labelStyle,
  options: labelOptions.required(),
});

export const newReleaseRequest = Joi.object<ReleaseAsked>({
  recipeId: id.required(),
  kitchenId: id.required(),
  regime,
  target,
  vesselIds: Joi.array().items(id).max(20),
  style: labelStyle,
  kind: Joi.string()
    .valid(...LABEL_KINDS)
    .default('serving')
    .description('What it is checked, released and printed as'),
  claims: Joi.array().items(Joi.string().max(60)).max(20).unique().default([]),
});

/** Two people may act on one label: the version that was read goes with each act. */
export const actRequest = Joi.object<{ version: number }>({
  version: Joi.number().integer().min(1).required(),
});

const batchOf = Joi.string().trim().max(40).allow(null).default(null);

export interface PrintAsked {
  options: Omit<LabelOptions, 'kind'> & { kind: LabelKind | null };
  batchCode: string | null;
}

/** A released label on paper or as a file. Its kind is the one it was released as; another one is refused. */
export const printRequest = Joi.object<PrintAsked>({
  options: labelOptions
    .keys({
      kind: Joi.string()
        .valid(...LABEL_KINDS)
        .allow(null)
        .default(null),
    })
    .required(),
  batchCode: batchOf.description('A batch that was made before under this label; else a new one is made'),
});

export interface RunAsked extends RunOptions {
  items: RunItem[];
}

/** Many labels in one job: of several dishes, or a slip for each tray. */
export const runRequest = Joi.object<RunAsked>({
  items: Joi.array()
    .items(
      Joi.object({
        releaseId: Joi.string().max(80).required(),
        quantity: quantity.required(),
        madeOn: date.allow(null).default(null),
        grams: batchGrams,
        group: words,
        texture: words,
        batchCode: batchOf,
      }),
    )
    .min(1)
    .max(MOST_RUN_ITEMS)
    .required(),
  stock: stock.required(),
  start,
  form,
  symbology,
}).custom((value: { items: { quantity: number }[] }, helpers) =>
  value.items.reduce((sum, each) => sum + each.quantity, 0) <= MOST_LABELS
    ? value
    : helpers.message({ custom: `One job holds ${MOST_LABELS} labels at most` }),
);
