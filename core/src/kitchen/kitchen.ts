/** A kitchen: its regime, measures, machines, standard, packs, and what it has weighed. */
import {
  type AllergenSetting,
  nameWords,
  type NutrientId,
  plainText,
  type Substance,
  type SwapEntry,
  type SwapRating,
} from '../food';
import type { UnitSystem } from '../quantity';
import type { DinerGroup, FreeFromPolicy } from './diners';
import type { OwnedPans, Scale, Vessel } from './equipment';
import { type KitchenSafety, PLAIN_SAFETY } from './safety';
import { type KitchenService, PLAIN_SERVICE } from './service';
import type { SharedEquipment } from './shared';
import type { KitchenStandard } from './standard';
import type { NutrientTarget } from './targets';

/** How hard something is cooked; decides how much water leaves it. */
export type Heat = 'bare simmer' | 'gentle simmer' | 'rolling boil' | 'oven';

/** What a pack said before its statement changed. */
export type PackBefore = Pick<Pack, 'statement' | 'allergens' | 'own' | 'animal' | 'checkedOn'>;

/** What is known of a substance in a pack. */
export type PackAnswer = 'contains' | 'may-contain' | 'none' | 'check';

/** What the kitchen buys for a food, and what its pack says, read by a person at this kitchen. */
export interface Pack {
  foodId: string;
  productName: string;
  supplier: string;
  /** Net and drained weight of one pack; null where nobody noted it. */
  netGrams: number | null;
  drainedGrams: number | null;
  /** Price of one pack in the kitchen's own money. */
  price: number | null;
  /** Its own nutrition panel per 100 g: where it has a figure, that figure holds. */
  panel: Readonly<Partial<Record<NutrientId, number>>>;
  /** The ingredient statement as printed. */
  statement: string;
  /**
   * `none`: the statement left it open, the supplier was asked, and it is not in it. `check`: nobody has said yet, and
   * it stays open whoever confirms the pack.
   */
  allergens: Readonly<Partial<Record<Substance, PackAnswer>>>;
  /** What the allergen table of the supplier's sheet says; null where there was none. */
  sheet: Readonly<Partial<Record<Substance, PackAnswer>>> | null;
  certifiedGlutenFree: boolean;
  /** What the reader said of animal origin; null when nobody was asked. */
  animal: 'plant' | 'animal' | null;
  checkedBy: string;
  /** ISO date. */
  checkedOn: string;
  /** What it says of the kitchen's own list, for every entry its reader was asked for. */
  own: Readonly<Record<string, 'contains' | 'may-contain' | 'none'>>;
  /** Which statement of the product this is, counted from the first that was recorded here. */
  statementVersion: number;
  /** False from when a statement changed until somebody read it and said yes: till then nothing of it is clear. */
  isConfirmed: boolean;
  /** What the last confirmed statement said, while this one is not confirmed. */
  before: PackBefore | null;
}

/** What a pack is when only its name and statement are known. */
export const PACK_DEFAULTS: Pick<
  Pack,
  | 'supplier'
  | 'netGrams'
  | 'drainedGrams'
  | 'price'
  | 'panel'
  | 'sheet'
  | 'own'
  | 'statementVersion'
  | 'isConfirmed'
  | 'before'
> = {
  supplier: '',
  netGrams: null,
  drainedGrams: null,
  price: null,
  panel: {},
  sheet: null,
  own: {},
  statementVersion: 1,
  isConfirmed: true,
  before: null,
};

/** A vague word weighed once here: "a handful of dill is 14 g". */
export interface KitchenWeight {
  unit: string;
  foodId: string;
  grams: number;
  weighedOn: string;
}

/** What this kitchen means by a name: tied once to a food, then read so in every dish. */
export interface KitchenName {
  /** The name as comparable words: "mums red paste". */
  written: string;
  foodId: string;
  /** ISO date. */
  tiedOn: string;
}

/**
 * What a person said of a word of pack statements that no list holds: kept with the word, for every pack that has it. It says
 * nothing of words that are known.
 */
export interface WordAnswer {
  /** As `answeredWord` makes it comparable. */
  word: string;
  /** What it holds; empty where it holds none of them. */
  holds: readonly (Substance | 'animal')[];
  by: string;
  /** ISO date. */
  on: string;
}

