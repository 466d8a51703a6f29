/** What stands on a label, before it is set: every text in its language, in the order of its kind. */
import {
  figureInLanguage,
  householdAmount,
  isOnPack,
  type Label,
  LABEL_WORDS,
  type LabelFigure,
  type LabelKind,
  type LabelPack,
  type Language,
  netQuantity,
  NO_LABEL_PACK,
  PROTEIN_CLAIMS,
  type Segment,
  servingsPerContainer,
} from '../../declaration';
import type { Regime } from '../../food';
import { fixedText, roundToDecimals } from '../../quantity';
import type { CodeImage } from '../print';

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
  'id' | 'name' | 'text' | 'per100gText' | 'dailyValueText' | 'wholeText' | 'wholeDailyText' | 'indent'
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
  /** A claim about a nutrient is among them: then the law asks for the nutrition table. */
  hasNutrientClaim: boolean;
  facts: LabelFacts;
  pack: LabelPack;
  /** Grams of water in 100 g of it; null where it is not known. */
  waterGrams: number | null;
  /** Figures a tray slip tells, as name and text. */
  watch: { name: string; text: string }[];
  isDraft: boolean;
  openPoints: number;
  /** Names and statements that nobody translated. */
  untranslated: string[];
  /** The same label in English: a US label speaks another language beside it, whole, or not at all (21 CFR 101.15(c)). */
  beside: LabelContent | null;
}

/** A figure in the label's language; "less than 1g" too. */
function figureIn(figure: LabelFigure, regime: Regime, language: Language): PanelFigure {
  const { id, indent, isIncomplete, dailyValueText } = figure;
  const { panel, figures } = LABEL_WORDS[language];
  // A label that was frozen before whole containers were told lacks their figures.
  const { wholeText = '', wholeDailyText = '' } = figure;
  if (regime === 'us') {
    const said = (text: string): string =>
      figureInLanguage(text.replace(/^(at least )?less than/, `$1${panel.lessThan}`), 'en').replace(
        /^at least /,
        `${LABEL_WORDS[language].atLeast} `,
      );
    return {
      id,
      indent,
      isIncomplete,
      dailyValueText,
      wholeDailyText,
      name: id === 'energyKcal' ? panel.calories : (panel.figures[id] ?? figure.name),
      text: said(figure.text),
      wholeText: said(wholeText),
      per100gText: '',
    };
  }
  return {
    id,
    indent,
    isIncomplete,
    dailyValueText,
    wholeText: '',
    wholeDailyText: '',
    name: figures[id] ?? figure.name,
    text: figureInLanguage(figure.text, language),
    per100gText: figureInLanguage(figure.per100gText, language),
  };
}

/** A claim as a label prints it. */
export interface ToldClaim {
  id: string;
  text: string;
  /** What it is called on the English label beside another language. */
  english?: string;
}

export interface ContentExtras {
  facts?: Partial<LabelFacts>;
  claims?: readonly ToldClaim[];
  watch?: readonly { name: string; text: string }[];
}

/** Claims that promise nothing of a nutrient. */
const isNutrientClaim = ({ id }: ToldClaim): boolean => !id.startsWith('no-');

/** The content of a label of a kind. */
export function labelContent(label: Label, kind: LabelKind, extras: ContentExtras = {}): LabelContent {
  const { regime, language, pack = NO_LABEL_PACK, beside = null } = label;
  const claims = extras.claims ?? [];
  const hasProtein = regime === 'us' && claims.some(({ id }) => PROTEIN_CLAIMS.has(id));
  // Only what is packed has a container whose whole is told.
  const figures = label.figures
    .map((figure) => figureIn(figure, regime, language))
    .map((figure) => (kind === 'retail' ? figure : { ...figure, wholeText: '', wholeDailyText: '' }));
  return {
    kind,
    regime,
    language,
    title: label.title,
    portionGrams: label.portionGrams,
    figures: hasProtein
      ? figures.map((figure) =>
          figure.id === 'proteinG' ? { ...figure, dailyValueText: label.proteinDailyText ?? '' } : figure,
        )
      : figures,
    ingredients: label.ingredientSegments,
    contains: label.contains,
    mayContain: label.mayContain,
    unconfirmed: label.unconfirmed,
    named: label.named,
    claims: claims.map(({ text }) => text),
    hasNutrientClaim: claims.some(isNutrientClaim),
    facts: { ...NO_FACTS, ...extras.facts },
    pack,
    waterGrams: label.waterGrams ?? null,
    watch: [...(extras.watch ?? [])],
    isDraft: label.isDraft,
    openPoints: label.draftReasons.length,
    untranslated: label.untranslated,
    beside: beside && {
      ...labelContent(beside, kind, {
        ...extras,
        claims: claims.map((claim) => ({ ...claim, text: claim.english ?? claim.text })),
      }),
      isDraft: false,
    },
  };
}

