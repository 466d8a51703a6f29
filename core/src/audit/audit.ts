/**
 * The audit of a recipe's words. Every mention of a food, a product or an allergen, wherever it stands, must end in one of:
 * taken by an ingredient line, said absent by the text itself, answered "not in it" by a cook, or open. What is open may be
 * in the dish: it is `check` for all it may carry. The audit reads the text for itself and shares nothing with the reader
 * of lines but the dictionaries, so that what the reader overlooks is found here.
 */
import { DISH_NAMES } from '../allergen';
import { ALL_BITS, bitsOf, nameWords, type SubstanceBits, SUBSTANCES, US_TREE_NUTS } from '../food';
import { type Kitchen, packOf } from '../kitchen';
import { type Book, foodIdOf, isFoodSure, type NotIn, type Recipe } from '../recipe';
import { bitsOfFood, Lexicon } from './lexicon';
import { type Found, scan, type TextKind } from './scan';
import { type Written, writtenIn } from './written';

export type PlaceKind = 'title' | 'heading' | 'line' | 'step' | 'note' | 'pack';

/** Where in a recipe a text stands. */
export interface Place {
  kind: PlaceKind;
  /** Counted from 0 among its kind. */
  index: number;
  /** The line's or step's id, the food of a pack; null for the rest. */
  id: string | null;
  text: string;
}

export type MentionEnd = 'line' | 'absent' | 'answered' | 'open';

export interface Mention {
  /** The name as it is kept, and as it is written. */
  name: string;
  text: string;
  /** From and to in the text of its place. */
  from: number;
  to: number;
  place: Place;
  foodIds: readonly string[];
  kind: Found['kind'];
  /** What its words say of the line's own food beyond what the food is known for: "shoyu" is brewed with wheat. */
  added: { contains: SubstanceBits; check: SubstanceBits };
  /** What it holds by its name, and everything it may carry. */
  contains: SubstanceBits;
  bits: SubstanceBits;
  own: number;
  end: MentionEnd;
  /** How it counts while it is open: a line says that it goes in, any other place only names it. */
  status: 'contains' | 'check';
}

interface World {
  recipe: Recipe;
  lexicon: Lexicon;
  written: readonly Written[];
  /** Surely in the dish, at any depth. */
  contained: SubstanceBits;
  /** The same of the list as it is written, before any swap. */
  asWritten: SubstanceBits;
  /** Last words of the names that the title took: "the pâté" of a lentil pâté. */
  ownNames: Set<string>;
}

/** Words for a whole kind of food: "the nuts" are the walnuts of the list. */
const KINDS_OF_FOOD = new Set([
  'nut',
  'mixed nut',
  'cheese',
  'fish',
  'seed',
  'shellfish',
  'chopped nut',
  'noodle',
  'pasta',
  'flour',
]);
/** What only an allergen or an animal makes a question; the rest is the whole-food standard's. */
const NO_QUESTION = bitsOf(['oil', 'refined', 'added-sugar', 'ready-made']);

interface Carried {
  contains: SubstanceBits;
  bits: SubstanceBits;
  own: number;
}

/** Everything a mention may carry: by the dictionary, and by every food it may name. */
function carriedBy(found: Found, { lexicon }: World, book: Book): Carried {
  if (found.kind === 'unknown') return { contains: 0, bits: ALL_BITS, own: -1 };
  const carried: Carried = {
    contains: found.contains,
    bits: found.contains | found.check,
    own: found.own,
  };
  for (const id of found.foodIds) {
    if (book.components.has(id)) return { contains: carried.contains, bits: ALL_BITS, own: -1 };
    const { all, contains, own } = bitsOfFood(id, lexicon);
    carried.bits |= all;
    carried.own |= own;
    // A name of several foods holds surely only what each of them does.
    if (found.foodIds.length === 1 && found.kind === 'named' && !found.frame.isVersion)
      carried.contains |= contains;
  }
  return carried;
}

