/** What the app knows before any dish is open: the larder, the kitchens, the components. */
import { useLocalStorage } from '@vueuse/core';
import { defineStore } from 'pinia';
import { computed, ref, shallowRef } from 'vue';
import type { Food, Kitchen, Recipe, SwapEntry } from '@hand-ladle/core';
import { server, type ServerError } from '../api/client';
import { ask } from '../worker/client';
import { awayWords, TRY_AGAIN_MS } from './first-read';

const KITCHEN_KEY = 'hand-ladle.kitchen';

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

  async function load(): Promise<void> {
    const [larder, ownKitchens, ownComponents] = await Promise.all([
      server.larder(),
      server.kitchens(),
      server.components(),
    ]);
    foods.value = larder.foods;
    swaps.value = larder.swaps;
    kitchens.value = ownKitchens;
    components.value = ownComponents;
    await tellWorker();
    problem.value = '';
    isReady.value = true;
  }

  const tellWorker = () =>
    ask('book', { foods: foods.value, swaps: swaps.value, components: components.value });

  /** Loads once. What fails is said, and tried again until it goes: whoever waits for it waits on. */
  function ready(): Promise<void> {
    loading ??= tryUntilRead();
    return loading;
  }

  async function tryUntilRead(): Promise<void> {
    for (;;) {
      try {
        await load();
        problem.value = '';
        return;
      } catch (error) {
        problem.value = awayWords(error as ServerError) ?? (error as Error).message;
        await new Promise((done) => setTimeout(done, TRY_AGAIN_MS));
      }
    }
  }

  /** Reads the larder anew after foods changed. */
  async function reloadLarder(): Promise<void> {
    const larder = await server.larder();
    foods.value = larder.foods;
    swaps.value = larder.swaps;
    await tellWorker();
  }

  /** Puts a changed or new food in its place without reading all others again. */
  async function replaceFood(changed: Food): Promise<void> {
    const isKnown = foods.value.some(({ id }) => id === changed.id);
    foods.value = isKnown
      ? foods.value.map((each) => (each.id === changed.id ? changed : each))
      : [...foods.value, changed];
    await tellWorker();
  }

  async function reloadComponents(): Promise<void> {
    components.value = await server.components();
    await tellWorker();
  }

  function chooseKitchen(id: string): void {
    kitchenId.value = id;
  }

  function replaceKitchen(changed: Kitchen): void {
    kitchens.value = kitchens.value.map((each) => (each.id === changed.id ? changed : each));
  }

  /** Puts a new kitchen in the list and opens it. */
  function addKitchen(made: Kitchen): void {
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
    reloadLarder,
    replaceFood,
    reloadComponents,
    chooseKitchen,
    replaceKitchen,
    addKitchen,
  };
});
