/** Which allergens a food, a line or a dish brings, by which path, and on what evidence. */
import type { AnimalState, Food } from '../food';
import { packOf, type Kitchen, type Pack } from '../kitchen';
import { worse, type AllergenStatus } from './status';
import {
  allergensOf,
  bitsOf,
  SUBSTANCE_NAMES,
  SUBSTANCES,
  substancesIn,
  type Allergen,
  type AllergenSetting,
  type Substance,
  type SubstanceBits,
} from './substances';

/** Why a food stands as it does to a substance. */
export interface Standing {
  status: AllergenStatus;
  /** Named by the larder or the pack, against "nobody has looked yet". */
  isNamed: boolean;
}

/** What a food brings that is not clear: all substances of one standing together. */
interface FoodTrace extends Standing {
  bits: SubstanceBits;
  evidence: string;
}

/** One way substances came into a dish, from the dish's line down to the food. */
export interface Trace extends FoodTrace {
  lineId: string;
  /** Names from the line's component down to the food: ["Green dressing", "Sunflower seed cream"]. */
  path: readonly string[];
  /** The same path as one text: "Green dressing > Sunflower seed cream". */
  route: string;
}

/** Certified gluten-free packs clear traces of these, but not the grain itself (EU 828/2014; 21 CFR 101.91). */
const CERTIFIED_FREE_OF: ReadonlySet<Substance> = new Set(['wheat', 'rye', 'barley', 'oats']);

/** What a pack prints of a substance; while a change is not confirmed, the worse of what it says and what it said. */
function printedOn(pack: Pack, substance: Substance): AllergenStatus | undefined {
  const now = pack.allergens[substance];
  const before = pack.isConfirmed ? undefined : pack.before?.allergens[substance];
  return now && before ? worse(now, before) : (now ?? before);
}

/**
 * How a food stands to a substance in a kitchen. What a food is made of stays, whatever a pack says; a pack adds
 * to it and clears what was only unchecked. A product without a pack is `check` for everything else.
 */
export function standingOf(food: Food, substance: Substance, kitchen: Kitchen): Standing {
  const inherent = food.allergens[substance];
  if (inherent === 'contains') return { status: 'contains', isNamed: true };
  const pack = packOf(kitchen, food.id);
  const printed = pack && printedOn(pack, substance);
  if (printed) return { status: printed, isNamed: true };
  if (inherent === 'may-contain') return { status: 'may-contain', isNamed: true };
  if (pack && !pack.isConfirmed) return { status: 'check', isNamed: inherent === 'check' };
  if (pack) {
    const needsCertificate =
      inherent === 'check' && food.kind === 'single' && CERTIFIED_FREE_OF.has(substance);
    if (!needsCertificate || pack.certifiedGlutenFree) return { status: 'clear', isNamed: true };
  }
  if (inherent === 'check') return { status: 'check', isNamed: true };
  if (inherent === 'clear' || food.kind === 'single')
    return { status: 'clear', isNamed: inherent === 'clear' };
  return { status: pack ? 'clear' : 'check', isNamed: false };
}

/** The evidence a standing rests on, in words. */
function evidenceOf(food: Food, { status }: Standing, kitchen: Kitchen): string {
  const pack = packOf(kitchen, food.id);
  if (food.kind === 'single' && !pack) {
    return status === 'check' ? 'safe only when certified; no pack on record' : 'a food of one ingredient';
  }
  if (!pack) return status === 'contains' ? 'made of it, whatever the brand' : 'no pack on record';
  if (!pack.isConfirmed)
    return `pack "${pack.productName}": its statement changed and nobody has confirmed it`;
  return `pack "${pack.productName}", read by ${pack.checkedBy} on ${pack.checkedOn}`;
}

/** Worked out once for a food in a kitchen: both are frozen values. */
const FOOD_TRACES = new WeakMap<Kitchen, Map<Food, readonly FoodTrace[]>>();

/** Everything about a food that is not clear in a kitchen, gathered by standing. */
export function foodTraces(food: Food, kitchen: Kitchen): readonly FoodTrace[] {
  let ofKitchen = FOOD_TRACES.get(kitchen);
  if (!ofKitchen) FOOD_TRACES.set(kitchen, (ofKitchen = new Map()));
  let traces = ofKitchen.get(food);
  if (!traces) ofKitchen.set(food, (traces = gatherTraces(food, kitchen)));
  return traces;
}

function gatherTraces(food: Food, kitchen: Kitchen): FoodTrace[] {
  const traces: FoodTrace[] = [];
  for (const substance of SUBSTANCES) {
    const standing = standingOf(food, substance, kitchen);
    if (standing.status === 'clear') continue;
    const { status, isNamed } = standing;
    const known = traces.find((trace) => trace.status === status && trace.isNamed === isNamed);
    if (known) known.bits |= bitsOf([substance]);
    else
      traces.push({
        status,
        isNamed,
        bits: bitsOf([substance]),
        evidence: evidenceOf(food, standing, kitchen),
      });
  }
  return traces;
}

/** What a food is made of, or surely holds by its pack, in a kitchen. */
export function containedIn(food: Food, kitchen: Kitchen): readonly Substance[] {
  const contained = foodTraces(food, kitchen).find(({ status }) => status === 'contains');
  return substancesIn(contained?.bits ?? 0);
}

