/** Every food a frozen recipe is made of, components opened, each with the pack it was planned from: what a recall starts with. */
import { compose, type Composed } from '../../dish';
import { packOf } from '../../kitchen';
import { type FrozenInputs, thawedBook } from '../../paper';

export interface PlanFood {
  foodId: string;
  foodName: string;
  product: string;
  supplier: string;
  statementVersion: number | null;
}

function foodsIn({ lines }: Composed, into: Map<string, string>): void {
  for (const { food, inner, component } of lines) {
    if (food) into.set(food.id, food.name);
    if (component) into.set(component.id, component.name);
    if (inner) foodsIn(inner, into);
  }
}

export function planFoods(inputs: FrozenInputs): PlanFood[] {
  const foods = new Map<string, string>();
  foodsIn(compose(inputs.recipe, thawedBook(inputs), inputs.kitchen), foods);
  return [...foods].map(([foodId, foodName]) => {
    const pack = packOf(inputs.kitchen, foodId);
    return {
      foodId,
      foodName,
      product: pack?.productName ?? '',
      supplier: pack?.supplier ?? '',
      statementVersion: pack?.statementVersion ?? null,
    };
  });
}
