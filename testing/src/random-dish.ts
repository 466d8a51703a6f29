/** Random dishes told in words, with every act that moves matter, and the laws of matter held against each. */
import {
  type Book,
  type Food,
  homeTarget,
  type Kitchen,
  lineFromText,
  NUTRIENTS,
  randomFrom,
  type Recipe,
  stepsFromTexts,
  worksheet,
} from '@hand-ladle/core';
import { beforeLoss, compose } from '../../core/src/dish/compose';
import type { Composed } from '../../core/src/dish/composed';
import { impossible, unbalanced } from './matter';
import { recipeOf } from './world';

/** Steps of a dish; A and B are foods of it. */
const ACTS: readonly (readonly string[])[] = [
  ['Soak the A overnight in plenty of water, then drain.', 'Simmer everything covered for 40 minutes.'],
  ['Soak the A in the water for 4 hours and drain.', 'Blend everything smooth.'],
  ['Boil the A in the water for 15 minutes and drain.', 'Turn with the B.'],
  ['Boil the A in plenty of salted water for 12 minutes.', 'Drain and dress with the B and the oil.'],
  ['Fry the A in the oil in batches.', 'Scatter over the B.'],
  ['Deep-fry the A for 5 minutes.', 'Drain on paper and serve with the B.'],
  ['Shape into balls and lower them into hot oil for 4 minutes.'],
  ['Roast the A and the B for 50 minutes at 200 °C.'],
  ['Mix everything and bake for 90 minutes at 180 °C.'],
  ['Toast the A in a dry oven for 30 minutes at 160 °C.', 'Stir in the B.'],
  ['Simmer everything uncovered for 3 hours.'],
  ['Simmer until reduced by half.', 'Stir in the B.'],
  ['Simmer the A in the water until the liquid is gone.'],
  ['Blend the A with the water and strain through a cloth.', 'Season.'],
  ['Simmer everything for 60 minutes, strain and discard the solids.'],
  ['Steam the A over the water for 10 minutes.', 'Dress with the B and the oil.'],
  [
    'Marinate the A in the B for 2 hours, then drain and discard the marinade.',
    'Bake for 20 minutes at 200 °C.',
  ],
  ['Sprinkle the A with the salt, leave for 30 minutes and rinse.', 'Mix with the B.'],
  ['Press the A, then bake for 25 minutes at 200 °C.'],
  ['Soften the A in the oil. Add the B and the water and simmer gently, uncovered, for 25 minutes.'],
  ['Mix everything and serve raw.'],
];

const pick = <T>(items: readonly T[], random: () => number): T => items[Math.floor(random() * items.length)]!;
const STATES = ['', '', '', '', 'cooked ', 'soaked '] as const;
const FORMS = [
  '',
  '',
  '',
  ', with their liquid',
  ', drained and rinsed',
  ', soaked overnight',
  ', chopped',
] as const;

/** Foods whose composition is known well enough for the laws. */
const isWhole = ({ composition }: Food): boolean =>
  [composition.proteinG, composition.fatG, composition.carbohydrateG].every((each) => each !== null);

export function randomDish(seed: number, book: Book): Recipe {
  const random = randomFrom(seed);
  const foods = [...book.foods.foods.values()].filter(isWhole);
  const grams = (most: number): number => 5 + Math.floor(random() * most);
  const chosen = Array.from({ length: 2 + Math.floor(random() * 5) }, () => pick(foods, random));
  const texts = [
    ...chosen.map(({ synonyms, name }) => {
      const called = random() < 0.5 && synonyms.length > 0 ? pick(synonyms, random) : name.toLowerCase();
      return `${grams(600)} g ${pick(STATES, random)}${called}${pick(FORMS, random)}`;
    }),
    ...(random() < 0.7 ? [`${grams(3000)} g water`] : []),
    ...(random() < 0.5 ? [`${grams(random() < 0.4 ? 1000 : 60)} g sunflower oil`] : []),
    ...(random() < 0.5 ? [`${grams(30)} g fine salt`] : []),
  ];
  const lines = texts.map((text, index) => lineFromText(text, `l${index + 1}`, book.foods));
  const called = (index: number): string => (chosen[index] ?? chosen[0]!).name.toLowerCase();
  const steps = pick(ACTS, random).map((step) =>
    step.replace(/\bA\b/, called(0)).replace(/\bB\b/, called(1)),
  );
  return {
    ...recipeOf([], []),
    id: `dish-${seed}`,
    name: `Dish ${seed}`,
    portions: 1 + Math.floor(random() * 12),
    lines,
    steps: stepsFromTexts(steps, lines, book.foods),
    isComponent: random() < 0.3,
  };
}

const PROTEIN = NUTRIENTS.indexOf('proteinG');

/** Laws of matter that a random dish breaks at home or in a batch, in words. */
export function matterFaults(seed: number, book: Book, kitchen: Kitchen): string[] {
  const recipe = randomDish(seed, book);
  const random = randomFrom(seed ^ 0x2545f491);
  const home = worksheet({ recipe, kitchen, target: homeTarget(recipe, book, kitchen) }, book);
  if (!(home.finishedGrams > 0)) return [];
  const target = { kind: 'weight', grams: 200 + Math.floor(random() * 60_000) } as const;
  const batch = worksheet({ recipe, kitchen, target }, book);
  const loss = random() * 0.3;
  const perGram = (composed: Composed): number => composed.nutrients.amounts[PROTEIN]! / beforeLoss(composed);
  const wasteful = compose(recipe, book, { ...kitchen, transferLoss: loss });
  const off = Math.abs(perGram(wasteful) - perGram(compose(recipe, book, kitchen)));
  // Another batch and other pots: what goes by the batch keeps its dry matter.
  const dry = (sheet: typeof home): number =>
    sheet.massBalance.rows.find(({ flow }) => flow === 'finished')!.dryGrams;
  const isLinear = home.lines.every(({ follows }) => follows === 'batch' || follows === 'water');
  const grown =
    isLinear && !batch.findings.some(({ code }) => code === 'target-invalid')
      ? dry(batch) / batch.factor - dry(home) / home.factor
      : 0;
  return [
    ...unbalanced(home).map((each) => `home: ${each}`),
    ...unbalanced(batch).map((each) => `batch: ${each}`),
    ...impossible(home).map((each) => `home: ${each}`),
    ...impossible(batch).map((each) => `batch: ${each}`),
    ...(off > 1e-9 ? [`transfer loss of ${loss} moves protein in a gram by ${off}`] : []),
    ...(Math.abs(grown) > Math.max(0.1, dry(home) * 1e-6)
      ? [`batch size moves dry matter by ${grown} g`]
      : []),
  ];
}
