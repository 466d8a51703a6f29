<script setup lang="ts">
/** Two foods side by side, figure by figure. */
import { computed } from 'vue';
import { type Food, NUTRIENT_NAMES, NUTRIENTS, type Substance, SUBSTANCE_NAMES } from '@hand-ladle/core';

const props = defineProps<{ foods: [Food, Food] }>();
const emit = defineEmits<{ leave: [] }>();

const text = (value: number | null): string => (value === null ? 'unknown' : String(value));
const rows = computed(() => {
  const [one, other] = props.foods;
  const figures = NUTRIENTS.map((id) => ({
    name: NUTRIENT_NAMES[id].name,
    unit: NUTRIENT_NAMES[id].unit,
    values: [one.composition[id], other.composition[id]] as const,
  }));
  return [
    { name: 'Energy, as stated', unit: 'kcal', values: [one.energyKcal, other.energyKcal] as const },
    ...figures,
  ];
});
/** The larger of the two as 100 %, for the hair under each figure. */
const share = (value: number | null, values: readonly (number | null)[]): number => {
  const most = Math.max(...values.map((each) => each ?? 0));
  return most > 0 ? ((value ?? 0) / most) * 100 : 0;
};
const brings = (food: Food): string =>
  Object.entries(food.allergens)
    .map(([id, status]) => `${status === 'contains' ? '' : `${status}: `}${SUBSTANCE_NAMES[id as Substance]}`)
    .join(', ') || (food.kind === 'single' ? 'nothing named' : 'its pack decides');
</script>

<template>
  <article class="comparison">
    <header>
      <h2>Side by side</h2>
      <button class="choice" type="button" @click="emit('leave')">Back to {{ foods[0].name }}</button>
    </header>
    <table>
      <thead>
        <tr>
          <th scope="col">In 100 g</th>
          <th v-for="food in foods" :key="food.id" scope="col" class="right">{{ food.name }}</th>
        </tr>
      </thead>
      <tbody>
        <tr>
          <th scope="row">Brings</th>
          <td v-for="food in foods" :key="food.id" class="right">{{ brings(food) }}</td>
        </tr>
        <tr v-for="row in rows" :key="row.name">
          <th scope="row">{{ row.name }}</th>
          <td v-for="(value, at) in row.values" :key="at" class="right figure">
            {{ text(value) }}<span v-if="value !== null" class="unit">&nbsp;{{ row.unit }}</span>
            <span class="hair" aria-hidden="true"
              ><i :style="{ width: `${share(value, row.values)}%` }"
            /></span>
          </td>
        </tr>
      </tbody>
    </table>
  </article>
</template>

<style scoped>
.comparison {
  padding: var(--space-4);
}

header {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  gap: var(--space-2);
}

h2 {
  font-size: var(--text-xl);
}

table {
  width: 100%;
  border-collapse: collapse;
  margin-top: var(--space-2);
}

th,
td {
  padding: 4px var(--space-2);
  border-bottom: 1px solid var(--hairline);
  text-align: left;
  font-weight: 450;
}

thead th {
  font-weight: 640;
}

.right {
  text-align: right;
  width: 30%;
}

td.figure {
  font-weight: 600;
}

.hair {
  display: block;
  height: 3px;
  margin-top: 2px;
  background: var(--track);
}

.hair i {
  display: block;
  height: 100%;
  background: var(--rim);
  margin-left: auto;
}
</style>
