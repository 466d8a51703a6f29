/** The stove of a tablet over the real core worker and a store of its own: it goes on while the line is cut. */
import 'fake-indexeddb/auto';
import { deserialize, serialize } from 'node:v8';
import { IDBFactory } from 'fake-indexeddb';
import type {
  BatchRow,
  CookedBatchView,
  EntryBody,
  OpenedBatch,
  ToldEntry,
  ToldKeptEntry,
} from '@hand-ladle/core';
import { openedBatch } from '@hand-ladle/testing/cook/cooked';
import { ServerError } from '../../src/api/client';
import { useAuthor } from '../../src/cook/offline/author';
import { cookServer } from '../../src/cook/offline/cook-server';
import { useStove } from '../../src/cook/offline/stove';
import { freshScreen, unreachable, until } from '../support/near-server';

const CODE = '261201-2222';
const POT = 'barley-leek-white-bean-pot';
const SOUP = 'red-lentil-tomato-soup';

type Sent = ToldEntry & { signature: string };

/** The kitchen's server: batches with their entries, and a line that can be cut. */
class Kitchen {
  isCut = false;
  refuses = (_: string): string => '';
  readonly batches = new Map<string, { opened: OpenedBatch; entries: ToldKeptEntry[] }>();

  /** Batches that are open no more: they can still be read. */
  readonly closed = new Set<string>();

  put(opened: OpenedBatch): void {
    this.batches.set(opened.code, { opened: JSON.parse(JSON.stringify(opened)) as OpenedBatch, entries: [] });
  }
  private line<T>(answer: () => T): Promise<T> {
    if (this.isCut) return unreachable();
    return Promise.resolve(JSON.parse(JSON.stringify(answer())) as T);
  }
  batch = (code: string): Promise<CookedBatchView> => {
    const found = this.batches.get(code);
    if (!this.isCut && !found)
      return Promise.reject(new ServerError('batch-unknown', 'There is no batch of this code.'));
    return this.line(() => ({ code, ...found!, state: null })) as unknown as Promise<CookedBatchView>;
  };
  open = (kitchenId: string): Promise<BatchRow[]> =>
    this.line(() =>
      [...this.batches.values()]
        .filter(({ opened }) => opened.kitchenId === kitchenId && !this.closed.has(opened.code))
        .map(({ opened }) => ({ code: opened.code }) as BatchRow),
    );
  /** What a request of entries is answered; a cut line answers nothing. */
  fetch = async (path: string, { body }: RequestInit): Promise<unknown> => {
    if (this.isCut) throw new TypeError('Failed to fetch');
    const log = decodeURIComponent(/^\/api\/batches\/([^/]+)\/entries$/.exec(path)![1]!);
    const { entries } = JSON.parse(body as string) as { entries: Sent[] };
    const answer = await this.take(log, entries);
    return { ok: true, json: () => Promise.resolve(answer) };
  };
  private take = (log: string, sent: readonly Sent[]) =>
    this.line(() => {
      const kept = this.batches.get(log)!.entries;
      const refused: { id: string; reason: string }[] = [];
      const accepted: string[] = [];
      for (const { signature, ...entry } of sent) {
        const reason = this.refuses((entry as { kind: string }).kind);
        if (reason !== '') refused.push({ id: entry.id, reason });
        else {
          accepted.push(entry.id);
          if (!kept.some(({ id }) => id === entry.id))
            kept.push({ ...entry, receivedAt: entry.at, aheadSeconds: 0, isSigned: signature !== '' });
        }
      }
      return { accepted, refused };
    });
  words = (code = CODE): string[] =>
    this.batches.get(code)!.entries.map((each) => (each as unknown as { words: string }).words);
}

