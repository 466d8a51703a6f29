/** What the words around a mention make of it: said absent, a likeness, a plant version, an alternative, "the" one. */
import { isSaidAbsent } from './absence';
import type { Token } from './tokens';

/** How a mention is meant. Only `said` lets it stand for what goes in; nothing here ever clears a whole dish. */
export interface Frame {
  /** "nut-free", "no soy", "instead of butter": not in it, by the text's own word. */
  isAbsent: boolean;
  /** "walnut-sized", "the colour of honey": no food at all. */
  isLikeness: boolean;
  /** "vegan butter", "feta-style": a product is meant that stands in its place. */
  isVersion: boolean;
  /** "wheat-free pasta", "gluten-free bread": what it is made of instead is for the pack to say. */
  isGrainFree: boolean;
  /** "almond flavour", "peanut substitute": whether it holds any is for the pack to say. */
  isFlavour: boolean;
  /** "or honey", "(sesame is nice)": it may go in or not. */
  isOpenChoice: boolean;
  /** "the milk": one that was named before. */
  isDefinite: boolean;
}

/** A mention with nothing said around it. */
export const PLAIN_FRAME: Frame = {
  isAbsent: false,
  isLikeness: false,
  isVersion: false,
  isGrainFree: false,
  isFlavour: false,
  isOpenChoice: false,
  isDefinite: false,
};

const words = (text: string): ReadonlySet<string> => new Set(text.split(' '));
const VERSION_BEFORE = words(
  'vegan vegans plant plantbased mock faux fake imitation dairyfree eggfree meatfree meatless nondairy vegetarian veggie egglees eggless',
);
const VERSION_AFTER = words(
  'style alternative alternatives substitute substitutes replacement replacer analogue flavour flavoured flavor flavored',
);
const FREE_VERSIONS = words('dairy egg meat milk lactose');
const GRAINS = words('wheat gluten');
const LIKE_AFTER = words('sized size shaped shape coloured colored like brown yellow');
const DEFINITE = words(
  'the your this that these those remaining reserved rest prepared drained soaked more extra our my its half same other last',
);
const CHOICE_BEFORE = words('or maybe perhaps possibly eg');
const CHOICE_AFTER = words('optional nice preferred');

/** The first token before a place that is no slipped-in word. */
function before(tokens: readonly Token[], at: number, slipped: ReadonlySet<string>, most = 3): number {
  let index = at - 1;
  for (let count = 0; count < most && index >= 0 && slipped.has(tokens[index]!.word); count += 1) {
    if (tokens[index + 1]!.gap === 'stop') return -1;
    index -= 1;
  }
  return index;
}

/** Words between a likeness and what it is like: none that starts something new, and no "the". */
const FEW = '(?:(?!(?:the|and|or|with|then|add|plus|of|it|needs?|wants?) )\\w+ ){0,2}$';
const LIKENESSES: readonly RegExp[] = [
  `\\b(?:sizes?|sized|colou?r|consistency|texture|thickness|shapes?) of ${FEW}`,
  `\\b(?:looks?|looked|looking|feels?|feeling) (?:\\w+ )?like ${FEW}`,
  `\\b(?:fry|cook|bake|grill|shape|roll|fold|spread|cut|stack|treat|eat|much|just) (?:them |it |these |this )?like ${FEW}`,
  `\\bresembl\\w+ ${FEW}`,
  `\\b(?:not|never|wont|dont|nor) miss (?:the |any )?${FEW}`,
  `\\bsmell(?:s|ing)? of ${FEW}`,
  `\\bas (?:big|small|large|thick|thin|soft|fine|smooth|brown|pale|dark|sticky|runny|light|loose|stiff) as ${FEW}`,
  `\\b(?:bigger|smaller|larger|thicker|thinner|finer|coarser|darker|lighter) than ${FEW}`,
].map((pattern) => new RegExp(pattern));
const MAY_BE_LIKENESS = words('of like as than miss');

function isLikenessAt(tokens: readonly Token[], from: number, end: number): boolean {
  const after = tokens[end];
  if (after && after.gap !== 'stop' && after.gap !== 'break' && LIKE_AFTER.has(after.word))
    if (after.gap === 'hyphen' || /^(?:sized|shaped|colou?red)$/.test(after.word)) return true;
  let first = from;
  let isTold = false;
  while (first > 0 && from - first < 6 && tokens[first]!.gap !== 'stop' && tokens[first]!.gap !== 'break') {
    first -= 1;
    isTold ||= MAY_BE_LIKENESS.has(tokens[first]!.word) || tokens[first]!.word.startsWith('resembl');
  }
  if (!isTold) return false;
  const back = `${tokens
    .slice(first, from)
    .map(({ word }) => word)
    .join(' ')} `;
  return LIKENESSES.some((pattern) => pattern.test(back));
}

