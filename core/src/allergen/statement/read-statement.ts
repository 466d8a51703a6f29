/**
 * Reads an ingredient statement as printed on a pack: what it contains, what it may contain, what must be asked. The
 * reading is a proposal for a person to confirm; nothing is cleared by it.
 */
import {
  ALLERGEN_STATUSES,
  type AllergenStatus,
  isWorse,
  nameWords,
  type Substance,
  SUBSTANCES,
} from '../../food';
import { WORD_ROWS } from '../words';
import { mendedText, mendedWord } from './ocr';
import { readInLanguages } from './read-languages';
import { isPlainEnglish, unknownWords } from './unknown-words';

/** What a statement says of one substance, and the words it says it with. */
export interface StatementMention {
  substance: Substance;
  status: Exclude<AllergenStatus, 'clear'>;
  /** The words of the statement: "MALT vinegar". */
  words: string;
}

export interface StatementReading {
  /** Worst first, one a substance. */
  mentions: StatementMention[];
  animal: { state: 'animal' | 'check'; words: string } | null;
  /** Words that no list holds, as they are written: they may be anything till somebody has answered. */
  unknown: string[];
  /** Allergens the pack says it is free from; shown to the reader, never used to clear. */
  claims: string[];
  /** Substances of those claims that nothing in the statement speaks against. */
  free: Substance[];
  /** What is certified, in the words of the pack: "certified gluten-free oats". */
  certified: string[];
  /** Languages beside English it was read in. */
  languages: string[];
  /** It is in a language that is not read here, in whole or in part: a person must read it. */
  isForeign: boolean;
}

interface Clause {
  /** The words between commas and brackets: no name reaches across them ("cashew, butter" is no cashew butter). */
  parts: string[][];
  original: string;
  status: 'contains' | 'may-contain';
}

const MAY =
  /\b(?:(?:may|might|could|can) (?:also |possibly |still )?(?:contain|be present|have)|may be present|possibly contains?|possible (?:traces?|presence)|traces?(?: of|\s*:)|may have traces|(?:made|produced|packed|packaged|processed|manufactured|prepared|handled|stored|bottled|baked|milled|grown)\b[^.]{0,20}\b(?:in|on|at|by|alongside|near|where|using|beside)\b[^.]{0,60}\b(?:handles?|handling|uses?|used|packs?|packing|process(?:es|ing)?|contains?|containing|works?|lines?|factory|facility|equipment|environment|site|kitchen|bakery|mill)|(?:not|never) (?:be )?(?:suitable|recommended|intended|safe|suited|advised|fit|appropriate|meant) (?:for|to)|not for (?:people|persons|anyone|those|coeliacs?|celiacs?|consumption by)|(?:unsuitable|unsafe|inappropriate) (?:for|to)|(?:cannot|can not|can't|not able to|unable to|do not|don't) (?:be )?guaranteed?|no guarantee|not guaranteed|(?:made|milled|grown|packed|stored|produced|processed|handled|prepared) (?:alongside|beside|next to|near|close to)\b|shared (?:equipment|lines?|facilit)|cross[- ]contamination|cross[- ]contact|also (?:handles?|process(?:es)?|uses?|packs?|makes?)|allerg\w+ (?:warning|alert)|warning|avoid (?:if|when)|sufferers should avoid)/i;
/** Where a freedom is promised it is a claim; where it cannot be promised, or is denied, it is a warning. */
const NO_PROMISE =
  /\b(?:cannot|can not|can't|not able to|unable to|no guarantee|not guaranteed|not suitable|unsuitable|unsafe|not safe|no longer|not|never|isn't|aren't|nearly|almost|virtually|practically|except|apart from|unless|if|sometimes|usually)\b[^.;]*\b(?:[a-z]+[ -]free|free (?:from|of)|without)\b|\b(?:cannot|can't|no guarantee|not guaranteed|not suitable|unsuitable)\b|\bfree\b[^.;]{0,30}\b(?:except|apart from|unless|but not|on request)\b|\bfree\s*:\s*no\b|\bfree\s*\?/i;
