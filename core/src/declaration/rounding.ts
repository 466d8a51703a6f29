/** How each law rounds a figure before it is printed. */
import { roundToDecimals, roundToStep } from '../quantity';

/** US 21 CFR 101.9(c)(1): below 5 kcal 0; to 50 by 5; above by 10. */
export function roundEnergyUs(kcal: number): number {
  if (kcal < 5) return 0;
  return roundToStep(kcal, kcal <= 50 ? 5 : 10);
}

/** US 21 CFR 101.9(c)(2): fats below 0.5 g 0; under 5 g by 0.5; else by 1. */
export function roundFatUs(grams: number): number {
  if (grams < 0.5) return 0;
  return roundToStep(grams, grams < 5 ? 0.5 : 1);
}

/** US 21 CFR 101.9(c)(3): cholesterol below 2 mg 0; 2 to 5 mg "less than 5 mg"; else by 5. */
export function cholesterolTextUs(milligrams: number): string {
  if (milligrams < 2) return '0mg';
  if (milligrams <= 5) return 'less than 5mg';
  return `${roundToStep(milligrams, 5)}mg`;
}

/** US 21 CFR 101.9(c)(4): sodium below 5 mg 0; to 140 by 5; above by 10. */
export function roundSodiumUs(milligrams: number): number {
  if (milligrams < 5) return 0;
  return roundToStep(milligrams, milligrams <= 140 ? 5 : 10);
}

/** US 21 CFR 101.9(c)(6) and (7): below 0.5 g 0; below 1 g "less than 1 g"; else by 1. */
export function carbohydrateTextUs(grams: number): string {
  if (grams < 0.5) return '0g';
  if (grams < 1) return 'less than 1g';
  return `${roundToStep(grams, 1)}g`;
}

/** US 21 CFR 101.9(c)(8)(iii): an amount under 2 % of the daily value may be declared as zero. */
export const US_ZERO_SHARE = 0.02;

/** US vitamins and minerals by quantity: vitamin D and iron by 0.1, calcium and potassium by 10 mg. */
export function roundMineralUs(amount: number, step: 0.1 | 10, dailyValue: number): number {
  return amount < dailyValue * US_ZERO_SHARE ? 0 : roundToStep(amount, step);
}

/** US % DV of macronutrients: by 1, from the unrounded amount. */
export const dailyValueUs = (amount: number, dailyValue: number): number =>
  roundToStep((amount / dailyValue) * 100, 1);

/** US % DV of vitamins and minerals: under 2 % 0, by 2 to 10 %, by 5 to 50 %, by 10 above. */
export function dailyValueMineralUs(amount: number, dailyValue: number): number {
  const percent = (amount / dailyValue) * 100;
  if (percent < 2) return 0;
  return roundToStep(percent, percent <= 10 ? 2 : percent <= 50 ? 5 : 10);
}

/** EU guidance (December 2012), fat, carbohydrate, sugars, protein, fibre: by 1 from 10 g, by 0.1 above 0.5 g. */
export function macroTextEu(grams: number): string {
  if (grams <= 0.5) return grams < 0.05 ? '0 g' : '<0.5 g';
  if (roundToDecimals(grams, 1) < 10) return `${roundToDecimals(grams, 1).toFixed(1)} g`;
  return `${roundToDecimals(grams, 0)} g`;
}

/** EU guidance, saturates: by 1 from 10 g, by 0.1 above 0.1 g. */
export function saturatesTextEu(grams: number): string {
  if (grams <= 0.1) return grams < 0.005 ? '0 g' : '<0.1 g';
  if (roundToDecimals(grams, 1) < 10) return `${roundToDecimals(grams, 1).toFixed(1)} g`;
  return `${roundToDecimals(grams, 0)} g`;
}

/** EU guidance, salt: by 0.1 from 1 g, by 0.01 above 0.0125 g. */
export function saltTextEu(grams: number): string {
  if (grams <= 0.0125) return grams < 0.0005 ? '0 g' : '<0.01 g';
  if (roundToDecimals(grams, 2) < 1) return `${roundToDecimals(grams, 2).toFixed(2)} g`;
  return `${roundToDecimals(grams, 1).toFixed(1)} g`;
}

/** EU guidance, energy: by 1 kJ and 1 kcal. */
export const energyTextEu = (kj: number, kcal: number): string =>
  `${roundToDecimals(kj, 0)} kJ / ${roundToDecimals(kcal, 0)} kcal`;

/** Nutrients the EU guidance rounds to three significant figures; other vitamins and minerals to two. */
const THREE_FIGURES = new Set([
  'vitaminAUg',
  'folateUg',
  'calciumMg',
  'phosphorusMg',
  'magnesiumMg',
  'iodineUg',
  'potassiumMg',
]);

/** A value at some significant figures, half up; zero is zero. */
export function roundToSignificant(value: number, figures: number): number {
  if (value === 0) return 0;
  const decimals = figures - 1 - Math.floor(Math.log10(Math.abs(value)));
  return decimals >= 0 ? roundToDecimals(value, decimals) : roundToStep(value, 10 ** -decimals);
}

/** EU guidance, vitamins and minerals: 3 significant figures for A, folate, Ca, P, Mg, I, K, else 2. */
export function mineralTextEu(id: string, amount: number): string {
  const figures = THREE_FIGURES.has(id) ? 3 : 2;
  const value = roundToSignificant(amount, figures);
  if (value === 0) return '0';
  const decimals = Math.max(0, figures - 1 - Math.floor(Math.log10(value)));
  return value.toFixed(decimals);
}

/** The number a figure's text declares: "less than 1g" declares 1, "640 kJ / 152 kcal" the first of the two. */
export const declaredNumber = (text: string): number => Number(/\d+(?:\.\d+)?/.exec(text)?.[0] ?? 0);
