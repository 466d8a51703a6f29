/** Words a line is made of besides amounts and foods. */

const wordSet = (words: string): ReadonlySet<string> => new Set(words.split(/\s+/));

/** Words for the form of a food that mean its weight is of the edible portion already. */
export const EDIBLE_FORM_WORDS = wordSet(
  'peeled trimmed diced chopped sliced grated cubed shredded pitted cored minced crushed shelled hulled picked ' +
    'floret florets ribbon wedge mashed destemmed stemmed torn ribbons halved quartered squeezed deseeded wedges julienned batoned batons ' +
    'zested juiced ground cooked riced spiralized',
);

/**
 * Words that may stand after or before a food and say how it is, not what it is. A word after a food that is not
 * among them may be the real food ("rice crackers"), and then the reader asks.
 */
const FORM_WORDS = wordSet(
  'a an the of and or in into to on for with without at from by then each per one two few some any all whole about ' +
    'approximately approx roughly plus extra more less over under very quite thin thick fine coarse rough ' +
    'thinly thickly finely coarsely roughly lightly loosely firmly tightly well freshly gently packed unpacked ' +
    'diced chopped sliced grated cubed shredded pitted cored minced crushed shelled hulled picked mashed stemmed ' +
    'destemmed torn halved quartered squeezed deseeded seeded peeled unpeeled scrubbed washed rinsed drained ' +
    'undrained soaked sprouted pressed patted dried dry toasted roasted raw fresh frozen thawed defrosted cooked ' +
    'uncooked precooked boiled steamed fried blanched blended pureed melted softened cooled chilled cold hot warm ' +
    'room temperature boiling lukewarm trimmed crumbled broken cracked bruised smashed scored julienned batoned batons baton zested ' +
    'juiced ground unsalted salted sweetened unsweetened organic ripe overripe unripe firm soft extra virgin pure ' +
    'natural plain light dark mild medium hot sweet smoked good quality best big large small medium baby young new ' +
    'mill leftover day old stale thick cut bone free range low sodium reduced fat salt sugar certified ' +
    'vegan plant based red green yellow white black brown golden purple orange pink mixed assorted seasonal local ' +
    'skin skins peel rind zest juice leaf leave stalk stem root bulb clove head floret spear wedge wedges slice ' +
    'piece chunk cube strip ribbon stick round ring half quarter matchstick sprig bunch tip top bottom heart kernel ' +
    'seed pod flesh segment fillet sheet block brine water oil can tin jar pack packet inch inches cm mm thick long ' +
    'wide size sized bite equal even lengthways lengthwise crosswise diagonally removed discarded reserved optional ' +
    'divided needed required taste serve serving garnish garnishing finishing sprinkling frying brushing greasing ' +
    'dusting rolling drizzling topping use used using including included if you like prefer preferably ideally ' +
    'your our my their its it is are be not no do as such like eg ie etc also just only or so up down off out ' +
    'overnight hour hours minute minutes night least style type kind variety such grade instant quick whole ' +
    'wholegrain grain long short split hulled unhulled pearled shelled skinless boneless stoned destoned flaked ' +
    'slivered rough powdered granulated condensed concentrated jarred tinned canned bottled bought store homemade ' +
    'home made ready prepared soured separated sieved sifted beaten whisked stirred mix mixture heaped level scant ' +
    'rounded generous loose compact medium hard set silken drain rinse dice chop slice g kg ml l oz lb',
);
export const isFormWord = (word: string): boolean => FORM_WORDS.has(word) || /^[\d/.,-]+$/.test(word);

/** Words of state, to the state they mean. */
export const STATE_WORDS: ReadonlyMap<string, 'dry' | 'cooked' | 'tinned' | 'raw'> = new Map([
  ['dry', 'dry'],
  ['dried', 'dry'],
  ['uncooked', 'dry'],
  ['ground', 'dry'],
  ['soaked', 'dry'],
  ['cooked', 'cooked'],
  ['precooked', 'cooked'],
  ['boiled', 'cooked'],
  ['leftover', 'cooked'],
  ['tinned', 'tinned'],
  ['canned', 'tinned'],
  ['jarred', 'tinned'],
  ['tin', 'tinned'],
  ['can', 'tinned'],
  ['fresh', 'raw'],
  ['raw', 'raw'],
  ['frozen', 'raw'],
]);
/** Words that tell the state of a pulse only: what is drained came in a tin. */
export const PULSE_STATE_WORDS: ReadonlyMap<string, 'tinned'> = new Map([
  ['drained', 'tinned'],
  ['undrained', 'tinned'],
]);

