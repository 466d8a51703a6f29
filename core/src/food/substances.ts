/**
 * What a person can react to, and which law makes it declarable.
 *
 * A *substance* is the thing in the food (almond, barley). An *allergen* is what a label and a cook name
 * (tree nut, gluten); it gathers one or more substances.
 * Sources: Regulation (EU) 1169/2011 Annex II (the fourteen, retained in UK law); US FALCPA 2004 and the
 * FASTER Act 2021 (the nine); FDA tree-nut list of January 2025, which no longer holds coconut.
 */
export const SUBSTANCES = [
  'wheat',
  'rye',
  'barley',
  'oats',
  'almond',
  'hazelnut',
  'walnut',
  'cashew',
  'pecan',
  'brazil-nut',
  'pistachio',
  'macadamia',
  'pine-nut',
  'coconut',
  'peanut',
  'soy',
  'milk',
  'egg',
  'fish',
  'crustacean',
  'mollusc',
  'celery',
  'mustard',
  'sesame',
  'sulphites',
  'lupin',
] as const;
export type Substance = (typeof SUBSTANCES)[number];

/**
 * What a kitchen's standard asks of a food beside its allergens: that it comes from no animal, and that it is whole. They
 * are traced, excluded and swapped like substances, and never printed as allergens.
 */
export const ORIGINS = ['animal', 'oil', 'refined', 'added-sugar', 'ready-made'] as const;
export type Origin = (typeof ORIGINS)[number];

/** Anything a line can be traced for. */
export type Matter = Substance | Origin;
const MATTERS: readonly Matter[] = [...SUBSTANCES, ...ORIGINS];

/** A set of substances and origins as bits, in the order of SUBSTANCES, then ORIGINS: fast to test and to join. */
export type SubstanceBits = number;
const BIT: Readonly<Record<Matter, SubstanceBits>> = Object.fromEntries(
  MATTERS.map((each, index) => [each, 1 << index]),
) as Record<Matter, SubstanceBits>;

/** The bits of some substances and origins. */
export function bitsOf(matters: readonly Matter[]): SubstanceBits {
  let bits = 0;
  for (const each of matters) bits |= BIT[each];
  return bits;
}

/** Everything at once: what nobody knows is open for all of it. */
export const ALL_BITS = bitsOf(MATTERS);

/**
 * What is looked for: substances and origins as bits, and entries of the kitchen's own list as bits in the order of that
 * list.
 */
export interface Wanted {
  bits: SubstanceBits;
  own: number;
}

const LISTS = new Map<SubstanceBits, readonly Substance[]>();

/** The substances of some bits, in the order of SUBSTANCES. */
export function substancesIn(bits: SubstanceBits): readonly Substance[] {
  let list = LISTS.get(bits);
  if (!list) LISTS.set(bits, (list = SUBSTANCES.filter((each) => (BIT[each] & bits) !== 0)));
  return list;
}

export type Regime = 'us' | 'eu';

export interface Allergen extends Wanted {
  id: string;
  /** Name on screen, in the kitchen's words. */
  name: string;
  substances: readonly Substance[];
  /** Regimes whose law requires it on a label. */
  declaredIn: readonly Regime[];
  /** What this kitchen counts in and what not, where that is its own choice; empty for the rest. */
  scope: string;
}

const GLUTEN: readonly Substance[] = ['wheat', 'rye', 'barley', 'oats'];
/** Named in Annex II point 8 of Regulation (EU) 1169/2011. */
export const EU_TREE_NUTS: readonly Substance[] = [
  'almond',
  'hazelnut',
  'walnut',
  'cashew',
  'pecan',
  'brazil-nut',
  'pistachio',
  'macadamia',
];
/** Pine nut is a tree nut on the US list; the EU list does not name it. */
export const US_TREE_NUTS: readonly Substance[] = [...EU_TREE_NUTS, 'pine-nut'];

/** An entry of a kitchen's own list: foods that no law names and somebody here must not have. */
export interface OwnAllergen {
  id: string;
  name: string;
  /** Foods that are it or hold it whatever the brand. */
  foodIds: readonly string[];
}

/** Most entries of a kitchen's own list: each is a bit. */
export const MOST_OWN_ALLERGENS = 24;

