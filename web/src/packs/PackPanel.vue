<script setup lang="ts">
/** The nutrition panel of a pack, per 100 g as printed; what is left empty stays with the reference figure. */
import { computed } from 'vue';
import { type NutrientId, type Pack, SALT_PER_SODIUM, typedFigure } from '@hand-ladle/core';
import { useBook } from '../state/book';
import { vTyped } from '../ui/typed';

const panel = defineModel<Pack['panel']>({ required: true });
const book = useBook();

const isEu = computed(() => book.kitchen?.regime === 'eu');
const FIELDS: readonly (readonly [NutrientId, string])[] = [
  ['fatG', 'Fat, g'],
  ['saturatesG', 'Saturates, g'],
  ['sugarsG', 'Sugars, g'],
  ['fibreG', 'Fibre, g'],
  ['proteinG', 'Protein, g'],
];

function set(id: NutrientId, value: number | null): void {
  const next: Partial<Record<NutrientId, number>> = { ...panel.value };
  if (value === null) delete next[id];
  else next[id] = value;
  panel.value = next;
}

const typed = (event: Event): number | null => typedFigure((event.target as HTMLInputElement).value);

/** European panels print what is available, without fibre; ours hold the whole. */
const printedCarbohydrate = computed(() => {
  const total = panel.value.carbohydrateG;
  if (total === undefined) return '';
  return String(Math.round((isEu.value ? total - (panel.value.fibreG ?? 0) : total) * 100) / 100);
});
function setCarbohydrate(value: number | null): void {
  set('carbohydrateG', value === null ? null : isEu.value ? value + (panel.value.fibreG ?? 0) : value);
}
function setFibre(value: number | null): void {
  const printed = typedFigure(printedCarbohydrate.value);
  set('fibreG', value);
  if (printed !== null) setCarbohydrate(printed);
}
const printedSalt = computed(() => {
  const sodium = panel.value.sodiumMg;
  if (sodium === undefined) return '';
  return String(isEu.value ? Math.round((sodium / 1000) * SALT_PER_SODIUM * 1000) / 1000 : sodium);
});
function setSalt(value: number | null): void {
  set('sodiumMg', value === null ? null : isEu.value ? (value / SALT_PER_SODIUM) * 1000 : value);
}
</script>

<template>
  <details>
    <summary>Its nutrition panel, per 100 g ({{ Object.keys(panel).length }} entered)</summary>
    <div class="panel">
      <label v-for="[id, name] in FIELDS" :key="id"
        >{{ name }}
        <input
          v-typed="panel[id] ?? ''"
          class="field"
          inputmode="decimal"
          size="5"
          @change="id === 'fibreG' ? setFibre(typed($event)) : set(id, typed($event))"
      /></label>
      <label
        >Carbohydrate, g
        <input
          v-typed="printedCarbohydrate"
          class="field"
          inputmode="decimal"
          size="5"
          @change="setCarbohydrate(typed($event))"
      /></label>
      <label
        >{{ isEu ? 'Salt, g' : 'Sodium, mg' }}
        <input
          v-typed="printedSalt"
          class="field"
          inputmode="decimal"
          size="5"
          @change="setSalt(typed($event))"
      /></label>
    </div>
  </details>
</template>

<style scoped>
summary {
  min-height: 36px;
  display: flex;
  align-items: center;
  cursor: pointer;
  color: var(--rim);
  font-weight: 560;
}

.panel {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(110px, 1fr));
  gap: var(--space-2);
}

label {
  display: grid;
  gap: 3px;
  font-size: var(--text-s);
  font-weight: 560;
}

.field {
  min-width: 0;
}
</style>
