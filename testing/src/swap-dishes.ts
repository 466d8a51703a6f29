/** Dishes that are asked to be served free from something, with what each food does there as a cook sees it. */
import {
  type Food,
  type FreeFromPolicy,
  type Kitchen,
  type Pack,
  PACK_DEFAULTS,
  planSwaps,
  type SwapAnswer,
} from '@hand-ladle/core';
import { book, recipeOf, ward } from './world';

export interface SwapDish {
  name: string;
  lines: string[];
  steps: string[];
  /** By the food that may have to go, the works a swap for it may hold in. */
  works: Map<string, string[]>;
}

const parts = (text: string, by: string): string[] =>
  text
    .split(by)
    .map((part) => part.trim())
    .filter(Boolean);

/** The dishes of a table: name, lines, steps and works parted by bars. */
export const dishesFrom = (table: string): SwapDish[] =>
  table
    .split('\n')
    .filter((row) => row !== '' && !row.startsWith('#'))
    .map((row) => {
      const [name = '', lines = '', steps = '', works = ''] = row.split('|');
      const told = parts(works, ';').map((each) => each.split('='));
      return {
        name: name.trim(),
        lines: parts(lines, ';'),
        steps: parts(steps, '//'),
        works: new Map(told.map(([foodId = '', list = '']) => [foodId, list.split(',')])),
      };
    });

const read = (food: Food): Pack => ({
  ...PACK_DEFAULTS,
  foodId: food.id,
  productName: food.name,
  statement: '',
  allergens: {},
  certifiedGlutenFree: true,
  animal: 'plant',
  checkedBy: 'Ilse Marrow',
  checkedOn: '2026-11-20',
});

/** A kitchen without shared equipment that has read the pack of everything it buys, and nothing more was on it. */
export const stockedKitchen: Kitchen = {
  ...ward,
  shared: [],
  packs: [...book.foods.foods.values()].filter(({ animal }) => animal !== 'animal').map(read),
};

export const REFUSE: FreeFromPolicy = { mayContain: 'refuse', check: 'refuse' };
export const ACCEPT: FreeFromPolicy = { mayContain: 'accept', check: 'accept' };

/** The best plan of a dish, once a cook has said of every word that is asked about that it is only a name. */
export function askedOfDish(
  dish: SwapDish,
  exclude: readonly string[],
  policy: FreeFromPolicy,
  kitchen = stockedKitchen,
): SwapAnswer & { asked: number } {
  let recipe = recipeOf(dish.lines, dish.steps, { name: dish.name });
  for (let round = 0; ; round += 1) {
    const answer = planSwaps(
      { recipe, kitchen, target: { kind: 'weight', grams: 5000 }, exclude, policy },
      book,
      1,
    );
    const asks = answer.blockedBy.flatMap((each) => each.asks);
    if (asks.length === 0 || round > 3) return { ...answer, asked: round };
    const notIn = asks.map((each) => ({ ...each, by: 'Ilse Marrow', on: '2026-11-20' }));
    recipe = { ...recipe, notIn: [...recipe.notIn, ...notIn] };
  }
}

/** Whether every swap of the best plan does a work that its food does here. Null where nothing has to go. */
export function verdictOf(dish: SwapDish, answer: SwapAnswer): { isGood: boolean; words: string } | null {
  const [plan] = answer.plans;
  if (!plan)
    return {
      isGood: false,
      words: `none: ${answer.blockedBy.map(({ name, reason }) => `${name}, ${reason}`).join('; ')}`,
    };
  if (plan.swaps.length === 0) return null;
  const words = plan.swaps.map(
    (swap) => `${swap.from.name} by ${swap.to.map(({ name }) => name).join(' + ')} (${swap.function})`,
  );
  const wrong = plan.swaps.filter((swap) => !dish.works.get(swap.from.foodId)?.includes(swap.function));
  return { isGood: wrong.length === 0, words: words.join('; ') };
}
