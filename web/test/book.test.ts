/** What the screen knows before a dish is open, and what it says while it cannot know it yet. */
import { ref } from 'vue';
import type { Kitchen } from '@hand-ladle/core';
import { cafe, components, foods, school, swaps, ward } from '@hand-ladle/testing/world';
import { server } from '../src/api/client';
import { labels } from '../src/api/labels';
import { useBook } from '../src/state/book';
import { inWords, useExclusions, useGroups } from '../src/state/exclusions';
import { TRY_AGAIN_MS } from '../src/state/first-read';
import { useReleases } from '../src/state/releases';
import { useSayer } from '../src/state/sayer';
import { useSession } from '../src/state/session';
import { ask } from '../src/worker/client';
import { freshScreen, standing, unreachable } from './support/near-server';

beforeEach(() => void freshScreen());
afterEach(() => {
  jest.useRealTimers();
  jest.restoreAllMocks();
});
const ready = async () => {
  const book = useBook();
  await book.ready();
  return book;
};

describe('the book', () => {
  test('is read once, however many wait for it', async () => {
    const book = useBook();
    await Promise.all([book.ready(), book.ready(), book.ready()]);
    expect(server.larder).toHaveBeenCalledTimes(1);
    expect([book.foods.length, book.kitchen!.id, book.isReady]).toEqual([foods.length, ward.id, true]);
  });

  test('that cannot be read says so and tries again; whoever waits for it waits on', async () => {
    jest.useFakeTimers({ doNotFake: ['queueMicrotask', 'nextTick', 'setImmediate'] });
    jest.spyOn(server, 'larder').mockImplementationOnce(unreachable);
    const book = useBook();
    let isRead = false;
    void book.ready().then(() => (isRead = true));
    await jest.advanceTimersByTimeAsync(1);
    expect(book.problem).not.toBe('');
    expect([isRead, book.isReady]).toEqual([false, false]);
    await jest.advanceTimersByTimeAsync(TRY_AGAIN_MS + 1000);
    jest.useRealTimers();
    while (!isRead) await new Promise((done) => setTimeout(done, 2));
    expect([book.problem, book.isReady]).toEqual(['', true]);
  });

  test('the kitchen that was chosen is chosen after a reload; one that is gone leaves the first', async () => {
    (await ready()).chooseKitchen(school.id);
    expect(useBook().kitchen!.id).toBe(school.id);
    useBook().chooseKitchen('gone');
    expect(useBook().kitchen!.id).toBe(ward.id);
  });

  test('a changed food takes its place, a new one stands at the end, and the worker computes with both', async () => {
    const book = await ready();
    const barley = foods.find(({ id }) => id === 'pearl-barley')!;
    await book.replaceFood({ ...barley, name: 'Barley, pearled here' });
    expect(book.foods).toHaveLength(foods.length);
    expect(book.nameOf('pearl-barley')).toBe('Barley, pearled here');
    await book.replaceFood({ ...barley, id: 'sea-beet', name: 'Sea beet leaves', synonyms: [] });
    expect(book.foods.at(-1)!.id).toBe('sea-beet');
    expect(await ask('suggest', { text: 'sea beet leaves' })).toContain('sea-beet');
  });

  test('a name is a food’s, else a component’s, else the id that nobody knows', async () => {
    const book = await ready();
    const [component] = components;
    expect([book.nameOf(component!.id), book.nameOf('no-such')]).toEqual([component!.name, 'no-such']);
  });

  test('foods that can be swapped are those of the larder’s swaps and of the kitchen’s own', async () => {
    const book = await ready();
    expect(swaps.every(({ fromId }) => book.swapFromIds.has(fromId))).toBe(true);
    const own = { ...swaps[0]!, id: 'own', fromId: 'leek' };
    book.replaceKitchen({ ...ward, swaps: [own] } as Kitchen);
    expect(book.swapFromIds.has('leek')).toBe(true);
    expect(book.kitchens.map(({ id }) => id)).toEqual([ward.id, school.id, cafe.id]);
  });
});

