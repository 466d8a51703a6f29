/** Which panel stands over the work, asked for from anywhere on the bench. */
import { defineStore } from 'pinia';
import { ref, shallowRef } from 'vue';
import type { FigureId } from '@hand-ladle/core';

/** A food to be made from a name, and what to do with it then. */
export interface NewFoodPrompt {
  name: string;
  then: (foodId: string) => void;
}

export const usePrompts = defineStore('prompts', () => {
  /** The food whose pack is being recorded. */
  const packFoodId = ref<string | null>(null);
  /** The line whose weight is being explained. */
  const whyLineId = ref<string | null>(null);
  /** The figure of the whole batch that is being explained. */
  const whyFigure = ref<FigureId | null>(null);
  /** The food of the open dish for which a swap is chosen by hand. */
  const swapFoodId = ref<string | null>(null);
  const newFood = shallowRef<NewFoodPrompt | null>(null);

  /** A panel belongs to the page that asked for it: over another, what is chosen in it would be done there. */
  function close(): void {
    packFoodId.value = null;
    whyLineId.value = null;
    whyFigure.value = null;
    swapFoodId.value = null;
    newFood.value = null;
  }

  return { packFoodId, whyLineId, whyFigure, swapFoodId, newFood, close };
});
