/** Draining, read from words: what is poured off or lifted out, what is named in it, and what of the liquid is kept back. */
import { type ActLine, isCalled, type Moment } from './moments';

export const DRAINS =
  /\b(?:drain|(?:and|then|are|is) drained)\b(?! (?:if|any|only|most|some|a little|excess)\b)|\b(?:pour|tip|throw) (?:off |away |out )?(?:the |its |all |this )?(?:cooking |soaking )?(?:water|liquid)\b(?: (?:off|away|out))?|\bdiscard(?:ing)? (?:the |its |all )?(?:cooking |soaking |boiling )?(?:water|liquid)|\bstrain\b|\b(?:in|into|through) a (?:colander|sieve|strainer)\b|\b(?:lift|scoop|take|fish)(?:ed)?(?: \w+){0,3} out\b|\bslotted spoon\b|\btongs\b|\b(?:refresh|rins)(?:e|ed)? (?:\w+ ){0,2}(?:in|under|with) (?:iced|cold)|\bplunge[ds]? (?:\w+ ){0,2}into (?:iced|cold)|\bsqueeze(?:d)? (?:\w+ )?dry\b/;
/** What dry food leaves of its water is poured or pressed off: it has drunk its fill. */
const EXCESS =
  /\b(?:drain|squeez|pour|press)\w*(?: off| out| away)? (?:off |out |away )?(?:the |any |all )?excess\b|\bexcess (?:water|liquid)\b/;
/** What may stand after "drain" without naming another food. */
const ITSELF =
  /^(?:them|it|well|thoroughly|immediately|again|and|off|in|into|through|then|before|when|as|on|very|briefly|with|to|return|until|under|water|pot|pan|lot|everything|slightly|over|using|from|dry|clean|off|away|briefly)$/;
/** Liquid that is kept is no bath: "drain, keeping the water", "lift out and reduce the liquor". */
export const KEEPS =
  /\b(?:keep|reserv|sav|retain|hold)(?:e|ing)?(?: back)?\b[^.]*\b(?:water|liquid|liquor|broth)\b|\b(?:if|when) (?:needed|necessary|wet)\b|\bexcess\b|\b(?:with|in|and) (?:its|their|the) (?:own )?(?:soaking |cooking )(?:water|liquid|liquor)\b|\b(?:reduc|boil down|thicken)\w* the (?:cooking )?(?:liquor|liquid|syrup|juices?|broth)\b/;
/** Of what is kept back only so much: "reserving 200 ml of the cooking liquid", "keep a ladle of the water". */
const KEEPS_SOME =
  /\b(?:keep|reserv|sav)(?:e|ing)?(?: back)? (?:about |around )?(?:(\d+) ?(ml|g|l|litres?)\b|a (cup|mug|ladle\w*|splash|little|glass)\b|(some|half)\b)/;
const KEPT_GRAMS: Readonly<Record<string, number>> = {
  cup: 240,
  mug: 250,
  ladle: 100,
  ladleful: 100,
  glass: 200,
};
/** A splash, a little, some (convention). */
const A_LITTLE = 50;

export const OBJECT =
  /^(?:\s*(?:,|and) (?!and\b|then\b)[a-z]+(?= )(?! (?:and|then)\b))?(?: (?:the|all|your|both|these|those))*(?: ([a-z]+))?/;

/** Whether a word after an act names no food. */
export const isItself = (said: string | undefined): boolean => said === undefined || ITSELF.test(said);

/** What is less of the pot than this is a flavouring, and no food that is drained (convention). */
const BULK_SHARE = 0.2;

/** What a draining drains: the food in question by name, nothing named, or something else. */
function drained(
  text: string,
  { index, 0: found }: RegExpExecArray,
  foods: readonly ActLine[],
): 'named' | 'bare' | 'other' {
  const [, said] = OBJECT.exec(text.slice(index + found.length)) ?? [];
  if (!said || isItself(said)) {
    // "Strain" alone keeps the liquid and leaves the food behind; "strain them" drains.
    const isStrained = found === 'strain' && said !== 'them' && said !== 'well' && said !== 'off';
    return isStrained ? 'other' : 'bare';
  }
  // "Fish out the bay leaf" drains nothing: it is the bulk that is drained.
  const bulk = foods.reduce((sum, { grams }) => sum + grams, 0) * BULK_SHARE;
  return foods.some((food) => food.grams >= bulk && isCalled(food, said)) ? 'named' : 'other';
}

/** What became of the liquid of an act. */
export interface Draining {
  /** Only what the food has not drunk by itself: it had its fill. */
  isExcess: boolean;
  /** Grams of the liquid that are kept back and used. */
  keptGrams: number;
}

function keptBack(text: string, moments: readonly Moment[]): number {
  const found = KEEPS_SOME.exec(text);
  if (
    !found ||
    !moments.some((each) =>
      /\breserved\b|\b(?:cooking|pasta|starchy|soaking|bean) (?:water|liquid|liquor)\b|\bof the (?:water|liquid)\b/.test(
        each.text,
      ),
    )
  )
    return 0;
  const [, figure, unit, vessel] = found;
  const grams = figure
    ? Number(figure) * (unit!.startsWith('l') ? 1000 : 1)
    : (KEPT_GRAMS[vessel ?? ''] ?? A_LITTLE);
  // A cup is kept, and a splash of it is used.
  const isSplash = moments.some((each) =>
    /\ba (?:splash|little|spoonful) of (?:the|its|that) /.test(each.text),
  );
  return isSplash ? Math.min(grams, A_LITTLE) : grams;
}

/** Whether liquid is kept whole; a part that is measured or scooped off is no whole. */
const isKept = (text: string): boolean => KEEPS.test(text) && !KEEPS_SOME.test(text) && !EXCESS.test(text);

/**
 * What is drained of what a moment starts: later in the same sentence, in what follows it, or wherever its food is drained by name;
 * null where nothing is.
 * @param from where in the moment's own text the search begins
 * @param starts what puts another pot on the heat
 */
export function drainingAfter(
  moment: Moment,
  from: number,
  foods: readonly ActLine[],
  moments: readonly Moment[],
  starts: RegExp,
): Draining | null {
  const first = moments.indexOf(moment);
  let isOtherPot = false;
  for (let index = first; index < moments.length; index += 1) {
    const at = moments[index]!;
    const text = index === first ? at.text.slice(from) : at.text;
    const found = DRAINS.exec(text);
    // Another pot is on the heat: a bare "drain" after it is that pot's.
    const isElsewhere =
      index > first && at.lineIds.length > 0 && !foods.some(({ id }) => at.lineIds.includes(id));
    const isOtherHere: boolean =
      isOtherPot || (isElsewhere && starts.test(found ? text.slice(0, found.index) : text));
    const isNear = at.stepIndex <= moment.stepIndex + 1 && !isOtherHere;
    if (isNear && EXCESS.test(text) && !/\b(?:if|when)\b/.test(text)) return { isExcess: true, keptGrams: 0 };
    isOtherPot = isOtherHere || (isElsewhere && starts.test(text));
    if (!found || isKept(at.text)) continue;
    const what = drained(text, found, foods);
    // "Simmer the tomatoes, then drain the chickpeas": named, and not what was cooked.
    if (what === 'named' || (what === 'bare' && isNear))
      return {
        isExcess: false,
        keptGrams: keptBack([at.text, moments[index - 1]?.text ?? ''].join(' '), moments),
      };
  }
  return null;
}
