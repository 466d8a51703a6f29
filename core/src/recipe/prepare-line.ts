/** Makes a written line ready to be read: one spelling of figures, brackets and purposes set aside. */
import { spellFractions } from '../quantity';
import { LEAD_IN, PURPOSES } from './words';

const CONTROLS = /[\p{Cc}\p{Cf}]/gu;
const PLAIN_ASCII = /^[\x20-\x7e]*$/;
/** Most lines are plain; only the others pay for the rarer rules. */
const HAS_SIGNS = /[^a-z0-9 ,./]|[a-z] ?\/ ?\d/;

export interface Phrases {
  /** Amount and food, in lower case. */
  main: string;
  /** What stood after commas and dashes. */
  tail: string[];
  /** What stood in brackets. */
  notes: string[];
  /** What the line is for: 'fry', 'garnish', 'to-taste', 'optional'. */
  taken: Set<string>;
}

/** Spaces every kind of blank, and lets one dash and one apostrophe stand for all. */
function plainSigns(text: string): string {
  return text
    .replace(CONTROLS, ' ')
    .replace(/[\u00a0\u2000-\u200a\u202f]/g, ' ')
    .replace(/[‐‑‒−]/g, '-')
    .replace(/[’‘`´]/g, "'")
    .replace(/[“”]/g, '"');
}

/** One quick look that spares most lines the purposes. */
const MAY_HAVE_PURPOSE =
  /tast|liking|wish|desired|need|requir|necess|takes|fry|pan|greas|oiling|brush|garnish|serv|finish|topping|to top|sprinkl|dust|decorat|optional|if |divided|room|extra|more|little|or so|thereabout|or take|saut/;

function takePurposes(text: string, notes: readonly string[], taken: Set<string>): string {
  if (!MAY_HAVE_PURPOSE.test(text) && !notes.some((note) => MAY_HAVE_PURPOSE.test(note))) return text;
  let plain = text;
  for (const { pattern, means } of PURPOSES) {
    const before = plain;
    plain = plain.replace(pattern, ' ');
    if (plain !== before || notes.some((note) => pattern.test(note))) taken.add(means);
  }
  return plain;
}

const COUNTS: Readonly<Record<string, number>> = { one: 1, two: 2, three: 3 };
const PARTS: Readonly<Record<string, number>> = { half: 2, third: 3, quarter: 4, fourth: 4, eighth: 8 };

/** "Flour: 200 g", "Flour - 200 g", "Flour ..... 200 g": the amount after the food is put before it. */
const AMOUNT_LAST =
  /^([a-z][^0-9:]*?)(?:\s*:\s*|\s+-+\s+|\s*\.{3,}\s*|\s*\t\s*|\s+)((?:about |approx\.? )?\d[\d\s/.,-]*\s?(?:g|kg|ml|l|dl|cl|oz|lbs?|cups?|tbsp|tsp|tablespoons?|teaspoons?|tins?|cans?|grams?|pieces?)?\.?)\s*$/;

/** "T" and "t" after a figure. */
const SPOON_LETTER = /\d\s*[tT]\b/;
/**
 * A catering can, "A10", "#10", "no. 10": a can of about 2.5 kg. Source: trade sizes, 2.5 to 3 kg by filling
 * (*convention*).
 */
const CATERING_CAN = /(?:\ba ?10|# ?10|\bno\.? ?10|\bnumber ten)[- ](tin|can)(s?)\b/g;
const HAS_RARE_WORDS =
  /10[- ](?:tin|can)|ten can|\bfl|half|third|quarter|fourth|eighth|thumb|-(?:ounce|oz|gram|pound|inch|lit)|\bbit\b|\blittle\b|\btouch\b|\btad\b|of the (?:\d|t|f|s|e|n)/;
const SMALL_NUMBERS = 'one two three four five six seven eight nine ten twelve fifteen'.split(' ');
const VALUES = [1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 12, 15];
/** "a six-ounce punnet". */
const HYPHENED = new RegExp(
  `\\b(${SMALL_NUMBERS.join('|')})-(?=(?:ounce|oz|gram|pound|inch|litre|liter))`,
  'g',
);
/** "a bit of ginger", "a little oil": nobody knows how much, so it is asked and never taken for a piece. */
const A_LITTLE =
  /^(?:just |only )?(?:a (?:little|tiny|wee|small) bit|a bit|a little(?! gem)|a touch|a tad)(?: more)?(?: of)?(?: the)? (?=\S)/;
/** "two of the four slices of a block": a part of something that was never weighed. */
const PART_OF_THE =
  /^(?:about )?(?:\d+|a|one|two|three|four|five|six|half) of the (?:\d+|two|three|four|five|six|seven|eight|nine|ten|twelve) \w+ (?:of|from) (?:an?|the|one) (?:\w+ (?:of|from) )?/;

/** Fluid ounces, fractions in words, and a thumb's size. */
function rareWords(text: string): string {
  return text
    .replace(CATERING_CAN, 'x 2.5 kg $1$2')
    .replace(/^x 2\.5 kg/, '1 x 2.5 kg')
    .replace(/^(\d+) x x /, '$1 x ')
    .replace(HYPHENED, (_, word: string) => `${VALUES[SMALL_NUMBERS.indexOf(word)]} `)
    .replace(A_LITTLE, '')
    .replace(PART_OF_THE, '')
    .replace(/\bfl\.? ?oz\b|\bfluid ounces?\b/g, 'floz')
    .replace(
      /\b(one|two|three)[- ](half|third|quarter|fourth|eighth)s?(?: of an?)?\b/g,
      (_, count: string, part: string) => `${COUNTS[count]}/${PARTS[part]}`,
    )
    .replace(/\bthumb[- ]?(?:size|sized|length)?(?: piece| knob| chunk)\b/g, 'thumb');
}

const HAS_JUICE = /juice|zest|rind/;
/** "the juice of 2 large lemons" is "2 lemons juice". */
const JUICE_OF =
  /\b(?:the )?(?:(?:freshly|finely|fresh) )?(?:(?:squeezed|grated) )?(juice|zest|rind) (?:of|from) (?:about )?((?:\d[\d /.-]*|half an?|half|an?|one|two|three|four|five|six) )?(?:(?:large|small|medium|big|whole|fresh|unwaxed|organic) )*(\w+)(?=$|,| \(|\s*$)/;

/** One look that spares most lines the two rules below. */
const HAS_SPOON_AND_GRAM = /\bg(?:rams?)?\b.*(?:tsp|tbsp|spoon)|(?:tsp|tbsp|spoons?|cups?)\.? or \d/;
const GRAM_THEN_SPOON =
  /\b(\d[\d.,]*\s?g(?:rams?)?)\s*(?:\/|\bor\b|\(|=)\s*((?:about )?(?:\d[\d ./]*|an?|one|two|three|half a)\s?(?:tsp|tbsp|teaspoons?|tablespoons?))\b\.?\)?/;
const SPOON_OR_GRAM = /\b(tsp|tbsp|teaspoons?|tablespoons?|cups?)\.? or (\d[\d.,]*\s?(?:g|grams?|kg|oz))\b/;

/** A spoon and a gram said together: the spoon is the amount, the gram the weight that is stated, and the two are compared. */
function spoonFirst(text: string, notes: string[]): string {
  return text
    .replace(GRAM_THEN_SPOON, (_, gram: string, spoon: string) => {
      notes.push(gram);
      return spoon;
    })
    .replace(SPOON_OR_GRAM, (_, unit: string, gram: string) => {
      notes.push(gram);
      return unit;
    });
}

/**
 * Parts a line. Capitals settle T and t before they are lost; bullets, numbers of a list and speech before the amount
 * fall away; the text itself stays with the line.
 */
export function prepareLine(text: string): Phrases {
  const notes: string[] = [];
  const taken = new Set<string>();
  const spelt = PLAIN_ASCII.test(text) ? text : spellFractions(plainSigns(text));
  const capitals = SPOON_LETTER.test(spelt)
    ? spelt.replace(/(\d\s*)T\b(?!\w)/g, '$1tbsp').replace(/(\d\s*)t\b(?!\w)/g, '$1tsp')
    : spelt;
  let plain = capitals.toLowerCase().replace(/\s{2,}/g, ' ');
  if (HAS_SPOON_AND_GRAM.test(plain)) plain = spoonFirst(plain, notes);
  if (HAS_SIGNS.test(plain)) {
    plain = plain
      .replace(/<[^>]{0,80}>/g, ' ')
      .replace(/[*_]{1,3}(?=\S)([^*_]+)[*_]{1,3}/g, '$1')
      .replace(/^\s*(?:[-*–—+](?=\s)|[•·▪◦‣●○□☐✓]|\[[ x]?\]|\d+[.)](?=\s))\s*/, '')
      .replace(/[([{]([^()[\]{}]*)[)\]}]/g, (_, inner: string) => {
        notes.push(inner.trim());
        return ' ';
      })
      .replace(/[()[\]{}]/g, ' ')
      .replace(/\s&\s?|&/g, ' and ')
      .replace(/\+/g, ' plus ')
      .replace(/(\d)\s*-\s*(\d+\/\d+)/g, '$1 $2')
      .replace(/(\d)\s*[-–—]\s*(?=\d)/g, '$1 - ')
      .replace(/(\d)\s*×\s*(?=\d)/g, '$1 x ')
      .replace(/([a-z])\s*[-–—]\s*(?=\d)/g, '$1 - ')
      // "250 g / 9 oz": the first measure stands, the second is kept beside it.
      .replace(
        /([a-z])\s*\/\s*(\d[\d.,/ ]*\s?(?:fl ?oz|[a-z]+)(?:\s\d+\s?oz)?)/g,
        (_, letter: string, other: string) => {
          notes.push(other);
          return `${letter} `;
        },
      );
  } else plain = plain.replace(/^\s*\d+[.)](?=\s)\s*/, '');
  plain = takePurposes(plain, notes, taken).trim();
  const startsWithWord = /^[a-z]/.test(plain);
  if (startsWithWord) plain = plain.replace(LEAD_IN, '');
  if (HAS_RARE_WORDS.test(plain)) plain = rareWords(plain);
  plain = plain
    .replace(/(\d)\s*x\s*(?=\d)/g, '$1 x ')
    .replace(/(\d)-?(?=[a-df-z]|e(?!\d))/g, '$1 ')
    .replace(/\.(?=\s|$)/g, ' ');
  if (HAS_JUICE.test(plain)) plain = plain.replace(JUICE_OF, '$2$3 $1');
  const last = startsWithWord ? AMOUNT_LAST.exec(plain) : null;
  if (last) plain = `${last[2]} ${last[1]}`;
  const [main = '', ...tail] = plain.split(/[,;:](?!\d)|\s[-–—]+\s(?!\d)/);
  return { main: main.trim(), tail: tail.map((part) => part.trim()).filter(Boolean), notes, taken };
}
