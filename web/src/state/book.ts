/** What the app knows before any dish is open: the larder, the kitchens, the components. */
import { useLocalStorage } from '@vueuse/core';
import { defineStore } from 'pinia';
import { computed, ref, shallowRef } from 'vue';
import type { Food, Kitchen, Recipe, SwapEntry } from '@hand-ladle/core';
import { server, type ServerError } from '../api/client';
import { ask } from '../worker/client';
import { awayWords, TRY_AGAIN_MS } from './first-read';

const KITCHEN_KEY = 'hand-ladle.kitchen';

/** What was read anew, each thing that is as it was being the one that was known: nothing is worked out again for it. */
function sameWhereSame<T extends { id: string }>(known: T[], read: readonly T[]): T[] {
  const before = new Map(known.map((each) => [each.id, each]));
  const now = read.map((each) => {
    const same = before.get(each.id);
    return same && JSON.stringify(same) === JSON.stringify(each) ? same : each;
  });
  return now.length === known.length && now.every((each, index) => each === known[index]) ? known : now;
}

export const useBook = defineStore('book', () => {
  const foods = shallowRef<Food[]>([]);
  const swaps = shallowRef<SwapEntry[]>([]);
  const components = shallowRef<Recipe[]>([]);
  const kitchens = shallowRef<Kitchen[]>([]);
  const kitchenId = useLocalStorage(KITCHEN_KEY, '');
  /** Why the app cannot start, in a sentence; empty when it can. */
  const problem = ref('');
  const isReady = ref(false);
  let loading: Promise<void> | null = null;

  const kitchen = computed(
    () => kitchens.value.find(({ id }) => id === kitchenId.value) ?? kitchens.value[0] ?? null,
  );
  const foodsById = computed(() => new Map(foods.value.map((food) => [food.id, food])));
  /** Foods for which this kitchen has a swap. */
  const swapFromIds = computed(
    () => new Set([...swaps.value, ...(kitchen.value?.swaps ?? [])].map(({ fromId }) => fromId)),
  );
  const nameOf = (id: string): string =>
    foodsById.value.get(id)?.name ?? components.value.find((each) => each.id === id)?.name ?? id;

  /** The marks of what was read last: only what is otherwise by now is sent again. */
  const marks = { larder: '', kitchens: '', components: '' };
  /** Counts what was put in place here: what was asked for before that may be older. */
  let placed = 0;
  /** Counts the readings: who shows something of the server's own looks again after each. */
  const readings = ref(0);
  /** The state of the server that the last reading was asked in; empty while none was. */
  const written = ref('');
  /** Counts the books that the worker was told: what it worked out with another is worked out anew. */
  const edition = ref(0);

  /** Reads whatever is otherwise than it was when it was read last. */
  async function read(): Promise<void> {
    const before = placed;
    const [larder, ownKitchens, ownComponents] = await Promise.all([
      server.larder(marks.larder),
      server.kitchens(marks.kitchens),
      server.components(marks.components),
    ]);
    if (before !== placed) return read();
    if (larder) {
      foods.value = sameWhereSame(foods.value, larder.value.foods);
      swaps.value = larder.value.swaps;
    }
    if (ownKitchens) kitchens.value = sameWhereSame(kitchens.value, ownKitchens.value);
    if (ownComponents) components.value = sameWhereSame(components.value, ownComponents.value);
    if (larder || ownComponents) await tellWorker();
    // Only now: what the worker could not be told is read and told again.
    marks.larder = larder?.mark ?? marks.larder;
    marks.kitchens = ownKitchens?.mark ?? marks.kitchens;
    marks.components = ownComponents?.mark ?? marks.components;
    readings.value += 1;
  }

  async function tellWorker(): Promise<void> {
    await ask('book', { foods: foods.value, swaps: swaps.value, components: components.value });
    edition.value += 1;
  }

  /** Loads once. What fails is said, and tried again until it goes: whoever waits for it waits on. */
  function ready(): Promise<void> {
    loading ??= tryUntilRead();
    return loading;
  }

  async function tryUntilRead(): Promise<void> {
    for (;;) {
      try {
        await read();
        problem.value = '';
        isReady.value = true;
        return;
      } catch (error) {
        problem.value = awayWords(error as ServerError) ?? (error as Error).message;
        await new Promise((done) => setTimeout(done, TRY_AGAIN_MS));
      }
    }
  }

  let running: Promise<void> = Promise.resolve();
  let waiting: Promise<void> | null = null;
  /**
   * Takes in what was changed elsewhere: a pack that another screen read, a food, a component. What is asked for is read after the
   * asking, one reading behind the other. Throws a `ServerError` when the server does not answer; what is known here stays.
   */
  function refresh(): Promise<void> {
    waiting ??= Promise.all([ready(), running.catch(() => undefined)]).then(() => {
      waiting = null;
      running = read();
      return running;
    });
    return waiting;
  }

  /** Puts a changed or new food in its place without reading all others again. */
  async function replaceFood(changed: Food): Promise<void> {
    placed += 1;
    const isKnown = foods.value.some(({ id }) => id === changed.id);
    foods.value = isKnown
      ? foods.value.map((each) => (each.id === changed.id ? changed : each))
      : [...foods.value, changed];
    await tellWorker();
  }

  function chooseKitchen(id: string): void {
    kitchenId.value = id;
  }

  function replaceKitchen(changed: Kitchen): void {
    placed += 1;
    kitchens.value = kitchens.value.map((each) => (each.id === changed.id ? changed : each));
  }

  /** Puts a new kitchen in the list and opens it. */
  function addKitchen(made: Kitchen): void {
    placed += 1;
    kitchens.value = [...kitchens.value, made];
    chooseKitchen(made.id);
  }

  return {
    foods,
    swaps,
    components,
    kitchens,
    kitchen,
    kitchenId,
    foodsById,
    problem,
    isReady,
    ready,
    swapFromIds,
    nameOf,
    edition,
    readings,
    written,
    refresh,
    replaceFood,
    chooseKitchen,
    replaceKitchen,
    addKitchen,
  };
});
