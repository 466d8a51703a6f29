/**
 * The plate check: a grain, a bean, a vegetable, a green and a whole-food fat, and at least three colours. Kitchen practice
 * (convention); it informs and forbids nothing.
 */
import type { Food } from '../food';
import { breaksWholeFood } from '../kitchen';

export const PLATE_PARTS = ['grain', 'bean', 'vegetable', 'green', 'whole-food fat'] as const;
export type PlatePart = (typeof PLATE_PARTS)[number];
export const PLATE_COLOURS = ['red', 'orange', 'yellow', 'green', 'purple', 'white', 'brown'] as const;
export type PlateColour = (typeof PLATE_COLOURS)[number];

/** Least grams of a portion before a part or colour counts: a garnish of parsley is no green (convention). */
export const LEAST_PART_GRAMS: Readonly<Record<PlatePart, number>> = {
  grain: 20,
  bean: 25,
  vegetable: 40,
  green: 15,
  'whole-food fat': 5,
};
export const LEAST_COLOUR_GRAMS = 8;
/** Colours a plate should show (kitchen practice). */
export const WANTED_COLOURS = 3;

const PART_OF_CATEGORY: Readonly<Record<string, PlatePart>> = {
  grain: 'grain',
  flour: 'grain',
  noodle: 'grain',
  bread: 'grain',
  pulse: 'bean',
  soya: 'bean',
  vegetable: 'vegetable',
  aromatic: 'vegetable',
  green: 'green',
  nut: 'whole-food fat',
  seed: 'whole-food fat',
  'nut butter': 'whole-food fat',
  'seed butter': 'whole-food fat',
};
const GREEN_NAMES =
  /\b(?:kale|spinach|chard|broccoli|brussels|cabbage|rocket|watercress|greens|pak choi|lettuce|leek tops)\b/i;
const FAT_NAMES = /\bavocado|\bolives?\b/i;

/** The part of the plate a food is; null for seasoning, oil and what breaks the whole-food standard. */
export function platePartOf(food: Food): PlatePart | null {
  if (FAT_NAMES.test(food.name) && food.category !== 'oil') return 'whole-food fat';
  if (food.category === 'vegetable' && GREEN_NAMES.test(food.name)) return 'green';
  const part = PART_OF_CATEGORY[food.category] ?? null;
  return part === 'whole-food fat' && breaksWholeFood(food) ? null : part;
}

/** Colour by the words of a name; the first that matches (convention). */
const COLOUR_WORDS: readonly (readonly [PlateColour, RegExp])[] = [
  [
    'white',
    /\bwhite (?:beans?|cabbage|onion)|\bcauliflower|\bcelery root|\bceleriac|\bparsnips?|\bturnip|\bfennel|\bmushroom|\bleeks?\b/i,
  ],
  [
    'purple',
    /\bbeetroot|\bred cabbage|\bradicchio|\baubergine|\bpurple|\bblackberr|\bblueberr|\bplums?|\bblack beans?|\bred onions?/i,
  ],
  [
    'orange',
    /\bcarrots?|\bsquash|\bpumpkin|\bsweet potato|\bapricots?|\borange|\bpersimmon|\bred lentil|\bsplit red/i,
  ],
  ['red', /\btomato|\bred pepper|\bradish|\bstrawberr|\braspberr|\bpomegranate|\bkidney bean|\bchilli\b/i],
  [
    'yellow',
    /\bsweetcorn|\bcorn on|\byellow|\blemon|\bmillet|\bchickpeas?|\bpineapple|\bbutternut|\bpolenta|\bsplit pea/i,
  ],
  [
    'green',
    /\bspinach|\bkale|\bchard|\bbroccoli|\bpeas?\b|\bgreen|\bcourgette|\bcucumber|\bparsley|\bcoriander leaf|\bbroad beans?|\bcabbage|\bedamame|\brocket|\blettuce|\bcelery\b|\bavocado|\bdill|\bbasil|\basparagus|\bbrussels/i,
  ],
  ['brown', /\bwalnut|\balmond|\bhazelnut|\blentils?|\bbuckwheat|\bbarley|\boats?\b|\bbrown rice/i],
];

/** The colour a food brings; null where its name tells none. */
export function colourOf(food: Food): PlateColour | null {
  if (platePartOf(food) === null && food.category !== 'fruit') return null;
  return COLOUR_WORDS.find(([, words]) => words.test(food.name))?.[0] ?? null;
}

/** What one portion holds of a food, components opened. */
export interface PortionFood {
  food: Food;
  /** Edible grams as put in, in one portion. */
  grams: number;
}

export interface PlateCheck {
  parts: { part: PlatePart; grams: number; foods: string[]; isThere: boolean }[];
  colours: { colour: PlateColour; foods: string[] }[];
  hasColours: boolean;
}

/** Holds a portion against the plate. */
export function plateCheck(foods: readonly PortionFood[]): PlateCheck {
  const parts = PLATE_PARTS.map((part) => {
    const of = foods.filter(({ food }) => platePartOf(food) === part);
    const grams = of.reduce((sum, each) => sum + each.grams, 0);
    return { part, grams, foods: of.map(({ food }) => food.name), isThere: grams >= LEAST_PART_GRAMS[part] };
  });
  const colours = PLATE_COLOURS.map((colour) => ({
    colour,
    foods: foods
      .filter(({ food, grams }) => grams >= LEAST_COLOUR_GRAMS && colourOf(food) === colour)
      .map(({ food }) => food.name),
  })).filter((each) => each.foods.length > 0);
  return { parts, colours, hasColours: colours.length >= WANTED_COLOURS };
}
