/** @jest-environment node */
import 'fake-indexeddb/auto';
import fc from 'fast-check';
import {
  type Entry,
  entryFromTold,
  keptFromTold,
  merge,
  type Scope,
  standing,
  type ToldEntry,
} from '@hand-ladle/core';
import { openStoveBase } from '../../src/cook/offline/kept';
import { Outbox, type Send, withWaiting } from '../../src/cook/offline/outbox';

const SCOPE: Scope = {
  batch: { lines: new Map(), stepIds: new Set(), loads: 1 },
  isFood: () => true,
};
const AUTHOR = { name: 'Ilka Reedmace', signature: '' };
let bases = 0;
const newName = (): string => `test-${(bases += 1)}`;

/** A server that keeps what it takes in, and whose line can break before it takes, or after, when its answer is lost. */
class BrokenServer {
  readonly entries = new Map<string, Entry[]>();
  /** For each request: 'well', or where it breaks. */
  constructor(private readonly next: () => 'well' | 'before' | 'after') {}

  readonly send: Send = (log, sent) => {
    const how = this.next();
    if (how === 'before') return Promise.reject(new Error('no line'));
    const kept = this.entries.get(log) ?? [];
    const merged = merge(
      sent.map(({ signature: _, ...told }) => entryFromTold(told as ToldEntry)),
      kept,
      SCOPE,
    );
    this.entries.set(log, [...kept, ...merged.added]);
    if (how === 'after') return Promise.reject(new Error('answer lost'));
    return Promise.resolve({ accepted: merged.accepted, refused: merged.refused });
  };
  words(log: string): string[] {
    return (this.entries.get(log) ?? []).map(({ body }) => (body.kind === 'note' ? body.words : body.kind));
  }
}

test('a hundred random cuts, tabs killed and answers lost: nothing is lost, nothing is twice, the order of each batch holds', async () => {
  await fc.assert(
    fc.asyncProperty(
      fc.array(
        fc.record({
          act: fc.constantFrom('write', 'write', 'write', 'flush', 'kill'),
          log: fc.constantFrom('A', 'B'),
        }),
        { minLength: 5, maxLength: 60 },
      ),
      fc.infiniteStream(fc.constantFrom<'well' | 'before' | 'after'>('well', 'before', 'after')),
      async (acts, line) => {
        const name = newName();
        const server = new BrokenServer(() => line.next().value);
        let base = await openStoveBase(name);
        let box = new Outbox(base, server.send);
        const written: Record<string, string[]> = { A: [], B: [] };
        let number = 0;
        for (const { act, log } of acts) {
          if (act === 'write') {
            number += 1;
            await box.write(log, { kind: 'note', words: String(number) }, AUTHOR);
            written[log]!.push(String(number));
          } else if (act === 'flush') await box.flush().catch(() => undefined);
          else {
            // The tab dies while a request may be on its way; another one opens on the same store.
            void box.flush().catch(() => undefined);
            base.close();
            base = await openStoveBase(name);
            box = new Outbox(base, server.send);
          }
        }
        const well = new Outbox(
          base,
          new Proxy(server.send, { apply: (_, __, args) => whole(server, args as never) }),
        );
        await well.flush();
        expect(await well.waiting()).toEqual([]);
        for (const log of ['A', 'B']) expect(server.words(log)).toEqual(written[log]);
        base.close();
      },
    ),
    { numRuns: 100 },
  );
});

/** The line is well again. */
const whole = (server: BrokenServer, [log, sent]: Parameters<Send>): ReturnType<Send> => {
  const well = new BrokenServer(() => 'well');
  well.entries.set(log, server.entries.get(log) ?? []);
  const answer = well.send(log, sent);
  server.entries.set(log, well.entries.get(log)!);
  return answer;
};

test('what the server refuses is kept and said, and stops nothing behind it', async () => {
  const base = await openStoveBase(newName());
  const box = new Outbox(base, new BrokenServer(() => 'well').send);
  await box.write('A', { kind: 'left-out', lineId: 'nowhere', load: 1 }, AUTHOR);
  await box.write('A', { kind: 'note', words: 'behind it' }, AUTHOR);
  await box.flush();
  const [left, ...none] = await box.waiting();
  expect(none).toEqual([]);
  expect(left!.refused).toContain('no line');
  await box.flush();
  await box.dismiss(left!.number);
  expect(await box.waiting()).toEqual([]);
});

test('what was sent stands in the batch as it is kept here, once, before the server is read again', async () => {
  const base = await openStoveBase(newName());
  const box = new Outbox(base, new BrokenServer(() => 'well').send);
  await box.keep({ code: 'A', row: {} as never, opened: {} as never, entries: [] });
  await box.write('A', { kind: 'note', words: 'one' }, AUTHOR);
  const before = withWaiting((await box.kept('A'))!.entries, await box.waiting('A'), 0);
  await box.flush();
  const after = withWaiting((await box.kept('A'))!.entries, await box.waiting('A'), 0);
  expect([before.length, after.length]).toEqual([1, 1]);
  expect([before[0]!.receivedAt, typeof after[0]!.receivedAt]).toEqual([null, 'string']);
  expect(standing(after.map(keptFromTold))).toHaveLength(1);
});

test('what is read late is older than what is known: no entry goes, and at every moment each stands somewhere', async () => {
  const base = await openStoveBase(newName());
  const box = new Outbox(base, new BrokenServer(() => 'well').send);
  await box.keep({ code: 'A', row: {} as never, opened: {} as never, entries: [] });
  await box.write('A', { kind: 'note', words: 'one' }, AUTHOR);
  const sending = box.flush();
  for (let look = 0; look < 20; look += 1) {
    const { waiting, batches } = await box.snapshot();
    expect(waiting.length + batches[0]!.entries.length).toBe(1);
  }
  await sending;
  // An answer from before the entry reached the server.
  await box.keep({ code: 'A', row: {} as never, opened: {} as never, entries: [] });
  expect((await box.kept('A'))!.entries).toHaveLength(1);
});

test('two pages of one tablet write under numbers of their own', async () => {
  const name = newName();
  const send = new BrokenServer(() => 'before').send;
  const [one, other] = [
    new Outbox(await openStoveBase(name), send),
    new Outbox(await openStoveBase(name), send),
  ];
  const written = await Promise.all(
    Array.from({ length: 20 }, (_, index) =>
      (index % 2 ? one : other).write('A', { kind: 'note', words: String(index) }, AUTHOR),
    ),
  );
  expect(new Set(written.map(({ id }) => id)).size).toBe(20);
  expect(new Set(written.map(({ device }) => device)).size).toBe(1);
});

test('a day without the server: two thousand entries go out in order', async () => {
  const base = await openStoveBase(newName());
  const server = new BrokenServer(() => 'well');
  const box = new Outbox(base, server.send);
  for (let index = 0; index < 2000; index += 1)
    await box.write(index % 3 === 0 ? 'B' : 'A', { kind: 'note', words: String(index) }, AUTHOR);
  await box.flush();
  expect(server.words('A').length + server.words('B').length).toBe(2000);
  const own = server.words('A').map(Number);
  expect(own).toEqual([...own].sort((first, second) => first - second));
});
