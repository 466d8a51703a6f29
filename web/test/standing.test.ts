import type { ReleaseView } from '@hand-ladle/core';
import { standingFor } from '../src/label/standing-release';
import { standingOf } from '../src/state/releases';

const release = (fields: Partial<ReleaseView>): ReleaseView => ({
  id: 'r1',
  recipeId: 'pot',
  recipeName: 'Pot',
  kitchenId: 'ward',
  batchCode: null,
  kind: 'serving',
  state: 'released',
  regime: 'eu',
  language: 'en',
  portionGrams: 280,
  drafted: null,
  checked: null,
  released: null,
  withdrawn: null,
  openPoints: [],
  isStale: false,
  changes: [],
  version: 3,
  ...fields,
});
const shown = { kind: 'serving', regime: 'eu', language: 'en' };

test('the label that is shown as released is of this kind, law and language, released and not stale', () => {
  expect(standingFor([release({})], shown)?.id).toBe('r1');
  for (const other of [
    { state: 'checked' as const },
    { state: 'withdrawn' as const },
    { isStale: true },
    { kind: 'tray' as const },
    { regime: 'us' as const },
    { language: 'fr' },
  ])
    expect([other, standingFor([release(other)], shown)]).toEqual([other, null]);
  expect(standingFor([release({ isStale: true }), release({ id: 'r2' })], shown)?.id).toBe('r2');
});

test.each<[string, Partial<ReleaseView>[], string]>([
  ['nothing', [], ''],
  ['a draft', [{ state: 'draft' }], 'handed in'],
  ['a checked one', [{ state: 'checked' }], 'checked'],
  ['a released one', [{}], 'released'],
  ['a stale one', [{ isStale: true }], 'stale'],
  ['a stale one handed in anew', [{ isStale: true }, { state: 'draft' }], 'stale'],
  ['a stale one released anew', [{ isStale: true }, {}], 'released'],
  ['a withdrawn one', [{ state: 'withdrawn', isStale: true }], ''],
])('%s stands so', (_, releases, standing) => {
  expect(standingOf(releases.map(release))).toBe(standing);
});
