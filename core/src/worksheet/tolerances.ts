/** Each printed figure against its legal tolerance band, with the range of what the food may hold. */
import { declaredNumber, type FigureTolerance, labelFigures } from '../declaration';
import type { Range } from '../dish';
import { FACT_NAMES, type FactId, type Facts, type Regime } from '../food';
import { standingIn, toleranceOf } from '../nutrition';

interface Held {
  perPortion: Facts;
  per100g: Facts;
  missing: readonly { id: string }[];
  ranges: Readonly<Record<FactId, Range>>;
}

/** US figures are held per portion, EU figures per 100 g. */
export function tolerancesOf(nutrition: Held, portionGrams: number, regime: Regime): FigureTolerance[] {
  const { perPortion, per100g, ranges } = nutrition;
  const missing = new Set(nutrition.missing.map(({ id }) => id));
  const isUs = regime === 'us';
  const to100 = portionGrams > 0 ? 100 / portionGrams : 0;
  const rounded = { perPortion, per100g, whole: null, missing: new Set<string>() };
  return labelFigures(rounded, regime).map(({ id, name, text, per100gText }) => {
    const value = (isUs ? perPortion : per100g)[id];
    const range = ranges[id];
    const low = isUs ? range.low : range.low * to100;
    const high = isUs ? range.high : range.high * to100;
    const declared = declaredNumber(isUs ? text : per100gText);
    const band = toleranceOf(regime, id, declared);
    const isIncomplete = missing.has(id);
    return {
      id,
      name,
      unit: FACT_NAMES[id].unit,
      per: isUs ? 'portion' : '100 g',
      value,
      low,
      high: isIncomplete ? null : high,
      declared,
      band,
      standing: standingIn(band, { low, high }, isIncomplete),
    };
  });
}
