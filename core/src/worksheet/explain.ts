/** The answer to "why?": where a weight or a nutrient of the worksheet comes from, in formulas with their figures. */
import { NUTRIENTS, sodiumShare, vectorHere, type NutrientId } from '../nutrition';
import { figureText, gramsText } from '../quantity';
import type { Book } from '../recipe/book';
import { WATER_ID } from '../swap/swap';
import { homePortionGrams } from './batch';
import { compose } from './compose';
import type { Worksheet, WorksheetInput, WorksheetLine } from './worksheet';

/** One step of a derivation: what it is, the formula with its figures, where the rule or figure comes from. */
export interface Reason {
  what: string;
  formula: string;
  source: string;
}

function batchReason(line: WorksheetLine, sheet: Worksheet): Reason {
  const base = line.baseGrams ?? 0;
  const batch = line.batchGrams ?? 0;
  const formula = `${gramsText(base)} x ${figureText(base > 0 ? batch / base : sheet.factor, 3)} = ${gramsText(batch)}`;
  if (line.foodId === WATER_ID) {
    const source = `water = factor x (home water - home steam) + batch steam; this batch loses ${gramsText(sheet.steamGrams)} as steam`;
    return { what: 'In the batch', formula, source };
  }
  const factor = figureText(sheet.factor, 3);
  const hasWater = sheet.lines.some(({ foodId }) => foodId === WATER_ID);
  const source =
    hasWater || sheet.steamGrams === 0
      ? `factor ${factor} = ${gramsText(sheet.factor * sheet.baseGrams)} wanted / ${gramsText(sheet.baseGrams)} at home`
      : `factor ${factor}: ${gramsText(sheet.finishedGrams)} come out after ${gramsText(sheet.steamGrams)} of steam, which no water in the list makes up for`;
  return { what: 'In the batch', formula, source };
}

/** Why a line weighs what it weighs: home weight, batch weight, the scale's step, first addition. */
export function explainLine(line: WorksheetLine, sheet: Worksheet): Reason[] {
  if (line.baseGrams === null || line.scaleGrams === null) {
    return [
      { what: 'At home', formula: line.because, source: 'no weight: everything it would add is unknown' },
    ];
  }
  const reasons: Reason[] = [
    {
      what: 'At home',
      formula: `${line.because} = ${gramsText(line.baseGrams)}`,
      source: `origin: ${line.origin}`,
    },
    batchReason(line, sheet),
    {
      what: 'On the scale',
      formula: `${figureText(line.batchGrams ?? 0, 1)} g rounded to ${figureText(line.stepGrams, 1)} g = ${figureText(line.scaleGrams, 1)} g`,
      source: `the kitchen's scale step at this weight${line.role === 'linear' ? '' : '; never off by more than 2 %'}`,
    },
  ];
  if (line.heldBackGrams > 0) {
    reasons.push({
      what: 'At first',
      formula: `80 % of ${figureText(line.scaleGrams, 1)} g = ${figureText(line.firstGrams ?? 0, 1)} g, then taste`,
      source: 'strong seasoning above four times the home recipe (convention)',
    });
  }
  return reasons;
}

/** What one line gives to a nutrient of a portion; null where its figure is unknown. */
export interface Contribution {
  lineId: string;
  name: string;
  amount: number | null;
}

/** Contributions of each line to one nutrient of a portion of the home recipe, largest first, unknown last. */
export function contributions(
  input: WorksheetInput,
  nutrient: NutrientId,
  portionGrams: number | null,
  book: Book,
): Contribution[] {
  const composed = compose(input.recipe, book, input.kitchen);
  const index = NUTRIENTS.indexOf(nutrient);
  const grams = portionGrams ?? homePortionGrams(composed);
  const share = composed.finishedGrams > 0 ? grams / composed.finishedGrams : 0;
  const list = composed.lines.map(({ id, name, weight, food, inner, source }): Contribution => {
    if (!weight) return { lineId: id, name, amount: null };
    if (inner) {
      const isUnknown = inner.nutrients.missing[index]!.length > 0;
      const perGram = inner.finishedGrams > 0 ? inner.nutrients.amounts[index]! / inner.finishedGrams : 0;
      return { lineId: id, name, amount: isUnknown ? null : perGram * weight.grams * share };
    }
    const perGram = (food && vectorHere(food, book.foods, input.kitchen)?.[index]) ?? NaN;
    const sodium = food && nutrient === 'sodiumMg' ? sodiumShare(food, source.reading.form) : 1;
    return {
      lineId: id,
      name,
      amount: Number.isNaN(perGram) ? null : perGram * weight.grams * share * sodium,
    };
  });
  return list.sort((one, other) => (other.amount ?? -1) - (one.amount ?? -1));
}
