/** Italian statements. Names of Regulation (EU) 1169/2011 Annex II in its Italian text, and what packs derive from them. */
import { GLUTEN, says, type StatementLanguage, TREE_NUTS } from './language';

export const ITALIAN: StatementLanguage = {
  id: 'it',
  name: 'Italian',
  isCompounding: false,
  tellTale: ['puo', 'possono', 'contenere', 'contiene', 'ingredienti', 'tracce', 'acqua', 'zucchero', 'olio', 'senza', 'prodotto in', 'stabilimento', 'uova', 'uovo', 'frumento', 'arachidi', 'frutta a guscio', 'sedano', 'senape', 'soia', 'degli', 'delle', 'della', 'nocciol*', 'mandorl*', 'frumento*', 'segale*', 'arachid*', 'formaggi*', 'anacardi*', 'pistacchi*', 'burro*'],
  may: /\bpuo (?:anche )?contenere\b|\bpossono contenere\b|\btracce\b|\bpossibile presenza\b|\b(?:prodotto|lavorato|confezionato) in\b|\b(?:stabilimento|impianto|linea|laboratorio)\b.*\b(?:utiliz|lavora|tratta|manipol|usa)|\bnon (?:si )?(?:puo|possiamo) (?:garantire|escludere)|\bnon adatto a .*allergi/,
  mayStart: /(?=\bpuo (?:anche )?contenere\b)|(?=\bpossono contenere\b)|(?=\bpossibile presenza\b)/,
  free: [/\b(?:senza|privo di|non contiene)\s+([^.;()]{2,60})/g],
  harmless: [
    ['latte di cocco', ['coconut']], ['crema di cocco', ['coconut']], ['cocco', ['coconut']], ['latte di mandorla', ['almond']], ['bevanda di mandorla', ['almond']], ["latte d'avena", ['oats']], ["bevanda d'avena", ['oats']], ['latte di avena', ['oats']], ['latte di soia', ['soy']], ['bevanda di soia', ['soy']], ['panna di soia', ['soy']], ['latte di riso', []],
    ['burro di cacao', []], ['burro di arachidi', ['peanut']], ["burro d'arachidi", ['peanut']], ['burro di mandorle', ['almond']], ['burro di karite', []],
    ['grano saraceno', []], ['farina di riso', []], ['farina di mais', []], ['farina di ceci', []], ['farina di semi di carrube', []], ['farina di carrube', []], ['amido di mais', []], ['fecola di patate', []], ['amido di tapioca', []], ['noce moscata', []], ['acido lattico', []], ['cremor tartaro', []], ['lecitina di girasole', []], ['lecitina di colza', []], ['granoturco', []], ['granella', []],
    ['noci del brasile', ['brazil-nut']], ['noci pecan', ['pecan']], ['noci macadamia', ['macadamia']], ['noci di macadamia', ['macadamia']], ['pancetta', []], ['pannocchia', []], ['panela', []],
  ],
  terms: [
    says('wheat', 'frumento|grano|farro|semola|bulgur|cuscus|couscous|seitan|kamut|pangrattato|pane|spelta'), says('wheat', 'glutine'), says(GLUTEN, 'cereali contenenti glutine'), says('wheat', 'farina|amido|pasta|fecola', 'check'),
    says('rye', 'segale'), says('barley', 'orzo|malto|birra'), says('oats', 'avena'),
    says('soy', 'soia|tofu|tempeh|miso|tamari|shoyu'), says('soy', 'lecitina|olio vegetale|grassi vegetali|grasso vegetale', 'check'),
    says('almond', 'mandorl|marzapane|amaretto'), says('almond hazelnut', 'torrone|pralin', 'check'), says('hazelnut', 'nocciol|gianduia'), says('walnut', 'noci|noce'), says('cashew', 'anacard'), says('pecan', 'pecan'), says('pistachio', 'pistacch'), says('macadamia', 'macadamia'), says('pine-nut', 'pinoli|pinolo'),
    says(TREE_NUTS, 'frutta a guscio|frutta secca'), says('peanut', 'arachid'),
    says('milk', 'latte|lattosio|siero di latte|siero|burro|panna|formaggi|yogurt|caseina|caseinato|latticello|ricotta|mozzarella|parmigiano|mascarpone'),
    says('egg', 'uovo|uova|albume|tuorlo|maionese|albumina'), says('fish', 'pesce|acciug|alici|tonno|salmone|sardin|merluzzo'), says('crustacean', 'crostace|gamber|granchio|aragosta|scamp'), says('mollusc', 'mollusc|cozz|vongol|calamar|seppi|polpo|ostric|lumach'),
    says('celery', 'sedano'), says('celery mustard', 'spezie|spezia|brodo|aromi', 'check'), says('mustard', 'senape'), says('sesame', 'sesamo|tahin|halva'), says('sulphites', 'solfit|anidride solforosa|biossido di zolfo|bisolfit|metabisolfit|so2'), says('lupin', 'lupin'),
  ],
  animal: ['miele', 'gelatina', 'strutto', 'carne', 'pollo', 'manzo', 'maiale', 'prosciutto', 'lardo', 'cera d’api', 'carminio', 'cocciniglia', 'sego'],
  animalCheck: ['vitamina d3', 'mono e digliceridi', 'aroma naturale'],
  notVegan: /\bnon (?:e )?adatto ai vegan|\bnon vegan/,
}; // prettier-ignore
