/**
 * Absence is a closed grammar: only a plain statement for everybody ("no nuts", "without butter", "nut-free", "we leave out the
 * flour") makes a mention absent. What it governs is its list; where another list, amount or clause begins it ends. Whatever else
 * speaks of an allergen (a warning, a condition, a group of people, a time, a denied denial, a question) leaves it open.
 */
import type { Token } from './tokens';

const words = (text: string): ReadonlySet<string> => new Set(text.split(' '));

/** Words that may stand between a denial and what is not there. */
const SLIPPED = words(
  'any the a an added extra more real actual dairy of your de d di des du dodatku zusatz',
);
const DENIALS = words(
  'without no minus sans omit omitting skip skipping non not zero excluding avoid avoiding neither nor ' +
    'ohne sin senza sem zonder bez kein keine keinen keinerlei geen',
);
/** Denials of two words, as they stand before what is denied. */
const PAIRS: readonly (readonly [string, string])[] = [
  ['free', 'from'], ['free', 'of'], ['instead', 'of'], ['place', 'of'], ['lieu', 'of'], ['rather', 'than'],
  ['leave', 'out'], ['leaving', 'out'], ['leaves', 'out'], ['left', 'out'], ['contains', 'no'], ['contain', 'no'], ['pas', 'de'],
]; // prettier-ignore
/** "We do not use flour": a verb that puts in, and what denies it. */
const PUTTING = words(
  'use uses used using add adds added contain contains include includes have has need needs put',
);
const DENYING = words('not dont doesnt didnt never nothing cannot');
const NOTHING = words('nothing here in this it dish of the recipe we ever');

/** What makes a statement more, or less, than one for everybody and for good. */
const SPOILERS = words(
  'not never cannot cant dont doesnt isnt arent wont wouldnt shouldnt didnt hasnt havent aint if unless when whenever whether ' +
    'can could may might maybe perhaps possibly sometimes usually often mostly normally generally occasionally rarely seldom nearly almost far hardly ' +
    'barely practically virtually essentially basically supposedly allegedly ask asked asking request requested requests want wants prefer prefers ' +
    'like likes optional optionally possible people person persons guest guests customer customers someone anyone everyone nobody one child children kid kids ' +
    'adult adults toddler toddlers baby babies patient patients pupil pupils resident residents student students teacher diner diners staff table tables room rooms ward wards class group ' +
    'allergic allergy allergies intolerant intolerance intolerances coeliac coeliacs celiac celiacs sensitive suitable unsuitable safe unsafe warning warnings warn warns alert beware ' +
    'caution careful attention guarantee guaranteed guarantees promise once formerly was were previously earlier yesterday today tomorrow tonight weekdays ' +
    'weekends weekend monday tuesday wednesday thursday friday saturday sunday mondays tuesdays wednesdays thursdays fridays saturdays sundays lunch dinner only ' +
    'except excepting exception apart however although though otherwise again anymore longer version versions variant half other others another ' +
    'forget hope hopefully think should supposed claim claims claimed told said says either alternatively instead rather ' +
    'fail fails without no nor skip skipping skips omit omitting depends depending unlike until till yet since trays portions ' +
    'some most few fewer less them him her his hers their theirs vegetarian vegetarians',
);
/** What may follow the list of a denial in its clause and leave it plain. */
const TAIL = words(
  'in it this here the dish recipe food at all ever whatsoever needed required necessary used added of any kind sort anywhere either inside please involved whatever ' +
    'is are there then and so ingredients ingredient product products added today’s because by design recipe made our kitchen',
);
const PLACES = words(
  'a an the this that it its our low medium high gentle dry hot cold warm heat flame pan pans tin oven pot bowl dish saucepan skillet wok casserole lid covered large small big wide deep heavy ' +
    'own juice juices water salted sauce stock soup mixture recipe kitchen here menu list',
);
const LOOKS = words(
  'brown browned golden soft tender thick thickened crisp crispy smooth done cooked through just dry translucent clear coloured very it they is are the and fragrant evenly lightly well set firm hot warm reduced',
);
const TIMES = /^(?:minutes?|mins?|hours?|hrs?|seconds?|secs?|days?)$/;
const NUMBER =
  /^(?:\d+|an?|one|two|three|four|five|six|seven|eight|nine|ten|twelve|fifteen|twenty|thirty|forty|about|another|half)$/;