/** "Not suitable for coeliacs" warns of gluten. */
const NOT_FOR_COELIACS =
  /\b(?:not|never|unsuitable|unsafe|inappropriate|avoid)\b[^.;]*\bc(?:o?e)liacs?\b|\bc(?:o?e)liacs?\b[^.;]*\b(?:not|never|avoid|unsuitable)\b/i;
const FREE_ONE = /\b([a-z]+)[ -]free\b(?!\s+(?:range|from|of)\b)/gi;
const FREE_LIST =
  /\b(?:free from|free of|contains? no|without|no added|does not contain|(?<!not )suitable for)\s*:?\s+([^.;()\n]{2,120})/gi;
/** Every allergen the law names: "uses all 14 allergens". */
const ALL_OF_THEM =
  /\ball (?:of the )?(?:14|fourteen|9|nine|major|main|other|known)? ?(?:major |food |main )?allergens?\b|\ball (?:14|fourteen)\b|\b14 allergens\b/i;
/** A bracket that only warns says nothing of what stands after it: "oats (may contain milk), almonds". */
const BRACKETS = /\(([^()]*)\)/g;

/** Parts a statement into what it contains and what it may contain. A sentence or bracket ends a "may contain". */
function clausesOf(text: string): Clause[] {
  const warnings: string[] = [];
  const outside = text.replace(BRACKETS, (whole, inside: string) => {
    if (!MAY.test(inside)) return whole;
    warnings.push(inside);
    return ' , ';
  });
  return [...warnings, outside]
    .flatMap((each) =>
      each.split(
        /[.;\n\r]+|(?=\b(?:may|might|could) (?:also |possibly )?contain\b)|(?<!\b(?:may|might|could) |\b(?:may|might|could) (?:also|possibly) |\bpossibly |\b(?:not|which|that) )(?=\bcontains?\s*:)|(?=\ballerg(?:ens?|y advice)\s*:)/i,
      ),
    )
    .map((part) => part.trim())
    .filter(Boolean)
    .map((original) => ({
      original,
      parts: original.split(/[^\p{L}\p{N}\s'’&-]+/u).map(nameWords),
      status: MAY.test(original) ? ('may-contain' as const) : ('contains' as const),
    }));
}

interface Entry {
  substances: readonly Substance[];
  status: 'contains' | 'check' | 'animal' | 'animal-check' | 'harmless';
}

/** Every known phrase by its comparable words, and the longest phrase that begins with a word. */
const PHRASES = new Map<string, Entry[]>();
const LONGEST = new Map<string, number>();

function learn(phrase: string, entry: Entry): void {
  const words = nameWords(phrase);
  const key = words.join(' ');
  const list = PHRASES.get(key);
  if (list) list.push(entry);
  else PHRASES.set(key, [entry]);
  LONGEST.set(words[0]!, Math.max(LONGEST.get(words[0]!) ?? 0, words.length));
}

/** The substances an allergen's law names; an origin is said apart. */
const substancesOf = (holds: readonly string[]): Substance[] =>
  SUBSTANCES.filter((each) => holds.includes(each));
for (const { word, language, certainty, where, holds, source } of WORD_ROWS) {
  if ((language !== 'en' && language !== 'asia') || (where !== 'all' && where !== 'packs')) continue;
  const substances = substancesOf(holds);
  const isSure = certainty === 'surely';
  if (substances.length > 0) learn(word, { substances, status: isSure ? 'contains' : 'check' });
  else if (certainty === 'nothing' || source === 'other-name')
    learn(word, { substances: [], status: 'harmless' });
  if (holds.includes('animal')) learn(word, { substances: [], status: isSure ? 'animal' : 'animal-check' });
}

/** Allergens that come from an animal, whatever else is said. */
const FROM_ANIMALS: ReadonlySet<Substance> = new Set(['milk', 'egg', 'fish', 'crustacean', 'mollusc']);

/** Cereals containing gluten. */
const GLUTEN: readonly Substance[] = ['wheat', 'rye', 'barley', 'oats'];

/** Words before a food that comes from an animal otherwise. */
const VEGAN = new Set(['vegan', 'plant', 'dairyfree', 'nondairy', 'substitute', 'mock', 'flax', 'chia']);
/** The same, asked instead of taken, where it would be of an animal. */
const asked = (entry: Entry): Entry =>
  entry.status === 'contains' && entry.substances.some((each) => FROM_ANIMALS.has(each))
    ? { ...entry, status: 'check' }
    : entry;

class Gathering {
  readonly mentions = new Map<Substance, StatementMention>();
  /** Every one of them, also where another word said it before. */
  readonly every: StatementMention[] = [];
  animal: StatementReading['animal'] = null;
  readonly animals: { state: 'animal' | 'check'; words: string }[] = [];

  mention(substance: Substance, status: StatementMention['status'], words: string): void {
    this.every.push({ substance, status, words });
    const known = this.mentions.get(substance);
    if (!known || isWorse(status, known.status)) this.mentions.set(substance, { substance, status, words });
  }

  fromAnimal(state: 'animal' | 'check', words: string): void {
    this.animals.push({ state, words });
    if (this.animal?.state !== 'animal')
      this.animal = state === 'animal' || !this.animal ? { state, words } : this.animal;
  }

  take({ substances, status }: Entry, clause: Clause, words: string): void {
    if (status === 'animal' || status === 'animal-check') {
      if (clause.status === 'contains') this.fromAnimal(status === 'animal' ? 'animal' : 'check', words);
      return;
    }
    // A warning of gluten is one of every cereal that holds it; a list that names it, of wheat at least.
    const named = words === 'gluten' ? GLUTEN : substances;
    for (const substance of named) {
      if (words === 'gluten' && clause.status === 'contains' && substance !== 'wheat') {
        this.mention(substance, 'check', words);
        continue;
      }
      // "May contain spices" says nothing of what may be in the spices.
      if (clause.status === 'may-contain' && status === 'check') continue;
      this.mention(
        substance,
        clause.status === 'may-contain' ? 'may-contain' : (status as 'contains' | 'check'),
        words,
      );
    }
  }

  read(clause: Clause): void {
    for (const words of clause.parts) this.readPart(words, clause);
  }

  /** A word nobody knows, read as what a scanner may have made of one; a near miss is asked, never taken. */
  private readMended(word: string, clause: Clause): void {
    const mended = mendedWord(word, (phrase) => PHRASES.has(phrase), SINGLE);
    if (!mended) return;
    if (mended.isSure) this.readPart(mended.words, clause);
    else
      for (const each of mended.words)
        for (const entry of PHRASES.get(each) ?? []) {
          const isAsked = entry.status === 'contains' && clause.status === 'contains';
          this.take(isAsked ? { ...entry, status: 'check' } : entry, clause, word);
        }
  }

  private readPart(words: readonly string[], clause: Clause): void {
    for (let at = 0; at < words.length; at += 1) {
      const longest = Math.min(LONGEST.get(words[at]!) ?? 0, words.length - at);
      if (longest === 0) this.readMended(words[at]!, clause);
      for (let length = longest; length > 0; length -= 1) {
        const phrase = words.slice(at, at + length).join(' ');
        const entries = PHRASES.get(phrase);
        if (!entries) continue;
        // "Vegan parmesan" is no milk by its name, and what it is made of is not said.
        const isVegan = at > 0 && VEGAN.has(words[at - 1]!);
        for (const entry of entries) this.take(isVegan ? asked(entry) : entry, clause, phrase);
        at += length - 1;
        break;
      }
    }
  }
}

/** Single words of the tables, for words that a scanner left a letter off. */
const SINGLE = [...PHRASES.keys()].filter((key) => !key.includes(' '));

/** Whether every item of a list is a name of the tables or a thing packs are commonly free from. */
const COMMON_CLAIMS = new Set([
  'gmo',
  'dairy',
  'preservative',
  'colour',
  'color',
  'flavouring',
  'additive',
  'artificial',
  'nut',
  'palm',
  'sugar',
  'salt',
  'animal',
  'ingredient',
  'product',
  'any',
  'all',
  'allergen',
]);
const isName = (item: string): boolean => {
  const words = nameWords(item);
  return (
    words.length > 0 &&
    words.length < 5 &&
    (PHRASES.has(words.join(' ')) || words.every((word) => PHRASES.has(word) || COMMON_CLAIMS.has(word)))
  );
};

const ITEM = /,|\band\b|\bor\b|\bnor\b|&/i;
const ENDS_IN_JOINT = /\b(?:and|or|nor)\b[^,]*$|&[^,]*$/i;
/** What only begins a claim for a list that has no joint: "free from: milk, egg, soya". */
const GOVERNS_ALL = /^(?:free (?:from|of)|contains? no)\s*:/i;

/**
 * Takes claims of freedom out of a sentence. A claim reaches as far as the list that it governs: all of it where it names
 * what packs are free from and ends in "and" or "or", else its first item ("no added sugar, hazelnuts, salt").
 */
function withoutClaims(sentence: string, claims: string[]): string {
  // "We cannot guarantee that it is nut-free" warns of nuts.
  if (NO_PROMISE.test(sentence)) {
    const named = sentence.replace(FREE_ONE, (_, name: string) => ` ${name} `);
    return MAY.test(named) ? named : ` may contain ${named}`;
  }
  return sentence
    .replace(FREE_LIST, (whole, list: string) => {
      const [named = list] = list.split(/\b(?:ingredients?|contains?|made|but|may|with)\b/i);
      const items = named
        .split(ITEM)
        .map((item) => item.trim())
        .filter(Boolean);
      const isGoverned = !named.includes(',') || ENDS_IN_JOINT.test(named) || GOVERNS_ALL.test(whole);
      const isList = isGoverned && items.every(isName);
      // What is no list of names is a claim about its first item only: "free from milk, rice flour".
      const claimed = isList ? named : (named.split(/,|\band\b|\bor\b/i)[0] ?? named);
      claims.push(whole.slice(0, whole.length - list.length + claimed.length).trim());
      return ` ${list.slice(claimed.length)}`;
    })
    .replace(FREE_ONE, (whole) => {
      // "milk-free" is a claim; "gluten-free oats" keeps its oats.
      claims.push(whole.trim());
      return ' ';
    });
}

/** What some claims are about: "nut-free" is every nut, "dairy free" milk. */
function claimedIn(claims: readonly string[]): Substance[] {
  const named = claims.flatMap((claim) => {
    const words = nameWords(claim.replace(/-/g, ' '));
    return words.flatMap((word, at) =>
      [3, 2, 1].flatMap((length) =>
        (PHRASES.get(words.slice(at, at + length).join(' ')) ?? [])
          .filter(({ status }) => status === 'contains')
          .flatMap(({ substances }) => (word === 'gluten' ? GLUTEN : substances)),
      ),
    );
  });
  return SUBSTANCES.filter((each) => named.includes(each));
}

const CERTIFIED = /\bcertified(?: as)?(?: gluten[- ]free| organic| vegan)[a-z ]*/gi;

/** Words of the English tables that are something else, or a claim, in another language. */
const OTHER_ELSEWHERE = new Set(['pasta', 'farina', 'gluten']);
/** Words that only an English statement holds. */
const ENGLISH =
  /\b(?:contains?|may contain|ingredients|water|flour|salt|sugar|and|of|with|from|free|traces of|nuts|milk|wheat|eggs?)\b/i;

/** A statement as its words are read: no marks, letters a scanner took for others mended, lists joined over line ends. */
function plainOf(statement: string): string {
  const marked = statement
    // Letters of full width are letters.
    .normalize('NFKC')
    .replace(/<\/?(?:b|strong|em|u|i)>/gi, '')
    .replace(/\*\*|__/g, '')
    .replace(/&amp;/g, '&')
    .replace(/\u00ad|[\u200b-\u200d\u2060\ufeff]/g, '')
    // A list goes on in the next line.
    .replace(/((?:\b(?:of|and|or|contains?))|[,:])\s*\n\s*/gi, '$1 ')
    .replace(/\begg[- ]free (mayonnaise|mayo|noodles?|pasta|quiche)\b/gi, 'vegan $1');
  return mendedText(marked.replace(/\be ?-?(\d{3,4})\b/gi, 'e$1').replace(/\bso ?2\b/gi, 'sulphur dioxide'));
}

/** What English says of a statement. */
function readInEnglish(plain: string, claims: string[]): Gathering {
  const english = new Gathering();
  const sentences = plain.split(/(?<=[.;!?\n])/).map((each) => withoutClaims(each, claims));
  for (const clause of clausesOf(sentences.join(''))) {
    english.read(clause);
    if (ALL_OF_THEM.test(clause.original) && clause.status === 'may-contain')
      for (const substance of EVERY_ALLERGEN) english.mention(substance, 'may-contain', 'all allergens');
    if (NOT_FOR_COELIACS.test(clause.original))
      for (const substance of GLUTEN) english.mention(substance, 'may-contain', 'coeliacs');
  }
  if (
    /\b(?:not|un)\s?(?:suitable for|for) (?:\w+ and )?vegans?\b|\bnot vegan\b|\bnon[- ]vegan\b/i.test(plain)
  )
    english.fromAnimal('animal', 'not suitable for vegans');
  return english;
}

/** Whether a folded word is read as English: as it is, or as what a scanner made of one. */
const isEnglishWord = (word: string): boolean =>
  isPlainEnglish(word) ||
  PHRASES.has(nameWords(word).join(' ')) ||
  mendedWord(word, (phrase) => PHRASES.has(phrase), SINGLE)?.isSure === true;
const LONGEST_PHRASE = Math.max(...LONGEST.values());
const order = (one: StatementMention, other: StatementMention): number =>
  ALLERGEN_STATUSES.indexOf(one.status) - ALLERGEN_STATUSES.indexOf(other.status) ||
  SUBSTANCES.indexOf(one.substance) - SUBSTANCES.indexOf(other.substance);

/** Reads a statement. An empty one mentions nothing, which clears nothing. */
export function readStatement(statement: string): StatementReading {
  const claims: string[] = [];
  const plain = plainOf(statement);
  const gathering = new Gathering();
  const other = readInLanguages(plain, isEnglishWord, (clause) => MAY.test(clause));
  // "Pasta" and "farina" are other things in Italian: English is read where the words are English.
  const isEnglish = other.languages.length === 0 || ENGLISH.test(plain);
  const english = readInEnglish(plain, claims);
  // What is only asked there may be surely so in English.
  const isToldThere = new Set(
    other.mentions.filter(({ status }) => status !== 'check').map(({ substance }) => substance),
  );
  const isElsewhere = (words: string): boolean => OTHER_ELSEWHERE.has(words) || other.inPhrases.has(words);
  // A name of several English words is no word of another language.
  const isOnlyEnglish = (words: string): boolean => words.includes(' ');
  for (const { substance, status, words } of english.every)
    if (isEnglish || isOnlyEnglish(words) || (!isToldThere.has(substance) && !isElsewhere(words)))
      gathering.mention(substance, status, words);
  for (const { state, words } of english.animals)
    if (isEnglish || isOnlyEnglish(words) || !isElsewhere(words)) gathering.fromAnimal(state, words);
  for (const { substance, status, words } of other.mentions) gathering.mention(substance, status, words);
  for (const { state, words } of other.animal) gathering.fromAnimal(state, words);
  for (const { substance, status, words } of gathering.mentions.values())
    if (status === 'contains' && FROM_ANIMALS.has(substance)) gathering.fromAnimal('animal', words);
  const said = new Set(gathering.mentions.keys());
  const free = [...(isEnglish ? claimedIn(claims) : []), ...other.free];
  return {
    mentions: [...gathering.mentions.values()].sort(order),
    animal: gathering.animal,
    unknown: unknownWords(plain, {
      isPhrase: (phrase) => PHRASES.has(phrase),
      longest: LONGEST_PHRASE,
      languages: other.ids,
      taken: other.taken,
    }),
    claims: [...(isEnglish ? claims : []), ...other.claims],
    free: SUBSTANCES.filter((each) => free.includes(each) && !said.has(each)),
    certified: [...plain.matchAll(CERTIFIED)].map(([words]) => words.trim()),
    languages: other.languages,
    isForeign: other.isForeign,
  };
}

/** What "all allergens" names: everything of the law's list. */
const EVERY_ALLERGEN: readonly Substance[] = SUBSTANCES.filter((each) => each !== 'coconut');
