/**
 * Dishes that are clear of everything, and one word that is not, put somewhere in them: in a line, a step, the title, a heading
 * or a note, in one of many frames. Written apart from the dictionaries, so that what they lack is found.
 */
import {
  type Book,
  decisionsOf,
  type Kitchen,
  randomFrom,
  readRecipe,
  type Recipe,
  recipeFromReading,
  type RecipeLine,
  worksheet,
} from '@hand-ladle/core';

/** A word and what it brings: allergen ids, and "vegan" where it comes from an animal. */
export interface HiddenWord {
  word: string;
  brings: readonly string[];
}

const said = (brings: string, words: string): HiddenWord[] =>
  words.split('|').map((word) => ({ word, brings: brings.split(' ') }));

export const HIDDEN_WORDS: readonly HiddenWord[] = [
  ...said(
    'tree-nut',
    'walnuts|almonds|cashews|hazelnuts|pecans|pistachios|macadamias|Brazil nuts|ground almonds|flaked almonds|walnut pieces',
  ),
  ...said(
    'tree-nut',
    'almond butter|cashew cream|marzipan|walnut oil|hazelnut praline|almond flour|filberts|cobnuts|chopped nuts|mixed nuts|frangipane',
  ),
  ...said('peanut', 'peanuts|peanut butter|groundnuts|monkey nuts|satay sauce|crushed peanuts'),
  ...said(
    'soy',
    'tofu|tempeh|soy sauce|edamame|miso|soya milk|tamari|natto|soya mince|silken tofu|hoisin|okara|soy curls',
  ),
  ...said(
    'gluten',
    'couscous|bulgur|seitan|breadcrumbs|plain flour|pearl barley|semolina|spelt|farro|rye flakes|beer|croutons|panko|spaghetti|wheat berries|freekeh|orzo|naan|filo pastry|udon|malt vinegar|oats',
  ),
  ...said('sesame', 'tahini|sesame seeds|sesame oil|halva|gomasio|hummus|za’atar'),
  ...said('celery', 'celery|celeriac|celery salt|celery seed|mirepoix'),
  ...said('mustard', 'mustard|Dijon mustard|mustard seeds|wholegrain mustard|mustard oil'),
  ...said('lupin', 'lupin flour|lupini beans|lupin flakes'),
  ...said(
    'milk vegan',
    'butter|cheddar|parmesan|double cream|yoghurt|feta|ghee|halloumi|mozzarella|buttermilk|ricotta|sour cream|paneer|milk powder|whey',
  ),
  ...said('egg vegan', 'eggs|egg yolk|mayonnaise|egg white|meringue|aioli|beaten egg'),
  ...said(
    'fish vegan',
    'anchovies|fish sauce|tuna|salmon|bonito flakes|sardines|Worcestershire sauce|smoked mackerel',
  ),
  ...said('crustacean vegan', 'prawns|shrimp paste|crab|lobster|crayfish'),
  ...said('mollusc vegan', 'oysters|squid|mussels|oyster sauce|clams|scallops'),
  ...said(
    'vegan',
    'honey|gelatine|bacon|chicken stock|lard|beef|ham|chorizo|pancetta|suet|duck fat|lamb|beeswax',
  ),
  ...said('sulphites', 'white wine|red wine|dried apricots|sultanas'),
];

type PlaceOfWord = 'line' | 'step' | 'title' | 'heading' | 'note';

/** Frames by where they stand; "%" is the word. */
export const FRAMES: Readonly<Record<PlaceOfWord, readonly string[]>> = {
  line: [
    '%', '50 g %', 'a handful of %', '% to serve', '200 g carrots with %', '200 g carrots and %', '300 g potatoes, tossed in %', '300 g potatoes stuffed with %',
    '300 g parsnips (dressed with %)', '200 g carrots, %', '1 kg potatoes + 20 g %', '20 g % & 200 g carrots', '200 g carrots topped with toasted %',
    'some %, chopped', '2 tbsp finely chopped %', '100 g carrots or %', 'carrots, leeks and %', '% (optional)', '400 g carrots, finished with a little %',
    'Topping: 20 g %, 1 apple, 2 carrots', '1 tsp each of caraway and %', '200 g mixed carrots, leeks, %', 'a bit of %', '500 g potatoes — and %', '- %: 30 g',
    '300 g leeks, fried in %', '250 g carrots rolled in %', 'carrots/%', '200 g carrots; % on top', '300 g carrots layered over %',
  ],
  step: [
    'Add the %.', 'Stir in %.', 'Finish with %.', 'Serve over % with a spoon.', 'Fold through the toasted % at the end.', 'Scatter with % and serve.', 'Top with %, then bake for 10 minutes.',
    'Fry everything in % for 5 minutes.', 'Whisk % with a little water and pour it over.', 'Meanwhile, toast the % in a dry pan.', 'Drizzle over some %.', 'If you like, add %.',
    'Mix %, caraway and salt.', 'Brush with % before it goes in.', 'Serve with a spoon of % on the side.', 'Garnish: %.', 'Do not forget the %!', 'Pass % round at the table.', '% goes in last.',
    'Blend with the %, until smooth.', 'Season with salt, pepper and %.', 'Now the %: half now, half at the end.', 'Thicken it with %.', 'Add %/herbs to taste.', 'Combine carrots & % in a bowl.',
  ],
  title: ['Carrots with %', '% and carrot bake', 'Roast carrots, %', 'Carrot and % pot', 'Carrot stew (with %)', 'Carrots in %'],
  heading: ['For the % topping:', '% layer:', 'For the %:'],
  note: ['Good with %.', 'We serve this with %.', 'Keep the % separate until the end.', 'Last time we used %.', 'Contains %.'],
}; // prettier-ignore

