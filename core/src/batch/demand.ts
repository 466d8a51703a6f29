/** Several dishes made together: one demand for each component they share. */
import { componentKey, compose } from '../dish';
import type { Kitchen } from '../kitchen';
import type { Book, Recipe } from '../recipe';
import { planBatch } from './batch';
import { type ComponentBatch, componentBatch, type InStore, planComponents } from './components';
import type { BatchTarget } from './target';

/** A dish as it is to be made. */
export interface PlannedDish {
  recipe: Recipe;
  target: BatchTarget;
  vesselIds?: readonly string[];
}

/** Every component that some dishes need, each made once for all of them, users before what they use. */
export function componentDemand(
  dishes: readonly PlannedDish[],
  kitchen: Kitchen,
  book: Book,
  inStore?: InStore,
): ComponentBatch[] {
  const askers = dishes.map(({ recipe, target, vesselIds = [] }) => {
    const composed = compose(recipe, book, kitchen);
    return { composed, batch: planBatch(composed, target, kitchen, vesselIds) };
  });
  // Dishes compose each component for themselves; the demand is gathered by what it is made of.
  const planned = planComponents(askers, kitchen, [], inStore);
  const batches = new Map(planned.map((each) => [componentKey(each.composed), each.batch]));
  return planned.map((each) => componentBatch(each, kitchen, batches));
}
