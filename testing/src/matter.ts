/** The laws of matter held against a worksheet, from its rows and its label alone. */
import type { Worksheet } from '@hand-ladle/core';

/** Matter is conserved to this many grams. */
const CLOSE_G = 0.1;
const MEASURES = ['grams', 'waterGrams', 'dryGrams', 'fatGrams', 'saltGrams'] as const;

/** What of a worksheet does not close: for each of weight, water, dry matter, fat and salt, what came in less what went out. */
export function unbalanced({ massBalance: { rows } }: Worksheet): string[] {
  return MEASURES.flatMap((measure) => {
    const off = rows.reduce((sum, row) => sum + (row.isIn ? row[measure] : -row[measure]), 0);
    return Math.abs(off) > CLOSE_G ? [`${measure} off by ${off.toFixed(3)} g`] : [];
  });
}

/** Laws of composition that a worksheet breaks, in words. */
export function impossible({ nutrition: { per100g }, massBalance, findings }: Worksheet): string[] {
  const { proteinG, fatG, carbohydrateG, energyKcal } = per100g;
  const broken: string[] = [];
  if (proteinG + fatG + carbohydrateG > 100 + 2) broken.push(`${proteinG + fatG + carbohydrateG} g in 100 g`);
  if (energyKcal > 905) broken.push(`${energyKcal} kcal in 100 g`);
  const out = (flow: string): { grams: number; waterGrams: number; dryGrams: number } =>
    massBalance.rows.find((row) => row.flow === flow)!;
  const into = massBalance.rows
    .filter(({ isIn }) => isIn)
    .reduce((sum, { waterGrams }) => sum + waterGrams, 0);
  if (out('steam').grams > into + CLOSE_G) broken.push('more steam than water');
  if (out('finished').waterGrams < -CLOSE_G) broken.push('less than no water left');
  if (out('finished').dryGrams < -CLOSE_G) broken.push('less than no dry matter left');
  for (const { code, message } of findings) if (code === 'assay-impossible') broken.push(message);
  return broken;
}
