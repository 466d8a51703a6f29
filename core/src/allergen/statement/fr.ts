/** French statements. Names of Regulation (EU) 1169/2011 Annex II in its French text, and what packs derive from them. */
import type { StatementLanguage } from './language';

export const FRENCH: StatementLanguage = {
  id: 'fr',
  name: 'French',
  isCompounding: false,
  tellTale: ['peut', 'contient', 'contenir', 'ingredients :', 'avec', 'sans', 'eau', 'sucre', 'farine', 'huile', 'presence', 'eventuelles', 'eventuelle', 'fabrique', 'atelier', 'utilise', 'utilisant', 'lait', 'oeuf', 'oeufs', 'arachide', 'arachides', 'fruits a coque', 'moutarde', 'graines', 'noisette*', 'amande*', 'avoine*', 'cacahuete*', 'seigle*', 'epeautre*', 'fromage*', 'beurre*', 'pistaches'],
  may: /\bpe(?:ut|uvent) (?:egalement |aussi )?contenir\b|\btraces?\b|\bpresence (?:eventuelle|possible|fortuite)\b|\b(?:fabrique|produit|elabore|conditionne)e?s? (?:dans|sur)\b|\b(?:atelier|usine|ligne|site)\b.*\b(?:utilis|manipul|trait|transform)|\bne peut (?:pas )?(?:etre )?(?:exclu|garantir)|\bne convient pas aux .*allergi/,
  mayStart: /(?=\bpe(?:ut|uvent) (?:egalement |aussi )?contenir\b)|(?=\btraces? (?:eventuelles? |possibles? )?d)|(?=\bpresence (?:eventuelle|possible))/,
  free: [/\b(?:sans|exempte? de|ne contient (?:pas|ni)(?: de)?|garanti sans)\s+([^.;()]{2,60})/g],
  denied: /\b(?:pas|non)(?: \w+)? (?:sans|exempte?|garantie?)\b|\bpas sans\b/,
  notVegan: /\bne convient pas aux vegan|\bnon vegan|\bne convient pas aux vegetalien/,
}; // prettier-ignore
