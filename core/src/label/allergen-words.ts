/** The words by which each law and language wants an allergen named, and the words that already name it in an ingredient. */
import type { Regime, Substance } from '../allergen/substances';
import type { Language } from './words';

interface SubstanceWords {
  /** Name printed by each regime, in English. */
  eu: string;
  us: string;
  es: string;
  fr: string;
  /** Words in an ingredient's own name that already refer clearly to it, in every language of the table. */
  named: RegExp;
}

const words = (eu: string, us: string, es: string, fr: string, named: RegExp): SubstanceWords => ({
  eu,
  us,
  es,
  fr,
  named,
});

/** A word alone, letters with marks counted as letters: \b takes "é" for a gap. */
const alone = (inner: string): RegExp => new RegExp(`(?<![\\p{L}])(?:${inner})(?![\\p{L}])`, 'giu');

export const ALLERGEN_WORDS: Readonly<Record<Substance, SubstanceWords>> = {
  wheat: words('wheat', 'wheat', 'trigo', 'blé', alone('wheat|trigo|blé')),
  rye: words('rye', 'rye', 'centeno', 'seigle', alone('rye|centeno|seigle')),
  barley: words('barley', 'barley', 'cebada', 'orge', alone('barley|cebada|orge')),
  oats: words('oats', 'oats', 'avena', 'avoine', alone('oats?|avena|avoine')),
  almond: words('almonds', 'almonds', 'almendras', 'amandes', alone('almonds?|almendras?|amandes?')),
  hazelnut: words(
    'hazelnuts',
    'hazelnuts',
    'avellanas',
    'noisettes',
    alone('hazelnuts?|avellanas?|noisettes?'),
  ),
  walnut: words(
    'walnuts',
    'walnuts',
    'nueces',
    'noix',
    alone('walnuts?|nuez|nueces|noix(?! de (?:coco|cajou|pécan|muscade|macadamia|brésil))'),
  ),
  cashew: words(
    'cashews',
    'cashews',
    'anacardos',
    'noix de cajou',
    alone('cashews?|anacardos?|noix de cajou'),
  ),
  pecan: words('pecans', 'pecans', 'pacanas', 'noix de pécan', alone('pecans?|pacanas?|noix de pécan')),
  'brazil-nut': words(
    'Brazil nuts',
    'Brazil nuts',
    'nueces de Brasil',
    'noix du Brésil',
    alone('brazil nuts?|(?:nuez|nueces) de brasil|noix du brésil'),
  ),
  pistachio: words(
    'pistachios',
    'pistachios',
    'pistachos',
    'pistaches',
    alone('pistachios?|pistachos?|pistaches?'),
  ),
  macadamia: words(
    'macadamia nuts',
    'macadamia nuts',
    'macadamias',
    'noix de macadamia',
    alone('(?:noix de )?macadamias?(?: nuts?)?'),
  ),
  'pine-nut': words(
    'pine nuts',
    'pine nuts',
    'piñones',
    'pignons de pin',
    alone('pine nuts?|piñón|piñones|pignons?(?: de pin)?'),
  ),
  coconut: words('coconut', 'coconut', 'coco', 'noix de coco', alone('coconuts?|(?:noix de )?coco')),
  peanut: words(
    'peanuts',
    'peanuts',
    'cacahuetes',
    'arachides',
    alone('peanuts?|cacahuetes?|arachides?|cacahuètes?'),
  ),
  soy: words('soya', 'soy', 'soja', 'soja', alone('soy(?:a|beans?)?(?: beans?)?|soja')),
  milk: words('milk', 'milk', 'leche', 'lait', alone('milk|leche|lait')),
  egg: words('egg', 'egg', 'huevo', 'œuf', alone('eggs?|huevos?|œufs?|oeufs?')),
  fish: words('fish', 'fish', 'pescado', 'poisson', alone('fish|pescado|poisson')),
  crustacean: words(
    'crustaceans',
    'crustacean shellfish',
    'crustáceos',
    'crustacés',
    alone('crustaceans?|prawns?|shrimps?|crab|crustáceos?|crustacés?'),
  ),
  mollusc: words('molluscs', 'molluscs', 'moluscos', 'mollusques', alone('molluscs?|moluscos?|mollusques?')),
  celery: words('celery', 'celery', 'apio', 'céleri', alone('celery|apio|céleri')),
  mustard: words('mustard', 'mustard', 'mostaza', 'moutarde', alone('mustard|mostaza|moutarde')),
  sesame: words('sesame', 'sesame', 'sésamo', 'sésame', alone('sesame|sésamo|sésame')),
  sulphites: words(
    'sulphites',
    'sulfites',
    'sulfitos',
    'sulfites',
    alone('sulph?ites?|sulphur dioxide|sulfur dioxide|sulfitos?|dióxido de azufre|anhydride sulfureux'),
  ),
  lupin: words('lupin', 'lupin', 'altramuces', 'lupin', alone('lupin|altramuz|altramuces')),
};

/** The printed name of a substance in a regime and a language. */
export function allergenWord(substance: Substance, regime: Regime, language: Language = 'en'): string {
  const of = ALLERGEN_WORDS[substance];
  return language === 'en' ? of[regime] : of[language];
}
