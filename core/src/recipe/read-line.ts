/** Reads one written ingredient line into food, form, amount and unit. The text itself is never changed. */
import type { FoodSet } from '../food';
import { inSentence, matchFood, suggestFoods } from '../food';
import { finding, type Finding } from '../finding';
import { isMassUnit, isVagueUnit, massOf, readFigure, spellFractions, UNIT_WORDS } from '../quantity';
import type { Figure, Unit } from '../quantity';
import type { AmountKind, Measured, Reading } from './recipe';
import { ABOUT_WORDS, HEAPING_WORDS, PURPOSES, SIZE_WORDS, STATE_WORDS } from './words';

/** Longest line that is read whole, in characters; the rest is kept in the text. */
export const LINE_CHARACTERS = 400;

const CONTROLS = /[\p{Cc}\p{Cf}]/gu;

interface Phrases {
  main: string;
  tail: string[];
  notes: string[];
  taken: Set<string>;
}

/** Lower case, fractions spelt, figures parted from units, brackets and purposes set aside. */
function phrases(text: string): Phrases {
  const notes: string[] = [];
  const taken = new Set<string>();
  let plain = spellFractions(text.replace(CONTROLS, ' '))
    // T and tbsp are one thing, t and tsp another: settle it while capitals still tell.
    .replace(/(\d\s*)T\b/g, '$1tbsp')
    .replace(/(\d\s*)t\b/g, '$1tsp')
    .toLowerCase()
    .replace(/^\s*(?:[-*–](?=\s)|[•·▪◦]|\d+[.)](?=\s))\s*/, '')
    .replace(/\(([^()]*)\)/g, (_, inner: string) => {
      notes.push(inner);
      return ' ';
    });
  for (const { pattern, means } of PURPOSES) {
    const before = plain;
    plain = plain.replace(pattern, ' ');
    if (plain !== before || notes.some((note) => pattern.test(note))) taken.add(means);
  }
  plain = plain
    .replace(/\bfl\.? oz\b/g, 'floz')
    .replace(
      /\b(?:the )?(juice|zest) of (?:about )?((?:\d[\d /.]*|half an?|an?|one|two|three) )?(?:\w+ )??(\w+)$/,
      '$2$3 $1',
    )
    .replace(/(\d)\s*-\s*(\d+\/\d+)/g, '$1 $2')
    .replace(/(\d)\s*[-–]\s*(?=\d)/g, '$1 - ')
    .replace(/(\d)\s*[x×]\s*(?=\d)/g, '$1 x ')
    .replace(/(\d)-?(?=[a-df-z]|e(?!\d))/g, '$1 ')
    .replace(/\+/g, ' plus ')
    .replace(/\.(?=\s|$)/g, ' ');
  const [main = '', ...tail] = plain.split(/[,;:](?!\d)|\s[-–]\s(?!\d)/);
  return { main: main.trim(), tail: tail.map((part) => part.trim()).filter(Boolean), notes, taken };
}

interface AmountRead {
  measures: Measured[];
  isRange: boolean;
  text: string;
  /** Index of the first token after the amount. */
  end: number;
}

function measured(figure: Figure, unit: Unit, around: Partial<Measured> = {}): Measured {
  const { value, low, high } = figure;
  return { value, low, high, unit, size: 'medium', heaping: 'level', packGrams: null, ...around };
}

/** "2 x 400 g tins" and "1 400 g tin": a count of packs whose net weight is written. */
function readPacks(
  tokens: readonly string[],
  at: number,
  count: Figure,
): { one: Measured; end: number } | null {
  const start = tokens[at] === 'x' ? at + 1 : at;
  const net = readFigure(tokens, start);
  const unit = net && UNIT_WORDS.get(tokens[start + net.length] ?? '');
  if (!net || !unit || !isMassUnit(unit)) return null;
  let end = start + net.length + 1;
  let container: Unit = 'pack';
  const word = UNIT_WORDS.get(tokens[end] ?? '');
  if (word === 'tin' || word === 'pack' || word === 'block') {
    container = word;
    end += 1;
  }
  return { one: measured(count, container, { packGrams: massOf(net.value, unit) }), end };
}

/** Size and heaping words, in any order, from a token on. */
function readManner(tokens: readonly string[], from: number): { around: Partial<Measured>; end: number } {
  const around: Partial<Measured> = {};
  let at = from;
  for (; at < tokens.length; at += 1) {
    const size = SIZE_WORDS.get(tokens[at]!);
    const heaping = HEAPING_WORDS.get(tokens[at]!);
    if (size) around.size = size;
    else if (heaping) around.heaping = heaping;
    else break;
  }
  return { around, end: at };
}

/** One figure with its unit at a token, or a vague word without a figure ("handful of dill"). */
function readMeasured(tokens: readonly string[], from: number): { one: Measured; end: number } | null {
  const lead = readManner(tokens, from);
  const figure = readFigure(tokens, lead.end);
  if (!figure) {
    const vague = UNIT_WORDS.get(tokens[lead.end] ?? '') ?? null;
    if (!isVagueUnit(vague)) return null;
    return { one: measured({ value: 1, low: 1, high: 1, length: 0 }, vague, lead.around), end: lead.end + 1 };
  }
  let at = lead.end + figure.length;
  const packs = readPacks(tokens, at, figure);
  if (packs) return packs;
  if (tokens[at] === 'of') at += 1;
  const manner = readManner(tokens, at);
  const around = { ...lead.around, ...manner.around };
  at = manner.end;
  const unit = UNIT_WORDS.get(tokens[at] ?? '');
  if (!unit || (unit === 'clove' && at === tokens.length - 1))
    return { one: measured(figure, 'piece', around), end: at };
  at += 1;
  const container = UNIT_WORDS.get(tokens[at] ?? '');
  if (isMassUnit(unit) && (container === 'tin' || container === 'pack' || container === 'block')) {
    const one = { value: 1, low: 1, high: 1, length: 0 };
    return { one: measured(one, container, { packGrams: massOf(figure.value, unit) }), end: at + 1 };
  }
  return { one: measured(figure, unit, around), end: at };
}

