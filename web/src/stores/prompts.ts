/** What the bench is being asked: which pack to record, which figure to explain. One of each at a time. */
import { ref } from 'vue';
import { defineStore } from 'pinia';

export const usePrompts = defineStore('prompts', () => {
  /** Food whose pack is being recorded. */
  const packFoodId = ref<string | null>(null);
  /** Line whose weight is being explained. */
  const whyLineId = ref<string | null>(null);
  return { packFoodId, whyLineId };
});
