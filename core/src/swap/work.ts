/**
 * The work a food does in the dish it stands in, inferred from the whole recipe: its share of the mix, the water, the
 * fat, the leavening, the heat, the shape. A swap holds only in a work the food does here. All shares are conventions.
 */
import type { Composed, ComposedLine } from '../dish';
import { type Food, isLiquid, type SwapFunction } from '../food';
import { stagesOf } from '../recipe';
import { mustSet } from './setting';

/** What a food may be doing at a line; more than one where the recipe leaves it open. */
export interface Work {
  works: ReadonlySet<SwapFunction>;
  /** "it carries the batter". */
  words: string;
  /** The recipe leaves it open: the cook may say which. */
  isOpen: boolean;
}

/** Of a mix: flour up to here thickens, from there on it is what the mix is made of. */
const THICKENS_UP_TO = 0.1;
const CARRIES_FROM = 0.25;
/** Grams of liquid to a gram of flour from which a mix pours. */
const POURS_FROM = 0.85;
/** Grams of liquid to a gram of flour at which what is called a dough runs. */
const RUNS_FROM = 1.1;
/** Grams of fat to a gram of flour from which it is short. */
const SHORT_FROM = 0.3;
/** Grams of water to a gram of oats or another flake, from which it is a porridge. */
const PORRIDGE_FROM = 1.5;

const DOUGH =
  /\b(?:dough|knead|prove|proof|flatbreads?|naans?|pizza|bread rolls?|buns?|dumplings? wrappers?|pasta|gnocchi|ropes|roll(?:ed)? out|roll it thin)\b/i;
const BATTER =
  /\b(?:batter|pancakes?|crepes?|crêpes?|waffles?|drop scones?|cakes? tin|muffins?|sponge|tempura|fritters?|sp[aä]etzle|pour(?:ed)? (?:it )?into (?:a|the|\d+) (?:\w+ )?(?:tins?|moulds?|cases?|pan))\b/i;
const SHORT =
  /\b(?:rub|shortbread|shortcrust|short pastry|crumble|biscuits?|cookies?|tart case|pastry|scones?)\b/i;
const COATED =
  /\b(?:coat|dust|dredge|toss|flour the|dip(?:ped)?(?: them)? in|roll(?:ed)? (?:them |each |it )?in)\b/i;
const STRETCHED = /\b(?:knead|prove|proof|rise|yeast|stretch|pasta|naans?|pizza|flatbreads?)\b/i;
/** What only gluten does: a sheet pulled until light shines through. */
const PULLED = /\b(?:stretch|pull)(?:ed)?\b[^.]*\b(?:thin|paper|light shines|see through|windowpane)\b/i;
const TOPPED =
  /\b(?:top|topped|sprinkle|scatter|coat|crust|roll(?:ed)? (?:them |each |it )?in|press(?:ed)? (?:onto|on top))\b/i;
const GROUND = /\b(?:ground|milled|blitzed|meal|fine|finely)\b/i;
const SERVED = /\b(?:garnish|scatter|sprinkle|top|finish|serve)\b/i;

const HEATED =
  /\b(?:fry|fried|steam|grill|toast|microwave|cook|bake|boil|simmer|griddle|hot pan|oven|roast|poach)/i;

const BOILED = /\b(?:cook|boil|steam)\b|\b(?:boiling|hot) (?:water|stock)\b/i;
const IN_PIECES = /\b(?:thread|skewers?|kebabs?|steaks?|cutlets?|sear)\b/i;

/** What is known of a recipe as a mix, at home size. */
interface Mix {
  grams: number;
  flourGrams: number;
  /** Water of everything in it; and what is poured in. */
  waterGrams: number;
  liquidGrams: number;
  fatGrams: number;
  isHot: boolean;
  isSimmered: boolean;
  isBoiled: boolean;
  /** Cut and kept in one piece: threaded, sliced, seared. */
  isInPieces: boolean;
  isBaked: boolean;
  isShaped: boolean;
  text: string;
}

const isFlour = ({ category }: Food): boolean => category === 'flour';
const per100 = (food: Food, nutrient: 'waterG' | 'fatG'): number => (food.composition[nutrient] ?? 0) / 100;

/** A line and its grams before any swap: what a food does is asked of the dish that was told, whatever else is swapped in it. */
const gramsAsWritten = ({ swap, weight }: ComposedLine): number =>
  (swap ? swap.fromGrams : weight?.grams) ?? 0;
export const asWritten = (lines: readonly ComposedLine[]): { food: Food | null; grams: number }[] =>
  lines
    .filter(({ id, swap, source }) => !swap || id === source.id)
    .map((line) => ({ food: line.swap ? line.swap.from : line.food, grams: gramsAsWritten(line) }));

const MIXES = new WeakMap<Composed, Mix>();

