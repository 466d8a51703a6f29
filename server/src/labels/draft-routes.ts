/** Drafts of what stands on the bench: always marked, never a batch; and the menu's allergen sheet. */
import Joi from 'joi';
import {
  claimsOfSheet,
  type CodeImage,
  type Kitchen,
  lastDay,
  setMenuSheet,
  shelfDays,
  trayFigures,
  UNPACKED,
  worksheet,
} from '@hand-ladle/core';
import { asFile, PDF } from '../http/files';
import { type Route, route } from '../http/route';
import { id, listOf, tellingAll } from '../http/words';
import { menuRows } from '../menu/menu';
import { codeImage } from '../paper/codes';
import { pagesPdf } from '../paper/label-files';
import { contentOf } from '../paper/set';
import type { Store } from '../store';
import { inputOf } from '../worksheets/compute';
import { anyFormat, fileAnswer, type FileFormat, LABEL_FILES } from './files';
import { mustNotPromise } from './options';
import type { Releases } from './releases';
import { draftFileRequest } from './schemas';

export interface DraftParts {
  store: Store;
  releases: Releases;
  today: (kitchen: Kitchen) => string;
}

const ROLL = { kind: 'roll', id: 'roll-102', name: 'Roll 102 mm', widthMm: 102, heightMm: null };
const FLATBREAD = { recipeId: 'caraway-flatbread', kitchenId: 'alder-ward', options: { stock: ROLL } };
const symbology = Joi.string().valid('code128', 'qr');

export const draftRoutes = ({ store, releases, today }: DraftParts): Route[] => [
  route({
    method: 'post',
    path: '/api/label/:format',
    summary: 'A label of a recipe as it stands, as pdf, svg, png or txt: always marked DRAFT',
    params: { format: anyFormat },
    body: draftFileRequest,
    file: LABEL_FILES,
    answers: 'A file',
    example: { params: { format: 'txt' }, body: FLATBREAD },
    run: async ({ params, body, context }) => {
      const { input, book } = await inputOf(body, store);
      const sheet = worksheet({ ...input, labelStyle: body.style }, book);
      const { kitchen, recipe } = input;
      const { options } = body;
      mustNotPromise(options, kitchen, () => ({ worksheet: sheet, recipe }));
      const told = { claims: [], watch: trayFigures(sheet) };
      const madeOn = options.madeOn ?? today(kitchen);
      const days = shelfDays(recipe.packed ?? UNPACKED, kitchen.service, kitchen.regime);
      const dates = { code: null, useBy: days === null ? null : lastDay(madeOn, days) };
      const content = contentOf(sheet.label, { ...options, madeOn }, told, dates, false);
      const parts = [{ content, quantity: options.quantity }];
      return fileAnswer(
        context,
        params.format as FileFormat,
        `label-${sheet.recipeId}-draft`,
        parts,
        options,
      );
    },
  }),
  route({
    method: 'post',
    path: '/api/claims',
    summary: 'What could be said of a dish, each with its legal condition and whether it is met',
    body: draftFileRequest,
    answer: listOf(tellingAll('id', 'text', 'standing')),
    answers: 'Claims',
    example: { body: FLATBREAD },
    run: async ({ body }) => {
      const { input, book } = await inputOf(body, store);
      return claimsOfSheet(worksheet({ ...input, labelStyle: body.style }, book), body.style);
    },
  }),
  route({
    method: 'get',
    path: '/api/code/:symbology',
    summary: 'A code128 or qr code of ?text= as modules',
    params: { symbology },
    query: Joi.object<{ text: string }>({ text: Joi.string().min(1).max(200).required() }),
    answer: tellingAll('symbology', 'text'),
    answers: 'Modules',
    example: { params: { symbology: 'qr' }, query: { text: 'HL-261120-0001' } },
    run: ({ params, query }) => codeImage(params.symbology as CodeImage['symbology'], query.text),
  }),
  route({
    method: 'get',
    path: '/api/menu.pdf',
    summary: 'The menu against the declarable allergens as pages; DRAFT while a dish has no released label',
    query: Joi.object<{ kitchenId?: string; paper: 'a4' | 'letter' }>({
      kitchenId: id,
      paper: Joi.string().valid('a4', 'letter').default('a4'),
    }),
    file: [PDF],
    answers: 'A PDF file',
    example: { query: { kitchenId: 'pebble-school', paper: 'letter' } },
    run: async ({ query, context }) => {
      const kitchen = await store.kitchens.kitchen(query.kitchenId);
      const rows = await menuRows(kitchen.id, store);
      const standing = (await releases.list(kitchen.id, undefined)).filter(
        ({ state, isStale, batchCode }) => state === 'released' && !isStale && batchCode === null,
      );
      const pages = setMenuSheet(rows, {
        kitchen: kitchen.name,
        on: today(kitchen),
        paper: query.paper,
        energy: kitchen.service.menuEnergy,
        releasedIds: new Set(standing.map(({ recipeId }) => recipeId)),
      });
      asFile(context, 'menu-allergens.pdf', PDF);
      return context.body(new Uint8Array(await pagesPdf(pages, 'Menu allergens')));
    },
  }),
];
