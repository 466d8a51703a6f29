/** The answer to "why?": where a weight or a nutrient of the worksheet comes from, in formulas with their figures. */
import { factorFor, homePortionGrams, planBatch, type WorksheetLine } from '../batch';
import { beforeLoss, compose, foodFollows } from '../dish';
import { type NutrientId, NUTRIENTS } from '../food';
import { keptShares, vectorHere } from '../nutrition';
import { figureText, gramsText } from '../quantity';
import type { Book } from '../recipe';
import type { Worksheet, WorksheetInput } from './worksheet';

/** One step of a derivation: what it is, the formula with its figures, where the rule or figure comes from. */
export interface Reason {
  what: string;
  formula: string;
  source: string;
}

const times = (base: number, batch: number): string =>
  `${gramsText(base)} x ${figureText(base > 0 ? batch / base : 0, 3)} = ${gramsText(batch)}`;

/** What decides the batch weight of a line, by what it follows. */
function batchSource(line: WorksheetLine, sheet: Worksheet): string {
  const factor = figureText(sheet.factor, 3);
  const area = sheet.stages.find(({ work }) => work === 'fry' || work === 'simmer');
  switch (line.follows) {
    case 'water':
      return `water = factor x (home water - home steam) + batch steam; this batch loses ${gramsText(sheet.steamGrams)} as steam`;
    case 'pan':
      return area?.machine
        ? `fat for the pan goes by the pan's area: ${figureText(area.surfaceM2, 3)} m2 x ${area.loads} ${area.loads === 1 ? 'load' : 'loads'} in the ${area.machine.name}, over the home pan's (convention)`
        : `factor ${factor}: no pan is known whose area it could go by`;
    case 'portions':
      return `garnish goes by the portion: ${figureText(sheet.portions, 1)} here`;
    case 'batch': {
      const hasWater = sheet.lines.some(({ follows }) => follows === 'water');
      return hasWater || sheet.steamGrams === 0
        ? `factor ${factor} brings ${gramsText(sheet.baseGrams)} at home to ${gramsText(sheet.finishedGrams)}`
        : `factor ${factor}: ${gramsText(sheet.finishedGrams)} come out after ${gramsText(sheet.steamGrams)} of steam, which no water in the list makes up for`;
    }
  }
}

const percentText = (share: number): string => `${share > 0 ? '+' : ''}${figureText(share * 100, 2)} %`;

function scaleReason(line: WorksheetLine): Reason {
  const { batchGrams, scaleGrams, stepGrams, scaleName, scaleError, loads, role } = line;
  const isTightRole = role === 'salt' || role === 'starch' || role === 'leavening';
  const parts = loads.length > 1 ? `, in ${loads.length} loads that sum to it` : '';
  return {
    what: 'On the scale',
    formula: `${figureText(batchGrams ?? 0, 2)} g rounded to ${figureText(stepGrams, 3)} g = ${figureText(scaleGrams ?? 0, 3)} g, off by ${percentText(scaleError)}${parts}`,
    source: `${scaleName === '' ? 'no scale of this kitchen shows it closely enough' : scaleName}${isTightRole ? '; never off by more than 2 %' : ''}`,
  };
}

/** Why a line weighs what it weighs: home weight, batch weight, the scale's step, first addition, as bought, cooked. */
export function explainLine(line: WorksheetLine, sheet: Worksheet): Reason[] {
  if (line.baseGrams === null || line.scaleGrams === null) {
    return [
      { what: 'At home', formula: line.because, source: 'no weight: everything it would add is unknown' },
    ];
  }
  const batch = line.batchGrams ?? 0;
  const reasons: Reason[] = [
    {
      what: 'At home',
      formula: `${line.because} = ${gramsText(line.baseGrams)}`,
      source: `origin: ${line.origin}`,
    },
    { what: 'In the batch', formula: times(line.baseGrams, batch), source: batchSource(line, sheet) },
    scaleReason(line),
  ];
  if (line.heldBackGrams > 0) {
    reasons.push({
      what: 'At first',
      formula: `80 % of ${figureText(line.scaleGrams, 1)} g = ${figureText(line.firstGrams ?? 0, 1)} g, then taste`,
      source: 'strong seasoning above four times the home recipe (convention)',
    });
  }
  if (line.spoons) {
    reasons.push({
      what: 'By spoon',
      formula: `${line.spoons.text} a load, off by ${percentText(line.spoons.error)}`,
      source: 'level spoons, only below 15 mL',
    });
  }
  if (line.purchasedGrams !== null && line.purchasedGrams > batch * 1.0001) {
    reasons.push({
      what: line.isDrained ? 'In tins' : 'As bought',
      formula: `${gramsText(batch)} / ${figureText(batch / line.purchasedGrams, 3)} = ${gramsText(line.purchasedGrams)}`,
      source: line.isDrained ? 'drained share of the tin' : 'trim yield of the larder (reference)',
    });
  }
  if (line.cookedGrams !== null && line.cookingMethod !== null) {
    reasons.push({
      what: 'Cooked',
      formula: `${gramsText(batch)} x ${figureText(line.cookedGrams / batch, 2)} ${line.cookingMethod} = ${gramsText(line.cookedGrams)}`,
      source: 'cooking yield of the larder (reference)',
    });
  }
  return reasons;
}

/** Figures of the batch as a whole that answer "why?". */
export const FIGURES = ['finished', 'steam', 'water', 'loads', 'rounding'] as const;
export type FigureId = (typeof FIGURES)[number];

