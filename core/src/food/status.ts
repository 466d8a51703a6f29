/** How a food stands to a substance. The worst of many is the status of the whole; unknown is never clear. */

/** Worst first. `check` means nobody has looked at the pack yet, and can never turn into `clear` by itself. */
export const ALLERGEN_STATUSES = ['contains', 'may-contain', 'check', 'clear'] as const;
export type AllergenStatus = (typeof ALLERGEN_STATUSES)[number];

const RANK: Readonly<Record<AllergenStatus, number>> = { contains: 3, 'may-contain': 2, check: 1, clear: 0 };

/** The worse of two statuses. */
export function worse(one: AllergenStatus, other: AllergenStatus): AllergenStatus {
  return RANK[one] >= RANK[other] ? one : other;
}

/** Whether the first status is worse than the second. */
export function isWorse(one: AllergenStatus, other: AllergenStatus): boolean {
  return RANK[one] > RANK[other];
}

/** What the kitchen says out loud for each status. */
export const STATUS_WORDS: Readonly<Record<AllergenStatus, string>> = {
  contains: 'contains',
  'may-contain': 'may contain',
  check: 'check the pack',
  clear: 'clear',
};
