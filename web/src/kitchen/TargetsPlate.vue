<script setup lang="ts">
/** What the kitchen wants of a portion: at least, at most, for everybody or one group. */
import { computed, ref } from 'vue';
import { type DinerGroup, FACT_NAMES, type FactId, type NutrientTarget } from '@hand-ladle/core';
import SettingFigure from '../ui/SettingFigure.vue';

const props = defineProps<{ targets: readonly NutrientTarget[]; diners: readonly DinerGroup[] }>();
const emit = defineEmits<{ change: [targets: NutrientTarget[]] }>();
const FIGURES: readonly FactId[] = [
  'energyKcal',
  'proteinG',
  'fibreG',
  'fatG',
  'saturatesG',
  'sugarsG',
  'sodiumMg',
  'potassiumMg',
  'phosphorusMg',
  'calciumMg',
  'ironMg',
];
const figure = ref<FactId>('proteinG');
const rows = computed(() => props.targets.map((target, index) => ({ target, index })));
const replace = (index: number, fields: Partial<NutrientTarget>): void =>
  emit(
    'change',
    props.targets.map((each, at) => (at === index ? { ...each, ...fields } : each)),
  );
const add = (): void =>
  emit('change', [...props.targets, { figure: figure.value, min: null, max: null, dinerId: null }]);
const valueOf = (event: Event): string => (event.target as HTMLSelectElement).value;
</script>

<template>
  <section class="plate rimmed" aria-label="What a portion should hold">
    <h2>What a portion should hold</h2>
    <p v-if="targets.length === 0" class="soft">Nothing is asked of a portion yet.</p>
    <ul>
      <li v-for="{ target, index } in rows" :key="index">
        <b>{{ FACT_NAMES[target.figure].name }}, {{ FACT_NAMES[target.figure].unit }}</b>
        <label
          >at least
          <SettingFigure
            :label="`Least ${FACT_NAMES[target.figure].name}`"
            :value="target.min"
            @set="replace(index, { min: $event })"
          />
        </label>
        <label
          >at most
          <SettingFigure
            :label="`Most ${FACT_NAMES[target.figure].name}`"
            :value="target.max"
            @set="replace(index, { max: $event })"
          />
        </label>
        <label
          >for
          <select
            class="field"
            :value="target.dinerId ?? ''"
            @change="replace(index, { dinerId: valueOf($event) || null })"
          >
            <option value="">everybody</option>
            <option v-for="group in diners" :key="group.id" :value="group.id">{{ group.name }}</option>
          </select>
        </label>
        <button
          class="choice plain"
          type="button"
          @click="
            emit(
              'change',
              targets.filter((_, at) => at !== index),
            )
          "
        >
          Take out
        </button>
      </li>
    </ul>
    <form @submit.prevent="add">
      <label>
        <span class="unseen">Figure of a new target</span>
        <select v-model="figure" class="field">
          <option v-for="id in FIGURES" :key="id" :value="id">{{ FACT_NAMES[id].name }}</option>
        </select>
      </label>
      <button class="choice" type="submit">Add a target</button>
    </form>
  </section>
</template>

<style scoped>
li {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2) var(--space-3);
  align-items: center;
  padding: var(--space-2) 0;
  border-top: 1px solid var(--hairline);
  font-size: var(--text-s);
}

b {
  width: 150px;
}

label {
  display: flex;
  gap: var(--space-1);
  align-items: center;
}

form {
  display: flex;
  gap: var(--space-2);
  margin-top: var(--space-2);
}
</style>
