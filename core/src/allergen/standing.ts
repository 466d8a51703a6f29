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
import { breaksWholeFood, type Kitchen, type Pack, packOf, type WordAnswer } from '../kitchen';
import { heldByWords } from './pack-reading';
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

/** What the words of a pack leave open, and what a person said of those that nobody knew. */
interface PackWords {
  /** Left open by words that often hold it ("lecithin", "spices"): only an answer settles it. */
  asked: ReadonlySet<Substance>;
  /** Words that no list holds and nobody here has answered. */
  unknown: readonly string[];
  /** It is in a language that nobody here reads. */
  isForeign: boolean;
  /** What answered words hold. */
  held: ReadonlySet<Substance | 'animal'>;
  animal: 'animal' | 'check' | null;
}

const WORDS = new WeakMap<Pack, WeakMap<readonly WordAnswer[], PackWords>>();
const NO_ANSWERS: readonly WordAnswer[] = [];

function wordsOf(pack: Pack, kitchen: Kitchen): PackWords {
  const answers = kitchen.words ?? NO_ANSWERS;
  let ofPack = WORDS.get(pack);
  if (!ofPack) WORDS.set(pack, (ofPack = new WeakMap()));
  let words = ofPack.get(answers);
  if (!words) {
    const { mentions, unknown, isForeign, animal } = readStatement(pack.statement);
    const { held, open } = heldByWords({ unknown }, answers);
    words = {
      asked: new Set(mentions.filter(({ status }) => status === 'check').map(({ substance }) => substance)),
      unknown: open,
      isForeign,
      held: new Set(held.keys()),
      animal: animal?.state ?? null,
    };
    ofPack.set(answers, words);
  }
  return words;
}

/** Whether a pack says what nobody here can read, in whole or in part: then it may be anything. */
const isPartlyUnread = (pack: Pack, kitchen: Kitchen): boolean => {
  const { unknown, isForeign } = wordsOf(pack, kitchen);
  return isForeign || unknown.length > 0;
};

/** One answer of a pack as the statement of a status. */
const asPrinted = (answer: Pack['allergens'][Substance]): AllergenStatus | undefined =>
  answer === 'none' || answer === 'check' ? undefined : answer;

/** What a pack prints of a substance; while a change is not confirmed, the worse of what it says and what it said. */
function printedOn(pack: Pack, substance: Substance): AllergenStatus | undefined {
  const now = asPrinted(pack.allergens[substance]);
  const before = pack.isConfirmed ? undefined : asPrinted(pack.before?.allergens[substance]);
  return now && before ? worse(now, before) : (now ?? before);
}

/** What is known of a food and a substance in a kitchen, each looked up once. */
interface Known {
  /** What the larder or a trap says, whatever the brand. */
  inherent: AllergenStatus | undefined;
  isSingle: boolean;
  hasPack: boolean;
  isConfirmed: boolean;
  /** What the pack prints of it. */
  printed: AllergenStatus | undefined;
  /** A word of the pack that nobody knew holds it, as a person answered. */
  isHeldByWord: boolean;
  /** A word of the pack that nobody knows, or a language that nobody reads. */
  isUnread: boolean;
  /** The statement, the supplier or a reader left it open. */
  isAsked: boolean;
  /** A grain that is clean only when certified, without its certificate. */
  lacksCertificate: boolean;
}

interface Rule {
  says: string;
  when: (known: Known) => boolean;
  status: AllergenStatus;
  isNamed: boolean | ((known: Known) => boolean);
}

/**
 * How a food stands to a substance: the first rule that applies. What a food is made of stays, whatever a pack says; a pack
 * adds to it and clears what was only unchecked; unknown is never safe.
 */