/** Whether a name ends in another: "oat milk" in "milk", and in one word "blueberry" in "berry". */
const endsIn = (name: string, key: string): boolean =>
  name === key || name.endsWith(` ${key}`) || (key.length > 4 && name.endsWith(key));

/** What a name surely means, whatever pack is bought under it. */
const madeOfByName = (found: Found, { lexicon }: World): SubstanceBits =>
  found.foodIds.reduce(
    (bits, id) =>
      bits | bitsOf(SUBSTANCES.filter((each) => lexicon.foods.foods.get(id)?.allergens[each] === 'contains')),
    found.contains,
  );

/** Whether a mention names the dish itself: "Kitchen tomato sauce", "bring the broth to the boil". */
function isItsOwnName(found: Found, lacks: SubstanceBits, place: Place, { recipe }: World): boolean {
  if (lacks !== 0 || found.own !== 0) return false;
  const isCalled = DISH_NAMES.has(found.key) || DISH_NAMES.has(found.key.split(' ').at(-1)!);
  if (place.kind === 'title' || place.kind === 'heading') return isCalled;
  if (place.kind === 'line' || !isCalled) return false;
  return found.frame.isDefinite || ` ${nameWords(recipe.name).join(' ')} `.includes(` ${found.key} `);
}

/** What is made of plants under these names says so by the plant before it: "lentil pâté", "banana ice cream". */
const MADE_UNDER_A_NAME = bitsOf([
  'milk',
  'egg',
  'fish',
  'animal',
  'soy',
  'mustard',
  'coconut',
  ...US_TREE_NUTS,
]);

/** Seeds that a cracker is pressed and dried of, with no flour. */
const SEED_BASES = new Set(['flax', 'flaxseed', 'linseed', 'chia', 'seed', 'sunflower', 'pumpkin', 'hemp']);
const ANIMAL_NAMES = bitsOf(['milk', 'egg', 'fish', 'animal']);

/**
 * Whether a title or heading names the dish by a plant of its list ("mushroom pâté", "apple butter"), and all that goes in
 * is in the list: every line of it is a food that is known.
 */
function isNamedByPlant(found: Found, place: Place, { recipe, written }: World): boolean {
  if ((place.kind !== 'title' && place.kind !== 'heading') || found.own !== 0) return false;
  // What follows the name begins something else: "potato cheese pie".
  if (
    /^[\s-]*\p{L}/u.test(place.text.slice(found.to)) &&
    !/^\s+(?:with|of|for|from)\b/i.test(place.text.slice(found.to))
  )
    return false;
  const ahead = place.text.slice(0, found.from);
  if (ahead.trim() !== '' && !/\p{L}[\s-]$/u.test(ahead)) return false;
  const before = nameWords(ahead).slice(-1).join('');
  const made = SEED_BASES.has(before || found.key.split(' ')[0]!) && found.key.endsWith('cracker');
  const isMade = made || ((found.contains | found.check) & ~NO_QUESTION & ~MADE_UNDER_A_NAME) === 0;
  if (!isMade || found.kind !== 'named') return false;
  if (!made && (found.contains & ~NO_QUESTION & ~ANIMAL_NAMES) !== 0) return false;
  // "Lentil pâté" may be one name of the dictionary.
  const named = before === '' ? found.key.split(' ').slice(0, -1) : [before];
  const isOfList = written.some(
    ({ lineId, names }) =>
      lineId !== null && names.some((name) => named.some((word) => ` ${name} `.includes(` ${word} `))),
  );
  return isOfList && recipe.lines.every((line) => foodIdOf(line) !== null && isFoodSure(line));
}

