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
  'recipe-exists': { status: 409, message: 'A dish with this id is in the book already.' },
  'version-conflict': {
    status: 409,
    message: 'Someone else saved this dish after you opened it. Your changes are kept on your screen.',
  },
  'component-in-use': { status: 409, message: 'Other dishes use this one, so it stays in the book.' },
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
