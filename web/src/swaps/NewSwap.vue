<script setup lang="ts">
/** A kitchen writes a swap of its own: what goes out, what goes in by weight, water, how, how close, and where not. */
import { computed, ref } from 'vue';
import {
  idFromName,
  type Making,
  MAKINGS,
  SWAP_FUNCTIONS,
  type SwapFunction,
  typedFigure,
} from '@hand-ladle/core';
import { server } from '../api/client';
import { useBook } from '../state/book';
import FoodPicker from '../ui/FoodPicker.vue';

const emit = defineEmits<{ done: [] }>();
const book = useBook();
const fromId = ref<string | null>(null);
const to = ref<{ foodId: string; ratio: string }[]>([]);
const water = ref('0');
const work = ref<SwapFunction>('crunch');
const hint = ref('');
const taste = ref('70');
const texture = ref('70');
const notFor = ref<Making[]>([]);
const most = ref('');
const picking = ref<'from' | 'to' | null>(null);
const problem = ref('');
const isSaving = ref(false);

/** Nonsense goes to the server as it is none, which says which field it was. */
const figure = (text: string): number => typedFigure(text) ?? NaN;
const isWhole = computed(() => fromId.value !== null && to.value.length > 0);

function pick(id: string): void {
  if (picking.value === 'from') fromId.value = id;
  else if (!to.value.some(({ foodId }) => foodId === id))
    to.value = [...to.value, { foodId: id, ratio: '1' }];
  picking.value = null;
}

async function write(): Promise<void> {
  if (!fromId.value || !book.kitchen) return;
  const name = `${fromId.value}-${to.value[0]!.foodId}`;
  isSaving.value = true;
  problem.value = '';
  try {
    const changed = await server.createSwap(book.kitchen.id, {
      id: `own-${idFromName(name).slice(0, 60)}-${crypto.randomUUID().slice(0, 6)}`,
      fromId: fromId.value,
      function: work.value,
      to: to.value.map(({ foodId, ratio }) => ({ foodId, ratio: figure(ratio) })),
      waterRatio: figure(water.value),
      hint: hint.value,
      taste: figure(taste.value) / 100,
      texture: figure(texture.value) / 100,
      limits: {
        notFor: notFor.value,
        onlyFor: [],
        mostShare: most.value.trim() === '' ? null : figure(most.value) / 100,
      },
      source: 'weighed here',
    });
    book.replaceKitchen(changed);
    emit('done');
  } catch (error) {
    const { message, details } = error as { message: string; details?: { message?: string }[] };
    problem.value = details?.[0]?.message ? `${message} (${details[0].message})` : message;
  } finally {
    isSaving.value = false;
  }
}
</script>

<template>
  <div class="swap">
    <FoodPicker v-if="picking" @pick="pick" @leave="picking = null" />
    <form @submit.prevent="write">
      <div class="row">
        <span>Instead of</span>
        <button class="choice" type="button" @click="picking = 'from'">
          {{ fromId ? book.nameOf(fromId) : 'Choose a food' }}
        </button>
        <span>goes in, for 1 g of it:</span>
        <label v-for="part in to" :key="part.foodId">
          <input
            v-model="part.ratio"
            class="field figure"
            inputmode="decimal"
            :aria-label="`Grams of ${book.nameOf(part.foodId)}`"
          />
          g {{ book.nameOf(part.foodId).toLowerCase() }}
        </label>
        <button class="choice" type="button" @click="picking = 'to'">
          {{ to.length > 0 ? 'And another' : 'Choose what goes in' }}
        </button>
        <label
          >and
          <input v-model="water" class="field figure" inputmode="decimal" aria-label="Grams of water" /> g
          water</label
        >
      </div>
      <div class="row">
        <label
          >Work
          <select v-model="work" class="field">
            <option v-for="each in SWAP_FUNCTIONS" :key="each" :value="each">{{ each }}</option>
          </select>
        </label>
        <label>Taste, of 100 <input v-model="taste" class="field figure" inputmode="numeric" /></label>
        <label>Texture, of 100 <input v-model="texture" class="field figure" inputmode="numeric" /></label>
        <label
          >At most, % of the mix
          <input v-model="most" class="field figure" inputmode="numeric" placeholder="any"
        /></label>
        <fieldset>
          <legend>Not for</legend>
          <label v-for="each in MAKINGS" :key="each"
            ><input v-model="notFor" type="checkbox" :value="each" /> {{ each }}</label
          >
        </fieldset>
      </div>
      <label
        >How
        <input
          v-model="hint"
          class="field hint"
          maxlength="400"
          placeholder="What to do otherwise at the stove"
      /></label>
      <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
      <div class="row">
        <button class="choice main" type="submit" :disabled="!isWhole || isSaving">Keep the swap</button>
        <button class="choice" type="button" @click="emit('done')">Leave</button>
        <span class="soft">What it brings in is worked out from the foods, never typed.</span>
      </div>
    </form>
  </div>
</template>

<style scoped>
.swap,
form {
  display: grid;
  gap: var(--space-3);
}

.swap {
  padding-top: var(--space-3);
  border-top: 1px solid var(--hairline);
}

.row {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: var(--space-2) var(--space-3);
}

.figure {
  width: 76px;
  text-align: right;
}

.hint {
  width: min(100%, 640px);
}

fieldset {
  display: flex;
  flex-wrap: wrap;
  gap: 2px var(--space-3);
  border: 1px solid var(--hairline);
  border-radius: var(--radius-s);
  margin: 0;
  padding: 2px var(--space-3) 6px;
  font-size: var(--text-s);
}

.problem {
  color: var(--brick);
  font-weight: 600;
}
</style>
