<script setup lang="ts">
/** Labels of many dishes in one job: how many of each, on the paper that is set, to the printer or as one PDF. */
import { computed, ref } from 'vue';
import { LABEL_KIND_NAMES, type ReleaseView } from '@hand-ladle/core';
import { download } from '../api/download';
import { labels } from '../api/labels';
import { useSession } from '../state/session';
import SettingFigure from '../ui/SettingFigure.vue';
import { useLabel } from './label';

const props = defineProps<{ releases: readonly ReleaseView[] }>();
const settings = useLabel();
const session = useSession();
const counts = ref<Record<string, number>>({});
const problem = ref('');
const done = ref('');
const isWorking = ref(false);
const items = computed(() =>
  props.releases.flatMap(({ id }) => {
    const quantity = counts.value[id] ?? 0;
    return quantity > 0 ? [{ releaseId: id, quantity }] : [];
  }),
);
const total = computed(() => items.value.reduce((sum, { quantity }) => sum + quantity, 0));
const run = () => {
  const { stock, start, form, symbology } = settings.options;
  return { items: items.value, stock, start, form, symbology };
};

async function doing(act: () => Promise<string>): Promise<void> {
  isWorking.value = true;
  problem.value = '';
  done.value = '';
  try {
    done.value = await act();
  } catch (error) {
    problem.value = (error as Error).message;
  } finally {
    isWorking.value = false;
  }
}
const print = (): Promise<void> =>
  doing(async () => {
    const { batchCodes } = await labels.printRun(run());
    const many = total.value;
    counts.value = {};
    return `Sent to the printer: ${many} labels of ${batchCodes.length} ${batchCodes.length === 1 ? 'batch' : 'batches'}, one job.`;
  });
const asPdf = (): Promise<void> =>
  doing(async () => {
    download(await labels.runFile(run()), 'labels.pdf');
    return '';
  });
</script>

<template>
  <section class="plate rimmed" aria-label="Labels of many dishes">
    <h2>Many in one job</h2>
    <p class="soft">On {{ settings.options.stock.name }}, as set on the label of a dish.</p>
    <ul>
      <li v-for="release in releases" :key="release.id">
        <SettingFigure
          :label="`How many labels of ${release.recipeName}`"
          :value="counts[release.id] ?? 0"
          :most="1000"
          is-whole
          @set="counts = { ...counts, [release.id]: $event ?? 0 }"
        />
        <span
          ><b>{{ release.recipeName }}</b>
          <span class="soft">{{ LABEL_KIND_NAMES[release.kind] }}, {{ release.language }}</span></span
        >
      </li>
    </ul>
    <div class="ends">
      <button
        class="choice main"
        type="button"
        :disabled="isWorking || total === 0 || !session.may('cook')"
        @click="print"
      >
        Print {{ total > 0 ? total : '' }} in one job
      </button>
      <button
        class="choice"
        type="button"
        :disabled="isWorking || total === 0 || !session.may('cook')"
        @click="asPdf"
      >
        All as one PDF
      </button>
    </div>
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
    <p v-if="done" class="done" role="status">
      {{ done }} <RouterLink to="/printer">The printer's page</RouterLink>
    </p>
  </section>
</template>

<style scoped>
li .soft {
  margin-left: var(--space-2);
}

li {
  display: grid;
  grid-template-columns: 96px minmax(0, 1fr);
  gap: var(--space-3);
  align-items: center;
  padding: 4px 0;
}

.ends {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2);
  margin-top: var(--space-3);
}

.problem {
  color: var(--brick);
  font-weight: 600;
}

.done {
  font-weight: 600;
}
</style>
