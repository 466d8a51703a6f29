<script setup lang="ts">
/** Every label of the kitchen on its way out: what waits for whom, what is released, what went stale and by what. */
import { computed, onMounted, ref, watch } from 'vue';
import { useRouter } from 'vue-router';
import type { ReleaseView } from '@hand-ladle/core';
import { download } from '../api/download';
import { labels } from '../api/labels';
import { useBook } from '../state/book';
import { useFirstRead } from '../state/first-read';
import { useReadAgain } from '../state/read-again';
import { useReleases } from '../state/releases';
import { useSession } from '../state/session';
import { useLabel } from './label';
import ReleasePlate from './ReleasePlate.vue';
import RunPlate from './RunPlate.vue';

const book = useBook();
const settings = useLabel();
const session = useSession();
const router = useRouter();
const kept = useReleases();
const all = computed(() => kept.all);
const isLoaded = ref(false);
const problem = ref('');
const done = ref('');
const code = ref('');

const { problem: unread, again: reload } = useFirstRead(async () => {
  await book.ready();
  await kept.load(book.kitchen!.id);
  isLoaded.value = true;
});
onMounted(() => {
  void session.ready();
  void reload();
});
watch(() => book.kitchen?.id, reload);
// What was withdrawn at another screen, or went stale, is not handed out from this one.
useReadAgain(reload);

const GROUPS: { title: string; has: (release: ReleaseView) => boolean; empty: string }[] = [
  {
    title: 'Stale: do not use',
    has: ({ state, isStale }) => isStale && state !== 'withdrawn',
    empty: 'Nothing changed under a label.',
  },
  {
    title: 'Waits for the next step',
    has: ({ state, isStale }) => !isStale && (state === 'draft' || state === 'checked'),
    empty: 'Nothing waits.',
  },
  {
    title: 'Released',
    has: ({ state, isStale }) => !isStale && state === 'released',
    empty: 'No label is released yet. Open a dish, go to its label, and hand it in.',
  },
  { title: 'Withdrawn', has: ({ state }) => state === 'withdrawn', empty: '' },
];
const groups = computed(() =>
  GROUPS.map(({ title, has, empty }) => ({ title, empty, labels: all.value.filter(has) })).filter(
    (group) => group.labels.length > 0 || group.empty !== '',
  ),
);

/** Released labels that may leave now. */
const printable = computed(() => all.value.filter(({ state, isStale }) => state === 'released' && !isStale));

async function doing(act: () => Promise<string>): Promise<void> {
  problem.value = '';
  done.value = '';
  try {
    done.value = await act();
  } catch (error) {
    problem.value = (error as Error).message;
  }
}
const print = (release: ReleaseView): Promise<void> =>
  doing(async () => {
    const { batchCode } = await labels.print(release.id, { ...settings.options, kind: release.kind }, null);
    return `Sent to the printer: ${release.recipeName}, batch ${batchCode}.`;
  });
const downloadOne = (release: ReleaseView): Promise<void> =>
  doing(async () => {
    download(
      await labels.file(release.id, 'pdf', { ...settings.options, kind: release.kind }, null),
      `label-${release.recipeId}.pdf`,
    );
    return '';
  });
const find = (): void => {
  const typed = code.value.trim();
  // A QR code types the whole address of the batch's page.
  if (typed !== '') void router.push(`/batches/${encodeURIComponent(typed.split('/').pop()!)}`);
};
</script>

<template>
  <div class="stack">
    <header>
      <h1>Labels</h1>
      <form @submit.prevent="find">
        <label
          ><span class="unseen">Batch code</span
          ><input v-model="code" class="field" placeholder="Scan or type a batch code" maxlength="200"
        /></label>
        <button class="choice" type="submit">Open the batch</button>
      </form>
      <nav aria-label="Beside the labels">
        <RouterLink class="choice" to="/printer">Printer</RouterLink>
        <RouterLink class="choice" to="/people">People and audit trail</RouterLink>
      </nav>
    </header>
    <p v-if="problem || unread" class="problem" role="alert">{{ problem || unread }}</p>
    <p v-if="done" class="done" role="status">
      {{ done }} <RouterLink to="/printer">The printer's page</RouterLink>
    </p>
    <p v-if="!session.person" class="plate">
      Anybody may look.
      <button class="choice" type="button" @click="session.isAsked = true">Sign in</button> to check, release
      or print.
    </p>
    <template v-if="isLoaded">
      <section v-for="group in groups" :key="group.title" class="plate rimmed" :aria-label="group.title">
        <h2>{{ group.title }}</h2>
        <p v-if="group.labels.length === 0" class="soft">{{ group.empty }}</p>
        <ul v-else>
          <ReleasePlate
            v-for="release in group.labels"
            :key="release.id"
            :release="release"
            is-named
            @changed="reload"
            @print="print"
            @download="downloadOne"
          />
        </ul>
      </section>
      <RunPlate v-if="printable.length > 0" :releases="printable" />
    </template>
  </div>
</template>

<style scoped>
header {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2) var(--space-5);
  align-items: center;
}

header h1 {
  font-size: var(--text-xxl);
}

form,
nav {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2);
}

nav {
  margin-left: auto;
}

.field {
  width: 240px;
}

.problem {
  color: var(--brick);
  font-weight: 600;
}

.done {
  font-weight: 600;
}
</style>
