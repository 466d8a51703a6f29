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
import { mendedText, mendedWord } from './ocr';
import { readInLanguages } from './read-languages';
import { ANIMAL_TERMS, HARMLESS_NAMES, NAMED_WITHIN, STATEMENT_TERMS } from './statement-terms';

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
  /** Emphasised words nobody knows: the pack stresses them, so they may be an allergen. */
  unknownStress: string[];
  /** Allergens the pack says it is free from; shown to the reader, never used to clear. */
  claims: string[];
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
  /\b(?:(?:may|might|could|can) (?:also |possibly |still )?(?:contain|be present|have)|may be present|possibly contains?|possible (?:traces?|presence)|traces?(?: of|\s*:)|may have traces|(?:made|produced|packed|packaged|processed|manufactured|prepared|handled|stored|bottled)\b[^.]{0,20}\b(?:in|on|at|alongside|near|where|using)\b[^.]{0,60}\b(?:handles?|handling|uses?|used|process(?:es|ing)?|contains?|containing|works?|lines?|factory|facility|equipment|environment|site|kitchen|bakery)|not suitable for|(?:cannot|can not|can't|not able to|unable to) (?:be )?guarantee|no guarantee|not guaranteed|shared (?:equipment|lines?|facilit)|cross[- ]contamination|cross[- ]contact|also (?:handles?|process(?:es)?|uses?))/i;
/** Where a freedom is promised it is a claim; where it cannot be promised it is a warning. */
const NO_PROMISE =
  /\b(?:cannot|can not|can't|not able to|unable to|no guarantee|not guaranteed|not suitable)\b/i;
const FREE_ONE = /\b([a-z]+)[ -]free\b/gi;
const FREE_LIST =
  /\b(?:free from|free of|contains? no|without|no added|does not contain|(?<!not )suitable for)\s*:?\s+([^.;()\n]{2,120})/gi;
/** Every allergen the law names: "uses all 14 allergens". */
const ALL_OF_THEM =
  /\ball (?:of the )?(?:14|fourteen|9|nine|major|main|other|known)? ?(?:major |food |main )?allergens?\b|\ball (?:14|fourteen)\b|\b14 allergens\b/i;
/** The word before "free" that is one: "gluten-free oats" stays oats. */
const STRESSED = /<(?:b|strong|em|u)>([^<]+)<\/(?:b|strong|em|u)>|\*\*([^*]+)\*\*|__([^_]+)__/gi;
const ALL_CAPS = /(?<![\p{L}\d])\p{Lu}{3,}(?:[ -]\p{Lu}{2,})*(?![\p{L}])/gu;
/** Capitals that packs use without stressing an allergen. */
const PLAIN_CAPS = new Set(
  'ingredients allergens allergy advice contains may contain traces for see in bold uht gmo bpa pgi pdo bio eec dna ph organic produce best before storage nutrition warning'.split(
    ' ',
  ),
);

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

for (const { words, substances, status } of STATEMENT_TERMS)
  for (const word of words) learn(word, { substances, status });
for (const name of HARMLESS_NAMES) {
  const within = NAMED_WITHIN[name];
  learn(name, within ? { substances: within, status: 'contains' } : { substances: [], status: 'harmless' });
}
for (const word of ANIMAL_TERMS.animal) learn(word, { substances: [], status: 'animal' });
for (const word of ANIMAL_TERMS.check) learn(word, { substances: [], status: 'animal-check' });

/** Allergens that come from an animal, whatever else is said. */
const FROM_ANIMALS: ReadonlySet<Substance> = new Set(['milk', 'egg', 'fish', 'crustacean', 'mollusc']);

/** Words before a food that comes from an animal otherwise. */
const VEGAN = new Set(['vegan', 'plant', 'dairyfree', 'nondairy', 'substitute', 'mock', 'flax', 'chia']);
/** The same, asked instead of taken, where it would be of an animal. */
const asked = (entry: Entry): Entry =>
  entry.status === 'contains' && entry.substances.some((each) => FROM_ANIMALS.has(each))
    ? { ...entry, status: 'check' }
    : entry;

class Gathering {
  readonly mentions = new Map<Substance, StatementMention>();
  animal: StatementReading['animal'] = null;

  mention(substance: Substance, status: StatementMention['status'], words: string): void {
    const known = this.mentions.get(substance);
    if (!known || isWorse(status, known.status)) this.mentions.set(substance, { substance, status, words });
  }

  fromAnimal(state: 'animal' | 'check', words: string): void {
    if (this.animal?.state !== 'animal')
      this.animal = state === 'animal' || !this.animal ? { state, words } : this.animal;
  }

  take({ substances, status }: Entry, clause: Clause, words: string): void {
    if (status === 'animal' || status === 'animal-check') {
      if (clause.status === 'contains') this.fromAnimal(status === 'animal' ? 'animal' : 'check', words);
      return;
    }
    for (const substance of substances) {
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

/** Emphasised words: bold by mark, or capitals where the rest is not all capitals. */
function stressedWords(text: string): string[] {
  const marked = [...text.matchAll(STRESSED)].map((found) => found[1] ?? found[2] ?? found[3]!);
  const letters = text.replace(/[^\p{L}]/gu, '');
  const upper = letters.replace(/[^\p{Lu}]/gu, '').length;
  const capitals = upper < letters.length * 0.6 ? [...text.matchAll(ALL_CAPS)].map(([word]) => word) : [];
  return [...marked, ...capitals];
}

/** Whether any word of a stressed phrase means an allergen or is known to be harmless. */
function isKnown(stressed: string): boolean {
  const words = nameWords(stressed);
  if (words.every((word) => PLAIN_CAPS.has(word) || /^(?:e ?\d+|\d+.*)$/.test(word))) return true;
  return words.some(
    (word, at) =>
      [1, 2, 3].some((length) => PHRASES.has(words.slice(at, at + length).join(' '))) || PHRASES.has(word),
  );
}

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

/** Takes claims of freedom out of a sentence. A list is one as far as it names what packs are free from. */
function withoutClaims(sentence: string, claims: string[]): string {
  if (NO_PROMISE.test(sentence))
    // "We cannot guarantee that it is nut-free" warns of nuts.
    return sentence.replace(FREE_ONE, (_, name: string) => ` ${name} `);
  return sentence
    .replace(FREE_LIST, (whole, list: string) => {
      const [named = list] = list.split(/\b(?:ingredients?|contains?|made|but|may)\b/i);
      const items = named
        .split(/,|\band\b|\bor\b|\bnor\b|&/i)
        .map((item) => item.trim())
        .filter(Boolean);
      const isList = items.every(isName);
      // What is no list of names is a claim about its first item only: "free from milk, rice flour".
      const claimed = isList ? named : (named.split(/,/)[0] ?? named);
      claims.push(whole.slice(0, whole.length - list.length + claimed.length).trim());
      return ` ${list.slice(claimed.length)}`;
    })
    .replace(FREE_ONE, (whole) => {
      // "milk-free" is a claim; "gluten-free oats" keeps its oats.
      claims.push(whole.trim());
      return ' ';
    });
}

/** Words of the English tables that are something else, or a claim, in another language. */
const OTHER_ELSEWHERE = new Set(['pasta', 'farina', 'gluten']);
/** Words that only an English statement holds. */
const ENGLISH =
  /\b(?:contains?|may contain|ingredients|water|flour|salt|sugar|and|of|with|from|free|traces of|nuts|milk|wheat|eggs?)\b/i;

/** Reads a statement. An empty one mentions nothing, which clears nothing. */
export function readStatement(statement: string): StatementReading {
  const claims: string[] = [];
  const marked = statement
    .replace(/<\/?(?:b|strong|em|u|i)>/gi, '')
    .replace(/\*\*|__/g, '')
    .replace(/&amp;/g, '&')
    // A list goes on in the next line.
    .replace(/((?:\b(?:of|and|or|contains?))|[,:])\s*\n\s*/gi, '$1 ')
    .replace(/\begg[- ]free (mayonnaise|mayo|noodles?|pasta|quiche)\b/gi, 'vegan $1');
  const plain = mendedText(
    marked.replace(/\be ?-?(\d{3,4})\b/gi, 'e$1').replace(/\bso ?2\b/gi, 'sulphur dioxide'),
  );
  const gathering = new Gathering();
  const sentences = plain.split(/(?<=[.;\n])/).map((each) => withoutClaims(each, claims));
  const other = readInLanguages(plain);
  // "Pasta" and "farina" are other things in Italian: English is read where the words are English.
  const isEnglish = other.languages.length === 0 || ENGLISH.test(plain);
  const english = new Gathering();
  for (const clause of clausesOf(sentences.join(''))) {
    english.read(clause);
    if (ALL_OF_THEM.test(clause.original) && clause.status === 'may-contain')
      for (const substance of EVERY_ALLERGEN) english.mention(substance, 'may-contain', 'all allergens');
  }
  if (/\bnot (?:suitable for|for) (?:\w+ and )?vegans?\b|\bnot vegan\b/i.test(plain))
    gathering.fromAnimal('animal', 'not suitable for vegans');
  const isToldThere = new Set(other.mentions.map(({ substance }) => substance));
  for (const { substance, status, words } of english.mentions.values())
    if (isEnglish || (!isToldThere.has(substance) && !OTHER_ELSEWHERE.has(words)))
      gathering.mention(substance, status, words);
  if (english.animal && isEnglish) gathering.fromAnimal(english.animal.state, english.animal.words);
  for (const { substance, status, words } of other.mentions) gathering.mention(substance, status, words);
  for (const { state, words } of other.animal) gathering.fromAnimal(state, words);
  for (const { substance, status, words } of gathering.mentions.values())
    if (status === 'contains' && FROM_ANIMALS.has(substance)) gathering.fromAnimal('animal', words);
  const order = (one: StatementMention, other_: StatementMention): number =>
    ALLERGEN_STATUSES.indexOf(one.status) - ALLERGEN_STATUSES.indexOf(other_.status) ||
    SUBSTANCES.indexOf(one.substance) - SUBSTANCES.indexOf(other_.substance);
  return {
    mentions: [...gathering.mentions.values()].sort(order),
    animal: gathering.animal,
    unknownStress:
      other.languages.length > 0
        ? []
        : [...new Set(stressedWords(statement))].filter((word) => !isKnown(word)),
    claims: [...(isEnglish ? claims : []), ...other.claims],
    languages: other.languages,
    isForeign: other.isForeign,
  };
}

/** What "all allergens" names: everything of the law's list. */
const EVERY_ALLERGEN: readonly Substance[] = SUBSTANCES.filter((each) => each !== 'coconut');
