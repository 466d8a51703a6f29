/** The words of a text with their places: what the audit reads. It knows no amounts and no lines. */
import { singular } from '../food';

/** What stands between a word and the one before it. No name reaches across a `break`. */
export type Gap = 'space' | 'hyphen' | 'break' | 'stop';

export interface Token {
  /** Lower case, without accents and signs. */
  word: string;
  /** The same in the singular, as names are kept. */
  key: string;
  from: number;
  to: number;
  gap: Gap;
  /** What is written between it and the word before it. */
  between: string;
  /** A question mark follows it. */
  isAsked: boolean;
  /** It stands in quotation marks: "egg". */
  isQuoted: boolean;
}

/** Letters of other scripts, and letters that only look the same, as the Latin ones they are read as. */
const LOOKALIKES: ReadonlyMap<string, string> = new Map(
  Object.entries({
    а: 'a', в: 'b', с: 'c', е: 'e', һ: 'h', і: 'i', ј: 'j', к: 'k', м: 'm', н: 'h', о: 'o', р: 'p', ѕ: 's', т: 't',
    у: 'y', х: 'x', α: 'a', ε: 'e', ι: 'i', κ: 'k', ν: 'v', ο: 'o', ρ: 'p', τ: 't', υ: 'u', χ: 'x', ı: 'i', ł: 'l',
    ø: 'o', ß: 'ss', æ: 'ae', œ: 'oe', đ: 'd',
  }),
); // prettier-ignore

const ASCII = /^[\x20-\x7e\n\r\t]*$/;
/** Letters, figures, and what may stand unseen inside a word: marks, soft hyphens, joiners. */
const WORDS = /[\p{L}\p{M}\p{N}\u00ad\u200b-\u200d\u2060\ufeff]+(?:['’][\p{L}]+)*/gu;
const ASCII_WORDS = /[a-z0-9]+(?:'[a-z]+)*/gi;
const UNSEEN = /[\p{M}\u00ad\u200b-\u200d\u2060\ufeff]/gu;

function plainWord(written: string): string {
  const folded = written.toLowerCase().normalize('NFKD').replace(UNSEEN, '').replace(/['’]/g, '');
  let plain = '';
  for (const letter of folded) plain += LOOKALIKES.get(letter) ?? letter;
  return plain;
}

function gapOf(between: string): Gap {
  if (between === ' ' || between === '') return 'space';
  if (/[.;:!?\n\r]/.test(between) && !/^[-‐‑–]\s*\n/.test(between)) return 'stop';
  if (/^\s*[-‐‑‒–]\s*$/.test(between)) return /\s-\s|–/.test(between) ? 'break' : 'hyphen';
  return /^[\s*_]+$/.test(between) ? 'space' : 'break';
}

/** Articles that lean on the next word: "d’œuf", "dell’aglio". */
const ELIDED = /^(?:l|d|dell|all|nell|sull|dall|qu)['’](?=\p{L})/iu;
const QUOTES = /["“”‘]|(?:^|\s)'/;

/** The words of a text. A figure that runs into a word ("200g") is parted from it. */
export function tokensOf(written: string): Token[] {
  // A bar that touches a letter is one: a scanner took it for an l.
  const text = written.includes('|') ? written.replace(/\|(?=\p{L})|(?<=\p{L})\|/gu, 'l') : written;
  return readTokens(text);
}

function readTokens(text: string): Token[] {
  const isAscii = ASCII.test(text);
  const tokens: Token[] = [];
  let last = 0;
  for (const found of text.matchAll(isAscii ? ASCII_WORDS : WORDS)) {
    const written = found[0];
    const figure = /^\d+(?:st|nd|rd|th)?(?=\p{L})/u.exec(written);
    const elided = figure ? null : ELIDED.exec(written);
    const cut = figure ? figure[0].length : elided ? elided[0].length : 0;
    const from = found.index + cut;
    const to = found.index + written.length;
    const between = text.slice(last, found.index);
    const plain = isAscii
      ? written.slice(cut).toLowerCase().replaceAll("'", '')
      : plainWord(written.slice(cut));
    const gap = figure ? 'break' : last === 0 ? 'stop' : gapOf(between);
    last = to;
    if (plain === '') continue;
    const isQuoted = QUOTES.test(between) && /["“”’']/.test(text.slice(to, to + 16));
    const isAsked = /^\s*\)?\s*\?/.test(text.slice(to, to + 4));
    tokens.push({ word: plain, key: singular(plain), from, to, gap, between, isAsked, isQuoted });
  }
  return tokens.some(({ word }) => word.length === 1) ? withSpacedWords(tokens) : tokens;
}

/** Letters of a word written apart ("W A L N U T S") are as many as these, or they are no word. */
const SPACED_LETTERS = 4;

/** Joins letters that were written apart into the word they spell. */
function withSpacedWords(tokens: readonly Token[]): Token[] {
  const joined: Token[] = [];
  for (let at = 0; at < tokens.length; at += 1) {
    let end = at;
    while (
      end < tokens.length &&
      tokens[end]!.word.length === 1 &&
      (end === at || tokens[end]!.gap === 'space')
    )
      end += 1;
    if (end - at < SPACED_LETTERS) {
      joined.push(tokens[at]!);
      continue;
    }
    const word = tokens
      .slice(at, end)
      .map((each) => each.word)
      .join('');
    joined.push({ ...tokens[at]!, word, key: singular(word), to: tokens[end - 1]!.to });
    at = end - 1;
  }
  return joined;
}
