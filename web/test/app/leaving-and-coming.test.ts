/** A screen that is left keeps what was done on it; one that stays open, or is come back to, reads what the others did. */
import { createApp, defineComponent, h, nextTick, type Ref } from 'vue';
import { createMemoryHistory, createRouter, type Router, RouterView } from 'vue-router';
import { server, ServerError } from '../../src/api/client';
import { FRESH_EVERY_MS, useFreshBook } from '../../src/app/fresh-book';
import { useBook } from '../../src/state/book';
import { type Leaving, useKeepOnLeave } from '../../src/state/keep-on-leave';
import { useReadAgain } from '../../src/state/read-again';
import { freshScreen, unreachable } from '../support/near-server';

let seen: DocumentVisibilityState = 'visible';
Object.defineProperty(document, 'visibilityState', { configurable: true, get: () => seen });

async function look(now: DocumentVisibilityState): Promise<void> {
  seen = now;
  document.dispatchEvent(new Event('visibilitychange'));
  await nextTick();
}

/** An app of pages, whose root and whose first page do something of their own. */
async function appOf(root: (router: Router) => void, page: () => void = () => undefined) {
  const nothing = { render: () => null };
  const first = defineComponent(() => {
    page();
    return () => null;
  });
  const router = createRouter({
    history: createMemoryHistory(),
    routes: [
      { path: '/', component: first },
      { path: '/:rest(.*)', component: nothing },
    ],
  });
  const app = createApp(
    defineComponent(() => {
      root(router);
      return () => h(RouterView);
    }),
  );
  app.use(router);
  app.mount(document.createElement('div'));
  await router.isReady();
  return { router, close: () => app.unmount() };
}

afterEach(() => {
  seen = 'visible';
  jest.useRealTimers();
  jest.restoreAllMocks();
});

describe('a screen that stays open', () => {
  beforeEach(() => void freshScreen());
  const opened = async () => {
    jest.useFakeTimers({ doNotFake: ['queueMicrotask', 'nextTick', 'setImmediate'] });
    jest.spyOn(server, 'edition').mockResolvedValue('first');
    const refresh = jest.spyOn(useBook(), 'refresh').mockResolvedValue();
    let since!: Ref<string>;
    const { router, close } = await appOf((of) => (since = useFreshBook(of)));
    return { refresh, router, close, since };
  };

  test('reads the book at another page, not at the first, nor where only the question changed', async () => {
    const { refresh, router, close } = await opened();
    expect(refresh).toHaveBeenCalledTimes(0);
    await router.push('/menu');
    expect(refresh).toHaveBeenCalledTimes(1);
    await router.push('/menu?law=us');
    expect(refresh).toHaveBeenCalledTimes(1);
    close();
  });

  test('reads it every half minute while it is looked at, and at once when somebody comes back', async () => {
    const { refresh, close } = await opened();
    await jest.advanceTimersByTimeAsync(2 * FRESH_EVERY_MS + 1);
    expect(refresh).toHaveBeenCalledTimes(2);
    await look('hidden');
    await jest.advanceTimersByTimeAsync(5 * FRESH_EVERY_MS);
    expect(refresh).toHaveBeenCalledTimes(2);
    await look('visible');
    expect(refresh).toHaveBeenCalledTimes(3);
    close();
    await jest.advanceTimersByTimeAsync(5 * FRESH_EVERY_MS);
    expect(refresh).toHaveBeenCalledTimes(3);
  });

  test('says since when it knows nothing of the others, till the server itself answers again', async () => {
    const { refresh, close, since } = await opened();
    jest.setSystemTime(new Date(2026, 10, 29, 14, 2));
    await jest.advanceTimersByTimeAsync(FRESH_EVERY_MS + 1);
    expect(since.value).toBe('');
    jest.spyOn(server, 'edition').mockImplementation(unreachable);
    await jest.advanceTimersByTimeAsync(10 * FRESH_EVERY_MS);
    expect(since.value).toBe('14:02');
    // The tablet keeps a book of its own, which answers for a server that is away: it is not asked for.
    expect(refresh).toHaveBeenCalledTimes(1);
    jest.spyOn(server, 'edition').mockResolvedValue('first');
    refresh.mockRejectedValue(new Error('The database does not answer.'));
    await jest.advanceTimersByTimeAsync(FRESH_EVERY_MS);
    expect(since.value).toBe('14:02');
    refresh.mockResolvedValue();
    await jest.advanceTimersByTimeAsync(FRESH_EVERY_MS);
    expect(since.value).toBe('');
    close();
  });
});

