/** What a batch is made for: portions, a finished weight, pans to fill, or what is in store. */

/** Pans and their brim litres: EN 631 gastronorm sizes, and US full steam-table pans by depth in inches. */
export const PANS = {
  'gn-1/1-65': { name: 'GN 1/1, 65 mm', litres: 9 },
  'gn-1/1-100': { name: 'GN 1/1, 100 mm', litres: 14 },
  'gn-1/1-150': { name: 'GN 1/1, 150 mm', litres: 21 },
  'gn-1/2-65': { name: 'GN 1/2, 65 mm', litres: 4 },
  'gn-1/2-100': { name: 'GN 1/2, 100 mm', litres: 6.5 },
  'gn-1/3-65': { name: 'GN 1/3, 65 mm', litres: 2.5 },
  'gn-1/3-100': { name: 'GN 1/3, 100 mm', litres: 4 },
  'us-full-2.5': { name: 'US full pan, 2.5 in', litres: 8 },
  'us-full-4': { name: 'US full pan, 4 in', litres: 13 },
  'us-full-6': { name: 'US full pan, 6 in', litres: 19 },
} as const;
export type PanId = keyof typeof PANS;
/** Working fill of a serving pan (convention). */
export const PAN_FILL = 0.85;

export type Target =
  | { kind: 'portions'; portions: number; portionGrams: number }
  | { kind: 'weight'; grams: number }
  | { kind: 'pans'; pan: PanId; count: number; fill: number }
  | { kind: 'store'; lineId: string; grams: number };

/** Largest batch that is taken for meant, in grams: a hundred tonnes is a slip of the finger. */
export const LARGEST_BATCH_GRAMS = 100_000_000;

const positive = (value: number): boolean => Number.isFinite(value) && value > 0;

/** Why a target cannot be used, in words; null when it can. */
export function targetProblem(target: Target): string | null {
  switch (target.kind) {
    case 'portions':
      if (!positive(target.portions)) return 'the number of portions must be above zero';
      if (!positive(target.portionGrams)) return 'the portion size must be above zero';
      return target.portions * target.portionGrams > LARGEST_BATCH_GRAMS ? 'more than 100 tonnes' : null;
    case 'weight':
      if (!positive(target.grams)) return 'the weight must be above zero';
      return target.grams > LARGEST_BATCH_GRAMS ? 'more than 100 tonnes' : null;
    case 'pans':
      if (!(target.pan in PANS)) return 'the pan is not in the list';
      if (!positive(target.count) || target.count > 10_000) return 'the number of pans must be 1 to 10,000';
      return positive(target.fill) && target.fill <= 1 ? null : 'the fill must be above 0 and at most 1';
    case 'store':
      return positive(target.grams) && target.grams <= LARGEST_BATCH_GRAMS
        ? null
        : 'the weight in store must be above zero';
  }
}
