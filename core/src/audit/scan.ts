/** Finds every mention of a food, a product or an allergen in a text, however it is spelt, joined or bent. */
import { FROM_ANIMALS as ANIMAL_ALLERGENS, type Reach, TELLING_WORDS } from '../allergen';
import { bitsOf, nameWords, type SubstanceBits } from '../food';
import { isFormWord } from '../recipe';
import { isPlainDenial } from './absence';
import { foreignAt, tonguesAt } from './foreign';
import { type Frame, frameOf, isPlaceOfWork, isVerb, PLAIN_FRAME } from './frames';
import type { Entry, Lexicon } from './lexicon';
import { isFoodPlaceWord, isPlain } from './ordinary';
import { misspelt } from './spelling';
import { type Token, tokensOf } from './tokens';

export interface Found {
  /** The name as it is kept: "walnut". */
  key: string;
  /** As it is written, and where. */
  text: string;
  from: number;
  to: number;
  contains: SubstanceBits;
  check: SubstanceBits;
  own: number;
  foodIds: readonly string[];
  /** Read through a misspelling, or in a food's place and known to nobody: then it may be anything. */
  kind: 'named' | 'misspelt' | 'unknown';
  frame: Frame;
}

/** A text is an ingredient line, a name (the title, a heading), or prose: a step, a note. */
export type TextKind = 'line' | 'name' | 'prose';

const reaches = (reach: Reach, kind: TextKind): boolean =>
  reach === 'anywhere' || kind === 'line' || (reach === 'names' && kind === 'name');

/** Bases a plant milk, cream, butter, egg or pasta is made of: the word after them means no animal food and no wheat. */
const PLANT_BASES = new Set(
  (
    'almond cashew hazelnut walnut pistachio macadamia pecan brazil peanut nut seed sunflower pumpkin hemp flax flaxseed linseed chia ' +
    'oat oats soy soya soybean rice pea coconut tofu tahini sesame cocoa cacao shea apple bean chickpea lentil quinoa spelt tiger ' +
    'aquafaba millet corn maize buckwheat sorghum teff chestnut potato cassava tapioca lupin gram besan mung'
  ).split(' '),
);
const MADE_OF_MILK = new Set(
  'milk cream butter cheese yoghurt yogurt curd parmesan feta ricotta mozzarella creme fraiche mayo mayonnaise buttermilk custard'.split(
    ' ',
  ),
);
const MADE_OF_GRAIN = new Set(
  'pasta noodle flour spaghetti macaroni penne fusilli bread cracker tortilla wrap couscous crumb'.split(' '),
);
const GRAIN_BASES = new Set(
  'rice corn maize chickpea lentil pea bean quinoa buckwheat sorghum teff chestnut potato cassava tapioca lupin gram besan mung almond coconut millet oat soya soy hemp'.split(
    ' ',
  ),
);
const EGG_BASES = new Set('flax flaxseed linseed chia tofu aquafaba chickpea'.split(' '));

/** Whether what stands before a word says that it is no animal food and no wheat: "cashew cream", "rice pasta", "flax egg". */
function isOfPlants(tokens: readonly Token[], at: number): boolean {
  const token = tokens[at]!;
  const previous = tokens[at - 1];
  if (!previous || token.gap === 'stop' || token.gap === 'break') {
    // 2 chia "eggs"
    if (!(previous && token.isQuoted && token.gap === 'break')) return false;
  }
  if (token.key === 'egg' || token.key === 'egg white') return EGG_BASES.has(previous!.key);
  if (MADE_OF_MILK.has(token.key)) return PLANT_BASES.has(previous!.key);
  return MADE_OF_GRAIN.has(token.key) && GRAIN_BASES.has(previous!.key);
}

interface Hit {
  start: number;
  end: number;
  entry: Entry;
  kind: Found['kind'];
}

