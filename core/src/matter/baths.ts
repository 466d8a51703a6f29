/**
 * Baths: what food lies in and is lifted out of. Oil it is fried in, water it is soaked, boiled or steamed in, a marinade, salt it
 * weeps under, the liquid it is strained out of. Read from the words of the method; what they leave open is open.
 */
import type { Recipe } from '../recipe/recipe';
import { deepFryingStep } from '../recipe/work';
import { isCalled, momentsOf, watersOf, type ActLine, type Moment } from './moments';

export type BathKind = 'frying' | 'boiling' | 'soaking' | 'steaming' | 'marinating' | 'salting' | 'straining';

export interface Bath {
  kind: BathKind;
  /** What the food lies in, by line; empty where the list names none of it. */
  liquidIds: readonly string[];
  foodIds: readonly string[];
  /** The moment it begins; null where only a line of the list says so. */
  moment: Moment | null;
  /** Whether the words say that what is not taken up stays out of the dish. Where not, it is the cook's to say. */
  isSaid: boolean;
}

const DRAINS =
  /\b(?:drain|(?:and|then|are|is) drained)\b(?! (?:if|any|only|most|some|a little|excess)\b)|\b(?:pour|tip|throw) (?:off |away |out )?(?:the |its |all |this )?(?:cooking |soaking )?(?:water|liquid)\b(?: (?:off|away|out))?|\bdiscard(?:ing)? (?:the |its |all )?(?:cooking |soaking |boiling )?(?:water|liquid)|\bstrain\b|\b(?:in|into|through) a colander\b|\b(?:lift|scoop|take|fish)(?:ed)?(?: \w+){0,3} out\b|\bslotted spoon\b|\brefresh(?:ed)? (?:\w+ )?(?:in|under) (?:iced|cold)/;
/** What may stand after "drain" without naming another food. */
const ITSELF =
  /^(?:them|it|well|thoroughly|immediately|again|and|off|in|into|through|then|before|when|as|on|very|briefly|with|to|return|until|under|water|pot|pan|lot|everything|slightly|over|using|from)$/;
/** Liquid that is kept is no bath: "drain, keeping the water". */
const KEEPS =
  /\b(?:keep|reserv|sav|retain|hold)(?:e|ing)?(?: back)?\b[^.]*\b(?:water|liquid|liquor|broth)\b|\b(?:if|when) (?:needed|necessary|wet)\b|\bexcess\b|\b(?:with|in|and) (?:its|their|the) (?:own )?(?:soaking |cooking )(?:water|liquid|liquor)\b/;

const OBJECT =
  /^(?:\s*(?:,|and) [a-z]+(?= )(?! (?:and|then)\b))?(?: (?:the|all|your|both|these|those))*(?: ([a-z]+))?/;

/** What is less of the pot than this is a flavouring, and no food that is drained (convention). */
const BULK_SHARE = 0.2;

/** What a draining drains: the food in question by name, nothing named, or something else. */
function drained(
  text: string,
  at: number,
  length: number,
  foods: readonly ActLine[],
): 'named' | 'bare' | 'other' {
  const [, said] = OBJECT.exec(text.slice(at + length)) ?? [];
  if (!said || ITSELF.test(said)) return 'bare';
  // "Fish out the bay leaf" drains nothing: it is the bulk that is drained.
  const bulk = foods.reduce((sum, { grams }) => sum + grams, 0) * BULK_SHARE;
  return foods.some((food) => food.grams >= bulk && isCalled(food, said)) ? 'named' : 'other';
}

const BOILS = /\b(?:boil|simmer|cook|blanch|parboil|poach)/;
const FOR_SOAKING = /\b(?:for|to) (?:the )?soak/;
const SOAKS = /\bsoak(?:ing)?\b(?! water| liquid| liquor)/;

/**
 * Whether what a moment starts is drained: later in the same sentence, in what follows it, or wherever its food is drained by name.
 * @param from where in the moment's own text the search begins
 */
