<script setup lang="ts">
/** What is printed, under which law, in which language, on which paper and pack. */
import { computed } from 'vue';
import {
  hasPanel,
  LABEL_KIND_NAMES,
  LABEL_KINDS,
  type Language,
  LANGUAGE_NAMES,
  LANGUAGES,
  PANEL_FORMS,
  type PanelForm,
  type Regime,
  sheetProblem,
  type SheetStock,
} from '@hand-ladle/core';
import { useBench } from '../state/bench';
import SettingFigure from '../ui/SettingFigure.vue';
import { useLabel } from './label';

const bench = useBench();
const label = useLabel();
const options = computed(() => label.options);

const REGIMES: { id: Regime; name: string }[] = [
  { id: 'eu', name: 'EU and UK' },
  { id: 'us', name: 'United States' },
];
const FORM_NAMES: Readonly<Record<PanelForm, string>> = {
  vertical: 'upright',
  tabular: 'side by side',
  linear: 'in a line',
};
const SHEET_FIELDS: { field: keyof SheetStock & string; name: string }[] = [
  { field: 'columns', name: 'Across' },
  { field: 'rows', name: 'Down' },
  { field: 'widthMm', name: 'Label width, mm' },
  { field: 'heightMm', name: 'Label height, mm' },
  { field: 'leftMm', name: 'Left edge, mm' },
  { field: 'topMm', name: 'Top edge, mm' },
  { field: 'gapXMm', name: 'Gap across, mm' },
  { field: 'gapYMm', name: 'Gap down, mm' },
];
const problem = computed(() =>
  options.value.stock.kind === 'sheet' ? sheetProblem(options.value.stock) : null,
);
const valueOf = (event: Event): string => (event.target as HTMLSelectElement).value;
const isChecked = (event: Event): boolean => (event.target as HTMLInputElement).checked;
</script>

<template>
  <section class="plate rimmed" aria-label="What is printed">
    <h2>What is printed</h2>
    <div class="grid">
      <label class="whole"
        >Label
        <select
          class="field"
          :value="options.kind"
          @change="label.set({ kind: valueOf($event) as typeof options.kind })"
        >
          <option v-for="kind in LABEL_KINDS" :key="kind" :value="kind">{{ LABEL_KIND_NAMES[kind] }}</option>
        </select>
      </label>
      <div class="two laws" role="radiogroup" aria-label="Law it is printed under">
        <button
          v-for="each in REGIMES"
          :key="each.id"
          class="choice"
          :class="{ main: bench.regime === each.id }"
          type="button"
          role="radio"
          :aria-checked="bench.regime === each.id"
          @click="bench.regime = each.id"
        >
          {{ each.name }}
        </button>
      </div>
      <label
        >Language
        <select
          class="field"
          :value="label.style.language"
          @change="label.style = { ...label.style, language: valueOf($event) as Language }"
        >
          <option v-for="each in LANGUAGES" :key="each" :value="each">{{ LANGUAGE_NAMES[each] }}</option>
        </select>
      </label>
      <label
        >Paper
        <select class="field" :value="options.stock.id" @change="label.chooseStock(valueOf($event))">
          <option v-for="stock in label.stocks" :key="stock.id" :value="stock.id">{{ stock.name }}</option>
        </select>
      </label>
      <label v-if="hasPanel(options.kind)"
        >Form of the table
        <select
          class="field"
          :value="options.form ?? ''"
          @change="label.set({ form: (valueOf($event) || null) as PanelForm | null })"
        >
          <option value="">the first that fits</option>
          <option v-for="form in PANEL_FORMS" :key="form" :value="form">{{ FORM_NAMES[form] }}</option>
        </select>
      </label>
      <label
        >Code
        <select
          class="field"
          :value="options.symbology ?? ''"
          @change="label.set({ symbology: (valueOf($event) || null) as 'qr' | 'code128' | null })"
        >
          <option value="">none</option>
          <option value="qr">QR, opens the batch</option>
          <option value="code128">Code 128, the batch code</option>
        </select>
      </label>
      <label class="tick whole"
        ><input
          type="checkbox"
          :checked="label.style.hasTail"
          @change="label.style = { ...label.style, hasTail: isChecked($event) }"
        />
        What is at most 2 % follows at the end of the list
      </label>
    </div>
    <fieldset v-if="options.stock.id === 'own'" class="grid sheet">
      <legend>The sheet of its own</legend>
      <label
        >Paper
        <select
          class="field"
          :value="label.ownSheet.paper"
          @change="label.changeSheet({ paper: valueOf($event) as 'a4' | 'letter' })"
        >
          <option value="a4">A4</option>
          <option value="letter">Letter</option>
        </select>
      </label>
      <label v-for="{ field, name } in SHEET_FIELDS" :key="field"
        >{{ name }}
        <SettingFigure
          :label="name"
          :value="label.ownSheet[field] as number"
          :most="420"
          @set="$event !== null && label.changeSheet({ [field]: $event })"
        />
      </label>
    </fieldset>
    <p v-if="problem" class="wrong" role="alert">This grid does not fit its paper: {{ problem }}.</p>
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
  font-size: var(--text-s);
  color: var(--ink-soft);
}

select {
  width: 100%;
  color: var(--ink);
}

.whole {
  grid-column: 1 / -1;
}

.two {
  grid-column: span 2;
}

.laws .choice {
  padding: 4px 8px;
  font-size: var(--text-s);
}

@media (max-width: 560px) {
  .grid {
    grid-template-columns: 1fr 1fr;
  }

  .laws {
    grid-column: 1 / -1;
  }
}

.laws {
  display: flex;
  gap: var(--space-1);
  align-items: end;
}

.tick {
  display: flex;
  gap: var(--space-2);
  align-items: center;
  min-height: 32px;
}

.sheet {
  margin-top: var(--space-3);
  padding: var(--space-3);
  border: 1.5px solid var(--hairline);
  border-radius: var(--radius-s);
}

.wrong {
  margin-top: var(--space-2);
  color: var(--brick);
  font-weight: 600;
}
</style>
