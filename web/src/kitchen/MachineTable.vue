<script setup lang="ts">
/** The machines of a kitchen, each changed where it stands: kind, size, fill, surface, levels, power. */
import { computed } from 'vue';
import {
  figureText,
  HEATING_EFFICIENCY,
  type PanId,
  PANS,
  roundToDecimals,
  type Vessel,
  VESSEL_DEFAULTS,
  VESSEL_KINDS,
  type VesselKind,
  WORKING_FILL,
} from '@hand-ladle/core';
import SettingFigure from '../ui/SettingFigure.vue';
import { vTyped } from '../ui/typed';

const props = defineProps<{ vessels: readonly Vessel[] }>();
const emit = defineEmits<{ change: [vessels: Vessel[]] }>();

const sorted = computed(() =>
  [...props.vessels].sort((one, other) => VESSEL_KINDS.indexOf(one.kind) - VESSEL_KINDS.indexOf(other.kind)),
);

function set(id: string, fields: Partial<Vessel>): void {
  emit(
    'change',
    props.vessels.map((each) => (each.id === id ? { ...each, ...fields } : each)),
  );
}

/** Size and surface of a machine to start from, by kind; its plate and a tape measure say better. */
const USUAL: Record<VesselKind, { litres: number; surfaceM2: number }> = {
  pot: { litres: 20, surfaceM2: 0.1 },
  kettle: { litres: 60, surfaceM2: 0.3 },
  'bratt pan': { litres: 80, surfaceM2: 0.4 },
  'frying pan': { litres: 4, surfaceM2: 0.07 },
  griddle: { litres: 0, surfaceM2: 0.3 },
  oven: { litres: 60, surfaceM2: 1.2 },
  blender: { litres: 3, surfaceM2: 0.02 },
  mixer: { litres: 20, surfaceM2: 0.08 },
};

function setKind(id: string, kind: VesselKind): void {
  set(id, { kind, fill: WORKING_FILL[kind] });
}

/** What an oven holds follows from its levels and what it takes on each. */
function setOven(vessel: Vessel, fields: Partial<Pick<Vessel, 'levels' | 'pan'>>): void {
  const { levels, pan } = { ...vessel, ...fields };
  const sizes = pan
    ? {
        litres: roundToDecimals(PANS[pan].litres * levels, 1),
        surfaceM2: roundToDecimals(PANS[pan].areaM2 * levels, 3),
      }
    : {};
  set(vessel.id, { ...fields, ...sizes });
}

function add(kind: VesselKind): void {
  const taken = new Set(props.vessels.map(({ id }) => id));
  let number = 1;
  while (taken.has(`${kind.replace(' ', '-')}-${number}`)) number += 1;
  const made: Vessel = {
    ...VESSEL_DEFAULTS,
    id: `${kind.replace(' ', '-')}-${number}`,
    name: `New ${kind}`,
    kind,
    ...USUAL[kind],
    fill: WORKING_FILL[kind],
  };
  emit('change', [...props.vessels, made]);
}

const remove = (id: string): void =>
  emit(
    'change',
    props.vessels.filter((each) => each.id !== id),
  );
const valueOf = (event: Event): string => (event.target as HTMLInputElement | HTMLSelectElement).value;
const isHeated = ({ kind }: Vessel): boolean => HEATING_EFFICIENCY[kind] > 0;
</script>

