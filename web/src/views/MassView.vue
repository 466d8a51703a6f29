<script setup lang="ts">
/** Where every gram goes: from the store through the pot to the portions, as a picture and as figures that close. */
import { computed } from 'vue';
import { fixedText, gramsText, roundToDecimals, type WorksheetLine } from '@hand-ladle/core';
import PlotPicture from '../components/PlotPicture.vue';
import { token, type Data } from '../plot';
import { useBench } from '../stores/bench';
import { usePrompts } from '../stores/prompts';

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
  const { steamGrams, lostGrams, finishedGrams } = mass.value;
  return [
    { from: 'From the store', to: 'Trimmed off', grams: trimmedGrams },
    { from: 'From the store', to: 'Drained off', grams: drainedGrams },
    { from: 'From the store', to: 'In the pot', grams: purchasedGrams - trimmedGrams - drainedGrams },
    { from: 'Components', to: 'In the pot', grams: componentGrams },
    { from: 'Water', to: 'In the pot', grams: waterGrams },
    { from: 'Not written down', to: 'In the pot', grams: -lostGrams },
    { from: 'In the pot', to: 'Portions', grams: finishedGrams },
    { from: 'In the pot', to: 'Steam', grams: steamGrams },
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
    : line.follows === 'water' || line.technique
      ? 'tap'
      : gramsText(line.purchasedGrams);
const cooked = (line: WorksheetLine): string =>
  line.cookedGrams === null ? 'not measured' : `${gramsText(line.cookedGrams)}, ${line.cookingMethod}`;
const rows = computed(
  () =>
    [
      ['From the store, as purchased', mass.value.purchasedGrams],
      ['Components', mass.value.componentGrams],
      ['Water, what is taken up too', mass.value.waterGrams],
      ['Trimmed off', -mass.value.trimmedGrams],
      ['Drained off', -mass.value.drainedGrams],
    ] as const,
);
const after = computed(
  () =>
    [
      ['Steam', -mass.value.steamGrams],
      [mass.value.lostGrams < 0 ? 'Not written down' : 'Left on pots and spoons', -mass.value.lostGrams],
    ] as const,
);
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
      <table class="sheet-table" data-testid="balance">
        <tbody>
          <tr v-for="[name, grams] in rows.filter((row) => row[1] !== 0)" :key="name">
            <th scope="row">{{ name }}</th>
            <td class="right">
              <button
                v-if="name.startsWith('Water')"
                class="why-figure"
                type="button"
                @click="prompts.whyFigure = 'water'"
              >
                {{ signed(grams) }}<span class="unseen">. Why?</span>
              </button>
              <template v-else>{{ signed(grams) }}</template>
            </td>
          </tr>
          <tr class="sum">
            <th scope="row">In the pot</th>
            <td class="right">{{ gramsText(mass.putInGrams) }}</td>
          </tr>
          <tr v-for="[name, grams] in after" :key="name">
            <th scope="row">{{ name }}</th>
            <td class="right">
              <button
                class="why-figure"
                type="button"
                @click="prompts.whyFigure = name === 'Steam' ? 'steam' : 'finished'"
              >
                {{ signed(grams) }}<span class="unseen">. Why?</span>
              </button>
            </td>
          </tr>
        </tbody>
        <tfoot>
          <tr>
            <th scope="row">Finished</th>
            <td class="right">
              <button class="why-figure" type="button" @click="prompts.whyFigure = 'finished'">
                {{ gramsText(mass.finishedGrams) }}<span class="unseen">. Why?</span>
              </button>
            </td>
          </tr>
        </tfoot>
      </table>
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
  grid-template-columns: minmax(0, 1.7fr) minmax(280px, 1fr);
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

.sum > * {
  border-top: 1.5px solid var(--ink-soft);
  font-weight: 680;
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
