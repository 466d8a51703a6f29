/** What a pack says of each substance, as the marks a screen shows: named where it holds it, may hold it, or leaves it open. */
import { bitsOf, type Pack, type Substance, SUBSTANCE_NAMES, substancesIn } from '@hand-ladle/core';

const BEFORE_NAME = { contains: '', 'may-contain': 'may: ', check: 'open: ' } as const;

export interface PackSays {
  name: string;
  status: keyof typeof BEFORE_NAME;
}

export const saidBy = (allergens: Pack['allergens']): PackSays[] =>
  substancesIn(bitsOf(Object.keys(allergens) as Substance[])).flatMap((each) => {
    const status = allergens[each];
    if (status === undefined || status === 'none') return [];
    return [{ name: `${BEFORE_NAME[status]}${SUBSTANCE_NAMES[each]}`, status }];
  });
