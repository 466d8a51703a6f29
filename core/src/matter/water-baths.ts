/** Water food is soaked, boiled or steamed in, read from the moments of a method. */
import type { Recipe } from '../recipe';
import { type Bath, bathOf, BOILS, byIds, gramsOf, solids } from './bath';
import { drainingAfter, DRAINS, KEEPS } from './draining';
import { type ActLine, isCalled, type Moment, watersOf } from './moments';

const FOR_SOAKING = /\b(?:for|to) (?:the )?soak/;
/** Soaking by its name, or by water that is poured over. */
const SOAKS =
  /\bsoak(?:ing)?\b(?! water| liquid| liquor)|\bpour(?:ed|ing)? (?:\w+ ){0,2}(?:boiling|hot|just-boiled|kettle) water\b|\bcover(?:ed|ing)? (?:\w+ ){0,4}(?:with|in) (?:the )?(?:boiling|hot|just-boiled|cold|warm|plenty of|lots of)(?: \w+)? water\b/;
const HOT = /\b(?:boiling|hot|just-boiled|kettle)(?: \w+)? water\b/;

/** Soaking: steps that soak, and lines that say "soaked overnight" of themselves. */
export function soakings(lines: readonly ActLine[], moments: readonly Moment[]): Bath[] {
  const baths: Bath[] = [];
  const seen = new Set<string>();
  for (const [index, moment] of moments.entries()) {
    const found = SOAKS.exec(moment.text);
    if (!found) continue;
    const named = byIds(lines, moment.lineIds).filter(({ isDrinker }) => isDrinker);
    const drinkers = lines.filter(({ isDrinker, id }) => isDrinker && !seen.has(id));
    // "Soak overnight": the dry pulses of the list, else what else drinks.
    const dry = drinkers.filter(({ isBoilable }) => isBoilable);
    const foods = named.length > 0 ? named : dry.length > 0 ? dry : drinkers;
    // "Cover with water and boil" is the boil's.
    const isBoiled =
      !found[0].startsWith('soak') && BOILS.test(moment.text.slice(found.index + found[0].length));
    if (foods.length === 0 || isBoiled) continue;
    const liquid = soakingLiquid(moment, index, lines, moments);
    const draining = drainingAfter(moment, found.index, foods, moments, BOILS);
    if (!draining && liquid.length > 0) continue;
    // Soaked in water nobody lists: that water was not in the dish, unless it is kept.
    if (!draining && moments.some(({ text }) => KEEPS.test(text))) continue;
    for (const { id } of foods) seen.add(id);
    baths.push(bathOf('soaking', foods, liquid, moment, { draining, isHot: HOT.test(moment.text) }));
  }
  const said = lines.filter(
    ({ id, isDrinker, text }) => isDrinker && !seen.has(id) && /,.*\bsoaked\b/.test(text),
  );
  if (said.length === 0) return baths;
  const liquid = lines.filter(({ isWater, text }) => isWater && FOR_SOAKING.test(text));
  return [...baths, bathOf('soaking', said, liquid, null)];
}

/** Lines of what something soaks in: another liquid that is named, else water that some word gives to the soak. */
function soakingLiquid(
  moment: Moment,
  index: number,
  lines: readonly ActLine[],
  moments: readonly Moment[],
): ActLine[] {
  const drink = byIds(lines, moment.lineIds).filter(({ isLiquid, isWater }) => isLiquid && !isWater);
  if (drink.length > 0) return drink;
  // Water that no word gives to the soak is what it is cooked in afterwards.
  const isGiven =
    /\b(?:in|with) (?:the|all the|half the|\d)[^.]*\bwater/.test(moment.text) ||
    /\bpour/.test(moment.text) ||
    lines.some(({ isWater, text }) => isWater && FOR_SOAKING.test(text)) ||
    !moments.slice(index + 1).some(({ text }) => BOILS.test(text) || /\bfresh water/.test(text));
  return isGiven ? byIds(lines, watersOf(moment, lines, FOR_SOAKING, moments)) : [];
}

