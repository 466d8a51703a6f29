/** The imports' part of the OpenAPI document. */
import type { Operation } from '../openapi';
import { runRequest } from './schemas';

export const IMPORT_OPERATIONS: readonly Operation[] = [
  {
    method: 'post',
    path: '/api/imports',
    summary: 'Uploads a table (?kind=foods or products, up to 128 MB) to be mapped',
    answers: 'Headings, first rows and the guessed mapping',
  },
  {
    method: 'get',
    path: '/api/imports/{id}',
    summary: 'How far an import is',
    answers: 'Progress and refused rows',
  },
  {
    method: 'post',
    path: '/api/imports/{id}/run',
    summary: 'Tries or runs an import',
    body: runRequest,
    answers: 'Progress',
  },
  {
    method: 'post',
    path: '/api/imports/{id}/stop',
    summary: 'Stops a running import; nothing of it stays',
    answers: 'Progress',
  },
  {
    method: 'get',
    path: '/api/imports/{id}/refused.csv',
    summary: 'Every row refused and why',
    answers: 'A CSV file',
  },
  {
    method: 'get',
    path: '/api/imports',
    summary: 'The last finished imports',
    answers: 'Imports, newest first',
  },
  {
    method: 'post',
    path: '/api/imports/{id}/take-back',
    summary: 'Takes a finished import back, but for rows that people have used since',
    answers: 'How many rows went, and the names of those that stay',
  },
  { method: 'delete', path: '/api/imports/{id}', summary: 'Forgets an upload', answers: 'Its id' },
];
