/** Labels of the kitchen on their way out, by dish: what the strip, the book and the menu say of them. */
import { defineStore } from 'pinia';
import { computed, shallowRef } from 'vue';
import type { ReleaseView } from '@hand-ladle/core';
import { labels } from '../api/labels';

/** How the labels of a dish stand, in a word; empty where none was handed in. */
export type Standing = '' | 'handed in' | 'checked' | 'released' | 'stale';

const RANK: readonly Standing[] = ['stale', 'released', 'checked', 'handed in'];

/** A withdrawn label says nothing any more; a stale one says more than any other. */
export function standingOf(releases: readonly ReleaseView[]): Standing {
  const words = new Set(
    releases.flatMap(({ state, isStale }): Standing[] => {
      if (state === 'withdrawn') return [];
      if (isStale) return ['stale'];
      return [state === 'draft' ? 'handed in' : state];
    }),
  );
  // A label that was handed in anew speaks for the dish once it is released; till then the stale one does.
  if (words.has('stale') && words.has('released')) words.delete('stale');
  return RANK.find((each) => words.has(each)) ?? '';
}

export const useReleases = defineStore('releases', () => {
  const all = shallowRef<ReleaseView[]>([]);
  const isLoaded = shallowRef(false);
  let asked = 0;

  /**
   * Reads them anew, of one dish or of all: what stands is worked out label by label, so an open dish asks for its own alone. Only
   * the last answer that was asked for counts. Throws where the server cannot be reached.
   */
  async function load(kitchenId: string, recipeId?: string): Promise<void> {
    const mine = ++asked;
    const found = await labels.list(kitchenId, recipeId);
    if (mine !== asked) return;
    const others = recipeId === undefined ? [] : all.value.filter((each) => each.recipeId !== recipeId);
    all.value = [...found, ...others.filter((each) => each.kitchenId === kitchenId)];
    isLoaded.value = true;
  }

  const byDish = computed(() => {
    const map = new Map<string, ReleaseView[]>();
    // The label of one batch says nothing of the dish.
    for (const each of all.value)
      if (each.batchCode === null) map.set(each.recipeId, [...(map.get(each.recipeId) ?? []), each]);
    return map;
  });
  const ofDish = (recipeId: string): ReleaseView[] => byDish.value.get(recipeId) ?? [];
  const standing = (recipeId: string): Standing => standingOf(ofDish(recipeId));

  return { all, isLoaded, load, ofDish, standing };
});

/** What is shown of a standing. */
export const STANDING_WORDS: Readonly<Record<Standing, string>> = {
  '': 'no label',
  'handed in': 'label waits for a checker',
  checked: 'label waits for release',
  released: 'label released',
  stale: 'released label is stale',
};
