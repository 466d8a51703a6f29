<script setup lang="ts">
/** The scales of a kitchen: what each carries, and its step up to which weight. */
import type { Scale } from '@hand-ladle/core';
import SettingFigure from '../ui/SettingFigure.vue';
import { vTyped } from '../ui/typed';

const props = defineProps<{ scales: readonly Scale[] }>();
const emit = defineEmits<{ change: [scales: Scale[]] }>();

/** A band without an upper weight of its own goes as far as the scale carries. */
const OPEN_END = 1_000_000_000;

function set(id: string, fields: Partial<Scale>): void {
  emit(
    'change',
    props.scales.map((each) => (each.id === id ? { ...each, ...fields } : each)),
  );
}

function setBand(scale: Scale, index: number, fields: Partial<Scale['bands'][number]>): void {
  set(scale.id, { bands: scale.bands.map((each, at) => (at === index ? { ...each, ...fields } : each)) });
}

function add(): void {
  const taken = new Set(props.scales.map(({ id }) => id));
  let number = 1;
  while (taken.has(`scale-${number}`)) number += 1;
  const made: Scale = {
    id: `scale-${number}`,
    name: 'New scale',
    capacityGrams: 6000,
    bands: [{ belowGrams: OPEN_END, stepGrams: 1 }],
  };
  emit('change', [...props.scales, made]);
}

const remove = (id: string): void =>
  emit(
    'change',
    props.scales.filter((each) => each.id !== id),
  );
const valueOf = (event: Event): string => (event.target as HTMLInputElement).value;
</script>

<template>
  <div class="wide">
    <table class="sheet-table">
      <thead>
        <tr>
          <th scope="col">Name</th>
          <th scope="col" class="right">Carries, kg</th>
          <th scope="col">Shows steps of</th>
          <th scope="col"><span class="unseen">Take out</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="scale in scales" :key="scale.id">
          <th scope="row">
            <input
              v-typed="scale.name"
              class="field"
              maxlength="80"
              :aria-label="`Name of ${scale.name}`"
              @change="set(scale.id, { name: valueOf($event).trim() || scale.name })"
            />
          </th>
          <td class="right">
            <SettingFigure
              :label="`Kilograms ${scale.name} carries`"
              :value="scale.capacityGrams / 1000"
              :least="0.001"
              @set="$event !== null && set(scale.id, { capacityGrams: $event * 1000 })"
            />
          </td>
          <td>
            <p v-for="(band, index) in scale.bands" :key="index" class="band">
              <SettingFigure
                :label="`Step of ${scale.name} in grams, band ${index + 1}`"
                :value="band.stepGrams"
                :least="0.01"
                :most="1000"
                @set="$event !== null && setBand(scale, index, { stepGrams: $event })"
              />
              <span class="soft">g</span>
              <span v-if="index < scale.bands.length - 1" class="soft"
                >below {{ band.belowGrams / 1000 }} kg, then</span
              >
            </p>
          </td>
          <td class="right">
            <button
              class="choice plain"
              type="button"
              :disabled="scales.length === 1"
              :aria-label="`Take out ${scale.name}`"
              @click="remove(scale.id)"
            >
              Take out
            </button>
          </td>
        </tr>
      </tbody>
    </table>
  </div>
  <button class="choice" type="button" @click="add">Add a scale</button>
</template>

<style scoped>
.field {
  width: 100%;
  min-height: 36px;
  padding: 2px 8px;
  font-weight: 600;
}

.band {
  display: flex;
  align-items: center;
  gap: 6px;
  white-space: nowrap;
}

.choice:not(.plain) {
  margin-top: var(--space-3);
}
</style>
