/**
 * Ratios that decide how a mix turns out, held against the usual band for its kind before anything is weighed. Bands are
 * common kitchen references (convention): no standard exists.
 */
import { isLiquid, isOil, isStarch, isWater } from '../../food';
import { figureText, roundToDecimals } from '../../quantity';
import { type Recipe, stagesOf } from '../../recipe';
import type { StandardLine } from './standard-line';

export type RatioVerdict = 'below' | 'within' | 'above';

export interface Ratio {
  id: string;
  /** "Seeds to water". */
  name: string;
  /** "1 : 2.0" or "0.6 %". */
  text: string;
  value: number;
  low: number;
  high: number;
  /** The band as text, in the same form. */
  bandText: string;
  verdict: RatioVerdict;
  /** What it will be like: "spoons as a cream". */
  words: string;
}

interface Mix {
  name: string;
  nutsAndSeeds: number;
  water: number;
  liquid: number;
  flour: number;
  dryGrain: number;
  dryPulse: number;
  salt: number;
  yeast: number;
  bakingPowder: number;
  starch: number;
  gelling: number;
  oil: number;
  acid: number;
  all: number;
  isBlended: boolean;
  isCooked: boolean;
  isSimmered: boolean;
}

const NUTTY = new Set(['nut', 'seed', 'nut butter', 'seed butter']);

function mixOf(recipe: Recipe, lines: readonly StandardLine[]): Mix {
  const stages = stagesOf(recipe);
  const mix: Mix = {
    name: recipe.name.toLowerCase(),
    nutsAndSeeds: 0,
    water: 0,
    liquid: 0,
    flour: 0,
    dryGrain: 0,
    dryPulse: 0,
    salt: 0,
    yeast: 0,
    bakingPowder: 0,
    starch: 0,
    gelling: 0,
    oil: 0,
    acid: 0,
    all: 0,
    isBlended: stages.some(({ kind }) => kind === 'blend'),
    isCooked: stages.some(({ kind }) => kind === 'simmer' || kind === 'oven'),
    isSimmered: stages.some(({ kind }) => kind === 'simmer'),
  };
  for (const { food, component, weight, role, technique, source } of lines) {
    if (technique || !weight) continue;
    const { grams } = weight;
    mix.all += grams;
    if (component && /\b(?:stock|broth|milk)\b/i.test(component.name)) mix.liquid += grams;
    if (!food) continue;
    const { category, functions } = food;
    const isDry = food.state === 'dry' && food.cookingYield !== null && !source.answers.isCookedApart;
    if (isWater(food)) mix.water += grams;
    if (isLiquid(food)) mix.liquid += grams;
    if (NUTTY.has(category)) mix.nutsAndSeeds += grams;
    if (category === 'flour') mix.flour += grams;
    if (category === 'grain' && isDry) mix.dryGrain += grams;
    if (category === 'pulse' && isDry) mix.dryPulse += grams;
    if (role === 'salt') mix.salt += grams;
    if (category === 'leavening' && food.id.includes('yeast')) mix.yeast += grams;
    if (category === 'leavening' && food.id.includes('powder')) mix.bakingPowder += grams;
    if (isStarch(food)) mix.starch += grams;
    if (functions.includes('gelling agent')) mix.gelling += grams;
    if (isOil(food)) mix.oil += grams;
    if (category === 'acid') mix.acid += grams;
  }
  return mix;
}

interface Rule {
  id: string;
  name: string;
  form: 'one to' | 'percent';
  /** The value of a mix, or null where the rule does not fit it. */
  value: (mix: Mix) => number | null;
  band: (mix: Mix) => readonly [number, number];
  words: (value: number, mix: Mix) => string;
}

const below = (value: number, limits: readonly (readonly [number, string])[], last: string): string =>
  limits.find(([limit]) => value < limit)?.[1] ?? last;

