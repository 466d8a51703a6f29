/**
 * Units of mass, volume, temperature: what a cook writes and what it holds.
 *
 * Figures: US customary measures from NIST Handbook 44 appendix C, rounded to 1 uL; metric spoons and cup by
 * common kitchen convention; imperial measures from the UK Weights and Measures Act 1985.
 */

declare const unit: unique symbol;
/** Mass in grams. A plain number is none: it becomes one by `grams`, by a mass unit, or from a volume by a density. */
export type Grams = number & { readonly [unit]: 'g' };
/** Volume in millilitres; no mass, and none by accident: `massOfVolume` asks for the density. */
export type Millilitres = number & { readonly [unit]: 'mL' };

/** A figure that is known to be grams: a scale's, a table's, an answer's. */
export const grams = (figure: number): Grams => figure as Grams;
/** A figure that is known to be millilitres. */
export const millilitres = (figure: number): Millilitres => figure as Millilitres;

/** Which set of household measures a kitchen means by "cup", "pint" or "tablespoon". */
export type UnitSystem = 'us' | 'metric' | 'imperial';

export type MassUnit = 'g' | 'kg' | 'mg' | 'oz' | 'lb';
export type VolumeUnit =
  'ml' | 'cl' | 'dl' | 'l' | 'tsp' | 'dsp' | 'tbsp' | 'cup' | 'fl oz' | 'pint' | 'quart' | 'gallon';
/** Units counted rather than measured; their weight depends on the food. */
export type CountUnit =
  | 'piece'
  | 'clove'
  | 'stalk'
  | 'sprig'
  | 'leaf'
  | 'bunch'
  | 'head'
  | 'slice'
  | 'tin'
  | 'pack'
  | 'block'
  | 'sheet'
  | 'ear'
  | 'cube'
  | 'inch';
/** Words of amount without a measure. Nobody agrees on them, so each kitchen weighs its own. */
export type VagueUnit = 'pinch' | 'dash' | 'splash' | 'handful' | 'thumb' | 'knob' | 'drizzle' | 'turn';
export type Unit = MassUnit | VolumeUnit | CountUnit | VagueUnit;

/** Grams in one of each mass unit (international avoirdupois pound, 453.592 g). */
export const GRAMS_PER: Readonly<Record<MassUnit, number>> = {
  g: 1,
  kg: 1000,
  mg: 0.001,
  oz: 28.3495,
  lb: 453.592,
};

/** Millilitres in one of each volume unit, by system. Metric kitchens without pints use the imperial ones. */
export const MILLILITRES_PER: Readonly<Record<UnitSystem, Readonly<Record<VolumeUnit, number>>>> = {
  us: {
    ml: 1,
    cl: 10,
    dl: 100,
    l: 1000,
    tsp: 4.929,
    dsp: 9.858,
    tbsp: 14.787,
    cup: 236.588,
    'fl oz': 29.574,
    pint: 473.18,
    quart: 946.35,
    gallon: 3785.4,
  },
  metric: {
    ml: 1,
    cl: 10,
    dl: 100,
    l: 1000,
    tsp: 5,
    dsp: 10,
    tbsp: 15,
    cup: 250,
    'fl oz': 28.413,
    pint: 568.26,
    quart: 1136.52,
    gallon: 4546.09,
  },
  imperial: {
    ml: 1,
    cl: 10,
    dl: 100,
    l: 1000,
    tsp: 5,
    dsp: 10,
    tbsp: 15,
    cup: 284.13,
    'fl oz': 28.413,
    pint: 568.26,
    quart: 1136.52,
    gallon: 4546.09,
  },
};

const MASS = new Set<string>(Object.keys(GRAMS_PER));
const VOLUME = new Set<string>(Object.keys(MILLILITRES_PER.us));
const VAGUE = new Set<string>(['pinch', 'dash', 'splash', 'handful', 'thumb', 'knob', 'drizzle', 'turn']);

