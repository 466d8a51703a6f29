/** What a page reads before it can show anything: where the server does not answer it says so, and goes on trying. */
import { onScopeDispose, type Ref, ref } from 'vue';
import type { ServerError } from '../api/client';

export const TRY_AGAIN_MS = 3000;

const AWAY: Readonly<Record<string, string>> = {
  unreachable: 'The server does not answer.',
  'database-down': 'The database does not answer.',
};

/** Whether a read that failed may go well a moment later, and what is said till then; null where trying on is no use. */
export const awayWords = ({ code }: Partial<ServerError>): string | null => {
  const words = AWAY[code ?? ''];
  return words === undefined ? null : `${words} It is tried again every few seconds.`;
};

/**
 * Reads until it goes well. `problem` is empty once it did; a refusal that trying again does not mend stays in it.
 * `read` runs again whenever `again` is called, and the trying ends with the page.
 */
export function useFirstRead(read: () => Promise<void>): {
  problem: Ref<string>;
  again: () => Promise<void>;
} {
  const problem = ref('');
  let timer: ReturnType<typeof setTimeout> | undefined;
  let isOver = false;

  async function again(): Promise<void> {
    clearTimeout(timer);
    try {
      await read();
      problem.value = '';
    } catch (error) {
      const words = awayWords(error as ServerError);
      problem.value = words ?? (error as Error).message;
      if (words !== null && !isOver) timer = setTimeout(() => void again(), TRY_AGAIN_MS);
    }
  }
  onScopeDispose(() => {
    isOver = true;
    clearTimeout(timer);
  });
  return { problem, again };
}
