/** One written line that names two foods becomes two lines: "salt and pepper", "2 tbsp soy sauce + 1 tsp sugar". */
import { matchFood, type FoodSet } from '../food';
import { spellFractions } from '../quantity';
import { readAmount } from './read-amount';

const JUICE_AND_ZEST =
  /^(.*?)\b(?:the )?(?:(finely )?grated )?(juice|zest)(?:d)? (?:and|&|plus|\+) (?:the )?(?:(?:finely )?grated )?(juice|zest) of (.+)$/i;
const JOINED = /\s+(?:\+|plus|and|&)\s+/gi;
/** What a tail says of both parts: "salt and pepper, to taste". */
const SHARED_TAIL =
  /(?:,\s*)?\b((?:or more )?to (?:your )?taste|as needed|to serve|to garnish|for serving|optional)\W*$/i;

const tokensOf = (text: string): string[] => spellFractions(text.toLowerCase()).trim().split(/\s+/);
const hasAmount = (text: string): boolean => readAmount(tokensOf(text)) !== null;

/** Whether a text is a food by itself, with or without an amount. */
function isFoodLine(text: string, larder: FoodSet): boolean {
  const tokens = tokensOf(text);
  const amount = readAmount(tokens);
  const phrase = tokens.slice(amount?.end ?? 0).join(' ');
  const match = matchFood(phrase, larder);
  return match !== null && match.confidence === 1 && match.after.length <= 2;
}

/**
 * The lines that one written line holds; most lines hold one. A joined line is parted only where both sides name a
 * food, and both or neither give an amount: "1 cup plus 2 tbsp millet" stays one.
 */
export function splitLine(text: string, larder: FoodSet): string[] {
  if (!/[+&]|\band\b|\bplus\b/i.test(text) || text.length > 200) return [text];
  const fruit = JUICE_AND_ZEST.exec(text.trim());
  if (fruit) return [`${fruit[3]} of ${fruit[5]}`, `${fruit[4]} of ${fruit[5]}`];
  const tail = SHARED_TAIL.exec(text);
  const body = tail ? text.slice(0, tail.index) : text;
  for (const joint of body.matchAll(JOINED)) {
    const first = body.slice(0, joint.index).trim();
    const second = body.slice(joint.index + joint[0].length).trim();
    if (/[([]/.test(first) && !/[)\]]/.test(first)) continue;
    if (!isFoodLine(first, larder) || !isFoodLine(second, larder)) continue;
    if (hasAmount(first) !== hasAmount(second)) continue;
    const whole = matchFood(`${first} ${second}`, larder);
    if (whole && matchFood(body, larder)?.name === whole.name && / and /.test(whole.name)) continue;
    const shared = tail ? ` ${tail[1]}` : '';
    return [`${first}${shared}`, ...splitLine(`${second}${shared}`, larder)];
  }
  return [text];
}

/** "For this you need about two cups of rice, a good handful of kale and 3 cloves of garlic." */
const SPOKEN_LIST =
  /\b(?:you(?:'ll| will)? (?:also )?need|we(?:'ll)? need|ingredients are|i(?:'m using| use)|what goes in(?: is)?|take)\b[:,]?\s+(.+)$/i;
const SPOKEN_JOINT =
  /\s*[,;]\s*(?:and (?:then )?|then )?|\s+and (?:then )?(?=(?:about |around |some |a |an |half |\d|one |two |three |four |five |six ))/i;

/** The lines of a spoken list, or null when the text is none. */
export function spokenLines(text: string): string[] | null {
  const said = SPOKEN_LIST.exec(text.replace(/[.!]\s*$/, ''));
  if (!said) return null;
  const parts = said[1]!
    .split(SPOKEN_JOINT)
    .map((part) => part.trim())
    .filter(Boolean);
  const amounts = parts.filter((part) => hasAmount(part) || /^(?:some|a (?:bit|little|lot)) /i.test(part));
  return parts.length >= 2 && amounts.length >= parts.length * 0.6 ? parts : null;
}
