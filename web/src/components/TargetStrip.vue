<script setup lang="ts">
/** What the batch is made for. Changing the way of saying it keeps the batch and says it anew. */
import { computed, ref, watch } from 'vue';
import {
  figureText,
  gramsText,
  PAN_FILL,
  PANS,
  roundToDecimals,
  type PanId,
  type Target,
} from '@hand-ladle/core';
import { useBench } from '../stores/bench';

const bench = useBench();
const sheet = computed(() => bench.worksheet!);
const target = computed(() => bench.target!);

const WAYS: { kind: Target['kind']; name: string }[] = [
  { kind: 'portions', name: 'Portions' },
  { kind: 'weight', name: 'Weight' },
  { kind: 'pans', name: 'Pans' },
  { kind: 'store', name: 'In store' },
];

/** The lines that can limit a batch: those with a weight of their own. */
const stored = computed(() =>
  sheet.value.lines.filter((line) => line.purchasedGrams !== null && line.id === line.sourceId),
);

/** The batch on the screen, said in another way. */
function said(kind: Target['kind']): Target {
  const { finishedGrams, portionGrams } = sheet.value;
  const grams = roundToDecimals(finishedGrams, 0) || 1;
  switch (kind) {
    case 'portions': {
      const size = roundToDecimals(portionGrams, 0) || 1;
      return { kind, portions: roundToDecimals(finishedGrams / size, 1) || 1, portionGrams: size };
    }
    case 'weight':
      return { kind, grams };
    case 'pans': {
      const pan: PanId = 'gn-1/1-100';
      const count = roundToDecimals(finishedGrams / 1000 / (PANS[pan].litres * PAN_FILL), 2) || 1;
      return { kind, pan, count, fill: PAN_FILL };
    }
    case 'store': {
      const first = [...stored.value].sort((a, b) => b.share - a.share)[0];
      return { kind, lineId: first?.id ?? '', grams: roundToDecimals(first?.purchasedGrams ?? 1, 0) };
    }
  }
}

/** What is being typed, kept as text so that a half-typed figure is not lost. */
const typed = ref<Record<string, string>>({});
watch(target, () => (typed.value = {}));

const shown = (field: string, value: number): string => typed.value[field] ?? figureText(value, 2);

function type(field: string, text: string, apply: (value: number) => Target): void {
  typed.value = { ...typed.value, [field]: text };
  const value = Number(text.replace(',', '.').replace(/\s/g, ''));
  if (!Number.isFinite(value) || value <= 0) return;
  const kept = typed.value;
  bench.setTarget(apply(value));
  // The figure as typed stays while the cursor is in it ("12." on the way to "12.5").
  queueMicrotask(() => (typed.value = kept));
}

const wrong = computed(() => {
  for (const text of Object.values(typed.value)) {
    const value = Number(text.replace(',', '.').replace(/\s/g, ''));
    if (text.trim() !== '' && !(value > 0))
      return 'A figure above zero is needed; the last good one is kept.';
  }
  return bench.worksheet?.findings.find(({ code }) => code === 'target-invalid')?.message ?? '';
});

const steam = computed(() => {
  const { vessel, loadCount, steamGrams } = sheet.value;
  if (!vessel) return null;
  return {
    name: vessel.name,
    text: `loses ${gramsText(steamGrams)} as steam${loadCount > 1 ? ` in ${loadCount} loads` : ''}`,
  };
});
/** Room for the digits typed, so that figure and unit stand together. */
const wide = (text: string): Record<string, string> => ({ width: `${Math.max(2, text.length) + 0.6}ch` });
const isSelected = (id: string): boolean => (bench.vesselId ?? '') === id;
</script>

