/** Numbers as the screen, the label and the batch sheet write them. Rounding is explicit in each name. */

/** Rounds half away from zero at a number of decimals, free of binary noise ("2.675" gives 2.68). */
export function roundToDecimals(value: number, decimals: number): number {
  const scale = 10 ** decimals;
  const scaled = value * scale;
  return (Math.sign(scaled) * Math.floor(Math.abs(scaled) + 0.5 + 1e-9)) / scale;
}

/** Rounds to the nearest multiple of a step, half up. Steps under one are given as decimals (0.1, 0.5). */
export function roundToStep(value: number, step: number): number {
  const steps = Math.floor(value / step + 0.5 + 1e-9);
  return step < 1 ? roundToDecimals(steps * step, 4) : steps * step;
}

/** Text of a mass for people: grams below one kilogram, kilograms with three digits above. */
export function formatGrams(grams: number): { figure: string; unit: 'g' | 'kg' } {
  if (grams >= 999.5) {
    const kilograms = grams / 1000;
    const decimals = kilograms >= 99.95 ? 0 : kilograms >= 9.995 ? 1 : 2;
    return { figure: roundToDecimals(kilograms, decimals).toFixed(decimals), unit: 'kg' };
  }
  if (grams > 0 && grams < 9.95) return { figure: roundToDecimals(grams, 1).toFixed(1), unit: 'g' };
  return { figure: roundToDecimals(grams, 0).toFixed(0), unit: 'g' };
}

/** `formatGrams` as one text with a thin-safe ordinary space: "7.20 kg". */
export function gramsText(grams: number): string {
  const { figure, unit } = formatGrams(grams);
  return `${figure} ${unit}`;
}

/** A change with its sign: "+1.2", "-0.4"; plain "0.0" where it is too small to show. */
export function signedText(value: number, decimals: number): string {
  const text = fixedText(Math.abs(value), decimals);
  return Number(text) === 0 ? text : `${value < 0 ? '-' : '+'}${text}`;
}

/** A number with exactly the given decimals, so that a column of them lines up: 4 is "4.0". */
export function fixedText(value: number, decimals: number): string {
  return roundToDecimals(value, decimals).toFixed(decimals);
}

/** A plain number with at most the given decimals and no trailing zeros: 1.50 is "1.5". */
export function figureText(value: number, decimals = 2): string {
  return String(roundToDecimals(value, decimals));
}

/** Text of a weight with exactly the digits a scale of that step shows: 7 205 g at 5 g is "7.205 kg". */
export function scaleText(grams: number, stepGrams: number): { figure: string; unit: 'g' | 'kg' } {
  if (grams < 1000) {
    const decimals = stepGrams < 0.01 ? 3 : stepGrams < 0.1 ? 2 : stepGrams < 1 ? 1 : 0;
    return { figure: roundToDecimals(grams, decimals).toFixed(decimals), unit: 'g' };
  }
  const decimals = stepGrams < 1 ? 4 : stepGrams < 10 ? 3 : stepGrams < 100 ? 2 : 1;
  return { figure: roundToDecimals(grams / 1000, decimals).toFixed(decimals), unit: 'kg' };
}

/** The same in one text: "7.205 kg". */
export function weightText(grams: number, stepGrams: number): string {
  const { figure, unit } = scaleText(grams, stepGrams);
  return `${figure} ${unit}`;
}
