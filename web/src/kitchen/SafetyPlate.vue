<script setup lang="ts">
/** What is measured for safety: limits of the kitchen's own, its cold places, what is done when a reading is out. */
import { ref, watch } from 'vue';
import { type Kitchen, type KitchenSafety, limitOf } from '@hand-ladle/core';
import SettingFigure from '../ui/SettingFigure.vue';

const props = defineProps<{ safety: KitchenSafety; kitchen: Kitchen }>();
const emit = defineEmits<{ change: [safety: KitchenSafety] }>();
const set = (fields: Partial<KitchenSafety>): void => emit('change', { ...props.safety, ...fields });

/** One a row; empty rows and doubles fall away. */
const rowsOf = (text: string): string[] => [
  ...new Set(
    text
      .split('\n')
      .map((row) => row.trim())
      .filter(Boolean),
  ),
];
const places = ref('');
const actions = ref('');
watch(
  () => props.safety,
  ({ coldPlaces, actions: acts }) => {
    places.value = coldPlaces.join('\n');
    actions.value = acts.join('\n');
  },
  { immediate: true },
);
const problem = ref('');
function setActions(): void {
  const rows = rowsOf(actions.value);
  problem.value = rows.length === 0 ? 'At least one: something must be done when a reading is out.' : '';
  if (problem.value === '') set({ actions: rows });
}
const OWN = [
  { field: 'coreCelsius', name: 'Cooked through and reheated, core', point: 'core', least: 60, most: 100 },
  { field: 'hotHoldCelsius', name: 'Hot holding', point: 'hot-hold', least: 50, most: 100 },
  { field: 'coldHoldCelsius', name: 'Cold holding', point: 'cold-hold', least: -5, most: 15 },
] as const;
</script>

<template>
  <section class="plate rimmed" aria-label="Critical points">
    <h2>Critical points</h2>
    <p class="soft">
      Limits are the law's where nothing stands here; one that is laxer is not taken. Local food law goes
      first.
    </p>
    <label v-for="each in OWN" :key="each.field"
      >{{ each.name }}, °C, if stricter than the law
      <SettingFigure
        :label="`${each.name}, own limit`"
        :value="safety[each.field]"
        :least="each.least"
        :most="each.most"
        empty="the law's"
        @set="set({ [each.field]: $event })"
      />
      <span class="soft">counts: {{ limitOf(each.point, '', { ...kitchen, safety })?.words }}</span>
    </label>
    <label
      >Frying oil, highest, °C
      <SettingFigure
        label="Frying oil, highest"
        :value="safety.oilMostCelsius"
        :least="160"
        :most="200"
        @set="$event !== null && set({ oilMostCelsius: $event })"
      />
    </label>
    <label
      >Records are kept, months at least
      <SettingFigure
        label="Months that records are kept"
        :value="safety.recordMonths"
        :least="1"
        :most="600"
        is-whole
        @set="$event !== null && set({ recordMonths: $event })"
      />
    </label>
    <label
      >Cold places of the fridge round, one a row
      <textarea v-model="places" class="field" rows="4" @change="set({ coldPlaces: rowsOf(places) })" />
    </label>
    <label
      >What is done when a reading is out, one a row
      <textarea v-model="actions" class="field" rows="7" @change="setActions" />
    </label>
    <p v-if="problem" class="wrong" role="alert">{{ problem }}</p>
  </section>
</template>

<style scoped>
label {
  display: grid;
  gap: 2px;
  margin-top: var(--space-3);
}

.wrong {
  color: var(--brick);
}
</style>