export const FIGURE_NAMES: Readonly<Record<FigureId, string>> = {
  finished: 'Finished weight',
  steam: 'Lost as steam',
  water: 'Added water',
  loads: 'Loads',
  rounding: 'Rounded to the scale',
};

function steamReasons(sheet: Worksheet): Reason[] {
  const reasons = sheet.stages
    .filter(({ steamGrams }) => steamGrams > 0)
    .map(({ machine, surfaceM2, loads, steamGrams }): Reason => ({
      what: machine?.name ?? 'A home pot, again and again',
      formula: `rate x ${figureText(surfaceM2, 3)} m2 x time x ${loads} ${loads === 1 ? 'load' : 'loads'} = ${gramsText(steamGrams)}`,
      source:
        'bare simmer 3, gentle simmer 8, rolling boil 22, oven 4 kg/m2/h; a lid leaves 15 % (convention)',
    }));
  const named = sheet.stages.reduce((sum, { steamGrams }) => sum + steamGrams, 0);
  if (sheet.steamGrams - named > 0.05)
    reasons.push({
      what: 'Boiled down, or by the splash in the pan',
      formula: gramsText(sheet.steamGrams - named),
      source: 'the same share as at home leaves; water in a hot pan goes by its area',
    });
  return reasons;
}

/** Why a figure of the whole batch is what it is. */
export function explainFigure(id: FigureId, sheet: Worksheet): Reason[] {
  const { putInGrams, steamGrams, lostGrams, finishedGrams } = sheet.massBalance;
  switch (id) {
    case 'finished':
      return [
        {
          what: 'In the batch',
          formula: `${gramsText(putInGrams)} put in - ${gramsText(steamGrams)} steam - ${gramsText(lostGrams)} lost = ${gramsText(finishedGrams)}`,
          source: sheet.isYieldMeasured
            ? 'the home yield was weighed; what is lost is the rest'
            : "mass is conserved; what sticks to pots and spoons is the kitchen's transfer loss (convention)",
        },
        {
          what: 'Range',
          formula: `${gramsText(sheet.finishedLowGrams)} to ${gramsText(sheet.finishedHighGrams)}`,
          source: sheet.isYieldMeasured ? 'weighed' : 'lows and highs of each line, steam 30 % either way',
        },
      ];
    case 'steam':
      return steamReasons(sheet);
    case 'water':
      return sheet.lines
        .filter(({ follows }) => follows === 'water')
        .flatMap((line) => explainLine(line, sheet));
    case 'loads':
      return sheet.stages.map(({ machine, grams, holdsGrams, loads, isHot, isLayer }) => ({
        what: machine?.name ?? 'No machine on record',
        formula:
          holdsGrams > 0
            ? `${gramsText(grams)} / ${gramsText(holdsGrams)} a load = ${figureText(grams / holdsGrams, 2)}, so ${loads}`
            : 'not worked out',
        source: isLayer
          ? 'by area, in one layer: 13 kg/m2 (convention)'
          : `working fill of the machine${isHot ? ', half full because it is hot' : ''} (convention)`,
      }));
    case 'rounding':
      return [
        {
          what: 'Finished, as weighed',
          formula: `${figureText(sheet.roundedFinishedGrams, 1)} g, ${percentText(sheet.roundedFinishedGrams / (sheet.finishedGrams || 1) - 1)} of ${gramsText(sheet.finishedGrams)}`,
          source: "every line rounded to the kitchen's scales, then weighed up again",
        },
      ];
  }
}

/** What one line gives to a nutrient of a portion; null where its figure is unknown. */
export interface Contribution {
  lineId: string;
  name: string;
  amount: number | null;
}

/** Contributions of each line to one nutrient of a portion of the batch, largest first, unknown last. */
export function contributions(
  input: WorksheetInput,
  nutrient: NutrientId,
  portionGrams: number | null,
  book: Book,
): Contribution[] {
  const composed = compose(input.recipe, book, input.kitchen);
  const batch = planBatch(composed, input.target, input.kitchen, input.vesselIds ?? []);
  const index = NUTRIENTS.indexOf(nutrient);
  const grams = portionGrams ?? homePortionGrams(composed);
  const ofAll = composed.isMeasured ? 1 : composed.keptShare;
  const share = batch.finishedGrams > 0 ? (grams * ofAll) / batch.finishedGrams : 0;
  const list = composed.lines.map((line): Contribution => {
    const { id, name, weight: home, food, inner, source, takenUp } = line;
    if (!home) return { lineId: id, name, amount: null };
    const weight = { grams: home.grams * takenUp * factorFor(foodFollows(line), batch) };
    if (inner) {
      const isUnknown = inner.nutrients.missing[index]!.length > 0;
      const perGram = inner.finishedGrams > 0 ? inner.nutrients.amounts[index]! / beforeLoss(inner) : 0;
      return { lineId: id, name, amount: isUnknown ? null : perGram * weight.grams * share };
    }
    const perGram = (food && vectorHere(food, book.foods, input.kitchen)?.[index]) ?? NaN;
    const kept = food ? (keptShares(source, food, composed.recipe.steps, line.isPouredOff)?.[index] ?? 1) : 1;
    return {
      lineId: id,
      name,
      amount: Number.isNaN(perGram) ? null : perGram * weight.grams * share * kept,
    };
  });
  return list.sort((one, other) => (other.amount ?? -1) - (one.amount ?? -1));
}
