/**
 * What could be said of a dish beside its figures, each with the legal condition and whether it is met. None is printed from
 * here: a person confirms it, and only what is met on every end of its range can be confirmed.
 */
import type { AllergenFlag } from '../allergen';
import type { Range } from '../dish';
import type { FactId, Facts, Regime } from '../food';
import { fixedText } from '../quantity';
import type { LabelKind } from './label-kinds';
import type { Language } from './words';

export type ClaimStanding = 'met' | 'best figure only' | 'not met' | 'unknown';

export interface Claim {
  id: string;
  /** What would be printed. */
  text: string;
  /** The same on the English label that stands beside another language. */
  english: string;
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
  /** Grams of the US reference amount of the pack; null where nobody chose one. */
  referenceGrams: number | null;
  /** Share of the protein that counts by its quality, 0 to 1; 0 where no score is known. */
  proteinQuality: number;
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

/** The figure a claim speaks of, and what it must be. */
type Condition = readonly [figure: FactId, bound: FigureClaim['bound'], amount: number, unit: string];

const eu = (id: string, text: Text, [figure, bound, amount, unit]: Condition): FigureClaim => ({
  id,
  text,
  figure,
  bound,
  amount,
  unit,
  source: 'Regulation (EC) 1924/2006, annex',
});

/** EU conditions on solid food, per 100 g. */
export const EU_CLAIMS: readonly FigureClaim[] = [
  eu(
    'low-fat',
    { en: 'Low fat', es: 'Bajo contenido de grasa', fr: 'Faible teneur en matières grasses', de: 'Fettarm' },
    ['fatG', 'at most', 3, 'g'],
  ),
  eu(
    'low-saturates',
    {
      en: 'Low in saturates',
      es: 'Bajo contenido de grasas saturadas',
      fr: 'Faible teneur en graisses saturées',
      de: 'Arm an gesättigten Fettsäuren',
    },
    ['saturatesG', 'at most', 1.5, 'g'],
  ),
  eu(
    'low-sugars',
    { en: 'Low sugars', es: 'Bajo contenido de azúcares', fr: 'Faible teneur en sucres', de: 'Zuckerarm' },
    ['sugarsG', 'at most', 5, 'g'],
  ),
  eu(
    'low-salt',
    { en: 'Low salt', es: 'Bajo contenido de sal', fr: 'Pauvre en sel', de: 'Natriumarm/kochsalzarm' },
    ['saltG', 'at most', 0.3, 'g'],
  ),
  eu(
    'source-fibre',
    { en: 'Source of fibre', es: 'Fuente de fibra', fr: 'Source de fibres', de: 'Ballaststoffquelle' },
    ['fibreG', 'at least', 3, 'g'],
  ),
  eu(
    'high-fibre',
    {
      en: 'High fibre',
      es: 'Alto contenido de fibra',
      fr: 'Riche en fibres',
      de: 'Hoher Ballaststoffgehalt',
    },
    ['fibreG', 'at least', 6, 'g'],
  ),
];

const us = (id: string, text: Text, [figure, bound, amount, unit]: Condition, rule: string): FigureClaim => ({
  id,
  text,
  figure,
  bound,
  amount,
  unit,
  source: rule,
});

/** Claims that ask for the %DV of protein beside its amount, by its quality (21 CFR 101.9(c)(7)(i)). */
export const PROTEIN_CLAIMS: ReadonlySet<string> = new Set(['good-protein']);

/** US conditions, per reference amount where the pack's is known, else per serving. */
export const US_CLAIMS: readonly FigureClaim[] = [
  us(
    'low-fat',
    { en: 'Low fat', es: 'Bajo en grasa', fr: 'Faible en gras', de: 'Fettarm' },
    ['fatG', 'at most', 3, 'g'],
    '21 CFR 101.62(b)(2)',
  ),
  us(
    'low-sodium',
    { en: 'Low sodium', es: 'Bajo en sodio', fr: 'Faible en sodium', de: 'Natriumarm' },
    ['sodiumMg', 'at most', 140, 'mg'],
    '21 CFR 101.61(b)(4)',
  ),
  us(
    'good-fiber',
    {
      en: 'Good source of fiber',
      es: 'Buena fuente de fibra',
      fr: 'Bonne source de fibres',
      de: 'Gute Ballaststoffquelle',
    },
    ['fibreG', 'at least', 2.8, 'g'],
    '21 CFR 101.54(c), 10 % of 28 g',
  ),
  us(
    'high-fiber',
    { en: 'High fiber', es: 'Alto en fibra', fr: 'Riche en fibres', de: 'Ballaststoffreich' },
    ['fibreG', 'at least', 5.6, 'g'],
    '21 CFR 101.54(b), 20 % of 28 g',
  ),
  us(
    'good-protein',
    {
      en: 'Good source of protein',
      es: 'Buena fuente de proteínas',
      fr: 'Bonne source de protéines',
      de: 'Gute Eiweißquelle',
    },
    ['proteinG', 'at least', 5, 'g'],
    '21 CFR 101.54(c), 10 % of 50 g, corrected by amino acid scores',
  ),
];

/** What a claim counts: EU per 100 g, US per reference amount or serving; protein of a US claim by its quality. */
function counted(
  claim: FigureClaim,
  ground: ClaimGround,
): { best: number; low: number; high: number; per: string } {
  const { regime, perPortion, per100g, ranges, portionGrams, referenceGrams, proteinQuality } = ground;
  const of = regime === 'eu' ? 100 : (referenceGrams ?? portionGrams);
  const scale = of / Math.max(portionGrams, 1e-9);
  const quality = PROTEIN_CLAIMS.has(claim.id) ? proteinQuality : 1;
  const best =
    regime === 'us' && referenceGrams === null
      ? perPortion[claim.figure]
      : (per100g[claim.figure] * of) / 100;
  const { low, high } = ranges[claim.figure];
  const per =
    regime === 'eu'
      ? 'per 100 g'
      : referenceGrams === null
        ? 'per serving; the law counts per reference amount, which nobody has chosen'
        : `per reference amount, ${fixedText(referenceGrams, 0)} g`;
  return { best: best * quality, low: low * scale * quality, high: high * scale * quality, per };
}

function figureStanding(claim: FigureClaim, ground: ClaimGround): ClaimStanding {
  const { missing, proteinQuality } = ground;
  const { best, low, high } = counted(claim, ground);
  if (PROTEIN_CLAIMS.has(claim.id) && proteinQuality === 0) return 'unknown';
  if (claim.bound === 'at most') {
    if (best > claim.amount) return 'not met';
    if (missing.has(claim.figure)) return 'unknown';
    return high <= claim.amount ? 'met' : 'best figure only';
  }
  if (low >= claim.amount) return 'met';
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
      de: 'Ohne glutenhaltige Zutaten',
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
      de: 'Ohne tierische Zutaten',
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
    const { best, per } = counted(claim, ground);
    const atLeast = ground.missing.has(claim.figure) ? 'at least ' : '';
    return {
      id: claim.id,
      text: claim.text[language],
      english: claim.text.en,
      condition: `${claim.bound} ${claim.amount} ${claim.unit}: ${claim.source}, ${per}`,
      figure: `${atLeast}${fixedText(best, claim.unit === 'mg' ? 0 : 1)} ${claim.unit}`,
      standing: figureStanding(claim, ground),
    };
  });
  const absences = ABSENCES.map(({ id, flag, text, condition }): Claim => {
    const status =
      [...ground.allergens, ...ground.standards].find((each) => each.id === flag)?.status ?? 'check';
    const standing = STANDING_OF_STATUS[status];
    return { id, text: text[language], english: text.en, condition, figure: status, standing };
  });
  return [...figures, ...absences];
}
