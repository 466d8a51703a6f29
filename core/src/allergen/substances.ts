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

/** A set of substances as bits, in the order of SUBSTANCES: fast to test and to join. */
export type SubstanceBits = number;
const BIT: Readonly<Record<Substance, SubstanceBits>> = Object.fromEntries(
  SUBSTANCES.map((each, index) => [each, 1 << index]),
) as Record<Substance, SubstanceBits>;

/** The bits of some substances. */
export function bitsOf(substances: readonly Substance[]): SubstanceBits {
  let bits = 0;
  for (const each of substances) bits |= BIT[each];
  return bits;
}

const LISTS = new Map<SubstanceBits, readonly Substance[]>();

/** The substances of some bits, in the order of SUBSTANCES. */
export function substancesIn(bits: SubstanceBits): readonly Substance[] {
  let list = LISTS.get(bits);
  if (!list) LISTS.set(bits, (list = SUBSTANCES.filter((each) => (BIT[each] & bits) !== 0)));
  return list;
}

export type Regime = 'us' | 'eu';

export interface Allergen {
  id: string;
  /** Name on screen, in the kitchen's words. */
  name: string;
  substances: readonly Substance[];
  bits: SubstanceBits;
  /** Regimes whose law requires it on a label. */
  declaredIn: readonly Regime[];
}

const GLUTEN: readonly Substance[] = ['wheat', 'rye', 'barley', 'oats'];
/** Named in Annex II point 8 of Regulation (EU) 1169/2011. */
const EU_TREE_NUTS: readonly Substance[] = [
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

/** The daily three first, then the rest in the order of Annex II. */
function allergensWith(treeNuts: readonly Substance[]): readonly Allergen[] {
  const table: readonly Omit<Allergen, 'bits'>[] = [
    { id: 'nut', name: 'Nut', substances: ['peanut', ...treeNuts], declaredIn: [] },
    { id: 'soy', name: 'Soy', substances: ['soy'], declaredIn: ['us', 'eu'] },
    { id: 'gluten', name: 'Gluten', substances: GLUTEN, declaredIn: ['eu'] },
    { id: 'wheat', name: 'Wheat', substances: ['wheat'], declaredIn: ['us'] },
    { id: 'peanut', name: 'Peanut', substances: ['peanut'], declaredIn: ['us', 'eu'] },
    { id: 'tree-nut', name: 'Tree nut', substances: treeNuts, declaredIn: ['us', 'eu'] },
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
  ];
  return table.map((each) => ({ ...each, bits: bitsOf(each.substances) }));
}

/** How a kitchen treats the substances the two laws disagree about. */
export interface AllergenSetting {
  regime: Regime;
  /** Coconut counted as a tree nut: a kitchen's own caution. Neither law asks for it since 2025. */
  coconutIsTreeNut: boolean;
}

const TABLES = new Map<string, readonly Allergen[]>();

/** The allergens of a kitchen, in the order a cook says them. */
export function allergensOf(setting: AllergenSetting): readonly Allergen[] {
  const key = `${setting.regime}${setting.coconutIsTreeNut}`;
  let table = TABLES.get(key);
  if (!table) {
    const base = setting.regime === 'us' ? US_TREE_NUTS : EU_TREE_NUTS;
    table = allergensWith(setting.coconutIsTreeNut ? [...base, 'coconut'] : base);
    TABLES.set(key, table);
  }
  return table;
}

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

/** The substances an exclusion means: an allergen id ("nut"), or one substance ("almond"). Empty if unknown. */
export function substancesExcludedBy(exclusion: string, setting: AllergenSetting): readonly Substance[] {
  const allergen = allergensOf(setting).find((each) => each.id === exclusion);
  if (allergen) return allergen.substances;
  return SUBSTANCES.filter((each) => each === exclusion);
}
