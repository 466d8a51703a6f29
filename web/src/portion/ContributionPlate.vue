<script setup lang="ts">
/** Where a nutrient comes from, line by line, as a picture with its figures; a tap on a line asks what a change would do. */
import { computed, shallowRef, watch } from 'vue';
import { type Contribution, fixedText, NUTRIENT_NAMES, type NutrientId } from '@hand-ladle/core';
import { useBench } from '../state/bench';
import { type Data, type Layout, token } from '../ui/plot/plot';
import PlotPicture from '../ui/plot/PlotPicture.vue';
import { ask } from '../worker/client';

const props = defineProps<{ nutrient: NutrientId }>();
const emit = defineEmits<{ choose: [lineId: string] }>();
const bench = useBench();
const parts = shallowRef<Contribution[]>([]);
watch(
  [() => props.nutrient, () => bench.worksheet],
  async () => {
    if (!bench.input) return;
    const { portionGrams } = bench.worksheet!;
    parts.value = await ask('contributions', { ...bench.input, nutrient: props.nutrient, portionGrams });
  },
  { immediate: true },
);
const unit = computed(() => NUTRIENT_NAMES[props.nutrient].unit);
const decimals = computed(() => (unit.value === 'mg' ? 0 : 1));
const name = computed(() => NUTRIENT_NAMES[props.nutrient].name.toLowerCase());
const known = computed(() => parts.value.filter(({ amount }) => amount !== null && amount > 0));
const unknown = computed(() => parts.value.filter(({ amount }) => amount === null));
const total = computed(() => known.value.reduce((sum, { amount }) => sum + amount!, 0));
const figure = (amount: number): string => `${fixedText(amount, decimals.value)} ${unit.value}`;
/** More bars than this are not told apart; the rest is one bar. */
const MOST_BARS = 10;
const bars = computed(() => {
  const first = known.value.slice(0, MOST_BARS);
  const rest = known.value.slice(MOST_BARS).reduce((sum, { amount }) => sum + amount!, 0);
  return [
    ...first.map((part) => ({ lineId: part.lineId, name: part.name, amount: part.amount! })),
    ...(rest > 0 ? [{ lineId: '', name: 'the others', amount: rest }] : []),
  ];
});
const data = computed<Data[]>(() => [
  {
    type: 'bar',
    orientation: 'h',
    x: bars.value.map(({ amount }) => amount),
    y: bars.value.map(({ name: line }, index) => `${index}|${line}`),
    text: bars.value.map(
      ({ amount }) => `${figure(amount)}, ${fixedText((amount / Math.max(total.value, 1e-9)) * 100, 0)} %`,
    ),
    textposition: 'outside',
    cliponaxis: false,
    hoverinfo: 'skip',
    marker: { color: token('rim') },
  },
]);
const layout = computed<Partial<Layout>>(() => ({
  margin: { l: 150, r: 110, t: 4, b: 24 },
  bargap: 0.35,
  xaxis: { zeroline: false, gridcolor: token('hairline'), fixedrange: true, rangemode: 'tozero' },
  yaxis: {
    autorange: 'reversed',
    fixedrange: true,
    tickvals: bars.value.map(({ name: line }, index) => `${index}|${line}`),
    ticktext: bars.value.map(({ name: line }) => (line.length > 22 ? `${line.slice(0, 21)}…` : line)),
  },
}));
const height = computed(() => 40 + bars.value.length * 30);
</script>

<template>
  <section class="plate rimmed" aria-label="Where it comes from">
    <h2>Where the {{ name }} comes from</h2>
    <p v-if="bars.length === 0" class="soft">No line is known to hold any.</p>
    <PlotPicture
      v-else
      :data="data"
      :layout="layout"
      :height="height"
      :label="`${name} by line: ${bars.map((bar) => `${bar.name} ${figure(bar.amount)}`).join(', ')}`"
    />
    <p v-if="unknown.length > 0" class="lacking">
      Unknown: {{ unknown.map((part) => part.name).join(', ') }}
    </p>
    <p class="soft">
      What would more or less of one do?
      <span class="lines">
        <button
          v-for="part in known.slice(0, 6)"
          :key="part.lineId"
          class="choice"
          type="button"
          @click="emit('choose', part.lineId)"
        >
          {{ part.name }}
        </button>
      </span>
    </p>
  </section>
</template>

<style scoped>
p {
  margin-top: var(--space-2);
  font-size: var(--text-s);
}

.lines {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-1) var(--space-2);
  margin-top: var(--space-1);
}

.lacking {
  color: var(--amber);
}
</style>
