/** A worksheet as the audit of matter sees it, and what it doubts as findings that hold the label. */
import { assay, type Doubt, type Sample, type SampleLine } from '../../assay';
import { type Batch, lineFactor, unweighedLines } from '../../batch';
import type { Composed, ComposedLine } from '../../dish';
import { type Finding, finding } from '../../finding';
import type { Facts } from '../../food';
import { type Kitchen, packOf } from '../../kitchen';
import type { Confirmed, Recipe } from '../../recipe';

type Held = Omit<SampleLine, 'id' | 'name' | 'text' | 'grams' | 'isDry'>;

/** What 100 g of a line hold: the larder's row under the panel of the pack this kitchen buys; a component by its own lines. */
function composition({ food, inner }: ComposedLine, kitchen: Kitchen): Held {
  if (food) {
    const { waterG, proteinG, fatG, carbohydrateG, alcoholG, sodiumMg } = food.composition;
    const row = { waterG, proteinG, fatG, carbohydrateG, alcoholG, sodiumMg };
    const panel = packOf(kitchen, food.id)?.panel ?? {};
    return { ...row, ...panel };
  }
  const parts = inner ? inner.lines.filter(({ weight }) => weight !== null) : [];
  const left = inner ? inner.finishedGrams : 0;
  const all = (id: keyof Held): number | null => {
    let sum = 0;
    for (const each of parts) {
      const value = composition(each, kitchen)[id];
      if (value === null) return null;
      sum += value * each.weight!.grams;
    }
    return left > 0 ? sum / left : null;
  };
  return {
    waterG: null,
    proteinG: all('proteinG'),
    fatG: all('fatG'),
    carbohydrateG: all('carbohydrateG'),
    alcoholG: all('alcoholG'),
    sodiumMg: all('sodiumMg'),
  };
}

/** What a method says is done, and what the cook said of it besides. */
const wordsOf = ({ recipe, lines }: Composed): string[] => [
  ...recipe.steps.map(({ text }) => text),
  ...(lines.some(({ source }) => source.answers.bath === 'left') ? ['the rest is poured off'] : []),
];

function sampleOf(
  recipe: Recipe,
  composed: Composed,
  batch: Batch,
  per100g: Facts,
  kitchen: Kitchen,
): Sample {
  const lines = composed.lines.flatMap((line): SampleLine[] =>
    line.weight
      ? [
          {
            id: line.id,
            name: line.name,
            text: line.source.text,
            grams: line.weight.grams * lineFactor(line, batch),
            isDry: line.food?.state === 'dry',
            ...composition(line, kitchen),
          },
        ]
      : [],
  );
  const isOneSize = batch.servings.length === 0 && batch.problem === null;
  return {
    name: recipe.name,
    isComponent: recipe.isComponent,
    steps: [composed, ...composed.lines.flatMap(({ inner }) => inner ?? [])].flatMap(wordsOf),
    lines,
    finishedGrams: batch.finishedGrams,
    isYieldMeasured: composed.isMeasured,
    portions: isOneSize ? batch.portions : null,
    portionGrams: batch.portionGrams,
    energyKcal: per100g.energyKcal,
    proteinG: per100g.proteinG,
    fatG: per100g.fatG,
    carbohydrateG: per100g.carbohydrateG,
    fibreG: per100g.fibreG,
    sodiumMg: per100g.sodiumMg,
  };
}

/** A cook's word holds while the figure is within this share of what it was. */
const STANDS_WITHIN = 0.1;

const standsFor = ({ what, figure }: Doubt, confirmed: readonly Confirmed[]): Confirmed | undefined =>
  confirmed.find((each) => each.what === what && Math.abs(figure / each.figure - 1) <= STANDS_WITHIN);

/** What the audit of matter doubts about a worksheet. Where something is not weighed, only what cannot be is said. */
export function assayFindings(
  recipe: Recipe,
  composed: Composed,
  batch: Batch,
  per100g: Facts,
  kitchen: Kitchen,
): Finding[] {
  const isPart = unweighedLines(composed).length > 0;
  return assay(sampleOf(recipe, composed, batch, per100g, kitchen)).flatMap((doubt): Finding[] => {
    const { what, says, figure, isImpossible, lineId } = doubt;
    if (isPart && (!isImpossible || what === 'portion')) return [];
    const line = composed.lines.find(({ id }) => id === lineId);
    const figures = { what, says, figure, line: line?.name ?? '' };
    if (isImpossible) return [finding('assay-impossible', null, figures)];
    const stands = standsFor(doubt, recipe.confirmed);
    return stands
      ? [finding('assay-confirmed', null, { ...figures, by: stands.by, on: stands.on })]
      : [finding('assay-unlikely', null, figures)];
  });
}
