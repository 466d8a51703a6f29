/** Reads the amount a line begins with: figures, units, sizes, packs, and words of amount without a figure. */
import {
  type Figure,
  isMassUnit,
  isVagueUnit,
  isVolumeUnit,
  massOf,
  readFigure,
  type Unit,
  UNIT_WORDS,
} from '../quantity';
import type { Measured } from './recipe';
import { ABOUT_WORDS, FILLING_WORDS, HEAPING_WORDS, SIZE_WORDS } from './words';

export interface AmountRead {
  measures: Measured[];
  isRange: boolean;
  text: string;
  /** Index of the first token after the amount. */
  end: number;
  /** "pouch" or "carton", where the amount names one: such packs are often foods of their own. */
  container: string;
}

const ONE: Figure = { value: 1, low: 1, high: 1, length: 0 };
/** Millimetres of an inch and a centimetre, for "a 5 cm piece of ginger". */
const INCHES_PER: Readonly<Record<string, number>> = { cm: 1 / 2.54, inch: 1, inches: 1, in: 1 };

function measured(figure: Figure, unit: Unit, around: Partial<Measured> = {}): Measured {
  const { value, low, high } = figure;
  return { value, low, high, unit, size: 'medium', heaping: 'level', packGrams: null, ...around };
}

const isArticle = (token: string | undefined): boolean => token === 'a' || token === 'an' || token === 'the';
const isContainer = (unit: Unit | undefined): unit is 'tin' | 'pack' | 'block' =>
  unit === 'tin' || unit === 'pack' || unit === 'block';

/** "2 x 400 g tins" and "1 400 g tin": a count of packs whose net weight is written. */
function readPacks(
  tokens: readonly string[],
  at: number,
  count: Figure,
): { one: Measured; end: number } | null {
  const joint = tokens[at] === 'x' || tokens[at] === 'of' ? at + 1 : at;
  // "half of a 12-ounce block".
  const start = joint > at && isArticle(tokens[joint]) ? joint + 1 : joint;
  const net = readFigure(tokens, start);
  const unit = net && UNIT_WORDS.get(tokens[start + net.length] ?? '');
  if (!net || !unit || !isMassUnit(unit)) return null;
  let end = start + net.length + 1;
  const word = UNIT_WORDS.get(tokens[end] ?? '');
  if (isContainer(word)) end += 1;
  // "2 400 g potatoes" is no pack: without a container the count must say "x".
  else if (tokens[at] !== 'x') return null;
  return {
    one: measured(count, isContainer(word) ? word : 'pack', { packGrams: massOf(net.value, unit) }),
    end,
  };
}

/** Words that only stress the next: "1 very large onion", "1 whole head". */
const STRESSING = new Set(['very', 'really', 'whole', 'nice', 'full']);

/** Size, heaping and filling words, in any order, from a token on. */
function readManner(tokens: readonly string[], from: number): { around: Partial<Measured>; end: number } {
  const around: Partial<Measured> = {};
  let at = from;
  for (; at < tokens.length; at += 1) {
    const size = SIZE_WORDS.get(tokens[at]!);
    const heaping = HEAPING_WORDS.get(tokens[at]!);
    if (
      STRESSING.has(tokens[at]!) &&
      (SIZE_WORDS.has(tokens[at + 1] ?? '') || UNIT_WORDS.has(tokens[at + 1] ?? ''))
    )
      continue;
    if (size) around.size = size;
    else if (heaping) around.heaping = heaping;
    else break;
  }
  return { around, end: at };
}

/** "a 5 cm piece of", "1 inch knob": a length of a root, counted in inches. */
function readLength(
  tokens: readonly string[],
  at: number,
  figure: Figure,
): { one: Measured; end: number } | null {
  const per = INCHES_PER[tokens[at] ?? ''];
  if (per === undefined) return null;
  let end = at + 1;
  if (['piece', 'pieces', 'knob', 'length', 'chunk', 'slice', 'strip', 'thumb'].includes(tokens[end] ?? ''))
    end += 1;
  else if (tokens[at] === 'in') return null;
  const { value, low, high } = figure;
  return { one: measured({ value: value * per, low: low * per, high: high * per, length: 0 }, 'inch'), end };
}