const isMilk = ({ name }: Mix): boolean => /\b(?:milk|drink)\b/.test(name);
const isPorridge = ({ name }: Mix): boolean => /\b(?:porridge|congee|pudding)\b/.test(name);
const isSoup = ({ name }: Mix): boolean => /\b(?:soup|broth|stew|pot|hotpot|chowder)\b/.test(name);
const isBatter = ({ name }: Mix): boolean => /\b(?:batter|pancakes?|waffles?|crêpes?|crepes?)\b/.test(name);
const percent = (part: number, whole: number): number => (part / whole) * 100;

const RULES: readonly Rule[] = [
  {
    id: 'nut-water',
    name: 'Nuts and seeds to water',
    form: 'one to',
    value: (mix) =>
      mix.isBlended && mix.water > 0 && mix.nutsAndSeeds > (mix.all - mix.water) * 0.5
        ? mix.water / mix.nutsAndSeeds
        : null,
    band: (mix) => (isMilk(mix) ? [4, 8] : [1.2, 3.5]),
    words: (value) =>
      below(
        value,
        [
          [1.2, 'stays a stiff paste'],
          [2.5, 'spoons as a cream'],
          [3.5, 'pours as a cream'],
          [4, 'is thin for a cream'],
          [8.01, 'stays a milk'],
        ],
        'is a watery milk',
      ),
  },
  {
    id: 'grain-liquid',
    name: 'Dry grain to liquid',
    form: 'one to',
    value: (mix) =>
      mix.isSimmered && mix.dryGrain > mix.all * 0.1 && mix.liquid > 0 && !isSoup(mix)
        ? mix.liquid / (mix.dryGrain + mix.dryPulse)
        : null,
    band: (mix) => (isPorridge(mix) ? [3.5, 6.5] : [1.6, 3.2]),
    words: (value, mix) =>
      isPorridge(mix)
        ? below(
            value,
            [
              [3.5, 'sets firm'],
              [6.5, 'holds a spoon'],
            ],
            'runs off the spoon',
          )
        : below(
            value,
            [
              [1.6, 'may stay hard'],
              [3.2, 'is taken up'],
            ],
            'leaves water over',
          ),
  },
  {
    id: 'pulse-liquid',
    name: 'Dry pulses to liquid',
    form: 'one to',
    value: (mix) =>
      mix.isSimmered && mix.dryPulse > mix.all * 0.06 && mix.dryPulse > mix.dryGrain && mix.liquid > 0
        ? mix.liquid / mix.dryPulse
        : null,
    band: (mix) => (isSoup(mix) ? [3, 9] : [2, 5]),
    words: (value, mix) =>
      below(
        value,
        [
          [2, 'may stay hard or catch'],
          [3, 'sets to a mash'],
          [isSoup(mix) ? 9 : 5, isSoup(mix) ? 'ladles as a soup' : 'stays a thick pot'],
        ],
        'is thin',
      ),
  },
  {
    id: 'flour-liquid',
    name: 'Liquid on flour',
    form: 'percent',
    value: (mix) =>
      mix.flour > mix.all * 0.25 && mix.liquid > 0 && (mix.yeast > 0 || isBatter(mix))
        ? percent(mix.liquid, mix.flour)
        : null,
    band: (mix) => (isBatter(mix) ? [100, 220] : [55, 80]),
    words: (value, mix) =>
      isBatter(mix)
        ? below(
            value,
            [
              [100, 'drops rather than pours'],
              [220, 'pours'],
            ],
            'runs thin',
          )
        : below(
            value,
            [
              [55, 'is a stiff dough'],
              [80, 'is a soft dough'],
            ],
            'is a wet dough',
          ),
  },
  {
    id: 'salt-flour',
    name: 'Salt on flour',
    form: 'percent',
    value: ({ salt, flour, yeast, all }) =>
      salt > 0 && yeast > 0 && flour > all * 0.25 ? percent(salt, flour) : null,
    band: () => [1.2, 2.2],
    words: (value) =>
      below(
        value,
        [
          [1.2, 'tastes flat'],
          [2.2, 'tastes seasoned'],
        ],
        'tastes salty and holds the yeast back',
      ),
  },
  {
    id: 'yeast-flour',
    name: 'Yeast on flour',
    form: 'percent',
    value: ({ yeast, flour, all }) => (yeast > 0 && flour > all * 0.25 ? percent(yeast, flour) : null),
    band: () => [0.3, 2.5],
    words: (value) =>
      below(
        value,
        [
          [0.3, 'rises over night'],
          [2.5, 'rises in hours'],
        ],
        'rises fast and tastes of yeast',
      ),
  },
  {
    id: 'powder-flour',
    name: 'Baking powder on flour',
    form: 'percent',
    value: ({ bakingPowder, flour }) => (bakingPowder > 0 && flour > 0 ? percent(bakingPowder, flour) : null),
    band: () => [2, 6],
    words: (value) =>
      below(
        value,
        [
          [2, 'rises little'],
          [6, 'rises well'],
        ],
        'tastes of soda and falls',
      ),
  },
  {
    id: 'salt-dish',
    name: 'Added salt in the dish',
    form: 'percent',
    value: ({ salt, flour, yeast, all }) =>
      salt > 0 && all > 0 && !(yeast > 0 && flour > all * 0.25) ? percent(salt, all) : null,
    band: () => [0.1, 1.1],
    words: (value) =>
      below(
        value,
        [
          [0.1, 'is hardly salted'],
          [1.1, 'is seasoned'],
        ],
        'tastes of salt',
      ),
  },
  {
    id: 'starch-liquid',
    name: 'Starch in the liquid',
    form: 'percent',
    value: ({ starch, liquid, flour, isCooked, all }) =>
      starch > 0 && isCooked && liquid > all * 0.3 && flour === 0 ? percent(starch, liquid) : null,
    band: () => [1.5, 7],
    words: (value) =>
      below(
        value,
        [
          [1.5, 'hardly thickens'],
          [7, 'coats a spoon'],
        ],
        'sets to a pudding',
      ),
  },
  {
    id: 'gelling-liquid',
    name: 'Gelling agent in the liquid',
    form: 'percent',
    value: ({ gelling, liquid }) => (gelling > 0 && liquid > 0 ? percent(gelling, liquid) : null),
    band: () => [0.4, 1.5],
    words: (value) =>
      below(
        value,
        [
          [0.4, 'does not set'],
          [1.5, 'sets to a slice'],
        ],
        'sets hard',
      ),
  },
  {
    id: 'acid-oil',
    name: 'Acid to oil',
    form: 'one to',
    value: ({ acid, oil, all, isCooked }) =>
      acid > 0 && oil > 0 && !isCooked && acid + oil > all * 0.5 ? oil / acid : null,
    band: () => [1, 4],
    words: (value) =>
      below(
        value,
        [
          [1, 'is sharp'],
          [4, 'is a dressing'],
        ],
        'is oily',
      ),
  },
];