function mixOf(scope: Composed): Mix {
  const kept = MIXES.get(scope);
  if (kept) return kept;
  const kinds = new Set(stagesOf(scope.recipe).map(({ kind }) => kind));
  const text = [scope.recipe.name, ...scope.recipe.steps.map((step) => step.text)].join(' . ');
  const isUntold = scope.recipe.steps.length === 0;
  const mix: Mix = {
    grams: 0,
    flourGrams: 0,
    waterGrams: 0,
    liquidGrams: 0,
    fatGrams: 0,
    // A list without a method does not say that it is eaten raw.
    isHot: isUntold || kinds.has('simmer') || kinds.has('oven') || kinds.has('fry') || HEATED.test(text),
    isSimmered: kinds.has('simmer'),
    isBoiled: isUntold || kinds.has('simmer') || BOILED.test(text),
    isInPieces: IN_PIECES.test(text),
    isBaked: kinds.has('oven'),
    isShaped: mustSet(scope.recipe),
    text,
  };
  for (const { food, grams } of asWritten(scope.lines)) {
    mix.grams += grams;
    if (!food) continue;
    if (isFlour(food)) mix.flourGrams += grams;
    mix.waterGrams += grams * per100(food, 'waterG');
    if (isLiquid(food)) mix.liquidGrams += grams;
    mix.fatGrams += grams * per100(food, 'fatG');
  }
  MIXES.set(scope, mix);
  return mix;
}

const work = (words: string, ...works: SwapFunction[]): Work => ({
  works: new Set(works),
  words,
  isOpen: false,
});
const open = (words: string, ...works: SwapFunction[]): Work => ({ ...work(words, ...works), isOpen: true });

/** The steps that name a line; all of them where none does. */
function stepsAt(line: ComposedLine, scope: Composed): string {
  const named = scope.recipe.steps.filter(({ reading }) => reading.lineIds.includes(line.source.id));
  return (named.length > 0 ? named : scope.recipe.steps).map(({ text }) => text).join(' . ');
}

/** Made smooth in a machine that the reader of steps does not take for a blender. */
export const PROCESSED =
  /\b(?:process|blitz|whizz|pound|grind)\b[^.]*\b(?:paste|smooth|dip|cream|pur[ée]e)\b/i;

function isBlended(line: ComposedLine, scope: Composed): boolean {
  if (PROCESSED.test(stepsAt(line, scope))) return true;
  const stage = stagesOf(scope.recipe).find(({ kind }) => kind === 'blend');
  if (!stage) return false;
  // "Soak the cashews. Blend to a smooth dip": what was soaked is what is blended.
  return stage.lineIds === null || stage.lineIds.has(line.source.id) || /\bsoak/i.test(stepsAt(line, scope));
}

/** What the words of its own steps, or of the whole recipe, make of a flour; null where they say nothing. */
function flourWords(text: string, wet: number): Work | null {
  if (BATTER.test(text)) return work('it carries the batter', 'batter');
  if (STRETCHED.test(text)) return work('it is the dough', 'dough structure');
  if (SHORT.test(text)) return work('it is what is short in it', 'short pastry');
  if (DOUGH.test(text))
    return wet >= RUNS_FROM
      ? work('it is the dough', 'dough structure', 'batter')
      : work('it is the dough', 'dough structure');
  return null;
}

function flourWork(line: ComposedLine, scope: Composed): Work {
  const mix = mixOf(scope);
  const share = mix.grams > 0 ? mix.flourGrams / mix.grams : 0;
  const wet = mix.flourGrams > 0 ? mix.liquidGrams / mix.flourGrams : POURS_FROM;
  const at = stepsAt(line, scope);
  if (share < CARRIES_FROM && COATED.test(at) && !DOUGH.test(mix.text) && !BATTER.test(mix.text))
    return work('it coats what is fried or baked', 'coating', 'thickener');
  if (PULLED.test(mix.text)) return work('it is pulled thin, which nothing but gluten bears');
  const told = flourWords(at, wet);
  if (told) return told;
  if (share <= THICKENS_UP_TO && !mix.isShaped) return work('it thickens', 'thickener');
  if (share < CARRIES_FROM)
    return mix.isShaped
      ? work('it binds a mix that is shaped', 'binder')
      : open('it thickens or binds', 'thickener', 'binder', 'batter');
  const named = flourWords(mix.text, wet);
  if (named) return named;
  if (wet >= POURS_FROM) return work('it carries the batter', 'batter');
  if (mix.fatGrams / mix.flourGrams >= SHORT_FROM) return work('it is what is short in it', 'short pastry');
  return open('the mix is made of it', 'batter', 'short pastry', 'dough structure');
}

function flakeWork(line: ComposedLine, scope: Composed): Work {
  const mix = mixOf(scope);
  const grams = gramsAsWritten(line);
  const share = mix.grams > 0 ? grams / mix.grams : 0;
  if (isBlended(line, scope) && share < CARRIES_FROM)
    return work('it thickens what is blended', 'thickener', 'binder');
  if (mix.isShaped || /\b(?:press|bars?|flapjacks?|balls?|cookies?|biscuits?)\b/i.test(mix.text))
    return share >= CARRIES_FROM
      ? work('the mix is made of it, and it binds', 'grain base', 'binder')
      : work('it binds a mix that is shaped', 'binder', 'grain base');
  if (grams > 0 && mix.waterGrams / grams >= PORRIDGE_FROM && share >= THICKENS_UP_TO)
    return work('it takes up the water', 'grain base');
  if (mix.isBaked) return work('it is what is crisp in it', 'crunch', 'grain base');
  return open('it is a grain in it', 'grain base', 'crunch', 'thickener');
}

