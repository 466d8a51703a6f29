<script setup lang="ts">
/** How a swap tasted once it was cooked: two figures of 100 and who says so. It moves the closeness in this kitchen. */
import { computed, ref } from 'vue';
import type { SwapEntry } from '@hand-ladle/core';
import { server } from '../api/client';
import { useBook } from '../state/book';
import { useReader } from '../state/reader';
import { todayIn } from '../state/today';

const props = defineProps<{ entry: SwapEntry }>();
const book = useBook();
const isAsked = ref(false);
const taste = ref(80);
const texture = ref(80);
const by = useReader();
const problem = ref('');
const count = computed(
  () => book.kitchen?.ratings.filter(({ swapId }) => swapId === props.entry.id).length ?? 0,
);

async function rate(): Promise<void> {
  if (by.value.trim() === '') {
    problem.value = 'Who tasted it?';
    return;
  }
  try {
    const rated = await server.rateSwap(book.kitchen!.id, {
      swapId: props.entry.id,
      taste: taste.value / 100,
      texture: texture.value / 100,
      ratedBy: by.value.trim(),
      ratedOn: todayIn(book.kitchen),
    });
    book.replaceKitchen(rated);
    isAsked.value = false;
    problem.value = '';
  } catch (error) {
    problem.value = (error as Error).message;
  }
}
</script>

<template>
  <form v-if="isAsked" @submit.prevent="rate" @keydown.esc.stop="isAsked = false">
    <label
      >Taste <input v-model.number="taste" class="field" type="number" min="0" max="100" required
    /></label>
    <label
      >Texture <input v-model.number="texture" class="field" type="number" min="0" max="100" required
    /></label>
    <label>Tasted by <input v-model="by" class="field by" maxlength="120" /></label>
    <button class="choice main" type="submit">Keep the rating</button>
    <span v-if="problem" class="problem" role="alert">{{ problem }}</span>
  </form>
  <button v-else class="choice plain" type="button" @click="isAsked = true">
    Rate it<template v-if="count > 0">, rated {{ count }} ×</template>
  </button>
</template>

<style scoped>
form {
  display: flex;
  flex-wrap: wrap;
  align-items: end;
  gap: var(--space-2);
}

label {
  display: grid;
  font-size: var(--text-s);
}

.field {
  width: 84px;
}

.by {
  width: 150px;
}

.problem {
  color: var(--brick);
  font-weight: 600;
}
</style>
