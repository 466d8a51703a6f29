/** What must be said of a food wherever it stands: its pack, its origin, its cautions. */
import { animalStateOf, foodTraces, trapWords } from '../../allergen';
import { type Finding, finding } from '../../finding';
import {
  EU_TREE_NUTS,
  type Food,
  inSentence,
  type Substance,
  SUBSTANCE_NAMES,
  SUBSTANCES,
  substancesIn,
} from '../../food';
import { type Kitchen, packOf } from '../../kitchen';

/** Substances that only a pack can settle at a food. */
const openSubstances = (food: Food): Substance[] =>
  SUBSTANCES.filter((each) => food.allergens[each] === 'check');

/** Substances in words; all the tree nuts together are said as such. */
function substanceWords(substances: readonly Substance[]): string {
  const hasAll = EU_TREE_NUTS.every((each) => substances.includes(each));
  const rest = hasAll ? substances.filter((each) => !EU_TREE_NUTS.includes(each)) : substances;
  return [...(hasAll ? ['tree nuts'] : []), ...rest.map((each) => SUBSTANCE_NAMES[each])].join(', ');
}

/** Adds the findings of a food at a line. */
export function addFoodFindings(food: Food, lineId: string, kitchen: Kitchen, found: Finding[]): void {
  const pack = packOf(kitchen, food.id);
  const animal = animalStateOf(food, kitchen);
  if (animal === 'animal') found.push(finding('animal-food', lineId, { name: inSentence(food.name) }));
  if (animal === 'check' && pack?.isConfirmed !== false)
    found.push(finding('animal-check', lineId, { name: inSentence(food.name) }));
  if (food.kind === 'product' && !pack)
    found.push(
      finding('pack-unknown', lineId, {
        name: inSentence(food.name),
        trap: trapWords(food, openSubstances(food)),
      }),
    );
  if (pack && !pack.isConfirmed)
    found.push(
      finding('statement-changed', lineId, { name: inSentence(food.name), product: pack.productName }),
    );
  if (pack ? pack.isConfirmed : food.kind === 'single') {
    let bits = 0;
    for (const trace of foodTraces(food, kitchen)) if (trace.status === 'check') bits |= trace.bits;
    const doubtful = substancesIn(bits);
    if (doubtful.length > 0) {
      const allergens = substanceWords(doubtful);
      const trap = trapWords(food, doubtful);
      found.push(finding('certificate-unknown', lineId, { name: inSentence(food.name), allergens, trap }));
    }
  }
  for (const caution of food.cautions) found.push(finding(caution, lineId, { name: inSentence(food.name) }));
}
