/**
 * A figure that a person types into a field: "12", "12.5", "12,5", "1,500", "1 500", "½", "1 1/2". The same rules as in a
 * written line, so that no figure means one thing in the recipe and another in a field.
 */
import { plainNumber, spellFractions } from './number';

const FRACTION_AFTER = /^(\d+) (\d+\/\d+)$/;
const SPACED_THOUSANDS = /^[1-9]\d{0,2}(?: \d{3})+(?:[.,]\d+)?$/;

/** The figure, zero or more; null for an empty field and for whatever is no single figure. */
export function typedFigure(text: string): number | null {
  const plain = spellFractions(text).replace(/\s+/g, ' ').trim();
  const mixed = FRACTION_AFTER.exec(plain);
  if (mixed) {
    const part = plainNumber(mixed[2]!);
    return part === null ? null : Number(mixed[1]) + part;
  }
  const token = SPACED_THOUSANDS.test(plain) ? plain.replace(/ /g, '') : plain;
  const figure = plainNumber(token);
  return figure === null || !Number.isFinite(figure) ? null : figure;
}