/** Whether a line of the dish takes a mention: it names the line's food, or nothing that is not surely in the dish. */
function isTaken(found: Found, carried: Carried, place: Place, world: World): boolean {
  const { isDefinite } = found.frame;
  const { written, contained, asWritten: ofList, recipe } = world;
  const isNamedByTitle = place.kind === 'title' || place.kind === 'heading';
  const mustHold = carried.contains & ~NO_QUESTION;
  if (mustHold !== 0 && found.own === 0 && (mustHold & ~contained) === 0) {
    const rest = carried.bits & ~NO_QUESTION & ~contained;
    if (rest === 0 || isDefinite || isNamedByTitle) return true;
  }
  // A dish keeps its name when its flour is swapped: a shortbread of rice flour is a shortbread.
  // What it makes is not what is bought under that name: the pack of a bought stock says nothing of one that is cooked here.
  const byName = place.kind === 'title' ? mustHold & madeOfByName(found, world) : mustHold;
  if (isItsOwnName(found, byName & ~ofList, place, world)) return true;
  const ownName = found.key.split(' ').at(-1)!;
  if (isNamedByPlant(found, place, world)) {
    if (place.kind === 'title') world.ownNames.add(ownName);
    return true;
  }
  if (isDefinite && found.own === 0 && mustHold === 0 && world.ownNames.has(ownName)) return true;
  for (const { lineId, foodId, names, written: asWritten, contains } of written) {
    if (lineId === null) continue;
    if (found.foodIds.includes(foodId)) return true;
    const isOwnLine = place.kind === 'line' && place.id === lineId;
    const isHeld = (found.contains & ~contains) === 0;
    const mayCall = isDefinite || isNamedByTitle || isOwnLine || isHeld;
    // A mention of the line's own text is its food where the name ends so, and adds nothing that the food is not known for.
    const isCalled =
      names.some((name) => endsIn(name, found.key)) || (!isOwnLine && endsIn(asWritten, found.key));
    if (isCalled && mayCall && (!isOwnLine || isHeld)) return true;
    const isOfKind = KINDS_OF_FOOD.has(found.key) && (contains & carried.bits) !== 0;
    if (isOfKind && (isDefinite || isNamedByTitle)) return true;
  }
  if (place.kind !== 'line') return false;
  const line = recipe.lines.find(({ id }) => id === place.id);
  const foodId = line ? foodIdOf(line) : null;
  // A line that is asked which food it means is to be checked for everything till then: its misspelt name is not asked beside it.
  if (line && foodId !== null && !isFoodSure(line) && found.kind === 'misspelt') return true;
  if (!line || foodId === null || !isFoodSure(line)) return false;
  // What the line's food is flagged for already, by name or by an unread pack, the mention does not add to.
  const own = bitsOfFood(foodId, world.lexicon);
  return (
    (mustHold & ~own.contains) === 0 && (carried.bits & ~NO_QUESTION & ~own.all) === 0 && carried.own === 0
  );
}

function isTakenByPack(found: Found, carried: Carried, place: Place, world: World): boolean {
  const { contains, all } = bitsOfFood(place.id!, world.lexicon);
  if (found.foodIds.includes(place.id!) || found.frame.isVersion || found.kind === 'unknown') return true;
  return (carried.contains & ~NO_QUESTION & ~contains & ~all) === 0;
}

function endOf(found: Found, carried: Carried, place: Place, world: World): MentionEnd {
  if (found.frame.isAbsent || found.frame.isLikeness) return 'absent';
  const isTakenHere =
    place.kind === 'pack'
      ? isTakenByPack(found, carried, place, world)
      : found.kind !== 'unknown' && isTaken(found, carried, place, world);
  if (isTakenHere) return 'line';
  const isAnswered = world.recipe.notIn.some(({ name, text }) => name === found.key && text === place.text);
  return isAnswered ? 'answered' : 'open';
}

