<script setup lang="ts">
/** The production record of a batch, and the label of the batch as it was cooked. */
import { computed, ref, shallowRef, watch } from 'vue';
import {
  type CookedBatchView,
  LABEL_KIND_NAMES,
  LABEL_KINDS,
  type LabelKind,
  type ServiceList,
} from '@hand-ladle/core';
import { call } from '../api/client';
import { cookServer } from '../cook/offline/cook-server';
import { useFirstRead } from '../state/first-read';
import { useReadAgain } from '../state/read-again';
import { useSession } from '../state/session';
import RecordList from './RecordList.vue';

const props = defineProps<{ code: string }>();
const session = useSession();
const list = shallowRef<ServiceList | null>(null);
const batch = shallowRef<CookedBatchView | null>(null);
const kind = ref<LabelKind>('serving');
const told = ref('');
const at = computed(() => `/api/batches/${encodeURIComponent(props.code)}/record`);
const { problem, again } = useFirstRead(async () => {
  await session.ready();
  batch.value = await cookServer.batch(props.code);
  list.value = await call<ServiceList>(at.value);
});
watch(() => props.code, again, { immediate: true });
useReadAgain(again);

async function handIn(): Promise<void> {
  told.value = '';
  if (!session.may('cook')) {
    session.isAsked = true;
    return;
  }
  try {
    const release = await cookServer.handInLabel(props.code, kind.value);
    told.value =
      release.openPoints.length > 0
        ? `Handed in. Open before it can be checked: ${release.openPoints.join(' ')}`
        : 'Handed in: it waits for a checker under Labels.';
    await again();
  } catch (error) {
    told.value = (error as Error).message;
  }
}
const differs = computed(() => batch.value?.differences ?? []);
</script>

<template>
  <div class="stack">
    <section class="plate rimmed" aria-labelledby="record-title">
      <header class="head">
        <h1 id="record-title">{{ list?.title ?? 'Production record' }}</h1>
        <span class="files">
          <RouterLink :to="`/cook/${code}`">At the stove</RouterLink>
          <RouterLink :to="`/recall?batch=${code}`">Recall</RouterLink>
          <a class="choice plain" :href="`${at}.pdf`">PDF</a>
          <a class="choice plain" :href="`${at}.csv`">CSV</a>
        </span>
      </header>
      <p v-if="problem" class="wrong" role="alert">{{ problem }}</p>
      <RecordList v-if="list" :list="list" />
    </section>
    <section v-if="batch?.worksheet" class="plate" aria-labelledby="label-title">
      <h2 id="label-title">Label of this batch</h2>
      <p v-if="differs.length === 0">
        It was cooked as its recipe says: the released label of the dish covers it.
      </p>
      <template v-else>
        <p>The released label of the dish does not cover it. It differs in:</p>
        <ul class="differs">
          <li v-for="(each, index) in differs" :key="index">
            <strong>{{ each.what }}:</strong> {{ each.cooked }}
            <span class="soft">(planned: {{ each.planned }})</span>
          </li>
        </ul>
      </template>
      <p class="ingredients">
        <strong>Ingredients as cooked:</strong> {{ batch.worksheet.label.ingredients }}
        {{ batch.worksheet.label.contains }}
      </p>
      <div class="acts">
        <label>
          Kind
          <select v-model="kind" class="field">
            <option v-for="each in LABEL_KINDS" :key="each" :value="each">
              {{ LABEL_KIND_NAMES[each] }}
            </option>
          </select>
        </label>
        <button type="button" class="choice main" @click="handIn">Hand in its own label for checking</button>
      </div>
      <p v-if="told" role="status">{{ told }}</p>
      <p v-if="batch.release">
        Its label: {{ batch.release.state
        }}{{ batch.release.isStale ? ', stale: its record changed since' : '' }}.
        <RouterLink to="/labels">Labels</RouterLink>
      </p>
    </section>
  </div>
</template>

<style scoped>
.head,
.acts,
.files {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-3);
  align-items: center;
}

h1 {
  font-size: var(--text-xl);
}

.files {
  margin-left: auto;
}

.differs {
  display: grid;
  gap: var(--space-1);
  margin: var(--space-2) 0;
}

.acts label {
  min-width: 0;
  max-width: 100%;
}

select {
  max-width: 100%;
}

.ingredients {
  overflow-wrap: anywhere;
  margin: var(--space-3) 0;
}

.wrong {
  color: var(--brick);
}
</style>