/** The amount at the start of some tokens; compound amounts ("1 cup plus 2 tbsp") give several measures. */
function readAmount(tokens: readonly string[]): AmountRead | null {
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
  if (tokens[at] === 'of') at += 1;
  return { measures, isRange, text, end: at };
}

const STATED = /(\d+(?:[.,]\d+)?)\s*(g|kg|grams|oz|lb)\b/;

/** A weight given in brackets or after the amount: "(about 350 g)". */
function statedGrams(notes: readonly string[]): number | null {
  for (const note of notes) {
    const found = STATED.exec(note.toLowerCase());
    const unit = found && UNIT_WORDS.get(found[2]!);
    if (found && isMassUnit(unit ?? null)) {
      return massOf(Number(found[1]!.replace(',', '.')), unit as 'g');
    }
  }
  return null;
}

/** Of several foods with one name, those in the state the line names; all of them when it names none. */
function inState(
  ids: readonly string[],
  words: readonly string[],
  hasTin: boolean,
  larder: FoodSet,
): string[] {
  const states = new Set(words.map((word) => STATE_WORDS.get(word)).filter(Boolean));
  if (hasTin) states.add('tinned');
  if (states.size === 0) return [...ids];
  const fitting = ids.filter((id) => {
    const state = larder.foods.get(id)?.state;
    return state !== undefined && states.has(state as 'dry');
  });
  return fitting.length > 0 ? fitting : [...ids];
}

interface FoodRead {
  ids: string[];
  text: string;
  confidence: number;
  form: string[];
  alternatives: string[];
  suggestions: string[];
}

function readFood(phrase: string, tail: readonly string[], hasTin: boolean, larder: FoodSet): FoodRead {
  const [head = '', ...others] = phrase.split(/\s+or\s+/);
  const context = [head, ...tail].join(' ').split(/\s+/);
  const whole = matchFood([head, ...tail].join(' '), larder);
  const inHead = matchFood(head, larder);
  const match = inHead ?? whole;
  const alternatives = others
    .map((other) => matchFood(other, larder)?.ids[0])
    .filter((id): id is string => id !== undefined && !match?.ids.includes(id));
  if (!match) {
    return {
      ids: [],
      text: head,
      confidence: 0,
      form: [...tail],
      alternatives,
      suggestions: suggestFoods(head, larder),
    };
  }
  const ids = inState(match.ids, context, hasTin, larder);
  const form = [match === inHead ? match.rest.join(' ') : '', ...tail].filter(Boolean);
  return { ids, text: head, confidence: match.confidence, form, alternatives, suggestions: [] };
}

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
  if (read.ids.length > 1) {
    const states = read.ids.map((id) => larder.foods.get(id)?.state ?? 'component').join(', ');
    found.push(
      finding('state-unsure', lineId, { name: read.text, states: states.replace(/, (\w+)$/, ' or $1') }),
    );
  }
  const [other] = read.alternatives;
  if (other !== undefined)
    found.push(finding('alternative-open', lineId, { name: name(first), other: name(other) }));
  return found;
}

/**
 * Reads one line. Never throws; what cannot be read is said in `findings`.
 * @param text the line as written, in any case and with any characters
 * @param lineId put on the findings
 * @param part the heading the line stood under, or an empty text
 */
export function readLine(text: string, larder: FoodSet, lineId: string | null = null, part = ''): Reading {
  const { main, tail, notes, taken } = phrases(text.slice(0, LINE_CHARACTERS));
  let amount = readAmount(main.split(/\s+/));
  let phrase = amount ? main.split(/\s+/).slice(amount.end).join(' ') : main;
  const details = [...tail];
  if (!amount) {
    const at = details.findIndex((each) => readAmount(each.split(/\s+/)) !== null);
    if (at >= 0) {
      const tokens = details[at]!.split(/\s+/);
      amount = readAmount(tokens);
      details.splice(at, 1, tokens.slice(amount!.end).join(' '));
    }
  } else if (phrase === '') phrase = details.shift() ?? '';
  const hasTin = amount?.measures.some((each) => each.unit === 'tin') ?? false;
  const stated = statedGrams(notes);
  const words = notes.filter((note) => !STATED.test(note));
  const read = readFood(phrase, [...details.filter(Boolean), ...words], hasTin, larder);
  const findings = foodFindings(read, lineId, larder);
  const isNegative = /^\s*-\s?\d/.test(text) && /^-/.test(main);
  if (isNegative) findings.push(finding('amount-absurd', lineId, { written: text.trim().slice(0, 60) }));
  if (text.length > LINE_CHARACTERS)
    findings.push(finding('line-cut', lineId, { characters: LINE_CHARACTERS }));
  return {
    amountKind: amountKindOf(amount, taken),
    measures: amount?.measures ?? [],
    amountText: amount?.text ?? '',
    statedGrams: stated,
    foodId: read.ids[0] ?? null,
    foodText: read.text,
    confidence: read.confidence,
    otherFoodIds: read.ids.length > 0 ? read.ids.slice(1) : read.suggestions,
    alternativeIds: read.alternatives,
    form: read.form.join(', '),
    stateOpen: read.ids.length > 1,
    optional: taken.has('optional'),
    purpose: taken.has('fry') ? 'fry' : taken.has('garnish') ? 'garnish' : null,
    part,
    findings,
  };
}
