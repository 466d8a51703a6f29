/** What a language of pack statements is made of. The tables of each stand in a file of its own, to read and edit by hand. */
import { type Substance, US_TREE_NUTS } from '../../food';

/** Words and what they mean. In German a stem may stand anywhere in a word ("Vollkornweizenmehl"), elsewhere it begins one. */
export interface LanguageTerm {
  /** Folded: lower case, no accents, "ss" for "ß". */
  stems: readonly string[];
  substances: readonly Substance[];
  status: 'contains' | 'check';
}

export interface StatementLanguage {
  id: 'de' | 'fr' | 'es' | 'it';
  name: string;
  /** Whether stems stand inside longer words. */
  isCompounding: boolean;
  /** Words that no English statement holds: one of them and the text is read in this language too. */
  tellTale: readonly string[];
  /** A sentence with this says what may be in it. */
  may: RegExp;
  /** Where a "may contain" begins inside a sentence. */
  mayStart: RegExp;
  /** Claims of freedom, taken out before reading; group 1 is what it is free from. */
  free: readonly RegExp[];
  /** Names that hold an allergen's word and are not it; what they do hold, where they hold something. */
  harmless: readonly (readonly [name: string, substances: readonly Substance[]])[];
  terms: readonly LanguageTerm[];
  animal: readonly string[];
  animalCheck: readonly string[];
  notVegan: RegExp;
}

/** Letters as they are compared: lower case, no accents, "ss" and "oe" written out. */
export const folded = (text: string): string =>
  text
    .toLowerCase()
    .replace(/ß/g, 'ss')
    .replace(/œ/g, 'oe')
    .replace(/æ/g, 'ae')
    .normalize('NFD')
    .replace(/\p{M}/gu, '');

/** A row of a table: substances, words parted by bars. */
export const says = (
  substances: string,
  stems: string,
  status: 'contains' | 'check' = 'contains',
): LanguageTerm => ({ substances: substances.split(' ') as Substance[], stems: stems.split('|'), status });

/** "Nuts" that are not named may be any of them. */
export const TREE_NUTS = US_TREE_NUTS.join(' ');
/** Cereals containing gluten. */
export const GLUTEN = 'wheat rye barley oats';
