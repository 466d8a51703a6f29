/** Statements over HTTP: what one says, and what was said of words that nobody knew. */
import { readStatement, type StatementReading, SUBSTANCES } from '@hand-ladle/core';
import type { People } from '../accounts/people';
import { personOf } from '../accounts/session';
import { type Route, route } from '../http/route';
import { id, listOf, tellingAll } from '../http/words';
import { kitchenAnswer } from '../kitchens/routes';
import { statementRequest, takeBackRequest, wordRequest } from './schemas';
import type { WordStore } from './store';

/** Substances of a status, with what comes from an animal. */
function saidOf(reading: StatementReading, status: 'contains' | 'may-contain'): string[] {
  const said = reading.mentions.filter((each) => each.status === status).map(({ substance }) => substance);
  const named: string[] = SUBSTANCES.filter((each) => said.includes(each));
  return status === 'contains' && reading.animal?.state === 'animal' ? [...named, 'animal'] : named;
}

const NO_LANGUAGE = 'the language of this text, which nobody here reads';

export const wordRoutes = (words: WordStore, people: People): Route[] => [
  route({
    method: 'post',
    path: '/api/statement',
    summary: "Reads a pack's declaration word by word; nothing is stored",
    body: statementRequest,
    answer: tellingAll('language', 'contains', 'may', 'free', 'unknown', 'certified', 'check'),
    answers:
      'What it contains, may contain and is said to be free from, what it leaves open, and the words that nobody knows: the pack is unchecked till each is answered',
    example: { body: { text: 'Water, soya beans, zorblax. May contain sesame.' } },
    run: ({ body }) => {
      const reading = readStatement(body.text);
      const open = reading.mentions.filter(({ status }) => status === 'check');
      return {
        language: reading.isForeign ? 'unknown' : (reading.languages[0] ?? 'English'),
        languages: reading.languages.length > 0 ? reading.languages : ['English'],
        contains: saidOf(reading, 'contains'),
        may: saidOf(reading, 'may-contain'),
        free: reading.free,
        unknown: reading.isForeign ? [...reading.unknown, NO_LANGUAGE] : reading.unknown,
        certified: reading.certified,
        check: open.map(({ substance }) => substance),
      };
    },
  }),
  route({
    method: 'get',
    path: '/api/kitchens/:id/words',
    summary: 'What was said here of words of statements that nobody knew, the last first',
    params: { id },
    answer: listOf(tellingAll('word', 'holds', 'by', 'at')),
    answers: 'Each entry with who signed it; `holds` is null where an answer was taken back',
    example: { params: { id: 'alder-ward' } },
    run: ({ params }) => words.history(params.id),
  }),
  route({
    method: 'post',
    path: '/api/kitchens/:id/words',
    summary: 'Says what a word that nobody knew holds: signed in, or with the signature of a PIN',
    params: { id },
    body: wordRequest,
    answer: kitchenAnswer,
    answers: 'The kitchen',
    example: { params: { id: 'alder-ward' }, body: { word: 'Zorblax', holds: ['soy'] } },
    run: async ({ params, body, context }) => {
      const by = await words.signer(await personOf(context, people), body.signature);
      return words.say(params.id, body.word, body.holds, by);
    },
  }),
  route({
    method: 'post',
    path: '/api/kitchens/:id/words/take-back',
    summary: 'Takes back what was said of a word: its packs are unchecked again',
    params: { id },
    body: takeBackRequest,
    answer: kitchenAnswer,
    answers: 'The kitchen',
    example: { params: { id: 'alder-ward' }, body: { word: 'Zorblax' } },
    run: async ({ params, body, context }) => {
      const by = await words.signer(await personOf(context, people), body.signature);
      return words.say(params.id, body.word, null, by);
    },
  }),
];
