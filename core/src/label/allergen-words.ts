/** The words by which each law wants an allergen named, and the words that already name it in an ingredient. */
import type { Regime, Substance } from '../allergen/substances';

interface SubstanceWords {
  /** Name printed by each regime. */
  eu: string;
  us: string;
  /** Words in an ingredient's own name that already refer clearly to it. */
  named: RegExp;
}

const words = (eu: string, us: string, named: RegExp): SubstanceWords => ({ eu, us, named });

export const ALLERGEN_WORDS: Readonly<Record<Substance, SubstanceWords>> = {
  wheat: words('wheat', 'wheat', /\bwheat\b/gi),
  rye: words('rye', 'rye', /\brye\b/gi),
  barley: words('barley', 'barley', /\bbarley\b/gi),
  oats: words('oats', 'oats', /\boats?\b/gi),
  almond: words('almonds', 'almonds', /\balmonds?\b/gi),
  hazelnut: words('hazelnuts', 'hazelnuts', /\bhazelnuts?\b/gi),
  walnut: words('walnuts', 'walnuts', /\bwalnuts?\b/gi),
  cashew: words('cashews', 'cashews', /\bcashews?\b/gi),
  pecan: words('pecans', 'pecans', /\bpecans?\b/gi),
  'brazil-nut': words('Brazil nuts', 'Brazil nuts', /\bbrazil nuts?\b/gi),
  pistachio: words('pistachios', 'pistachios', /\bpistachios?\b/gi),
  macadamia: words('macadamia nuts', 'macadamia nuts', /\bmacadamias?(?: nuts?)?\b/gi),
  'pine-nut': words('pine nuts', 'pine nuts', /\bpine nuts?\b/gi),
  coconut: words('coconut', 'coconut', /\bcoconuts?\b/gi),
  peanut: words('peanuts', 'peanuts', /\bpeanuts?\b/gi),
  soy: words('soya', 'soy', /\bsoy(?:a|beans?)?(?: beans?)?\b/gi),
  milk: words('milk', 'milk', /\bmilk\b/gi),
  egg: words('egg', 'egg', /\beggs?\b/gi),
  fish: words('fish', 'fish', /\bfish\b/gi),
  crustacean: words('crustaceans', 'crustacean shellfish', /\b(?:crustaceans?|prawns?|shrimps?|crab)\b/gi),
  mollusc: words('molluscs', 'molluscs', /\bmolluscs?\b/gi),
  celery: words('celery', 'celery', /\bcelery\b/gi),
  mustard: words('mustard', 'mustard', /\bmustard\b/gi),
  sesame: words('sesame', 'sesame', /\bsesame\b/gi),
  sulphites: words('sulphites', 'sulfites', /\b(?:sulph?ites?|sulphur dioxide|sulfur dioxide)\b/gi),
  lupin: words('lupin', 'lupin', /\blupin\b/gi),
};

/** The printed name of a substance in a regime. */
export const allergenWord = (substance: Substance, regime: Regime): string =>
  ALLERGEN_WORDS[substance][regime];