/** Every text of a recipe, in the order a cook reads it, and the names of the packs its lines are bought in. */
function placesOf(recipe: Recipe, kitchen: Kitchen): Place[] {
  const headings = [
    ...new Set(recipe.lines.map(({ reading }) => reading.part).filter((part) => part !== '')),
  ];
  const packs = new Map<string, string>();
  for (const line of recipe.lines) {
    const foodId = foodIdOf(line);
    const pack = foodId === null ? null : packOf(kitchen, foodId);
    if (pack) packs.set(foodId!, pack.productName);
  }
  return [
    { kind: 'title', index: 0, id: null, text: recipe.name },
    ...headings.map((text, index): Place => ({ kind: 'heading', index, id: null, text })),
    ...recipe.lines.map(({ id, text }, index): Place => ({ kind: 'line', index, id, text })),
    ...recipe.steps.map(({ id, text }, index): Place => ({ kind: 'step', index, id, text })),
    ...recipe.notes.map((text, index): Place => ({ kind: 'note', index, id: null, text })),
    ...[...packs].map(([id, text], index): Place => ({ kind: 'pack', index, id, text })),
  ];
}

const kindOfText = ({ kind }: Place): TextKind =>
  kind === 'line' ? 'line' : kind === 'title' || kind === 'heading' ? 'name' : 'prose';

const NOTHING_ADDED = { contains: 0, check: 0 };

/** What the words of a line say beyond its food, until somebody has read a pack of it. */
function addedBy(found: Found, place: Place, { recipe, lexicon }: World): Mention['added'] {
  if (
    place.kind !== 'line' ||
    found.contains + found.check === 0 ||
    found.frame.isAbsent ||
    found.frame.isLikeness
  )
    return NOTHING_ADDED;
  const line = recipe.lines.find(({ id }) => id === place.id)!;
  const foodId = foodIdOf(line);
  if (foodId === null || !found.foodIds.includes(foodId)) return NOTHING_ADDED;
  if (packOf(lexicon.kitchen, foodId)?.isConfirmed) return NOTHING_ADDED;
  const { contains, all } = bitsOfFood(foodId, lexicon);
  return { contains: found.contains & ~contains, check: found.check & ~all };
}

function mentionOf(found: Found, place: Place, world: World, book: Book): Mention {
  const carried = carriedBy(found, world, book);
  const isSaid = place.kind === 'line' && !found.frame.isOpenChoice && found.kind !== 'unknown';
  return {
    name: found.key,
    text: found.text,
    from: found.from,
    to: found.to,
    place,
    foodIds: found.foodIds,
    kind: found.kind,
    added: addedBy(found, place, world),
    contains: isSaid ? carried.contains : 0,
    bits: carried.bits,
    own: carried.own,
    end: endOf(found, carried, place, world),
    status: isSaid && carried.contains !== 0 ? 'contains' : 'check',
  };
}

/** Scans are kept: the words of a step do not change while a target is dragged. */
const SCANS = new WeakMap<Book['foods'], Map<string, Found[]>>();
const MOST_SCANS = 20_000;
const LISTS = new WeakMap<Kitchen, number>();
let kitchens = 0;

function scanned(place: Place, lexicon: Lexicon, selfId: string): Found[] {
  let texts = SCANS.get(lexicon.foods);
  if (!texts || texts.size > MOST_SCANS) SCANS.set(lexicon.foods, (texts = new Map()));
  let number = LISTS.get(lexicon.kitchen);
  if (number === undefined) LISTS.set(lexicon.kitchen, (number = kitchens += 1));
  const kind = kindOfText(place);
  const key = `${kind} ${number} ${selfId} ${place.text}`;
  let found = texts.get(key);
  if (!found) texts.set(key, (found = scan(place.text, kind, lexicon)));
  return found;
}

interface Kept {
  book: Book;
  kitchen: Kitchen;
  mentions: readonly Mention[];
}
const KEPT = new WeakMap<Recipe, Kept>();

