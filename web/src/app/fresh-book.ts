/**
 * A screen that stays open for days knows what the others wrote down: the book is read again at every page that is opened, when
 * somebody comes back to it, and every half minute between. What is as it was is not sent.
 */
import { useDocumentVisibility, useIntervalFn } from '@vueuse/core';
import { type Ref, ref, watch } from 'vue';
import type { Router } from 'vue-router';
import { server } from '../api/client';
import { useBook } from '../state/book';

export const FRESH_EVERY_MS = 30_000;

const clockOf = (at: Date): string => at.toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' });

/** Since when what others wrote down is not known here, as a clock tells it; empty while it is. */
export function useFreshBook(router: Router): Ref<string> {
  const book = useBook();
  const since = ref('');
  let fresh = new Date();
  const visibility = useDocumentVisibility();

  async function again(): Promise<void> {
    const asked = new Date();
    try {
      // What a tablet keeps of the book answers for a server that is away: this is an address that nobody keeps.
      book.written = await server.edition();
      await book.refresh();
      fresh = asked;
      since.value = '';
    } catch {
      since.value ||= clockOf(fresh);
    }
  }

  router.afterEach((to, from) => {
    const isFirst = from.matched.length === 0;
    if (!isFirst && to.path !== from.path) void again();
  });
  watch(visibility, (now) => {
    if (now === 'visible') void again();
  });
  useIntervalFn(() => {
    if (visibility.value === 'visible') void again();
  }, FRESH_EVERY_MS);
  return since;
}
