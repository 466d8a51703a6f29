<script setup lang="ts">
/** A temperature: from the probe or typed, checked at once; what is out asks for what is done about it. */
import { computed, onBeforeUnmount, onMounted, ref, shallowRef } from 'vue';
import {
  type EntryBody,
  figureText,
  isWithin,
  type Kitchen,
  limitOf,
  type OpenBreach,
  type Point,
  POINT_NAMES,
  typedFigure,
} from '@hand-ladle/core';
import { cookServer } from '../offline/cook-server';
import FigurePad from './FigurePad.vue';
import StovePanel from './StovePanel.vue';

const props = defineProps<{
  kitchen: Kitchen;
  points: readonly Point[];
  first: Point;
  place: string;
  places?: readonly string[];
  write: (body: EntryBody) => Promise<string>;
}>();
const emit = defineEmits<{ close: []; out: [breach: OpenBreach] }>();
const point = ref<Point>(props.first);
const where = ref(props.place);
const figure = ref('');
const probe = shallowRef<{ celsius: number; isSteady: boolean } | null>(null);
const celsius = computed(() => typedFigure(figure.value.replace('−', '-')));
const limit = computed(() => limitOf(point.value, where.value, props.kitchen));
const isOut = computed(
  () => celsius.value !== null && limit.value !== null && !isWithin(celsius.value, limit.value),
);
const isLate = ref(false);
const minutesAgo = ref('');
const refusal = ref('');

let timer: ReturnType<typeof setInterval> | undefined;
async function read(): Promise<void> {
  probe.value = await cookServer.probe().catch(() => null);
}
onMounted(() => {
  void read();
  timer = setInterval(() => void read(), 1000);
});
onBeforeUnmount(() => clearInterval(timer));

async function take(value: number | null, way: 'probe' | 'typed'): Promise<void> {
  if (value === null) {
    refusal.value = 'How many degrees?';
    return;
  }
  const ago = isLate.value && way === 'typed' ? typedFigure(minutesAgo.value) : null;
  const takenAt = ago === null ? null : new Date(Date.now() - ago * 60_000).toISOString();
  const id = await props.write({
    kind: 'reading',
    point: point.value,
    where: where.value.trim(),
    celsius: value,
    way,
    takenAt,
  });
  const held = limit.value;
  if (held !== null && !isWithin(value, held))
    emit('out', {
      of: id,
      words: `${where.value || POINT_NAMES[point.value]}: ${figureText(value, 1)} °C, ${held.words}`,
    });
  else emit('close');
}
</script>

<template>
  <StovePanel title="Temperature" @close="emit('close')">
    <div class="sides">
      <div class="what">
        <div class="points" role="group" aria-label="What is measured">
          <button
            v-for="each in points"
            :key="each"
            type="button"
            class="key"
            :class="{ chosen: point === each }"
            :aria-pressed="point === each"
            @click="point = each"
          >
            {{ POINT_NAMES[each] }}
          </button>
        </div>
        <div v-if="places && places.length > 0" class="points" role="group" aria-label="Where">
          <button
            v-for="each in places"
            :key="each"
            type="button"
            class="key"
            :class="{ chosen: where === each }"
            :aria-pressed="where === each"
            @click="where = each"
          >
            {{ each }}
          </button>
        </div>
        <label>Where<input v-model="where" class="field tall" maxlength="120" /></label>
        <p class="limit">
          {{ limit ? `${limit.words} (${limit.source})` : 'Judged with the other readings of this cooling' }}
        </p>
        <p class="soft">Wipe the probe; local food law goes first.</p>
      </div>
      <div>
        <button
          type="button"
          class="key main big"
          :disabled="!probe?.isSteady"
          @click="take(probe!.celsius, 'probe')"
        >
          {{
            probe === null
              ? 'No probe in reach: type it'
              : probe.isSteady
                ? `Take ${figureText(probe.celsius, 1)} °C from the probe`
                : `Probe: ${figureText(probe.celsius, 1)} °C, still moving`
          }}
        </button>
        <FigurePad v-model="figure" label="Degrees" unit="°C" has-sign @enter="take(celsius, 'typed')" />
        <p v-if="isOut" class="out" role="alert">Out: {{ limit?.words }}</p>
        <label class="late"><input v-model="isLate" type="checkbox" /> It was measured before</label>
        <label v-if="isLate"
          >Minutes ago<input v-model="minutesAgo" class="field tall" inputmode="decimal"
        /></label>
        <button type="button" class="key main" @click="take(celsius, 'typed')">Write it down</button>
        <p v-if="refusal" class="out" role="alert">{{ refusal }}</p>
      </div>
    </div>
  </StovePanel>
</template>

<style scoped>
.sides {
  font-size: 22px;
}

.what,
.points {
  display: grid;
  gap: var(--space-2);
  align-content: start;
}

.points {
  grid-template-columns: 1fr 1fr;
}

.key {
  width: 100%;
}

.big {
  margin-bottom: var(--space-2);
}

.limit {
  font-size: 26px;
  font-weight: 680;
}

.late {
  display: flex;
  align-items: center;
  min-height: 48px;
  gap: var(--space-2);
}

.late input {
  width: 28px;
  height: 28px;
}

.out {
  font-size: 26px;
  font-weight: 720;
  color: var(--brick);
}
</style>