export const STANDINGS: readonly Rule[] = [
  { says: 'it is made of it, whatever the brand', when: (k) => k.inherent === 'contains', status: 'contains', isNamed: true },
  { says: 'the pack prints that it is in it', when: (k) => k.printed === 'contains', status: 'contains', isNamed: true },
  { says: 'a word of the pack holds it, as somebody here answered', when: (k) => k.isHeldByWord, status: 'contains', isNamed: true },
  { says: 'the pack prints that it may be in it', when: (k) => k.printed === 'may-contain', status: 'may-contain', isNamed: true },
  { says: 'it may be in it, whatever the brand', when: (k) => k.inherent === 'may-contain', status: 'may-contain', isNamed: true },
  { says: 'the pack changed or was withdrawn', when: (k) => k.hasPack && !k.isConfirmed, status: 'check', isNamed: (k) => k.inherent === 'check' },
  { says: 'the pack leaves it open', when: (k) => k.isAsked, status: 'check', isNamed: true },
  { says: 'a word of the pack that nobody knows', when: (k) => k.isUnread, status: 'check', isNamed: true },
  { says: 'clean only with a certificate, which the pack lacks', when: (k) => k.lacksCertificate, status: 'check', isNamed: true },
  { says: 'the pack was read and does not name it', when: (k) => k.hasPack, status: 'clear', isNamed: true },
  { says: 'it is often in it, and nobody has read a pack', when: (k) => k.inherent === 'check', status: 'check', isNamed: true },
  { says: 'it is never in it', when: (k) => k.inherent === 'clear', status: 'clear', isNamed: true },
  { says: 'a food of one ingredient', when: (k) => k.isSingle, status: 'clear', isNamed: false },
  { says: 'a product of which nobody has read a pack', when: () => true, status: 'check', isNamed: false },
]; // prettier-ignore

function knownOf(food: Food, substance: Substance, kitchen: Kitchen): Known {
  const inherent = food.allergens[substance] ?? (isTrapped(food, substance) ? 'check' : undefined);
  const pack = packOf(kitchen, food.id);
  const isSingle = food.kind === 'single';
  const isBare = {
    printed: undefined,
    isHeldByWord: false,
    isUnread: false,
    isAsked: false,
    lacksCertificate: false,
  };
  if (!pack) return { inherent, isSingle, hasPack: false, isConfirmed: false, ...isBare };
  const answer = pack.allergens[substance];
  const { asked, held } = wordsOf(pack, kitchen);
  return {
    inherent,
    isSingle,
    hasPack: true,
    isConfirmed: pack.isConfirmed,
    printed: printedOn(pack, substance),
    isHeldByWord: held.has(substance),
    isUnread: isPartlyUnread(pack, kitchen),
    isAsked: answer === 'check' || (answer !== 'none' && asked.has(substance)),
    lacksCertificate:
      inherent === 'check' && isSingle && CERTIFIED_FREE_OF.has(substance) && !pack.certifiedGlutenFree,
  };
}

/** How a food stands to a substance in a kitchen, by the first rule of `STANDINGS` that applies. */
export function standingOf(food: Food, substance: Substance, kitchen: Kitchen): Standing {
  const known = knownOf(food, substance, kitchen);
  const { status, isNamed } = STANDINGS.find(({ when }) => when(known))!;
  return { status, isNamed: typeof isNamed === 'boolean' ? isNamed : isNamed(known) };
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
  if (!pack.isConfirmed || isPartlyUnread(pack, kitchen)) return { status: 'check', isNamed: false };
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
  const { unknown, isForeign } = wordsOf(pack, kitchen);
  if (status === 'check' && isForeign)
    return {
      kind: 'nobody knows',
      words: withTrap(`${which}: it is in a language that nobody here reads`),
      ...of,
    };
  if (status === 'check' && unknown.length > 0)
    return {
      kind: 'nobody knows',
      words: withTrap(`${which}: nobody knows ${unknown.map((word) => `"${word}"`).join(', ')}`),
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
  const words = pack ? wordsOf(pack, kitchen) : null;
  if (said === 'animal' || words?.held.has('animal')) return 'animal';
  if (pack && !pack.isConfirmed && food.kind === 'product') return 'check';
  // What a person said of the pack holds for what was read; a word that nobody knows nobody has read.
  if (pack && isPartlyUnread(pack, kitchen)) return 'check';
  if (said === null && words?.animal === 'animal') return 'animal';
  return food.animal === 'check' && said === null ? 'check' : 'plant';
}
