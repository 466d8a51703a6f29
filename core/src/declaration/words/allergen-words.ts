/** The words by which each law and language wants an allergen named, and the words that already name it in an ingredient. */
import type { Regime, Substance } from '../../food';
import type { Language } from './language';

interface SubstanceWords {
  /** Name printed by each regime, in English. */
  eu: string;
  us: string;
  es: string;
  fr: string;
  de: string;
  /** Words in an ingredient's own name that already refer clearly to it, in every language of the table. */
  named: RegExp;
}

const words = (
  [eu, us, es, fr, de]: readonly [eu: string, us: string, es: string, fr: string, de: string],
  named: RegExp,
): SubstanceWords => ({
  eu,
  us,
  es,
  fr,
  de,
  named,
});

/**
 * A word alone, letters with marks counted as letters: \b takes "é" for a gap. German joins words: there the whole word that
 * holds the stem counts, "Weizenmehl".
 */
const alone = (inner: string, german: string): RegExp =>
  new RegExp(`(?<![\\p{L}])(?:${inner}|\\p{L}*(?:${german})\\p{L}*)(?![\\p{L}])`, 'giu');

export const ALLERGEN_WORDS: Readonly<Record<Substance, SubstanceWords>> = {
  wheat: words(
    ['wheat', 'wheat', 'trigo', 'blé', 'Weizen'],
    alone('wheat|trigo|blé', 'weizen|dinkel|grünkern|seitan'),
  ),
  rye: words(['rye', 'rye', 'centeno', 'seigle', 'Roggen'], alone('rye|centeno|seigle', 'roggen')),
  barley: words(['barley', 'barley', 'cebada', 'orge', 'Gerste'], alone('barley|cebada|orge', 'gerste')),
  oats: words(['oats', 'oats', 'avena', 'avoine', 'Hafer'], alone('oats?|avena|avoine', 'hafer')),
  almond: words(
    ['almonds', 'almonds', 'almendras', 'amandes', 'Mandeln'],
    alone('almonds?|almendras?|amandes?', 'mandel'),
  ),
  hazelnut: words(
    ['hazelnuts', 'hazelnuts', 'avellanas', 'noisettes', 'Haselnüsse'],
    alone('hazelnuts?|avellanas?|noisettes?', 'haseln[uü]ss'),
  ),
  walnut: words(
    ['walnuts', 'walnuts', 'nueces', 'noix', 'Walnüsse'],
    alone('walnuts?|nuez|nueces|noix(?! de (?:coco|cajou|pécan|muscade|macadamia|brésil))', 'waln[uü]ss'),
  ),
  cashew: words(
    ['cashews', 'cashews', 'anacardos', 'noix de cajou', 'Cashewkerne'],
    alone('cashews?|anacardos?|noix de cajou', 'cashew'),
  ),
  pecan: words(
    ['pecans', 'pecans', 'pacanas', 'noix de pécan', 'Pekannüsse'],
    alone('pecans?|pacanas?|noix de pécan', 'pekan'),
  ),
  'brazil-nut': words(
    ['Brazil nuts', 'Brazil nuts', 'nueces de Brasil', 'noix du Brésil', 'Paranüsse'],
    alone('brazil nuts?|(?:nuez|nueces) de brasil|noix du brésil', 'paran[uü]ss'),
  ),
  pistachio: words(
    ['pistachios', 'pistachios', 'pistachos', 'pistaches', 'Pistazien'],
    alone('pistachios?|pistachos?|pistaches?', 'pistazie'),
  ),
  macadamia: words(
    ['macadamia nuts', 'macadamia nuts', 'macadamias', 'noix de macadamia', 'Macadamianüsse'],
    alone('(?:noix de )?macadamias?(?: nuts?)?', 'macadamia'),
  ),
  'pine-nut': words(
    ['pine nuts', 'pine nuts', 'piñones', 'pignons de pin', 'Pinienkerne'],
    alone('pine nuts?|piñón|piñones|pignons?(?: de pin)?', 'pinienkern'),
  ),
  coconut: words(
    ['coconut', 'coconut', 'coco', 'noix de coco', 'Kokosnuss'],
    alone('coconuts?|(?:noix de )?coco', 'kokos'),
  ),
  peanut: words(
    ['peanuts', 'peanuts', 'cacahuetes', 'arachides', 'Erdnüsse'],
    alone('peanuts?|cacahuetes?|arachides?|cacahuètes?', 'erdn[uü]ss'),
  ),
  soy: words(['soya', 'soy', 'soja', 'soja', 'Soja'], alone('soy(?:a|beans?)?(?: beans?)?|soja', 'soja')),
  milk: words(['milk', 'milk', 'leche', 'lait', 'Milch'], alone('milk|leche|lait', 'milch')),
  egg: words(
    ['egg', 'egg', 'huevo', 'œuf', 'Ei'],
    alone('eggs?|huevos?|œufs?|oeufs?', '(?<![\\p{L}])ei(?:er|gelb|weiß)?(?![\\p{L}])|vollei'),
  ),
  fish: words(['fish', 'fish', 'pescado', 'poisson', 'Fisch'], alone('fish|pescado|poisson', 'fisch')),
  crustacean: words(
    ['crustaceans', 'crustacean shellfish', 'crustáceos', 'crustacés', 'Krebstiere'],
    alone('crustaceans?|prawns?|shrimps?|crab|crustáceos?|crustacés?', 'krebs|garnele'),
  ),
  mollusc: words(
    ['molluscs', 'molluscs', 'moluscos', 'mollusques', 'Weichtiere'],
    alone('molluscs?|moluscos?|mollusques?', 'weichtier'),
  ),
  celery: words(['celery', 'celery', 'apio', 'céleri', 'Sellerie'], alone('celery|apio|céleri', 'sellerie')),
  mustard: words(
    ['mustard', 'mustard', 'mostaza', 'moutarde', 'Senf'],
    alone('mustard|mostaza|moutarde', 'senf'),
  ),
  sesame: words(['sesame', 'sesame', 'sésamo', 'sésame', 'Sesam'], alone('sesame|sésamo|sésame', 'sesam')),
  sulphites: words(
    ['sulphites', 'sulfites', 'sulfitos', 'sulfites', 'Sulfite'],
    alone(
      'sulph?ites?|sulphur dioxide|sulfur dioxide|sulfitos?|dióxido de azufre|anhydride sulfureux',
      'sulfit|schwefeldioxid',
    ),
  ),
  lupin: words(
    ['lupin', 'lupin', 'altramuces', 'lupin', 'Lupinen'],
    alone('lupin|altramuz|altramuces', 'lupine'),
  ),
};

/** The printed name of a substance in a regime and a language. */
export function allergenWord(substance: Substance, regime: Regime, language: Language = 'en'): string {
  const of = ALLERGEN_WORDS[substance];
  return language === 'en' ? of[regime] : of[language];
}