<template>
  <div class="wide">
    <table class="sheet-table">
      <thead>
        <tr>
          <th scope="col">Name</th>
          <th scope="col">Kind</th>
          <th scope="col" class="right">How many</th>
          <th scope="col" class="right">Brim, L</th>
          <th scope="col" class="right">Filled to, %</th>
          <th scope="col" class="right">Works, L</th>
          <th scope="col" class="right">Surface, m²</th>
          <th scope="col" class="right">Levels</th>
          <th scope="col">Takes</th>
          <th scope="col" class="right">Power, kW</th>
          <th scope="col">Fan</th>
          <th scope="col"><span class="unseen">Take out</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="vessel in sorted" :key="vessel.id" :data-machine="vessel.id">
          <th scope="row">
            <input
              v-typed="vessel.name"
              class="field"
              maxlength="80"
              :aria-label="`Name of ${vessel.name}`"
              @change="set(vessel.id, { name: valueOf($event).trim() || vessel.name })"
            />
          </th>
          <td>
            <select
              class="field"
              :aria-label="`Kind of ${vessel.name}`"
              :value="vessel.kind"
              @change="setKind(vessel.id, valueOf($event) as VesselKind)"
            >
              <option v-for="kind in VESSEL_KINDS" :key="kind" :value="kind">{{ kind }}</option>
            </select>
          </td>
          <td class="right">
            <SettingFigure
              :label="`How many of ${vessel.name}`"
              :value="vessel.count"
              :least="1"
              :most="100"
              is-whole
              @set="$event !== null && set(vessel.id, { count: $event })"
            />
          </td>
          <td class="right">
            <SettingFigure
              :label="`Brim litres of ${vessel.name}`"
              :value="vessel.litres"
              :most="2000"
              @set="$event !== null && set(vessel.id, { litres: $event })"
            />
          </td>
          <td class="right">
            <SettingFigure
              :label="`Fill of ${vessel.name} in percent`"
              :value="Math.round(vessel.fill * 1000) / 10"
              :least="5"
              :most="100"
              @set="$event !== null && set(vessel.id, { fill: $event / 100 })"
            />
          </td>
          <td class="right soft">{{ figureText(vessel.litres * vessel.fill, 1) }}</td>
          <td class="right">
            <SettingFigure
              :label="`Surface of ${vessel.name} in square metres`"
              :value="vessel.surfaceM2"
              :most="50"
              @set="$event !== null && set(vessel.id, { surfaceM2: $event })"
            />
          </td>
          <td class="right">
            <SettingFigure
              v-if="vessel.kind === 'oven'"
              :label="`Levels of ${vessel.name}`"
              :value="vessel.levels"
              :least="1"
              :most="60"
              is-whole
              @set="$event !== null && setOven(vessel, { levels: $event })"
            />
          </td>
          <td>
            <select
              v-if="vessel.kind === 'oven'"
              class="field"
              :aria-label="`What ${vessel.name} takes on a level`"
              :value="vessel.pan ?? ''"
              @change="setOven(vessel, { pan: (valueOf($event) || null) as PanId | null })"
            >
              <option value="">not said</option>
              <option v-for="(pan, id) in PANS" :key="id" :value="id">{{ pan.name }}</option>
            </select>
          </td>
          <td class="right">
            <SettingFigure
              v-if="isHeated(vessel)"
              :label="`Power of ${vessel.name} in kilowatts`"
              :value="vessel.powerKw"
              :least="0.05"
              :most="500"
              @set="set(vessel.id, { powerKw: $event })"
            />
          </td>
          <td>
            <input
              v-if="vessel.kind === 'oven'"
              type="checkbox"
              :aria-label="`${vessel.name} is set with its fan on`"
              :checked="vessel.isFan"
              @change="set(vessel.id, { isFan: ($event.target as HTMLInputElement).checked })"
            />
          </td>
          <td class="right">
            <button
              class="choice plain"
              type="button"
              :aria-label="`Take out ${vessel.name}`"
              @click="remove(vessel.id)"
            >
              Take out
            </button>
          </td>
        </tr>
      </tbody>
    </table>
    <p class="add">
      <span class="soft">Add a</span>
      <button v-for="kind in VESSEL_KINDS" :key="kind" class="choice" type="button" @click="add(kind)">
        {{ kind }}
      </button>
    </p>
  </div>
</template>

<style scoped>
.sheet-table td,
.sheet-table th {
  padding-right: 8px;
}

.field {
  min-height: 36px;
  padding: 2px 8px;
}

th .field {
  width: 100%;
  min-width: 150px;
  font-weight: 600;
}

.add {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px;
  margin-top: var(--space-3);
}
</style>
