/** What a label may say beside its figures and its list, from the same worksheet. */
import { type Claim, claimsOf, figureInLanguage, LABEL_WORDS, type StatementStyle } from '../../declaration';
import { FACT_NAMES, type FactId } from '../../food';
import { fixedText } from '../../quantity';
import type { Worksheet } from '../../worksheet';

/** What a tray slip tells of a portion. */
export const TRAY_FIGURES: readonly FactId[] = [
  'energyKcal',
  'proteinG',
  'sodiumMg',
  'potassiumMg',
  'phosphorusMg',
];

const missingIn = (sheet: Worksheet): Set<string> => new Set(sheet.nutrition.missing.map(({ id }) => id));

export function trayFigures(sheet: Worksheet): { name: string; text: string }[] {
  const missing = missingIn(sheet);
  return TRAY_FIGURES.map((id) => {
    const { name, unit } = FACT_NAMES[id];
    const { language } = sheet.label;
    const amount = fixedText(sheet.nutrition.perPortion[id], unit === 'g' ? 1 : 0);
    const text = `${missing.has(id) ? 'at least ' : ''}${amount} ${unit}`;
    return { name: LABEL_WORDS[language].figures[id] ?? name, text: figureInLanguage(text, language) };
  });
}

/** Every claim of a worksheet with how it stands. */
export function claimsOfSheet(sheet: Worksheet, { language }: StatementStyle): Claim[] {
  const { nutrition, label, portionGrams, allergens, standards } = sheet;
  const { perPortion, per100g, ranges } = nutrition;
  const ground = {
    regime: label.regime,
    portionGrams,
    perPortion,
    per100g,
    ranges,
    referenceGrams: label.pack?.reference?.grams ?? null,
    proteinQuality: sheet.proteinQuality,
  };
  return claimsOf({ ...ground, missing: missingIn(sheet), allergens, standards }, language);
}
