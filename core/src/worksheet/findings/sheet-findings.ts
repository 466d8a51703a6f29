/** What is wrong or open about a dish as a whole: its components, its method, its yield, its figures. */
import { touches } from '../../allergen';
import {
  type Batch,
  type BatchTarget,
  HEAT_LIMITS,
  knownShare,
  unweighedLines,
  type WorksheetLine,
} from '../../batch';
import { type Composed, type ComposedLine, type Ratio, recipeFindings } from '../../dish';
import { type Finding, finding } from '../../finding';
import { exclusionName, FACT_NAMES, wantedBy } from '../../food';
import { type Kitchen, PANS, passes } from '../../kitchen';
import { homeVessel } from '../../matter';
import type { MissingFigure } from '../../nutrition';
import { figureText } from '../../quantity';
import { isBakedDeep, type Recipe, unusedLines } from '../../recipe';
import { standardFindings } from './standard-findings';

/** Findings of components, told on the dish's line that uses them. */
export function innerFindings(line: ComposedLine): Finding[] {
  if (!line.inner) return [];
  const all = [
    ...line.inner.findings,
    ...line.inner.lines.flatMap((each) => [...each.findings, ...innerFindings(each)]),
  ];
  return all
    .filter((each) => each.severity !== 'note')
    .map((each) => ({ ...each, lineId: line.id, message: `In ${line.name}: ${each.message}` }));
}

/** Findings about steps against lines: unused, forgotten, contradicting temperatures. */
export function stepFindings(recipe: Recipe): Finding[] {
  const unused = unusedLines(recipe.lines, recipe.steps).map((line) =>
    finding('line-unused', line.id, { name: line.reading.foodText || line.text }),
  );
  const missing = new Set(recipe.steps.flatMap((step) => step.reading.missingNames));
  const hidden = new Set(recipe.steps.flatMap((step) => step.reading.hiddenAmounts));
  return [
    ...unused,
    ...[...missing].map((name) => finding('step-names-missing', null, { name })),
    ...[...hidden].map((written) => finding('step-amount-hidden', null, { written })),
    ...recipe.steps.flatMap((step) => step.reading.findings),
  ];
}

/** A variant is for somebody: what it is to be free from must not come back, nor stand there unread. */
export function freeFromFindings(composed: Composed, kitchen: Kitchen): Finding[] {
  const ofEach = composed.recipe.freeFrom.flatMap((each) => {
    const wanted = wantedBy(each, kitchen);
    const exclusion = exclusionName(each, kitchen);
    if (!wanted) return [finding('variant-unknown', null, { exclusion })];
    const against = composed.traces.filter(
      (trace) => touches(trace, wanted) && !passes(trace.status, kitchen.policy),
    );
    const routes = (isUnread: boolean): string =>
      [
        ...new Set(
          against.filter(({ status }) => (status === 'check') === isUnread).map(({ route }) => route),
        ),
      ].join('; ');
    const [held, unread] = [routes(false), routes(true)];
    return [
      ...(held ? [finding('variant-not-free', null, { exclusion, paths: held })] : []),
      ...(unread ? [finding('variant-unread', null, { exclusion, paths: unread })] : []),
    ];
  });
  const apart = kitchen.shared.filter(({ id }) => composed.recipe.apart.includes(id)).map(({ name }) => name);
  return apart.length > 0
    ? [...ofEach, finding('cooked-apart', null, { equipment: apart.join(', ') })]
    : ofEach;
}

/** How far the stated portions may be from what the lines come to before it is said (convention). */
const YIELD_CONTRADICTION_RATIO = 1.25;

/** Stated portions and portion size against the sum of the parts. */
function yieldContradiction({ recipe, finishedGrams }: Composed): Finding[] {
  if (recipe.isComponent || recipe.portionGrams === null || recipe.portions <= 1 || !(finishedGrams > 0))
    return [];
  const stated = recipe.portions * recipe.portionGrams;
  if (Math.max(stated / finishedGrams, finishedGrams / stated) <= YIELD_CONTRADICTION_RATIO) return [];
  const reckoned = figureText(finishedGrams / recipe.portionGrams, 1);
  const figures = { portions: recipe.portions, grams: recipe.portionGrams, reckoned };
  return [finding('yield-contradiction', null, figures)];
}

