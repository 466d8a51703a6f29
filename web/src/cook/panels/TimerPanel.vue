<script setup lang="ts">
/** A timer for a step or a pan: its name, its minutes, and whether it is looked at again and again. */
import { ref } from 'vue';
import { typedFigure } from '@hand-ladle/core';
import { useStove } from '../offline/stove';
import FigurePad from './FigurePad.vue';
import StovePanel from './StovePanel.vue';

const props = defineProps<{
  wish: { minutes: number | null; name: string; everyMinutes: number | null };
  stepId: string;
  load: number;
}>();
const emit = defineEmits<{ close: [] }>();
const stove = useStove();
const name = ref(props.wish.name);
const figure = ref(props.wish.minutes === null ? '' : String(Math.round(props.wish.minutes * 10) / 10));
const isRepeated = ref(props.wish.everyMinutes !== null);
const every = ref(props.wish.everyMinutes === null ? '' : String(props.wish.everyMinutes));
const refusal = ref('');

async function start(): Promise<void> {
  const minutes = typedFigure(figure.value);
  const again = isRepeated.value ? typedFigure(every.value || figure.value) : null;
  if (minutes === null || minutes <= 0 || (isRepeated.value && (again === null || again <= 0))) {
    refusal.value = 'How many minutes?';
    return;
  }
  await stove.write({
    kind: 'timer-started',
    timer: crypto.randomUUID(),
    name: name.value.trim() || 'Timer',
    minutes,
    everyMinutes: again,
    stepId: props.stepId,
    load: props.load,
  });
  emit('close');
}
</script>

<template>
  <StovePanel title="Timer" @close="emit('close')">
    <div class="sides">
      <div class="what">
        <label>What for, which pan<input v-model="name" class="field tall" maxlength="200" /></label>
        <label class="again"><input v-model="isRepeated" type="checkbox" /> Look again and again</label>
        <label v-if="isRepeated"
          >Every so many minutes<input v-model="every" class="field tall" inputmode="decimal"
        /></label>
      </div>
      <div>
        <FigurePad v-model="figure" label="Minutes" unit="min" @enter="start" />
        <button type="button" class="key main" @click="start">Start it</button>
        <p v-if="refusal" class="wrong" role="alert">{{ refusal }}</p>
      </div>
    </div>
  </StovePanel>
</template>

<style scoped>
.what,
label {
  display: grid;
  gap: var(--space-2);
  align-content: start;
  font-size: 22px;
}

.again {
  display: flex;
  align-items: center;
  min-height: 64px;
}

.again input {
  width: 32px;
  height: 32px;
}

.key {
  width: 100%;
  margin-top: var(--space-2);
}

.wrong {
  font-size: 24px;
  color: var(--brick);
}
</style>
