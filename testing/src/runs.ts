/** How many random cases a test draws: few in `npm test`, many times as many in `npm run bench`. */

/** So many, times what HAND_LADLE_MORE asks for. */
export const runs = (count: number): number =>
  Math.max(1, Math.round(count * (Number(process.env['HAND_LADLE_MORE']) || 1)));
