/** What is in use over time: pieces of time in which nothing changes, each with what every resource gives and stands at. */
import type { Closure, Numbered, NumberedNeed } from './problem';

/** Shares of a machine add up to a whole with this much to spare. */
const TOLERANCE = 1e-9;

export class Profile {
  private count = 1;
  private readonly times: Float64Array;
  private readonly used: Float64Array;
  private readonly settings: Int32Array;
  private readonly kinds: number;

  private readonly capacities: readonly number[];
  private readonly closed: readonly Closure[];

  /** Room for the tasks of a problem; what is closed is taken. */
  constructor({ needs, capacities, closed }: Pick<Numbered, 'needs' | 'capacities' | 'closed'>) {
    this.capacities = capacities;
    this.closed = closed;
    this.kinds = capacities.length;
    const pieces = 2 * (needs.reduce((sum, each) => sum + each.length, 0) + closed.length) + 3;
    this.times = new Float64Array(pieces);
    this.used = new Float64Array(pieces * this.kinds);
    this.settings = new Int32Array(pieces * this.kinds);
    this.clear();
  }

  clear(): void {
    this.count = 1;
    this.times[0] = -Infinity;
    this.used.fill(0, 0, this.kinds);
    this.settings.fill(0, 0, this.kinds);
    for (const { from, needs } of this.closed) this.take(from, needs);
  }

  /** The piece that holds a minute. */
  private pieceAt(time: number): number {
    let low = 0;
    let high = this.count - 1;
    while (low < high) {
      const middle = (low + high + 1) >> 1;
      if (this.times[middle]! <= time) low = middle;
      else high = middle - 1;
    }
    return low;
  }

  private hasRoom(piece: number, { resource, amount, setting }: NumberedNeed): boolean {
    const at = piece * this.kinds + resource;
    if (this.used[at]! + amount > this.capacities[resource]! + TOLERANCE) return false;
    return setting === 0 || this.settings[at]! === 0 || this.settings[at] === setting;
  }

  /** The first minute from `from` on at which something fits that holds `needs` for its parts of so many minutes. */
  firstFit(from: number, minutes: number, needs: readonly NumberedNeed[]): number {
    if (minutes === 0 || needs.length === 0) return from;
    let start = from;
    let piece = this.pieceAt(start);
    search: while (piece < this.count && this.times[piece]! < start + minutes) {
      // The last piece is empty and goes on for ever, so where there is no room there is always a next one.
      const end = piece + 1 < this.count ? this.times[piece + 1]! : Infinity;
      for (const need of needs) {
        if (this.times[piece]! >= start + need.to || end <= start + need.from) continue;
        if (this.hasRoom(piece, need)) continue;
        start = end - need.from;
        piece = this.pieceAt(start);
        continue search;
      }
      piece += 1;
    }
    return start;
  }

  /** How much more there would have to be for something to fit at a minute: amounts over, times minutes. */
  overload(start: number, needs: readonly NumberedNeed[]): number {
    let over = 0;
    for (const { resource, amount, setting, from, to } of needs)
      for (let piece = this.pieceAt(start + from); piece < this.count; piece += 1) {
        const begin = Math.max(start + from, this.times[piece]!);
        const end = Math.min(start + to, piece + 1 < this.count ? this.times[piece + 1]! : Infinity);
        if (end <= begin) break;
        const at = piece * this.kinds + resource;
        const isOther = setting !== 0 && this.settings[at]! !== 0 && this.settings[at] !== setting;
        const lacking = isOther ? amount : Math.max(0, this.used[at]! + amount - this.capacities[resource]!);
        over += lacking * (end - begin);
      }
    return over;
  }

  /** Minutes between two at which something begins or ends. */
  turns(from: number, to: number): number[] {
    return [...this.times.subarray(0, this.count)].filter((time) => time > from && time < to);
  }

  /** Makes a piece begin at a minute; answers which. */
  private cut(time: number): number {
    const piece = this.pieceAt(time);
    if (this.times[piece] === time) return piece;
    const { kinds } = this;
    this.times.copyWithin(piece + 2, piece + 1, this.count);
    this.used.copyWithin((piece + 1) * kinds, piece * kinds, this.count * kinds);
    this.settings.copyWithin((piece + 1) * kinds, piece * kinds, this.count * kinds);
    this.times[piece + 1] = time;
    this.count += 1;
    return piece + 1;
  }

  /** Takes room for something, whether there is any or not. */
  take(start: number, needs: readonly NumberedNeed[]): void {
    for (const { resource, amount, setting, from, to } of needs) {
      const first = this.cut(start + from);
      const last = this.cut(start + to);
      for (let piece = first; piece < last; piece += 1) {
        const at = piece * this.kinds + resource;
        this.used[at] = this.used[at]! + amount;
        if (setting !== 0) this.settings[at] = setting;
      }
    }
  }
}
