/** What a page shows of the server's own and stays open with: read again after whatever was written down, here or elsewhere. */
import { watch } from 'vue';
import { useBook } from './book';

/**
 * Calls `read` with each reading of the book that finds another state on the server than the last one `read` went well with. Where it
 * fails the page stays as it is known, and the next reading comes by itself.
 */
export function useReadAgain(read: () => Promise<unknown>): void {
  const book = useBook();
  let known = book.written;
  watch(
    () => book.readings,
    async () => {
      const asked = book.written;
      if (asked === known) return;
      try {
        await read();
        known = asked;
      } catch {
        // Said by the frame: since when the server has not answered.
      }
    },
  );
}
