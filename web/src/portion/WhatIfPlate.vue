<script setup lang="ts">
/** Another weight of one line, and every figure of a portion before and after; kept only when somebody says so. */
import { computed, ref, shallowRef, watch } from 'vue';
import { type FactId, fixedText, gramsText, signedText, type Worksheet } from '@hand-ladle/core';
import { useBench } from '../state/bench';
import SettingFigure from '../ui/SettingFigure.vue';
import { ask } from '../worker/client';

const props = defineProps<{ lineId: string }>();
const emit = defineEmits<{ done: [] }>();
const bench = useBench();
const line = computed(() => bench.worksheet!.lines.find(({ id }) => id === props.lineId));
const grams = ref(0);
const after = shallowRef<Worksheet | null>(null);
watch(
  () => props.lineId,
  () => {
    grams.value = Math.round((line.value?.baseGrams ?? 0) * 12) / 10;
  },
  { immediate: true },
);
watch(
  [grams, () => bench.worksheet],
  async () => {
    if (!bench.input || !line.value) return;
    after.value = await ask('whatIf', { ...bench.input, lineId: line.value.sourceId, grams: grams.value });
  },
  { immediate: true },
);
const ROWS: { id: FactId; name: string; unit: string; decimals: number }[] = [
  { id: 'energyKcal', name: 'Energy', unit: 'kcal', decimals: 0 },
  { id: 'proteinG', name: 'Protein', unit: 'g', decimals: 1 },
  { id: 'fatG', name: 'Fat', unit: 'g', decimals: 1 },
  { id: 'fibreG', name: 'Fibre', unit: 'g', decimals: 1 },
  { id: 'sodiumMg', name: 'Sodium', unit: 'mg', decimals: 0 },
  { id: 'potassiumMg', name: 'Potassium', unit: 'mg', decimals: 0 },
  { id: 'ironMg', name: 'Iron', unit: 'mg', decimals: 1 },
];
const rows = computed(() =>
  ROWS.map((row) => {
    const before = bench.worksheet!.nutrition.perPortion[row.id];
    const then = after.value?.nutrition.perPortion[row.id] ?? before;
    return {
      ...row,
      before: fixedText(before, row.decimals),
      then: fixedText(then, row.decimals),
      by: signedText(then - before, row.decimals),
    };
  }),
);
function keep(): void {
  if (line.value) bench.answerLine(line.value.sourceId, { grams: grams.value, gramsOrigin: 'convention' });
  emit('done');
}
</script>

<template>
  <section v-if="line" class="plate" aria-label="What a change would do">
    <h2>What if there were more or less {{ line.name.toLowerCase() }}?</h2>
    <p class="ask">
      At home <b>{{ gramsText(line.baseGrams ?? 0) }}</b>, say
      <SettingFigure
        :label="`Grams of ${line.name} at home`"
        :value="grams"
        :most="100000"
        takes-weight
        @set="$event !== null && (grams = $event)"
      />
      g
    </p>
    <table class="sheet-table">
      <thead>
        <tr>
          <th scope="col">A portion</th>
          <th scope="col" class="right">now</th>
          <th scope="col" class="right">then</th>
          <th scope="col" class="right">by</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in rows" :key="row.id">
          <th scope="row">{{ row.name }}</th>
          <td class="right">{{ row.before }} {{ row.unit }}</td>
          <td class="right">{{ row.then }} {{ row.unit }}</td>
          <td class="right">{{ row.by }}</td>
        </tr>
      </tbody>
    </table>
    <div class="acts">
      <button class="choice main" type="button" @click="keep">Keep it in the dish</button>
      <button class="choice plain" type="button" @click="emit('done')">Leave it</button>
    </div>
  </section>
</template>

<style scoped>
.ask,
.acts {
  display: flex;
  gap: var(--space-2);
  align-items: center;
}

.acts {
  margin-top: var(--space-3);
}
</style>