/** What a sentence without a food of its own speaks of: the foods of its step, else those named last before it. */
function subjectOf(moment: Moment, lines: readonly ActLine[], moments: readonly Moment[]): ActLine[] {
  const inStep = solids(byIds(lines, moment.step.reading.lineIds));
  if (inStep.length > 0) return inStep;
  for (let index = moments.indexOf(moment) - 1; index >= 0; index -= 1) {
    const before = solids(byIds(lines, moments[index]!.lineIds));
    if (before.length > 0) return before;
  }
  // "Soak overnight. Boil for an hour": the dry pulses of the list.
  return lines.filter(({ isDrinker, isBoilable }) => isDrinker && isBoilable);
}

/** Where the dish is the liquid, plenty of water is no bath. */
const WET_DISH =
  /\b(?:soup|broth|stock|stew|porridge|congee|curry|sauce|chowder|dal|dhal|gravy|drink|tea|syrup|blend|pur[ée]e|mash|thick(?:en)?s?|creamy|absorb\w*|fall(?:s|en|ing)? apart|collapse|slow cooker)\b/i;
const NOODLE_SOUP = /\b(?:soup|broth|ramen|laksa|pho|minestrone|stock)\b/i;
/** So many times its own weight in water, and it is not said what becomes of it (convention). */
const PLENTY = { dry: 5, otherwise: 1.5 } as const;

/** Boiling in plenty of liquid that is poured off. The food's steam is then the bath's. */
export function boilings(recipe: Recipe, lines: readonly ActLine[], moments: readonly Moment[]): Bath[] {
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
    const other = byIds(lines, moment.lineIds).filter(({ isLiquid, isWater }) => isLiquid && !isWater);
    const liquid = (
      other.length > 0
        ? other
        : byIds(lines, watersOf(moment, lines, /\b(?:for|to) (?:the )?(?:boil|cook|blanch|poach)/, moments))
    ).filter(({ id }) => !baths.some(({ liquidIds }) => liquidIds.includes(id)));
    const draining = drainingAfter(moment, found.index, foods, moments, BOILS);
    if (!draining && !isPlenty(recipe, foods, liquid, lines, moments)) continue;
    for (const { id } of foods) boiled.add(id);
    baths.push(bathOf('boiling', foods, liquid, moment, { isSaid: draining !== null, draining }));
  }
  return baths;
}

/** Whether water is so much that it can only be cooking water, in a dish that is no soup. */
function isPlenty(
  { name }: Pick<Recipe, 'name'>,
  foods: readonly ActLine[],
  liquid: readonly ActLine[],
  lines: readonly ActLine[],
  moments: readonly Moment[],
): boolean {
  if (!liquid.some(({ isWater }) => isWater) || !foods.every(({ isBoilable }) => isBoilable)) return false;
  const wet = foods.every(({ isNoodle }) => isNoodle) ? NOODLE_SOUP : WET_DISH;
  if (wet.test(name) || moments.some(({ text }) => wet.test(text) || KEEPS.test(text))) return false;
  const needs = foods.reduce(
    (sum, each) => sum + each.grams * (each.isDrinker ? PLENTY.dry : PLENTY.otherwise),
    0,
  );
  // Much else in the pot would be a stew.
  const others = gramsOf(solids(lines)) - gramsOf(foods);
  return gramsOf(liquid) > needs && others < gramsOf(foods) * 2;
}

/** Water under a steamer never meets the food. */
export function steamings(lines: readonly ActLine[], moments: readonly Moment[]): Bath[] {
  return moments.flatMap((moment): Bath[] => {
    if (
      !/\bsteam(?:ed|er|ing)?\b(?! (?:hot|off|dry|out|away))/.test(moment.text) ||
      /own steam|covered pan|until steaming/.test(moment.text)
    )
      return [];
    const foods = solids(byIds(lines, moment.lineIds));
    const liquid = byIds(lines, watersOf(moment, lines, /\b(?:for|to) (?:the )?steam/, moments));
    return foods.length > 0 && liquid.length > 0 ? [bathOf('steaming', foods, liquid, moment)] : [];
  });
}
