/**
 * Reads an ingredient statement as printed on a pack: what it contains, what it may contain, what must be asked. The
 * reading is a proposal for a person to confirm; nothing is cleared by it.
 */
import { nameWords } from '../food/names';
import { ANIMAL_TERMS, HARMLESS_NAMES, NAMED_WITHIN, STATEMENT_TERMS } from './statement-terms';
import { ALLERGEN_STATUSES, isWorse, type AllergenStatus } from './status';
import { SUBSTANCES, type Substance } from './substances';

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
}

interface Clause {
  /** The words between commas and brackets: no name reaches across them ("cashew, butter" is no cashew butter). */
  parts: string[][];
  original: string;
  status: 'contains' | 'may-contain';
}

const MAY =
  /\b(?:may (?:also )?contain|traces? of|may have traces|(?:made|produced|packed|processed|manufactured)(?: in| on)?[^.]{0,60}(?:handles?|uses?|processes|contains?|with)|not suitable for|cannot guarantee|shared (?:equipment|line)s?)\b/i;
const FREE =
  /\b(?:free from|free of|contains? no|without|no added|does not contain|(?<!not )suitable for)\s+([^.;,()]{2,60})|\b([a-z]+)[ -]free\b/gi;
/** The word before "free" that is one: "gluten-free oats" stays oats. */
const STRESSED = /<(?:b|strong|em|u)>([^<]+)<\/(?:b|strong|em|u)>|\*\*([^*]+)\*\*|__([^_]+)__/gi;
const ALL_CAPS = /(?<![\p{L}\d])\p{Lu}{3,}(?:[ -]\p{Lu}{2,})*(?![\p{L}])/gu;
/** Capitals that packs use without stressing an allergen. */
const PLAIN_CAPS = new Set(
  'ingredients allergens allergy advice contains may contain traces for see in bold uht gmo bpa pgi pdo bio eec dna ph organic produce best before storage nutrition warning'.split(
    ' ',
  ),
);

/** Parts a statement into what it contains and what it may contain. A sentence or bracket ends a "may contain". */
function clausesOf(text: string): Clause[] {
  return text
    .split(
      /[.;\n\r]+|(?=\bmay (?:also )?contain\b)|(?<!\bmay |\bmay also )(?=\bcontains?\s*:)|(?=\ballerg(?:ens?|y advice)\s*:)/i,
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

  private readPart(words: readonly string[], clause: Clause): void {
    for (let at = 0; at < words.length; at += 1) {
      const longest = Math.min(LONGEST.get(words[at]!) ?? 0, words.length - at);
      for (let length = longest; length > 0; length -= 1) {
        const phrase = words.slice(at, at + length).join(' ');
        const entries = PHRASES.get(phrase);
        if (!entries) continue;
        for (const entry of entries) this.take(entry, clause, phrase);
        at += length - 1;
        break;
      }
    }
  }
}

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

/** Reads a statement. An empty one mentions nothing, which clears nothing. */
export function readStatement(statement: string): StatementReading {
  const claims: string[] = [];
  const plain = statement
    .replace(/<\/?(?:b|strong|em|u|i)>/gi, '')
    .replace(/\*\*|__/g, '')
    .replace(/&amp;/g, '&')
    .replace(/\be ?-?(\d{3,4})\b/gi, 'e$1')
    .replace(FREE, (whole, after: string | undefined, before: string | undefined) => {
      // "milk-free" is a claim; "gluten-free oats" keeps its oats, and "suitable for vegans" is no allergen.
      claims.push(whole.trim());
      return before !== undefined || after !== undefined ? ' ' : whole;
    });
  const gathering = new Gathering();
  for (const clause of clausesOf(plain)) gathering.read(clause);
  for (const { substance, status, words } of gathering.mentions.values())
    if (status === 'contains' && FROM_ANIMALS.has(substance)) gathering.fromAnimal('animal', words);
  const order = (one: StatementMention, other: StatementMention): number =>
    ALLERGEN_STATUSES.indexOf(one.status) - ALLERGEN_STATUSES.indexOf(other.status) ||
    SUBSTANCES.indexOf(one.substance) - SUBSTANCES.indexOf(other.substance);
  return {
    mentions: [...gathering.mentions.values()].sort(order),
    animal: gathering.animal,
    unknownStress: [...new Set(stressedWords(statement))].filter((word) => !isKnown(word)),
    claims,
  };
}
