/** Italian statements. Names of Regulation (EU) 1169/2011 Annex II in its Italian text, and what packs derive from them. */
import type { StatementLanguage } from './language';

export const ITALIAN: StatementLanguage = {
  id: 'it',
  name: 'Italian',
  isCompounding: false,
  tellTale: ['puo', 'possono', 'contenere', 'contiene', 'ingredienti', 'tracce', 'acqua', 'zucchero', 'olio', 'senza', 'prodotto in', 'stabilimento', 'uova', 'uovo', 'frumento', 'arachidi', 'frutta a guscio', 'sedano', 'senape', 'soia', 'degli', 'delle', 'della', 'nocciol*', 'mandorl*', 'frumento*', 'segale*', 'arachid*', 'formaggi*', 'anacardi*', 'pistacchi*', 'burro*'],
  may: /\bpuo (?:anche )?contenere\b|\bpossono contenere\b|\btracce\b|\bpossibile presenza\b|\b(?:prodotto|lavorato|confezionato) in\b|\b(?:stabilimento|impianto|linea|laboratorio)\b.*\b(?:utiliz|lavora|tratta|manipol|usa)|\bnon (?:si )?(?:puo|possiamo) (?:garantire|escludere)|\bnon adatto a .*allergi/,
  mayStart: /(?=\bpuo (?:anche )?contenere\b)|(?=\bpossono contenere\b)|(?=\bpossibile presenza\b)/,
  free: [/\b(?:senza|privo di|non contiene)\s+([^.;()]{2,60})/g],
  denied: /\bnon (?:e )?(?:privo|senza|garantito)\b/,
  notVegan: /\bnon (?:e )?adatto ai vegan|\bnon vegan/,
}; // prettier-ignore
