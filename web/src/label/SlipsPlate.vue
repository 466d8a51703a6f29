<script setup lang="ts">
/** A slip for each tray: for whom, which texture, how many. They go out as one job. */
import { useBook } from '../state/book';
import SettingFigure from '../ui/SettingFigure.vue';
import { vTyped } from '../ui/typed';
import { useLabel } from './label';

const label = useLabel();
const book = useBook();
const valueOf = (event: Event): string => (event.target as HTMLInputElement).value;
const change = (index: number, fields: Partial<(typeof label.slips)[number]>): void => {
  label.slips = label.slips.map((slip, at) => (at === index ? { ...slip, ...fields } : slip));
};
const add = (): void => {
  label.slips = [...label.slips, { group: '', texture: '', quantity: 1 }];
};
const takeOut = (index: number): void => {
  label.slips = label.slips.filter((_, at) => at !== index);
};
</script>

<template>
  <div class="slips" role="group" aria-label="Slips for trays">
    <p v-if="label.slips.length === 0" class="soft">One slip for all, or a line for each tray or group.</p>
    <div v-for="(slip, index) in label.slips" :key="index" class="slip">
      <label
        >For
        <input
          v-typed="slip.group"
          class="field"
          list="slip-groups"
          maxlength="120"
          :aria-label="`For whom, slip ${index + 1}`"
          @change="change(index, { group: valueOf($event).trim() })"
        />
      </label>
      <label
        >Texture
        <input
          v-typed="slip.texture"
          class="field"
          maxlength="120"
          :aria-label="`Texture, slip ${index + 1}`"
          @change="change(index, { texture: valueOf($event).trim() })"
        />
      </label>
      <label
        >How many
        <SettingFigure
          :label="`How many slips, ${index + 1}`"
          :value="slip.quantity"
          :least="1"
          :most="1000"
          is-whole
          @set="change(index, { quantity: $event ?? 1 })"
        />
      </label>
      <button
        class="choice plain"
        type="button"
        :aria-label="`Take out slip ${index + 1}`"
        @click="takeOut(index)"
      >
        Take out
      </button>
    </div>
    <datalist id="slip-groups">
      <option v-for="group in book.kitchen?.diners ?? []" :key="group.id" :value="group.name" />
    </datalist>
    <button class="choice" type="button" @click="add">A line for a tray</button>
  </div>
</template>

<style scoped>
.slips {
  display: grid;
  gap: var(--space-2);
  margin-top: var(--space-3);
  justify-items: start;
}

.slip {
  display: grid;
  grid-template-columns: 2fr 1fr 90px auto;
  gap: var(--space-2);
  align-items: end;
  width: 100%;
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

@media (max-width: 560px) {
  .slip {
    grid-template-columns: 1fr 1fr;
  }
}
</style>