describe('what other screens wrote down', () => {
  const nutty = (kitchen: Kitchen): Kitchen => ({
    ...kitchen,
    packs: kitchen.packs.map((pack, index) =>
      index === 0 ? { ...pack, statement: 'may contain nuts' } : pack,
    ),
  });

  test('stands here when the book is read again; what is as it was stays the one that was known', async () => {
    const book = await ready();
    const [known, others] = [book.kitchen, book.kitchens.slice(1)];
    const edition = book.edition;
    await book.refresh();
    expect(book.kitchen).toBe(known);
    expect(book.edition).toBe(edition);
    jest.spyOn(server, 'kitchens').mockImplementation(standing([nutty(ward), school, cafe], 'now'));
    await book.refresh();
    expect(book.kitchen!.packs[0]!.statement).toBe('may contain nuts');
    expect(book.kitchens.slice(1)).toEqual(others);
    expect(book.kitchens[1]).toBe(others[0]);
    const told = jest.mocked(server.kitchens).mock.calls.length;
    await book.refresh();
    expect(jest.mocked(server.kitchens).mock.calls.slice(told)).toEqual([['now']]);
  });

  test('never puts an older answer over what was kept here while it was on its way', async () => {
    const book = await ready();
    let answer!: (value: unknown) => void;
    jest
      .spyOn(server, 'kitchens')
      .mockImplementationOnce(() => new Promise((done) => (answer = done as never)))
      .mockImplementation(standing([nutty(ward), school, cafe], 'now'));
    const isFresh = book.refresh();
    while (!answer) await new Promise((done) => setTimeout(done, 1));
    book.replaceKitchen(nutty(ward));
    answer({ value: [ward, school, cafe], mark: 'older' });
    await isFresh;
    expect(book.kitchen!.packs[0]!.statement).toBe('may contain nuts');
  });

  test('is read after the asking, however many ask, and what cannot be read leaves what is known', async () => {
    const book = await ready();
    const before = jest.mocked(server.larder).mock.calls.length;
    await Promise.all([book.refresh(), book.refresh(), book.refresh()]);
    expect(jest.mocked(server.larder).mock.calls.length - before).toBe(1);
    jest.spyOn(server, 'larder').mockImplementationOnce(unreachable);
    await expect(book.refresh()).rejects.toThrow('The server does not answer.');
    expect(book.foods).toHaveLength(foods.length);
    await book.refresh();
  });

  test('is told again where the worker could not be told', async () => {
    const book = await ready();
    const grown = [...foods, { ...foods[0]!, id: 'marsh-root', name: 'Marsh root', synonyms: [] }];
    // What cannot be sent to a worker, as one that is not there cannot be told.
    const unsent = [() => 'no swap'] as never;
    jest
      .spyOn(server, 'larder')
      .mockImplementationOnce(standing({ foods: grown, swaps: unsent }, 'now'))
      .mockImplementation(standing({ foods: grown, swaps: [...swaps] }, 'now'));
    await expect(book.refresh()).rejects.toThrow();
    await book.refresh();
    expect(await ask('suggest', { text: 'marsh root' })).toContain('marsh-root');
  });

  test('reaches the worker, and counts an edition for who worked with the last one', async () => {
    const book = await ready();
    const edition = book.edition;
    const leek = foods.find(({ id }) => id === 'leek')!;
    const grown = foods.map((each) => (each === leek ? { ...leek, name: 'Leek of the garden' } : each));
    jest.spyOn(server, 'larder').mockImplementation(standing({ foods: grown, swaps: [...swaps] }, 'now'));
    await book.refresh();
    expect(book.edition).toBe(edition + 1);
    expect(book.foods.filter((each, index) => each !== foods[index])).toHaveLength(1);
    expect(await ask('suggest', { text: 'leek of the garden' })).toContain('leek');
  });
});