function isDrainedAfter(
  moment: Moment,
  from: number,
  foods: readonly ActLine[],
  moments: readonly Moment[],
  starts: RegExp,
): boolean {
  const first = moments.indexOf(moment);
  for (let index = first; index < moments.length; index += 1) {
    const at = moments[index]!;
    const text = index === first ? at.text.slice(from) : at.text;
    const found = DRAINS.exec(text);
    if (found && !KEEPS.test(at.text)) {
      const what = drained(text, found.index, found[0].length, foods);
      // "Strain" alone keeps the liquid and leaves the food behind; "strain the noodles" drains them.
      if (
        what === 'bare' &&
        /^strain/.test(found[0]) &&
        !/^ (?:them|off|well)\b/.test(text.slice(found.index + 6))
      )
        continue;
      const isNear = at.stepIndex <= moment.stepIndex + 1;
      // "Simmer the tomatoes, then drain the chickpeas": named, and not what was cooked.
      if (what === 'named' || (what === 'bare' && isNear)) return true;
    }
    // Another pot is on the heat: a bare "drain" is that pot's.
    if (
      index > first &&
      starts.test(at.text) &&
      at.lineIds.length > 0 &&
      !foods.some(({ id }) => at.lineIds.includes(id))
    )
      return moments.slice(index).some(({ text: later }) => {
        const named = DRAINS.exec(later);
        return (
          named !== null &&
          !KEEPS.test(later) &&
          drained(later, named.index, named[0].length, foods) === 'named'
        );
      });
  }
  return false;
}

const solids = (lines: readonly ActLine[]): ActLine[] =>
  lines.filter(
    ({ isWater, isLiquid, isFat, isSalt, isSoluble }) =>
      !isWater && !isLiquid && !isFat && !isSalt && !isSoluble,
  );
const byIds = (lines: readonly ActLine[], ids: readonly string[]): ActLine[] => {
  const wanted = new Set(ids);
  return lines.filter(({ id }) => wanted.has(id));
};
const ids = (lines: readonly ActLine[]): string[] => lines.map(({ id }) => id);
const heaviestOf = (lines: readonly ActLine[]): ActLine | undefined =>
  lines.reduce<ActLine | undefined>(
    (most, line) => (most && most.grams >= line.grams ? most : line),
    undefined,
  );

/** Soaking: steps that soak, and lines that say "soaked overnight" of themselves. */
function soakings(lines: readonly ActLine[], moments: readonly Moment[]): Bath[] {
  const baths: Bath[] = [];
  const seen = new Set<string>();
  for (const moment of moments) {
    const found = SOAKS.exec(moment.text);
    if (!found) continue;
    const named = byIds(lines, moment.lineIds).filter(({ isDrinker }) => isDrinker);
    const drinkers = lines.filter(({ isDrinker, id }) => isDrinker && !seen.has(id));
    // "Soak overnight": the dry pulses of the list, else what else drinks.
    const dry = drinkers.filter(({ isBoilable }) => isBoilable);
    const foods = named.length > 0 ? named : dry.length > 0 ? dry : drinkers;
    if (foods.length === 0) continue;
    // Water that no word gives to the soak is what it is cooked in afterwards.
    const isGiven =
      /\b(?:in|with) (?:the|all the|half the|\d)[^.]*\bwater/.test(moment.text) ||
      lines.some(({ isWater, text }) => isWater && FOR_SOAKING.test(text)) ||
      !moments
        .slice(moments.indexOf(moment) + 1)
        .some(({ text }) => BOILS.test(text) || /\bfresh water/.test(text));
    const liquidIds = isGiven ? watersOf(moment, lines, FOR_SOAKING, moments) : [];
    // Other liquids it soaks in ("soak the oats in the oat drink") are drunk or stay: no bath.
    const isInDrink = byIds(lines, moment.lineIds).some(({ isLiquid, isWater }) => isLiquid && !isWater);
    const isDrained = isDrainedAfter(moment, found.index, foods, moments, BOILS);
    if (isInDrink || (!isDrained && liquidIds.length > 0)) continue;
    // Soaked in water nobody lists: that water was not in the dish.
    if (!isDrained && moments.some(({ text }) => KEEPS.test(text))) continue;
    for (const { id } of foods) seen.add(id);
    baths.push({ kind: 'soaking', liquidIds, foodIds: ids(foods), moment, isSaid: true });
  }
  const said = lines.filter(
    ({ id, isDrinker, text }) => isDrinker && !seen.has(id) && /,.*\bsoaked\b/.test(text),
  );
  if (said.length > 0) {
    const liquidIds = ids(
      lines.filter(({ isWater, text }) => isWater && /\b(?:for|to) (?:the )?soak/.test(text)),
    );
    baths.push({ kind: 'soaking', liquidIds, foodIds: ids(said), moment: null, isSaid: true });
  }
  return baths;
}

