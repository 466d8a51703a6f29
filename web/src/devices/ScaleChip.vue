<script setup lang="ts">
/** The scale: its weight as it comes, and one tap to put it into the field in focus. */
import { computed, ref } from 'vue';
import { typedFigure } from '@hand-ladle/core';
import { labels } from '../api/labels';
import { useScale } from './scale';

const scale = useScale();
const onPan = ref('250');
const shown = computed(() => (scale.last ? `${scale.last.grams} g` : '…'));
const words = computed(() => (scale.isLost ? 'scale lost' : scale.last?.isStable ? 'at rest' : 'moving'));

async function put(): Promise<void> {
  const grams = typedFigure(onPan.value);
  if (grams !== null) await labels.putOnScale(grams);
}
</script>

<template>
  <div data-scale class="scale">
    <button v-if="!scale.isOn" class="choice plain" type="button" @click="scale.turnOn()">Scale</button>
    <template v-else>
      <output class="weight" aria-label="Weight on the scale"
        >{{ shown }}<small>{{ words }}</small></output
      >
      <button
        class="choice main"
        type="button"
        :disabled="!scale.last?.isStable || scale.fieldName === ''"
        @mousedown.prevent
        @click="scale.take()"
      >
        {{ scale.fieldName === '' ? 'Choose a field' : 'Put it in' }}
      </button>
      <form title="Simulated scale" @submit.prevent="put">
        <label
          ><span class="unseen">Put on the simulated scale, grams</span
          ><input v-model="onPan" class="field" inputmode="decimal" size="5"
        /></label>
        <button class="choice" type="submit">On the pan</button>
      </form>
      <button class="choice plain" type="button" @click="scale.turnOff()">Off</button>
    </template>
  </div>
</template>

<style scoped>
.scale,
form {
  display: flex;
  gap: var(--space-2);
  align-items: center;
}

.weight {
  display: grid;
  min-width: 88px;
  text-align: right;
  font-size: var(--text-l);
  font-weight: 720;
  line-height: 1.05;
}

small {
  font-size: 0.7rem;
  font-weight: 450;
  color: var(--ink-soft);
}

@media (max-width: 760px) {
  form {
    display: none;
  }
}
</style>
