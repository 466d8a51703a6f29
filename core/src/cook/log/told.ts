/** Entries as server and screen tell each other: what is said beside who said it, in one object. */
import type { Entry, EntryBody, KeptEntry } from './entry';

type Flat<T> = Omit<T, 'body'> & EntryBody;
export type ToldEntry = Flat<Entry>;
export type ToldKeptEntry = Flat<KeptEntry>;

const COMMON = ['id', 'at', 'by', 'device', 'order', 'receivedAt', 'aheadSeconds', 'isSigned'] as const;

export const entryTold = ({ body, ...rest }: Entry): ToldEntry => ({ ...rest, ...body });
export const keptTold = ({ body, ...rest }: KeptEntry): ToldKeptEntry => ({ ...rest, ...body });

/** What an entry says, without who and when. */
function bodyOf(told: object): EntryBody {
  return Object.fromEntries(
    Object.entries(told).filter(([name]) => !(COMMON as readonly string[]).includes(name)),
  ) as EntryBody;
}

export function entryFromTold(told: ToldEntry): Entry {
  const { id, at, by, device, order } = told;
  return { id, at, by, device, order, body: bodyOf(told) };
}

export function keptFromTold(told: ToldKeptEntry): KeptEntry {
  const { receivedAt, aheadSeconds, isSigned } = told;
  return { ...entryFromTold(told), receivedAt, aheadSeconds, isSigned };
}