/** What a sentence without a food of its own speaks of: the foods of its step, else those named last before it. */
function subjectOf(moment: Moment, lines: readonly ActLine[], moments: readonly Moment[]): ActLine[] {
  const inStep = solids(byIds(lines, moment.step.reading.lineIds));
  if (inStep.length > 0) return inStep;
  for (let index = moments.indexOf(moment) - 1; index >= 0; index -= 1) {
    const before = solids(byIds(lines, moments[index]!.lineIds));
    if (before.length > 0) return before;
  }
  return [];
}

/** Where the dish is the liquid, plenty of water is no bath. */
const WET_DISH =
  /\b(?:soup|broth|stock|stew|porridge|congee|curry|sauce|chowder|dal|dhal|gravy|drink|tea|syrup|blend|pur[ée]e|mash)/i;
/** So many times its own weight in water, beyond what it drinks, and it is not said what becomes of it (convention). */
const PLENTY = { dry: 4, otherwise: 1.5 } as const;

/** Boiling in plenty of water that is poured off. The food's steam is then the bath's. */
function boilings(recipe: Recipe, lines: readonly ActLine[], moments: readonly Moment[]): Bath[] {
  const baths: Bath[] = [];
  const boiled = new Set<string>();
  for (const moment of moments) {
    const found = BOILS.exec(moment.text);
    if (!found || /\b(?:steam|oven|bake|roast|fry|griddle)/.test(moment.text)) continue;
    const drain = DRAINS.exec(moment.text.slice(found.index));
    const before = drain ? moment.text.slice(0, found.index + drain.index) : moment.text;
    const here = solids(byIds(lines, moment.lineIds)).filter((line) => isCalled(line, before));
    const named = here.length > 0 ? here : subjectOf(moment, lines, moments);
    const foods = named.filter(({ id }) => !boiled.has(id));
    if (foods.length === 0) continue;
    const liquidIds = watersOf(
      moment,
      lines,
      /\b(?:for|to) (?:the )?(?:boil|cook|blanch|poach)/,
      moments,
    ).filter((id) => !baths.some((bath) => bath.liquidIds.includes(id)));
    const isDrained = isDrainedAfter(moment, found.index, foods, moments, BOILS);
    if (!isDrained && !isPlenty(recipe, foods, byIds(lines, liquidIds), lines, moments)) continue;
    for (const { id } of foods) boiled.add(id);
    baths.push({ kind: 'boiling', liquidIds, foodIds: ids(foods), moment, isSaid: isDrained });
  }
  return baths;
}

/** Whether water is so much that it can only be cooking water, in a dish that is no soup. */
function isPlenty(
  { name }: Pick<Recipe, 'name'>,
  foods: readonly ActLine[],
  waters: readonly ActLine[],
  lines: readonly ActLine[],
  moments: readonly Moment[],
): boolean {
  if (waters.length === 0 || !foods.every(({ isBoilable }) => isBoilable)) return false;
  if (WET_DISH.test(name) || moments.some(({ text }) => WET_DISH.test(text) || KEEPS.test(text)))
    return false;
  const grams = (list: readonly ActLine[]): number => list.reduce((sum, each) => sum + each.grams, 0);
  const needs = foods.reduce(
    (sum, each) => sum + each.grams * (each.isDrinker ? PLENTY.dry : PLENTY.otherwise),
    0,
  );
  // Much else in the pot would be a stew.
  const others = grams(solids(lines)) - grams(foods);
  return grams(waters) > needs && others < grams(foods) * 2;
}

