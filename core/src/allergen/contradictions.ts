/** A pack's answers held against its own statement: what the statement says, no answer may leave out. */
import { type Food, type Substance, SUBSTANCE_NAMES } from '../food';
import type { Pack } from '../kitchen';
import { readStatement } from './statement';

const ANSWER_WORDS = {
  contains: 'contains',
  'may-contain': 'may contain',
  none: 'not in it',
  check: 'left open',
  unsaid: 'not named',
};

export interface Contradiction {
  /** The substance, or "animal". */
  about: Substance | 'animal';
  /** The words of the statement. */
  words: string;
  message: string;
}

/**
 * Where the answers of a pack say less than its statement. What the food is made of whatever the brand needs no answer.
 * An empty statement contradicts nothing.
 */
export function contradictionsOf(
  pack: Pick<Pack, 'statement' | 'allergens' | 'animal'>,
  food: Pick<Food, 'allergens'>,
): Contradiction[] {
  const reading = readStatement(pack.statement);
  const found = reading.mentions.flatMap(({ substance, status, words }): Contradiction[] => {
    if (status === 'check' || food.allergens[substance] === 'contains') return [];
    const answer = pack.allergens[substance];
    if (answer === 'contains' || (answer === 'may-contain' && status === 'may-contain')) return [];
    const says = status === 'contains' ? 'contains' : 'may contain';
    const message = `The statement ${says} ${SUBSTANCE_NAMES[substance]} ("${words}"), and the answer is ${ANSWER_WORDS[answer ?? 'unsaid']}.`;
    return [{ about: substance, words, message }];
  });
  if (reading.animal?.state === 'animal' && pack.animal !== 'animal')
    found.push({
      about: 'animal',
      words: reading.animal.words,
      message: `The statement names "${reading.animal.words}", which comes from an animal.`,
    });
  return found;
}