/**
 * The frame of a mention.
 * @param from index of its first token
 * @param end index after its last token
 * @param starts of every mention of the text, its last token to its first
 */
export function frameOf(
  tokens: readonly Token[],
  from: number,
  end: number,
  starts: ReadonlyMap<number, number>,
): Frame {
  const next = tokens[end];
  const isNear = next !== undefined && (next.gap === 'space' || next.gap === 'hyphen');
  const index = before(tokens, from, words('a the some my your'), 2);
  const previous = index >= 0 && tokens[index + 1]!.gap !== 'stop' ? tokens[index]!.word : '';
  const based = previous === 'based' && tokens[index - 1]?.word === 'plant';
  const saidFree = previous === 'free' && tokens[index]!.gap !== 'break';
  const freeVersion = saidFree && FREE_VERSIONS.has(tokens[index - 1]?.word ?? '');
  const nonDairy = previous === 'dairy' && tokens[index - 1]?.word === 'non';
  return {
    isAbsent: isSaidAbsent(tokens, from, end, starts),
    isLikeness: isLikenessAt(tokens, from, end),
    isVersion:
      VERSION_BEFORE.has(previous) ||
      based ||
      freeVersion ||
      nonDairy ||
      (isNear && VERSION_AFTER.has(next.word)),
    isGrainFree: saidFree && GRAINS.has(tokens[index - 1]?.word ?? ''),
    isFlavour: isNear && VERSION_AFTER.has(next.word),
    isOpenChoice: CHOICE_BEFORE.has(previous) || isChoiceAfter(tokens, end),
    isDefinite: isDefiniteAt(tokens, from),
  };
}

function isChoiceAfter(tokens: readonly Token[], end: number): boolean {
  for (let index = end; index < Math.min(end + 3, tokens.length); index += 1) {
    if (tokens[index]!.gap === 'stop') return false;
    if (CHOICE_AFTER.has(tokens[index]!.word)) return true;
  }
  return false;
}

function isDefiniteAt(tokens: readonly Token[], from: number): boolean {
  for (let index = from - 1; index >= Math.max(0, from - 3); index -= 1) {
    const gap = tokens[index + 1]!.gap;
    if (gap === 'stop' || gap === 'break') return false;
    if (DEFINITE.has(tokens[index]!.word)) return true;
  }
  return false;
}

/** Words that are verbs of a method and name no food then: "cream the nuts", "toast until brown". */
const VERBS = words('cream creamed creaming toast mince minced fish wrap stock batter roll milk rib');
/** In the singular never the food, which is named in the plural: "sprinkle with salt", "a sprinkle of salt". */
const NEVER_FOOD = words('sprinkle');
const AFTER_VERB = words(
  'the it them together until till out your both each a over up all lightly gently well',
);

/** What is creamed: fat and sugar. "Cream butter" is an order, not a food. */
const CREAMED = words('margarine butter sugar shortening fat coconut spread');
const WRAPS = words('wrap roll toast fish');

/** "Into the hot sauce": what is in the pan, where a thing goes in; a bottle is added. */
export function isPlaceOfWork(tokens: readonly Token[], from: number, end: number): boolean {
  if (tokens[from]!.word !== 'hot' || tokens[end - 1]!.word !== 'sauce') return false;
  return (
    tokens[from - 1]?.word === 'the' &&
    /^(?:into|in|to|under|over|through)$/.test(tokens[from - 2]?.word ?? '')
  );
}

/** Whether a word is a verb where it stands: at the head of a clause, with its object after it. */
export function isVerb(tokens: readonly Token[], at: number): boolean {
  const { word, gap } = tokens[at]!;
  if (NEVER_FOOD.has(word)) return true;
  if (!VERBS.has(word)) return false;
  const previous = tokens[at - 1]?.word ?? '';
  const isHead =
    gap === 'stop' || gap === 'break' || at === 0 || ['and', 'then', 'to', 'or'].includes(previous);
  const next = tokens[at + 1];
  if (
    WRAPS.has(word) &&
    isHead &&
    next?.gap === 'space' &&
    /^(?:in|into|with|on|round|around)$/.test(next.word)
  )
    return true;
  if (word === 'cream' && isHead && next?.gap === 'space' && CREAMED.has(next.word)) return true;
  return isHead && next !== undefined && next.gap === 'space' && AFTER_VERB.has(next.word);
}