function longestAt(tokens: readonly Token[], at: number, lexicon: Lexicon): Hit | null {
  const longest = lexicon.longest(tokens[at]!.key);
  if (longest === 0) return null;
  let reach = 1;
  while (reach < longest && at + reach < tokens.length) {
    const { gap } = tokens[at + reach]!;
    if (gap === 'break' || gap === 'stop') break;
    reach += 1;
  }
  let key = '';
  const keys: string[] = [];
  for (let length = 1; length <= reach; length += 1) {
    key = length === 1 ? tokens[at]!.key : `${key} ${tokens[at + length - 1]!.key}`;
    keys.push(key);
  }
  for (let length = reach; length > 0; length -= 1) {
    const entry = lexicon.entry(keys[length - 1]!);
    if (!entry) continue;
    // "In a bun tin": its last word begins a longer name. Where both tell something ("monkey nuts topping"), both count.
    const last = length > 1 ? longestAt(tokens, at + length - 1, lexicon) : null;
    const isCut = last !== null && last.end > at + length;
    if (isCut && !(telling(entry) && telling(last.entry))) continue;
    return { start: at, end: at + length - (isCut ? 1 : 0), entry, kind: 'named' };
  }
  return null;
}

/** The words a bent one may come from: "buttered", "floured", "creamed", "nutless". */
function stemsOf(word: string): string[] {
  const stems: string[] = [];
  const bare = (ending: string): string | null =>
    word.length > ending.length + 2 && word.endsWith(ending) ? word.slice(0, -ending.length) : null;
  for (const ending of ['ed', 'ing', 'less']) {
    const stem = bare(ending);
    if (stem === null) continue;
    stems.push(stem, `${stem}e`);
    if (stem.length > 3 && stem.at(-1) === stem.at(-2)) stems.push(stem.slice(0, -1));
  }
  return stems;
}

const telling = (entry: Entry | null): boolean =>
  entry?.meaning != null && (entry.meaning.contains | entry.meaning.check) !== 0;

function bent(token: Token, lexicon: Lexicon): Entry | null {
  if (!/(?:ed|ing|less)$/.test(token.word)) return null;
  for (const stem of stemsOf(token.word)) {
    const entry = lexicon.entry(stem);
    if (telling(entry) && entry!.meaning!.reach === 'anywhere') return entry;
  }
  return null;
}

const LONG_WORDS = new RegExp(
  [...TELLING_WORDS]
    .filter((word) => word.length >= 5)
    .sort((one, other) => other.length - one.length)
    .join('|'),
);
/** Shorter ones count inside a joined word only where the rest of it is a word too. */
const SHORT_WORDS = TELLING_WORDS.filter((word) => word.length >= 3 && word.length < 5);

/** "peanutbutter", "almondmilk", "soyasauce": words written as one. */
function joined(word: string, lexicon: Lexicon): Entry | null {
  if (word.length < 6) return null;
  const found = LONG_WORDS.exec(word);
  if (found) return lexicon.entry(found[0]);
  for (const short of SHORT_WORDS) {
    const rest = word.startsWith(short)
      ? word.slice(short.length)
      : word.endsWith(short)
        ? word.slice(0, -short.length)
        : '';
    if (rest.length >= 3 && (lexicon.isKnown(rest) || isFormWord(rest))) return lexicon.entry(short);
  }
  return null;
}

function hitAt(tokens: readonly Token[], at: number, lexicon: Lexicon, kind: TextKind): Hit | null {
  const exact = longestAt(tokens, at, lexicon);
  if (exact) return exact;
  const token = tokens[at]!;
  const isEnglish = isPlain(token.word) || isPlain(token.key) || lexicon.isKnown(token.key);
  const tongues = tonguesAt(tokens, at);
  const foreign = tongues.size > 0 ? foreignAt(tokens, at, isEnglish && kind === 'line', tongues) : null;
  if (foreign) return { ...foreign, start: at, kind: 'named' };
  const one = (entry: Entry, kind: Found['kind'] = 'named', end = at + 1): Hit => ({
    start: at,
    end,
    entry,
    kind,
  });
  const next = tokens[at + 1];
  if (next?.gap === 'hyphen') {
    const entry = lexicon.entry(token.key + next.key) ?? lexicon.entry(token.word + next.key);
    if (entry) return one(entry, 'named', at + 2);
  }
  const stem = bent(token, lexicon);
  if (stem) return one(stem);
  if (isEnglish) return null;
  const within = joined(token.word, lexicon);
  if (within) return one(within);
  const strange = foreignAt(tokens, at, false, null);
  if (strange) return { ...strange, start: at, kind: 'named' };
  const near = misspelt(token.key);
  const entry = near === null ? null : lexicon.entry(near);
  return entry ? one(entry, 'misspelt') : null;
}

