<script setup lang="ts">
/** What the batch does to times and temperatures, with the look-test and the core to check; and how the dish will cool. */
import { computed, ref, shallowRef, watch } from 'vue';
import {
  type Cooling,
  type CoolingAnswer,
  figureText,
  gramsText,
  HEAT_LIMITS,
  ovenText,
  type StepTime,
  timeText,
} from '@hand-ladle/core';
import { useBench } from '../state/bench';
import FigureInput from '../ui/FigureInput.vue';
import { type Data, type Layout, token } from '../ui/plot/plot';
import PlotPicture from '../ui/plot/PlotPicture.vue';
import { ask } from '../worker/client';

const bench = useBench();
const sheet = computed(() => bench.worksheet!);
const steps = computed(() =>
  sheet.value.times.filter(({ minutes, oven, lookTest }) => minutes !== null || oven || lookTest !== ''),
);
const RULE_WORDS: Record<StepTime['rule'], string> = {
  same: 'stays',
  depth: 'by depth',
  reduced: 'by surface',
};
const heating = computed(() => sheet.value.stages.filter(({ heatUpMinutes }) => heatUpMinutes !== null));

/** Depth of a pan of food for cooling, millimetres, where the target names no pan: GN 65 mm, filled to its working fill. */
const USUAL_DEPTH = 55;
const DEPTHS = { least: 10, most: 200 };
const depthMm = ref<number | null>(null);
const depth = computed(() => {
  const asked =
    depthMm.value ?? Math.round(sheet.value.target.kind === 'pans' ? sheet.value.depthMm! : USUAL_DEPTH);
  return Math.min(DEPTHS.most, Math.max(DEPTHS.least, asked));
});
const limits = computed(() => HEAT_LIMITS[bench.regime]);

const cooling = shallowRef<CoolingAnswer | null>(null);
const isComputing = ref(true);
watch(
  [depth, () => bench.regime],
  async ([now, regime]) => {
    isComputing.value = true;
    const answer = await ask('cooling', { depthMm: now, regime });
    if (depth.value !== now || bench.regime !== regime) return;
    cooling.value = answer;
    isComputing.value = false;
  },
  { immediate: true },
);

const DASHES = ['solid', 'dash', 'dot', 'dashdot'] as const;
/** What the picture shows of time: a little more than the last limit. */
const mostMinutes = computed(() => {
  const last = Math.max(...limits.value.cooling.map(({ withinMinutes }) => withinMinutes));
  const start = Math.max(
    ...(cooling.value?.methods.map(({ cooling: each }) => each.clockStartMinutes) ?? [0]),
  );
  return Math.max(last * 1.5, last + start);
});

const hours = (minutes: number[]): number[] => minutes.map((each) => each / 60);
const picture = computed((): Data[] =>
  (cooling.value?.methods ?? []).map(({ method, cooling: { curve, clockStartMinutes } }, index): Data => ({
    type: 'scatter',
    mode: 'lines',
    name: method.name,
    // The clock of the limit starts when the core has fallen to the limit's first temperature.
    x: hours(curve.minutes.map((each) => each - clockStartMinutes)),
    y: curve.coreCelsius,
    line: { color: token('rim'), width: 3, dash: DASHES[index % DASHES.length]! },
    hovertemplate: `${method.name}: %{y:.0f} °C after %{x:.1f} h<extra></extra>`,
  })),
);
const layout = computed((): Partial<Layout> => {
  const brick = { color: token('brick'), width: 2.5 };
  const stages = limits.value.cooling;
  return {
    margin: { l: 48, r: 12, t: 34, b: 48 },
    showlegend: true,
    legend: { orientation: 'h', x: 0, y: 1.12 },
    xaxis: {
      title: { text: 'Hours from when the clock starts' },
      range: [-0.4, mostMinutes.value / 60],
      gridcolor: token('hairline'),
      zeroline: true,
      zerolinecolor: token('ink-soft'),
    },
    yaxis: { title: { text: 'Core, °C' }, range: [0, 92], gridcolor: token('hairline') },
    // Each limit is a wall and a sill: the curve must be under the sill before the wall.
    shapes: stages.flatMap(({ toCelsius, withinMinutes }) => [
      { type: 'line', x0: withinMinutes / 60, x1: withinMinutes / 60, y0: toCelsius, y1: 92, line: brick },
      {
        type: 'line',
        x0: withinMinutes / 60,
        x1: mostMinutes.value / 60,
        y0: toCelsius,
        y1: toCelsius,
        line: brick,
      },
    ]),
    annotations: [
      ...stages.map(({ toCelsius, withinMinutes }) => ({
        x: withinMinutes / 60,
        y: 88,
        text: `under ${toCelsius} °C by ${figureText(withinMinutes / 60, 1)} h`,
        showarrow: false,
        xanchor: 'left' as const,
        xshift: 5,
        font: { color: token('brick') },
      })),
    ],
  };
});

const minutesText = (minutes: number): string =>
  minutes >= 90 ? `${figureText(minutes / 60, 1)} h` : `${figureText(minutes, 0)} min`;

