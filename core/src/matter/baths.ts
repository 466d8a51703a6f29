/**
 * Baths: what food lies in and is lifted out of. Oil it is fried in, water it is soaked, boiled or steamed in, a marinade, salt it
 * weeps under, the liquid it is strained out of. Read from the words of the method; what they leave open is open.
 */
import { deepFryingStep, type Recipe } from '../recipe';
import { type Bath, bathOf, BOILS, byIds, gramsOf, heaviestOf, solids } from './bath';
import { drainingAfter, isItself, KEEPS, OBJECT } from './draining';
import { type ActLine, isCalled, type Moment, momentsOf } from './moments';
import { boilings, soakings, steamings } from './water-baths';

const MARINADE_GONE =
  /\b(?:discard|throw (?:away|out)|drain(?: off)?|pour (?:off|away)|shake off|wipe off)(?: and discard)?(?: \w+){0,2} (?:marinade|brine)\b|\b(?:lift|take|remove)(?: \w+){0,4} (?:out of|from) (?:the |its )?(?:marinade|brine)\b|\bdrain and discard\b/;

/** What food lies in for taste: a marinade, a brine, hot vinegar. */
const MARINATES =
  /\bmarinat|\bmarinade\b|\bbrine\b|\bferment|\bpickl|\bpour\b[^.]*\bvinegar\b[^.]*\bover\b|\bpour\b[^.]*\bover\b[^.]*\b(?:days?|weeks?)\b/;
/** Long enough for salt and sugar to even out between food and liquid, or so sour that they do. */
const LONG = /\b(?:days?|weeks?|overnight|ferment|pickl\w*|vinegar)\b/i;

/** A marinade or brine that is thrown away: all but the heaviest food it names. */
function marinatings(lines: readonly ActLine[], moments: readonly Moment[]): Bath[] {
  return moments.flatMap((moment, index): Bath[] => {
    if (!MARINATES.test(moment.text)) return [];
    const after = moments.slice(index).filter(({ stepIndex }) => stepIndex <= moment.stepIndex + 2);
    const here = byIds(lines, moment.step.reading.lineIds);
    const heaviest = heaviestOf(solids(here)) ?? heaviestOf(solids(lines));
    if (!heaviest) return [];
    const isGone =
      after.some(({ text }) => MARINADE_GONE.test(text)) ||
      (!after.some(({ text }) => KEEPS.test(text)) &&
        drainingAfter(moment, 0, [heaviest], after, BOILS) !== null);
    const wet = (list: readonly ActLine[]): ActLine[] =>
      list.filter(
        (line) =>
          line !== heaviest && (line.isLiquid || line.isFat || line.isSalt || line.isSoluble || line.isWater),
      );
    // "Marinate the tofu": in what no other step uses.
    const elsewhere = new Set(
      moments.filter(({ step }) => step !== moment.step).flatMap(({ lineIds }) => lineIds),
    );
    const liquid = wet(here).length > 0 ? wet(here) : wet(lines).filter(({ id }) => !elsewhere.has(id));
    return isGone && liquid.length > 0
      ? [bathOf('marinating', [heaviest], liquid, moment, { isLong: LONG.test(moment.step.text) })]
      : [];
  });
}

/** Salt that is left to draw water; a dish that is only seasoned is none. */
const WEEPS = /\b(?:leave|leav|stand|weep|draw|sit|rest|minutes?|hours?)/;
const RINSES = /\b(?:rinse|wash)(?:d|ed|ing)?\b(?: (?:off|away))?/;

/** Whether a sentence rinses some foods: by name, or naming nothing else. */
function rinses(text: string, foods: readonly ActLine[]): boolean {
  const found = RINSES.exec(text);
  if (!found) return false;
  const [, said] = OBJECT.exec(text.slice(found.index + found[0].length)) ?? [];
  return isItself(said) || said === 'salt' || foods.some((food) => isCalled(food, said!));
}

