/** How much a test does: few random cases in `npm test`, many times as many in `npm run bench`; and how work grows. */

/** In `npm test` half of the cases that a test names are drawn: the whole run has eight minutes. */
const HERE = 0.5;

/** The cases to draw of so many: the half, times what HAND_LADLE_MORE asks for. */
export const runs = (count: number): number =>
  Math.max(1, Math.round(count * HERE * (Number(process.env['HAND_LADLE_MORE']) || 1)));

const TRIES = 3;

/** The least processor time of a few tries, in microseconds: how busy the machine is does not count. */
function processorTime(act: () => void): number {
  const each = Array.from({ length: TRIES }, () => {
    const from = process.cpuUsage();
    act();
    return process.cpuUsage(from).user;
  });
  return Math.min(...each);
}

/** How many times the work of a size four times it takes: about 4 where work grows with its matter, 16 with its square. */
export function growth(size: number, work: (size: number) => void): number {
  work(4 * size);
  return processorTime(() => work(4 * size)) / processorTime(() => work(size));
}