const FROM_ANIMALS = bitsOf(['animal', 'milk', 'egg', 'fish', 'crustacean', 'mollusc']);
const GLUTEN = bitsOf(['wheat', 'rye', 'barley', 'oats']);
const ANIMAL_WORDS = /^(?:egg|milk|butter|cheese|cream|meat|chicken|beef|bacon|fish|honey|ham|pork|tuna)/;

function foundFrom(
  hit: Hit,
  tokens: readonly Token[],
  text: string,
  kind: TextKind,
  starts: ReadonlyMap<number, number>,
): Found | null {
  const { start, end, entry } = hit;
  const meaning = entry.meaning && reaches(entry.meaning.reach, kind) ? entry.meaning : null;
  if (!meaning && entry.foodIds.length === 0 && entry.own === 0) return null;
  if (end === start + 1 && (kind !== 'line' || start === 0) && isVerb(tokens, start)) return null;
  if (kind !== 'line' && isPlaceOfWork(tokens, start, end)) return null;
  const isNeutral = end === start + 1 && isOfPlants(tokens, start);
  // "cashew cream": the cream is made of what stands before it, which is a mention of its own.
  if (isNeutral && (kind !== 'line' || start > 0)) return null;
  const frame = frameOf(tokens, start, end, starts);
  const isLike = frame.isVersion || (tokens[start]!.isQuoted && ANIMAL_WORDS.test(entry.key));
  const named = meaning?.contains ?? 0;
  // A plant version has nothing of the animal; "vegan ramen" is wheat all the same. "Almond flavour" may hold none.
  const doubted = frame.isFlavour
    ? named
    : (isLike ? named & FROM_ANIMALS : 0) | (frame.isGrainFree ? named & GLUTEN : 0);
  const isGuess = hit.kind === 'misspelt' && kind !== 'line';
  const contains = isGuess ? 0 : named & ~doubted;
  const isLess = /less$/.test(tokens[start]!.word) && entry.key !== tokens[start]!.key;
  const from = tokens[start]!.from;
  const to = tokens[end - 1]!.to;
  return {
    key: entry.key,
    text: text.slice(from, to),
    from,
    to,
    contains,
    check: (meaning?.check ?? 0) | (named & ~contains),
    own: entry.own,
    foodIds: entry.foodIds,
    kind: hit.kind,
    frame: isLess ? { ...frame, isAbsent: true } : frame,
  };
}

/** Every mention of a text, in order. `kind` says whether it is an ingredient line or prose. */
export function scan(text: string, kind: TextKind, lexicon: Lexicon): Found[] {
  const tokens = tokensOf(text);
  const hits: Hit[] = [];
  const starts = new Map<number, number>();
  for (let at = 0; at < tokens.length; at += 1) {
    const hit = hitAt(tokens, at, lexicon, kind);
    if (!hit) continue;
    hits.push(hit);
    starts.set(hit.end - 1, hit.start);
    at = hit.end - 1;
  }
  const found: Found[] = [];
  for (const hit of hits) {
    const one = foundFrom(hit, tokens, text, kind, starts);
    if (one) found.push(one);
  }
  for (const place of unknownPlaces(tokens, hits, lexicon, kind)) {
    const { from, to } = tokens[place]!;
    found.push({
      key: tokens[place]!.key,
      text: text.slice(from, to),
      from,
      to,
      contains: 0,
      check: 0,
      own: 0,
      foodIds: [],
      kind: 'unknown',
      frame: frameOf(tokens, place, place + 1, starts),
    });
  }
  for (const said of saidOfAll(tokens, text, starts, kind)) found.push(said);
  return found.sort((one, other) => one.from - other.from);
}

const ANIMAL_BITS = ANIMAL_ALLERGENS | bitsOf(['animal']);
/** "Vegan" and its like: only where it is denied, doubted or asked does it say something of a food. */
const DIETS: ReadonlyMap<string, SubstanceBits> = new Map([
  ['vegan', ANIMAL_BITS],
  ['vegans', ANIMAL_BITS],
]);
const DENIED = new Set(['not', 'non', 'never', 'no', 'isnt', 'arent', 'hardly']);
/** Allergens by the numbers or letters of a key that nobody here has: "Allergens: 1, 3, 7". */
const NUMBERED =
  /\ballerg[a-z]*\b[^.\n]{0,24}:\s*((?:[A-R]|\d{1,2})(?:\s*[,/+&]\s*(?:[A-R]|\d{1,2}))*)(?![\p{L}\d])/giu;

