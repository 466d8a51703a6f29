/** How one food stands to everything it is traced for in a kitchen, and on what evidence. */
import {
  ALL_BITS,
  type AllergenStatus,
  type AnimalState,
  bitsOf,
  type Food,
  nameWords,
  type OwnAllergen,
  type Substance,
  SUBSTANCES,
  substancesIn,
  type Wanted,
  worse,
} from '../food';
import { breaksWholeFood, type Kitchen, type Pack, packOf } from '../kitchen';
import { readStatement } from './statement';
import { isTrapped, trapWords } from './traps';

/** Why a food stands as it does to a substance. */
export interface Standing {
  status: AllergenStatus;
  /** Named by the larder or the pack, against "nobody has looked yet". */
  isNamed: boolean;
}

/** What a standing rests on: which statement of which pack, who read it and when; or what the food is by itself. */
export interface Evidence {
  kind:
    | 'one ingredient'
    | 'made of it'
    | 'certificate'
    | 'no pack'
    | 'pack'
    | 'changed pack'
    | 'nobody knows'
    | 'equipment'
    | 'named in the text';
  words: string;
  productName: string | null;
  /** Which statement of the product this is: 1 for the first that was recorded here. */
  statementVersion: number | null;
  checkedBy: string | null;
  /** ISO date. */
  checkedOn: string | null;
}

/** What a food brings that is not clear: everything of one standing together. */
export interface FoodTrace extends Standing, Wanted {
  evidence: Evidence;
}

/** Certified gluten-free packs clear traces of these, but not the grain itself (EU 828/2014; 21 CFR 101.91). */
const CERTIFIED_FREE_OF: ReadonlySet<Substance> = new Set(['wheat', 'rye', 'barley', 'oats']);

const ASKED = new WeakMap<Pack, ReadonlySet<Substance>>();

/** What a pack's statement leaves open ("lecithin", "spices"): only an answer settles it. */
function askedBy(pack: Pack): ReadonlySet<Substance> {
  let asked = ASKED.get(pack);
  if (!asked) {
    const { mentions } = readStatement(pack.statement);
    asked = new Set(mentions.filter(({ status }) => status === 'check').map(({ substance }) => substance));
    ASKED.set(pack, asked);
  }
  return asked;
}

/** Whether the statement leaves a substance open and no answer has settled it. */
const isAskedBy = (pack: Pack, substance: Substance): boolean =>
  pack.allergens[substance] !== 'none' && askedBy(pack).has(substance);

/** One answer of a pack as the statement of a status. */
const asPrinted = (answer: Pack['allergens'][Substance]): AllergenStatus | undefined =>
  answer === 'none' || answer === 'check' ? undefined : answer;

/** What a pack prints of a substance; while a change is not confirmed, the worse of what it says and what it said. */
function printedOn(pack: Pack, substance: Substance): AllergenStatus | undefined {
  const now = asPrinted(pack.allergens[substance]);
  const before = pack.isConfirmed ? undefined : asPrinted(pack.before?.allergens[substance]);
  return now && before ? worse(now, before) : (now ?? before);
}

/**
 * How a food stands to a substance in a kitchen. What a food is made of stays, whatever a pack says; a pack adds
 * to it and clears what was only unchecked. A product without a pack is `check` for everything else.
 */
