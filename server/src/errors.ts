/** The API's errors: each has a code, a status and a sentence. Nothing else leaves the server when it fails. */
import type { ContentfulStatusCode } from 'hono/utils/http-status';

export const ERRORS = {
  'bad-json': { status: 400, message: 'The request is not valid JSON. Nothing was changed.' },
  'bad-request': { status: 400, message: 'Some of what was sent cannot be used. Nothing was changed.' },
  'text-too-long': {
    status: 413,
    message: 'The text is longer than one recipe can be (200,000 characters). Split it and send the parts.',
  },
  'too-large': { status: 413, message: 'The request is larger than 3 MB. Nothing was read.' },
  'not-found': { status: 404, message: 'There is nothing at this address.' },
  'recipe-not-found': { status: 404, message: 'This dish is not in the book. It may have been taken out.' },
  'kitchen-not-found': { status: 404, message: 'There is no such kitchen.' },
  'food-not-found': { status: 404, message: 'There is no such food in the larder.' },
  'kitchen-exists': { status: 409, message: 'There is a kitchen with this id already.' },
  'kitchen-conflict': {
    status: 409,
    message: 'Someone else changed this kitchen after you opened it. Your changes are kept on your screen.',
  },
  'recipe-exists': { status: 409, message: 'A dish with this id is in the book already.' },
  'version-conflict': {
    status: 409,
    message: 'Someone else saved this dish after you opened it. Your changes are kept on your screen.',
  },
  'component-in-use': { status: 409, message: 'Other dishes use this one, so it stays in the book.' },
  'food-exists': { status: 409, message: 'A food of this name is in the larder already.' },
  'food-conflict': {
    status: 409,
    message: 'Someone else changed this food after you opened it. Your changes are kept on your screen.',
  },
  'food-loosened': {
    status: 409,
    message:
      'This would say less of an allergen, of animal origin or of a caution than the larder does. Record what the pack says instead.',
  },
  'swap-not-found': { status: 404, message: 'There is no such swap in this kitchen.' },
  'swap-exists': { status: 409, message: 'There is a swap with this id already.' },
  'swap-in-use': { status: 409, message: 'Dishes use this swap, so it stays. Take it out of them first.' },
  'file-empty': { status: 400, message: 'There is nothing in this file.' },
  'file-too-large': {
    status: 413,
    message: 'The file is larger than 128 MB. Nothing was kept: split it and import the parts.',
  },
  'file-unreadable': {
    status: 400,
    message:
      'This file cannot be read as a table. Save it as CSV (UTF-8) and try again. Nothing was changed.',
  },
  'import-not-found': { status: 404, message: 'There is no such import any more. Choose the file again.' },
  'import-running': { status: 409, message: 'This import is running. Stop it or wait for its end.' },
  'mapping-incomplete': {
    status: 400,
    message: 'Say first which columns hold what is needed. Nothing was changed.',
  },
  'no-recipe': {
    status: 422,
    message: 'No recipe was found in this. Nothing was taken in; the text is still yours.',
  },
  'database-down': { status: 503, message: 'The database does not answer. Nothing was saved; try again.' },
  internal: {
    status: 500,
    message: 'Something broke on the server. What you typed is still on your screen.',
  },
} as const satisfies Record<string, { status: ContentfulStatusCode; message: string }>;

export type ErrorCode = keyof typeof ERRORS;

/** Thrown by routes and stores; the app turns it into the one error shape. */
export class ApiError extends Error {
  constructor(
    readonly code: ErrorCode,
    readonly details: unknown[] = [],
  ) {
    super(ERRORS[code].message);
  }
}