let kitchen: Kitchen;
beforeEach(() => {
  // jsdom has no structuredClone, which the store copies by.
  Object.assign(globalThis, { structuredClone: (value: unknown): unknown => deserialize(serialize(value)) });
  Object.defineProperty(globalThis, 'indexedDB', { value: new IDBFactory(), configurable: true });
  freshScreen();
  kitchen = new Kitchen();
  kitchen.put(openedBatch(POT));
  jest.spyOn(cookServer, 'batch').mockImplementation((code) => kitchen.batch(code));
  jest.spyOn(cookServer, 'openBatches').mockImplementation((id) => kitchen.open(id));
  Object.assign(globalThis, { fetch: kitchen.fetch });
  useAuthor().sayName('Ilka Reedmace');
});
afterEach(() => jest.restoreAllMocks());

const note = (words: string): EntryBody => ({ kind: 'note', words }) as EntryBody;
const shownNotes = (stove: ReturnType<typeof useStove>): string[] =>
  stove.current!.entries.map((each) => (each as unknown as { words: string }).words);

test('a batch opens as the server has it, and what is written is there at once and goes out behind', async () => {
  const stove = useStove();
  await stove.open(CODE);
  expect(stove.current!.opened.name).toBe(openedBatch(POT).name);
  await stove.write(note('leeks on'));
  expect(shownNotes(stove)).toEqual(['leeks on']);
  await until(() => stove.unsent === 0);
  expect(kitchen.words()).toEqual(['leeks on']);
  expect(stove.current!.entries[0]).toMatchObject({ by: 'Ilka Reedmace', isSigned: false });
});

test('with the line cut it goes on, and nothing is lost or twice once it is back', async () => {
  const stove = useStove();
  await stove.open(CODE);
  kitchen.isCut = true;
  for (const words of ['one', 'two', 'three']) await stove.write(note(words));
  await until(() => stove.isAway && shownNotes(stove).length === 3);
  expect([stove.unsent, shownNotes(stove)]).toEqual([3, ['one', 'two', 'three']]);
  expect(kitchen.words()).toEqual([]);
  kitchen.isCut = false;
  await stove.reread();
  await stove.reread();
  expect([stove.unsent, stove.isAway]).toEqual([0, false]);
  expect(kitchen.words()).toEqual(['one', 'two', 'three']);
  expect(shownNotes(stove)).toEqual(['one', 'two', 'three']);
});

test('a tablet that was ended while the line was cut opens the batch from its own store', async () => {
  await useStove().open(CODE);
  kitchen.isCut = true;
  await useStove().write(note('before the end'));
  // The page goes; the tablet's store stays. The larder is read by the service worker's copy.
  freshScreen();
  const stove = useStove();
  await stove.open(CODE);
  expect(stove.problem).toBe('');
  expect([stove.isAway, shownNotes(stove)]).toEqual([true, ['before the end']]);
  expect(stove.unsent).toBe(1);
});

test('a batch this tablet never opened cannot be opened without the server, and one nobody knows says so', async () => {
  kitchen.isCut = true;
  const stove = useStove();
  await stove.open(CODE);
  expect([stove.current, stove.problem]).toEqual([null, expect.stringContaining('never opened')]);
  kitchen.isCut = false;
  await stove.open('261201-9999');
  expect(stove.problem).toBe('There is no batch of this code.');
  await stove.open(CODE);
  expect(stove.problem).toBe('');
});

test('what the server refuses is said and stays, until somebody has seen it; what came after it goes out', async () => {
  kitchen.refuses = (kind) => (kind === 'tasted' ? 'Not of this batch.' : '');
  const stove = useStove();
  await stove.open(CODE);
  await stove.write({ kind: 'tasted', words: 'flat' } as unknown as EntryBody);
  await stove.write(note('after it'));
  await until(() => stove.refused.length === 1 && stove.unsent === 0);
  expect(stove.refused[0]!.refused).toBe('Not of this batch.');
  expect(kitchen.words()).toEqual(['after it']);
  expect(shownNotes(stove)).toEqual(['after it']);
  await stove.dismiss(stove.refused[0]!.number);
  expect(stove.refused).toEqual([]);
});

