<script setup lang="ts">
/** Too thin, too thick, too salty, too little: moves worked out of what is in the pot, each with what it does. */
import { ref, shallowRef, watch } from 'vue';
import {
  type Degree,
  DEGREES,
  gramsText,
  type Mending,
  type Move,
  type Taste,
  type Trouble,
  TROUBLES,
} from '@hand-ladle/core';
import { useStove } from '../offline/stove';
import EffectPlate from './EffectPlate.vue';
import StovePanel from './StovePanel.vue';

const props = defineProps<{ stepId: string; load: number }>();
const emit = defineEmits<{ close: []; timer: [minutes: number, name: string] }>();
const stove = useStove();
const trouble = ref<Trouble | null>(null);
const degree = ref<Degree>('a little');
const mending = shallowRef<Mending | null>(null);
watch([trouble, degree], async ([now, how]) => {
  mending.value = null;
  if (now) mending.value = await stove.mendingOf(now, how, props.stepId);
});
async function make(move: Move): Promise<void> {
  const taste = trouble.value === 'too little' ? null : (trouble.value as Taste);
  await stove.writeAll([
    ...(taste ? [{ body: { kind: 'tasted' as const, taste, words: degree.value } }] : []),
    ...move.additions.map(({ foodId, grams, because }) => ({
      body: {
        kind: 'added' as const,
        foodId,
        grams,
        way: 'typed' as const,
        because,
        stepId: props.stepId,
        load: props.load,
      },
    })),
    { body: { kind: 'note' as const, words: move.words } },
  ]);
  if (move.minutes !== null) emit('timer', Math.max(1, Math.round(move.minutes)), move.words);
  emit('close');
}
async function right(): Promise<void> {
  await stove.write({ kind: 'tasted', taste: 'right', words: '' });
  emit('close');
}
</script>

<template>
  <StovePanel title="Tasted: how is it?" @close="emit('close')">
    <div class="row" role="group" aria-label="What is wrong">
      <button type="button" class="key" @click="right">Right</button>
      <button
        v-for="each in TROUBLES"
        :key="each"
        type="button"
        class="key"
        :class="{ chosen: trouble === each }"
        :aria-pressed="trouble === each"
        @click="trouble = each"
      >
        {{ each }}
      </button>
    </div>
    <div v-if="trouble && trouble !== 'too little'" class="row" role="group" aria-label="How much">
      <button
        v-for="each in DEGREES"
        :key="each"
        type="button"
        class="key"
        :class="{ chosen: degree === each }"
        :aria-pressed="degree === each"
        @click="degree = each"
      >
        {{ each }}
      </button>
    </div>
    <p v-if="mending" class="words" role="status">{{ mending.words }}</p>
    <ul v-if="mending" class="moves">
      <li v-for="move in mending.moves" :key="move.id">
        <div>
          <strong>{{ move.words }}</strong>
          <p class="soft">{{ move.why }}. Then {{ gramsText(move.finishedGrams) }}.</p>
          <EffectPlate :effect="move.effect" />
        </div>
        <button type="button" class="key main" :aria-label="`Do it: ${move.words}`" @click="make(move)">
          Do it
        </button>
      </li>
    </ul>
  </StovePanel>
</template>

<style scoped>
.row {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(150px, 1fr));
  gap: var(--space-2);
  margin-bottom: var(--space-3);
}

.words {
  font-size: 26px;
  font-weight: 650;
}

.moves li {
  display: grid;
  grid-template-columns: 1fr 160px;
  gap: var(--space-4);
  align-items: start;
  padding: var(--space-3) 0;
  border-top: 1px solid var(--hairline);
  font-size: 24px;
}

@media (max-width: 760px) {
  .moves li {
    grid-template-columns: 1fr;
  }
}
</style>
