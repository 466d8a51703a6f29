/** Whoever leaves a page, closes it or lets it go into the background takes nothing unsaved along. */
import { useDocumentVisibility, useEventListener } from '@vueuse/core';
import { watch } from 'vue';
import { onBeforeRouteLeave } from 'vue-router';

export interface Leaving {
  flush: () => Promise<void>;
  hasUnsaved: () => boolean;
}

/** The browser asks before it closes over something unsaved; going elsewhere in the app saves it first. */
export function useKeepOnLeave({ flush, hasUnsaved }: Leaving): void {
  useEventListener(window, 'beforeunload', (event) => {
    if (!hasUnsaved()) return;
    void flush();
    event.preventDefault();
  });
  const visibility = useDocumentVisibility();
  watch(visibility, (now) => {
    if (now === 'hidden') void flush();
  });
  onBeforeRouteLeave(() => flush());
}
