<script setup lang="ts">
/** How the dish is packed: what a pack holds, how it is kept, and what it is called in other languages. It goes with the dish. */
import { computed } from 'vue';
import {
  HOUSEHOLD_MEASURES,
  type HouseholdMeasure,
  type Keeping,
  KEEPING_NAMES,
  KEEPINGS,
  LANGUAGE_NAMES,
  type PackedPortion,
  REFERENCE_AMOUNTS,
  shelfDays,
  type TitleLanguage,
  UNPACKED,
} from '@hand-ladle/core';
import { useBench } from '../state/bench';
import { useBook } from '../state/book';
import FoodListEdit from '../ui/FoodListEdit.vue';
import SettingFigure from '../ui/SettingFigure.vue';
import { vTyped } from '../ui/typed';

const bench = useBench();
const book = useBook();
const packed = computed<PackedPortion>(() => bench.recipe?.packed ?? UNPACKED);
const set = (fields: Partial<PackedPortion>): void =>
  bench.setRecipe({ packed: { ...packed.value, ...fields } });
const isUs = computed(() => bench.regime === 'us');
const portion = computed(() => bench.worksheet?.portionGrams ?? 0);
const positive = (value: number | null): number | null => (value !== null && value > 0 ? value : null);
const valueOf = (event: Event): string => (event.target as HTMLInputElement | HTMLSelectElement).value;
const days = computed(() =>
  book.kitchen ? shelfDays(packed.value, book.kitchen.service, bench.regime) : null,
);
const net = computed(() => {
  const { netGrams, portions } = packed.value;
  return netGrams ?? (portions === null ? null : Math.round(portions * portion.value));
});
const titles = Object.entries(LANGUAGE_NAMES) as [TitleLanguage, string][];

const setHousehold = (amount: number | null, measure: HouseholdMeasure): void =>
  set({
    household: amount === null || amount <= 0 ? null : { amount, measure, grams: portion.value || null },
  });
</script>

<template>
  <section class="plate" aria-label="How it is packed">
    <h2>How it is packed</h2>
    <div class="grid">
      <label
        >Packed in
        <input
          v-typed="packed.container"
          class="field"
          maxlength="60"
          placeholder="tub, tray, bag"
          @change="set({ container: valueOf($event).trim() })"
        />
      </label>
      <label
        >It holds, ml
        <SettingFigure
          label="Millilitres the container holds"
          :value="packed.containerMl"
          :most="100000"
          @set="set({ containerMl: positive($event) })"
        />
      </label>
      <label
        >Portions in a pack
        <SettingFigure
          label="Portions in a pack"
          :value="packed.portions"
          :most="1000"
          @set="set({ portions: positive($event) })"
        />
      </label>
      <label
        >Net weight, g
        <SettingFigure
          label="Net weight of a pack in grams"
          :value="packed.netGrams"
          :most="100000"
          takes-weight
          @set="set({ netGrams: positive($event) })"
        />
        <span v-if="packed.netGrams === null && net !== null" class="soft">{{ net }} g by its portions</span>
      </label>
      <label
        >Kept
        <select
          class="field"
          aria-label="How it is kept"
          :value="packed.keeping ?? ''"
          @change="set({ keeping: (valueOf($event) || null) as Keeping | null })"
        >
          <option value="">not said</option>
          <option v-for="each in KEEPINGS" :key="each" :value="each">{{ KEEPING_NAMES[each] }}</option>
        </select>
      </label>
      <label
        >Keeps, days, making counted
        <SettingFigure
          label="Days this dish keeps"
          :value="packed.keepsDays"
          :least="1"
          :most="1000"
          is-whole
          @set="set({ keepsDays: $event })"
        />
        <span v-if="packed.keeping" class="soft">{{
          days === null
            ? 'nobody said yet'
            : `${days} ${days === 1 ? 'day counts' : 'days count'} under policy and law`
        }}</span>
      </label>
      <label
        >Largest side, cm²
        <SettingFigure
          label="Largest side of the pack in square centimetres"
          :value="packed.largestSurfaceCm2"
          :most="100000"
          @set="set({ largestSurfaceCm2: positive($event) })"
        />
      </label>
      <template v-if="isUs">
        <label
          >All surface for labels, cm²
          <SettingFigure
            label="Surface of the pack that could carry labels in square centimetres"
            :value="packed.labelAreaCm2"
            :most="100000"
            @set="set({ labelAreaCm2: positive($event) })"
          />
        </label>
        <label
          >A portion is
          <SettingFigure
            label="A portion in a household measure"
            :value="packed.household?.amount ?? null"
            :most="100"
            @set="setHousehold($event, packed.household?.measure ?? 'cup')"
          />
        </label>
        <label
          >of this measure
          <select
            class="field"
            aria-label="Household measure of a portion"
            :value="packed.household?.measure ?? 'cup'"
            @change="setHousehold(packed.household?.amount ?? 1, valueOf($event) as HouseholdMeasure)"
          >
            <option v-for="each in HOUSEHOLD_MEASURES" :key="each" :value="each">{{ each }}</option>
          </select>
        </label>
        <label class="whole"
          >Kind of food, for its reference amount (21 CFR 101.12)
          <select
            class="field"
            aria-label="Kind of food, for its reference amount"
            :value="packed.referenceId ?? ''"
            @change="set({ referenceId: valueOf($event) || null })"
          >
            <option value="">not said</option>
            <option v-for="each in REFERENCE_AMOUNTS" :key="each.id" :value="each.id">{{ each.name }}</option>
          </select>
        </label>
        <label class="tick whole"
          ><input
            type="checkbox"
            :checked="packed.showsWhole"
            @change="set({ showsWhole: ($event.target as HTMLInputElement).checked })"
          />
          The whole container’s figures beside the serving’s, also where the law does not ask for them</label
        >
      </template>
      <div v-else class="whole">
        <span class="soft">A picture or words on the pack also stress</span>
        <FoodListEdit
          :food-ids="packed.stressed"
          label="Foods the pack stresses"
          @change="set({ stressed: $event })"
        />
      </div>
      <label v-for="[id, language] in titles" :key="id" class="title"
        >On labels in {{ language }}
        <input
          v-typed="packed.names[id] ?? ''"
          class="field"
          maxlength="200"
          :lang="id"
          :placeholder="id === 'en' ? bench.recipe?.name : ''"
          @change="set({ names: { ...packed.names, [id]: valueOf($event).trim() } })"
        />
      </label>
    </div>
  </section>
</template>

<style scoped>
.grid {
  display: grid;
  grid-template-columns: repeat(3, minmax(0, 1fr));
  gap: var(--space-2) var(--space-3);
}

label {
  display: grid;
  gap: 2px;
  align-content: start;
  font-size: var(--text-s);
  color: var(--ink-soft);
}

input:not([type='checkbox']),
select {
  width: 100%;
  color: var(--ink);
}

.whole {
  grid-column: 1 / -1;
}

.tick {
  display: flex;
  gap: var(--space-2);
  align-items: center;
  min-height: 32px;
}

.soft {
  font-size: var(--text-s);
}

@media (max-width: 560px) {
  .grid {
    grid-template-columns: 1fr 1fr;
  }
}
</style>