const BASE_LINES = [
  '600 g carrots',
  '300 g potatoes',
  '200 g leeks',
  '150 g brown rice',
  '1 onion',
  '2 cloves garlic',
  '20 g olive oil',
  '1 tsp fine salt',
  '400 g white cabbage',
  '2 apples',
  '100 g red lentils',
  '300 ml water',
];
const BASE_STEPS = [
  'Cut everything small.',
  'Simmer gently for 30 minutes, covered.',
  'Roast at 200 °C for 35 minutes, until brown at the edge.',
  'Taste and serve hot.',
  'Turn it over half way.',
];
const BASE_TITLES = [
  'Carrot pot',
  'Winter tray',
  'Cabbage and apple pan',
  'Monday soup',
  'Roots from the oven',
];
/** What a word may be bent to: capitals, hyphens, a word run into its measure. */
const BENDS: readonly ((word: string) => string)[] = [
  (word) => word,
  (word) => word,
  (word) => word,
  (word) => word.toUpperCase(),
  (word) => word.charAt(0).toUpperCase() + word.slice(1),
  (word) => `home-made ${word}`,
  (word) => `${word.replace(/ /g, '-')}`,
  (word) => `*${word}*`,
  (word) => `“good” ${word}`,
];

const pick = <T>(items: readonly T[], random: () => number): T => items[Math.floor(random() * items.length)]!;

function someOf(items: readonly string[], most: number, random: () => number): string[] {
  const left = [...items];
  const count = 1 + Math.floor(random() * most);
  return Array.from({ length: count }, () => left.splice(Math.floor(random() * left.length), 1)[0]!);
}

export interface Hidden {
  recipe: Recipe;
  /** The same dish without the word. */
  clean: Recipe;
  word: HiddenWord;
  place: PlaceOfWord;
  text: string;
}

function toText(
  title: string,
  lines: readonly string[],
  steps: readonly string[],
  notes: readonly string[],
): string {
  const noted = notes.length > 0 ? ['', 'Notes', ...notes] : [];
  return [title, 'Serves 4', '', 'Ingredients', ...lines, '', 'Method', ...steps, ...noted].join('\n');
}

/** A clear dish with one word hidden in it; the same for the same seed. The dish without it is read where it is asked for. */
export function hiddenIn(seed: number, book: Book, hasClean = true): Hidden {
  const random = randomFrom(seed);
  const word = pick(HIDDEN_WORDS, random);
  const place = pick(['line', 'line', 'step', 'step', 'step', 'title', 'heading', 'note'] as const, random);
  const sentence = pick(FRAMES[place], random).replace('%', () => pick(BENDS, random)(word.word));
  const lines = someOf(BASE_LINES, 7, random);
  const steps = someOf(BASE_STEPS, 4, random);
  const title = pick(BASE_TITLES, random);
  const read = (text: string, id: string): Recipe => recipeFromReading(readRecipe(text, book.foods), id);
  const clean = toText(title, lines, steps, []);
  const at = Math.floor(random() * (lines.length + 1));
  const stepAt = Math.floor(random() * (steps.length + 1));
  const text =
    place === 'title'
      ? toText(sentence, lines, steps, [])
      : place === 'step'
        ? toText(title, lines, [...steps.slice(0, stepAt), sentence, ...steps.slice(stepAt)], [])
        : place === 'note'
          ? toText(title, lines, steps, [sentence])
          : toText(
              title,
              [
                ...lines.slice(0, at),
                sentence,
                ...(place === 'heading' ? ['1 onion'] : []),
                ...lines.slice(at),
              ],
              steps,
              [],
            );
  const recipe = read(text, `hidden-${seed}`);
  return { recipe, clean: hasClean ? read(clean, `clean-${seed}`) : recipe, word, place, text };
}

/**
 * The dish after a cook has confirmed what was asked about its lines, in random order: the food that was read, the first that
 * was offered, a weight. Nobody says "not in it".
 */
export function confirmedAtRandom(recipe: Recipe, seed: number, kitchen: Kitchen, book: Book): Recipe {
  const random = randomFrom(seed ^ 0x5eed);
  let now = recipe;
  for (let taps = 0; taps < 12; taps += 1) {
    const sheet = worksheet({ recipe: now, kitchen, target: { kind: 'weight', grams: 5000 } }, book);
    const asked = decisionsOf(sheet).filter(({ line }) => line !== null);
    if (asked.length === 0) return now;
    const { finding, line } = pick(asked, random);
    const lines = now.lines.map((each): RecipeLine => {
      if (each.id !== line!.sourceId) return each;
      const { foodId, otherFoodIds, alternativeIds } = each.reading;
      const offered = [foodId, ...alternativeIds, ...otherFoodIds].filter((id): id is string => id !== null);
      const isAboutFood = /^(?:food|state|alternative)-/.test(finding.code);
      const chosen = offered[Math.floor(random() * Math.min(2, offered.length))];
      if (isAboutFood && chosen === undefined) return each;
      const answer = isAboutFood ? { foodId: chosen! } : { grams: 20, gramsOrigin: 'convention' as const };
      return { ...each, answers: { ...each.answers, ...answer } };
    });
    now = { ...now, lines };
  }
  return now;
}