<template>
  <section class="target" aria-label="Target of the batch">
    <div class="ways" role="radiogroup" aria-label="Way of saying the target">
      <button
        v-for="way in WAYS"
        :key="way.kind"
        type="button"
        role="radio"
        :aria-checked="target.kind === way.kind"
        @click="target.kind !== way.kind && bench.setTarget(said(way.kind))"
      >
        {{ way.name }}
      </button>
    </div>
    <div class="figures">
      <template v-if="target.kind === 'portions'">
        <input
          class="big"
          inputmode="decimal"
          aria-label="Portions"
          :value="shown('portions', target.portions)"
          :style="wide(shown('portions', target.portions))"
          @input="
            type('portions', ($event.target as HTMLInputElement).value, (portions) => ({
              ...(target as Target & { kind: 'portions' }),
              portions,
            }))
          "
        />
        <span class="soft">portions of</span>
        <input
          class="big"
          inputmode="decimal"
          aria-label="Portion size in grams"
          :value="shown('size', target.portionGrams)"
          :style="wide(shown('size', target.portionGrams))"
          @input="
            type('size', ($event.target as HTMLInputElement).value, (portionGrams) => ({
              ...(target as Target & { kind: 'portions' }),
              portionGrams,
            }))
          "
        />
        <span class="soft">g</span>
      </template>
      <template v-else-if="target.kind === 'weight'">
        <input
          class="big"
          inputmode="decimal"
          aria-label="Finished weight in kilograms"
          :value="shown('weight', target.grams / 1000)"
          :style="wide(shown('weight', target.grams / 1000))"
          @input="
            type('weight', ($event.target as HTMLInputElement).value, (kg) => ({
              kind: 'weight',
              grams: kg * 1000,
            }))
          "
        />
        <span class="soft">kg finished</span>
      </template>
      <template v-else-if="target.kind === 'pans'">
        <input
          class="big"
          inputmode="decimal"
          aria-label="Number of pans"
          :value="shown('count', target.count)"
          :style="wide(shown('count', target.count))"
          @input="
            type('count', ($event.target as HTMLInputElement).value, (count) => ({
              ...(target as Target & { kind: 'pans' }),
              count,
            }))
          "
        />
        <select
          class="pick"
          aria-label="Kind of pan"
          :value="target.pan"
          @change="bench.setTarget({ ...target, pan: ($event.target as HTMLSelectElement).value as PanId })"
        >
          <option v-for="(pan, id) in PANS" :key="id" :value="id">{{ pan.name }}</option>
        </select>
        <span class="soft">{{ roundToDecimals(target.fill * 100, 0) }} % full</span>
      </template>
      <template v-else>
        <input
          class="big"
          inputmode="decimal"
          aria-label="In store, in kilograms as purchased"
          :value="shown('store', target.grams / 1000)"
          :style="wide(shown('store', target.grams / 1000))"
          @input="
            type('store', ($event.target as HTMLInputElement).value, (kg) => ({
              ...(target as Target & { kind: 'store' }),
              grams: kg * 1000,
            }))
          "
        />
        <span class="soft">kg of</span>
        <select
          class="pick"
          aria-label="What is in store"
          :value="target.lineId"
          @change="bench.setTarget({ ...target, lineId: ($event.target as HTMLSelectElement).value })"
        >
          <option v-for="line in stored" :key="line.id" :value="line.id">{{ line.name }}</option>
        </select>
      </template>
    </div>
    <div v-if="steam" class="vessel">
      <select
        aria-label="Vessel"
        :value="bench.vesselId ?? ''"
        @change="bench.vesselId = ($event.target as HTMLSelectElement).value || null"
      >
        <option value="" :selected="isSelected('')">
          {{ bench.vesselId ? 'Smallest that holds it' : steam.name }}
        </option>
        <option
          v-for="each in bench.kitchen?.vessels"
          :key="each.id"
          :value="each.id"
          :selected="isSelected(each.id)"
        >
          {{ each.name }}
        </option>
      </select>
      <span class="soft">{{ steam.text }}</span>
    </div>
    <div class="history">
      <button class="choice plain" type="button" :disabled="bench.past.length === 0" @click="bench.undo()">
        Undo
      </button>
      <button class="choice plain" type="button" :disabled="bench.future.length === 0" @click="bench.redo()">
        Redo
      </button>
    </div>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
  </section>
</template>

<style scoped>
.target {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: var(--space-2) var(--space-3);
  margin-bottom: var(--space-3);
}

.ways {
  display: flex;
  border: 1.5px solid var(--rim);
  border-radius: var(--radius);
  overflow: hidden;
  background: var(--enamel);
}

.ways button {
  min-height: 48px;
  padding: 0 13px;
  border: 0;
  background: none;
  color: var(--rim);
  font-weight: 600;
}

.ways button[aria-checked='true'] {
  background: var(--rim);
  color: var(--on-dark);
}

.ways button:focus-visible {
  outline-offset: -4px;
  outline-color: var(--amber-line);
}

.figures {
  display: flex;
  align-items: baseline;
  gap: var(--space-2);
  padding: 0 var(--space-3);
  min-height: 51px;
  background: var(--enamel);
  border: 1.5px solid var(--rim);
  border-radius: var(--radius);
}

.big {
  min-height: 47px;
  padding: 0;
  border: 0;
  background: none;
  font-size: var(--text-xxl);
  font-weight: 720;
  font-stretch: 94%;
  text-align: right;
}

.pick {
  align-self: center;
  min-height: 40px;
  max-width: 190px;
  border: 0;
  background: none;
  font-weight: 600;
}

.vessel {
  display: flex;
  flex-direction: column;
  font-size: var(--text-s);
  line-height: 1.3;
}

.vessel select {
  border: 0;
  padding: 0;
  margin-left: -4px;
  background: none;
  font-weight: 640;
  font-size: var(--text-m);
  color: var(--rim);
}

.vessel .soft {
  white-space: nowrap;
}

.history {
  display: flex;
  margin-left: auto;
}

.history .choice {
  padding-inline: 8px;
}

.wrong {
  flex-basis: 100%;
  font-size: var(--text-s);
}

.wrong {
  color: var(--brick);
  font-weight: 600;
}

@media (max-width: 760px) {
  .ways,
  .figures {
    width: 100%;
  }

  .ways button {
    flex: 1;
    padding: 0 4px;
  }
}
</style>