test('batches that are open in the kitchen stand beside it, and go when they are open no more', async () => {
  kitchen.put(openedBatch(SOUP, null, { code: '261201-3333' }));
  const stove = useStove();
  await stove.open(CODE);
  expect(stove.batches.map(({ code }) => code).sort()).toEqual([CODE, '261201-3333']);
  await stove.write(note('of the soup'), '261201-3333');
  await until(() => stove.unsent === 0);
  expect([kitchen.words(), kitchen.words('261201-3333')]).toEqual([[], ['of the soup']]);
  kitchen.closed.add('261201-3333');
  await stove.reread();
  expect(stove.batches.map(({ code }) => code)).toEqual([CODE]);
});

test('a store of the tablet that is full is no server that is away: it says what it is', async () => {
  const stove = useStove();
  await stove.open(CODE);
  jest.spyOn(IDBObjectStore.prototype, 'put').mockImplementation(() => {
    throw new DOMException('The store of this tablet is full.', 'QuotaExceededError');
  });
  await stove.reread();
  expect([stove.isAway, stove.problem]).toEqual([false, 'The store of this tablet is full.']);
});

test('several entries of one act stand in the order they were written', async () => {
  const stove = useStove();
  await stove.open(CODE);
  await stove.writeAll([{ body: note('first') }, { body: note('second') }, { body: note('third') }]);
  await until(() => stove.unsent === 0);
  expect(kitchen.words()).toEqual(['first', 'second', 'third']);
});

test('what another tablet wrote is there after the next reading, beside what waits here', async () => {
  const stove = useStove();
  await stove.open(CODE);
  kitchen.isCut = true;
  await stove.write(note('mine'));
  kitchen.isCut = false;
  kitchen.batches.get(CODE)!.entries.push({
    ...(note('theirs') as object),
    id: 'tablet-b-1',
    at: '2026-12-01T08:05:00.000Z',
    by: 'Tamsin Furze',
    device: 'tablet-b',
    order: 1,
    receivedAt: '2026-12-01T08:05:00.000Z',
    aheadSeconds: 0,
    isSigned: true,
  } as unknown as ToldKeptEntry);
  await stove.reread();
  expect(shownNotes(stove).sort()).toEqual(['mine', 'theirs']);
});

test('what an entry would change is asked before it is written, and asking writes nothing', async () => {
  const stove = useStove();
  await stove.open(CODE);
  const [line] = stove.current!.opened.inputs.recipe.lines;
  const effect = await stove.effectOf([
    {
      kind: 'weighed',
      lineId: line!.id,
      load: 1,
      grams: 9999,
      way: 'scale',
      isAfterTasting: false,
      from: '',
    },
  ]);
  expect(effect).toBeDefined();
  expect([stove.unsent, kitchen.words()]).toEqual([0, []]);
});

describe('who stands at the tablet', () => {
  test('a name that is only said signs nothing; a PIN does, until its time is over', async () => {
    const author = useAuthor();
    expect([author.author, author.isSigned]).toEqual([{ name: 'Ilka Reedmace', signature: '' }, false]);
    const sign = jest.spyOn(cookServer, 'sign');
    const person = { id: 'ilka', name: 'Ilka Reedmace' };
    sign.mockResolvedValueOnce({
      signature: 's1',
      person,
      expiresAt: new Date(Date.now() + 60_000).toISOString(),
    });
    await author.sign('ilka', '2468');
    expect(author.author).toEqual({ name: 'Ilka Reedmace', signature: 's1' });
    sign.mockResolvedValueOnce({
      signature: 's2',
      person,
      expiresAt: new Date(Date.now() - 1000).toISOString(),
    });
    await author.sign('ilka', '2468');
    expect(author.author).toEqual({ name: 'Ilka Reedmace', signature: '' });
    author.leave();
    expect(author.author).toEqual({ name: '', signature: '' });
  });
});
