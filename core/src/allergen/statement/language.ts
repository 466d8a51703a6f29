/** What the grammar of a language of pack statements is made of; its words are those of the dictionary. */
import type { WordLanguage } from '../words';

export interface StatementLanguage {
  id: WordLanguage;
  name: string;
  /** Whether stems stand inside longer words ("Vollkornweizenmehl"); elsewhere they begin one. */
  isCompounding: boolean;
  /** Words that no English statement holds: one of them and the text is read in this language too. */
  tellTale: readonly string[];
  /** A sentence with this says what may be in it. */
  may: RegExp;
  /** Where a "may contain" begins inside a sentence. */
  mayStart: RegExp;
  /** Claims of freedom, taken out before reading; group 1 is what it is free from. */
  free: readonly RegExp[];
  /** What says that a claim of freedom is not made: "nicht glutenfrei", "non adatto ai celiaci". */
  denied: RegExp;
  notVegan: RegExp;
}
