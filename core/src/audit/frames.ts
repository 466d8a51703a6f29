/** What the words around a mention make of it: said absent, a likeness, a plant version, an alternative, "the" one. */
import type { Token } from './tokens';

/** How a mention is meant. Only `said` lets it stand for what goes in; nothing here ever clears a whole dish. */
export interface Frame {
  /** "nut-free", "no soy", "instead of butter": not in it, by the text's own word. */
  isAbsent: boolean;
  /** "walnut-sized", "the colour of honey": no food at all. */
  isLikeness: boolean;
  /** "vegan butter", "feta-style": a product is meant that stands in its place. */
  isVersion: boolean;
  /** "almond flavour", "peanut substitute": whether it holds any is for the pack to say. */
  isFlavour: boolean;
  /** "or honey", "(sesame is nice)": it may go in or not. */
  isOpenChoice: boolean;
  /** "the milk": one that was named before. */
  isDefinite: boolean;
}

const words = (text: string): ReadonlySet<string> => new Set(text.split(' '));
/** Words that may stand between "no" and what is not there. */
const SLIPPED = words('any the a an added extra more real actual dairy of your');
const DOUBLED = words(
  'not dont do never cannot cant wont isnt arent didnt wouldnt shouldnt havent nor without',
);
const NEGATIONS = words(
  'without no minus sans omit omitting skip skipping avoid avoiding non not zero excluding except',
);
const PAIRS: readonly (readonly [string, string])[] = [
  ['free', 'from'],
  ['free', 'of'],
  ['instead', 'of'],
  ['place', 'of'],
  ['lieu', 'of'],
  ['rather', 'than'],
  ['leave', 'out'],
  ['leaving', 'out'],
  ['allergic', 'to'],
  ['intolerant', 'to'],
  ['intolerant', 'of'],
  ['contains', 'no'],
  ['cannot', 'have'],
  ['cant', 'have'],
  ['cannot', 'eat'],
  ['cant', 'eat'],
];
const AFTER_ABSENT = words('allergy allergies allergic intolerance intolerant');
const VERSION_BEFORE = words(
  'vegan vegans plant plantbased mock faux fake imitation dairyfree eggfree meatfree meatless nondairy vegetarian veggie egglees eggless',
);
const VERSION_AFTER = words(
  'style alternative alternatives substitute substitutes replacement replacer analogue flavour flavoured flavor flavored',
);
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

/** Whether a word of denial stands right before a place, and is not denied itself. */
function isDeniedAt(tokens: readonly Token[], at: number): boolean {
  const index = before(tokens, at, SLIPPED);
  const next = tokens[index + 1];
  if (index < 0 || !next || next.gap === 'stop' || next.gap === 'break') return false;
  const word = tokens[index]!.word;
  const previous = tokens[index - 1]?.word ?? '';
  const isPair = PAIRS.some(([one, other]) => other === word && one === previous);
  // "of" was slipped over: "instead of the butter".
  const isSlippedPair =
    tokens[index + 1]!.word === 'of' && ['instead', 'free', 'place', 'lieu'].includes(word);
  if (!isPair && !isSlippedPair && !NEGATIONS.has(word)) return false;
  const denied = tokens[isPair ? index - 2 : index - 1]?.word ?? '';
  const further = tokens[isPair ? index - 3 : index - 2]?.word ?? '';
  return !DOUBLED.has(denied) && !(denied === 'to' && DOUBLED.has(further));
}

/**
 * Whether a list of denied things reaches a place: "no nuts, soy or gluten", "free from milk, egg and gluten". A comma
 * carries on only where the list ends in "or", or began with "free from".
 */