/** Water under a steamer never meets the food. */
function steamings(lines: readonly ActLine[], moments: readonly Moment[]): Bath[] {
  return moments.flatMap((moment): Bath[] => {
    if (
      !/\bsteam(?:ed|er|ing)?\b(?! (?:hot|off|dry|out|away))/.test(moment.text) ||
      /own steam|covered pan|until steaming/.test(moment.text)
    )
      return [];
    const foods = solids(byIds(lines, moment.lineIds));
    const liquidIds = watersOf(moment, lines, /\b(?:for|to) (?:the )?steam/, moments);
    return foods.length > 0 && liquidIds.length > 0
      ? [{ kind: 'steaming', liquidIds, foodIds: ids(foods), moment, isSaid: true }]
      : [];
  });
}

const MARINADE_GONE =
  /\b(?:discard|throw (?:away|out)|drain(?: off)?|pour (?:off|away)|shake off|wipe off)(?: and discard)?(?: \w+){0,2} (?:marinade|brine)\b|\b(?:lift|take|remove)(?: \w+){0,4} (?:out of|from) (?:the |its )?(?:marinade|brine)\b|\bdrain and discard\b/;

/** A marinade or brine that is thrown away: all but the heaviest food it names. */
function marinatings(lines: readonly ActLine[], moments: readonly Moment[]): Bath[] {
  return moments.flatMap((moment, index): Bath[] => {
    if (!/\bmarinat|\bmarinade\b|\bbrine\b/.test(moment.text)) return [];
    const isGone = moments
      .slice(index)
      .some(({ text, stepIndex }) => stepIndex <= moment.stepIndex + 2 && MARINADE_GONE.test(text));
    const here = byIds(lines, moment.step.reading.lineIds);
    const heaviest = heaviestOf(solids(here)) ?? heaviestOf(solids(lines));
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
    return isGone && heaviest && liquid.length > 0
      ? [{ kind: 'marinating', liquidIds: ids(liquid), foodIds: [heaviest.id], moment, isSaid: true }]
      : [];
  });
}

/** Salt that draws water and is rinsed off. */
function saltings(lines: readonly ActLine[], moments: readonly Moment[]): Bath[] {
  return moments.flatMap((moment, index): Bath[] => {
    const salt = byIds(lines, moment.lineIds).filter(({ isSalt }) => isSalt);
    const named = solids(byIds(lines, moment.lineIds));
    const [heaviest] = named.length > 0 ? named : [heaviestOf(solids(lines))];
    if (salt.length === 0 || !heaviest || BOILS.test(moment.text)) return [];
    const foods = named.length > 0 ? named : [heaviest];
    const isRinsed = moments
      .slice(index)
      .some(
        ({ text, stepIndex }) =>
          stepIndex <= moment.stepIndex + 1 && /\brinse|\bwash (?:off|away)/.test(text),
      );
    return isRinsed
      ? [{ kind: 'salting', liquidIds: ids(salt), foodIds: ids(foods), moment, isSaid: true }]
      : [];
  });
}

const STRAINS =
  /\bstrain|\bsieve\b|\b(?:nut|milk) (?:milk )?bag\b|\bmuslin\b|\bcheesecloth\b|\bthrough a (?:fine )?(?:clean )?(?:cloth|towel|filter)/;
const SOLIDS_GONE =
  /\bdiscard|\bthrow (?:away|out)|\bcompost|\bwithout the (?:solids|vegetables|pulp|leaves)|\bremove the (?:bag|leaves)/;

