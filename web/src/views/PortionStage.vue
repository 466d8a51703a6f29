<script setup lang="ts">
import { computed, ref, shallowRef, watch } from 'vue';
import {
  fixedText,
  NUTRIENT_NAMES,
  roundToDecimals,
  type Contribution,
  type FactId,
  type NutrientId,
} from '@hand-ladle/core';
import { useBench } from '../stores/bench';
import { ask } from '../worker/client';

const bench = useBench();
const sheet = computed(() => bench.worksheet!);
const missing = computed(
  () => new Map(sheet.value.nutrition.missing.map(({ id, lineIds }) => [id as string, lineIds])),
);

const ROWS: { id: FactId; name: string; unit: string; from: NutrientId | null; decimals: number }[] = [
  { id: 'energyKcal', name: 'Energy', unit: 'kcal', from: null, decimals: 0 },
  { id: 'energyKj', name: 'Energy', unit: 'kJ', from: null, decimals: 0 },
  { id: 'proteinG', name: 'Protein', unit: 'g', from: 'proteinG', decimals: 1 },
  { id: 'fatG', name: 'Fat', unit: 'g', from: 'fatG', decimals: 1 },
  { id: 'saturatesG', name: 'of which saturates', unit: 'g', from: 'saturatesG', decimals: 1 },
  { id: 'carbohydrateG', name: 'Carbohydrate, total', unit: 'g', from: 'carbohydrateG', decimals: 1 },
  { id: 'availableCarbohydrateG', name: 'Carbohydrate, available', unit: 'g', from: null, decimals: 1 },
  { id: 'sugarsG', name: 'of which sugars', unit: 'g', from: 'sugarsG', decimals: 1 },
  { id: 'addedSugarsG', name: 'of which added sugars', unit: 'g', from: 'addedSugarsG', decimals: 1 },
  { id: 'fibreG', name: 'Fibre', unit: 'g', from: 'fibreG', decimals: 1 },
  { id: 'sodiumMg', name: 'Sodium', unit: 'mg', from: 'sodiumMg', decimals: 0 },
  { id: 'saltG', name: 'Salt (sodium x 2.5)', unit: 'g', from: null, decimals: 2 },
  { id: 'potassiumMg', name: 'Potassium', unit: 'mg', from: 'potassiumMg', decimals: 0 },
  { id: 'calciumMg', name: 'Calcium', unit: 'mg', from: 'calciumMg', decimals: 0 },
  { id: 'ironMg', name: 'Iron', unit: 'mg', from: 'ironMg', decimals: 1 },
  { id: 'vitaminDUg', name: 'Vitamin D', unit: 'µg', from: 'vitaminDUg', decimals: 1 },
];

const nutrient = ref<NutrientId>('proteinG');
const parts = shallowRef<Contribution[]>([]);
watch(
  [nutrient, () => bench.worksheet],
  async () => {
    if (!bench.input) return;
    const { portionGrams } = sheet.value;
    parts.value = await ask('contributions', { ...bench.input, nutrient: nutrient.value, portionGrams });
  },
  { immediate: true },
);
const most = computed(() => Math.max(1e-9, ...parts.value.map(({ amount }) => amount ?? 0)));
const lacking = (id: string): string => {
  const ids = missing.value.get(id) ?? [];
  const names = ids.map((each) => sheet.value.lines.find((line) => line.id === each)?.name ?? each);
  return names.length > 0 ? `unknown: ${names.join(', ')}` : '';
};
const unit = computed(() => NUTRIENT_NAMES[nutrient.value].unit);
</script>

<template>
  <div class="page">
    <section class="plate">
      <h2>What is in a portion</h2>
      <table>
        <thead>
          <tr>
            <th scope="col">Figure</th>
            <th scope="col" class="right">Portion, {{ roundToDecimals(sheet.portionGrams, 0) }} g</th>
            <th scope="col" class="right">100 g</th>
            <th scope="col"><span class="unseen">What is missing</span></th>
          </tr>
        </thead>
        <tbody>
          <tr
            v-for="row in ROWS"
            :key="row.id"
            :class="{ chosen: row.from === nutrient, under: row.name.startsWith('of which') }"
          >
            <th scope="row">
              <button
                v-if="row.from"
                type="button"
                :aria-pressed="row.from === nutrient"
                @click="nutrient = row.from"
              >
                {{ row.name }}
              </button>
              <span v-else>{{ row.name }}</span>
            </th>
            <td class="right strong">
              {{ missing.has(row.id) ? '≥ ' : ''
              }}{{ fixedText(sheet.nutrition.perPortion[row.id], row.decimals)
              }}<span class="unit">&nbsp;{{ row.unit }}</span>
            </td>
            <td class="right">
              {{ missing.has(row.id) ? '≥ ' : ''
              }}{{ fixedText(sheet.nutrition.per100g[row.id], row.decimals)
              }}<span class="unit">&nbsp;{{ row.unit }}</span>
            </td>
            <td class="lacking">{{ lacking(row.id) }}</td>
          </tr>
        </tbody>
      </table>
      <p class="soft">
        ≥ means at least: a missing figure is never counted as zero. Energy by the factors of this kitchen's
        regime ({{
          bench.regime === 'us' ? '4-4-9, total carbohydrate' : 'EU Annex XIV, available carbohydrate'
        }}).
      </p>
    </section>
    <section class="plate">
      <h2>Where the {{ NUTRIENT_NAMES[nutrient].name.toLowerCase() }} comes from</h2>
      <ol>
        <li v-for="part in parts" :key="part.lineId">
          <span class="from">{{ part.name }}</span>
          <span class="bar" aria-hidden="true"
            ><i :style="{ width: `${((part.amount ?? 0) / most) * 100}%` }"
          /></span>
          <span class="figure">
            <template v-if="part.amount === null">unknown</template>
            <template v-else
              >{{ fixedText(part.amount, unit === 'mg' ? 0 : 1)
              }}<span class="unit">&nbsp;{{ unit }}</span></template
            >
          </span>
        </li>
      </ol>
    </section>
  </div>
</template>

<style scoped>
.page {
  display: grid;
  grid-template-columns: minmax(0, 1.2fr) minmax(0, 1fr);
  gap: var(--space-4);
  max-width: 1280px;
  margin: 0 auto;
  padding: 14px 20px var(--space-6);
  align-items: start;
}

.plate {
  border-top: 4px solid var(--rim);
  overflow-x: auto;
}

.plate h2 {
  font-size: var(--text-l);
  color: var(--ink);
}

table {
  width: 100%;
  border-collapse: collapse;
}

th,
td {
  height: 34px;
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
  min-height: 33px;
  padding: 0;
  border: 0;
  background: none;
  color: var(--rim);
  font-weight: 560;
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

.strong {
  font-weight: 680;
}

.lacking {
  color: var(--amber);
  font-size: var(--text-s);
}

p {
  margin-top: var(--space-3);
  font-size: var(--text-s);
}

li {
  display: grid;
  grid-template-columns: minmax(110px, 1fr) 1.4fr 76px;
  gap: var(--space-3);
  align-items: center;
  min-height: 34px;
  border-top: 1px solid var(--hairline);
}

.bar {
  height: 12px;
  background: var(--track);
}

.bar i {
  display: block;
  height: 100%;
  background: var(--rim);
}

li .figure {
  text-align: right;
  font-weight: 600;
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