function isInDeniedList(tokens: readonly Token[], at: number, starts: ReadonlyMap<number, number>): boolean {
  // Walk back from mention to mention, each joined to the next.
  let index = at;
  let hasComma = false;
  let hasOr = false;
  for (let count = 0; count < 12; count += 1) {
    const joint = tokens[index - 1];
    const isWord =
      joint !== undefined && (joint.word === 'and' || joint.word === 'or' || joint.word === 'nor');
    const isComma = tokens[index]!.gap === 'break' || (isWord && joint.gap === 'break');
    if (!isWord && tokens[index]!.gap !== 'break') return false;
    if (tokens[index]!.gap === 'stop') return false;
    if (isWord && joint.word !== 'and') hasOr = true;
    if (isComma) hasComma = true;
    const lastOfPrevious = isWord ? index - 2 : index - 1;
    const start = starts.get(lastOfPrevious);
    if (start === undefined) return false;
    if (isDeniedAt(tokens, start)) {
      const free = tokens[start - 2]?.word === 'free';
      if (!hasComma) return true;
      return free || hasOr || listEndsInOr(tokens, at, starts);
    }
    index = start;
  }
  return false;
}

/** Whether the list that goes on after a place ends in "or". */
function listEndsInOr(tokens: readonly Token[], at: number, starts: ReadonlyMap<number, number>): boolean {
  const ends = new Map([...starts].map(([end, start]) => [start, end]));
  let end = ends.get(at);
  for (let count = 0; count < 12 && end !== undefined; count += 1) {
    const next = tokens[end + 1];
    if (!next || next.gap === 'stop') return false;
    if (next.word === 'or' || next.word === 'nor') return ends.has(end + 2);
    if (next.gap !== 'break') return false;
    end = ends.get(end + 1);
  }
  return false;
}

/** Words between a likeness and what it is like: none that starts something new, and no "the". */
const FEW = '(?:(?!(?:the|and|or|with|then|add|plus|of) )\\w+ ){0,2}$';
const LIKENESSES: readonly RegExp[] = [
  `\\b(?:sizes?|sized|colou?r|consistency|texture|thickness|shapes?) of ${FEW}`,
  `\\b(?:looks?|looked|looking|feels?|feeling) (?:\\w+ )?like ${FEW}`,
  `\\bresembl\\w+ ${FEW}`,
  `\\bsmell(?:s|ing)? of ${FEW}`,
  `\\bas (?:big|small|large|thick|thin|soft|fine|smooth|brown|pale|dark|sticky|runny|light|loose|stiff) as ${FEW}`,
  `\\b(?:bigger|smaller|larger|thicker|thinner|finer|coarser|darker|lighter) than ${FEW}`,
].map((pattern) => new RegExp(pattern));
const MAY_BE_LIKENESS = words('of like as than');

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
  const isFree =
    isNear &&
    (next.word === 'free' || (next.gap === 'hyphen' && next.word === 'less')) &&
    !['range', 'from', 'of'].includes(tokens[end + 1]?.gap === 'stop' ? '' : (tokens[end + 1]?.word ?? ''));
  const index = before(tokens, from, words('a the some my your'), 2);
  const previous = index >= 0 && tokens[index + 1]!.gap !== 'stop' ? tokens[index]!.word : '';
  const based = previous === 'based' && tokens[index - 1]?.word === 'plant';
  const freeVersion =
    previous === 'free' &&
    tokens[index]!.gap !== 'break' &&
    ['dairy', 'egg', 'meat', 'milk', 'lactose'].includes(tokens[index - 1]?.word ?? '');
  const nonDairy = previous === 'dairy' && tokens[index - 1]?.word === 'non';
  return {
    isAbsent:
      isFree ||
      (isNear && AFTER_ABSENT.has(next.word)) ||
      isDeniedAt(tokens, from) ||
      isInDeniedList(tokens, from, starts),
    isLikeness: isLikenessAt(tokens, from, end),
    isVersion:
      VERSION_BEFORE.has(previous) ||
      based ||
      freeVersion ||
      nonDairy ||
      (isNear && VERSION_AFTER.has(next.word)),
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

const WRAPS = words('wrap roll toast fish');

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
  return isHead && next !== undefined && next.gap === 'space' && AFTER_VERB.has(next.word);
}
