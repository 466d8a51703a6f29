import fc from 'fast-check';
import { type Entry, inOrderWritten, type KeptEntry, merge, type Scope, standing } from '@hand-ladle/core';
import { kept, tablet } from '@hand-ladle/testing/cook/cooked';
import { runs } from '@hand-ladle/testing/runs';

const SCOPE: Scope = {
  batch: { lines: new Map([['l1', 2]]), stepIds: new Set(['s1']), loads: 2 },
  isFood: (id) => id === 'water',
};

/** Notes of several devices whose clocks jump as they like. */
const written = fc
  .array(
    fc.record({
      device: fc.constantFrom('a', 'b', 'c'),
      minutes: fc.integer({ min: -600, max: 600 }),
      ahead: fc.constantFrom(0, 0, 3600, -3600),
    }),
    { maxLength: 30 },
  )
  .map((rows) => {
    const orders = new Map<string, number>();
    return rows.map(({ device, minutes, ahead }, index): KeptEntry => {
      const order = (orders.get(device) ?? 0) + 1;
      orders.set(device, order);
      const at = new Date(Date.UTC(2026, 11, 1, 9) + minutes * 60_000 + ahead * 1000).toISOString();
      const body = { kind: 'note' as const, words: String(index) };
      return {
        id: `${device}${order}`,
        at,
        by: '',
        device,
        order,
        body,
        receivedAt: null,
        aheadSeconds: ahead,
        isSigned: false,
      };
    });
  });

describe('the order of a record', () => {
  test('keeps the order of each device whatever its clock does, and is the same however it came in', () => {
    fc.assert(
      fc.property(written, fc.infiniteStream(fc.nat()), (entries, picks) => {
        const ordered = inOrderWritten(entries);
        expect(ordered).toHaveLength(entries.length);
        for (const device of ['a', 'b', 'c']) {
          const own = ordered.filter((each) => each.device === device).map(({ order }) => order);
          expect(own).toEqual([...own].sort((one, other) => one - other));
        }
        const shuffled = [...entries];
        for (let at = shuffled.length - 1; at > 0; at -= 1) {
          const other = picks.next().value % (at + 1);
          [shuffled[at], shuffled[other]] = [shuffled[other]!, shuffled[at]!];
        }
        expect(inOrderWritten(shuffled).map(({ id }) => id)).toEqual(ordered.map(({ id }) => id));
      }),
      { numRuns: runs(200) },
    );
  });

  test('a clock an hour ahead does not put its entries behind those of the other tablet', () => {
    const one = tablet('one');
    const other = tablet('other');
    const early = kept({ ...one({ kind: 'note', words: 'early' }), at: '2026-12-01T09:00:00Z' }, 3600);
    const late = kept({ ...other({ kind: 'note', words: 'late' }), at: '2026-12-01T08:30:00Z' });
    expect(inOrderWritten([late, early]).map(({ id }) => id)).toEqual([early.id, late.id]);
  });
});

describe('taking entries in', () => {
  test('sent in any pieces, any number of times, each counts once and nothing is lost', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 40 }),
        fc.array(fc.tuple(fc.nat({ max: 39 }), fc.nat({ max: 39 })), { maxLength: 12 }),
        (count, cuts) => {
          const write = tablet();
          const all = Array.from({ length: count }, (_, index) =>
            write({ kind: 'note', words: String(index) }),
          );
          let server: Entry[] = [];
          // Each cut sends a piece whose answer may be lost: it is sent again later.
          for (const [from, to] of [...cuts, [0, count] as const]) {
            const { added } = merge(all.slice(Math.min(from, to), Math.max(from, to)), server, SCOPE);
            server = [...server, ...added];
          }
          expect(server.map(({ id }) => id).sort()).toEqual(all.map(({ id }) => id).sort());
        },
      ),
      { numRuns: runs(200) },
    );
  });

  test.each([
    ['a line that is not there', { kind: 'left-out', lineId: 'l9', load: 1 }, 'no line'],
    ['a load that is not there', { kind: 'left-out', lineId: 'l1', load: 3 }, '2 loads'],
    ['a step that is not there', { kind: 'step-done', stepId: 's9', load: 1 }, 'no step'],
    ['a load of the batch that is not there', { kind: 'step-done', stepId: 's1', load: 9 }, 'has 2 loads'],
    [
      'a food that is not there',
      { kind: 'pack', foodId: 'x', product: 'X', lot: '', supplier: '' },
      'no food',
    ],
    ['an action on nothing', { kind: 'action', of: 'x', action: 'y', words: '' }, 'no reading'],
    ['a correction of nothing', { kind: 'correction', of: 'x', reason: 'y', instead: null }, 'no entry'],
  ] as const)('refuses %s', (_, body, words) => {
    const [refusal] = merge([tablet()(body)], [], SCOPE).refused;
    expect(refusal!.reason).toContain(words);
  });

  test('a day takes readings and no weights', () => {
    const write = tablet();
    const { accepted, refused } = merge(
      [
        write({ kind: 'reading', point: 'cold-hold', where: 'x', celsius: 4, way: 'typed', takenAt: null }),
        write({ kind: 'finished', grams: 5, way: 'typed' }),
      ],
      [],
      { ...SCOPE, batch: null },
    );
    expect([accepted.length, refused.length]).toEqual([1, 1]);
  });
});

describe('corrections', () => {
  test('the last one holds; both stay in the record; the kind cannot change', () => {
    const write = tablet();
    const finished = write({ kind: 'finished', grams: 100, way: 'typed' });
    const first = write({
      kind: 'correction',
      of: finished.id,
      reason: 'the pan was on it',
      instead: { kind: 'finished', grams: 90, way: 'typed' },
    });
    const second = write({ kind: 'correction', of: finished.id, reason: 'not this batch', instead: null });
    const grams = (entries: Entry[]) =>
      standing(entries.map((each) => kept(each))).map(({ body }) =>
        body.kind === 'finished' ? body.grams : null,
      );
    expect(grams([finished, first])).toEqual([90]);
    expect(grams([finished, first, second])).toEqual([]);
    const other = write({
      kind: 'correction',
      of: finished.id,
      reason: 'x',
      instead: { kind: 'note', words: 'no' },
    });
    expect(merge([other], [finished], SCOPE).refused[0]!.reason).toContain('cannot become');
    const ofCorrection = write({ kind: 'correction', of: first.id, reason: 'x', instead: null });
    expect(merge([ofCorrection], [finished, first], SCOPE).refused[0]!.reason).toContain(
      'correct the entry itself',
    );
  });
});
