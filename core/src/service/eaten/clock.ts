/** Minutes of the day of a service as a kitchen says them. */

const DAY = 1440;

/** Days from the day of the service: -1 is the day before. */
export const dayOf = (minute: number): number => Math.floor(minute / DAY);

/** "06:05"; the day before and earlier are the same clock. */
export function clockText(minute: number): string {
  const within = ((minute % DAY) + DAY) % DAY;
  return `${String(Math.floor(within / 60)).padStart(2, '0')}:${String(within % 60).padStart(2, '0')}`;
}

/** The ISO date so many days from another. */
export const dateFrom = (date: string, days: number): string =>
  new Date(Date.parse(`${date}T00:00:00Z`) + days * 86_400_000).toISOString().slice(0, 10);

/** "2026-12-01T06:05", in the kitchen's own time. */
export const momentText = (date: string, minute: number): string =>
  `${dateFrom(date, dayOf(minute))}T${clockText(minute)}`;

/** "today", "the day before", "2 days before". */
export function dayText(minute: number): string {
  const days = -dayOf(minute);
  if (days <= 0) return 'on the day';
  return days === 1 ? 'the day before' : `${days} days before`;
}
