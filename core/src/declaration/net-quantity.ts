/** The net quantity of a pack: its words and the height of its figures under each law. */
import type { Regime } from '../food';
import { fixedText } from '../quantity';
import { LABEL_WORDS, type Language } from './words';

/** International avoirdupois, as the declaration rounds it (21 CFR 101.7(i); NIST Handbook 130). */
const GRAMS_PER_OUNCE = 28.349523125;
const OUNCES_PER_POUND = 16;

/** Three significant figures, never rounded up past what is in it. */
function figures(value: number): string {
  const decimals = value >= 100 ? 0 : value >= 10 ? 1 : 2;
  const step = 10 ** decimals;
  return String(Math.floor(value * step + 1e-9) / step);
}

/** Grams or kilograms of a pack: whole grams below a kilogram, whole tens of grams above, never more than is in it. */
export const metricNet = (grams: number): string =>
  grams < 1000 ? `${Math.floor(grams + 1e-9)} g` : `${fixedText(Math.floor(grams / 10 + 1e-9) / 100, 2)} kg`;

/** "7 oz", and from a pound to four also in pounds and ounces (21 CFR 101.7(j)). */
function ouncesUs(grams: number): string {
  const ounces = grams / GRAMS_PER_OUNCE;
  if (ounces < OUNCES_PER_POUND) return `${figures(ounces)} oz`;
  const pounds = Math.floor(ounces / OUNCES_PER_POUND);
  const rest = figures(ounces - pounds * OUNCES_PER_POUND);
  const inPounds = rest === '0' ? `${pounds} lb` : `${pounds} lb ${rest} oz`;
  return pounds < 4 ? `${figures(ounces)} oz (${inPounds})` : inPounds;
}

/** US: ounces, then metric, "NET WT 7 oz (198 g)". EU: metric alone (1169/2011 article 23). */
export function netQuantity(grams: number, regime: Regime, language: Language): string {
  const { netWeight, decimalMark } = LABEL_WORDS[language];
  if (regime === 'us') {
    const metric = metricNet(grams);
    const pounds = ouncesUs(grams);
    return `${LABEL_WORDS[language].panel.netWeight} ${pounds} ${pounds.includes('(') ? metric : `(${metric})`}`;
  }
  const said = metricNet(grams);
  return `${netWeight}: ${decimalMark === ',' ? said.replace('.', ',') : said}`;
}

const SQUARE_INCH_CM2 = 6.4516;
const INCH_MM = 25.4;

/** 21 CFR 101.7(h)(i): least height of letters and figures by the area of the principal panel, square inches and inches. */
const US_HEIGHTS = [
  { upTo: 5, inch: 1 / 16 },
  { upTo: 25, inch: 1 / 8 },
  { upTo: 100, inch: 3 / 16 },
  { upTo: 400, inch: 1 / 4 },
  { upTo: Infinity, inch: 1 / 2 },
] as const;
/** Directive 76/211/EEC annex I 3.1, and the UK's Packaged Goods Regulations: height of the figures by net weight, g and mm. */
const EU_HEIGHTS = [
  { upTo: 50, mm: 2 },
  { upTo: 200, mm: 3 },
  { upTo: 1000, mm: 4 },
  { upTo: Infinity, mm: 6 },
] as const;

/**
 * Least height of the figures of the net quantity, mm. A US pack whose largest face nobody measured is held to the label's own
 * paper, which is no larger than the face it sticks on; so it is the least that could be asked.
 */
export function netHeightMm(regime: Regime, netGrams: number, faceCm2: number): number {
  if (regime === 'eu') return EU_HEIGHTS.find(({ upTo }) => netGrams <= upTo)!.mm;
  return US_HEIGHTS.find(({ upTo }) => faceCm2 / SQUARE_INCH_CM2 <= upTo)!.inch * INCH_MM;
}