describe('what somebody must not have', () => {
  test('is named by the kitchen’s law, and whole food beside it', async () => {
    await ready();
    const { choices, said } = useExclusions();
    expect(choices.value.at(-1)!.name).toBe('Whole food only');
    expect(new Set(choices.value.map(({ id }) => id)).size).toBe(choices.value.length);
    expect(said([])).toBe('');
    expect(said([choices.value[0]!.id, choices.value[1]!.id])).toContain(' and ');
    expect(inWords(['nut', 'soy', 'gluten'])).toBe('nut, soy and gluten');
  });

  test('a group is chosen where exactly what it must not have is asked for; a second tap asks for nothing', () => {
    const group = (id: string, exclude: string[]) => ({ id, name: id, exclude }) as never;
    const diners = ref([group('both', ['peanut', 'soy']), group('one', ['soy'])]);
    const chosen = ref<string[]>(['soy', 'peanut']);
    const { groupsChosen, exclusionsOf } = useGroups(diners, chosen);
    expect(groupsChosen.value).toEqual(['both']);
    expect(exclusionsOf('both')).toEqual([]);
    expect(exclusionsOf('one')).toEqual(['soy']);
    expect(exclusionsOf('gone')).toEqual([]);
  });
});

describe('who is here', () => {
  const wenna = {
    id: 'wenna',
    login: 'wenna',
    name: 'Wenna Sallow',
    role: 'checker',
    isActive: true,
  } as never;
  test('is asked once; where the answer is lost, asked again', async () => {
    const session = useSession();
    const asked = jest.spyOn(labels, 'session').mockImplementationOnce(unreachable);
    await session.ready();
    expect(session.person).toBeNull();
    asked.mockResolvedValue({ person: wenna });
    await session.ready();
    await session.ready();
    expect([session.person?.name, asked.mock.calls.length]).toEqual(['Wenna Sallow', 2]);
  });

  test('a role may what those below it may, and nobody may nothing', async () => {
    const session = useSession();
    expect(['cook', 'manager'].some((role) => session.may(role as 'cook'))).toBe(false);
    jest.spyOn(labels, 'signIn').mockResolvedValue({ person: wenna });
    jest.spyOn(labels, 'signOut').mockResolvedValue({ person: null });
    session.isAsked = true;
    await session.signIn('wenna', 'secret');
    expect([session.may('cook'), session.may('checker'), session.may('manager'), session.isAsked]).toEqual([
      true,
      true,
      false,
      false,
    ]);
    await session.signOut();
    expect(session.may('cook')).toBe(false);
  });

  test('a word is said under the name of who is signed in, else under a name that is typed; never under none', async () => {
    const said: string[] = [];
    const { isNaming, typed, say } = useSayer();
    await say((by) => said.push(by));
    expect([isNaming.value, said]).toEqual([true, []]);
    typed.value = '   ';
    await say((by) => said.push(by));
    typed.value = ' Bryony ';
    await say((by) => said.push(by));
    useSession().person = wenna;
    await say((by) => said.push(by));
    expect([isNaming.value, said]).toEqual([false, ['Bryony', 'Wenna Sallow']]);
  });
});

describe('labels on their way out', () => {
  const release = (id: string, recipeId: string, fields = {}) =>
    ({
      id,
      recipeId,
      kitchenId: 'ward',
      batchCode: null,
      state: 'released',
      isStale: false,
      ...fields,
    }) as never;
  test('a dish asked for alone changes nothing of the others; of a batch says nothing of the dish', async () => {
    const releases = useReleases();
    const list = jest.spyOn(labels, 'list');
    list.mockResolvedValueOnce([release('r1', 'pot'), release('r2', 'soup')]);
    await releases.load('ward');
    list.mockResolvedValueOnce([
      release('r1', 'pot', { isStale: true }),
      release('r3', 'pot', { batchCode: '1' }),
    ]);
    await releases.load('ward', 'pot');
    expect([releases.standing('pot'), releases.standing('soup'), releases.standing('none')]).toEqual([
      'stale',
      'released',
      '',
    ]);
    expect(releases.ofDish('pot')).toHaveLength(1);
  });

  test('of two readings the one asked for last counts, whichever comes first; another kitchen’s go', async () => {
    const releases = useReleases();
    const answers: ((found: never[]) => void)[] = [];
    jest.spyOn(labels, 'list').mockImplementation(() => new Promise((done) => answers.push(done)));
    const [first, second] = [releases.load('ward'), releases.load('cafe')];
    answers[1]!([release('r9', 'wrap', { kitchenId: 'cafe' })]);
    answers[0]!([release('r1', 'pot')]);
    await Promise.all([first, second]);
    expect(releases.all.map(({ id }) => id)).toEqual(['r9']);
  });
});