/** What is said of the whole dish and names no food: a diet that is denied, a key of allergens. */
function saidOfAll(
  tokens: readonly Token[],
  text: string,
  starts: ReadonlyMap<number, number>,
  kind: TextKind,
): Found[] {
  const whole = (from: number, to: number, check: SubstanceBits, key: string): Found => ({
    key,
    text: text.slice(from, to),
    from,
    to,
    contains: 0,
    check,
    own: 0,
    foodIds: [],
    kind: check === 0 ? 'unknown' : 'named',
    frame: PLAIN_FRAME,
  });
  const diets = tokens.flatMap(({ word, from, to }, at): Found[] => {
    const bits = DIETS.get(word);
    // In a line it says which product is meant: "a knob of vegan butter".
    const isOfFood = kind === 'line' && /^ /.test(text.slice(to)) && !DENIED.has(tokens[at - 1]?.word ?? '');
    if (bits === undefined || isOfFood || isPlainDenial(tokens, at, at + 1, starts, true)) return [];
    return [whole(from, to, bits, word)];
  });
  const keys = [...text.matchAll(NUMBERED)].map(({ index, 0: said }) =>
    whole(index, index + said.length, 0, nameWords(said).join(' ')),
  );
  return [...diets, ...keys];
}

const PUTS_IN = new Set(
  (
    'add stir fold sprinkle scatter drizzle top topped finish finished garnish garnished serve served dust dusted spread brush ' +
    'crumble toss stuff stuffed fill filled dress dressed season coat coated roll rolled dip dipped glaze glazed marinate marinated'
  ).split(' '),
);
const JOINTS_OF_PROSE = new Set('with over in on some a an the of'.split(' '));
const JOINTS_OF_LINES = new Set('with and plus'.split(' '));

const CLAUSE_HEADS = new Set([
  'and',
  'then',
  'to',
  'or',
  'now',
  'next',
  'finally',
  'gently',
  'slowly',
  'you',
  'we',
  'i',
  'can',
  'could',
  'just',
]);

/** Whether a word that puts something in is a verb where it stands: "the top" puts in nothing. */
function isVerbHere(tokens: readonly Token[], at: number): boolean {
  const { word, gap } = tokens[at]!;
  if (/ed$/.test(word)) return true;
  return at === 0 || gap === 'stop' || gap === 'break' || CLAUSE_HEADS.has(tokens[at - 1]!.word);
}

/**
 * Words in a food's place that nobody knows: what is put in ("add the zorblax", "finish with ruxle"), or what a joint of a
 * line brings ("rice with zorblax"). A place with a known food in it is no doubt.
 */
function unknownPlaces(
  tokens: readonly Token[],
  hits: readonly Hit[],
  lexicon: Lexicon,
  kind: TextKind,
): number[] {
  const isHit = new Set<number>();
  for (const { start, end } of hits) for (let at = start; at < end; at += 1) isHit.add(at);
  const places: number[] = [];
  const joints = kind === 'line' ? JOINTS_OF_LINES : JOINTS_OF_PROSE;
  for (let at = 0; at < tokens.length; at += 1) {
    const { word } = tokens[at]!;
    const isPlace =
      kind === 'line' ? joints.has(word) && at > 0 : PUTS_IN.has(word) && isVerbHere(tokens, at);
    if (!isPlace) continue;
    let first = at + 1;
    if (kind !== 'line')
      while (first < tokens.length && first < at + 4 && joints.has(tokens[first]!.word)) first += 1;
    const strange: number[] = [];
    let isFood = false;
    for (let each = first; each < tokens.length && each < first + 4; each += 1) {
      const { gap, word: next, key } = tokens[each]!;
      if (
        each > first &&
        (gap === 'stop' ||
          gap === 'break' ||
          /^(?:and|or|until|to|for|into|with|on|over|in|at|then)$/.test(next))
      )
        break;
      if (isHit.has(each)) isFood = true;
      else if (!isPlain(next) && !isPlain(key) && !lexicon.isKnown(key) && !isFoodPlaceWord(next))
        strange.push(each);
    }
    if (!isFood && strange.length > 0) places.push(strange[strange.length - 1]!);
  }
  return [...new Set(places)];
}
