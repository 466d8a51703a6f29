/** How large each law wants the letters of a label, and which form of the US panel a pack may carry. Points. */
import type { PackSize } from '../../declaration';
import type { Regime } from '../../food';
import { sizeOfXHeight } from '../print';

/** 1169/2011 article 13(2) and (3): x-height in millimetres, and the largest surface below which the lesser one holds. */
export const EU_X_HEIGHT_MM = 1.2;
export const EU_SMALL_X_HEIGHT_MM = 0.9;
export const EU_SMALL_SURFACE_CM2 = 80;
/** US: 40 square inches (21 CFR 101.9(j)(13)), 12 square inches (101.2(c)(5)), and letters of the statement by x-height. */
export const US_SMALL_AREA_CM2 = 258;
export const US_SMALLEST_AREA_CM2 = 77.4;
/** 21 CFR 101.2(c): 1/16 inch by the lower case o; 1/32 inch on packs of less than 12 square inches. */
export const US_STATEMENT_X_HEIGHT_MM = 25.4 / 16;
export const US_SMALLEST_STATEMENT_X_HEIGHT_MM = 25.4 / 32;

/** Type sizes of the US panel, 21 CFR 101.9(d)(1) and (j)(13)(ii). */
export interface PanelTypeUs {
  heading: number;
  servings: number;
  caloriesName: number;
  caloriesFigure: number;
  nutrient: number;
  small: number;
}
/** 101.9(d)(1)(iii): servings 10 points, Calories 16 and 22, nutrients 8, the rest no less than 6. */
export const US_PANEL: PanelTypeUs = {
  heading: 16.5,
  servings: 10,
  caloriesName: 16,
  caloriesFigure: 22,
  nutrient: 8,
  small: 6,
};
/** Small packs: Calories 10 and 14, everything else no less than 6. */
export const US_SMALL_PANEL: PanelTypeUs = {
  heading: 10.5,
  servings: 6,
  caloriesName: 10,
  caloriesFigure: 14,
  nutrient: 6,
  small: 6,
};

/** Bars and hairlines of the panel, 101.9(d)(1)(v): 7 and 3 points, 1/4 point. */
export const US_BARS = { thick: 7, thin: 3, hairline: 0.25 } as const;

export const isSmallPackUs = ({ labelAreaCm2 }: PackSize): boolean =>
  labelAreaCm2 !== null && labelAreaCm2 <= US_SMALL_AREA_CM2;

/** Least size of the text that the law asks for: name, ingredients, allergens, dates; the EU table too. */
export function leastTextSize(regime: Regime, pack: PackSize): number {
  if (regime === 'eu') {
    const { largestSurfaceCm2 } = pack;
    const isSmall = largestSurfaceCm2 !== null && largestSurfaceCm2 < EU_SMALL_SURFACE_CM2;
    return sizeOfXHeight(isSmall ? EU_SMALL_X_HEIGHT_MM : EU_X_HEIGHT_MM);
  }
  const { labelAreaCm2 } = pack;
  const isSmallest = labelAreaCm2 !== null && labelAreaCm2 < US_SMALLEST_AREA_CM2;
  return sizeOfXHeight(isSmallest ? US_SMALLEST_STATEMENT_X_HEIGHT_MM : US_STATEMENT_X_HEIGHT_MM);
}

/** Forms of the nutrition table. The US names three; the EU lets a line stand where a table has no room (Annex XV). */
export const PANEL_FORMS = ['vertical', 'tabular', 'linear'] as const;
export type PanelForm = (typeof PANEL_FORMS)[number];

/** Height below which a label has no room for an upright panel: about three inches (101.9(d)(11)(iii)), mm. */
export const US_NO_ROOM_UPRIGHT_MM = 76.2;

/**
 * Forms a law lets a pack carry, best first. US: on packs with more than 40 square inches the tabular form only where the label
 * has no three inches of height (101.9(d)(11)(iii)); on small packs also tabular, and in a line where neither has room (j)(13). EU:
 * table, else linear (Annex XV).
 * @param heightMm height of the label; null where it is as long as its text
 */
export function formsFor(regime: Regime, pack: PackSize, heightMm: number | null): readonly PanelForm[] {
  if (regime === 'eu') return ['vertical', 'linear'];
  if (isSmallPackUs(pack)) return ['vertical', 'tabular', 'linear'];
  const hasNoRoom = heightMm !== null && heightMm <= US_NO_ROOM_UPRIGHT_MM;
  return hasNoRoom ? ['vertical', 'tabular'] : ['vertical'];
}
