/** The released label that the screen shows as it was released: of this dish, kind, law and language, and still standing. */
import { type ShallowRef, shallowRef, watch } from 'vue';
import type { Release, ReleaseView } from '@hand-ladle/core';
import { labels } from '../api/labels';

/** What a label must be to be the one that is shown. */
export interface ShownAs {
  kind: string;
  regime: string;
  language: string;
}

/** The release that stands for what is shown; null where none does, or what is shown was changed since. */
export const standingFor = (
  releases: readonly ReleaseView[],
  { kind, regime, language }: ShownAs,
): ReleaseView | null =>
  releases.find(
    (each) =>
      each.state === 'released' &&
      !each.isStale &&
      each.kind === kind &&
      each.regime === regime &&
      each.language === language,
  ) ?? null;

/** Reads the whole of the release that stands; only the last one asked for is shown. */
export function useStandingRelease(found: () => ReleaseView | null): ShallowRef<Release | null> {
  const release = shallowRef<Release | null>(null);
  watch(
    () => found()?.id ?? null,
    async (id) => {
      release.value = null;
      if (id === null) return;
      const read = await labels.release(id).catch(() => null);
      if (found()?.id === id) release.value = read;
    },
    { immediate: true },
  );
  return release;
}
