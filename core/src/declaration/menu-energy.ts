/** Energy on a menu: a kitchen's choice, in the words of the law it follows. */
import type { MenuEnergy } from '../kitchen';
import { roundToDecimals } from '../quantity';
import { roundEnergyUs } from './rounding';

/** A dish's energy in a portion, for a menu. */
export interface PortionEnergy {
  kcal: number;
  /** Figures are missing: then the menu says so and gives no number. */
  isIncomplete: boolean;
  portionGrams: number;
}

/**
 * US 21 CFR 101.11(b)(2)(i): "410 calories", rounded as on a label. England, Calorie Labelling (Out of Home Sector) Regulations
 * 2021, regulation 4: kcal of the portion as served. What is not known is said, never a number. Empty where the menu says none.
 */
export function energyOnMenu(
  { kcal, isIncomplete, portionGrams }: PortionEnergy,
  choice: MenuEnergy,
): string {
  if (choice === 'none') return '';
  if (isIncomplete) return choice === 'us' ? 'calories not known yet' : 'kcal not known yet';
  return choice === 'us'
    ? `${roundEnergyUs(kcal)} calories`
    : `${roundToDecimals(kcal, 0)} kcal, one portion of ${roundToDecimals(portionGrams, 0)} g`;
}

/** What the law wants at the foot: 21 CFR 101.11(b)(2)(i)(B) and (C); the English regulations' schedule. */
export const MENU_ENERGY_NOTES: Readonly<Record<MenuEnergy, string>> = {
  none: '',
  us: '2,000 calories a day is used for general nutrition advice, but calorie needs vary. Additional nutrition information available upon request.',
  england: 'Adults need around 2000 kcal a day.',
};
