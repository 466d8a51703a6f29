/** Reads one written ingredient line into food, form, amount and unit. The text itself is never changed. */
import { type Finding, finding } from '../finding';
import { type FoodSet, inSentence } from '../food';
import { isMassUnit, isVagueUnit, UNIT_WORDS } from '../quantity';
import { prepareLine } from './prepare-line';
import { type AmountRead, readAmount, saysWeight, statedGrams } from './read-amount';
import { type FoodRead, readFood } from './read-food';
import type { AmountKind, Measured, Reading } from './recipe';

/** Longest line that is read whole, in characters; the rest is kept in the text. */
export const LINE_CHARACTERS = 400;

function amountKindOf(amount: AmountRead | null, taken: ReadonlySet<string>): AmountKind {
  if (amount) {
    if (amount.measures.some((each) => isVagueUnit(each.unit))) return 'vague';
    return amount.isRange ? 'range' : 'exact';
  }
  return taken.has('to-taste') ? 'to-taste' : 'none';
}

/** The findings about which food a line means; those about its weight are made when it is weighed. */
function foodFindings(read: FoodRead, lineId: string | null, larder: FoodSet): Finding[] {
  const name = (id: string): string => inSentence(larder.foods.get(id)?.name ?? id);
  const [first] = read.ids;
  if (first === undefined) return [finding('food-unknown', lineId, { name: read.text || 'this' })];
  const found: Finding[] = [];
  if (read.confidence < 1)
    found.push(finding('food-unsure', lineId, { written: read.text, name: name(first) }));
  if (read.isOpen) {
    const states = read.ids.map((id) => larder.foods.get(id)?.state ?? 'component');
    // Two foods of one name in one state are told apart by their own names.
    const choices = new Set(states).size === states.length ? states : read.ids.map(name);
    const words = choices.join(', ').replace(/, ([^,]+)$/, ' or $1');
    found.push(finding('state-unsure', lineId, { name: read.text, states: words }));
  }
  const [other] = read.alternatives;
  if (other !== undefined)
    found.push(finding('alternative-open', lineId, { name: name(first), other: name(other) }));
  return found;
}

/** "6 basil leaves", "3 garlic cloves": the unit stands after the food. */
function withUnitAfter(measures: readonly Measured[], { text, after }: FoodRead): readonly Measured[] {
  const [one] = measures;
  if (measures.length !== 1 || !one || one.unit !== 'piece') return measures;
  const named = text.split(' ');
  for (const word of [...(named.length > 1 ? named : []), ...after.split(' ')]) {
    const unit = UNIT_WORDS.get(word);
    if (
      unit === 'leaf' ||
      unit === 'clove' ||
      unit === 'sprig' ||
      unit === 'stalk' ||
      unit === 'cube' ||
      unit === 'slice'
    )
      return [{ ...one, unit }];
  }
  return measures;
}

interface Taken {
  amount: AmountRead | null;
  phrase: string;
  details: string[];
  /** Weights said in brackets or after a comma, beside the amount. */
  weights: string[];
}

/** Takes the amount off a line: from its start, else from the part after a comma that has one. */
function takeAmount(main: string, tail: readonly string[], notes: readonly string[]): Taken {
  const details = [...tail];
  const weights = notes.filter(saysWeight);
  const tokens = main.split(/\s+/);
  const atStart = readAmount(tokens);
  if (atStart) {
    const phrase = tokens.slice(atStart.end).join(' ') || (details.shift() ?? '');
    const said = details.findIndex((each) =>
      /^(?:about |approx\.? |roughly |or )?\d[\d.,-]* ?(?:g|kg|oz|lb)\b/.test(each),
    );
    if (said >= 0) weights.push(...details.splice(said, 1));
    return { amount: atStart, phrase, details, weights };
  }
  for (const [at, each] of details.entries()) {
    const words = each.split(/\s+/);
    const amount = readAmount(words);
    if (!amount) continue;
    details.splice(at, 1, words.slice(amount.end).join(' '));
    return { amount, phrase: main, details, weights };
  }
  return { amount: null, phrase: main, details, weights };
}

