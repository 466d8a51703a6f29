/**
 * What could be said of a dish beside its figures, each with the legal condition and whether it is met. None is printed from
 * here: a person confirms it, and only what is met on every end of its range can be confirmed.
 */
import type { AllergenFlag } from '../allergen';
import type { Regime } from '../allergen/substances';
import type { FactId, Facts } from '../nutrition';
import { fixedText } from '../quantity';
import type { Range } from '../worksheet/ranges';
import type { LabelKind } from './content';
import type { Language } from './words';

export type ClaimStanding = 'met' | 'best figure only' | 'not met' | 'unknown';

export interface Claim {
  id: string;
  /** What would be printed. */
  text: string;
  /** The condition and its source. */
  condition: string;
  /** The figure it is held against, in words. */
  figure: string;
  standing: ClaimStanding;
}

/** What a claim is held against. */
export interface ClaimGround {
  regime: Regime;
  portionGrams: number;
  perPortion: Facts;
  per100g: Facts;
  ranges: Readonly<Record<FactId, Range>>;
  missing: ReadonlySet<string>;
  allergens: readonly AllergenFlag[];
  standards: readonly AllergenFlag[];
}

type Text = Readonly<Record<Language, string>>;
interface FigureClaim {
  id: string;
  text: Text;
  figure: FactId;
  bound: 'at most' | 'at least';
  amount: number;
  unit: string;
  source: string;
}

const eu = (
  id: string,
  text: Text,
  figure: FactId,
  bound: FigureClaim['bound'],
  amount: number,
  unit: string,
): FigureClaim => ({
  id,
  text,
  figure,
  bound,
  amount,
  unit,
  source: 'Regulation (EC) 1924/2006, annex, per 100 g',
});

/** EU conditions on solid food, per 100 g. */
export const EU_CLAIMS: readonly FigureClaim[] = [
  eu(
    'low-fat',
    { en: 'Low fat', es: 'Bajo contenido de grasa', fr: 'Faible teneur en matières grasses' },
    'fatG',
    'at most',
    3,
    'g',
  ),
  eu(
    'low-saturates',
    {
      en: 'Low in saturates',
      es: 'Bajo contenido de grasas saturadas',
      fr: 'Faible teneur en graisses saturées',
    },
    'saturatesG',
    'at most',
    1.5,
    'g',
  ),
  eu(
    'low-sugars',
    { en: 'Low sugars', es: 'Bajo contenido de azúcares', fr: 'Faible teneur en sucres' },
    'sugarsG',
    'at most',
    5,
    'g',
  ),
  eu(
    'low-salt',
    { en: 'Low salt', es: 'Bajo contenido de sal', fr: 'Pauvre en sel' },
    'saltG',
    'at most',
    0.3,
    'g',
  ),
  eu(
    'source-fibre',
    { en: 'Source of fibre', es: 'Fuente de fibra', fr: 'Source de fibres' },
    'fibreG',
    'at least',
    3,
    'g',
  ),
  eu(
    'high-fibre',
    { en: 'High fibre', es: 'Alto contenido de fibra', fr: 'Riche en fibres' },
    'fibreG',
    'at least',
    6,
    'g',
  ),
];

const us = (
  id: string,
  en: string,
  figure: FactId,
  bound: FigureClaim['bound'],
  amount: number,
  unit: string,
  rule: string,
): FigureClaim => ({
  id,
  text: { en, es: en, fr: en },
  figure,
  bound,
  amount,
  unit,
  source: `${rule}, per serving; the law counts per reference amount, confirm it`,
});