export const isMassUnit = (unit: Unit | null): unit is MassUnit => unit !== null && MASS.has(unit);
export const isVolumeUnit = (unit: Unit | null): unit is VolumeUnit => unit !== null && VOLUME.has(unit);
export const isVagueUnit = (unit: Unit | null): unit is VagueUnit => unit !== null && VAGUE.has(unit);

/** Mass of an amount of a mass unit, in grams. */
export function massOf(amount: number, unit: MassUnit): Grams {
  return grams(amount * GRAMS_PER[unit]);
}

/** Volume of an amount of a volume unit in a system, in millilitres. */
export function volumeOf(amount: number, unit: VolumeUnit, system: UnitSystem): Millilitres {
  return millilitres(amount * MILLILITRES_PER[system][unit]);
}

/** Mass of a volume by its density, in grams. */
export const massOfVolume = (volume: Millilitres, gramsPerMl: number): Grams => grams(volume * gramsPerMl);

/** Degrees Fahrenheit from Celsius: F = C x 9/5 + 32. */
export const fahrenheitFromCelsius = (celsius: number): number => (celsius * 9) / 5 + 32;
/** Degrees Celsius from Fahrenheit. */
export const celsiusFromFahrenheit = (fahrenheit: number): number => ((fahrenheit - 32) * 5) / 9;

/** How a unit word is written: every spelling a cook uses, in lower case and singular or plural. */
export const UNIT_WORDS: ReadonlyMap<string, Unit> = new Map(
  Object.entries({
    g: 'g gram grams gramme grammes gr gm gms',
    kg: 'kg kilo kilos kilogram kilograms kgs',
    mg: 'mg milligram milligrams',
    oz: 'oz ounce ounces ozs',
    lb: 'lb lbs pound pounds',
    ml: 'ml millilitre millilitres milliliter milliliters mls cc',
    cl: 'cl centilitre centilitres',
    dl: 'dl decilitre decilitres deciliter deciliters',
    l: 'l litre litres liter liters ltr ltrs lt',
    tsp: 'tsp tsps teaspoon teaspoons teaspoonful teaspoonfuls ts teasp',
    dsp: 'dsp dsps dstsp dstspn dessertspoon dessertspoons dessertspoonful',
    tbsp: 'tbsp tbsps tbs tablespoon tablespoons tablespoonful tablespoonfuls tbl tbls tblsp tblsps tablesp',
    cup: 'cup cups cupful cupfuls c',
    'fl oz': 'floz',
    pint: 'pint pints pt pts',
    quart: 'quart quarts qt qts',
    gallon: 'gallon gallons gal',
    piece: 'piece pieces',
    clove: 'clove cloves',
    stalk: 'stalk stalks stick sticks stem stems rib ribs spear spears',
    sprig: 'sprig sprigs',
    leaf: 'leaf leaves frond fronds',
    bunch: 'bunch bunches bundle bundles',
    head: 'head heads bulb bulbs',
    slice: 'slice slices',
    tin: 'tin tins can cans tinful',
    pack: 'pack packs packet packets pouch pouches bag bags sachet sachets carton cartons jar jars pkg pkgs pkt package packages punnet punnets tub tubs box boxes bottle bottles',
    block: 'block blocks',
    sheet: 'sheet sheets',
    ear: 'ear ears cob cobs',
    cube: 'cube cubes',
    inch: 'inch inches',
    pinch: 'pinch pinches sprinkle sprinkling smidgen smidge grating gratings dusting scattering',
    dash: 'dash dashes shake shakes drop drops',
    splash: 'splash splashes glug glugs squeeze squeezes lug lugs',
    handful: 'handful handfuls handfull fistful fistfuls',
    thumb: 'thumb thumbs',
    knob: 'knob knobs dollop dollops spoonful spoonfuls',
    drizzle: 'drizzle drizzles swirl swirls',
    turn: 'turn turns grind grinds twist twists crack cracks',
  }).flatMap(([unit, words]) => words.split(' ').map((word) => [word, unit as Unit] as const)),
);
