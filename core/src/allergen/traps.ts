/** Where an allergen hides: named on the line, while nobody has read the pack and where it is in the food by nature. */
import { type Food, nameWords, type Substance } from '../food';

export interface Trap {
  /** Names of foods it stands in, as comparable words: a food is caught whose name or label name holds one. */
  names: readonly string[];
  /** A food of these words is another: "wine vinegar" is no wine. */
  except: string;
  substances: readonly Substance[];
  words: string;
}

const trap = (names: string, substances: string, words: string, except = ''): Trap => ({
  names: names.split('|').map((name) => nameWords(name).join(' ')),
  except,
  substances: substances.split(' ') as Substance[],
  words,
});

const ANY_NUT = 'almond hazelnut walnut cashew pecan brazil-nut pistachio macadamia peanut';

/**
 * The usual hiding places (convention, from allergen guidance to caterers; the exemptions: Regulation (EU) 1169/2011 Annex
 * II and US FALCPA section 203). The first that fits is named, and what any of them names is `check` at the food until a
 * pack says otherwise: a test holds the larder and this table together.
 */
export const TRAPS: readonly Trap[] = [
  trap('tamari', 'wheat', 'tamari is mostly brewed without wheat, not always'),
  trap(
    'soy sauce|shoyu|teriyaki|hoisin|black bean paste|black bean sauce|gochujang|oyster sauce',
    'wheat barley',
    'most soy sauces and pastes are brewed with wheat or barley',
  ),
  trap('miso', 'barley wheat', 'a ferment is grown on barley, wheat, rice or soya'),
  trap('malt|malt extract|malt vinegar', 'barley', 'malt comes from barley'),
  trap(
    'beer|ale|yeast extract|worcester|worcester style',
    'barley wheat',
    'beer and beer yeast come from barley',
  ),
  trap(
    'pouch|falafel mix|baked bean|gravy|plant burger|plant mince|plant chicken|sausage|scramble seasoning|tofu scramble',
    'wheat soy barley celery mustard lupin',
    'ready products hold wheat in soy sauce or as a thickener, and celery or mustard in the spice',
  ),
  trap(
    'oats|oat|oatmeal|muesli|oat groats',
    'wheat barley oats',
    'oats are gluten by law, and grown and milled beside wheat and barley',
  ),
  trap('buckwheat|soba', 'wheat', 'buckwheat is milled beside wheat: safe only when certified'),
  trap(
    'millet|sorghum|teff|amaranth|polenta|cornmeal|maize meal|maize flour|masa|rice flour|chickpea flour|' +
      'coconut flour|soya flour|lupin flour',
    'wheat',
    'grown or milled beside wheat: safe only when certified',
  ),
  trap(
    'stock powder|stock paste|stock liquid|stock cube|vegetable stock|bouillon|soup',
    'celery wheat soy mustard',
    'most stock powders and pastes hold celery, and many wheat or soya',
  ),
  trap(
    "curry powder|curry paste|garam masala|five spice|ras el hanout|za'atar|dukkah|harissa|spice mix",
    'celery mustard sesame almond hazelnut wheat',
    'spice mixes hold celery, mustard or sesame, and flour to keep them loose',
  ),
  trap('celery salt', 'celery', 'celery salt is celery seed and salt'),
  trap('asafoetida', 'wheat', 'asafoetida is cut with wheat flour'),
  trap('baking powder|icing sugar', 'wheat', 'its filler can be wheat starch'),
  trap('tahini|hummus|halva|mixed seeds', 'sesame', 'a paste or mix of sesame'),
  trap(
    'sunflower seeds|pumpkin seeds|hemp seeds|chia seeds|poppy seeds|sesame seeds|linseed|flaxseed|seed butter|mixed seeds',
    `sesame ${ANY_NUT}`,
    'seeds are packed on lines that also pack sesame and nuts',
  ),
  trap(
    'bread|pastry|bun|pitta|naan|wheat tortilla|breadcrumbs|croutons|brioche',
    'lupin soy sesame milk egg',
    'flours are blended with lupin or soya, and loaves are glazed or seeded',
  ),
  trap('lupin', 'lupin', 'lupin is an allergen of its own'),
  trap(
    'wine|sake|mirin|beer|cider',
    'sulphites milk egg fish',
    'preserved with sulphites, and some are fined with egg, milk or fish',
    'vinegar',
  ),
  trap(
    'wine vinegar|cider vinegar|balsamic vinegar',
    'sulphites',
    'wine and cider vinegars are kept with sulphites',
  ),
  trap(
    'dried apricots|dried figs|dried cranberries|raisins|currants|sultanas|prunes|dates|desiccated coconut|pickled ginger|molasses',
    'sulphites',
    'dried fruit is kept with sulphites',
  ),
  trap(
    'soya oil|soybean oil|vegetable oil',
    'soy',
    'fully refined soya oil is exempt in the EU, highly refined in the US; cold-pressed is soya',
  ),
  trap('groundnut oil|peanut oil', 'peanut', 'a pressed nut oil carries what it was pressed from'),
  trap('walnut oil', 'walnut', 'a pressed nut oil carries what it was pressed from'),
  trap('sesame oil', 'sesame', 'a pressed seed oil carries what it was pressed from'),
  trap(
    'glucose syrup',
    'wheat',
    'glucose syrup from wheat is exempt in the EU; in the US the label says wheat',
  ),
  trap(
    'chocolate|marzipan|jam',
    'milk soy almond hazelnut peanut',
    'chocolate runs on lines with milk and nuts',
  ),
];

const KNOWN = new WeakMap<Food, readonly Trap[]>();

/** The traps a food is known for. */
export function trapsOf(food: Food): readonly Trap[] {
  let traps = KNOWN.get(food);
  if (!traps) {
    const names = ` ${nameWords(food.name).join(' ')} | ${nameWords(food.labelName).join(' ')} `;
    traps = TRAPS.filter(
      (each) =>
        each.names.some((name) => names.includes(` ${name} `)) &&
        (each.except === '' || !names.includes(` ${each.except} `)),
    );
    KNOWN.set(food, traps);
  }
  return traps;
}

/** Whether a trap names a substance at a food: then it is `check` until a pack says otherwise. */
export const isTrapped = (food: Food, substance: Substance): boolean =>
  trapsOf(food).some(({ substances }) => substances.includes(substance));

/** The trap that concerns some substances at a food, in words; empty where none is known. */
export function trapWords(food: Food, substances: readonly Substance[]): string {
  return trapsOf(food).find((each) => each.substances.some((one) => substances.includes(one)))?.words ?? '';
}