function nutWork(food: Food, line: ComposedLine, scope: Composed): Work {
  const mix = mixOf(scope);
  const isGround =
    food.id.startsWith('ground-') ||
    GROUND.test(line.source.reading.form ?? '') ||
    /\bgrind\b|\bground (?:to|into)\b/i.test(stepsAt(line, scope));
  if (
    isBlended(line, scope) &&
    !(SERVED.test(stepsAt(line, scope)) && !/\b(?:blend|pur[ée]e)/i.test(stepsAt(line, scope)))
  )
    return work('it is blended', 'cream', 'milk');
  if (isGround && mix.isSimmered && !mix.isShaped)
    return work('it thickens and enriches a sauce', 'cream', 'body', 'thickener');
  if (isGround && (mix.isBaked || mix.isShaped))
    return work('it is part of the crumb', 'crunch', 'binder', 'batter', 'short pastry', 'body');
  return work('it is there to bite on', 'crunch', 'body');
}

/** Grams of fat to a gram of liquid from which a blended dressing stands by what holds the oil. */
const HOLDS_OIL_FROM = 1;

/** Soya drink under more oil than itself is what holds a mayonnaise together. */
function milkWork(line: ComposedLine, scope: Composed): Work | null {
  const { fatGrams, liquidGrams, isBaked } = mixOf(scope);
  const holds =
    !isBaked && isBlended(line, scope) && liquidGrams > 0 && fatGrams / liquidGrams >= HOLDS_OIL_FROM;
  return holds ? work('it holds the oil', 'binder') : null;
}

function crumbWork(line: ComposedLine, scope: Composed): Work | null {
  const at = stepsAt(line, scope);
  if (isBlended(line, scope) && !mixOf(scope).isShaped)
    return work('it thickens what is blended', 'thickener', 'binder');
  if (TOPPED.test(at) && !/\bmix (?:in|with|everything)\b/i.test(at))
    return work('it is the crust', 'crunch', 'coating');
  return mixOf(scope).isShaped ? work('it binds a mix that is shaped', 'binder') : null;
}

function workFound(food: Food, line: ComposedLine, scope: Composed): Work | null {
  if (food.category === 'flour' && food.id !== 'chickpea-flour') return flourWork(line, scope);
  if (food.id === 'rolled-oats' || food.id.endsWith('-flakes')) return flakeWork(line, scope);
  if (food.category === 'nut') return nutWork(food, line, scope);
  if (food.id === 'breadcrumbs') return crumbWork(line, scope);
  if (food.id === 'soya-milk') return milkWork(line, scope);
  return null;
}

const WORKS = new WeakMap<ComposedLine, Map<string, Work | null>>();

/** The work of a food at a line; null where any of its own will do. Every entry on file asks for it, so it is kept. */
export function workAt(food: Food, line: ComposedLine, scope: Composed): Work | null {
  let kept = WORKS.get(line);
  if (!kept) WORKS.set(line, (kept = new Map()));
  const known = kept.get(food.id);
  if (known !== undefined) return known;
  const found = workFound(food, line, scope);
  kept.set(food.id, found);
  return found;
}

/** Whether what is put in would be eaten raw: flour and starch need heat. */
export function staysRaw(food: Food, scope: Composed): boolean {
  const isRaw =
    (food.category === 'flour' || food.category === 'starch') &&
    food.id !== 'xanthan-gum' &&
    food.state !== 'prepared';
  return isRaw && !mixOf(scope).isHot;
}

/** Grains that are eaten as they are or after a soak; every other dry grain, pulse or noodle wants boiling. */
const NEEDS_NO_BOILING =
  /flakes|rolled|puffed|popcorn|cakes|muesli|couscous|bulgur|rice-noodles|rice-vermicelli|glass-noodles|rice-paper/;

/** Whether what is put in as a grain would stay hard: it wants boiling, and nothing here boils it. */
export function staysHard(food: Food, work: SwapFunction, scope: Composed): boolean {
  if (work !== 'grain base' && work !== 'bulk protein') return false;
  const isDry = food.state === 'dry' && ['grain', 'pulse', 'noodle'].includes(food.category);
  if (!isDry || NEEDS_NO_BOILING.test(food.id)) return false;
  const { isBoiled, isBaked, waterGrams, grams } = mixOf(scope);
  return !isBoiled && !(isBaked && waterGrams > grams / 2);
}

/** Whether what is put in for a firm piece would fall apart or off: beans on a skewer. */
export const fallsApart = (food: Food, work: SwapFunction, scope: Composed): boolean =>
  work === 'bulk protein' && food.category === 'pulse' && mixOf(scope).isInPieces;
