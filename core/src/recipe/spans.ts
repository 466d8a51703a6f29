/**
 * The words of a written line with what each is: figure, unit, food, joint, denial. They are annotated once; lines are made by
 * claiming spans of them, and what no line claims is the audit's.
 */
import { longestMeaning, meaningOf } from '../allergen';
import { type FoodSet, nameWords } from '../food';
import { readFigure, spellFractions, UNIT_WORDS } from '../quantity';
import { ABOUT_WORDS, FILLING_WORDS, HEAPING_WORDS, isFormWord, SIZE_WORDS } from './words';

export type SpanKind =
  | 'figure'
  | 'unit'
  | 'food'
  | 'and'
  | 'with'
  | 'or'
  | 'denial'
  | 'manner'
  | 'word'
  | 'comma'
  | 'open'
  | 'close';

export interface Span {
  kind: SpanKind;
  /** Where it stands in the line. */
  from: number;
  to: number;
  /** In lower case. */
  text: string;
  /** It stands in brackets. */
  isInside: boolean;
}

const AND = new Set(['and', 'plus', '&', '+']);
const DENIALS = new Set(['without', 'no', 'not', 'minus', 'instead']);
/** What brings another food with it: "stuffed with almonds", "tossed in soy sauce". */
const PARTICIPLES = new Set(
  (
    'stuffed filled dressed topped dusted coated tossed glazed marinated massaged dipped rolled seasoned sprinkled brushed cooked ' +
    'roasted fried mixed served finished flavoured flavored spread braised simmered wrapped layered drizzled crusted blended combined baked sweated whisked'
  ).split(' '),
);
const WITH = new Set(['with', 'in', 'over', 'on']);
const PIECES = /[a-z0-9½⅓⅔¼¾⅛'’.]+(?:-[a-z0-9]+)*|[(),;&+/[\]{}]|[^\s]/gi;

/** The words of a line, each with its kind. Foods are the longest names that the larder or the dictionary knows. */
export function spansOf(text: string, larder: FoodSet): Span[] {
  const spans: Span[] = [];
  let depth = 0;
  for (const found of text.matchAll(PIECES)) {
    const piece = found[0].toLowerCase();
    const from = found.index;
    const to = from + found[0].length;
    const put = (kind: SpanKind): void =>
      void spans.push({ kind, from, to, text: piece, isInside: depth > 0 });
    if (/^[([{]$/.test(piece)) {
      put('open');
      depth += 1;
    } else if (/^[)\]}]$/.test(piece)) {
      depth = Math.max(0, depth - 1);
      put('close');
    } else if (/^[,;]$/.test(piece)) put('comma');
    else if (AND.has(piece)) put('and');
    else if (piece === 'or' || piece === '/') put('or');
    else if (DENIALS.has(piece)) put('denial');
    else if (WITH.has(piece)) put('with');
    else if (/^[\d½⅓⅔¼¾⅛]/.test(piece) || readFigure(spellFractions(piece).trim().split(/\s+/), 0))
      put('figure');
    else if (UNIT_WORDS.has(piece)) put('unit');
    else if (
      ABOUT_WORDS.has(piece) ||
      FILLING_WORDS.has(piece) ||
      HEAPING_WORDS.has(piece) ||
      SIZE_WORDS.has(piece)
    )
      put('manner');
    else put('word');
  }
  markFoods(spans, larder);
  return spans;
}

const isWordLike = ({ kind }: Span): boolean =>
  kind === 'word' || kind === 'unit' || kind === 'manner' || kind === 'figure';

/** Words as names are kept; the same few come again and again. */
const COMPARABLE = new Map<string, string>();
const MOST_KEPT = 20_000;
function comparable(word: string): string {
  let known = COMPARABLE.get(word);
  if (known === undefined) {
    if (COMPARABLE.size > MOST_KEPT) COMPARABLE.clear();
    COMPARABLE.set(word, (known = nameWords(word).join(' ')));
  }
  return known;
}

/** Words that are a food's name in the plural only: a green part is no greens. */
const NO_FOOD_ALONE = new Set(['green', 'whole', 'date']);

/** Joins the spans of every food's name into one. */
function markFoods(spans: Span[], larder: FoodSet): void {
  for (let at = 0; at < spans.length; at += 1) {
    if (!isWordLike(spans[at]!)) continue;
    const words: { end: number; key: string }[] = [];
    let key = '';
    for (let end = at; end < spans.length && end < at + 7 && isWordLike(spans[end]!); end += 1) {
      const word = comparable(spans[end]!.text);
      if (word === '') break;
      key = key === '' ? word : `${key} ${word}`;
      words.push({ end, key });
    }
    const first = key.split(' ')[0] ?? '';
    if ((larder.longest.get(first) ?? 0) === 0 && longestMeaning(first) === 0) continue;
    for (const { end, key: name } of words.reverse()) {
      const isOneUnit = end === at && (spans[at]!.kind !== 'word' || NO_FOOD_ALONE.has(spans[at]!.text));
      if (isOneUnit || (!larder.names.has(name) && !meaningOf(name))) continue;
      const whole = spans[at]!;
      spans.splice(at, end - at + 1, {
        ...whole,
        kind: 'food',
        to: spans[end]!.to,
        text: name,
      });
      break;
    }
  }
}

/** Whether a word says only how a food is: it may stand between a joint and the food it joins. */
export const isFiller = ({ kind, text }: Span): boolean =>
  kind === 'figure' ||
  kind === 'unit' ||
  kind === 'manner' ||
  (kind === 'word' && (isFormWord(text) || /(?:ed|ly)$/.test(text) || text === 'of'));
export const isParticiple = ({ kind, text }: Span): boolean =>
  kind === 'word' && (PARTICIPLES.has(text) || (/[a-z]{3}ed$/.test(text) && !isFormWord(text)));
