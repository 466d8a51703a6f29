<script setup lang="ts">
/** The home recipe behind the batch: its portions, their size, and its finished weight once somebody weighed it. */
import { ref } from 'vue';
import { figureText, roundToDecimals, typedFigure } from '@hand-ladle/core';
import { useBench } from '../../state/bench';

const emit = defineEmits<{ leave: [] }>();
const bench = useBench();
const recipe = bench.recipe!;
const portions = ref(figureText(recipe.portions, 3));
const size = ref(recipe.portionGrams === null ? '' : figureText(recipe.portionGrams, 1));
const measured = ref(recipe.measuredYieldGrams === null ? '' : figureText(recipe.measuredYieldGrams, 1));
const problem = ref('');

/** A figure above zero, null for an empty field, NaN for anything else. */
function figureIn(text: string): number | null {
  if (text.trim() === '') return null;
  const value = typedFigure(text);
  return value !== null && value > 0 && value <= 1_000_000 ? roundToDecimals(value, 3) : NaN;
}

function set(): void {
  const [count, portionGrams, measuredYieldGrams] = [portions.value, size.value, measured.value].map(
    figureIn,
  );
  if (!count || Number.isNaN(portionGrams) || Number.isNaN(measuredYieldGrams)) {
    problem.value = 'Figures above zero, please; size and finished weight may stay empty.';
    return;
  }
  bench.setRecipe({
    portions: count,
    portionGrams: portionGrams ?? null,
    measuredYieldGrams: measuredYieldGrams ?? null,
  });
  emit('leave');
}
</script>

<template>
  <form class="home" @submit.prevent="set" @keydown.esc="emit('leave')">
    <template v-if="bench.isVariant">
      <span>The home recipe is the parent's: change it there.</span>
    </template>
    <template v-else>
      <label>Portions at home <input v-model="portions" class="field" inputmode="decimal" size="4" /></label>
      <label
        >Grams each <input v-model="size" class="field" inputmode="decimal" size="5" placeholder="open"
      /></label>
      <label>
        Finished weight, weighed
        <input v-model="measured" class="field" inputmode="decimal" size="6" placeholder="predicted" /> g
      </label>
      <button class="choice main" type="submit">Set</button>
    </template>
    <button class="choice plain" type="button" @click="emit('leave')">Leave</button>
    <span v-if="problem" class="problem" role="alert">{{ problem }}</span>
  </form>
</template>

<style scoped>
.home {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: var(--space-2) var(--space-4);
  padding: var(--space-2) var(--space-3);
  background: var(--rim-wash);
}

.problem {
  color: var(--brick);
  font-weight: 600;
}
</style>