/** US conditions, per serving. */
export const US_CLAIMS: readonly FigureClaim[] = [
  us('low-fat', 'Low fat', 'fatG', 'at most', 3, 'g', '21 CFR 101.62(b)(2)'),
  us('low-sodium', 'Low sodium', 'sodiumMg', 'at most', 140, 'mg', '21 CFR 101.61(b)(4)'),
  us('good-fiber', 'Good source of fiber', 'fibreG', 'at least', 2.8, 'g', '21 CFR 101.54(c), 10 % of 28 g'),
  us('high-fiber', 'High fiber', 'fibreG', 'at least', 5.6, 'g', '21 CFR 101.54(b), 20 % of 28 g'),
  us(
    'good-protein',
    'Good source of protein',
    'proteinG',
    'at least',
    5,
    'g',
    '21 CFR 101.54(c), 10 % of 50 g, quality corrected',
  ),
];

function figureStanding(claim: FigureClaim, ground: ClaimGround): ClaimStanding {
  const { regime, perPortion, per100g, ranges, missing, portionGrams } = ground;
  const isEu = regime === 'eu';
  const scale = isEu ? 100 / Math.max(portionGrams, 1e-9) : 1;
  const best = (isEu ? per100g : perPortion)[claim.figure];
  const range = { low: ranges[claim.figure].low * scale, high: ranges[claim.figure].high * scale };
  if (claim.bound === 'at most') {
    if (best > claim.amount) return 'not met';
    if (missing.has(claim.figure)) return 'unknown';
    return range.high <= claim.amount ? 'met' : 'best figure only';
  }
  if (range.low >= claim.amount) return 'met';
  if (best >= claim.amount) return 'best figure only';
  return missing.has(claim.figure) ? 'unknown' : 'not met';
}

/** What no pack may say from a calculation: a buyer reads it as a promise that only a test can give. */
const NOT_ON_PACKS = new Set(['no-gluten-ingredients']);

/** The claims that a label of a kind may carry: counter card and tray slip stand before somebody who can ask. */
export const claimsOn = <T extends Pick<Claim, 'id'>>(kind: LabelKind, claims: readonly T[]): T[] =>
  kind === 'counter' || kind === 'tray' ? [...claims] : claims.filter(({ id }) => !NOT_ON_PACKS.has(id));

/** Statements about what is not in it: never "free", and only where every line is clear. */
const ABSENCES: readonly { id: string; flag: string; text: Text; condition: string }[] = [
  {
    id: 'no-gluten-ingredients',
    flag: 'gluten',
    text: {
      en: 'No gluten ingredients',
      es: 'Sin ingredientes con gluten',
      fr: 'Sans ingrédients contenant du gluten',
    },
    condition:
      'every line clear of gluten; "gluten-free" needs a test below 20 ppm (21 CFR 101.91, EU 828/2014) and is never printed',
  },
  {
    id: 'no-animal-ingredients',
    flag: 'animal',
    text: {
      en: 'No animal ingredients',
      es: 'Sin ingredientes de origen animal',
      fr: "Sans ingrédients d'origine animale",
    },
    condition: 'every line clear of animal food',
  },
];

const STANDING_OF_STATUS = {
  clear: 'met',
  check: 'unknown',
  'may-contain': 'not met',
  contains: 'not met',
} as const;

/** Every claim of the regime with how it stands. */
export function claimsOf(ground: ClaimGround, language: Language): Claim[] {
  const isEu = ground.regime === 'eu';
  const figures = (isEu ? EU_CLAIMS : US_CLAIMS).map((claim): Claim => {
    const amount = (isEu ? ground.per100g : ground.perPortion)[claim.figure];
    const atLeast = ground.missing.has(claim.figure) ? 'at least ' : '';
    return {
      id: claim.id,
      text: claim.text[language],
      condition: `${claim.bound} ${claim.amount} ${claim.unit}: ${claim.source}`,
      figure: `${atLeast}${fixedText(amount, claim.unit === 'mg' ? 0 : 1)} ${claim.unit}`,
      standing: figureStanding(claim, ground),
    };
  });
  const absences = ABSENCES.map(({ id, flag, text, condition }): Claim => {
    const status =
      [...ground.allergens, ...ground.standards].find((each) => each.id === flag)?.status ?? 'check';
    return { id, text: text[language], condition, figure: status, standing: STANDING_OF_STATUS[status] };
  });
  return [...figures, ...absences];
}
