/**
 * Plain English, so that "money" is no misspelt honey and "add the lot" names no food. The words are those of the SCOWL
 * word lists that everybody uses (size 10 and 20), and of the larger lists only what looks like an allergen's word
 * (docs/dependencies.md). Words of foods in them do no harm: the dictionary is asked first.
 */
import data from './ordinary-words.json';

const ORDINARY: ReadonlySet<string> = new Set([...data.common.split(' '), ...data.lookalikes.split(' ')]);

export const isOrdinary = (word: string): boolean => ORDINARY.has(word);

/** What stands in a food's place in a method and is made of what went in before, or is no food. */
const FOOD_PLACE = new Set(
  (
    'mixture mix rest lot remaining remainder contents liquid liquids juices puree dough batter paste sauce filling topping dressing ' +
    'marinade brine syrup glaze crumble veg veggies vegetables fruits herbs spices seasoning aromatics greens pulses grains ' +
    'florets stems stalks wedges cubes slices strips rounds ribbons chunks batons matchsticks halves quarters layers layer ' +
    'skillet saucepan wok griddle casserole ramekin ramekins baking roasting parchment greaseproof foil clingfilm tin tray ' +
    'simmering boiling cooking soaking poaching pan-juices cornflour slurry tadka tempering coals puy mandoline julienne'
  ).split(' '),
);
export const isFoodPlaceWord = (word: string): boolean => FOOD_PLACE.has(word);
