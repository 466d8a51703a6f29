/** What stands on a label, before it is set: every text in its language, in the order of its kind. */
import type { Regime } from '../allergen/substances';
import type { CodeImage } from '../print';
import { fixedText, roundToDecimals } from '../quantity';
import type { Label } from './label';
import type { LabelFigure } from './figures';
import type { Segment } from './statement';
import { figureInLanguage, LABEL_WORDS, type Language } from './words';

/** Kinds of labels a kitchen prints; the menu sheet is a table of its own. */
export const LABEL_KINDS = ['serving', 'prepacked', 'component', 'counter', 'tray'] as const;
export type LabelKind = (typeof LABEL_KINDS)[number];
export const LABEL_KIND_NAMES: Readonly<Record<LabelKind, string>> = {
  serving: 'Nutrition and allergens of a portion',
  prepacked: 'Packed here: ingredients and allergens',
  component: 'Fridge label of a component',
  counter: 'Counter card',
  tray: 'Ward tray slip',
};

/** What is known when it is printed, and not before. */
export interface LabelFacts {
  /** ISO dates. */
  madeOn: string | null;
  useBy: string | null;
  batchCode: string | null;
  grams: number | null;
  /** Whom a tray is for. */
  group: string | null;
  texture: string | null;
  code: CodeImage | null;
}
export const NO_FACTS: LabelFacts = {
  madeOn: null,
  useBy: null,
  batchCode: null,
  grams: null,
  group: null,
  texture: null,
  code: null,
};

/** A figure of the table in the label's language. */
export interface PanelFigure extends Pick<
  LabelFigure,
  'id' | 'name' | 'text' | 'per100gText' | 'dailyValueText' | 'indent'
> {
  isIncomplete: boolean;
}

export interface LabelContent {
  kind: LabelKind;
  regime: Regime;
  language: Language;
  title: string;
  portionGrams: number;
  figures: PanelFigure[];
  ingredients: Segment[];
  contains: string;
  mayContain: string;
  unconfirmed: string;
  /** Allergens by name, in the label's language. */
  named: { contains: string[]; mayContain: string[] };
  claims: string[];
  facts: LabelFacts;
  /** Figures a tray slip tells, as name and text. */
  watch: { name: string; text: string }[];
  isDraft: boolean;
  openPoints: number;
  /** Names and statements that nobody translated. */
  untranslated: string[];
}

/** The US panel is in English by law; the EU table in the label's own language. */
function figureIn(figure: LabelFigure, regime: Regime, language: Language): PanelFigure {
  const { id, indent, isIncomplete, dailyValueText } = figure;
  if (regime === 'us') return { ...figure };
  return {
    id,
    indent,
    isIncomplete,
    dailyValueText,
    name: LABEL_WORDS[language].figures[id] ?? figure.name,
    text: figureInLanguage(figure.text, language),
    per100gText: figureInLanguage(figure.per100gText, language),
  };
}

export interface ContentExtras {
  facts?: Partial<LabelFacts>;
  claims?: readonly string[];
  watch?: readonly { name: string; text: string }[];
}

/** The content of a label of a kind. */
export function labelContent(label: Label, kind: LabelKind, extras: ContentExtras = {}): LabelContent {
  const { regime, language } = label;
  return {
    kind,
    regime,
    language,
    title: label.title,
    portionGrams: label.portionGrams,
    figures: label.figures.map((figure) => figureIn(figure, regime, language)),
    ingredients: label.ingredientSegments,
    contains: label.contains,
    mayContain: label.mayContain,
    unconfirmed: label.unconfirmed,
    named: label.named,
    claims: [...(extras.claims ?? [])],
    facts: { ...NO_FACTS, ...extras.facts },
    watch: [...(extras.watch ?? [])],
    isDraft: label.isDraft,
    openPoints: label.draftReasons.length,
    untranslated: label.untranslated,
  };
}

const DATE_ORDER: Readonly<Record<Language, (y: string, m: string, d: string) => string>> = {
  en: (y, m, d) => `${d} ${MONTHS_EN[Number(m) - 1]} ${y}`,
  es: (y, m, d) => `${d}/${m}/${y}`,
  fr: (y, m, d) => `${d}/${m}/${y}`,
};
const MONTHS_EN = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];

/** An ISO date as a label says it: a month in letters where day and month could be taken for each other. */
export function dateOnLabel(iso: string, language: Language): string {
  const [year = '', month = '', day = ''] = iso.split('-');
  return DATE_ORDER[language](year, month, day);
}

/** Grams of a batch or a portion as a label says them. */
export const gramsOnLabel = (grams: number): string =>
  grams >= 1000 ? `${fixedText(grams / 1000, 2)} kg` : `${roundToDecimals(grams, 0)} g`;

/** The dated and counted facts in the order a label says them. */
export function factRows({
  facts,
  language,
}: LabelContent): { name: string; text: string; isLarge: boolean }[] {
  const words = LABEL_WORDS[language];
  const rows: { name: string; text: string; isLarge: boolean }[] = [];
  if (facts.madeOn)
    rows.push({ name: words.made, text: dateOnLabel(facts.madeOn, language), isLarge: false });
  if (facts.useBy) rows.push({ name: words.useBy, text: dateOnLabel(facts.useBy, language), isLarge: true });
  if (facts.grams !== null)
    rows.push({ name: words.weight, text: gramsOnLabel(facts.grams), isLarge: false });
  if (facts.batchCode) rows.push({ name: words.batch, text: facts.batchCode, isLarge: false });
  return rows;
}