/** "1 (14 oz) can": what stands in brackets before a tin is the net weight of one. */
function withBracketPack(taken: Taken, text: string): Taken {
  const { amount, weights } = taken;
  const [one] = amount?.measures ?? [];
  if (!amount || amount.measures.length !== 1 || !one || one.packGrams !== null || weights.length === 0)
    return taken;
  const isPack = one.unit === 'tin' || one.unit === 'pack' || one.unit === 'block';
  if (!isPack || !/^\W*(?:\d[\d/ ]*|an?|one|two|three|four)\s*[([]/i.test(text)) return taken;
  const packGrams = statedGrams(weights);
  return { ...taken, amount: { ...amount, measures: [{ ...one, packGrams }] }, weights: [] };
}

const EACH = /\beach\b/;
const COUNTED_PACKS = new Set(['tin', 'pack', 'block']);

/** "3 tins (400 g each)", "4 celeriac, 800 g each": the weight of one, told beside the count. */
function withEach(taken: Taken, written: readonly string[]): Taken {
  const { amount, weights } = taken;
  const [one] = amount?.measures ?? [];
  const of = written.find((each) => EACH.test(each) && saysWeight(each));
  const grams = of === undefined ? null : statedGrams([of]);
  if (!amount || !one || grams === null || amount.measures.length !== 1) return taken;
  if (COUNTED_PACKS.has(one.unit))
    return { ...taken, amount: { ...amount, measures: [{ ...one, packGrams: grams }] }, weights: [] };
  return isMassUnit(one.unit) ? taken : { ...taken, weights: [`${grams * one.value} g`, ...weights] };
}

/** "(part of 200 g)": what a line was parted from with an amount said for several foods. */
const PART_OF = /^part of (.+)$/;

/**
 * Reads one line. Never throws; what cannot be read is said in `findings`.
 * @param text the line as written, in any case and with any characters
 * @param lineId put on the findings
 * @param part the heading the line stood under, or an empty text
 */
export function readLine(text: string, larder: FoodSet, lineId: string | null = null, part = ''): Reading {
  const { main, tail, notes: all, taken } = prepareLine(text.slice(0, LINE_CHARACTERS));
  const shared = all.map((note) => PART_OF.exec(note)?.[1]).find((each) => each !== undefined);
  const notes = shared === undefined ? all : all.filter((note) => !PART_OF.test(note));
  const {
    amount,
    phrase,
    details,
    weights: said,
  } = withEach(withBracketPack(takeAmount(main, tail, notes), text), [...notes, ...tail]);
  // "250 g (9 oz)": a weight already stands; the other one is only its translation.
  const weights = amount?.measures.some((each) => isMassUnit(each.unit)) ? [] : said;
  const words = notes.filter((note) => !saysWeight(note) && note !== '');
  const read = readFood(
    phrase,
    [...details.filter(Boolean), ...words],
    amount?.measures ?? [],
    larder,
    amount?.container,
  );
  const findings = foodFindings(read, lineId, larder);
  if (shared !== undefined)
    findings.push(finding('amount-shared', lineId, { name: read.text, amount: shared }));
  const isNegative = main.startsWith('-') && /^\s*-\s?\d/.test(text);
  if (isNegative) findings.push(finding('amount-absurd', lineId, { written: text.trim().slice(0, 60) }));
  if (text.length > LINE_CHARACTERS)
    findings.push(finding('line-cut', lineId, { characters: LINE_CHARACTERS }));
  const others = read.ids.length > 0 ? [...read.ids.slice(1), ...read.suggestions] : read.suggestions;
  return {
    amountKind: amountKindOf(amount, taken),
    measures: withUnitAfter(amount?.measures ?? [], read),
    amountText: amount?.text ?? '',
    statedGrams: statedGrams(weights),
    foodId: read.ids[0] ?? null,
    foodText: read.text,
    confidence: read.confidence,
    otherFoodIds: [...new Set(others)].slice(0, 20),
    alternativeIds: read.alternatives,
    form: read.form.join(', '),
    stateOpen: read.isOpen,
    optional: taken.has('optional'),
    purpose: taken.has('fry') ? 'fry' : taken.has('garnish') ? 'garnish' : null,
    part,
    findings,
  };
}
