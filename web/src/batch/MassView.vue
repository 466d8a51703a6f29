<script setup lang="ts">
/** Where every gram goes: from the store through the pot to the portions, as a picture and as figures that close. */
import { computed } from 'vue';
import {
  type FigureId,
  fixedText,
  gramsText,
  type MatterFlow,
  type MatterRow,
  roundToDecimals,
  WATER_ID,
  type WorksheetLine,
} from '@hand-ladle/core';
import { useBench } from '../state/bench';
import { usePrompts } from '../state/prompts';
import { type Data, token } from '../ui/plot/plot';
import PlotPicture from '../ui/plot/PlotPicture.vue';

const bench = useBench();
const prompts = usePrompts();
const sheet = computed(() => bench.worksheet!);
const mass = computed(() => sheet.value.massBalance);

interface Flow {
  from: string;
  to: string;
  grams: number;
}

/** The flows that are in this batch; a yield that was weighed above what went in comes from something not written. */
const flows = computed((): Flow[] => {
  const { purchasedGrams, componentGrams, waterGrams, trimmedGrams, drainedGrams } = mass.value;
  const { steamGrams, lostGrams, finishedGrams, pouredOffGrams, leftInPanGrams, strainedGrams } = mass.value;
  return [
    { from: 'From the store', to: 'Trimmed off', grams: trimmedGrams },
    { from: 'From the store', to: 'Drained off', grams: drainedGrams },
    { from: 'From the store', to: 'In the pot', grams: purchasedGrams - trimmedGrams - drainedGrams },
    { from: 'Components', to: 'In the pot', grams: componentGrams },
    { from: 'Water', to: 'In the pot', grams: waterGrams },
    { from: 'Not written down', to: 'In the pot', grams: -lostGrams },
    { from: 'In the pot', to: 'Portions', grams: finishedGrams },
    { from: 'In the pot', to: 'Steam', grams: steamGrams },
    { from: 'In the pot', to: 'Poured off', grams: pouredOffGrams },
    { from: 'In the pot', to: 'Oil left in the pan', grams: leftInPanGrams },
    { from: 'In the pot', to: 'Left in the sieve', grams: strainedGrams },
    { from: 'In the pot', to: 'Left on pots and spoons', grams: lostGrams },
  ].filter(({ grams }) => grams > 0.05);
});

const picture = computed((): Data[] => {
  const names = [...new Set(flows.value.flatMap(({ from, to }) => [from, to]))];
  const inOf = (name: string) => flows.value.filter(({ to }) => to === name);
  const outOf = (name: string) => flows.value.filter(({ from }) => from === name);
  const sum = (list: readonly Flow[]): number => list.reduce((all, { grams }) => all + grams, 0);
  const rim = token('rim');
  const quiet = token('track');
  const isKept = (name: string): boolean => name === 'In the pot' || name === 'Portions';
  return [
    {
      type: 'sankey',
      orientation: 'h',
      arrangement: 'snap',
      node: {
        label: names.map((name) => `${name}  ${gramsText(Math.max(sum(inOf(name)), sum(outOf(name))))}`),
        color: names.map((name) => (isKept(name) ? rim : token('ink-soft'))),
        pad: 22,
        thickness: 16,
        line: { width: 0 },
        hoverinfo: 'skip',
      },
      link: {
        source: flows.value.map(({ from }) => names.indexOf(from)),
        target: flows.value.map(({ to }) => names.indexOf(to)),
        value: flows.value.map(({ grams }) => roundToDecimals(grams / 1000, 4)),
        color: flows.value.map(({ to }) => (isKept(to) ? '#b6c2e0' : quiet)),
        hoverinfo: 'skip',
      },
    } as unknown as Data,
  ];
});
const layout = { margin: { l: 4, r: 4, t: 8, b: 8 } };
const said = computed(() =>
  flows.value.map(({ from, to, grams }) => `${from} to ${to}: ${gramsText(grams)}`).join('; '),
);

const purchased = (line: WorksheetLine): string =>
  line.purchasedGrams === null
    ? 'not known'
    : line.foodId === WATER_ID || line.technique
      ? 'tap'
      : line.purchasedGrams === 0
        ? 'in its tin'
        : gramsText(line.purchasedGrams);
const cooked = (line: WorksheetLine): string =>
  line.cookedGrams === null ? 'not measured' : `${gramsText(line.cookedGrams)}, ${line.cookingMethod}`;
/** Flows of matter in words, and what answers "why?". */
const FLOW_WORDS: Readonly<Record<MatterFlow, string>> = {
  store: 'From the store, as purchased',
  components: 'Components',
  water: 'Water, what is taken up too',
  trimmed: 'Trimmed off',
  drained: 'Drained from tins',
  'soaking-water': 'Soaking water',
  'poured-off': 'Poured off, rinsed or pressed out',
  'left-in-pan': 'Oil left in the pan',
  'strained-out': 'Left in the sieve',
  steam: 'Steam',
  lost: 'Left on pots and spoons',
  finished: 'Finished',
};
const WHY: Readonly<Partial<Record<MatterFlow, FigureId>>> = {
  water: 'water',
  steam: 'steam',
  lost: 'finished',
  finished: 'finished',
};
const MEASURES = ['waterGrams', 'dryGrams', 'fatGrams', 'saltGrams'] as const;
const rows = computed(() =>
  mass.value.rows.filter(
    ({ flow, grams, saltGrams }) =>
      flow !== 'finished' && (Math.abs(grams) > 0.05 || Math.abs(saltGrams) > 0.005),
  ),
);
const finished = computed(() => mass.value.rows.find(({ flow }) => flow === 'finished')!);
const wordsOf = ({ flow, grams }: MatterRow): string =>
  flow === 'lost' && grams < 0 ? 'Not written down' : FLOW_WORDS[flow];