/** Liquid strained off what gave it its taste: the solids stay behind, but for what passes. */
function strainings(lines: readonly ActLine[], moments: readonly Moment[]): Bath[] {
  return moments.flatMap((moment, index): Bath[] => {
    const found = STRAINS.exec(moment.text);
    if (!found || /\b(?:sieve|sift) (?:the |in |together )?(?:flour|icing|cocoa)/.test(moment.text))
      return [];
    const [, object] = OBJECT.exec(moment.text.slice(found.index + found[0].length)) ?? [];
    const before = new Set(
      moments
        .slice(0, index + 1)
        .flatMap(({ step, stepIndex }) => (stepIndex <= moment.stepIndex ? step.reading.lineIds : [])),
    );
    const isAll = moments.slice(0, index + 1).every(({ lineIds }) => lineIds.length === 0);
    const later = new Set(moments.slice(index + 1).flatMap(({ lineIds }) => lineIds));
    const held = solids(lines).filter(({ id }) => (isAll || before.has(id)) && !later.has(id));
    const liquid = lines.filter(
      ({ isLiquid, isWater, id }) =>
        (isLiquid || isWater) &&
        (isAll || before.has(id) || moments.every((each) => !each.lineIds.includes(id))),
    );
    const grams = (list: readonly ActLine[]): number => list.reduce((sum, each) => sum + each.grams, 0);
    if (held.length === 0 || grams(liquid) < grams(held)) return [];
    // "Strain the noodles" drains them.
    const isDraining =
      object !== undefined && !ITSELF.test(object) && held.some((line) => isCalled(line, object));
    const isKept = moments.some(({ text }) =>
      /\b(?:keep|reserv|return|put back)\w*(?: \w+){0,3} (?:vegetables|solids|mushrooms|pulp|beans)\b/.test(
        text,
      ),
    );
    const isSteeped =
      SOLIDS_GONE.test(moment.text) ||
      moments.slice(index + 1).some(({ text }) => SOLIDS_GONE.test(text)) ||
      /\b(?:steep|infus|brew|stock|tea)\b/.test(
        moments
          .slice(0, index + 1)
          .map(({ text }) => text)
          .join(' '),
      );
    const isBlended = moments
      .slice(0, index + 1)
      .some(({ text }) => /\bblend|\bgrind|\bwhizz|\bpur[ée]e/.test(text));
    if (isDraining || isKept || (!isSteeped && !isBlended)) return [];
    return [{ kind: 'straining', liquidIds: ids(held), foodIds: ids(liquid), moment, isSaid: true }];
  });
}

const FRIES = /\bfr(?:y|ies|ied|ying)\b|\bhot oil\b|\bfryer\b|\binto the oil\b/;
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
  const others = lines
    .filter(({ isFat, isWater }) => !isFat && !isWater)
    .reduce((sum, { grams }) => sum + grams, 0);
  const fatsOver = (share: number): ActLine[] =>
    lines.filter(({ isFat, grams }) => isFat && grams > share * others);
  const bath = (at: Moment | undefined, fats: readonly ActLine[], isSaid: boolean): Bath[] => {
    if (!at || fats.length === 0) return [];
    const named = solids(byIds(lines, at.step.reading.lineIds));
    // A batter or a mix is fried whole, whatever the step names of it.
    const isMixed = /\b(?:batter|shape|fritter|mix)/.test(moments.map(({ text }) => text).join(' '));
    const foods = named.length > 0 && !isMixed ? named : lines.filter(({ isFat }) => !isFat);
    return [{ kind: 'frying', liquidIds: ids(fats), foodIds: ids(foods), moment: at, isSaid }];
  };
  const deep = deepFryingStep(recipe.steps);
  if (deep)
    return bath(
      moments.find(({ step }) => step === deep),
      lines.filter(({ isFat }) => isFat),
      true,
    );
  const fries = moments.find(({ text }) => FRIES.test(text));
  if (fries) {
    if (fatsOver(BATH_SHARE.plain).length > 0) return bath(fries, fatsOver(BATH_SHARE.plain), true);
    if (/\bshallow/.test(fries.text)) return bath(fries, fatsOver(BATH_SHARE.shallow), true);
    return bath(fries, fatsOver(BATH_SHARE.asked), false);
  }
  const cooks = moments.find(({ text }) => /\b(?:cook|heat|golden|crisp|brown)/.test(text));
  const isCold = moments.some(({ text }) => NO_FRYING.test(text));
  return cooks && !isCold ? bath(cooks, fatsOver(BATH_SHARE.plain), false) : [];
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
    ...strainings(lines, moments),
  ];
}
