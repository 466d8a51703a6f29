/** The ingredient statement and the allergen statement of a label. */
import type { Trace } from '../allergen';
import type { StatementItem } from '../dish';
import {
  type AllergenSetting,
  allergensOf,
  bitsOf,
  declaredBits,
  type Regime,
  type Substance,
  type SubstanceBits,
  substancesIn,
} from '../food';
import { shareText } from './quid';
import { additiveName, ALLERGEN_WORDS, allergenWord, LABEL_WORDS, type Language, usName } from './words';

/** A run of label text, stressed or not. */
export interface Segment {
  text: string;
  stress: boolean;
}

/** Marks the words of a text that name any of some substances; returns those it did not name. */
function stressed(
  text: string,
  substances: readonly Substance[],
): { segments: Segment[]; unnamed: Substance[] } {
  const spans: [number, number][] = [];
  const unnamed: Substance[] = [];
  for (const substance of substances) {
    const found = [...text.matchAll(ALLERGEN_WORDS[substance].named)];
    if (found.length === 0) unnamed.push(substance);
    for (const match of found) spans.push([match.index, match.index + match[0].length]);
  }
  spans.sort((one, other) => one[0] - other[0]);
  const segments: Segment[] = [];
  let at = 0;
  for (const [from, to] of spans) {
    if (from < at) continue;
    if (from > at) segments.push({ text: text.slice(at, from), stress: false });
    segments.push({ text: text.slice(from, to).toUpperCase(), stress: true });
    at = to;
  }
  if (at < text.length) segments.push({ text: text.slice(at), stress: false });
  return { segments, unnamed };
}

/** Runs of text as they are written; a run of the same stress is lengthened. */
class Runs {
  readonly segments: Segment[] = [];

  add(text: string, stress = false): void {
    const last = this.segments[this.segments.length - 1];
    if (last && last.stress === stress) last.text += text;
    else this.segments.push({ text, stress });
  }
}

/** How a statement is written. */
export interface StatementStyle {
  language: Language;
  /** What is at most 2 % follows at the end, where the law lets it (21 CFR 101.4(a)(2); 1169/2011 Annex VII A 6). */
  hasTail: boolean;
}

interface Writing {
  stressedBits: SubstanceBits;
  regime: Regime;
  language: Language;
  runs: Runs;
  /** Names that had to stay in English. */
  untranslated: Set<string>;
}

function writeList(items: readonly StatementItem[], writing: Writing): void {
  items.forEach((item, index) => {
    if (index > 0) writing.runs.add(', ');
    writeItem(item, writing);
  });
}

/** The name of an ingredient in the label's language; English where nobody translated it, which is kept note of. */
function nameOf({ foodId, name, names }: StatementItem, { regime, language, untranslated }: Writing): string {
  const additive = regime === 'eu' && foodId !== null ? additiveName(foodId, language) : null;
  if (additive !== null) return additive;
  if (language === 'en' && regime === 'us' && foodId !== null) return usName(name);
  const translated = language === 'en' ? name : names[language];
  if (translated === undefined) untranslated.add(name);
  return translated ?? name;
}

/** The quantity of a stressed ingredient after its name: " 23%", or its grams in 100 g of the finished food. */
function quantityOf({ share }: StatementItem, language: Language): string {
  if (share === undefined) return '';
  const { decimalMark, per100gOf } = LABEL_WORDS[language];
  const said = shareText(share) ?? `(${per100gOf(String(Math.round(share * 100)))})`;
  return ` ${decimalMark === ',' ? said.replace('.', ',') : said}`;
}

/** One ingredient: a component opened in brackets, or its name with its pack's statement and its allergens stressed. */
function writeItem(item: StatementItem, writing: Writing): void {
  const { stressedBits, regime, language, runs, untranslated } = writing;
  const name = `${nameOf(item, writing)}${quantityOf(item, language)}`;
  if (item.parts.length > 0) {
    runs.add(`${name} (`);
    writeList(item.parts, writing);
    runs.add(')');
    return;
  }
  // A pack's own statement is in the language of the pack.
  if (language !== 'en' && item.statementText !== '' && !item.isUnrecorded)
    untranslated.add(item.statementText);
  const inner = item.isUnrecorded ? LABEL_WORDS[language].notRecorded : item.statementText;
  const whole = inner ? `${name} (${inner})` : name;
  // Sulfites are no allergen of the US list, and are named in its list of ingredients all the same (21 CFR 101.100(a)(4)).
  if (regime === 'us' && item.substances.includes('sulphites')) {
    const { unnamed: unsaid } = stressed(whole, ['sulphites']);
    runs.add(unsaid.length > 0 ? `${whole} (${allergenWord('sulphites', regime, language)})` : whole);
    return;
  }
  const toStress = substancesIn(bitsOf(item.substances) & stressedBits);
  if (toStress.length === 0) {
    runs.add(whole);
    return;
  }
  const { segments, unnamed } = stressed(whole, toStress);
  for (const { text, stress } of segments) runs.add(text, stress);
  unnamed.forEach((substance, index) => {
    runs.add(index === 0 ? ' (' : ', ');
    runs.add(allergenWord(substance, regime, language).toUpperCase(), true);
  });
  if (unnamed.length > 0) runs.add(')');
}

