/**
 * A screen that stays open for days knows what the others wrote down: the book is read again at every page that is opened, when
 * somebody comes back to it, and every half minute between. What is as it was is not sent.
 */
import { useDocumentVisibility, useIntervalFn } from '@vueuse/core';
import { watch } from 'vue';
import type { Router } from 'vue-router';
import { useBook } from '../state/book';

export const FRESH_EVERY_MS = 30_000;

export function useFreshBook(router: Router): void {
  const book = useBook();
  // A server that does not answer is said by the page that needs it; here the next time comes by itself.
  const again = (): void => void book.refresh().catch(() => undefined);
  const visibility = useDocumentVisibility();
  router.afterEach((to, from) => {
    const isFirst = from.matched.length === 0;
    if (!isFirst && to.path !== from.path) again();
  });
  watch(visibility, (now) => {
    if (now === 'visible') again();
  });
  useIntervalFn(() => {
    if (visibility.value === 'visible') again();
  }, FRESH_EVERY_MS);
}