/** Salt that draws water and is rinsed off. */
function saltings(lines: readonly ActLine[], moments: readonly Moment[]): Bath[] {
  return moments.flatMap((moment, index): Bath[] => {
    const salt = byIds(lines, moment.lineIds).filter(({ isSalt }) => isSalt);
    const named = solids(byIds(lines, moment.lineIds));
    const heaviest = heaviestOf(solids(lines));
    const foods = named.length > 0 ? named : heaviest ? [heaviest] : [];
    if (salt.length === 0 || foods.length === 0 || BOILS.test(moment.text)) return [];
    const isRinsed =
      WEEPS.test(moment.step.text.toLowerCase()) &&
      moments
        .slice(index)
        .some(({ text, stepIndex }) => stepIndex <= moment.stepIndex + 1 && rinses(text, foods));
    return isRinsed ? [bathOf('salting', foods, salt, moment)] : [];
  });
}

const STRAINS =
  /\bstrain|\bsieve\b|\b(?:nut|milk) (?:milk )?bag\b|\bmuslin\b|\bcheesecloth\b|\bthrough a (?:fine )?(?:clean )?(?:cloth|towel|filter)/;
const SOLIDS_GONE =
  /\bdiscard|\bthrow (?:away|out)|\bcompost|\bwithout the (?:solids|vegetables|pulp|leaves)|\bremove the (?:bag|leaves)/;
const SOLIDS_KEPT =
  /\b(?:keep|reserv|return|put back)\w*(?: \w+){0,3} (?:vegetables|solids|mushrooms|pulp|beans)\b/;
const STEEPS = /\b(?:steep|infus|brew)/;
/** Dishes that are the liquid: what gave it its taste is not eaten. */
const IS_LIQUID = /\b(?:stock|broth|tea|infusion|dashi|cordial|milk|drink)\b/i;
const BLENDS = /\bblend|\bgrind|\bwhizz|\bpur[ée]e/;

/** Liquid strained off what gave it its taste: the solids stay behind, but for what passes. */
function strainings(recipe: Recipe, lines: readonly ActLine[], moments: readonly Moment[]): Bath[] {
  return moments.flatMap((moment, index): Bath[] => {
    const found = STRAINS.exec(moment.text);
    if (!found || /\b(?:sieve|sift) (?:the |in |together )?(?:flour|icing|cocoa)/.test(moment.text))
      return [];
    const soFar = moments.slice(0, index + 1);
    const rest = moments.slice(index + 1);
    const before = new Set(soFar.flatMap(({ step }) => step.reading.lineIds));
    const isAll = soFar.every(({ lineIds }) => lineIds.length === 0);
    const later = new Set(rest.flatMap(({ lineIds }) => lineIds));
    const held = solids(lines).filter(({ id }) => (isAll || before.has(id)) && !later.has(id));
    const isInIt = ({ id }: ActLine): boolean =>
      isAll || before.has(id) || moments.every((each) => !each.lineIds.includes(id));
    const liquid = lines.filter((line) => (line.isLiquid || line.isWater) && isInIt(line));
    if (held.length === 0 || gramsOf(liquid) < gramsOf(held)) return [];
    // "Strain the noodles" drains them.
    const [, object] = OBJECT.exec(moment.text.slice(found.index + found[0].length)) ?? [];
    const isDraining = !isItself(object) && held.some((line) => isCalled(line, object!));
    const isSteeped =
      [moment, ...rest].some(({ text }) => SOLIDS_GONE.test(text)) ||
      soFar.some(({ text }) => STEEPS.test(text)) ||
      IS_LIQUID.test(recipe.name);
    const isStrained = isSteeped || soFar.some(({ text }) => BLENDS.test(text));
    if (isDraining || !isStrained || moments.some(({ text }) => SOLIDS_KEPT.test(text))) return [];
    return [bathOf('straining', liquid, held, moment)];
  });
}

const FRIES =
  /\bfr(?:y|ies|ied|ying)\b|\bhot oil\b|\bfryer\b|\binto the oil\b|\b(?:heat|bring) the oil to (?:about )?\d|\boil (?:is at|reaches|to) \d/;
