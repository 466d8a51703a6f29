/**
 * One written line that names several foods becomes a line for each: "salt and pepper", "green beans with almonds", "olives
 * stuffed with anchovies", "1 tsp each of cumin and coriander", "Dressing: 3 tbsp tahini, 1 lime". An amount that is said for
 * several together is told with each, and asked.
 */
import type { FoodSet } from '../food';
import { spellFractions } from '../quantity';
import { readAmount } from './read-amount';
import { isFiller, isParticiple, type Span, spansOf } from './spans';
import { isFormWord } from './words';

/** A part of a written line that is a line of its own. */
export interface LinePart {
  text: string;
  /** Where it stands in the written line. */
  from: number;
  to: number;
  /** The label it stood under: "Dressing". */
  part?: string;
}

const JUICE_AND_ZEST =
  /^(.*?)\b(?:the )?(?:(finely )?grated )?(juice|zest)(?:d)? (?:and|&|plus|\+) (?:the )?(?:(?:finely )?grated )?(juice|zest) of (.+)$/i;
/** What a tail says of all parts: "salt and pepper, to taste". */
const SHARED_TAIL =
  /(?:,\s*)?\b((?:or more )?to (?:your )?taste|as needed|to serve|to garnish|for serving|optional)\W*$/i;
/** Most lines name one food and say so plainly. */
const MAY_HOLD_SEVERAL = /[+&,;(:]|\b(?:and|plus|with|in|over|on|each)\b/i;
const HAS_EACH = /\beach\b/i;
/** A list by commas of which at least two parts begin with an amount. */
const HAS_LIST =
  /[\d½⅓⅔¼¾⅛].*[,;]\s*(?:and\s+|plus\s+)?(?:about\s+)?(?:[\d½⅓⅔¼¾⅛]|an?\s|one\s|two\s|three\s|half\s|some\s)|\b(?:an?|one|two|three|half|some)\s.*[,;]\s*(?:and\s+|plus\s+)?(?:[\d½⅓⅔¼¾⅛]|an?\s|one\s|two\s|three\s|half\s|some\s)/i;
const HAS_JOINT = /[+&]|\b(?:and|plus|with|in|over|on)\b/i;
const MOST_CHARACTERS = 300;

const tokensOf = (text: string): string[] => spellFractions(text.toLowerCase()).trim().split(/\s+/);
const amountOf = (text: string): ReturnType<typeof readAmount> => readAmount(tokensOf(text));

const whole = (text: string): LinePart[] => [{ text, from: 0, to: text.length }];

/** Liquids a food lies or is cooked in, and is not eaten with as a food of its own. */
const BATHS = new Set([
  'water',
  'salt water',
  'cold water',
  'boiling water',
  'hot water',
  'warm water',
  'ice water',
  'brine',
  'juice',
]);
/** What a tin or jar is filled with: "artichokes in oil" is one food. */
const FILLINGS = new Set([
  ...BATHS,
  'oil',
  'olive oil',
  'sunflower oil',
  'vinegar',
  'syrup',
  'tomato juice',
  'tomato sauce',
  'water',
]);

interface Joint {
  kind: 'and' | 'with';
  /** Index of the food it joins, and of the first span of that food's part. */
  food: number;
  first: number;
  /** Where the part before it ends. */
  end: number;
}

/** The joint between a food and the next one; null where they are one thing, or only told apart by "or" or "without". */
function jointBetween(spans: readonly Span[], left: number, right: number, isList: boolean): Joint | null {
  let kind: Joint['kind'] | null = null;
  let first = right;
  let end = spans[left]!.to;
  let isWorked = false;
  for (let at = left + 1; at < right; at += 1) {
    const span = spans[at]!;
    if (span.kind === 'or' || span.kind === 'denial') return null;
    if (span.kind === 'and' || (span.kind === 'comma' && isList && kind === null)) {
      if (kind === 'with') continue;
      kind = 'and';
      first = at + 1;
      end = spans[at - 1]!.to;
    } else if (span.kind === 'comma') {
      // Form words may follow a comma: "carrots, peeled, and celery".
      continue;
    } else if (span.kind === 'with') {
      if (kind === 'and') return null;
      kind = 'with';
      first = at + 1;
      const before = spans[at - 1]!;
      isWorked = isParticiple(before);
      end = isWorked && at - 1 > left ? trimmedEnd(spans, left, at - 1) : before.to;
      if (isWorked && before.kind === 'word' && at - 1 > left) end = trimmedEnd(spans, left, at - 1);
    } else if (span.kind === 'open') {
      if (span.isInside) return null;
    } else if (!isFiller(span) && !isParticiple(span)) {
      // A strange word between two foods: it may belong to either, so nothing is parted.
      if (kind === null || span.kind !== 'word') return null;
    }
  }
  if (kind === null) return null;
  const name = spans[right]!.text;
  if (kind === 'with' && BATHS.has(name)) return null;
  if (kind === 'with' && !isWorked && FILLINGS.has(name)) return null;
  return { kind, food: right, first, end };
}

/** Where a part ends before a participle: not in the comma or bracket before it. */
function trimmedEnd(spans: readonly Span[], left: number, at: number): number {
  let index = at - 1;
  while (index > left && (spans[index]!.kind === 'comma' || spans[index]!.kind === 'open')) index -= 1;
  return spans[index]!.to;
}

const bare = (text: string): string =>
  text
    .replace(/^[\s,;&+(]+|[\s,;(]+$/g, '')
    .replace(
      /^(?:and|plus|a (?:mix|mixture|blend|combination) of|(?:mix|mixture|blend|combination) of)\s+/i,
      '',
    )
    .trim();

/** Closes a bracket that the part was cut out of, and opens none. */
function balanced(text: string): string {
  const opens = (text.match(/\(/g) ?? []).length;
  const closes = (text.match(/\)/g) ?? []).length;
  if (closes > opens) return text.replace(/\)(?=[^)]*$)/, '').trim();
  return opens > closes ? text.replace(/\((?=[^(]*$)/, '').trim() : text;
}

/** An amount told with each of several foods that share it: asked, never shared out by guess. */
function withShared(texts: string[], amountText: string): string[] {
  return texts.map((text) => `${text} (part of ${amountText})`);
}

/** "1 tsp each of cumin and coriander", "cumin and coriander, 1 tsp each", "2 each carrots and leeks". */
function eachOf(text: string, larder: FoodSet): LinePart[] | null {
  const lead = /^(.{1,40}?)\s+(?:of )?each(?: of)?[:,]?\s+(.+)$/i.exec(text);
  const tail = /^(.+?)[,:]?\s+((?:about )?[\d½⅓⅔¼¾⅛][^,]{0,20}|an? [a-z]+)\s+(?:of )?each\W*$/i.exec(text);
  const [amount, rest] = lead ? [lead[1]!, lead[2]!] : tail ? [tail[2]!, tail[1]!] : ['', ''];
  if (amount === '' || amountOf(amount) === null) return null;
  const foods = rest
    .split(/\s*,\s*(?:and\s+)?|\s+(?:and|&|plus)\s+/i)
    .map((each) => each.trim())
    .filter(Boolean);
  if (foods.length < 2 || !foods.every((each) => spansOf(each, larder).some(({ kind }) => kind === 'food')))
    return null;
  return foods.map((food) => {
    const from = text.indexOf(food);
    return { text: `${amount} ${food}`, from, to: from + food.length };
  });
}

/** "Dressing: 3 tbsp tahini, 1 lime, 1 tbsp syrup": a list with its label, on one line. */
function labelled(text: string, larder: FoodSet): LinePart[] | null {
  const found = /^\s*((?:for (?:the )?)?[a-z][a-z' -]{1,30}):\s+(.+)$/i.exec(text);
  if (!found) return null;
  const parts = listed(found[2]!, larder);
  if (!parts || parts.length < 2) return null;
  const offset = text.length - found[2]!.length;
  const part = found[1]!.replace(/^for (?:the )?/i, '').trim();
  return parts.map((each) => ({ ...each, from: each.from + offset, to: each.to + offset, part }));
}

/** Parts of a list by commas and a last "and", where each names a food and most begin with an amount. */
function listed(text: string, larder: FoodSet): LinePart[] | null {
  const parts: LinePart[] = [];
  let depth = 0;
  let from = 0;
  for (let at = 0; at <= text.length; at += 1) {
    const sign = text[at];
    if (sign === '(') depth += 1;
    if (sign === ')') depth -= 1;
    const isEnd =
      at === text.length ||
      (depth <= 0 && (sign === ',' || sign === ';') && !/^[,;]\d{3}\b/.test(text.slice(at)));
    if (!isEnd) continue;
    const piece = text.slice(from, at).replace(/[.\s]+$/, '');
    const plain = piece.replace(/^\s*(?:and|plus|&)\s+/i, '').trimStart();
    if (plain !== '')
      parts.push({
        text: plain,
        from: at - (text.slice(from, at).length - (piece.length - plain.length)),
        to: from + piece.length,
      });
    from = at + 1;
  }
  const hasFood = ({ text: each }: LinePart): boolean =>
    spansOf(each, larder).some(({ kind }) => kind === 'food');
  const counted = parts.filter(({ text: each }) => amountOf(each) !== null);
  if (parts.length < 2 || counted.length < 2 || counted.length < parts.length * 0.6 || !parts.every(hasFood))
    return null;
  return parts.flatMap((each) =>
    splitLine(each.text, larder).map((inner) => ({
      ...inner,
      from: each.from + inner.from,
      to: each.from + inner.to,
    })),
  );
}

/**
 * "Buns, lettuce, pickles to serve": foods by commas without any amount. Two at least are whole names, and what nobody knows among
 * them is a line to decide; "carrots, peeled, sliced" is one food.
 */
function bareList(text: string, larder: FoodSet): LinePart[] | null {
  const tail = SHARED_TAIL.exec(text);
  const body = tail ? text.slice(0, tail.index) : text;
  if (!/,.*,/.test(body) || /[\d½⅓⅔¼¾⅛():;]|\bor\b/.test(body)) return null;
  const parts: LinePart[] = [];
  for (const { 0: piece, index } of body.matchAll(/[^,]+/g)) {
    const plain = piece.replace(/^\s*(?:and|plus|&)\s+/i, '').trim();
    if (plain === '') continue;
    const from = index + piece.indexOf(plain);
    parts.push({ text: plain, from, to: from + plain.length });
  }
  const isWhole = ({ text: each }: LinePart): boolean => {
    const spans = spansOf(each, larder);
    return spans.length === 1 && spans[0]!.kind === 'food';
  };
  const isOdd = ({ text: each }: LinePart): boolean =>
    /^\p{L}{3,}$/u.test(each) && !isFormWord(each.toLowerCase());
  const foods = parts.filter(isWhole).length;
  if (
    parts.length < 3 ||
    foods < 2 ||
    amountOf(body) !== null ||
    !parts.every((each) => isWhole(each) || isOdd(each))
  )
    return null;
  return parts.map((each) => ({ ...each, text: `${each.text}${tail ? ` ${tail[1]}` : ''}` }));
}

/** The parts of a line by the joints between its foods. */
function joinedFoods(text: string, larder: FoodSet): LinePart[] {
  const tail = SHARED_TAIL.exec(text);
  const body = tail ? text.slice(0, tail.index) : text;
  const spans = spansOf(body, larder);
  const foods = spans.flatMap(({ kind }, index) => (kind === 'food' ? [index] : []));
  if (foods.length < 2) return whole(text);
  const isList =
    foods.length >= 3 && !spans.some(({ kind }) => kind === 'or') && spans.some(({ kind }) => kind === 'and');
  const parts: { from: number; to: number; kind: Joint['kind'] | 'first'; hasAmount: boolean }[] = [];
  let from = 0;
  let kind: Joint['kind'] | 'first' = 'first';
  let last = foods[0]!;
  for (const next of foods.slice(1)) {
    const joint = jointBetween(spans, last, next, isList);
    last = next;
    if (!joint) continue;
    parts.push({
      from,
      to: joint.end,
      kind,
      hasAmount: amountOf(bare(body.slice(from, joint.end))) !== null,
    });
    from = spans[joint.first]?.from ?? joint.end;
    kind = joint.kind;
  }
  if (parts.length === 0) return whole(text);
  parts.push({ from, to: body.length, kind, hasAmount: amountOf(bare(body.slice(from))) !== null });
  const shared = tail ? ` ${tail[1]}` : '';
  const texts = parts.map((each) => balanced(bare(body.slice(each.from, each.to))));
  // "200 g almonds and walnuts": the first amount is said for all that follow it by "and" without one of their own.
  const told = texts.map((each) => each);
  const first = amountOf(texts[0]!);
  const alike = parts.findIndex((each, index) => index > 0 && (each.kind === 'with' || each.hasAmount));
  const sharing = alike === -1 ? parts.length : alike;
  if (first && sharing > 1) {
    const amountText = texts[0]!
      .slice(0, texts[0]!.length - afterAmount(texts[0]!).length)
      .replace(/\s+of\s*$/i, '')
      .trim();
    const names = [bare(afterAmount(texts[0]!)), ...texts.slice(1, sharing)];
    withShared(names, amountText).forEach((each, index) => (told[index] = each));
  }
  return parts.map((each, index) => ({ text: `${told[index]}${shared}`, from: each.from, to: each.to }));
}

/** What follows the amount of a text, as it is written. */
function afterAmount(text: string): string {
  const amount = amountOf(text);
  if (!amount) return text;
  const words = tokensOf(text).slice(amount.end).join(' ');
  const at = text.toLowerCase().lastIndexOf(words.split(' ')[0] ?? '');
  const found = text.toLowerCase().indexOf(words);
  return found >= 0 ? text.slice(found) : at >= 0 ? text.slice(at) : text;
}

/** The lines that one written line holds; most lines hold one. Nothing of the text is lost but the words that joined them. */
export function splitLine(text: string, larder: FoodSet): LinePart[] {
  if (text.length > MOST_CHARACTERS || !MAY_HOLD_SEVERAL.test(text)) return whole(text);
  const fruit = JUICE_AND_ZEST.exec(text.trim());
  if (fruit)
    return [`${fruit[3]} of ${fruit[5]}`, `${fruit[4]} of ${fruit[5]}`].map((each) => ({
      text: each,
      from: 0,
      to: text.length,
    }));
  // One look each spares most lines the rules below.
  const parts =
    (text.includes(':') ? labelled(text, larder) : null) ??
    (HAS_EACH.test(text) ? eachOf(text, larder) : null) ??
    (HAS_LIST.test(text) ? listed(text, larder) : null) ??
    (text.includes(',') ? bareList(text, larder) : null);
  return parts ?? (HAS_JOINT.test(text) ? joinedFoods(text, larder) : whole(text));
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
  const amounts = parts.filter(
    (part) => amountOf(part) !== null || /^(?:some|a (?:bit|little|lot)) /i.test(part),
  );
  return parts.length >= 2 && amounts.length >= parts.length * 0.6 ? parts : null;
}