/** What ends the clause of a denial: something new begins. */
const CLAUSE = words('and then but while so plus before after with to as');

interface Sentence {
  from: number;
  /** After its last token. */
  to: number;
}

/** Only where the text itself ends a sentence: a colon and a semicolon part clauses, and so does a line end. */
function sentenceAt(tokens: readonly Token[], at: number): Sentence {
  let from = at;
  while (from > 0 && tokens[from]!.gap !== 'stop') from -= 1;
  let to = at + 1;
  while (to < tokens.length && tokens[to]!.gap !== 'stop') to += 1;
  return { from, to };
}

/** The first token before a place that is no slipped-in word. */
function before(tokens: readonly Token[], at: number, most = 3): number {
  let index = at - 1;
  for (let count = 0; count < most && index >= 0 && SLIPPED.has(tokens[index]!.word); count += 1) {
    if (tokens[index + 1]!.gap === 'stop') return -1;
    index -= 1;
  }
  return index;
}

/** Where a verb that puts in is denied: "we do not use", "nothing here contains"; -1 where it is not. */
function deniedVerb(tokens: readonly Token[], at: number): number {
  if (!PUTTING.has(tokens[at]!.word)) return -1;
  for (let index = at - 1, count = 0; index >= 0 && count < 6; index -= 1, count += 1) {
    if (tokens[index + 1]!.gap === 'stop' || tokens[index + 1]!.gap === 'break') return -1;
    const { word } = tokens[index]!;
    if (DENYING.has(word)) return index;
    if (word === 'do' || word === 'does') continue;
    if (!NOTHING.has(word)) return -1;
  }
  return -1;
}

/** Where the denial that stands right before a place begins; -1 where none does. */
export function denialBefore(tokens: readonly Token[], at: number): number {
  const index = before(tokens, at);
  const next = tokens[index + 1];
  if (index < 0 || !next || next.gap === 'stop' || next.gap === 'break') return -1;
  const word = tokens[index]!.word;
  const previous = tokens[index - 1]?.word ?? '';
  // "50 g Free From oats" are oats of a range that is called so.
  const isRange =
    previous === 'free' &&
    /^\d|^(?:g|kg|oz|lb|cups?|tbsp|tsp|packs?|bags?|box)$/.test(tokens[index - 2]?.word ?? '');
  if (!isRange && PAIRS.some(([one, other]) => other === word && one === previous)) return index - 1;
  // "of" and "de" were slipped over: "instead of the butter", "pas de beurre".
  if (
    (next.word === 'of' && ['instead', 'free', 'place', 'lieu'].includes(word)) ||
    (next.word === 'de' && word === 'pas')
  )
    return index;
  const verb = deniedVerb(tokens, index);
  if (verb >= 0) return verb;
  if (!DENIALS.has(word)) return -1;
  return word === 'no' && PUTTING.has(previous) ? index - 1 : index;
}

const JOINTS = words('and or nor und oder et ou ni y e o u ne en of i lub oraz ani noch nem');
const MOST_JOINED = 12;

/**
 * Where the denial begins whose list reaches a place: "no nuts, soy or gluten", "free from milk, egg and gluten". A comma
 * carries on only where the list ends in "or", or began with "free from".
 */
export function denialOfList(
  tokens: readonly Token[],
  at: number,
  starts: ReadonlyMap<number, number>,
): number {
  let index = at;
  let hasComma = false;
  let hasOr = false;
  for (let count = 0; count < MOST_JOINED; count += 1) {
    const joint = tokens[index - 1];
    const isWord = joint !== undefined && JOINTS.has(joint.word);
    const isComma = tokens[index]!.gap === 'break' || (isWord && joint.gap === 'break');
    if (!isWord && tokens[index]!.gap !== 'break') return -1;
    if (tokens[index]!.gap === 'stop') return -1;
    if (isWord && joint.word !== 'and') hasOr = true;
    if (isComma) hasComma = true;
    const start = starts.get(isWord ? index - 2 : index - 1);
    if (start === undefined) return -1;
    const denial = denialBefore(tokens, start);
    if (denial >= 0) {
      const isFree = tokens[denial]!.word === 'free';
      return !hasComma || isFree || hasOr || endsInOr(tokens, at, starts) ? denial : -1;
    }
    index = start;
  }
  return -1;
}