const amountOf = (row: MatterRow, measure: 'grams' | (typeof MEASURES)[number]): string => {
  const grams = row.isIn ? row[measure] : -row[measure];
  return Math.abs(grams) < 0.005 ? '0 g' : signed(grams);
};
const signed = (grams: number): string => `${grams < 0 ? '− ' : ''}${gramsText(Math.abs(grams))}`;
</script>

<template>
  <div class="page">
    <section class="plate picture">
      <h2>From the store to {{ fixedText(sheet.portions, 0) }} portions</h2>
      <PlotPicture :data="picture" :layout="layout" :label="`Flow of mass. ${said}`" :height="330" />
    </section>
    <section class="plate">
      <h2>The balance</h2>
      <div class="scrolls">
        <table class="sheet-table" data-testid="balance">
          <thead>
            <tr>
              <th scope="col">Flow</th>
              <th scope="col" class="right">Weight</th>
              <th scope="col" class="right">Water</th>
              <th scope="col" class="right">Dry matter</th>
              <th scope="col" class="right">of it fat</th>
              <th scope="col" class="right">of it salt</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="row in rows" :key="row.flow">
              <th scope="row">{{ wordsOf(row) }}</th>
              <td class="right">
                <button
                  v-if="WHY[row.flow]"
                  class="why-figure"
                  type="button"
                  @click="prompts.whyFigure = WHY[row.flow]!"
                >
                  {{ amountOf(row, 'grams') }}<span class="unseen">. Why?</span>
                </button>
                <template v-else>{{ amountOf(row, 'grams') }}</template>
              </td>
              <td v-for="measure in MEASURES" :key="measure" class="right part">
                {{ amountOf(row, measure) }}
              </td>
            </tr>
          </tbody>
          <tfoot>
            <tr>
              <th scope="row">Finished</th>
              <td class="right">
                <button class="why-figure" type="button" @click="prompts.whyFigure = 'finished'">
                  {{ gramsText(finished.grams) }}<span class="unseen">. Why?</span>
                </button>
              </td>
              <td v-for="measure in MEASURES" :key="measure" class="right part">
                {{ gramsText(finished[measure]) }}
              </td>
            </tr>
          </tfoot>
        </table>
      </div>
      <p class="soft range">
        {{ sheet.isYieldMeasured ? 'The home yield was weighed' : 'A prediction' }}:
        {{ gramsText(sheet.finishedLowGrams) }} to {{ gramsText(sheet.finishedHighGrams) }}.
      </p>
    </section>
    <section class="plate lines">
      <h2>The standardized recipe</h2>
      <table class="sheet-table">
        <thead>
          <tr>
            <th scope="col">Line</th>
            <th scope="col" class="right">As purchased</th>
            <th scope="col" class="right">Edible portion</th>
            <th scope="col" class="right">Cooked</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="line in sheet.lines" :key="line.id">
            <th scope="row">{{ line.name }}</th>
            <td class="right">{{ purchased(line) }}</td>
            <td class="right">
              <b>{{ line.batchGrams === null ? 'not known' : gramsText(line.batchGrams) }}</b>
            </td>
            <td class="right" :class="{ soft: line.cookedGrams === null }">{{ cooked(line) }}</td>
          </tr>
        </tbody>
        <tfoot>
          <tr>
            <th scope="row">
              {{ fixedText(sheet.portions, 0) }} portions of {{ fixedText(sheet.portionGrams, 0) }} g
            </th>
            <td class="right">{{ gramsText(mass.purchasedGrams) }}</td>
            <td class="right">{{ gramsText(mass.putInGrams) }}</td>
            <td class="right">{{ gramsText(mass.finishedGrams) }}</td>
          </tr>
        </tfoot>
      </table>
      <p v-if="sheet.servings.length > 1" class="soft">
        <template v-for="each in sheet.servings" :key="each.name">
          {{ each.name }}: {{ fixedText(each.portions, 0) }} × {{ fixedText(each.portionGrams, 0) }} g,
          {{ fixedText(each.energyKcal, 0) }} kcal and {{ fixedText(each.proteinG, 1) }} g protein each.
        </template>
      </p>
    </section>
  </div>
</template>

<style scoped>
.page {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1.15fr);
  gap: var(--space-3);
  align-items: start;
}

.lines {
  grid-column: 1 / -1;
  overflow-x: auto;
}

.plate {
  border-top: 4px solid var(--rim);
}

.plate h2 {
  font-size: var(--text-l);
  color: var(--ink);
}

.scrolls {
  overflow-x: auto;
}

.part {
  color: var(--ink-soft);
}

.range {
  margin-top: var(--space-2);
  font-size: var(--text-s);
}

@media (max-width: 900px) {
  .page {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
