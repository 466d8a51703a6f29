<script setup lang="ts">
/** One portion: what is in it and how sure that is, where it comes from, the plate, the kitchen's wants, the label's band. */
import { computed, ref } from 'vue';
import {
  type FactId,
  fixedText,
  mineralTextEu,
  NUTRIENT_NAMES,
  type NutrientId,
  roundToDecimals,
} from '@hand-ladle/core';
import { useBench } from '../state/bench';
import ContributionPlate from './ContributionPlate.vue';
import PlateReview from './PlateReview.vue';
import TargetFixes from './TargetFixes.vue';
import TolerancePlate from './TolerancePlate.vue';
import WhatIfPlate from './WhatIfPlate.vue';

const bench = useBench();
const sheet = computed(() => bench.worksheet!);
const missing = computed(
  () => new Map(sheet.value.nutrition.missing.map(({ id, lineIds }) => [id as string, lineIds])),
);

interface Row {
  id: FactId;
  name: string;
  unit: string;
  from: NutrientId | null;
  decimals: number;
}
const row = (
  id: FactId,
  name: string,
  unit: string,
  decimals: number,
  from: NutrientId | null = null,
): Row => ({
  id,
  name,
  unit,
  decimals,
  from,
});
const ROWS: readonly Row[] = [
  row('energyKcal', 'Energy', 'kcal', 0),
  row('energyKj', 'Energy', 'kJ', 0),
  row('proteinG', 'Protein', 'g', 1, 'proteinG'),
  row('fatG', 'Fat', 'g', 1, 'fatG'),
  row('saturatesG', 'of which saturates', 'g', 1, 'saturatesG'),
  row('carbohydrateG', 'Carbohydrate, total', 'g', 1, 'carbohydrateG'),
  row('availableCarbohydrateG', 'Carbohydrate, available', 'g', 1),
  row('sugarsG', 'of which sugars', 'g', 1, 'sugarsG'),
  row('addedSugarsG', 'of which added sugars', 'g', 1, 'addedSugarsG'),
  row('fibreG', 'Fibre', 'g', 1, 'fibreG'),
  row('alcoholG', 'Alcohol left', 'g', 1, 'alcoholG'),
  row('sodiumMg', 'Sodium', 'mg', 0, 'sodiumMg'),
  row('saltG', 'Salt (sodium x 2.5)', 'g', 2),
  row('potassiumMg', 'Potassium', 'mg', 0, 'potassiumMg'),
  row('calciumMg', 'Calcium', 'mg', 0, 'calciumMg'),
  row('ironMg', 'Iron', 'mg', 1, 'ironMg'),
  row('vitaminDUg', 'Vitamin D', 'µg', 1, 'vitaminDUg'),
];
/** Minerals and vitamins not printed, told on demand and rounded as the EU rounds them. */
const MORE: readonly Row[] = (
  [
    'magnesiumMg',
    'zincMg',
    'phosphorusMg',
    'iodineUg',
    'vitaminAUg',
    'vitaminCMg',
    'vitaminEMg',
    'vitaminKUg',
    'vitaminB12Ug',
    'folateUg',
    'alaG',
  ] as const
).map((id) => row(id, NUTRIENT_NAMES[id].name, NUTRIENT_NAMES[id].unit, 1, id));
const isAll = ref(false);
const rows = computed(() =>
  [...ROWS, ...(isAll.value ? MORE : [])].filter(
    ({ id }) => id !== 'alcoholG' || sheet.value.nutrition.perPortion.alcoholG > 0,
  ),
);
const figure = ({ id, decimals }: Row, value: number): string =>
  MORE.some((each) => each.id === id) ? mineralTextEu(id, value) : fixedText(value, decimals);

const nutrient = ref<NutrientId>('proteinG');
const changing = ref<string | null>(null);
const lacking = (id: string): string => {
  const ids = missing.value.get(id) ?? [];
  const names = ids.map((each) => sheet.value.lines.find((line) => line.id === each)?.name ?? each);
  if (names.length === 0) return '';
  return `${names.length} ${names.length === 1 ? 'line' : 'lines'} unknown: ${names.join(', ')}`;
};
const rangeOf = (each: Row): string => {
  const { low, high } = sheet.value.nutrition.ranges[each.id];
  const top = missing.value.has(each.id) ? 'more' : figure(each, high);
  return high > 0 ? `${figure(each, low)} to ${top}` : '';
};
</script>