const UNKNOWN_FOOD: FoodTrace = {
  status: 'check',
  isNamed: false,
  bits: bitsOf(SUBSTANCES),
  evidence: 'nobody knows which food this is',
};

const UNSURE_FOOD: FoodTrace = { ...UNKNOWN_FOOD, evidence: 'it is not settled yet which food this is' };

/**
 * The traces of one line of a food. An unknown food is unchecked for everything, and so is one that was read but is
 * not sure: what it surely contains stays named.
 */
export function tracesOf(
  food: Food | null,
  name: string,
  lineId: string,
  kitchen: Kitchen,
  isSure = true,
): Trace[] {
  const path = [name];
  const own = food ? [...foodTraces(food, kitchen), ...(isSure ? [] : [UNSURE_FOOD])] : [UNKNOWN_FOOD];
  return own.map(({ status, isNamed, bits, evidence }) => ({
    status,
    isNamed,
    bits,
    evidence,
    lineId,
    path,
    route: name,
  }));
}

/** One way an allergen came in: which of its kinds, by which path, on what evidence. */
export interface FlagTrace extends Standing {
  lineId: string;
  kinds: readonly string[];
  path: readonly string[];
  evidence: string;
}

/** How a whole stands to one allergen: the worst of its lines, with every path that leads there. */
export interface AllergenFlag {
  id: string;
  name: string;
  status: AllergenStatus;
  /** Required on a label by the kitchen's regime. */
  isDeclared: boolean;
  /** The kinds found at that status: ["almond", "hazelnut"]. */
  kinds: readonly string[];
  /** Paths at that status, as text: "Green dressing > Almond". */
  paths: readonly string[];
  /** Every way it came in, worst first. */
  traces: readonly FlagTrace[];
  lineIds: readonly string[];
  /** True where the status rests only on lines that nobody has looked at. */
  isOnlyUnchecked: boolean;
}

const ORDER: Readonly<Record<AllergenStatus, number>> = { contains: 0, 'may-contain': 1, check: 2, clear: 3 };
const NAMES = new Map<SubstanceBits, readonly string[]>();

/** Names of the substances of some bits; the lists are few and kept. */
function namesIn(bits: SubstanceBits): readonly string[] {
  let names = NAMES.get(bits);
  if (!names) NAMES.set(bits, (names = substancesIn(bits).map((each) => SUBSTANCE_NAMES[each])));
  return names;
}

function flagOf(allergen: Allergen, traces: readonly Trace[], setting: AllergenSetting): AllergenFlag {
  const own = traces.filter(({ bits }) => (bits & allergen.bits) !== 0);
  own.sort((one, other) => ORDER[one.status] - ORDER[other.status]);
  const status = own[0]?.status ?? 'clear';
  const worst = own.filter((trace) => trace.status === status);
  const namedBits =
    worst.reduce((bits, trace) => (trace.isNamed ? bits | trace.bits : bits), 0) & allergen.bits;
  return {
    id: allergen.id,
    name: allergen.name,
    status,
    isDeclared: allergen.declaredIn.includes(setting.regime),
    kinds: namesIn(namedBits),
    paths: [...new Set(worst.map((trace) => trace.route))],
    traces: own.map((trace) => ({
      status: trace.status,
      isNamed: trace.isNamed,
      lineId: trace.lineId,
      kinds: namesIn(trace.bits & allergen.bits),
      path: trace.path,
      evidence: trace.evidence,
    })),
    lineIds: [...new Set(worst.map((trace) => trace.lineId))],
    isOnlyUnchecked: status === 'check' && namedBits === 0,
  };
}

/** The flags of a whole, one for each allergen of the kitchen, daily three first. */
export function flagsOf(traces: readonly Trace[], setting: AllergenSetting): AllergenFlag[] {
  return allergensOf(setting).map((allergen) => flagOf(allergen, traces, setting));
}

/** Allergens that come from an animal: a pack that contains one is no plant food, whatever else is said. */
const ANIMAL_BITS = bitsOf(['milk', 'egg', 'fish', 'crustacean', 'mollusc']);

/** Whether a food is of plant or animal origin in a kitchen; `check` until a person read the pack for it. */
export function animalStateOf(food: Food, kitchen: Kitchen): AnimalState {
  if (food.animal === 'animal' || worstStatus(foodTraces(food, kitchen), ANIMAL_BITS) === 'contains')
    return 'animal';
  const pack = packOf(kitchen, food.id);
  const said = pack?.animal ?? null;
  if (said === 'animal') return 'animal';
  if (pack && !pack.isConfirmed && food.kind === 'product') return 'check';
  return food.animal === 'check' && said === null ? 'check' : 'plant';
}

/** The worst status some traces give to any of some substances. */
export function worstStatus(
  traces: readonly Pick<Trace, 'bits' | 'status'>[],
  wanted: SubstanceBits,
): AllergenStatus {
  let status: AllergenStatus = 'clear';
  for (const trace of traces) {
    if ((trace.bits & wanted) !== 0) status = worse(status, trace.status);
  }
  return status;
}
