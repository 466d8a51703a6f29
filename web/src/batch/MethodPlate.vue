<script setup lang="ts">
/** The steps of the dish with what was read from them; changed as text, one step a line. */
import { computed, nextTick, ref } from 'vue';
import { cookingsIn, figureText } from '@hand-ladle/core';
import { useBench } from '../state/bench';

const bench = useBench();
const steps = computed(() => bench.recipe!.steps);
const isEditing = ref(false);
const words = ref('');
const field = ref<HTMLTextAreaElement | null>(null);

async function edit(): Promise<void> {
  words.value = steps.value.map(({ text }) => text).join('\n');
  isEditing.value = true;
  await nextTick();
  field.value?.focus();
}

async function rewrite(): Promise<void> {
  const texts = words.value
    .split('\n')
    .map((text) => text.trim())
    .filter(Boolean);
  await bench.rewriteSteps(texts);
  isEditing.value = false;
}
</script>

<template>
  <section class="plate method" aria-label="Method">
    <header>
      <h2>Method</h2>
      <button v-if="!bench.isVariant && !isEditing" class="choice plain" type="button" @click="edit">
        {{ steps.length > 0 ? 'Change the steps' : 'Add the steps' }}
      </button>
    </header>
    <form v-if="isEditing" @submit.prevent="rewrite" @keydown.esc="isEditing = false">
      <textarea ref="field" v-model="words" class="field" rows="8" aria-label="Steps, one a line" />
      <button class="choice main" type="submit">Read the steps</button>
      <button class="choice plain" type="button" @click="isEditing = false">Leave</button>
    </form>
    <ol v-else-if="steps.length > 0">
      <li v-for="step in steps" :key="step.id">
        {{ step.text }}
        <span v-for="(cooking, at) in cookingsIn(step.reading)" :key="at" class="heat">
          {{ cooking.heat }} {{ figureText(cooking.minutes, 1) }} min{{ cooking.covered ? ', lid on' : '' }}
        </span>
      </li>
    </ol>
    <p v-else class="soft">No steps are told, so no steam is reckoned.</p>
  </section>
</template>

<style scoped>
.method {
  margin-top: var(--space-4);
}

header {
  display: flex;
  justify-content: space-between;
  align-items: center;
  min-height: 38px;
}

h2 {
  font-size: var(--text-l);
}

ol {
  display: grid;
  gap: var(--space-2);
  padding-left: 1.4em;
  list-style: decimal;
  overflow-wrap: anywhere;
}

.heat {
  margin-left: 6px;
  font-size: var(--text-s);
  font-weight: 600;
  color: var(--rim);
  white-space: nowrap;
}

textarea {
  width: 100%;
  margin-bottom: var(--space-2);
  line-height: 1.45;
}
</style>