/** A line that says what its fat is for. */
const FOR_FRYING = /\b(?:for|to) (?:deep[- ]?|shallow[- ]?)?fry(?:ing)?\b/;
/** Fried by the batch and taken out again: the fat stays behind. */
const LIFTED =
  /\bin (?:\w+ )?batches\b|\bhot oil\b|\binto the oil\b|\blower(?:ed)? \w+ into\b|\b(?:lift|take|scoop)(?:ed)?(?: \w+){0,3} out\b|\b(?:kitchen|absorbent) paper\b|\bdrain(?:ed)? (?:\w+ )?on\b|\bon (?:both|each) sides?\b|\bturning once\b/;
const NO_FRYING =
  /\b(?:blend|whisk|dress|drizzle|pickle|confit|infuse|marinat|preserve|knead|bake|oven|roast|emulsif|mix|stir|shape)/;
/** Fat that is more than this share of what is fried in it is a bath and no film on a pan; said "shallow", more than that. Between
 * a film and a bath it is asked (conventions). */
const BATH_SHARE = { plain: 0.3, shallow: 0.12, asked: 0.18 } as const;

/**
 * Frying in a bath of fat: a method that says so, or one that fries while the list holds more fat than a pan takes up. More than
 * a film, or much fat and no word of frying, is asked.
 */
function fryings(recipe: Recipe, lines: readonly ActLine[], moments: readonly Moment[]): Bath[] {
  const fats = lines.filter(({ isFat }) => isFat);
  if (fats.length === 0) return [];
  const all = lines.filter(({ isFat, isWater }) => !isFat && !isWater);
  // A batter or a mix is fried whole, whatever the step names of it.
  const isMixed = moments.some(({ text }) => /\b(?:batter|shape|fritter|mix)/.test(text));
  const friedAt = (at: Moment): ActLine[] => {
    const named = solids(byIds(lines, at.step.reading.lineIds));
    return named.length > 0 && !isMixed ? named : lines.filter(({ isFat }) => !isFat);
  };
  const over = (share: number, foods: readonly ActLine[]): ActLine[] =>
    fats.filter(({ grams }) => grams > share * gramsOf(foods.filter(({ isWater }) => !isWater)));
  const bath = (at: Moment, bathFats: readonly ActLine[], isSaid: boolean): Bath[] =>
    bathFats.length > 0 ? [bathOf('frying', friedAt(at), bathFats, at, { isSaid })] : [];
  const deep = moments.find(({ step }) => step === deepFryingStep(recipe.steps));
  if (deep) return bath(deep, fats, true);
  const fries = moments.find(({ text }) => FRIES.test(text));
  if (fries) {
    // "Fry the onion in the oil" starts a pot: the oil stays with what comes after.
    const foods = moments.some(({ text }) => LIFTED.test(text)) ? friedAt(fries) : all;
    const much = over(BATH_SHARE.plain, foods);
    if (much.length > 0) return bath(fries, much, true);
    if (/\bshallow/.test(fries.text)) return bath(fries, over(BATH_SHARE.shallow, foods), true);
    return bath(fries, over(BATH_SHARE.asked, foods), false);
  }
  const cooks = moments.find(({ text }) => /\b(?:cook|heat|golden|crisp|brown)/.test(text));
  const isCold = moments.some(({ text }) => NO_FRYING.test(text));
  if (!cooks || isCold) return [];
  const much = over(BATH_SHARE.plain, all);
  return bath(
    cooks,
    much,
    much.some(({ text }) => FOR_FRYING.test(text)),
  );
}

/** Every bath of a recipe, in the order soaked, salted, marinated, boiled, steamed, fried, strained. */
export function bathsOf(recipe: Recipe, lines: readonly ActLine[]): Bath[] {
  if (recipe.steps.length === 0 && !lines.some(({ text }) => /\bsoaked\b/.test(text))) return [];
  const moments = momentsOf(recipe, lines);
  return [
    ...soakings(lines, moments),
    ...saltings(lines, moments),
    ...marinatings(lines, moments),
    ...boilings(recipe, lines, moments),
    ...steamings(lines, moments),
    ...fryings(recipe, lines, moments),
    ...strainings(recipe, lines, moments),
  ];
}