/** A unit word without a figure that means one: "handful of dill", "juice", "tin of beans". */
function readBareUnit(tokens: readonly string[], at: number, around: Partial<Measured>) {
  const unit = UNIT_WORDS.get(tokens[at] ?? '') ?? null;
  const follows = tokens[at + 1] === 'of' || tokens.length > at + 1;
  if (unit === null || !follows) return null;
  const isSaid = isVagueUnit(unit) || (tokens[at + 1] === 'of' && !isMassUnit(unit) && !isVolumeUnit(unit));
  return isSaid ? { one: measured(ONE, unit, around), end: at + 1 } : null;
}

/** "1 lb 4 oz", "1 pint 5 floz": a second, smaller unit of the same kind right after the first. */
function addSmaller(one: Measured, tokens: readonly string[], at: number): { one: Measured; end: number } {
  const isLarge = one.unit === 'lb' || one.unit === 'kg' || one.unit === 'pint';
  const next = isLarge ? readFigure(tokens, at) : null;
  const unit = next && UNIT_WORDS.get(tokens[at + next.length] ?? '');
  const per =
    one.unit === 'lb' && unit === 'oz'
      ? 1 / 16
      : one.unit === 'kg' && unit === 'g'
        ? 1 / 1000
        : one.unit === 'pint' && unit === 'fl oz'
          ? 1 / 20
          : 0;
  if (!next || per === 0) return { one, end: at };
  const more = next.value * per;
  return {
    one: { ...one, value: one.value + more, low: one.low + more, high: one.high + more },
    end: at + next.length + 1,
  };
}

/** A range whose first figure has its unit too: "200 g - 250 g", "1 tbsp to 2 tbsp". */
function addUpperEnd(one: Measured, tokens: readonly string[], at: number): { one: Measured; end: number } {
  if (one.low !== one.high || !['-', '–', 'to', 'or'].includes(tokens[at] ?? '')) return { one, end: at };
  const upper = readFigure(tokens, at + 1);
  const unit = upper && UNIT_WORDS.get(tokens[at + 1 + upper.length] ?? '');
  if (!upper || unit !== one.unit || upper.value <= one.value) return { one, end: at };
  const high = upper.value;
  return { one: { ...one, value: (one.value + high) / 2, high }, end: at + 2 + upper.length };
}

/** "a tablespoon or two": a range that only the first figure names the unit of. */
function orMore(
  one: Measured,
  tokens: readonly string[],
  at: number,
  from: number,
): { one: Measured; end: number } {
  const isSaid =
    tokens[at] === 'or' && (isArticle(tokens[from]) || tokens[from] === 'one') && one.value === 1;
  const upper = isSaid ? readFigure(tokens, at + 1) : null;
  if (!upper || upper.value <= 1 || UNIT_WORDS.has(tokens[at + 1 + upper.length] ?? ''))
    return { one, end: at };
  const high = upper.value;
  return { one: { ...one, value: (1 + high) / 2, high }, end: at + 1 + upper.length };
}

