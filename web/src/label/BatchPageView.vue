<script setup lang="ts">
/** The page a batch's code opens: what it is, until when it may be used, what is in it, and whether its label still stands. */
import { computed, shallowRef, watch } from 'vue';
import { dateOnLabel, gramsOnLabel, type BatchView } from '@hand-ladle/core';
import { labels } from '../api/labels';
import { useBook } from '../state/book';
import { useFirstRead } from '../state/first-read';
import { todayIn } from '../state/today';

const props = defineProps<{ code: string }>();
const book = useBook();
const batch = shallowRef<BatchView | null>(null);
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
const isOver = computed(() => batch.value !== null && batch.value.useBy < todayIn(book.kitchen));
const stands = computed(() => batch.value?.release.state === 'released' && !batch.value.release.isStale);
</script>

<template>
  <div class="stack">
    <p v-if="problem" class="plate problem" role="alert">
      {{ problem }} <RouterLink to="/labels">Labels</RouterLink>
    </p>
    <article v-if="batch" class="plate rimmed">
      <h1>{{ batch.release.recipeName }}</h1>
      <p class="code">Batch {{ batch.code }}</p>
      <dl>
        <div>
          <dt>Made</dt>
          <dd>{{ dateOnLabel(batch.madeOn, 'en') }} by {{ batch.madeBy }}</dd>
        </div>
        <div :class="{ wrong: isOver }">
          <dt>Use by</dt>
          <dd>{{ dateOnLabel(batch.useBy, 'en') }}{{ isOver ? ', over: throw it away' : '' }}</dd>
        </div>
        <div v-if="batch.grams !== null">
          <dt>Weight</dt>
          <dd>{{ gramsOnLabel(batch.grams) }}</dd>
        </div>
        <div>
          <dt>Contains</dt>
          <dd>{{ batch.release.label.named.contains.join(', ') || 'no declared allergen by its label' }}</dd>
        </div>
        <div v-if="batch.release.label.named.mayContain.length > 0">
          <dt>May contain</dt>
          <dd>{{ batch.release.label.named.mayContain.join(', ') }}</dd>
        </div>
        <div>
          <dt>Ingredients</dt>
          <dd class="list">{{ batch.release.label.ingredients }}</dd>
        </div>
      </dl>
      <p v-if="stands">Its label was released by {{ batch.release.released?.name }} and still stands.</p>
      <div v-else class="stale" role="alert">
        <b>Its label does not stand any more: do not go by it.</b>
        <ul>
          <li v-for="(change, index) in batch.release.changes.slice(0, 8)" :key="index">{{ change.what }}</li>
        </ul>
      </div>
      <RouterLink :to="`/dishes/${batch.release.recipeId}`">Open the dish</RouterLink>
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
