/** The ingredient statement and the allergen statement of a label. */
import {
  allergensOf,
  bitsOf,
  declaredBits,
  substancesIn,
  type AllergenSetting,
  type Regime,
  type Substance,
  type SubstanceBits,
} from '../allergen/substances';
import type { Trace } from '../allergen/flags';
import type { Follows } from '../recipe/standardize';
import { ALLERGEN_WORDS, allergenWord } from './allergen-words';

/** One ingredient as put in: its label name, grams, what it contains, and its own ingredients if it is a compound. */
export interface StatementItem {
  name: string;
  grams: number;
  substances: readonly Substance[];
  /** Ingredients opened in brackets, already in order; a pack's own statement comes as text. */
  parts: readonly StatementItem[];
  statementText: string;
  isWater: boolean;
  /** What its weight goes by when the batch grows. */
  follows: Follows;
  /** A product whose pack nobody has recorded. */
  isUnrecorded: boolean;
}

/** A run of label text, stressed or not. */
export interface Segment {
  text: string;
  stress: boolean;
}

/** EU: added water is named when it is more than 5 % of the finished food (1169/2011 Annex VII A 1). */
export const EU_WATER_SHARE = 0.05;

/**
 * Items by descending weight as put in. Water counts by what is left of it in the finished food; equal weights go
 * by name so that the same recipe always prints the same line.
 */
export function inOrder(
  items: readonly StatementItem[],
  finishedGrams: number,
  setting: AllergenSetting,
): StatementItem[] {
  const ordered: StatementItem[] = [];
  let solids = 0;
  let added = 0;
  let water: StatementItem | null = null;
  for (const item of items) {
    if (item.isWater) {
      water = item;
      added += item.grams;
    } else {
      ordered.push(item);
      solids += item.grams;
    }
  }
  const left = Math.min(added, finishedGrams - solids);
  const least = setting.regime === 'eu' ? finishedGrams * EU_WATER_SHARE : 0;
  if (water && left > least) ordered.push({ ...water, grams: left });
  return ordered.sort((one, other) => other.grams - one.grams || (one.name < other.name ? -1 : 1));
}

/** Same ingredients put in on several lines are one ingredient of the statement. */
export function gathered(items: readonly StatementItem[]): StatementItem[] {
  const byName = new Map<string, StatementItem>();
  for (const item of items) {
    const before = byName.get(item.name);
    byName.set(item.name, before ? { ...before, grams: before.grams + item.grams } : item);
  }
  return [...byName.values()];
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

function writeList(
  items: readonly StatementItem[],
  stressedBits: SubstanceBits,
  regime: Regime,
  runs: Runs,
): void {
  items.forEach((item, index) => {
    if (index > 0) runs.add(', ');
    writeItem(item, stressedBits, regime, runs);
  });
}

/** One ingredient: a component opened in brackets, or its name with its pack's statement and its allergens stressed. */
function writeItem(item: StatementItem, stressedBits: SubstanceBits, regime: Regime, runs: Runs): void {
  if (item.parts.length > 0) {
    runs.add(`${item.name} (`);
    writeList(item.parts, stressedBits, regime, runs);
    runs.add(')');
    return;
  }
  const inner = item.isUnrecorded ? 'ingredients not recorded' : item.statementText;
  const whole = inner ? `${item.name} (${inner})` : item.name;
  const toStress = substancesIn(bitsOf(item.substances) & stressedBits);
  if (toStress.length === 0) {
    runs.add(whole);
    return;
  }
  const { segments, unnamed } = stressed(whole, toStress);
  for (const { text, stress } of segments) runs.add(text, stress);
  unnamed.forEach((substance, index) => {
    runs.add(index === 0 ? ' (' : ', ');
    runs.add(allergenWord(substance, regime).toUpperCase(), true);
  });
  if (unnamed.length > 0) runs.add(')');
}

/**
 * The ingredient statement, as runs of text. EU: allergens stressed where they occur (1169/2011 article 21). US: the
 * list is plain, "Contains" follows it.
 */
export function ingredientStatement(ordered: readonly StatementItem[], setting: AllergenSetting): Segment[] {
  const runs = new Runs();
  writeList(ordered, setting.regime === 'eu' ? declaredBits(setting) : 0, setting.regime, runs);
  return runs.segments;
}

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

/** Names of the declared substances at a status, in the order of the table; US tree nuts name their kind. */
function declaredNames(
  traces: readonly Trace[],
  status: Trace['status'],
  setting: AllergenSetting,
): string[] {
  let bits = 0;
  for (const trace of traces) if (trace.status === status) bits |= trace.bits;
  return substancesIn(bits & declaredBits(setting)).map((each) => {
    const word = capital(allergenWord(each, setting.regime));
    const nut = allergensOf(setting).find((allergen) => allergen.id === 'tree-nut');
    return setting.regime === 'us' && nut?.substances.includes(each)
      ? `Tree nuts (${word.toLowerCase()})`
      : word;
  });
}

/**
 * The allergen statement after the list. US: "Contains: ..." (21 U.S.C. 343(w)). EU: the list itself carries it, so
 * this points there. Precautionary "May contain" stands apart: what a pack says, and what shared equipment may carry.
 */
export function allergenStatement(
  traces: readonly Trace[],
  setting: AllergenSetting,
): { contains: string; mayContain: string; unconfirmed: string } {
  const contains = declaredNames(traces, 'contains', setting);
  const may = declaredNames(traces, 'may-contain', setting).filter((name) => !contains.includes(name));
  const check = declaredNames(
    traces.filter((trace) => trace.isNamed),
    'check',
    setting,
  ).filter((name) => !contains.includes(name));
  const isAnyUnchecked = traces.some((trace) => trace.status === 'check');
  const inList = 'Allergens: see the ingredients in CAPITALS.';
  const us = contains.length > 0 ? `Contains: ${contains.join(', ')}.` : '';
  return {
    contains: setting.regime === 'us' ? us : contains.length > 0 ? inList : '',
    mayContain: may.length > 0 ? `May contain: ${may.join(', ')}.` : '',
    unconfirmed: isAnyUnchecked
      ? `Not confirmed: ${[...check, 'other allergens of packs that nobody has checked'].join(', ')}.`
      : '',
  };
}
