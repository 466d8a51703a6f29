<script setup lang="ts">
/** How many, from where on the sheet, and what is known only today: when it was made, how much, for whom. */
import { computed } from 'vue';
import { useBook } from '../state/book';
import SettingFigure from '../ui/SettingFigure.vue';
import { vTyped } from '../ui/typed';
import { useLabel } from './label';
import SlipsPlate from './SlipsPlate.vue';

const label = useLabel();
const book = useBook();
const options = computed(() => label.options);
const isSheet = computed(() => options.value.stock.kind === 'sheet');
const perSheet = computed(() =>
  options.value.stock.kind === 'sheet' ? options.value.stock.columns * options.value.stock.rows : 1,
);
const valueOf = (event: Event): string => (event.target as HTMLInputElement).value;
</script>

<template>
  <section class="plate" aria-label="This print">
    <h2>This print</h2>
    <div class="grid">
      <label
        >How many
        <SettingFigure
          label="How many labels"
          :value="options.quantity"
          :most="1000"
          @set="$event && label.set({ quantity: Math.max(1, Math.round($event)) })"
        />
      </label>
      <label v-if="isSheet"
        >From label, 1 to {{ perSheet }}
        <SettingFigure
          label="First label of the sheet"
          :value="options.start"
          :most="perSheet"
          @set="$event && label.set({ start: Math.max(1, Math.round($event)) })"
        />
      </label>
      <label
        >Made on
        <input
          v-typed="options.madeOn ?? ''"
          class="field"
          type="date"
          @change="label.set({ madeOn: valueOf($event) || null })"
        />
      </label>
      <label
        >Weight of the batch, g
        <SettingFigure
          label="Weight of the batch in grams"
          :value="options.grams"
          :most="10000000"
          takes-weight
          @set="label.set({ grams: $event && $event > 0 ? $event : null })"
        />
      </label>
      <label v-if="options.kind !== 'tray' || label.slips.length === 0"
        >Of a batch made before
        <input
          v-typed="label.batchCode"
          class="field"
          maxlength="40"
          placeholder="a new batch"
          @change="label.batchCode = valueOf($event).trim()"
        />
      </label>
      <template v-if="options.kind === 'tray' && label.slips.length === 0">
        <label
          >For
          <input
            v-typed="options.group ?? ''"
            class="field"
            list="groups"
            maxlength="120"
            @change="label.set({ group: valueOf($event).trim() || null })"
          />
        </label>
        <datalist id="groups">
          <option v-for="group in book.kitchen?.diners ?? []" :key="group.id" :value="group.name" />
        </datalist>
        <label
          >Texture
          <input
            v-typed="options.texture ?? ''"
            class="field"
            maxlength="120"
            @change="label.set({ texture: valueOf($event).trim() || null })"
          />
        </label>
      </template>
    </div>
    <SlipsPlate v-if="options.kind === 'tray'" />
  </section>
</template>

<style scoped>
.grid {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(148px, 1fr));
  gap: var(--space-2) var(--space-3);
}

label {
  display: grid;
  gap: 2px;
  font-size: var(--text-s);
  color: var(--ink-soft);
}

input {
  width: 100%;
  color: var(--ink);
}
</style>