export function batchFindings(composed: Composed, batch: Batch, kitchen: Kitchen): Finding[] {
  const found: Finding[] = [
    ...composed.findings,
    ...yieldContradiction(composed),
    ...recipeFindings(composed.recipe, composed.lines),
  ];
  // The home range at batch size, steam of the batch's own vessel and all.
  const kilograms = (homeGrams: number): string =>
    figureText((batch.finishedGrams * (homeGrams / composed.finishedGrams)) / 1000, 2);
  const open = unweighedLines(composed);
  if (open.length > 0) {
    const known = knownShare(composed);
    const share = known === null || composed.isMeasured ? '' : figureText(known * 100, 0);
    const names = open.map(({ name }) => name).join(', ');
    found.push(finding('lines-unweighed', null, { names, count: open.length, share }));
  }
  if (batch.problem !== null) found.push(finding('target-invalid', null, { reason: batch.problem }));
  if (!composed.isMeasured && composed.finishedGrams > 0) {
    const figures = { low: kilograms(composed.lowGrams), high: kilograms(composed.highGrams) };
    found.push(finding('yield-predicted', null, figures));
  }
  if (batch.excessWaterGrams > 0) {
    found.push(finding('water-not-enough', null, { excess: figureText(batch.excessWaterGrams / 1000, 2) }));
  }
  if (composed.cookings.length > 0) {
    const isDeep = isBakedDeep(composed.recipe);
    const assumed = new Set(composed.cookings.map((cooking) => homeVessel(cooking, isDeep).name));
    found.push(finding('home-vessel-assumed', null, { name: [...assumed].join(' and a ') }));
    const { hotHoldCelsius, coolingText } = HEAT_LIMITS[kitchen.regime];
    found.push(finding('cool-and-hold', null, { hot: hotHoldCelsius, cooling: coolingText }));
  }
  return found;
}

/** Printed figures that lack a line's part, for lines that are weighed; an unweighed line has its own decision. */
export function missingFindings(
  missing: readonly MissingFigure[],
  printed: ReadonlySet<string>,
  lines: readonly WorksheetLine[],
): Finding[] {
  const weighed = new Map(
    lines.filter((line) => line.baseGrams !== null).map((line) => [line.id, line.name]),
  );
  return missing.flatMap(({ id, lineIds }) => {
    const names = lineIds.flatMap((lineId) => weighed.get(lineId) ?? []);
    if (!printed.has(id) || names.length === 0) return [];
    return [finding('figure-missing', null, { nutrient: FACT_NAMES[id].name, lines: names.join(', ') })];
  });
}

const WORK_WORDS = {
  simmer: 'pot or kettle',
  fry: 'frying pan or griddle',
  oven: 'oven',
  blend: 'blender',
  mix: 'mixer',
};

interface Scaled {
  composed: Composed;
  batch: Batch;
  lines: readonly WorksheetLine[];
  ratios: readonly Ratio[];
  target: BatchTarget;
  kitchen: Kitchen;
}

/** What is doubtful about making this batch in this kitchen: machines, scales, pans, ratios, the kitchen's standard. */
export function scalingFindings({ composed, batch, lines, ratios, target, kitchen }: Scaled): Finding[] {
  const found: Finding[] = standardFindings(composed, kitchen);
  for (const { stage, vessel } of batch.stages)
    if (!vessel) found.push(finding('machine-missing', null, { machine: WORK_WORDS[stage.kind] }));
  for (const { id, name, scaleName, scaleGrams } of lines)
    if (scaleGrams !== null && scaleName === '' && scaleGrams > 0)
      found.push(finding('scale-too-coarse', id, { name }));
  for (const { name, text, bandText, words, verdict } of ratios)
    if (verdict !== 'within') found.push(finding('ratio-off', null, { name, text, band: bandText, words }));
  if (target.kind === 'pans' && batch.problem === null) {
    const owned = kitchen.pans.find(({ pan }) => pan === target.pan)?.count ?? null;
    if (owned !== null && owned < Math.ceil(target.count - 1e-6))
      found.push(
        finding('pans-short', null, { name: PANS[target.pan].name, owned, wanted: Math.ceil(target.count) }),
      );
  }
  if (batch.isPlain) found.push(finding('garnish-by-weight', null));
  return found;
}
