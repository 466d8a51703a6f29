<script setup lang="ts">
/** Something the list does not have goes in: water as often as it is, or a food. Its effect is told before it is written. */
import { computed, ref, shallowRef, watch } from 'vue';
import { ADDED_BECAUSE, type AddedBecause, type Effect, type EntryBody, typedFigure } from '@hand-ladle/core';
import { useBook } from '../../state/book';
import FoodPicker from '../../ui/FoodPicker.vue';
import { useStove } from '../offline/stove';
import EffectPlate from './EffectPlate.vue';
import FigurePad from './FigurePad.vue';
import StovePanel from './StovePanel.vue';

const props = defineProps<{ isWater: boolean; stepId: string; load: number }>();
const emit = defineEmits<{ close: [] }>();
const stove = useStove();
const book = useBook();
const WATER = 'water';
const foodId = ref<string | null>(props.isWater ? WATER : null);
const because = ref<AddedBecause>(props.isWater ? 'water' : 'other');
const figure = ref('');
const effect = shallowRef<Effect | null>(null);
const body = computed((): EntryBody | null => {
  const grams = typedFigure(figure.value);
  return foodId.value === null || grams === null || grams <= 0
    ? null
    : {
        kind: 'added',
        foodId: foodId.value,
        grams,
        way: 'typed',
        because: because.value,
        stepId: props.stepId,
        load: props.load,
      };
});
watch(body, async (now) => {
  effect.value = null;
  if (!now) return;
  const found = await stove.effectOf([now]);
  if (body.value === now) effect.value = found;
});
async function write(): Promise<void> {
  if (!body.value || effect.value === null) return;
  await stove.write(body.value);
  emit('close');
}
const REASONS = ADDED_BECAUSE.filter((each) => each !== 'water');
</script>

<template>
  <StovePanel :title="isWater ? 'Water added' : 'Something else went in'" @close="emit('close')">
    <div class="sides">
      <div class="what">
        <p v-if="foodId" class="food">{{ book.nameOf(foodId) }}</p>
        <FoodPicker v-else @pick="foodId = $event" @leave="emit('close')" />
        <div v-if="!isWater" class="why" role="group" aria-label="Why">
          <button
            v-for="each in REASONS"
            :key="each"
            type="button"
            class="key"
            :class="{ chosen: because === each }"
            :aria-pressed="because === each"
            @click="because = each"
          >
            {{ each }}
          </button>
        </div>
        <EffectPlate v-if="body" :effect="effect" />
      </div>
      <div>
        <FigurePad v-model="figure" label="Grams" unit="g" @enter="write" />
        <button type="button" class="key main" :disabled="!body || effect === null" @click="write">
          Write it down
        </button>
      </div>
    </div>
  </StovePanel>
</template>

<style scoped>
.what,
.why {
  display: grid;
  gap: var(--space-3);
  align-content: start;
}

.food {
  font-size: 32px;
  font-weight: 700;
}

.key {
  width: 100%;
}

.main {
  margin-top: var(--space-2);
}
</style>
