<script setup lang="ts">
/** A line that should have gone in and did not: said at once, with what each way out does. */
import { type Forgotten, gramsText, type WayOut } from '@hand-ladle/core';
import EffectPlate from './EffectPlate.vue';
import StovePanel from './StovePanel.vue';

defineProps<{ forgotten: readonly Forgotten[] }>();
const emit = defineEmits<{ close: []; way: [forgotten: Forgotten, way: WayOut]; anyway: [] }>();
const WORDS: Readonly<Record<WayOut['way'], string>> = {
  'add now': 'Add it now',
  'into the next': 'Into the next step',
  'leave out': 'Leave it out',
};
</script>

<template>
  <StovePanel title="Not in yet" @close="emit('close')">
    <section v-for="each in forgotten" :key="`${each.lineId} ${each.load}`" class="one">
      <h3>
        {{ each.words }}
        <span class="figure">{{ each.wantedGrams === null ? '' : gramsText(each.wantedGrams) }}</span>
      </h3>
      <div class="ways">
        <div v-for="way in each.ways" :key="way.way" class="way">
          <button
            type="button"
            class="key"
            :class="{ main: way.way === 'add now' }"
            :aria-label="`${WORDS[way.way]}: ${each.name}`"
            @click="emit('way', each, way)"
          >
            {{ WORDS[way.way] }}
          </button>
          <EffectPlate v-if="way.way === 'leave out'" :effect="way.effect" />
        </div>
      </div>
    </section>
    <button type="button" class="key plain" @click="emit('anyway')">
      The step is done; I come back to it
    </button>
  </StovePanel>
</template>

<style scoped>
.one {
  margin-bottom: var(--space-4);
}

h3 {
  display: flex;
  justify-content: space-between;
  gap: var(--space-4);
  font-size: 34px;
}

.ways {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(260px, 1fr));
  gap: var(--space-3);
  margin-top: var(--space-2);
}

.way {
  display: grid;
  gap: var(--space-2);
  align-content: start;
}

.key {
  width: 100%;
}
</style>