export const SIZE_WORDS: ReadonlyMap<string, 'small' | 'medium' | 'large'> = new Map([
  ['small', 'small'],
  ['little', 'small'],
  ['tiny', 'small'],
  ['sm', 'small'],
  ['medium', 'medium'],
  ['med', 'medium'],
  ['average', 'medium'],
  ['medium-sized', 'medium'],
  ['medium-size', 'medium'],
  ['regular', 'medium'],
  ['large', 'large'],
  ['lg', 'large'],
  ['big', 'large'],
  ['fat', 'large'],
  ['thick', 'large'],
  ['huge', 'large'],
]);

export const HEAPING_WORDS: ReadonlyMap<string, 'level' | 'heaped' | 'scant'> = new Map([
  ['level', 'level'],
  ['flat', 'level'],
  ['heaped', 'heaped'],
  ['heaping', 'heaped'],
  ['rounded', 'heaped'],
  ['generous', 'heaped'],
  ['good', 'heaped'],
  ['hefty', 'heaped'],
  ['scant', 'scant'],
  ['scanty', 'scant'],
]);

/** Words before a figure that do not change it. */
export const ABOUT_WORDS: ReadonlySet<string> = new Set([
  'about',
  'around',
  'approx',
  'approximately',
  'roughly',
  'circa',
  'ca',
  '~',
  'some',
  'another',
  'maybe',
  'nearly',
  'almost',
  'exactly',
  'say',
]);

/** Words between an amount and its unit, or between a unit and its food, that say how the measure was filled. */
export const FILLING_WORDS: ReadonlySet<string> = new Set([
  'loosely',
  'lightly',
  'firmly',
  'tightly',
  'packed',
]);

/** Words a speaker puts before the amount: "and then a good handful", "you'll need about". */
export const LEAD_IN =
  /^(?:(?:and|then|so|ok|okay|also|plus|next|finally|first|now|take|add|use|get|grab|put in|throw in|you(?:'?ll| will)? (?:also )?need|i (?:also )?(?:use|like|add|put(?: in)?|take|have)|we (?:also )?(?:use|add|put(?: in)?|take|need)|there(?:'?s| is| are)|in goes?|it'?s)\b[ ,:]*)+(?=\S)/;

/** Phrases taken out of a line before its food is looked for. */
export const PURPOSES: readonly {
  pattern: RegExp;
  means: 'fry' | 'garnish' | 'to-taste' | 'optional' | 'none';
}[] = [
  {
    pattern:
      /\b(?:or )?(?:more |extra )?(?:to (?:your )?(?:own )?taste|as (?:you )?(?:desired|like|wish)|to your liking)\b/,
    means: 'to-taste',
  },
  {
    pattern: /\b(?:or )?as (?:needed|required|necessary)\b|\bas much as (?:it takes|needed|you like)\b/,
    means: 'to-taste',
  },
  {
    pattern:
      /\b(?:for (?:shallow |deep |pan |stir )?(?:-)?(?:frying|sauteing|sautéing|the pan|greasing|oiling|brushing)|to fry|to grease)\b/,
    means: 'fry',
  },
  {
    pattern:
      /\b(?:for (?:the )?(?:garnish(?:ing)?|serving|finishing|topping|sprinkling|dusting|decoration)|to (?:garnish|serve|finish|decorate|top|sprinkle)|as (?:a )?garnish)\b/,
    means: 'garnish',
  },
  {
    pattern:
      /\b(?:optional(?:ly)?|if (?:you like|you want|liked|wanted|desired|using|you have (?:it|some)))\b/,
    means: 'optional',
  },
  {
    pattern:
      /\b(?:plus (?:a (?:little|bit) )?(?:extra|more)|divided|at room temperature|or so|or thereabouts|give or take)\b/,
    means: 'none',
  },
];

/** Words that promise a plant food under an animal food's name: "vegan feta" is no feta. */
export const PLANT_VERSION =
  /\b(?:vegan|plant[- ]based|dairy[- ]free|egg[- ]free|meat[- ]?free|meatless|mock|non[- ]dairy|vegetarian)\b|\bmade (?:from|of|with) (?:oats?|soya?|rice|coconut|almonds?|cashews?|nuts|seeds|peas?|hemp|beans|tofu)\b/;
