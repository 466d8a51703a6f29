<script setup lang="ts">
/** Makes a food from its name. Nothing about it is clear until a pack is read: that is said, not hidden. */
import 'element-plus/es/components/dialog/style/css';
import { ElDialog } from 'element-plus/es/components/dialog/index.mjs';
import { computed, ref, watch } from 'vue';
import { foodFromRow, idFromName, measureWeighedHere, typedFigure } from '@hand-ladle/core';
import { server } from '../api/client';
import { useBook } from '../state/book';
import { usePrompts } from '../state/prompts';

const book = useBook();
const prompts = usePrompts();
const name = ref('');
const category = ref('');
const cupGrams = ref('');
const problem = ref('');
const isSaving = ref(false);

const categories = computed(() => [...new Set(book.foods.map((food) => food.category))].sort());

watch(
  () => prompts.newFood,
  (now) => {
    if (!now) return;
    name.value = now.name.charAt(0).toUpperCase() + now.name.slice(1);
    category.value = '';
    cupGrams.value = '';
    problem.value = '';
  },
  { immediate: true },
);

const isShown = computed({
  get: () => prompts.newFood !== null,
  set: (shown) => {
    if (!shown) prompts.newFood = null;
  },
});

const cup = (): number | null => {
  const value = typedFigure(cupGrams.value);
  return value !== null && value > 0 && value < 2000 ? value : null;
};

async function make(): Promise<void> {
  const { food, problems } = foodFromRow({
    name: name.value,
    category: category.value,
    id: idFromName(name.value),
  });
  if (!food) {
    problem.value = problems[0]?.message ?? 'This name cannot be used.';
    return;
  }
  const grams = cup();
  const measures = grams === null ? [] : [measureWeighedHere('cup', grams)];
  isSaving.value = true;
  try {
    const saved = await server.createFood({ ...food, measures });
    await book.replaceFood(saved.food);
    const then = prompts.newFood?.then;
    prompts.newFood = null;
    then?.(saved.food.id);
  } catch (error) {
    problem.value = (error as Error).message;
  } finally {
    isSaving.value = false;
  }
}
</script>

<template>
  <ElDialog v-model="isShown" title="A new food" width="min(520px, 94vw)" top="12vh">
    <form class="new" @submit.prevent="make">
      <label>Name <input v-model="name" class="field" maxlength="200" /></label>
      <label>
        Kind of food
        <select v-model="category" class="field">
          <option value="">other</option>
          <option v-for="each in categories" :key="each" :value="each">{{ each }}</option>
        </select>
      </label>
      <label>
        A US cup of it weighs, if you have weighed one
        <span class="with-unit"
          ><input v-model="cupGrams" class="field" inputmode="decimal" size="6" /> g</span
        >
      </label>
      <p class="soft">
        Its composition is unknown until you enter it, so figures will say “at least”. Every allergen stands
        at “check the pack” until its pack is recorded.
      </p>
      <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
      <div class="ends">
        <button class="choice main" type="submit" :disabled="isSaving">Put it in the larder</button>
        <button class="choice" type="button" @click="prompts.newFood = null">Leave</button>
      </div>
    </form>
  </ElDialog>
</template>

<style scoped>
.new {
  display: grid;
  gap: var(--space-3);
}

label {
  display: grid;
  gap: 3px;
  font-weight: 560;
  font-size: var(--text-m);
}

.with-unit {
  display: flex;
  align-items: center;
  gap: 6px;
}

.problem {
  color: var(--brick);
  font-weight: 600;
}

.ends {
  display: flex;
  gap: var(--space-2);
}
</style>