export function standingOf(food: Food, substance: Substance, kitchen: Kitchen): Standing {
  const inherent = food.allergens[substance] ?? (isTrapped(food, substance) ? 'check' : undefined);
  if (inherent === 'contains') return { status: 'contains', isNamed: true };
  const pack = packOf(kitchen, food.id);
  const printed = pack && printedOn(pack, substance);
  if (printed) return { status: printed, isNamed: true };
  if (inherent === 'may-contain') return { status: 'may-contain', isNamed: true };
  if (pack && !pack.isConfirmed) return { status: 'check', isNamed: inherent === 'check' };
  if (pack && (pack.allergens[substance] === 'check' || isAskedBy(pack, substance)))
    return { status: 'check', isNamed: true };
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

/** Whether a statement names an entry of the own list, or one of its foods, by a word. */
function isNamedIn(statement: string, entry: OwnAllergen): boolean {
  const words = ` ${nameWords(statement).join(' ')} `;
  return [entry.name, ...entry.foodIds.map((id) => id.replaceAll('-', ' '))].some((name) =>
    words.includes(` ${nameWords(name).join(' ')} `),
  );
}

/**
 * How a food stands to an entry of the kitchen's own list. A pack is clear of it only where its reader was asked for it;
 * a statement that names it contains it, whatever was answered.
 */
export function ownStandingOf(food: Food, entry: OwnAllergen, kitchen: Kitchen): Standing {
  if (entry.foodIds.includes(food.id)) return { status: 'contains', isNamed: true };
  const pack = packOf(kitchen, food.id);
  if (!pack) return { status: food.kind === 'single' ? 'clear' : 'check', isNamed: false };
  const statements = pack.isConfirmed ? [pack.statement] : [pack.statement, pack.before?.statement ?? ''];
  if (statements.some((each) => isNamedIn(each, entry))) return { status: 'contains', isNamed: true };
  const said = pack.own[entry.id];
  const answers = [said, pack.isConfirmed ? undefined : pack.before?.own[entry.id]];
  const printed = (['contains', 'may-contain'] as const).find((each) => answers.includes(each));
  if (printed) return { status: printed, isNamed: true };
  if (!pack.isConfirmed) return { status: 'check', isNamed: false };
  if (said === 'none') return { status: 'clear', isNamed: true };
  return { status: food.kind === 'single' ? 'clear' : 'check', isNamed: false };
}

const NO_PACK = { productName: null, statementVersion: null, checkedBy: null, checkedOn: null };
const bare = (kind: Evidence['kind'], words: string): Evidence => ({ kind, words, ...NO_PACK });

const UNKNOWN_FOOD: FoodTrace = {
  status: 'check',
  isNamed: false,
  bits: ALL_BITS,
  own: -1,
  evidence: bare('nobody knows', 'nobody knows which food this is'),
};

const UNSURE_FOOD: FoodTrace = {
  ...UNKNOWN_FOOD,
  evidence: bare('nobody knows', 'it is not settled yet which food this is'),
};

/** The evidence a standing rests on; where a trap is known at this food, it is named first. */
function evidenceOf(food: Food, { status }: Standing, trap: string, kitchen: Kitchen): Evidence {
  const pack = packOf(kitchen, food.id);
  const withTrap = (words: string): string => (trap === '' ? words : `${trap}; ${words}`);
  if (food.kind === 'single' && !pack) {
    return status === 'check'
      ? bare('certificate', withTrap('no pack on record'))
      : bare('one ingredient', withTrap('a food of one ingredient'));
  }
  if (!pack) {
    return status === 'contains'
      ? bare('made of it', withTrap('made of it, whatever the brand'))
      : bare('no pack', withTrap('no pack on record'));
  }
  const { productName, statementVersion, checkedBy, checkedOn } = pack;
  const of = { productName, statementVersion, checkedBy, checkedOn };
  const which = `"${productName}", statement ${statementVersion}`;
  if (!pack.isConfirmed)
    return {
      kind: 'changed pack',
      words: withTrap(`${which}: it changed or was withdrawn, and nobody has confirmed it`),
      ...of,
    };
  return { kind: 'pack', words: `${which}, read by ${checkedBy} on ${checkedOn}`, ...of };
}

/** What it rests on that a food is clear of what it is clear of. */
export const clearEvidence = (food: Food, kitchen: Kitchen): Evidence =>
  evidenceOf(food, { status: 'clear', isNamed: false }, '', kitchen);

/** The trap worth naming at a standing: not what nobody thought of, nor what a food plainly is by its name. */
function trapAt(food: Food, substance: Substance, { status, isNamed }: Standing, kitchen: Kitchen): string {
  const isPlain = status === 'contains' && food.kind === 'single' && food.category !== 'oil';
  const isRead = packOf(kitchen, food.id)?.isConfirmed ?? false;
  return !isNamed || isPlain || isRead ? '' : trapWords(food, [substance]);
}

/** Worked out once for a food in a kitchen: both are frozen values. */
const FOOD_TRACES = new WeakMap<Kitchen, Map<Food, readonly FoodTrace[]>>();

/** Everything about a food that is not clear in a kitchen, gathered by standing: allergens first, then its origin. */
export function foodTraces(food: Food, kitchen: Kitchen): readonly FoodTrace[] {
  let ofKitchen = FOOD_TRACES.get(kitchen);
  if (!ofKitchen) FOOD_TRACES.set(kitchen, (ofKitchen = new Map()));
  let traces = ofKitchen.get(food);
  if (!traces)
    ofKitchen.set(food, (traces = [...allergenTraces(food, kitchen), ...originTraces(food, kitchen)]));
  return traces;
}

function allergenTraces(food: Food, kitchen: Kitchen): FoodTrace[] {
  const groups = new Map<string, Standing & Wanted & { trap: string }>();
  const add = (standing: Standing, bits: number, own: number, trap: string): void => {
    if (standing.status === 'clear') return;
    const key = `${standing.status} ${standing.isNamed} ${trap}`;
    const known = groups.get(key) ?? { ...standing, bits: 0, own: 0, trap };
    groups.set(key, { ...known, bits: known.bits | bits, own: known.own | own });
  };
  for (const substance of SUBSTANCES) {
    const standing = standingOf(food, substance, kitchen);
    if (standing.status !== 'clear')
      add(standing, bitsOf([substance]), 0, trapAt(food, substance, standing, kitchen));
  }
  kitchen.ownAllergens.forEach((entry, index) => add(ownStandingOf(food, entry, kitchen), 0, 1 << index, ''));
  return [...groups.values()].map(({ trap, ...group }) => ({
    ...group,
    evidence: evidenceOf(food, group, trap, kitchen),
  }));
}

function originTraces(food: Food, kitchen: Kitchen): FoodTrace[] {
  const traces: FoodTrace[] = [];
  const animal = animalStateOf(food, kitchen);
  if (animal !== 'plant') {
    const status = animal === 'animal' ? 'contains' : 'check';
    const standing: Standing = { status, isNamed: true };
    const evidence =
      food.animal === 'animal'
        ? bare('made of it', 'it comes from an animal')
        : evidenceOf(food, standing, '', kitchen);
    traces.push({ ...standing, bits: bitsOf(['animal']), own: 0, evidence });
  }
  if (food.wholeFood !== 'whole' && breaksWholeFood(food))
    traces.push({
      status: 'contains',
      isNamed: true,
      bits: bitsOf([food.wholeFood]),
      own: 0,
      evidence: bare('made of it', "by the larder's class of this food"),
    });
  return traces;
}

/** What a food is made of, or surely holds by its pack, in a kitchen. */
export function containedIn(food: Food, kitchen: Kitchen): readonly Substance[] {
  let bits = 0;
  for (const trace of foodTraces(food, kitchen)) if (trace.status === 'contains') bits |= trace.bits;
  return substancesIn(bits);
}

/**
 * The traces of one line's food. An unknown food is unchecked for everything, and so is one that was read but is not
 * sure: what it surely contains stays named.
 */
export function lineFoodTraces(food: Food | null, kitchen: Kitchen, isSure: boolean): readonly FoodTrace[] {
  if (!food) return [UNKNOWN_FOOD];
  return isSure ? foodTraces(food, kitchen) : [...foodTraces(food, kitchen), UNSURE_FOOD];
}

/** Allergens that come from an animal: a pack that contains one is no plant food, whatever else is said. */
const ANIMAL_SUBSTANCES: readonly Substance[] = ['milk', 'egg', 'fish', 'crustacean', 'mollusc'];

/** Whether a food is of plant or animal origin in a kitchen; `check` until a person read the pack for it. */
export function animalStateOf(food: Food, kitchen: Kitchen): AnimalState {
  const holdsOne = ANIMAL_SUBSTANCES.some((each) => standingOf(food, each, kitchen).status === 'contains');
  if (food.animal === 'animal' || holdsOne) return 'animal';
  const pack = packOf(kitchen, food.id);
  const said = pack?.animal ?? null;
  if (said === 'animal') return 'animal';
  if (pack && !pack.isConfirmed && food.kind === 'product') return 'check';
  return food.animal === 'check' && said === null ? 'check' : 'plant';
}
