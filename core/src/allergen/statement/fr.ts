/** French statements. Names of Regulation (EU) 1169/2011 Annex II in its French text, and what packs derive from them. */
import { GLUTEN, says, type StatementLanguage, TREE_NUTS } from './language';

export const FRENCH: StatementLanguage = {
  id: 'fr',
  name: 'French',
  isCompounding: false,
  tellTale: ['peut', 'contient', 'contenir', 'ingredients :', 'avec', 'sans', 'eau', 'sucre', 'farine', 'huile', 'presence', 'eventuelles', 'eventuelle', 'fabrique', 'atelier', 'utilise', 'utilisant', 'lait', 'oeuf', 'oeufs', 'arachide', 'arachides', 'fruits a coque', 'moutarde', 'graines', 'noisette*', 'amande*', 'avoine*', 'cacahuete*', 'seigle*', 'epeautre*', 'fromage*', 'beurre*', 'pistaches'],
  may: /\bpe(?:ut|uvent) (?:egalement |aussi )?contenir\b|\btraces?\b|\bpresence (?:eventuelle|possible|fortuite)\b|\b(?:fabrique|produit|elabore|conditionne)e?s? (?:dans|sur)\b|\b(?:atelier|usine|ligne|site)\b.*\b(?:utilis|manipul|trait|transform)|\bne peut (?:pas )?(?:etre )?(?:exclu|garantir)|\bne convient pas aux .*allergi/,
  mayStart: /(?=\bpe(?:ut|uvent) (?:egalement |aussi )?contenir\b)|(?=\btraces? (?:eventuelles? |possibles? )?d)|(?=\bpresence (?:eventuelle|possible))/,
  free: [/\b(?:sans|exempte? de|ne contient (?:pas|ni)(?: de)?|garanti sans)\s+([^.;()]{2,60})/g],
  harmless: [
    ['lait de coco', ['coconut']], ['creme de coco', ['coconut']], ['noix de coco', ['coconut']], ["lait d'amande", ['almond']], ["boisson a l'amande", ['almond']], ["lait d'avoine", ['oats']], ['lait de soja', ['soy']], ['creme de soja', ['soy']], ['yaourt au soja', ['soy']], ['lait de riz', []],
    ['beurre de cacahuete', ['peanut']], ["beurre d'amande", ['almond']], ['beurre de cajou', ['cashew']], ['beurre de cacao', []], ['beurre de karite', []],
    ['ble noir', []], ['farine de sarrasin', []], ['farine de riz', []], ['farine de mais', []], ['farine de pois chiche', []], ['farine de caroube', []], ['farine de graines de caroube', []], ['amidon de mais', []], ['amidon de riz', []], ['fecule de pomme de terre', []], ['amidon de tapioca', []],
    ['noix de muscade', []], ['muscade', []], ['acide lactique', []], ['creme de tartre', []], ['haricots beurre', []], ['lecithine de tournesol', []], ['lecithine de colza', []], ['noix de cajou', ['cashew']], ['noix de pecan', ['pecan']], ['noix du bresil', ['brazil-nut']], ['noix de macadamia', ['macadamia']], ['noix de grenoble', ['walnut']],
  ],
  terms: [
    says('wheat', 'ble|epeautre|froment|semoule|boulgour|couscous|seitan|chapelure|kamut|petit epeautre|pain'), says('wheat', 'gluten'), says(GLUTEN, 'cereales contenant du gluten'), says('wheat', 'farine|amidon|pates', 'check'),
    says('rye', 'seigle'), says('barley', 'orge|malt|biere'), says('oats', 'avoine'),
    says('soy', 'soja|tofu|tempeh|miso|tamari|shoyu'), says('soy', 'lecithine|huile vegetale|matiere grasse vegetale', 'check'),
    says('almond', 'amande|massepain|frangipane'), says('almond hazelnut', 'praline|nougat', 'check'), says('hazelnut', 'noisette'), says('walnut', 'cerneaux de noix'), says('cashew', 'cajou'), says('pecan', 'pecan'), says('pistachio', 'pistache'), says('macadamia', 'macadamia'), says('brazil-nut', 'bresil'), says('pine-nut', 'pignon'),
    says(TREE_NUTS, 'fruits a coque|fruit a coque|noix'), says('peanut', 'arachide|cacahuete|cacahouete'), says('coconut', 'coco|coprah'),
    says('milk', 'lait|lactose|lactoserum|petit-lait|beurre|creme|fromage|yaourt|caseine|caseinate|babeurre'),
    says('egg', 'oeuf|albumine|mayonnaise|jaune d’oeuf'), says('fish', 'poisson|anchois|thon|saumon|sardine|nuoc'), says('crustacean', 'crustace|crevette|crabe|homard|langoustine'), says('mollusc', 'mollusque|moule|huitre|calmar|seiche|escargot|poulpe'),
    says('celery', 'celeri'), says('celery mustard', 'epices|epice|bouillon|aromates', 'check'), says('mustard', 'moutarde'), says('sesame', 'sesame|tahin|halva'), says('sulphites', 'sulfite|anhydride sulfureux|dioxyde de soufre|bisulfite|metabisulfite|so2'), says('lupin', 'lupin'),
  ],
  animal: ['miel', 'gelatine', 'saindoux', 'viande', 'poulet', 'boeuf', 'porc', 'jambon', 'lardons', 'cire d’abeille', 'carmin', 'suif'],
  animalCheck: ['vitamine d3', 'mono et diglycerides', 'mono- et diglycerides', 'arome naturel'],
  notVegan: /\bne convient pas aux vegan|\bnon vegan|\bne convient pas aux vegetalien/,
}; // prettier-ignore
