/** The packed portion of a dish: what it is packed in, how much of it, how it is kept. What a label of a pack is complete by. */

/** How a pack is kept. */
export const KEEPINGS = ['chilled', 'frozen', 'ambient'] as const;
export type Keeping = (typeof KEEPINGS)[number];
export const KEEPING_NAMES: Readonly<Record<Keeping, string>> = {
  chilled: 'chilled, 5 °C or below',
  frozen: 'frozen, -18 °C or below',
  ambient: 'cool and dry',
};

/** Household measures of a US serving, in the law's order: volume, then pieces, then the whole pack (21 CFR 101.9(b)(5)). */
export const HOUSEHOLD_MEASURES = ['cup', 'tbsp', 'tsp', 'fl oz', 'piece', 'slice', 'container'] as const;
export type HouseholdMeasure = (typeof HOUSEHOLD_MEASURES)[number];

export interface Household {
  amount: number;
  measure: HouseholdMeasure;
  /** What so much of it weighed when it was measured: a portion that changed since is so much more or less of it. */
  grams: number | null;
}

/** Languages a dish is named in on a label; in English it is the dish's own name where nobody says otherwise. */
export const TITLE_LANGUAGES = ['en', 'es', 'fr', 'de'] as const;
export type TitleLanguage = (typeof TITLE_LANGUAGES)[number];

export interface PackedPortion {
  /** What it is packed in, in the kitchen's word: "tub". */
  container: string;
  containerMl: number | null;
  /** Largest face, and all surface that could carry a label, cm2. */
  largestSurfaceCm2: number | null;
  labelAreaCm2: number | null;
  /** Portions in a pack. */
  portions: number | null;
  /** Net weight of a pack; null where it is portions times the portion. */
  netGrams: number | null;
  keeping: Keeping | null;
  /** Days this dish keeps, the day of making counted; null for the kitchen's policy. */
  keepsDays: number | null;
  /** A portion in a household measure, as somebody measured it. */
  household: Household | null;
  /** Reference amount of its kind (21 CFR 101.12(b)). */
  referenceId: string | null;
  /** The whole container's figures beside the serving's, though no law asks for them. */
  showsWhole: boolean;
  /** Foods that a picture or words on the pack stress beside the name. */
  stressed: readonly string[];
  /** What the dish is called on labels. */
  names: Readonly<Partial<Record<TitleLanguage, string>>>;
}

/** A pack of which nobody said anything. */
export const UNPACKED: PackedPortion = {
  container: '',
  containerMl: null,
  largestSurfaceCm2: null,
  labelAreaCm2: null,
  portions: null,
  netGrams: null,
  keeping: null,
  keepsDays: null,
  household: null,
  referenceId: null,
  showsWhole: false,
  stressed: [],
  names: {},
};

const isObject = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
const positive = (value: unknown): number | null =>
  typeof value === 'number' && value > 0 && value <= 100_000 ? value : null;
const words = (value: unknown, most: number): string =>
  typeof value === 'string' ? value.trim().slice(0, most) : '';
const oneOf = <T extends string>(list: readonly T[], value: unknown): T | null =>
  list.find((each) => each === value) ?? null;

/** A packed portion as it came from outside: what is not one of its fields, or out of range, is left unsaid. */
export function packedFrom(value: unknown): PackedPortion | null {
  if (!isObject(value)) return null;
  const household = isObject(value['household']) ? value['household'] : {};
  const measure = oneOf(HOUSEHOLD_MEASURES, household['measure']);
  const amount = positive(household['amount']);
  const days = positive(value['keepsDays']);
  const named = isObject(value['names']) ? value['names'] : {};
  const titles = TITLE_LANGUAGES.flatMap((language) => {
    const title = words(named[language], 200);
    return title === '' ? [] : [[language, title] as const];
  });
  const stressed = Array.isArray(value['stressed']) ? (value['stressed'] as unknown[]) : [];
  return {
    container: words(value['container'], 60),
    containerMl: positive(value['containerMl']),
    largestSurfaceCm2: positive(value['largestSurfaceCm2']),
    labelAreaCm2: positive(value['labelAreaCm2']),
    portions: positive(value['portions']),
    netGrams: positive(value['netGrams']),
    keeping: oneOf(KEEPINGS, value['keeping']),
    keepsDays: days === null ? null : Math.round(days),
    household: measure && amount ? { amount, measure, grams: positive(household['grams']) } : null,
    referenceId: words(value['referenceId'], 60) || null,
    showsWhole: value['showsWhole'] === true,
    stressed: stressed.map((each) => words(each, 80)).filter((each) => each !== ''),
    names: Object.fromEntries(titles),
  };
}
