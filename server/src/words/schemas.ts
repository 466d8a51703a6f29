/** What the API takes of statements, and of words that nobody knew. */
import Joi from 'joi';
import { SUBSTANCES } from '@hand-ladle/core';

export const MOST_STATEMENT = 4000;

export const statementRequest = Joi.object<{ text: string; language?: string }>({
  text: Joi.string().max(MOST_STATEMENT).allow('').required().description('The declaration as printed'),
  language: Joi.string()
    .pattern(/^[a-z]{2}$/)
    .description('The language it is said to be in; what stands in it decides'),
});

const word = Joi.string().trim().min(2).max(200);

export interface WordRequest {
  word: string;
  holds: WordHolds;
  signature: string;
}
export type WordHolds = ((typeof SUBSTANCES)[number] | 'animal')[];

export const wordRequest = Joi.object<WordRequest>({
  word: word.required().description('As the pack prints it'),
  holds: Joi.array()
    .items(Joi.string().valid(...SUBSTANCES, 'animal'))
    .max(SUBSTANCES.length + 1)
    .unique()
    .required()
    .description('What it holds; empty where it holds none of them'),
  signature: Joi.string()
    .max(200)
    .allow('')
    .default('')
    .description('From POST /api/signatures, where nobody is signed in'),
});

export const takeBackRequest = Joi.object<Pick<WordRequest, 'word' | 'signature'>>({
  word: word.required(),
  signature: Joi.string().max(200).allow('').default(''),
});
