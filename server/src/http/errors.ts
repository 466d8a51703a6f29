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
  'tray-not-free': { status: 422, message: 'This dish is not for that group. Nothing was printed.' },
  'claim-typed': {
    status: 422,
    message:
      'A label makes no claim by what is typed onto it. Nothing was printed: name a group or a texture.',
  },
  'made-ahead': {
    status: 422,
    message: 'It is said to be made on a day that has not come yet. Nothing was printed.',
  },
  'pack-changed': { status: 409, message: 'Its statement changed while it was read. Read it again.' },
  'pack-contradicts': {
    status: 422,
    message: 'The answers say less than the statement of the pack. Nothing was recorded.',
  },
  'statement-language': {
    status: 422,
    message:
      'This statement is in a language that nobody here reads. Ask the supplier for it in English, French, German, Spanish, Italian, Portuguese, Dutch, Polish or Turkish. Nothing was recorded.',
  },
  'word-not-answered': { status: 404, message: 'Nothing was said of this word here.' },
  'reading-date': {
    status: 422,
    message:
      'The day of reading lies in the future, or longer back than this kitchen takes. Nothing was recorded.',
  },
  'service-not-found': { status: 404, message: 'There is no such service. It may have been taken off.' },
  'service-exists': { status: 409, message: 'There are too many services of this day and meal.' },
  'service-conflict': {
    status: 409,
    message: 'Someone else changed this service after you opened it. Your changes are kept on your screen.',
  },
  'service-has-taken': {
    status: 409,
    message:
      'Food was taken out of store for this service. Put it back first, or leave the service as it was cooked.',
  },
  'service-refused': {
    status: 400,
    message: 'This service cannot be as it is written. Nothing was changed.',
  },
  'stock-not-found': { status: 404, message: 'There is no such thing in store.' },
  'stock-conflict': {
    status: 409,
    message: 'Someone else changed this after you opened it. Look again, and put your figure in.',
  },
  'stock-refused': { status: 400, message: 'This cannot be put into store as it is written.' },
  'stock-gone': {
    status: 409,
    message: 'There is less in store than this service takes. Nothing was taken out.',
  },
  'stock-taken': { status: 409, message: 'It was taken out of store for this service already.' },
  'cycle-conflict': {
    status: 409,
    message: 'Someone else changed this cycle after you opened it. Your changes are kept on your screen.',
  },
  'cycle-refused': {
    status: 400,
    message: 'This cycle cannot be as it is written. Nothing was changed.',
  },
  'swap-not-found': { status: 404, message: 'There is no such swap in this kitchen.' },
  'swap-exists': { status: 409, message: 'There is a swap with this id already.' },
  'swap-in-use': { status: 409, message: 'Dishes use this swap, so it stays. Take it out of them first.' },
  'not-signed-in': { status: 401, message: 'Sign in first. What you did is kept on this screen.' },
  'sign-in-refused': { status: 401, message: 'This name and password do not belong together.' },
  'too-many-guesses': { status: 429, message: 'Too many wrong passwords. Wait a little before the next.' },
  'role-missing': { status: 403, message: 'Your role may not do this. Ask somebody whose role may.' },
  'cross-site': { status: 403, message: 'This came from a page of another site and was refused.' },
  'host-refused': {
    status: 421,
    message: 'This was asked for under a name that is not this app. Open it at its own address.',
  },
  'person-not-found': { status: 404, message: 'There is no such account.' },
  'login-taken': { status: 409, message: 'There is an account of this name already.' },
  'last-manager': { status: 409, message: 'This is the last manager: make another one first.' },
  'label-not-found': { status: 404, message: 'There is no such label.' },
  'label-step': { status: 409, message: 'The label is not at the step before this one.' },
  'label-open': { status: 409, message: 'The label has open points: decide them, and hand it in anew.' },
  'label-stale': {
    status: 409,
    message: 'What the label was worked out from has changed since. Hand it in anew.',
  },
  'label-same-person': {
    status: 403,
    message: 'This kitchen wants another person to release a label than the one who checked it.',
  },
  'label-other-kind': {
    status: 409,
    message: 'The label was checked and released as another kind. Hand it in as this kind.',
  },
  'label-expired': {
    status: 422,
    message: 'What was made on that day is past its date: no label is printed for it.',
  },
  'label-undated': {
    status: 409,
    message: 'Nobody said how long it keeps: the label would carry no date. Nothing was printed.',
  },
  'batch-of-another-label': {
    status: 409,
    message: 'That batch was made under another label. Nothing was printed.',
  },
  'label-conflict': { status: 409, message: 'Somebody else took this label a step on. Look at it again.' },
  'label-not-released': { status: 409, message: 'This label is not released: nothing was printed.' },
  'label-does-not-fit': { status: 422, message: 'The label cannot be printed so: nothing was printed.' },
  'claim-not-met': {
    status: 422,
    message: 'The condition of this claim is not surely met, so it is not printed.',
  },
  'pin-refused': { status: 401, message: 'That PIN is not the one of this name.' },
  'batch-refused': { status: 422, message: 'This batch cannot be opened so. Nothing was kept.' },
  'batch-not-cooked': {
    status: 409,
    message: 'Labels were printed under this code, and nothing was written down of how it was cooked.',
  },
  'batch-differs': {
    status: 409,
    message:
      'What was cooked differs from the recipe its label was released for. Hand in a label of the batch itself.',
  },
  'batch-not-found': { status: 404, message: 'No batch has this code.' },
  'job-not-found': { status: 404, message: 'There is no such print job, or it has ended.' },
  'spool-full': { status: 429, message: 'A thousand jobs wait already. Let some of them print first.' },
  'png-unavailable': {
    status: 503,
    message:
      'The picture could not be drawn: poppler-utils is missing on the server. The PDF holds the same.',
  },
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
  'import-taken-back': { status: 409, message: 'This import has been taken back already.' },
  'import-running': { status: 409, message: 'This import is running. Stop it or wait for its end.' },
  'mapping-incomplete': {
    status: 400,
    message: 'Say first which columns hold what is needed. Nothing was changed.',
  },
  'no-recipe': {
    status: 422,
    message: 'No recipe was found in this. Nothing was taken in; the text is still yours.',
  },
  'database-down': {
    status: 503,
    message: 'The database does not answer. What you did is kept on this screen; try again in a moment.',
  },
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
