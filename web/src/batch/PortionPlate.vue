<script setup lang="ts">
/** What one portion holds, with the share of a daily value as a bar where the law gives one. */
import { computed } from 'vue';
import {
  EU_REFERENCE_INTAKES,
  type FactId,
  fixedText,
  roundToDecimals,
  US_DAILY_VALUES,
} from '@hand-ladle/core';
import { useBench } from '../state/bench';

const bench = useBench();
const sheet = computed(() => bench.worksheet!);
const missing = computed(() => new Set<string>(sheet.value.nutrition.missing.map(({ id }) => id)));

const ROWS: { id: FactId; name: string; unit: string; decimals: number }[] = [
  { id: 'energyKcal', name: 'Energy', unit: 'kcal', decimals: 0 },
  { id: 'proteinG', name: 'Protein', unit: 'g', decimals: 1 },
  { id: 'fatG', name: 'Fat', unit: 'g', decimals: 1 },
  { id: 'saturatesG', name: 'saturates', unit: 'g', decimals: 1 },
  { id: 'carbohydrateG', name: 'Carbohydrate', unit: 'g', decimals: 1 },
  { id: 'sugarsG', name: 'sugars', unit: 'g', decimals: 1 },
  { id: 'fibreG', name: 'Fibre', unit: 'g', decimals: 1 },
  { id: 'sodiumMg', name: 'Sodium', unit: 'mg', decimals: 0 },
  { id: 'saltG', name: 'as salt', unit: 'g', decimals: 2 },
  { id: 'potassiumMg', name: 'Potassium', unit: 'mg', decimals: 0 },
];

/** Daily value of a figure: the US one, which covers fibre, sodium and potassium too; energy against 2000 kcal. */
function dailyValue(id: FactId): number | null {
  if (id === 'energyKcal') return 2000;
  if (id === 'saltG') return EU_REFERENCE_INTAKES.saltG;
  if (id === 'sugarsG') return EU_REFERENCE_INTAKES.sugarsG;
  return id in US_DAILY_VALUES ? US_DAILY_VALUES[id as keyof typeof US_DAILY_VALUES] : null;
}

const rows = computed(() =>
  ROWS.map((row) => {
    const value = sheet.value.nutrition.perPortion[row.id];
    const daily = dailyValue(row.id);
    return {
      ...row,
      text: fixedText(value, row.decimals),
      isMissing: missing.value.has(row.id),
      share: daily === null ? null : value / daily,
    };
  }),
);
</script>

<template>
  <section class="plate" aria-label="One portion">
    <h2>One portion, {{ roundToDecimals(sheet.portionGrams, 0) }} g <span>of a day</span></h2>
    <table>
      <tbody>
        <tr v-for="row in rows" :key="row.id" :class="{ under: row.name === row.name.toLowerCase() }">
          <th scope="row">{{ row.name }}</th>
          <td class="figure">
            {{ row.isMissing ? '≥ ' : '' }}{{ row.text }}<span class="unit">&nbsp;{{ row.unit }}</span>
          </td>
          <td class="bar">
            <span
              v-if="row.share !== null"
              :aria-label="`${roundToDecimals(row.share * 100, 0)} % of a day`"
              role="img"
            >
              <i :style="{ width: `${Math.min(100, row.share * 100)}%` }" />
            </span>
          </td>
          <td class="share">{{ row.share === null ? '' : `${roundToDecimals(row.share * 100, 0)} %` }}</td>
        </tr>
      </tbody>
    </table>
    <p v-if="missing.size > 0" class="soft">≥ means at least: some lines are not known yet.</p>
  </section>
</template>

<style scoped>
h2 {
  display: flex;
  justify-content: space-between;
}

table {
  width: 100%;
  border-collapse: collapse;
}

th {
  text-align: left;
  font-weight: 450;
  padding: 2px 0;
}

.under th {
  padding-left: 12px;
  font-size: var(--text-s);
  color: var(--ink-soft);
}

.figure {
  text-align: right;
  font-weight: 680;
  padding-right: 10px;
}

.under .figure {
  font-weight: 520;
}

.bar {
  width: 56px;
}

.bar span {
  display: block;
  height: 6px;
  background: var(--track);
  border-radius: 3px;
  overflow: hidden;
}

.bar i {
  display: block;
  height: 100%;
  background: var(--rim);
}

.share {
  width: 3.1em;
  text-align: right;
  font-size: var(--text-s);
  color: var(--ink-soft);
  white-space: nowrap;
}

p {
  margin-top: var(--space-2);
  font-size: var(--text-s);
}
</style>