<template>
  <div class="page">
    <div class="column">
      <section class="plate rimmed wide">
        <h2>What is in a portion</h2>
        <table>
          <thead>
            <tr>
              <th scope="col">Figure</th>
              <th scope="col" class="right">Portion, {{ roundToDecimals(sheet.portionGrams, 0) }} g</th>
              <th scope="col" class="right">may be</th>
              <th scope="col" class="right">100 g</th>
            </tr>
          </thead>
          <tbody>
            <template v-for="each in rows" :key="each.id">
              <tr :class="{ chosen: each.from === nutrient, under: each.name.startsWith('of which') }">
                <th scope="row">
                  <button
                    v-if="each.from"
                    type="button"
                    :aria-pressed="each.from === nutrient"
                    @click="nutrient = each.from"
                  >
                    {{ each.name }}
                  </button>
                  <span v-else>{{ each.name }}</span>
                </th>
                <td class="right strong">
                  {{ missing.has(each.id) ? '≥ ' : '' }}{{ figure(each, sheet.nutrition.perPortion[each.id])
                  }}<span class="unit">&nbsp;{{ each.unit }}</span>
                </td>
                <td class="right soft">{{ rangeOf(each) }}</td>
                <td class="right">
                  {{ missing.has(each.id) ? '≥ ' : '' }}{{ figure(each, sheet.nutrition.per100g[each.id])
                  }}<span class="unit">&nbsp;{{ each.unit }}</span>
                </td>
              </tr>
              <tr v-if="missing.has(each.id)" class="lacking">
                <td colspan="4">{{ lacking(each.id) }}</td>
              </tr>
            </template>
          </tbody>
        </table>
        <button class="choice plain" type="button" :aria-expanded="isAll" @click="isAll = !isAll">
          {{ isAll ? 'Fewer figures' : 'More minerals and vitamins' }}
        </button>
        <p class="soft">
          ≥ means at least: a missing figure is never counted as zero. What cooking takes is off (USDA
          retention factors, grouped), frying oil counts as far as it is taken up, alcohol as far as it is
          left. Energy by the factors of this kitchen's regime ({{
            bench.regime === 'us' ? '4-4-9, total carbohydrate' : 'EU Annex XIV, available carbohydrate'
          }}).
        </p>
      </section>
      <TargetFixes />
    </div>
    <div class="column">
      <ContributionPlate :nutrient="nutrient" @choose="changing = $event" />
      <WhatIfPlate v-if="changing" :line-id="changing" @done="changing = null" />
      <PlateReview />
    </div>
    <TolerancePlate class="whole" />
  </div>
</template>

<style scoped>
.page {
  display: grid;
  grid-template-columns: minmax(0, 1.1fr) minmax(0, 1fr);
  gap: var(--space-4);
  max-width: 1280px;
  margin: 0 auto;
  padding: 14px 20px var(--space-6);
  align-items: start;
}

.column {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: var(--space-4);
}

.whole {
  grid-column: 1 / -1;
}

table {
  width: 100%;
  border-collapse: collapse;
}

th,
td {
  height: 32px;
  padding: 0 10px 0 0;
  text-align: left;
  border-top: 1px solid var(--hairline);
  font-weight: 450;
}

thead th {
  border: 0;
  font-size: var(--text-s);
  color: var(--ink-soft);
}

th button {
  min-height: 31px;
  padding: 0;
  border: 0;
  background: none;
  color: var(--rim);
  font-weight: 560;
  text-align: left;
}

.under th {
  padding-left: 14px;
}

.chosen > * {
  background: var(--rim-wash);
}

.right {
  text-align: right;
  white-space: nowrap;
}

td.soft {
  font-size: var(--text-s);
}

.strong {
  font-weight: 680;
}

.lacking td {
  height: auto;
  padding-bottom: 4px;
  border-top: 0;
  color: var(--amber);
  font-size: var(--text-s);
}

p {
  margin-top: var(--space-3);
  font-size: var(--text-s);
}

@media (max-width: 900px) {
  .page {
    grid-template-columns: minmax(0, 1fr);
  }
}

@media (max-width: 760px) {
  .page {
    padding: var(--space-3);
  }
}
</style>