/**
 * The ingredient statement, as runs of text. EU: allergens stressed where they occur (1169/2011 article 21). US: the
 * list is plain, "Contains" follows it.
 */
export function ingredientStatement(
  ordered: readonly StatementItem[],
  setting: AllergenSetting,
  style: StatementStyle = { language: 'en', hasTail: false },
): { segments: Segment[]; untranslated: string[] } {
  const writing: Writing = {
    stressedBits: setting.regime === 'eu' ? declaredBits(setting) : 0,
    regime: setting.regime,
    language: style.language,
    runs: new Runs(),
    untranslated: new Set(),
  };
  const { head, tail } = style.hasTail ? withTail(ordered) : { head: ordered, tail: [] };
  writeList(head, writing);
  if (tail.length > 0) {
    writing.runs.add(setting.regime === 'us' ? `, ${LABEL_WORDS[style.language].tailUs} ` : ', ');
    writeList(tail, writing);
  }
  return { segments: writing.runs.segments, untranslated: [...writing.untranslated] };
}

/** Most an ingredient of the tail may weigh, as a share of everything put in. */
export const TAIL_SHARE = 0.02;

/** The head by weight, and what is at most 2 % after it, by name. A tail of one is none, and a head there must be. */
function withTail(ordered: readonly StatementItem[]): {
  head: readonly StatementItem[];
  tail: StatementItem[];
} {
  const all = ordered.reduce((sum, { grams }) => sum + grams, 0);
  const tail = ordered.filter(({ grams }) => grams <= all * TAIL_SHARE);
  if (tail.length < 2 || tail.length === ordered.length) return { head: ordered, tail: [] };
  const inTail = new Set(tail);
  return {
    head: ordered.filter((item) => !inTail.has(item)),
    tail: [...tail].sort((one, other) => (one.name < other.name ? -1 : 1)),
  };
}

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

/** Bits of the declared substances at a status. */
function declaredAt(traces: readonly Trace[], status: Trace['status'], setting: AllergenSetting): number {
  let bits = 0;
  for (const trace of traces) if (trace.status === status) bits |= trace.bits;
  return bits & declaredBits(setting);
}

/** Names of substances in the order of the table; US tree nuts stand together under their name, said once, with each kind. */
function declaredNames(bits: number, setting: AllergenSetting, language: Language): string[] {
  const nuts = allergensOf(setting).find((allergen) => allergen.id === 'tree-nut')?.bits ?? 0;
  const wordOf = (each: Substance): string => allergenWord(each, setting.regime, language);
  const kinds = setting.regime === 'us' ? substancesIn(bits & nuts) : [];
  return substancesIn(bits).flatMap((each): string[] => {
    if (!kinds.includes(each)) return [capital(wordOf(each))];
    if (each !== kinds[0]) return [];
    return [
      `${LABEL_WORDS[language].treeNuts} (${kinds.map((kind) => wordOf(kind).toLowerCase()).join(', ')})`,
    ];
  });
}

/**
 * The allergen statement after the list. US: "Contains: ..." (21 U.S.C. 343(w)). EU: the list itself carries it, so
 * this points there. Precautionary "May contain" stands apart: what a pack says, and what shared equipment may carry.
 */
export function allergenStatement(
  traces: readonly Trace[],
  setting: AllergenSetting,
  language: Language = 'en',
): {
  contains: string;
  mayContain: string;
  unconfirmed: string;
  named: { contains: string[]; mayContain: string[] };
} {
  const words = LABEL_WORDS[language];
  const held = declaredAt(traces, 'contains', setting);
  const named = traces.filter((trace) => trace.isNamed);
  const contains = declaredNames(held, setting, language);
  const may = declaredNames(declaredAt(traces, 'may-contain', setting) & ~held, setting, language);
  const check = declaredNames(declaredAt(named, 'check', setting) & ~held, setting, language);
  const isAnyUnchecked = traces.some((trace) => trace.status === 'check');
  const inList = words.allergensInCapitals;
  const us = contains.length > 0 ? `${words.contains}: ${contains.join(', ')}.` : '';
  return {
    contains: setting.regime === 'us' ? us : contains.length > 0 ? inList : '',
    mayContain: may.length > 0 ? `${words.mayContain}: ${may.join(', ')}.` : '',
    unconfirmed: isAnyUnchecked
      ? `${words.notConfirmed}: ${[...check, words.otherAllergens].join(', ')}.`
      : '',
    named: { contains, mayContain: may },
  };
}
