/** What a page shows of the server's own and stays open with: read again after whatever was written down, here or elsewhere. */
import { type Ref, ref, watch } from 'vue';
import type { ServerError } from '../api/client';
import { useBook } from './book';
import { awayWords } from './first-read';

/**
 * Calls `read` with each reading of the book that finds another state on the server than the last one `read` went well with. Where it
 * fails the page stays as it is known, and the next reading comes by itself. What the server will not tell any more, such as a service
 * that was taken off elsewhere, it answers in words; empty while it tells. (That it is away is for the frame to say.)
 */
export function useReadAgain(read: () => Promise<unknown>): Ref<string> {
  const book = useBook();
  const refusal = ref('');
  let known = book.written;
  watch(
    () => book.readings,
    async () => {
      const asked = book.written;
      if (asked === known) return;
      try {
        await read();
        known = asked;
        refusal.value = '';
      } catch (error) {
        refusal.value = awayWords(error as ServerError) === null ? (error as Error).message : '';
      }
    },
  );
  return refusal;
}