const textOf = (value: number, form: Rule['form']): string =>
  form === 'percent'
    ? `${figureText(value, value < 1 ? 2 : value < 10 ? 1 : 0)} %`
    : `1 : ${figureText(value, 1)}`;
const bandText = ([low, high]: readonly [number, number], form: Rule['form']): string =>
  form === 'percent'
    ? `${figureText(low, 1)} to ${figureText(high, 1)} %`
    : `1 : ${figureText(low, 1)} to 1 : ${figureText(high, 1)}`;

/** Every ratio that matters for this mix at home size, whether it is usual or not. */
export function ratiosOf(recipe: Recipe, lines: readonly StandardLine[]): Ratio[] {
  const mix = mixOf(recipe, lines);
  return RULES.flatMap(({ id, name, form, value, band, words }): Ratio[] => {
    const found = value(mix);
    if (found === null || !Number.isFinite(found)) return [];
    const [low, high] = band(mix);
    // A ratio is judged as it is said: 1 : 3.50 is 1 : 3.5.
    const said = roundToDecimals(found, form === 'percent' ? 2 : 1);
    const verdict = said < low ? 'below' : said > high ? 'above' : 'within';
    return [
      {
        id,
        name,
        text: textOf(found, form),
        value: found,
        low,
        high,
        bandText: bandText([low, high], form),
        verdict,
        words: words(found, mix),
      },
    ];
  });
}
