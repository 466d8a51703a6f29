/** Numbers as people write and say them: "1 1/2", "1½", "1,5", "half a", "a dozen", "2-3", "1 or 2". */

const VULGAR: Readonly<Record<string, string>> = {
  '½': '1/2',
  '⅓': '1/3',
  '⅔': '2/3',
  '¼': '1/4',
  '¾': '3/4',
  '⅕': '1/5',
  '⅖': '2/5',
  '⅗': '3/5',
  '⅘': '4/5',
  '⅙': '1/6',
  '⅚': '5/6',
  '⅛': '1/8',
  '⅜': '3/8',
  '⅝': '5/8',
  '⅞': '7/8',
};

const WORD_NUMBERS: ReadonlyMap<string, number> = new Map([
  ['a', 1],
  ['an', 1],
  ['one', 1],
  ['two', 2],
  ['three', 3],
  ['four', 4],
  ['five', 5],
  ['six', 6],
  ['seven', 7],
  ['eight', 8],
  ['nine', 9],
  ['ten', 10],
  ['eleven', 11],
  ['twelve', 12],
  ['fifteen', 15],
  ['twenty', 20],
  ['thirty', 30],
  ['forty', 40],
  ['fifty', 50],
  ['hundred', 100],
  ['dozen', 12],
  ['couple', 2],
  ['few', 3],
  ['half', 0.5],
  ['quarter', 0.25],
  ['third', 1 / 3],
  ['fourth', 0.25],
  ['eighth', 0.125],
]);

/** An amount that was written: one figure, or a range. `low <= value <= high`. */
export interface Figure {
  value: number;
  low: number;
  high: number;
  /** How many tokens it took. */
  length: number;
}

/** Spells vulgar fractions out ("1½" becomes "1 1/2"), so that one rule reads them all. */
export function spellFractions(text: string): string {
  return text.replace(/[½⅓⅔¼¾⅕⅖⅗⅘⅙⅚⅛⅜⅝⅞]/g, (glyph) => ` ${VULGAR[glyph]} `).replace(/⁄/g, '/');
}

const DECIMAL = /^(?:\d+(?:[.,]\d+)?|\.\d+)$/;
const THOUSANDS = /^[1-9]\d{0,2}(?:,\d{3})+(?:\.\d+)?$/;
const SCIENTIFIC = /^\d+(?:\.\d+)?e[+-]?\d+$/;
const FRACTION = /^(\d+)\/(\d+)$/;

/** One token as a plain number, or null. "1,5" is one and a half, "1,500" is fifteen hundred, "0,250" is a quarter. */
export function plainNumber(token: string): number | null {
  if (THOUSANDS.test(token)) return Number(token.replace(/,/g, ''));
  if (DECIMAL.test(token)) return Number(token.replace(',', '.'));
  if (SCIENTIFIC.test(token)) return Number(token);
  const fraction = FRACTION.exec(token);
  if (fraction) {
    const below = Number(fraction[2]);
    return below === 0 ? null : Number(fraction[1]) / below;
  }
  return null;
}

/** "and a half", "and 1/2", "and three quarters" after a whole number. */
function andFraction(tokens: readonly string[], at: number): { value: number; length: number } | null {
  if (tokens[at] !== 'and') return null;
  const next = tokens[at + 1] ?? '';
  if (next === 'a' || next === 'one') {
    const part = tokens[at + 2];
    if (part === 'half' || part === 'quarter' || part === 'third')
      return { value: WORD_NUMBERS.get(part)!, length: 3 };
  }
  if (next === 'three' && tokens[at + 2] === 'quarters') return { value: 0.75, length: 3 };
  const value = FRACTION.test(next) ? plainNumber(next) : null;
  return value !== null && value < 1 ? { value, length: 2 } : null;
}

function single(tokens: readonly string[], at: number): { value: number; length: number } | null {
  const token = tokens[at];
  if (token === undefined) return null;
  const first = plainNumber(token);
  if (first !== null) {
    const next = tokens[at + 1];
    if (next !== undefined && FRACTION.test(next) && !token.includes('/')) {
      const rest = plainNumber(next);
      if (rest !== null && rest < 1) return { value: first + rest, length: 2 };
    }
    const more = andFraction(tokens, at + 1);
    return more ? { value: first + more.value, length: 1 + more.length } : { value: first, length: 1 };
  }
  const word = WORD_NUMBERS.get(token);
  if (word === undefined) return null;
  const more = word >= 1 ? andFraction(tokens, at + 1) : null;
  if (more) return { value: word + more.value, length: 1 + more.length };
  return compoundWord(tokens, at, word);
}

/** "a dozen", "half a", "a couple of", "half a dozen", "a few": words that lean on the next one. */
function compoundWord(
  tokens: readonly string[],
  at: number,
  word: number,
): { value: number; length: number } {
  const next = tokens[at + 1];
  const token = tokens[at];
  if (token === 'half' && (next === 'a' || next === 'an' || next === 'of' || next === 'the')) {
    return tokens[at + 2] === 'dozen' ? { value: 6, length: 3 } : { value: 0.5, length: 2 };
  }
  if (token === 'quarter' && (next === 'of' || next === 'a') && tokens[at + 2] !== undefined) {
    return { value: 0.25, length: tokens[at + 2] === 'a' ? 3 : 2 };
  }
  if (next !== undefined && (token === 'a' || token === 'an' || token === 'one' || token === 'three')) {
    const leaning = ['dozen', 'couple', 'few', 'half', 'quarter', 'third', 'quarters', 'fourth', 'eighth'];
    if (leaning.includes(next)) {
      const value = next === 'quarters' ? 0.25 : (WORD_NUMBERS.get(next) ?? 1);
      const of = tokens[at + 2] === 'of' ? 1 : 0;
      return { value: token === 'three' ? word * value : value, length: 2 + of };
    }
  }
  return { value: word, length: 1 };
}

/** "2 dozen": a figure that counts in twelves, where the word is no part of it already. */
function inDozens(
  figure: { value: number; length: number } | null,
  tokens: readonly string[],
  at: number,
): { value: number; length: number } | null {
  if (!figure || tokens[at + figure.length] !== 'dozen') return figure;
  if (tokens.slice(at, at + figure.length).includes('dozen')) return figure;
  return { value: figure.value * 12, length: figure.length + 1 };
}

const BETWEEN = new Set(['-', '–', 'to', 'or']);

/** The figure that begins at a token, with a range if one is written; null when no number stands there. */
export function readFigure(tokens: readonly string[], at: number): Figure | null {
  let first = inDozens(single(tokens, at), tokens, at);
  if (!first) return null;
  const between = tokens[at + first.length];
  if (between !== undefined && BETWEEN.has(between)) {
    const second = inDozens(single(tokens, at + first.length + 1), tokens, at + first.length + 1);
    // "1-2 dozen": both count in twelves.
    const isEachDozen =
      second !== null &&
      second.value >= 12 &&
      first.value * 12 < second.value + 1 &&
      tokens[at + first.length + second.length] === 'dozen';
    if (isEachDozen) first = { ...first, value: first.value * 12 };
    const isArticle = ['a', 'an'].includes(tokens[at + first.length + 1] ?? '');
    if (second && !isArticle && second.value > first.value) {
      return {
        value: (first.value + second.value) / 2,
        low: first.value,
        high: second.value,
        length: first.length + 1 + second.length,
      };
    }
  }
  return { value: first.value, low: first.value, high: first.value, length: first.length };
}