/** Whether the list that goes on after a place ends in "or". */
function endsInOr(tokens: readonly Token[], at: number, starts: ReadonlyMap<number, number>): boolean {
  const ends = new Map([...starts].map(([end, start]) => [start, end]));
  let end = ends.get(at);
  for (let count = 0; count < MOST_JOINED && end !== undefined; count += 1) {
    const next = tokens[end + 1];
    if (!next || next.gap === 'stop') return false;
    if (next.word === 'or' || next.word === 'nor') return ends.has(end + 2);
    if (next.gap !== 'break') return false;
    end = ends.get(end + 1);
  }
  return false;
}

/** After the last mention that the list of a denial joins to a place. */
function listEnd(tokens: readonly Token[], end: number, starts: ReadonlyMap<number, number>): number {
  const ends = new Map([...starts].map(([last, start]) => [start, last + 1]));
  let at = end;
  for (let count = 0; count < MOST_JOINED; count += 1) {
    const next = tokens[at];
    if (!next || next.gap === 'stop') return at;
    const from = JOINTS.has(next.word) ? at + 1 : next.gap === 'break' ? at : -1;
    if (from < 0) return at;
    // "without butter, ohne Mehl": another denial with its own list.
    let item = from;
    while (
      item < tokens.length &&
      (DENIALS.has(tokens[item]!.word) || SLIPPED.has(tokens[item]!.word)) &&
      tokens[item]!.gap !== 'stop'
    )
      item += 1;
    const last = ends.get(item);
    if (last === undefined) return at;
    at = last;
  }
  return at;
}

/** Whether what follows the list in its clause leaves the statement a plain one. */
function isPlainTail(tokens: readonly Token[], at: number, to: number): boolean {
  const first = tokens[at];
  if (at >= to || !first || first.gap === 'break') return true;
  let end = at;
  while (end < to && (end === at || tokens[end]!.gap !== 'break')) end += 1;
  const tail = tokens.slice(at, end).map(({ word }) => word);
  const [head = '', ...rest] = tail;
  if (head === 'for')
    return (
      rest.length >= 2 && rest.slice(0, -1).every((word) => NUMBER.test(word)) && TIMES.test(rest.at(-1)!)
    );
  if (head === 'until') return rest.length > 0 && rest.every((word) => LOOKS.has(word));
  if (
    ['in', 'on', 'over', 'at', 'into', 'under'].includes(head) &&
    rest.every((word) => PLACES.has(word) || TAIL.has(word))
  )
    return true;
  if (CLAUSE.has(head)) return !tail.some((word) => HARD.has(word));
  return tail.every((word) => TAIL.has(word));
}

/** Words that spoil a statement from anywhere in its sentence: a condition, a group, a time. */
const HARD = words(
  'mostly usually nearly almost largely partly probably hopefully perhaps maybe possibly ' +
    'if unless whenever whether except excepting exception apart only request requested optional optionally sometimes guests guest customers children kids ' +
    'child table tables room ward allergic allergy intolerant coeliacs coeliac warning unsafe unsuitable otherwise although depending fridays mondays tuesdays wednesdays ' +
    'thursdays saturdays sundays weekends weekdays today tomorrow yesterday ask version option options available people anyone someone',
);

const FOREIGN = words('ohne sin senza sem zonder bez kein keine keinen keinerlei geen pas sans');
/** What may stand beside a denial in another language. */
const FOREIGN_BESIDE = words(
  'ist das gericht est ce cet plat es este plato e questo piatto prato jest to danie is dit gerecht und et y i en con de di d le la la les der die den dem el los un une a al ai au',
);

