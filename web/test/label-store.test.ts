/** How a screen's labels are set and kept, the standing release it shows, and the scale beside it. */
import { createPinia, setActivePinia } from 'pinia';
import { effectScope, nextTick, ref } from 'vue';
import { type Release, type ReleaseView, STOCKS } from '@hand-ladle/core';
import { labels } from '../src/api/labels';
import { useScale } from '../src/devices/scale';
import { useLabel } from '../src/label/label';
import { useStandingRelease } from '../src/label/standing-release';

const KEY = 'hand-ladle.label';
beforeEach(() => {
  localStorage.clear();
  sessionStorage.clear();
  setActivePinia(createPinia());
});
afterEach(() => jest.restoreAllMocks());
/** The screen after a reload: what it keeps, and nothing else. */
const reloaded = () => {
  setActivePinia(createPinia());
  return useLabel();
};

describe('how labels are set', () => {
  test('paper, kind and language are there after a reload; what belongs to one print is not', async () => {
    const label = useLabel();
    label.chooseStock(STOCKS.at(-1)!.id);
    label.set({ kind: 'retail', quantity: 40, start: 7, madeOn: '2026-12-01', grams: 5000 });
    label.style = { language: 'fr', hasTail: true };
    await nextTick();
    const again = reloaded();
    expect(again.options).toMatchObject({ kind: 'retail', stock: { id: STOCKS.at(-1)!.id } });
    expect(again.style).toEqual({ language: 'fr', hasTail: true });
    expect(again.options).toMatchObject({ quantity: 1, start: 1, madeOn: null, grams: null });
  });

  test('a sheet of one’s own is set as it is changed, and offered beside the others', async () => {
    const label = useLabel();
    label.changeSheet({ columns: 3, widthMm: 66 });
    expect(label.options.stock).toMatchObject({ id: 'own', columns: 3, widthMm: 66 });
    expect(label.stocks.map(({ id }) => id)).toEqual([...STOCKS.map(({ id }) => id), 'own']);
    await nextTick();
    expect(reloaded().ownSheet).toMatchObject({ columns: 3 });
    label.chooseStock('no such stock');
    expect(label.options.stock.id).toBe('own');
  });

  test.each(['not json', 'null', '{"options": {"gone": 1, "kind": "tray"}}', '{"options": null}'])(
    'what an older version kept does not stop it: %s',
    (text) => {
      localStorage.setItem(KEY, text);
      const { options } = useLabel();
      expect(Object.keys(options)).not.toContain('gone');
      expect(options.stock).toBeDefined();
      expect(options.quantity).toBe(1);
    },
  );
});

describe('the release that stands', () => {
  const view = (id: string) => ({ id }) as ReleaseView;
  test('is read whole; only the last one asked for is shown, and none where reading fails', async () => {
    const answers = new Map<string, (release: Release | null) => void>();
    jest
      .spyOn(labels, 'release')
      .mockImplementation(
        (id) =>
          new Promise((done, failed) =>
            answers.set(id, (release) => (release ? done(release) : failed(new Error('away')))),
          ),
      );
    const found = ref<ReleaseView | null>(view('r1'));
    const scope = effectScope();
    const shown = scope.run(() => useStandingRelease(() => found.value))!;
    const turn = () => new Promise((done) => setTimeout(done, 0));
    found.value = view('r2');
    await turn();
    answers.get('r2')!({ id: 'r2' } as Release);
    answers.get('r1')!({ id: 'r1' } as Release);
    await turn();
    expect(shown.value?.id).toBe('r2');
    found.value = view('r3');
    await nextTick();
    expect(shown.value).toBeNull();
    answers.get('r3')!(null);
    await turn();
    expect(shown.value).toBeNull();
    found.value = null;
    await turn();
    expect(labels.release).toHaveBeenCalledTimes(3);
    scope.stop();
  });
});

describe('the scale beside the screen', () => {
  /** A stream of the server in the room of the test. */
  class Stream extends EventTarget {
    static last: Stream;
    isClosed = false;
    constructor(readonly url: string) {
      super();
      Stream.last = this;
    }
    close(): void {
      this.isClosed = true;
    }
    weigh(grams: number, isStable = true): void {
      this.dispatchEvent(new MessageEvent('weight', { data: JSON.stringify({ grams, isStable }) }));
    }
  }
  beforeEach(() => {
    Object.assign(globalThis, { EventSource: Stream });
    document.body.innerHTML =
      '<input aria-label="Leeks" data-takes-weight /><input aria-label="Name" /><button data-scale>Take</button>';
  });
  const field = (name: string) => document.querySelector<HTMLElement>(`[aria-label="${name}"]`)!;

  test('puts a weight at rest into the field in focus, as if it were typed; a tap on the scale keeps the field', () => {
    const scale = useScale();
    scale.turnOn();
    const typed: string[] = [];
    for (const kind of ['input', 'change'])
      field('Leeks').addEventListener(kind, () =>
        typed.push(`${kind} ${(field('Leeks') as HTMLInputElement).value}`),
      );
    Stream.last.weigh(412);
    expect([scale.take(), scale.fieldName]).toEqual([false, '']);
    field('Leeks').focus();
    document.querySelector('button')!.focus();
    expect(scale.fieldName).toBe('Leeks');
    Stream.last.weigh(300, false);
    expect(scale.take()).toBe(false);
    Stream.last.weigh(305);
    expect(scale.take()).toBe(true);
    expect(typed).toEqual(['input 305', 'change 305']);
    expect(document.activeElement).toBe(field('Leeks'));
  });

  test('a field that takes no weight, or is gone, gets none', () => {
    const scale = useScale();
    scale.turnOn();
    Stream.last.weigh(100);
    field('Name').focus();
    expect([scale.take(), scale.fieldName]).toEqual([false, '']);
    field('Leeks').focus();
    field('Leeks').remove();
    expect(scale.take()).toBe(false);
  });

  test('a stream that is lost says so until the next weight; turned off it is closed and listens no more', () => {
    const scale = useScale();
    scale.turnOn();
    const stream = Stream.last;
    scale.turnOn();
    expect(Stream.last).toBe(stream);
    stream.dispatchEvent(new Event('error'));
    expect(scale.isLost).toBe(true);
    stream.weigh(5);
    expect([scale.isLost, scale.last]).toEqual([false, { grams: 5, isStable: true }]);
    scale.turnOff();
    expect([stream.isClosed, scale.last, scale.isOn]).toEqual([true, null, false]);
    field('Leeks').focus();
    expect(scale.fieldName).toBe('');
  });

  test('goes on listening after a reload', async () => {
    useScale().turnOn();
    await nextTick();
    setActivePinia(createPinia());
    expect([useScale().isOn, Stream.last.url]).toEqual([true, '/api/scale']);
  });
});