/** How a kitchen treats the substances the two laws disagree about, and what it looks for besides. */
export interface AllergenSetting {
  regime: Regime;
  /** Coconut counted as a tree nut: a kitchen's own caution. Neither law asks for it since 2025. */
  coconutIsTreeNut: boolean;
  /**
   * Pine nut counted as a nut: the US law lists it, the EU one does not. A kitchen that never said counts it.
   */
  pineNutIsTreeNut?: boolean;
  ownAllergens: readonly OwnAllergen[];
}

/** The daily three first, then the rest in the order of Annex II, then what no law counts, then the kitchen's own list. */
function allergensWith(setting: AllergenSetting): readonly Allergen[] {
  const isUs = setting.regime === 'us';
  const base = isUs ? US_TREE_NUTS : EU_TREE_NUTS;
  const hasPineNut = isUs || (setting.pineNutIsTreeNut ?? true);
  // What a cook calls nut is the kitchen's choice; what a label calls so is the law's.
  const treeNuts: readonly Substance[] = [
    ...EU_TREE_NUTS,
    ...(hasPineNut ? (['pine-nut'] as const) : []),
    ...(setting.coconutIsTreeNut ? (['coconut'] as const) : []),
  ];
  const scope = `pine nut ${hasPineNut ? 'counted' : 'not counted'}, coconut ${setting.coconutIsTreeNut ? 'counted' : 'not counted'}`;
  const table: readonly (Omit<Allergen, 'bits' | 'own' | 'scope'> & { scope?: string })[] = [
    { id: 'nut', name: 'Nut', substances: ['peanut', ...treeNuts], declaredIn: [], scope },
    { id: 'soy', name: 'Soy', substances: ['soy'], declaredIn: ['us', 'eu'] },
    { id: 'gluten', name: 'Gluten', substances: GLUTEN, declaredIn: ['eu'] },
    { id: 'wheat', name: 'Wheat', substances: ['wheat'], declaredIn: ['us'] },
    { id: 'peanut', name: 'Peanut', substances: ['peanut'], declaredIn: ['us', 'eu'] },
    { id: 'tree-nut', name: 'Tree nut', substances: base, declaredIn: ['us', 'eu'] },
    { id: 'sesame', name: 'Sesame', substances: ['sesame'], declaredIn: ['us', 'eu'] },
    { id: 'celery', name: 'Celery', substances: ['celery'], declaredIn: ['eu'] },
    { id: 'mustard', name: 'Mustard', substances: ['mustard'], declaredIn: ['eu'] },
    { id: 'lupin', name: 'Lupin', substances: ['lupin'], declaredIn: ['eu'] },
    { id: 'sulphites', name: 'Sulphites', substances: ['sulphites'], declaredIn: ['eu'] },
    { id: 'milk', name: 'Milk', substances: ['milk'], declaredIn: ['us', 'eu'] },
    { id: 'egg', name: 'Egg', substances: ['egg'], declaredIn: ['us', 'eu'] },
    { id: 'fish', name: 'Fish', substances: ['fish'], declaredIn: ['us', 'eu'] },
    { id: 'crustacean', name: 'Crustaceans', substances: ['crustacean'], declaredIn: ['us', 'eu'] },
    { id: 'mollusc', name: 'Molluscs', substances: ['mollusc'], declaredIn: ['eu'] },
    // What the law does not count as a nut is still named: somebody reacts to it.
    ...(setting.coconutIsTreeNut
      ? []
      : [{ id: 'coconut', name: 'Coconut', substances: ['coconut' as const], declaredIn: [] }]),
    ...(hasPineNut
      ? []
      : [{ id: 'pine-nut', name: 'Pine nut', substances: ['pine-nut' as const], declaredIn: [] }]),
  ];
  return [
    ...table.map((each) => ({ scope: '', ...each, bits: bitsOf(each.substances), own: 0 })),
    ...setting.ownAllergens.map(({ id, name }, index) => ({
      id,
      name,
      substances: [],
      declaredIn: [],
      scope: '',
      bits: 0,
      own: 1 << index,
    })),
  ];
}

const TABLES = new WeakMap<AllergenSetting, readonly Allergen[]>();

/** The allergens of a kitchen, in the order a cook says them. */
export function allergensOf(setting: AllergenSetting): readonly Allergen[] {
  let table = TABLES.get(setting);
  if (!table) TABLES.set(setting, (table = allergensWith(setting)));
  return table;
}

