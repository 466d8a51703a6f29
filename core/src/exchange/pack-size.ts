/** What a supplier writes as the size of a pack: "1000 g", "2 kg", "5 L", "6 x 2.5 kg", "case of 12". */

export interface SuppliedSize {
  /** Of one pack: grams, or millilitres where a volume is written; null where only a count is. */
  grams: number | null;
  millilitres: number | null;
  /** Packs in a case. */
  count: number;
}

const GRAMS: Readonly<Record<string, number>> = {
  kg: 1000,
  kilo: 1000,
  g: 1,
  gr: 1,
  gram: 1,
  grams: 1,
  lb: 453.592,
  lbs: 453.592,
  oz: 28.3495,
};
const MILLILITRES: Readonly<Record<string, number>> = {
  l: 1000,
  lt: 1000,
  ltr: 1000,
  litre: 1000,
  litres: 1000,
  liter: 1000,
  cl: 10,
  ml: 1,
};
const FIGURE = '(\\d+(?:[.,]\\d+)?)';
const UNIT = `(${[...Object.keys(GRAMS), ...Object.keys(MILLILITRES)].sort((one, other) => other.length - one.length).join('|')})`;
const CASE = new RegExp(`^(\\d+)\\s*(?:x|×|\\*|/)\\s*${FIGURE}\\s*${UNIT}\\b`, 'i');
const CASE_LAST = new RegExp(`^${FIGURE}\\s*${UNIT}\\s*(?:x|×|\\*)\\s*(\\d+)\\b`, 'i');
const ONE = new RegExp(`^${FIGURE}\\s*${UNIT}?(?:\\b|$)`, 'i');
const COUNT =
  /^(?:case|box|pack|tray|outer)\s*(?:of|x)?\s*(\d+)$|^(\d+)\s*(?:pieces?|pcs?|per case|\/case|count|ct)$/i;

const number = (text: string): number => Number(text.replace(',', '.'));

function sized(value: number, unit: string, count: number): SuppliedSize | null {
  if (!(value > 0) || !(count > 0)) return null;
  const key = unit.toLowerCase();
  const millilitres = MILLILITRES[key];
  if (millilitres !== undefined) return { grams: null, millilitres: value * millilitres, count };
  return { grams: value * (GRAMS[key] ?? 1), millilitres: null, count };
}

/** Reads a size; a figure without a unit is grams. Null where it is none. */
export function readPackSize(text: string): SuppliedSize | null {
  const plain = text
    .trim()
    .replace(/(\d)[ '](?=\d{3}\b)/g, '$1')
    .replace(/,(?=\d{3}\b)/g, '');
  const inCase = CASE.exec(plain);
  if (inCase) return sized(number(inCase[2]!), inCase[3]!, Number(inCase[1]));
  const last = CASE_LAST.exec(plain);
  if (last) return sized(number(last[1]!), last[2]!, Number(last[3]));
  const counted = COUNT.exec(plain);
  if (counted) return { grams: null, millilitres: null, count: Number(counted[1] ?? counted[2]) };
  const one = ONE.exec(plain);
  return one && one[0].length === plain.length ? sized(number(one[1]!), one[2] ?? 'g', 1) : null;
}

/** What a size may look like, for a row that is refused. */
export const PACK_SIZE_FORMS = '1000, 1000 g, 2 kg, 5 L, 6 x 2.5 kg or case of 12';
