/** How long what was made may be kept: the kitchen's policy, never longer than its law lets it. */
import type { Regime } from '../food';

/** US Food Code 3-501.17: 7 days at 5 °C or below, day 1 the day of making. The EU and UK leave it to the kitchen. */
export const USE_BY_CAP_DAYS: Readonly<Record<Regime, number | null>> = { us: 7, eu: null };

/** Days that count: the kitchen's, cut to the cap. */
export function keptDays(keepsDays: number, regime: Regime): number {
  const cap = USE_BY_CAP_DAYS[regime];
  return Math.max(1, cap === null ? keepsDays : Math.min(keepsDays, cap));
}

const DAY = 86_400_000;

/** The last of so many days, ISO, from an ISO date on, which is day 1. */
export const lastDay = (madeOn: string, days: number): string =>
  new Date(Date.parse(`${madeOn}T00:00:00Z`) + (Math.max(1, days) - 1) * DAY).toISOString().slice(0, 10);

/** Whole days from one ISO date to another. */
export const daysBetween = (from: string, to: string): number =>
  Math.round((Date.parse(`${to}T00:00:00Z`) - Date.parse(`${from}T00:00:00Z`)) / DAY);

/** Letters and figures of a batch code that cannot be taken for each other. */
const CODE_LETTERS = '23456789ABCDEFGHJKMNPQRSTVWXYZ';

/** A batch code: the day it was made and the batch's own number, "261125-4K7Q". */
export function batchCode(madeOn: string, number: number): string {
  let rest = Math.max(0, Math.floor(number));
  let letters = '';
  do {
    letters = CODE_LETTERS[rest % CODE_LETTERS.length]! + letters;
    rest = Math.floor(rest / CODE_LETTERS.length);
  } while (rest > 0);
  return `${madeOn.slice(2).replaceAll('-', '')}-${letters.padStart(4, '2')}`;
}
