<script setup lang="ts">
/** The page a batch's code opens: what it is, until when it may be used, what is in it, and whether its label still stands. */
import { computed, shallowRef, watch } from 'vue';
import { type CookedBatchView, dateOnLabel, gramsOnLabel } from '@hand-ladle/core';
import { labels } from '../api/labels';
import { useBook } from '../state/book';
import { useFirstRead } from '../state/first-read';
import { useReadAgain } from '../state/read-again';
import { todayIn } from '../state/today';

const props = defineProps<{ code: string }>();
const book = useBook();
const batch = shallowRef<CookedBatchView | null>(null);
const { problem, again } = useFirstRead(async () => {
  batch.value = await labels.batch(props.code);
});

watch(
  () => props.code,
  () => {
    batch.value = null;
    void again();
  },
  { immediate: true },
);
useReadAgain(again);
const isOver = computed(() => (batch.value?.useBy ?? '9999') < todayIn(book.kitchen));
const release = computed(() => batch.value?.release ?? null);
const label = computed(() => release.value?.label ?? batch.value?.worksheet?.label ?? null);
/** By its label; while there is none, by its record. */
const flagged = (status: string): string[] =>
  (batch.value?.state?.flags ?? []).filter((flag) => flag.status === status).map(({ name }) => name);
const contains = computed(() => release.value?.label.named.contains ?? flagged('contains'));
const mayContain = computed(() => release.value?.label.named.mayContain ?? flagged('may-contain'));
const unchecked = computed(() => (release.value ? [] : flagged('check')));
const stands = computed(() => release.value?.state === 'released' && !release.value.isStale);
const standing = computed(() => {
  const { state, withdrawn } = release.value!;
  if (state === 'withdrawn') return `was withdrawn by ${withdrawn?.name ?? 'somebody'}`;
  return state === 'released' ? 'does not stand any more' : 'does not stand yet';
});
/** Nothing named is an answer only on a label that stands. */
const containsWords = computed(() => {
  const named = contains.value.join(', ');
  if (stands.value) return named || 'no declared allergen by its label';
  if (release.value === null) return named || 'no declared allergen by its record, which nobody checked';
  return named === '' ? 'not to be told from this label' : `${named}; there may be more`;
});
</script>

<template>
  <div class="stack">
    <p v-if="problem" class="plate problem" role="alert">
      {{ problem }} <RouterLink to="/labels">Labels</RouterLink>
    </p>
    <article v-if="batch" class="plate rimmed">
      <h1>{{ release?.recipeName ?? batch.opened?.name }}</h1>
      <p class="code">Batch {{ batch.code }}</p>
      <p v-if="stands">Its label was released by {{ release?.released?.name }} and still stands.</p>
      <p v-else-if="release === null" class="stale" role="alert">
        No label of this batch was released. What stands here is by its record and was checked by nobody.
      </p>
      <div v-else class="stale" role="alert">
        <b>Its label {{ standing }}: do not go by it.</b>
        <ul v-if="release.changes.length > 0">
          <li v-for="(change, index) in release.changes.slice(0, 8)" :key="index">{{ change.what }}</li>
        </ul>
      </div>
      <dl>
        <div>
          <dt>Made</dt>
          <dd>
            {{ dateOnLabel(batch.madeOn, 'en')
            }}<template v-if="batch.madeBy"> by {{ batch.madeBy }}</template>
          </dd>
        </div>
        <div :class="{ wrong: isOver }">
          <dt>Use by</dt>
          <dd>
            {{ batch.useBy === null ? 'nobody said' : dateOnLabel(batch.useBy, 'en')
            }}{{ isOver ? ', over: throw it away' : '' }}
          </dd>
        </div>
        <div v-if="batch.grams !== null">
          <dt>Weight</dt>
          <dd>{{ gramsOnLabel(batch.grams) }}</dd>
        </div>
        <div>
          <dt>Contains</dt>
          <dd>{{ containsWords }}</dd>
        </div>
        <div v-if="mayContain.length > 0">
          <dt>May contain</dt>
          <dd>{{ mayContain.join(', ') }}</dd>
        </div>
        <div v-if="unchecked.length > 0">
          <dt>Check</dt>
          <dd>{{ unchecked.join(', ') }}</dd>
        </div>
        <div>
          <dt>Ingredients</dt>
          <dd class="list">{{ label?.ingredients }}</dd>
        </div>
      </dl>
      <nav class="ways" aria-label="Of this batch">
        <RouterLink v-if="batch.opened" :to="`/records/${batch.code}`">Its record</RouterLink>
        <RouterLink v-if="batch.opened" :to="`/cook/${batch.code}`">At the stove</RouterLink>
        <RouterLink :to="`/recall?batch=${batch.code}`">Recall</RouterLink>
        <RouterLink :to="`/dishes/${release?.recipeId ?? batch.opened?.recipeId}`">Open the dish</RouterLink>
      </nav>
    </article>
  </div>
</template>

<style scoped>
h1 {
  font-size: var(--text-xxl);
}

.code {
  font-size: var(--text-l);
  font-weight: 600;
}

dl {
  display: grid;
  gap: var(--space-2);
  margin: var(--space-4) 0;
}

.ways {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-4);
}

dl div {
  display: grid;
  grid-template-columns: 130px minmax(0, 1fr);
  gap: var(--space-3);
}

dt {
  color: var(--ink-soft);
}

dd {
  font-size: var(--text-l);
  font-weight: 620;
}

.list {
  font-size: var(--text-m);
  font-weight: 450;
}

.wrong dd,
.problem {
  color: var(--brick);
}

.stale {
  margin: var(--space-3) 0;
  padding: var(--space-3);
  border: 1.5px dashed var(--amber-line);
  background: var(--amber-wash);
}
</style>
