<script setup lang="ts">
/** Each label figure against what the law lets the food hold, with the range of what it may hold; and what would narrow it. */
import { computed } from 'vue';
import { figureText, type FigureTolerance } from '@hand-ladle/core';
import { useBench } from '../state/bench';
import { usePrompts } from '../state/prompts';
import { type Data, type Layout, token } from '../ui/plot/plot';
import PlotPicture from '../ui/plot/PlotPicture.vue';

const bench = useBench();
const prompts = usePrompts();
const label = computed(() => bench.worksheet!.label);
/** Drawn where there is a band and something is declared: shares of what is declared, so that all stand on one scale. */
const rows = computed(() =>
  label.value.tolerances.filter(({ band, declared }) => band !== null && declared > 0),
);
const share = (value: number, { declared }: FigureTolerance): number => (value / declared) * 100;
/** The picture ends here; what goes further is said in the table. */
const MOST_SHARE = 220;
const clipped = (value: number): number => Math.min(MOST_SHARE, Math.max(0, value));
const keyOf = (row: FigureTolerance): string => row.name;

const data = computed<Data[]>(() => [
  {
    type: 'bar',
    orientation: 'h',
    name: 'lawful',
    y: rows.value.map(keyOf),
    base: rows.value.map((row) => clipped(share(row.band!.low ?? 0, row))),
    x: rows.value.map(
      (row) => clipped(share(row.band!.high ?? Infinity, row)) - clipped(share(row.band!.low ?? 0, row)),
    ),
    marker: { color: token('rim-wash'), line: { color: token('rim'), width: 1 } },
    width: 0.62,
    hoverinfo: 'skip',
  } as Data,
  {
    type: 'scatter',
    mode: 'markers',
    name: 'declared',
    y: rows.value.map(keyOf),
    x: rows.value.map(() => 100),
    marker: { symbol: 'line-ns', size: 16, line: { width: 2, color: token('ink') } },
    hoverinfo: 'skip',
  },
  {
    type: 'scatter',
    mode: 'markers',
    name: 'may hold',
    y: rows.value.map(keyOf),
    x: rows.value.map((row) => clipped(share(row.value, row))),
    marker: { symbol: 'circle', size: 9, color: token('ink') },
    error_x: {
      type: 'data',
      symmetric: false,
      array: rows.value.map(
        (row) => clipped(share(row.high ?? Infinity, row)) - clipped(share(row.value, row)),
      ),
      arrayminus: rows.value.map((row) => clipped(share(row.value, row)) - clipped(share(row.low, row))),
      thickness: 2.5,
      width: 5,
      color: token('ink'),
    },
    hoverinfo: 'skip',
  },
]);
const layout = computed<Partial<Layout>>(() => ({
  margin: { l: 160, r: 16, t: 4, b: 40 },
  xaxis: {
    range: [0, MOST_SHARE],
    ticksuffix: ' %',
    title: { text: 'share of the figure on the label' },
    gridcolor: token('hairline'),
    fixedrange: true,
    zeroline: false,
  },
  yaxis: { autorange: 'reversed', fixedrange: true },
}));
const WORDS = {
  inside: 'inside',
  partly: 'may leave it',
  outside: 'outside',
  unknown: 'not known: lines are missing',
  'no band': 'no band',
} as const;
const text = (value: number): string => figureText(value, value >= 100 ? 0 : value >= 10 ? 1 : 2);
const bandText = ({ band, unit }: FigureTolerance): string => {
  if (!band) return '';
  if (band.low !== null && band.high !== null) return `${text(band.low)} to ${text(band.high)} ${unit}`;
  return band.low === null ? `at most ${text(band.high!)} ${unit}` : `at least ${text(band.low)} ${unit}`;
};
const foodOf = (lineId: string | null): string | null =>
  bench.worksheet!.lines.find(({ id }) => id === lineId)?.foodId ?? null;
function getPanel(lineId: string | null): void {
  const foodId = foodOf(lineId);
  if (foodId) prompts.packFoodId = foodId;
}
</script>

<template>
  <section class="plate rimmed" aria-label="Against the law's tolerance">
    <h2>The label against what the food may hold</h2>
    <PlotPicture
      v-if="rows.length > 0"
      :data="data"
      :layout="layout"
      :height="60 + rows.length * 30"
      label="Each label figure with the lawful band and the range of what a portion may hold; the table below has the figures"
    />
    <p class="soft">
      Box: what the law lets the food hold. Stroke: the figure on the label. Point and whiskers: what was
      worked out and how far it may be off.
    </p>
    <div class="wide">
      <table class="sheet-table">
        <thead>
          <tr>
            <th scope="col">Per {{ rows[0]?.per ?? 'portion' }}</th>
            <th scope="col" class="right">label</th>
            <th scope="col" class="right">may hold</th>
            <th scope="col">lawful</th>
            <th scope="col">so</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in label.tolerances" :key="row.id">
            <th scope="row">{{ row.name }}</th>
            <td class="right">{{ text(row.declared) }} {{ row.unit }}</td>
            <td class="right">{{ text(row.low) }} to {{ row.high === null ? '?' : text(row.high) }}</td>
            <td :title="row.band?.rule">{{ bandText(row) }}</td>
            <td :class="{ amber: row.standing !== 'inside' && row.standing !== 'no band' }">
              {{ WORDS[row.standing] }}
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <template v-if="label.narrowings.length > 0">
      <h3>What would narrow it most</h3>
      <ul>
        <li v-for="each in label.narrowings" :key="`${each.act}${each.lineId}`">
          <b>{{ Math.round(each.share * 100) }} %</b>
          <template v-if="each.act === 'weigh the batch'">
            Weigh the finished batch once.
            <RouterLink class="choice" :to="`/dishes/${bench.recipe!.id}`">To the batch</RouterLink>
          </template>
          <template v-else-if="each.act === 'get the panel'">
            Get the nutrition panel of {{ each.name.toLowerCase() }}.
            <button class="choice" type="button" @click="getPanel(each.lineId)">Record its pack</button>
          </template>
          <template v-else>
            Weigh {{ each.name.toLowerCase() }} once.
            <RouterLink class="choice" :to="`/dishes/${bench.recipe!.id}`">To its line</RouterLink>
          </template>
        </li>
      </ul>
    </template>
  </section>
</template>

<style scoped>
h3 {
  margin: var(--space-3) 0 var(--space-1);
  font-size: var(--text-m);
}

li {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2);
  align-items: center;
  padding: 4px 0;
}

.soft {
  font-size: var(--text-s);
}

.amber {
  color: var(--amber);
  font-weight: 600;
}
</style>