/** Told with another where a cook reads: peanut and tree nut under nut, which names its kinds, wheat under gluten. */
export const TOLD_WITH_ANOTHER: ReadonlySet<string> = new Set(['peanut', 'tree-nut', 'wheat']);

/** The substances a regime's law requires on a label. */
export function declaredBits(setting: AllergenSetting): SubstanceBits {
  return allergensOf(setting).reduce(
    (bits, each) => (each.declaredIn.includes(setting.regime) ? bits | each.bits : bits),
    0,
  );
}

/** A substance's everyday name, for paths and lists of kinds. */
export const SUBSTANCE_NAMES: Readonly<Record<Substance, string>> = {
  wheat: 'wheat',
  rye: 'rye',
  barley: 'barley',
  oats: 'oats',
  almond: 'almond',
  hazelnut: 'hazelnut',
  walnut: 'walnut',
  cashew: 'cashew',
  pecan: 'pecan',
  'brazil-nut': 'Brazil nut',
  pistachio: 'pistachio',
  macadamia: 'macadamia',
  'pine-nut': 'pine nut',
  coconut: 'coconut',
  peanut: 'peanut',
  soy: 'soy',
  milk: 'milk',
  egg: 'egg',
  fish: 'fish',
  crustacean: 'crustaceans',
  mollusc: 'molluscs',
  celery: 'celery',
  mustard: 'mustard',
  sesame: 'sesame',
  sulphites: 'sulphites',
  lupin: 'lupin',
};

/** An origin in words, for lists of kinds. */
export const ORIGIN_NAMES: Readonly<Record<Origin, string>> = {
  animal: 'from an animal',
  oil: 'oil',
  refined: 'refined',
  'added-sugar': 'added sugar',
  'ready-made': 'ready-made',
};

/** The id of what a kitchen's whole-food standard leaves out: oil, refined flour, added sugar, ready-made analogues. */
export const WHOLE_FOOD = 'whole-food';
/** The id of what no dish of this product may hold. */
export const VEGAN = 'vegan';

/** What a vegan and a whole-food kitchen look for, in the same form as allergens. */
export const STANDARDS: readonly Allergen[] = [
  {
    id: VEGAN,
    name: 'Animal food',
    substances: [],
    declaredIn: [],
    scope: '',
    bits: bitsOf(['animal']),
    own: 0,
  },
  {
    id: WHOLE_FOOD,
    name: 'Oil, refined or ready-made',
    substances: [],
    declaredIn: [],
    scope: '',
    bits: bitsOf(['oil', 'refined', 'added-sugar', 'ready-made']),
    own: 0,
  },
];

const isSubstance = (text: string): text is Substance => (SUBSTANCES as readonly string[]).includes(text);

/** What an exclusion means: an allergen or own entry by id ("nut"), one substance ("almond"), or a standard. Null if unknown. */
export function wantedBy(exclusion: string, setting: AllergenSetting): Wanted | null {
  const named = [...allergensOf(setting), ...STANDARDS].find(({ id }) => id === exclusion);
  if (named) return { bits: named.bits, own: named.own };
  return isSubstance(exclusion) ? { bits: bitsOf([exclusion]), own: 0 } : null;
}

/** Several exclusions as one, and those nobody knows here: they must not be passed over. */
export function wantedByAll(
  exclusions: readonly string[],
  setting: AllergenSetting,
): { wanted: Wanted; unknown: string[] } {
  const wanted: Wanted = { bits: 0, own: 0 };
  const unknown: string[] = [];
  for (const each of exclusions) {
    const one = wantedBy(each, setting);
    if (!one) unknown.push(each);
    wanted.bits |= one?.bits ?? 0;
    wanted.own |= one?.own ?? 0;
  }
  return { wanted, unknown };
}

/** An exclusion's name in a sentence: "nut", "whole food". */
export function exclusionName(exclusion: string, setting: AllergenSetting): string {
  if (exclusion === WHOLE_FOOD) return 'what is not whole food';
  if (exclusion === VEGAN) return 'animal foods';
  const named = allergensOf(setting).find(({ id }) => id === exclusion);
  if (named) return named.name.toLowerCase();
  return isSubstance(exclusion) ? SUBSTANCE_NAMES[exclusion] : exclusion;
}