/** One figure with its unit at a token, or a word of amount without a figure. */
function readMeasured(tokens: readonly string[], from: number): { one: Measured; end: number } | null {
  const isSpoken = isArticle(tokens[from]) && /^[\d.]/.test(tokens[from + 1] ?? '');
  const lead = readManner(tokens, isSpoken ? from + 1 : from);
  const figure = readFigure(tokens, lead.end);
  if (!figure) return readBareUnit(tokens, lead.end, lead.around);
  let at = lead.end + figure.length;
  const packs = readPacks(tokens, at, figure);
  if (packs) return packs;
  const length = readLength(tokens, at, figure);
  if (length) return length;
  if (tokens[at] === 'of' && UNIT_WORDS.has(tokens[at + 1] ?? '')) at += 1;
  else if (isArticle(tokens[at]) && UNIT_WORDS.has(tokens[at + 1] ?? '')) at += 1;
  else if (tokens[at] === 'of' && isArticle(tokens[at + 1]) && UNIT_WORDS.has(tokens[at + 2] ?? '')) at += 2;
  const manner = readManner(tokens, at);
  const around = { ...lead.around, ...manner.around };
  at = manner.end;
  while (FILLING_WORDS.has(tokens[at] ?? '') && UNIT_WORDS.has(tokens[at + 1] ?? '')) at += 1;
  const unit = UNIT_WORDS.get(tokens[at] ?? '');
  if (!unit || (unit === 'clove' && at === tokens.length - 1))
    return { one: measured(figure, 'piece', around), end: at };
  at += 1;
  const container = UNIT_WORDS.get(tokens[at] ?? '');
  if (isMassUnit(unit) && isContainer(container)) {
    return { one: measured(ONE, container, { packGrams: massOf(figure.value, unit) }), end: at + 1 };
  }
  // "2 packs of 250 g firm tofu": the weight of one follows.
  const net = isContainer(unit) && tokens[at] === 'of' ? readFigure(tokens, at + 1) : null;
  const netUnit = net && UNIT_WORDS.get(tokens[at + 1 + net.length] ?? '');
  if (net && netUnit && isMassUnit(netUnit))
    return {
      one: measured(figure, unit, { ...around, packGrams: massOf(net.value, netUnit) }),
      end: at + 2 + net.length,
    };
  if (tokens[at] === 'and' && tokens[at + 1] === 'a' && tokens[at + 2] === 'half') {
    const { value, low, high } = figure;
    const half = { value: value + 0.5, low: low + 0.5, high: high + 0.5, length: 0 };
    return { one: measured(half, unit, around), end: at + 3 };
  }
  const smaller = addSmaller(measured(figure, unit, around), tokens, at);
  const upper = addUpperEnd(smaller.one, tokens, smaller.end);
  return upper.end > smaller.end ? upper : orMore(smaller.one, tokens, smaller.end, from);
}

/** The amount at the start of some tokens; compound amounts ("1 cup plus 2 tbsp") give several measures. */
export function readAmount(tokens: readonly string[]): AmountRead | null {
  let at = 0;
  while (ABOUT_WORDS.has(tokens[at] ?? '')) at += 1;
  const first = readMeasured(tokens, at);
  if (!first) return null;
  const measures = [first.one];
  at = first.end;
  for (;;) {
    const joined = tokens[at] === 'plus' || tokens[at] === 'and';
    const next = joined ? readMeasured(tokens, at + 1) : null;
    if (!next || next.one.unit === 'piece') break;
    measures.push(next.one);
    at = next.end;
  }
  const isRange = measures.some((each) => each.high > each.low);
  const text = tokens.slice(0, at).join(' ').replace(/ - /g, '-');
  const container = /\b(pouch|carton)(?:e?s)?\b/.exec(text)?.[1] ?? '';
  if (tokens[at] === 'of') at += 1;
  return { measures, isRange, text, end: at, container };
}

const STATED =
  /(\d+(?:[.,]\d+)?)(?:\s*[-–]\s*(\d+(?:[.,]\d+)?))?[\s-]*(g|kg|grams?|oz|ounces?|lbs?|pounds?)\b/;
const numberOf = (text: string): number => Number(text.replace(',', '.'));

const FLUID_OUNCE = /\bfl(?:uid)?\.? ?(?:oz|ounces?)\b/g;
/** A weight given in brackets or after the amount: "(about 350 g)", "(300-400 g)". */
export function statedGrams(notes: readonly string[]): number | null {
  for (const note of notes) {
    const found = STATED.exec(note.toLowerCase().replace(FLUID_OUNCE, ''));
    const unit = found && UNIT_WORDS.get(found[3]!);
    if (!found || !unit || !isMassUnit(unit)) continue;
    const first = numberOf(found[1]!);
    return massOf(found[2] === undefined ? first : (first + numberOf(found[2])) / 2, unit);
  }
  return null;
}

export const saysWeight = (note: string): boolean => STATED.test(note.toLowerCase().replace(FLUID_OUNCE, ''));