const MONTHS: Readonly<Record<Language, readonly string[]>> = {
  en: ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'],
  es: ['ene', 'feb', 'mar', 'abr', 'may', 'jun', 'jul', 'ago', 'sep', 'oct', 'nov', 'dic'],
  fr: ['janv', 'févr', 'mars', 'avr', 'mai', 'juin', 'juil', 'août', 'sept', 'oct', 'nov', 'déc'],
  de: ['Jan', 'Feb', 'März', 'Apr', 'Mai', 'Juni', 'Juli', 'Aug', 'Sept', 'Okt', 'Nov', 'Dez'],
};

/** An ISO date as a label says it: the month in letters, for day and month could be taken for each other. */
export function dateOnLabel(iso: string, language: Language): string {
  const [year = '', month = '', day = ''] = iso.split('-');
  return `${day} ${MONTHS[language][Number(month) - 1]} ${year}`;
}

/** Grams of a batch or a portion as a label says them. */
export const gramsOnLabel = (grams: number): string =>
  grams >= 1000 ? `${fixedText(grams / 1000, 2)} kg` : `${roundToDecimals(grams, 0)} g`;

/** A portion in whole grams. */
export const portionText = ({ portionGrams }: Pick<LabelContent, 'portionGrams'>): string =>
  String(roundToDecimals(portionGrams, 0));

/** What is chilled is used by a date; what is frozen or dry is best before one (1169/2011 article 24, Annex X). */
const dateWord = ({ pack, language }: LabelContent): string =>
  pack.keeping === 'frozen' || pack.keeping === 'ambient'
    ? LABEL_WORDS[language].bestBefore
    : LABEL_WORDS[language].useBy;

/** The dated and counted facts in the order a label says them. */
export function factRows(content: LabelContent): { name: string; text: string; isLarge: boolean }[] {
  const { facts, language, kind } = content;
  const words = LABEL_WORDS[language];
  const rows: { name: string; text: string; isLarge: boolean }[] = [];
  if (facts.madeOn)
    rows.push({ name: words.made, text: dateOnLabel(facts.madeOn, language), isLarge: false });
  if (facts.useBy)
    rows.push({ name: dateWord(content), text: dateOnLabel(facts.useBy, language), isLarge: true });
  // A pack says its own net quantity; the weight of the batch it came from would be taken for it.
  if (facts.grams !== null && !isOnPack(kind))
    rows.push({ name: words.weight, text: gramsOnLabel(facts.grams), isLarge: false });
  if (facts.batchCode) rows.push({ name: words.batch, text: facts.batchCode, isLarge: false });
  return rows;
}

/** How it is kept, in the law's words. While nobody said, a date stands for food kept cold, and the label says so. */
export function keepText({ pack, regime, language, facts }: LabelContent): string {
  const { keep, keepUs } = LABEL_WORDS[language];
  const keeping = pack.keeping ?? (facts.useBy === null ? null : 'chilled');
  return keeping ? (regime === 'us' ? keepUs : keep)[keeping] : '';
}

/** The net quantity of the pack; empty while nobody said. */
export const netText = ({ pack, regime, language }: LabelContent): string =>
  pack.netGrams === null ? '' : netQuantity(pack.netGrams, regime, language);

/** Who answers for it, as lines. */
export const businessLines = ({ pack }: LabelContent): string[] =>
  [pack.business.name, ...pack.business.address.split(/\r?\n/)]
    .map((line) => line.trim())
    .filter((line) => line !== '');

/** EU: the portions a pack holds, which figures per portion ask for (1169/2011 article 33). */
export function portionsText(content: LabelContent): string {
  const { pack, language } = content;
  if (pack.portions === null) return '';
  const count = String(roundToDecimals(pack.portions, 1));
  return pack.portions === 1
    ? LABEL_WORDS[language].portion(portionText(content))
    : LABEL_WORDS[language].portions(count, portionText(content));
}

/** US: "2/3 cup (195g)"; a plate that is not packed is a portion. */
export function servingSizeText(content: LabelContent): string {
  const { pack, language } = content;
  const { measures } = LABEL_WORDS[language].panel;
  const { amount, measure } = pack.household ?? { amount: 1, measure: 'portion' as const };
  const [one, several] = measures[measure];
  const { text, isAbout, isOne } = householdAmount(amount);
  const about = isAbout ? `${LABEL_WORDS[language].panel.about} ` : '';
  return `${about}${text} ${isOne ? one : several} (${portionText(content)}g)`;
}

/** US: how many servings a container holds, as a text and whether it is one. */
export function servingsOf(content: LabelContent): { text: string; isOne: boolean } {
  const { pack, language, portionGrams } = content;
  const { count, isAbout } = servingsPerContainer(pack.netGrams ?? portionGrams, portionGrams);
  const said = String(count);
  return { text: isAbout ? `${LABEL_WORDS[language].panel.about} ${said}` : said, isOne: count === 1 };
}
