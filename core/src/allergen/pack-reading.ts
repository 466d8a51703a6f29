/**
 * What a reader of a pack is asked, and what its statement answers already. A statement fills in only what it surely says;
 * what it leaves open stays open till somebody asked the supplier, and what a person set is left alone.
 */
import { type Food, type Substance, SUBSTANCES } from '../food';
import { answeredWord, type Pack, type WordAnswer } from '../kitchen';
import type { StatementReading } from './statement';

type Answers = Pack['allergens'];

/** The answers after a statement was read: what it names is filled in, what it names no more falls away. */
export function answersAfter(
  reading: Pick<StatementReading, 'mentions'>,
  answers: Answers,
  setByHand: ReadonlySet<Substance>,
): Answers {
  const next: Partial<Record<Substance, Answers[Substance]>> = { ...answers };
  for (const each of SUBSTANCES) {
    if (setByHand.has(each)) continue;
    const mention = reading.mentions.find(({ substance }) => substance === each);
    if (mention && mention.status !== 'check') next[each] = mention.status;
    else if (!mention) delete next[each];
  }
  return next;
}

/** The substances of a pack by how they are asked for. */
export interface AskedOfPack {
  /** What the food is made of whatever the brand: it stays, so it is shown and not asked. */
  inherent: Substance[];
  /** What the statement names, the food is likely to hold, or an earlier reading speaks of. */
  asked: Substance[];
  /** The rest stands at "not named" and is there for whoever finds it on the pack. */
  others: Substance[];
}

export function askedOfPack(
  reading: Pick<StatementReading, 'mentions'>,
  food: Pick<Food, 'allergens'>,
  known: Answers,
): AskedOfPack {
  const named = new Set(reading.mentions.map(({ substance }) => substance));
  const inherent = SUBSTANCES.filter((each) => food.allergens[each] === 'contains');
  const rest = SUBSTANCES.filter((each) => !inherent.includes(each));
  const isAsked = (each: Substance): boolean =>
    named.has(each) || food.allergens[each] !== undefined || known[each] !== undefined;
  return { inherent, asked: rest.filter(isAsked), others: rest.filter((each) => !isAsked(each)) };
}

/** What the words of a statement that no list holds were said to be: each substance with the word, and the words still open. */
export function heldByWords(
  { unknown }: Pick<StatementReading, 'unknown'>,
  answers: readonly WordAnswer[],
): { held: ReadonlyMap<Substance | 'animal', string>; open: readonly string[] } {
  const said = new Map(answers.map(({ word, holds }) => [word, holds]));
  const held = new Map<Substance | 'animal', string>();
  for (const word of unknown) for (const each of said.get(answeredWord(word)) ?? []) held.set(each, word);
  return { held, open: unknown.filter((word) => !said.has(answeredWord(word))) };
}

/** Whether the statement leaves a substance open, so that it stays to be checked until the supplier was asked. */
export const isLeftOpen = ({ mentions }: Pick<StatementReading, 'mentions'>, substance: Substance): boolean =>
  mentions.some((each) => each.substance === substance && each.status === 'check');
