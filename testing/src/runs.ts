/** How many random cases a test draws: few in `npm test`, many times as many in `npm run bench`. */

/** In `npm test` half of the cases that a test names are drawn: the whole run has eight minutes. */
const HERE = 0.5;

/** The cases to draw of so many: the half, times what HAND_LADLE_MORE asks for. */
export const runs = (count: number): number =>
  Math.max(1, Math.round(count * HERE * (Number(process.env['HAND_LADLE_MORE']) || 1)));
