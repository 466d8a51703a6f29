/** What a kitchen wants of a portion and does not get, and label figures that leave their band. */
import type { FigureTolerance } from '../../declaration';
import { type Finding, finding } from '../../finding';
import { FACT_NAMES, type Facts } from '../../food';
import { type Kitchen, type NutrientTarget, targetStanding } from '../../kitchen';
import { figureText } from '../../quantity';

const amountText = (figure: NutrientTarget['figure'], amount: number): string => {
  const { unit } = FACT_NAMES[figure];
  return `${figureText(amount, amount >= 10 ? 0 : 1)} ${unit}`;
};

const boundText = ({ figure, min, max }: NutrientTarget): string => {
  if (min !== null && max !== null) return `${amountText(figure, min)} to ${amountText(figure, max)}`;
  return min === null ? `at most ${amountText(figure, max ?? 0)}` : `at least ${amountText(figure, min)}`;
};

const forWhom = ({ dinerId }: NutrientTarget, kitchen: Kitchen): string => {
  const group = kitchen.diners.find(({ id }) => id === dinerId);
  return group ? ` for ${group.name}` : '';
};

/** A component is no portion of anybody's: what the kitchen wants is asked of dishes. */
export function targetFindings(
  nutrition: { perPortion: Facts; missing: readonly { id: string }[] },
  tolerances: readonly FigureTolerance[],
  kitchen: Kitchen,
  isComponent: boolean,
): Finding[] {
  const targets = isComponent ? [] : kitchen.targets;
  const missing = new Set(nutrition.missing.map(({ id }) => id));
  const ofTargets = targets.flatMap((target) => {
    const standing = targetStanding(target, nutrition.perPortion, missing);
    const figures = {
      figure: FACT_NAMES[target.figure].name,
      figureId: target.figure,
      amount: amountText(target.figure, nutrition.perPortion[target.figure]),
      bound: boundText(target),
      who: forWhom(target, kitchen),
    };
    if (standing === 'met') return [];
    if (standing === 'unknown') return [finding('target-unknown', null, figures)];
    return [finding('target-missed', null, { ...figures, words: 'this kitchen wants' })];
  });
  const offBand = tolerances
    .filter(({ standing }) => standing === 'outside')
    .map(({ name, declared, unit, low, high, band }) =>
      finding('figure-off-band', null, {
        figure: name,
        text: `${figureText(declared, 2)} ${unit}`,
        low: figureText(low, 2),
        high: high === null ? 'more' : `${figureText(high, 2)} ${unit}`,
        rule: band?.rule ?? '',
      }),
    );
  return [...ofTargets, ...offBand];
}