describe('a page that stays open', () => {
  beforeEach(() => void freshScreen());
  /** A reading of the book, as `useFreshBook` makes one, that found the server in a state. */
  const reading = async (written: string): Promise<void> => {
    const book = useBook();
    book.written = written;
    book.readings += 1;
    await nextTick();
    await nextTick();
  };

  test('reads again where something was written down, and nothing where nothing was', async () => {
    const read = jest.fn(() => Promise.resolve());
    const { close } = await appOf(
      () => undefined,
      () => useReadAgain(read),
    );
    await reading('first');
    await reading('first');
    expect(read).toHaveBeenCalledTimes(1);
    await reading('second');
    await reading('second');
    expect(read).toHaveBeenCalledTimes(2);
    await reading('first');
    expect(read).toHaveBeenCalledTimes(3);
    close();
    await reading('third');
    expect(read).toHaveBeenCalledTimes(3);
  });

  test('reads till it went well, though nothing was written down since', async () => {
    const read = jest.fn<Promise<void>, []>().mockRejectedValueOnce(new Error('away')).mockResolvedValue();
    const { close } = await appOf(
      () => undefined,
      () => useReadAgain(read),
    );
    for (const time of [1, 2, 2]) {
      await reading('first');
      expect(read).toHaveBeenCalledTimes(time);
    }
    close();
  });

  test('says what the server will not tell any more, till it does; that it is away the frame says', async () => {
    const read = jest.fn<Promise<void>, []>();
    let refusal!: Ref<string>;
    const { close } = await appOf(
      () => undefined,
      () => (refusal = useReadAgain(read)),
    );
    read.mockRejectedValueOnce(new ServerError('service-not-found', 'There is no such service.'));
    await reading('first');
    expect(refusal.value).toBe('There is no such service.');
    read.mockImplementationOnce(unreachable);
    await reading('second');
    expect([read.mock.calls.length, refusal.value]).toEqual([2, '']);
    read.mockRejectedValueOnce(new ServerError('service-not-found', 'There is no such service.'));
    await reading('second');
    read.mockResolvedValueOnce();
    await reading('second');
    expect([read.mock.calls.length, refusal.value]).toEqual([4, '']);
    close();
  });
});

describe('a page that is left', () => {
  const leaving = (isUnsaved: boolean) => {
    let letGo = (): void => undefined;
    const gone = new Promise<void>((done) => (letGo = done));
    const flush = jest.fn<Promise<void>, []>(() => gone);
    const one: Leaving = { flush, hasUnsaved: () => isUnsaved };
    return { one, flush, letGo: () => letGo() };
  };
  const unload = (): Event => {
    const event = new Event('beforeunload', { cancelable: true });
    window.dispatchEvent(event);
    return event;
  };

  test('goes elsewhere in the app only when what was done is kept', async () => {
    const { one, flush, letGo } = leaving(true);
    const { router, close } = await appOf(
      () => undefined,
      () => useKeepOnLeave(one),
    );
    const going = router.push('/menu');
    await new Promise((done) => setTimeout(done, 5));
    expect([router.currentRoute.value.path, flush.mock.calls.length]).toEqual(['/', 1]);
    letGo();
    await going;
    expect(router.currentRoute.value.path).toBe('/menu');
    close();
  });

  test('is not closed unasked over what is not kept, and sends it; over nothing it is', async () => {
    for (const isUnsaved of [true, false]) {
      const { one, flush } = leaving(isUnsaved);
      const { close } = await appOf(
        () => undefined,
        () => useKeepOnLeave(one),
      );
      expect(unload().defaultPrevented).toBe(isUnsaved);
      expect(flush).toHaveBeenCalledTimes(isUnsaved ? 1 : 0);
      close();
    }
  });

  test('sends what waits as it goes into the background, and hears nothing any more once it is gone', async () => {
    const { one, flush } = leaving(true);
    const { close } = await appOf(
      () => undefined,
      () => useKeepOnLeave(one),
    );
    await look('hidden');
    expect(flush).toHaveBeenCalledTimes(1);
    await look('visible');
    expect(flush).toHaveBeenCalledTimes(1);
    close();
    expect(unload().defaultPrevented).toBe(false);
    await look('hidden');
    expect(flush).toHaveBeenCalledTimes(1);
  });
});