function verdict({ checks, passes }: Cooling): string {
  const worst = checks.find((each) => !each.passes) ?? checks[checks.length - 1]!;
  const took = worst.minutes === null ? 'not within a day' : `in ${minutesText(worst.minutes)}`;
  return passes
    ? `passes: ${worst.toCelsius} °C ${took}`
    : `too slow: ${worst.toCelsius} °C ${took}, not within ${minutesText(worst.withinMinutes)}`;
}
const deepest = (mm: number | null): string =>
  mm === null
    ? 'no depth passes; make the portions smaller or cool another way'
    : mm >= DEPTHS.most
      ? `passes down to ${DEPTHS.most} mm`
      : `${mm} mm is the deepest that passes`;
</script>

<template>
  <div class="page">
    <section class="plate">
      <h2>Times in this batch</h2>
      <p v-for="stage in heating" :key="stage.work" class="soft">
        {{ stage.machine!.name }}: about {{ minutesText(stage.heatUpMinutes!) }} to bring
        {{ gramsText(stage.loadGrams) }} up to heat, each load. Times count from when it simmers.
      </p>
      <div class="wide">
        <table class="sheet-table">
          <thead>
            <tr>
              <th scope="col">Step</th>
              <th scope="col" class="right">At home</th>
              <th scope="col">Here</th>
              <th scope="col">Until</th>
              <th scope="col" class="right">Core</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="step in steps" :key="step.stepId">
              <th scope="row">
                {{ step.text }}
                <span class="why">{{ step.why }}</span>
              </th>
              <td class="right">{{ step.homeMinutes === null ? '' : minutesText(step.homeMinutes) }}</td>
              <td>
                <b v-if="step.minutes !== null">{{ timeText(step) }}</b>
                <span v-if="step.minutes !== null" class="why">{{ RULE_WORDS[step.rule] }}</span>
                <span v-if="step.oven" class="oven">{{ ovenText(step) }}</span>
              </td>
              <td>{{ step.lookTest }}</td>
              <td class="right">{{ step.coreCelsius === null ? '' : `${step.coreCelsius} °C` }}</td>
            </tr>
          </tbody>
        </table>
      </div>
      <p v-if="steps.length === 0" class="soft">The steps tell no time and no look-test.</p>
    </section>
    <section class="plate">
      <h2>Cooling, estimated</h2>
      <p class="ask">
        <FigureInput
          label="Depth of the food in millimetres"
          :value="depth"
          :step="5"
          :decimals="0"
          :is-big="false"
          @set="depthMm = $event"
        />
        <span class="soft">mm of food in the pan, uncovered; {{ limits.coolingText }}</span>
      </p>
      <ul class="verdicts" data-testid="cooling" :aria-busy="isComputing">
        <li v-for="{ method, cooling: each, deepestMm } in cooling?.methods ?? []" :key="method.id">
          <b>{{ method.name }}</b>
          <span :class="each.passes ? 'passes' : 'fails'">{{ verdict(each) }}</span>
          <span class="soft">{{ deepest(deepestMm) }}</span>
        </li>
      </ul>
      <PlotPicture
        v-if="cooling"
        :data="picture"
        :layout="layout"
        label="Core temperature over time for each way of cooling, with the limits; the same figures stand in the list above"
        :height="340"
      />
      <p v-else class="soft" role="status">Working out how it cools …</p>
      <p class="soft note">
        One-dimensional conduction through still, watery food from 90 °C. Stirring, ice wands and shallow pans
        are faster, lids and stacked pans slower. Measure the core and write it down; your food safety officer
        and local law decide.
      </p>
    </section>
  </div>
</template>

<style scoped>
.page {
  display: grid;
  grid-template-columns: minmax(0, 1.25fr) minmax(0, 1fr);
  gap: var(--space-3);
  align-items: start;
}

.plate {
  border-top: 4px solid var(--rim);
}

.plate h2 {
  margin-bottom: var(--space-2);
  font-size: var(--text-l);
  color: var(--ink);
}

.sheet-table th[scope='row'] {
  max-width: 320px;
  font-weight: 520;
  line-height: 1.3;
  vertical-align: top;
}

.sheet-table td {
  vertical-align: top;
  padding-top: 6px;
}

.why {
  display: block;
  font-size: var(--text-s);
  font-weight: 450;
  color: var(--ink-soft);
}

.oven {
  display: block;
  font-weight: 620;
}

.ask {
  display: flex;
  align-items: baseline;
  gap: var(--space-2);
}

.ask :deep(input) {
  border-bottom: 2px solid var(--rim);
}

.verdicts {
  display: grid;
  gap: 6px;
  margin: var(--space-2) 0;
}

.verdicts li {
  display: flex;
  flex-wrap: wrap;
  gap: 0 var(--space-2);
}

.passes {
  color: var(--sage);
  font-weight: 640;
}

.fails {
  color: var(--brick);
  font-weight: 680;
}

.note {
  font-size: var(--text-s);
}

@media (max-width: 1100px) {
  .page {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
