<script setup lang="ts">
/** Finds a food of the larder by typing a part of any of its names. */
import { computed, onMounted, ref } from 'vue';
import { plainText } from '@hand-ladle/core';
import { useBook } from '../state/book';

const emit = defineEmits<{ pick: [foodId: string]; leave: [] }>();
const book = useBook();
const typed = ref('');
const field = ref<HTMLInputElement | null>(null);

const index = computed(() => [
  ...book.foods.map(({ id, name, synonyms }) => ({
    id,
    name,
    text: plainText([name, ...synonyms].join(' ')),
  })),
  ...book.components.map(({ id, name }) => ({ id, name: `${name} (component)`, text: plainText(name) })),
]);
const found = computed(() => {
  const words = plainText(typed.value).split(' ').filter(Boolean);
  if (words.length === 0) return [];
  return index.value.filter(({ text }) => words.every((word) => text.includes(word))).slice(0, 6);
});

onMounted(() => field.value?.focus());

function takeFirst(): void {
  const [first] = found.value;
  if (first) emit('pick', first.id);
}
</script>

<template>
  <form class="picker" @submit.prevent="takeFirst" @keydown.esc="emit('leave')">
    <input
      ref="field"
      v-model="typed"
      class="field"
      placeholder="Name of the food"
      aria-label="Name of the food"
    />
    <button v-for="food in found" :key="food.id" class="choice" type="button" @click="emit('pick', food.id)">
      {{ food.name }}
    </button>
    <span v-if="typed && found.length === 0" class="soft">Nothing in the larder is called that.</span>
    <button class="choice plain" type="button" @click="emit('leave')">Leave</button>
  </form>
</template>

<style scoped>
.picker {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px;
}
</style>