/** Every mention of a recipe in a kitchen, each with how it ends. */
export function mentionsOf(recipe: Recipe, book: Book, kitchen: Kitchen): readonly Mention[] {
  const kept = KEPT.get(recipe);
  if (kept?.book === book && kept.kitchen === kitchen) return kept.mentions;
  const lexicon = new Lexicon(book.foods, kitchen, recipe.id);
  const written = writtenIn(recipe, { dish: recipe, book, lexicon }, new Set([recipe.id]));
  const contained = written.reduce((bits, each) => bits | each.holds, 0);
  const asWritten = written.reduce((bits, each) => bits | each.contains, 0);
  const world: World = { recipe, lexicon, written, contained, asWritten, ownNames: new Set() };
  const mentions = placesOf(recipe, kitchen).flatMap((place) =>
    scanned(place, lexicon, recipe.isComponent ? recipe.id : '').map((found) =>
      mentionOf(found, place, world, book),
    ),
  );
  KEPT.set(recipe, { book, kitchen, mentions });
  return mentions;
}

/** A mention in a text that a recipe was read from, with its place in that text. */
export interface TextMention {
  text: string;
  from: number;
  to: number;
  foodIds: readonly string[];
  bits: SubstanceBits;
  end: MentionEnd;
}

const WORST_END: readonly MentionEnd[] = ['line', 'absent', 'answered', 'open'];

/** The mentions of a whole text, placed in it, each as the recipe read from it accounts for it. */
export function mentionsInText(
  lines: readonly { text: string; from: number }[],
  recipe: Recipe,
  book: Book,
  kitchen: Kitchen,
): TextMention[] {
  const lexicon = new Lexicon(book.foods, kitchen);
  const mentions = mentionsOf(recipe, book, kitchen);
  const isIngredient = (text: string): boolean =>
    recipe.lines.some((line) => text.includes(line.text) || line.text.includes(text));
  return lines.flatMap(({ text, from }) =>
    scan(text, isIngredient(text) ? 'line' : 'prose', lexicon).map((found): TextMention => {
      const same = mentions.filter(({ name, place }) => name === found.key && place.kind !== 'pack');
      const here = same.filter(({ place }) => text.includes(place.text) || place.text.includes(text));
      const ends = (here.length > 0 ? here : same).map(({ end }) => end);
      const end = [...WORST_END].reverse().find((each) => ends.includes(each)) ?? 'open';
      const bits = (here[0] ?? same[0])?.bits ?? found.contains | found.check;
      return {
        text: found.text,
        from: from + found.from,
        to: from + found.to,
        foodIds: found.foodIds,
        bits,
        end,
      };
    }),
  );
}

/** A cook's word that a name is not in the dish, for every place where it is open now. */
export function saidNotIn(
  recipe: Recipe,
  book: Book,
  kitchen: Kitchen,
  name: string,
  said: { by: string; on: string },
): NotIn[] {
  const texts = mentionsOf(recipe, book, kitchen)
    .filter((mention) => mention.end === 'open' && mention.name === name)
    .map(({ place }) => place.text);
  return [...new Set(texts)].map((text) => ({ name, text, ...said }));
}

/** The words of some recipes that the larder knows by name, and the dictionary does not: what keeps an audit the same later. */
export function knownWords(recipes: readonly Recipe[], book: Book, kitchen: Kitchen): string[] {
  const lexicon = new Lexicon(book.foods, kitchen);
  const words = recipes.flatMap((recipe) => placesOf(recipe, kitchen).flatMap(({ text }) => nameWords(text)));
  return [...new Set(words)].filter((word) => lexicon.isKnown(word)).sort();
}

/** Whether an open mention may carry something that somebody must not have. */
export const isTelling = ({ end, bits, own }: Mention): boolean =>
  end === 'open' && ((bits & ~NO_QUESTION) !== 0 || own !== 0);

/** "step 2", "the title", "line 4": where a mention stands, in a cook's words. */
export function placeWords({ kind, index }: Pick<Place, 'kind' | 'index'>): string {
  if (kind === 'title') return 'the title';
  if (kind === 'heading') return 'a heading';
  if (kind === 'pack') return 'the name of a pack';
  return `${kind} ${index + 1}`;
}
