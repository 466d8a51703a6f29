/** Where an allergen hides: named on the line, while nobody has read the pack and where it is in the food by nature. */
import type { Food } from '../food';
import type { Substance } from './substances';

export interface Trap {
  /** Names of foods it stands in. */
  foods: RegExp;
  substances: readonly Substance[];
  words: string;
}

/**
 * The usual hiding places (convention, from allergen guidance to caterers; the exemptions: Regulation (EU) 1169/2011 Annex
 * II and US FALCPA section 203). The first that fits is named.
 */
export const TRAPS: readonly Trap[] = [
  { foods: /\btamari\b/, substances: ['wheat'], words: 'tamari is mostly brewed without wheat, not always' },
  {
    foods: /\b(?:soy sauce|shoyu|teriyaki|hoisin|black bean (?:paste|sauce)|gochujang|oyster sauce)\b/,
    substances: ['wheat', 'barley'],
    words: 'most soy sauces and pastes are brewed with wheat or barley',
  },
  {
    foods: /\bmiso\b/,
    substances: ['barley', 'wheat'],
    words: 'a ferment is grown on barley, wheat, rice or soya',
  },
  {
    foods: /\b(?:malt|beer|ale|yeast extract|worcester)/,
    substances: ['barley', 'wheat'],
    words: 'malt and beer yeast come from barley',
  },
  {
    foods: /\b(?:pouch|falafel mix|baked beans|gravy|plant (?:burger|mince|chicken)|sausage|scramble)/,
    substances: ['wheat', 'soy', 'barley', 'celery', 'mustard', 'lupin'],
    words: 'ready products hold wheat in soy sauce or as a thickener, and celery or mustard in the spice',
  },
  {
    foods: /\b(?:oats?|oatmeal|muesli|groats)\b/,
    substances: ['wheat', 'barley', 'oats'],
    words: 'oats are gluten by law, and grown and milled beside wheat and barley',
  },
  {
    foods: /\b(?:buckwheat|soba)/,
    substances: ['wheat'],
    words: 'buckwheat is milled beside wheat: safe only when certified',
  },
  {
    foods: /\b(?:millet|quinoa|sorghum|teff|amaranth|polenta|cornmeal|masa|cornflour|lentil|flour)\b/,
    substances: ['wheat', 'barley', 'oats'],
    words: 'grown or milled beside wheat: safe only when certified',
  },
  {
    foods: /\b(?:stock|bouillon|soup)\b/,
    substances: ['celery', 'wheat', 'soy', 'mustard'],
    words: 'most stock powders and pastes hold celery, and many wheat or soya',
  },
  {
    foods: /\b(?:curry|garam|five.spice|ras el hanout|za'?atar|dukkah|harissa|celery salt|mixed herbs|spice)/,
    substances: ['celery', 'mustard', 'sesame', 'almond', 'hazelnut', 'wheat'],
    words: 'spice mixes hold celery, mustard or sesame, and flour to keep them loose',
  },
  { foods: /\basafoetida\b/, substances: ['wheat'], words: 'asafoetida is cut with wheat flour' },
  {
    foods: /\b(?:baking powder|icing sugar)\b/,
    substances: ['wheat'],
    words: 'its filler can be wheat starch',
  },
  {
    foods: /\b(?:tahini|hummus|halva|mixed seeds)\b/,
    substances: ['sesame'],
    words: 'a paste or mix of sesame',
  },
  {
    foods: /\b(?:seeds?|seed butter|linseed|flax)/,
    substances: ['sesame', 'peanut', 'almond', 'hazelnut'],
    words: 'seeds are packed on lines that also pack sesame and nuts',
  },
  {
    foods: /\b(?:lupin|bread|pastry|bun|pitta|naan|tortilla|crumbs?|croutons|brioche)\b/,
    substances: ['lupin', 'soy', 'sesame', 'milk', 'egg'],
    words: 'flours are blended with lupin or soya, and loaves are glazed or seeded',
  },
  {
    foods: /\b(?:wine|sake|mirin|beer|cider|vinegar)\b/,
    substances: ['sulphites', 'milk', 'egg', 'fish'],
    words: 'preserved with sulphites, and some are fined with egg, milk or fish',
  },
  {
    foods:
      /\b(?:dried|raisins|currants|prunes|apricots|cranberries|figs|dates|lemon juice|lime juice|ginger)\b/,
    substances: ['sulphites'],
    words: 'dried fruit and bottled juice are kept with sulphites',
  },
  {
    foods: /\b(?:soya|soybean|vegetable) oil\b/,
    substances: ['soy'],
    words: 'fully refined soya oil is exempt in the EU, highly refined in the US; cold-pressed is soya',
  },
  {
    foods: /\b(?:groundnut|peanut|walnut|almond|hazelnut|sesame) oil\b/,
    substances: ['peanut', 'walnut', 'almond', 'hazelnut', 'sesame'],
    words: 'a pressed nut or sesame oil carries what it was pressed from',
  },
  {
    foods: /\bglucose syrup\b/,
    substances: ['wheat'],
    words: 'glucose syrup from wheat is exempt in the EU; in the US the label says wheat',
  },
  {
    foods: /\b(?:chocolate|cocoa|marzipan|jam)\b/,
    substances: ['milk', 'soy', 'almond', 'hazelnut', 'peanut'],
    words: 'chocolate runs on lines with milk and nuts',
  },
];

const KNOWN = new WeakMap<Food, readonly Trap[]>();

/** The traps a food is known for. */
export function trapsOf(food: Food): readonly Trap[] {
  let traps = KNOWN.get(food);
  if (!traps) {
    const names = `${food.name} | ${food.labelName}`.toLowerCase();
    KNOWN.set(food, (traps = TRAPS.filter(({ foods }) => foods.test(names))));
  }
  return traps;
}

/** The trap that concerns some substances at a food, in words; empty where none is known. */
export function trapWords(food: Food, substances: readonly Substance[]): string {
  return trapsOf(food).find((trap) => trap.substances.some((each) => substances.includes(each)))?.words ?? '';
}