/** A word of a statement as its answer is kept under. */
export const answeredWord = (written: string): string => plainText(written).trim();

export interface Kitchen extends AllergenSetting {
  id: string;
  name: string;
  units: UnitSystem;
  vessels: readonly Vessel[];
  scales: readonly Scale[];
  /** Serving pans and trays in the cupboard. */
  pans: readonly OwnedPans[];
  standard: KitchenStandard;
  /** Share lost on spoons, pans and lids when a batch is moved, 0.01 to 0.03 (convention). */
  transferLoss: number;
  policy: FreeFromPolicy;
  packs: readonly Pack[];
  weights: readonly KitchenWeight[];
  names: readonly KitchenName[];
  /** What was said here of words of statements that nobody knew. */
  words: readonly WordAnswer[];
  /** Equipment that other food goes through too. */
  shared: readonly SharedEquipment[];
  /** Who is cooked for, and what they must not have. */
  diners: readonly DinerGroup[];
  /** What it wants of a portion. */
  targets: readonly NutrientTarget[];
  service: KitchenService;
  /** What is measured for safety, against which limits of its own, and what is done when it is wrong. */
  safety: KitchenSafety;
  /** Swaps this kitchen wrote itself, and how the swaps it cooked turned out. */
  swaps: readonly SwapEntry[];
  ratings: readonly SwapRating[];
}

/** What a kitchen is where it never said: older settings lack these. */
export const KITCHEN_DEFAULTS: Pick<
  Kitchen,
  'ownAllergens' | 'shared' | 'diners' | 'targets' | 'service' | 'safety' | 'swaps' | 'ratings' | 'words'
> = {
  words: [],
  ownAllergens: [],
  shared: [],
  diners: [],
  targets: [],
  service: PLAIN_SERVICE,
  safety: PLAIN_SAFETY,
  swaps: [],
  ratings: [],
};

/**
 * A kitchen once a pack is no longer bought. What it said is not forgotten: it stands as it stood, unconfirmed, so that
 * nothing becomes clear because somebody threw a statement away.
 */
export function withdrawPack(kitchen: Kitchen, foodId: string): Kitchen {
  const packs = kitchen.packs.map((pack) => {
    if (pack.foodId !== foodId || !pack.isConfirmed) return pack;
    const { statement, allergens, own, animal, checkedOn } = pack;
    return { ...pack, isConfirmed: false, before: { statement, allergens, own, animal, checkedOn } };
  });
  return { ...kitchen, packs };
}

const PACKS = new WeakMap<readonly Pack[], ReadonlyMap<string, Pack>>();

/** A kitchen with a pack as nobody has read it: some other than the recorded one was opened. */
export function withUnreadPack(kitchen: Kitchen, foodId: string, productName: string): Kitchen {
  if (packOf(kitchen, foodId)) return withdrawPack(kitchen, foodId);
  const unread: Pack = {
    ...PACK_DEFAULTS,
    foodId,
    productName,
    statement: '',
    allergens: {},
    certifiedGlutenFree: false,
    animal: null,
    checkedBy: '',
    checkedOn: '',
    isConfirmed: false,
  };
  return { ...kitchen, packs: [...kitchen.packs, unread] };
}

/** A kitchen's pack for a food, if one is on record. */
export function packOf({ packs }: Pick<Kitchen, 'packs'>, foodId: string): Pack | null {
  let index = PACKS.get(packs);
  if (!index) PACKS.set(packs, (index = new Map(packs.map((pack) => [pack.foodId, pack]))));
  return index.get(foodId) ?? null;
}

const NAMES = new WeakMap<Kitchen, ReadonlyMap<string, string>>();

/** The food this kitchen has tied a written name to, if it has. */
export function namedHere(kitchen: Kitchen, written: string): string | null {
  if (kitchen.names.length === 0) return null;
  let names = NAMES.get(kitchen);
  if (!names) {
    names = new Map(kitchen.names.map((each) => [each.written, each.foodId]));
    NAMES.set(kitchen, names);
  }
  return names.get(comparableName(written)) ?? null;
}

/** A written name as it is compared: "Mum's red pastes" is "mums red paste". */
export const comparableName = (written: string): string => nameWords(written).join(' ');