const FREE_PLACES = words('kitchen room zone area table corner shelf board counter site school ward');
const NO = /^(?:no|not|never|nope|false|unknown|nein|non|nie)$/;
const YES = /^(?:yes|true|always|all)$/;
const OR = words('or o ou oder of lub ou eller veya');

/** Whether a denial that begins at a place is a plain statement for everybody, in its sentence. */
export function isPlainDenial(
  tokens: readonly Token[],
  denial: number,
  end: number,
  starts: ReadonlyMap<number, number>,
  isAdjective = false,
): boolean {
  const { from, to } = sentenceAt(tokens, denial);
  const isForeign = FOREIGN.has(tokens[denial]!.word);
  const after = tokens[to];
  const sign = after ? after.between : '';
  if (tokens[to - 1]!.isAsked || /\?/.test(sign)) return false;
  // "Dairy-free: no.", "gluten-free: ask."
  if (/:/.test(sign) && after && (isAdjective ? !YES.test(after.word) : NO.test(after.word))) return false;
  // "A nut-free kitchen next door" says it of a place.
  if (isAdjective && end < to && FREE_PLACES.has(tokens[end]!.word)) return false;
  const mentioned = new Set<number>();
  for (const [last, start] of starts) for (let at = start; at <= last; at += 1) mentioned.add(at);
  const last = listEnd(tokens, end, starts);
  // "With or without", "con o sin": said both ways.
  if (denial > from && OR.has(tokens[denial - 1]!.word) && !mentioned.has(denial - 2)) return false;
  if (isForeign) {
    for (let at = from; at < to; at += 1) {
      const { word } = tokens[at]!;
      if (mentioned.has(at) || FOREIGN.has(word) || JOINTS.has(word) || FOREIGN_BESIDE.has(word)) continue;
      if (SLIPPED.has(word)) continue;
      return false;
    }
    return !/^(?:non|nicht|no|nao|niet|nie|pas)$/.test(tokens[denial - 1]?.word ?? '');
  }
  for (let at = from; at < denial; at += 1) {
    const { word } = tokens[at]!;
    // The denied list before this one: "no mustard and no mayonnaise".
    const isOfDenial = at + 1 < denial && mentioned.has(at + 1) && DENIALS.has(word);
    const isOneDenial =
      DENIALS.has(word) && [...starts.values()].some((start) => denialBefore(tokens, start) === at);
    if (isOfDenial || isOneDenial || mentioned.has(at)) continue;
    if (SPOILERS.has(word) || (word === 'used' && tokens[at + 1]?.word === 'to')) return false;
  }
  for (let at = last; at < to; at += 1) {
    const isBothWays = tokens[at]!.word === 'or' && /^with/.test(tokens[at + 1]?.word ?? '');
    if (HARD.has(tokens[at]!.word) || isBothWays) return false;
  }
  // "Nut-free spread" says it of the spread, whatever is done with that.
  return isAdjective || isPlainTail(tokens, last, to);
}

/** "Nut-free", "nut free": the word right after a mention. "Free range", "free from" say something else. */
export function isFreeAfter(tokens: readonly Token[], end: number): boolean {
  const next = tokens[end];
  if (!next || (next.gap !== 'space' && next.gap !== 'hyphen')) return false;
  const further = tokens[end + 1]?.gap === 'stop' ? '' : (tokens[end + 1]?.word ?? '');
  if (next.word === 'free') return !['range', 'from', 'of'].includes(further);
  return next.gap === 'hyphen' && next.word === 'less';
}

/** Whether the plain text itself says that a mention is not in the dish. */
export function isSaidAbsent(
  tokens: readonly Token[],
  from: number,
  end: number,
  starts: ReadonlyMap<number, number>,
): boolean {
  if (isFreeAfter(tokens, end)) return isPlainDenial(tokens, from, end + 1, starts, true);
  const denial = denialBefore(tokens, from);
  if (denial >= 0) return isPlainDenial(tokens, denial, end, starts);
  const ofList = denialOfList(tokens, from, starts);
  return ofList >= 0 && isPlainDenial(tokens, ofList, end, starts);
}
