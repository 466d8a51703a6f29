/**
 * Plain English, so that "money" is no misspelt honey and "add the lot" names no food. The words are those of the SCOWL
 * word lists that everybody uses (size 10 and 20), and of the larger lists only what looks like an allergen's word
 * (docs/dependencies.md). Words of foods in them do no harm: the dictionary is asked first.
 */
import { COMMON_WORDS, LOOKALIKE_WORDS } from '../allergen';
import { UNIT_WORDS } from '../quantity';
import { isFormWord } from '../recipe';

/** What stands in a food's place in a method and is made of what went in before, or is no food. */
const FOOD_PLACE = new Set(
  (
    'mixture mix rest lot remaining remainder contents liquid liquids juices puree dough batter paste sauce filling topping dressing ' +
    'marinade brine syrup glaze crumble veg veggies vegetables fruits herbs spices seasoning aromatics greens pulses grains ' +
    'florets stems stalks wedges cubes slices strips rounds ribbons chunks batons matchsticks halves quarters layers layer ' +
    'skillet saucepan wok griddle casserole ramekin ramekins baking roasting parchment greaseproof foil clingfilm tin tray ' +
    'chill chilled whisk whisked simmer simmered blitz blitzed drain drained sprinkle rinse rinsed knead shred shredded grate grated mash mashed puree pureed ' +
    'sear seared char charred wilt wilted blanch blanched braise braised poach poached caramelise caramelised caramelize caramelized thicken thickened ' +
    'reheat leftover leftovers lukewarm crispy crunchy glossy silky sticky runny fluffy jammy syrupy golden tender al dente lengthways crosswise widthways ' +
    'teaspoon teaspoons tablespoon tablespoons spoonful spoonfuls ladle ladleful handful handfuls knob splash drizzle dollop pinch pinches glug ' +
    'colander sieve strainer spatula tongs skewer skewers muslin blender processor ricer grater peeler microwave steamer fridge freezer hob ' +
    'gastronorm cooker thermometer probe bain marie trivet lidded ovenproof nonstick stovetop countertop parboil parboiled pestle mortar ' +
    'zonder ohne sans senza bez kein keine geen jamais nunca nooit ' +
    'simmering boiling cooking soaking poaching pan-juices cornflour slurry tadka tempering coals puy mandoline julienne'
  ).split(' '),
);
/** Dishes that look like an allergen's word and hold none by their name. */
const DISHES =
  'rosti roesti pilaf pilau ratatouille gazpacho guacamole peperonata hotpot patty patties saute sauteed gratin'.split(
    ' ',
  );
const ORDINARY: ReadonlySet<string> = new Set([
  ...COMMON_WORDS,
  ...LOOKALIKE_WORDS,
  ...FOOD_PLACE,
  ...DISHES,
]);

const isOrdinary = (word: string): boolean => ORDINARY.has(word);
export const isFoodPlaceWord = (word: string): boolean => FOOD_PLACE.has(word);

/** Whether a word says nothing of food: a figure, a unit, a word of form, plain English. */
/** "don't", "we'll", "they're": no misspelt food. */
const SHORTENED =
  /^(?:do|does|did|is|are|was|were|has|have|had|ca|could|wo|would|should|must|need|ai)n['’]?t$|['’](?:re|ve|ll|d|m)$/;

export const isPlain = (word: string): boolean =>
  word.length < 2 ||
  SHORTENED.test(word) ||
  /^\d/.test(word) ||
  isFormWord(word) ||
  UNIT_WORDS.has(word) ||
  isOrdinary(word);
