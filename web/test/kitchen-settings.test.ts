/** The settings of a kitchen: kept quietly, one save at a time, and the book of the screen follows. */
import { nextTick } from 'vue';
import type { EquipmentSet, Kitchen, KitchenSettings, SavedKitchen } from '@hand-ladle/core';
import { cafe, school, ward } from '@hand-ladle/testing/world';
import { server, ServerError } from '../src/api/client';
import { useKitchenSettings } from '../src/kitchen/kitchen-settings';
import { useBook } from '../src/state/book';
import { freshScreen } from './support/near-server';

const SET: EquipmentSet = {
  ...({} as EquipmentSet),
  id: 'small',
  name: 'Small',
  vessels: cafe.vessels,
  scales: cafe.scales,
  pans: cafe.pans,
};
let held: Map<string, SavedKitchen>;
let saves: { settings: KitchenSettings; version: number }[];

const settled = async (): Promise<void> => {
  await jest.advanceTimersByTimeAsync(2000);
  await nextTick();
};
async function opened(id = ward.id) {
  const book = useBook();
  await jest.advanceTimersByTimeAsync(0);
  book.chooseKitchen(id);
  const settings = useKitchenSettings();
  const opening = settings.open();
  await settled();
  await opening;
  return { settings, book };
}

beforeEach(() => {
  jest.useFakeTimers({ doNotFake: ['queueMicrotask', 'nextTick', 'setImmediate'] });
  freshScreen();
  saves = [];
  held = new Map([ward, school, cafe].map((kitchen) => [kitchen.id, { kitchen, version: 1 }]));
  jest.spyOn(server, 'equipment').mockResolvedValue([SET]);
  jest.spyOn(server, 'kitchen').mockImplementation((id) => Promise.resolve(held.get(id)!));
  jest.spyOn(server, 'saveKitchen').mockImplementation((id, settings, version) => {
    saves.push({ settings, version });
    const { kitchen } = held.get(id)!;
    const saved = { kitchen: { ...kitchen, ...settings }, version: version + 1 };
    held.set(id, saved);
    return Promise.resolve(saved);
  });
});
afterEach(() => {
  jest.useRealTimers();
  jest.restoreAllMocks();
});

test('two quick changes are one save over the version that was read; the whole screen has them', async () => {
  const { settings, book } = await opened();
  settings.change({ transferLoss: 0.02 });
  settings.change({ name: 'Alder ward, west' });
  expect(settings.status).toBe('changed');
  await settled();
  expect(saves.map(({ version }) => version)).toEqual([1]);
  expect(saves[0]!.settings).toMatchObject({ transferLoss: 0.02, name: 'Alder ward, west' });
  expect(book.kitchen).toMatchObject({ transferLoss: 0.02, name: 'Alder ward, west' });
  settings.change({ transferLoss: 0.03 });
  await settled();
  expect(saves.map(({ version }) => version)).toEqual([1, 2]);
  expect(settings.status).toBe('saved');
});

test('packs, weights, names and swaps are recorded by ways of their own, and never go out with the settings', async () => {
  const { settings } = await opened();
  settings.change({ name: 'Alder' });
  await settled();
  for (const field of ['id', 'packs', 'weights', 'names', 'words', 'swaps', 'ratings'])
    expect([field, field in saves[0]!.settings]).toEqual([field, false]);
});

test('undo takes a change back, and that is kept too', async () => {
  const { settings, book } = await opened();
  const before = book.kitchen!.transferLoss;
  settings.change({ transferLoss: 0.09 });
  await settled();
  settings.undo();
  await settled();
  expect(book.kitchen!.transferLoss).toBe(before);
  expect(saves).toHaveLength(2);
  settings.redo();
  await settled();
  expect(book.kitchen!.transferLoss).toBe(0.09);
});

test('a field the server does not take says why, and the screen keeps what was typed', async () => {
  const { settings, book } = await opened();
  jest
    .spyOn(server, 'saveKitchen')
    .mockRejectedValueOnce(
      new ServerError('bad-request', 'Something is wrong.', [
        { message: '"transferLoss" must be at most 0.5' },
      ]),
    );
  settings.change({ transferLoss: 0.8 });
  await settled();
  expect([settings.status, settings.message]).toEqual([
    'refused',
    'Not kept yet: "transferLoss" must be at most 0.5',
  ]);
  expect(settings.settings!.transferLoss).toBe(0.8);
  expect(book.kitchen!.transferLoss).not.toBe(0.8);
  expect(settings.hasUnsaved()).toBe(true);
  settings.change({ transferLoss: 0.1 });
  await settled();
  expect([settings.status, settings.hasUnsaved()]).toEqual(['saved', false]);
});

describe('when somebody else saved first', () => {
  const theirs: Kitchen = { ...ward, name: 'Theirs' };
  const conflict = async () => {
    const all = await opened();
    jest
      .spyOn(server, 'saveKitchen')
      .mockRejectedValueOnce(
        new ServerError('kitchen-conflict', 'Somebody saved first.', [{ kitchen: theirs, version: 7 }]),
      );
    all.settings.change({ name: 'Mine' });
    await settled();
    expect(all.settings.status).toBe('conflict');
    return all;
  };

  test('theirs is taken', async () => {
    const { settings } = await conflict();
    settings.takeTheirs();
    expect([settings.settings!.name, settings.status]).toEqual(['Theirs', 'saved']);
    await settled();
    expect(saves).toEqual([]);
  });

  test('or mine goes over theirs, by their version', async () => {
    const { settings } = await conflict();
    const going = settings.putMineOver();
    await settled();
    await going;
    expect(saves).toMatchObject([{ settings: { name: 'Mine' }, version: 7 }]);
  });
});

test('another kitchen is opened with its own settings, after the last change of this one was kept', async () => {
  const { settings, book } = await opened();
  settings.change({ name: 'Alder, kept' });
  book.chooseKitchen(cafe.id);
  await settled();
  expect(held.get(ward.id)!.kitchen.name).toBe('Alder, kept');
  expect(settings.settings!.name).toBe(cafe.name);
});

test('a new kitchen has the machines of its set and the habits of the one that was open, and is opened', async () => {
  const { settings, book } = await opened();
  jest.spyOn(server, 'createKitchen').mockImplementation((id, made) => {
    const saved = { kitchen: { ...ward, ...made, id, packs: [] } as Kitchen, version: 1 };
    held.set(id, saved);
    return Promise.resolve(saved);
  });
  await settings.create('Fennel Yard!', 'no such set');
  expect(server.createKitchen).not.toHaveBeenCalled();
  const making = settings.create('Fennel Yard!', 'small');
  await settled();
  await making;
  expect(book.kitchen).toMatchObject({ name: 'Fennel Yard!', vessels: cafe.vessels, regime: ward.regime });
  expect(book.kitchen!.id).toMatch(/^fennel-yard-[0-9a-f]{8}$/);
  expect(book.kitchen!.service.timeZone).toBe(Intl.DateTimeFormat().resolvedOptions().timeZone);
});
