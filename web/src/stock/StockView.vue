<script setup lang="ts">
/** What stands in store, first to expire first: counted here, added to, printed to count by. */
import { computed, onMounted, ref, shallowRef, watch } from 'vue';
import {
  dateFrom,
  gramsText,
  PLACE_NAMES,
  STOCK_KIND_WORDS,
  type StockItem,
  typedFigure,
} from '@hand-ladle/core';
import { call } from '../api/client';
import { useBook } from '../state/book';
import { useFirstRead } from '../state/first-read';
import { todayIn } from '../state/today';
import FoodPicker from '../ui/FoodPicker.vue';
import SettingFigure from '../ui/SettingFigure.vue';

type SavedStock = StockItem & { version: number };
const book = useBook();
const items = shallowRef<SavedStock[] | null>(null);
const refusal = ref('');

const { problem, again } = useFirstRead(async () => {
  await book.ready();
  items.value = await call<SavedStock[]>(`/api/stock?kitchenId=${encodeURIComponent(book.kitchen!.id)}`);
});
onMounted(again);
watch(
  () => book.kitchen?.id,
  (now, before) => before !== undefined && now !== undefined && void again(),
);
/** The day it was made stands in its own column. */
const plainName = ({ name }: StockItem): string => name.replace(/, made \d{4}-\d{2}-\d{2}$/, '');
const today = computed(() => todayIn(book.kitchen));
type Standing = 'past' | 'today' | 'tomorrow' | '';
const standingOf = ({ useBy }: StockItem): Standing => {
  if (useBy === null) return '';
  if (useBy < today.value) return 'past';
  return useBy === today.value ? 'today' : useBy === dateFrom(today.value, 1) ? 'tomorrow' : '';
};
const STANDING_WORDS: Record<Standing, string> = {
  past: 'PAST ITS DATE: throw it away',
  today: 'today',
  tomorrow: 'tomorrow',
  '': '',
};

async function act(ask: () => Promise<unknown>): Promise<void> {
  refusal.value = '';
  try {
    await ask();
  } catch (error) {
    const { message, details } = error as Error & { details?: { message?: string }[] };
    refusal.value = [message, ...(details ?? []).flatMap((each) => each.message ?? [])].join(' ');
  }
  await again();
}
const count = ({ id, version }: SavedStock, grams: number): Promise<void> =>
  act(() => call(`/api/stock/${encodeURIComponent(id)}`, 'PUT', { grams, version }));

/** Into the freezer, or out of it into the cold room. */
const chill = ({ id, version, frozen }: SavedStock): Promise<void> =>
  act(() => call(`/api/stock/${encodeURIComponent(id)}/${frozen ? 'thaw' : 'freeze'}`, 'POST', { version }));

const foodId = ref<string | null>(null);
const grams = ref('');
const useBy = ref('');
const lot = ref('');
const isPicking = ref(false);
const picked = computed(() => {
  const food = book.foods.find(({ id }) => id === foodId.value);
  return food ?? book.components.find(({ id }) => id === foodId.value) ?? null;
});
const isComponent = computed(() => book.components.some(({ id }) => id === foodId.value));
function add(): Promise<void> {
  const weight = typedFigure(grams.value);
  if (foodId.value === null || weight === null || weight <= 0) {
    refusal.value = 'What it is and its weight in grams, please.';
    return Promise.resolve();
  }
  const asked = {
    kitchenId: book.kitchen!.id,
    grams: weight,
    since: today.value,
    lot: lot.value,
    ...(useBy.value === '' ? {} : { useBy: useBy.value }),
    ...(isComponent.value
      ? { kind: 'made-ahead', recipeId: foodId.value }
      : { kind: 'pack', foodId: foodId.value }),
  };
  return act(async () => {
    await call('/api/stock', 'POST', asked);
    foodId.value = null;
    [grams.value, useBy.value, lot.value] = ['', '', ''];
  });
}
const countAt = (ending: string): string =>
  `/api/stock/count${ending}?kitchenId=${encodeURIComponent(book.kitchen?.id ?? '')}`;
</script>

<template>
  <div class="page">
    <section class="plate rimmed" aria-labelledby="stock-title">
      <header class="head">
        <h1 id="stock-title">In store</h1>
        <span class="sheets">
          Count sheet
          <a class="choice plain" :href="countAt('.pdf')" aria-label="Count sheet as PDF">PDF</a>
          <a class="choice plain" :href="countAt('.csv')" aria-label="Count sheet as CSV">CSV</a>
        </span>
      </header>
      <p v-if="problem || refusal" class="wrong" role="alert">{{ problem || refusal }}</p>
      <p v-if="items?.length === 0" class="soft">
        Nothing is noted in store. What stands here is taken off what a service has to buy and make.
      </p>
      <div
        v-if="items && items.length > 0"
        class="scroll"
        tabindex="0"
        role="region"
        aria-label="All that stands in store"
      >
        <table class="sheet-table">
          <thead>
            <tr>
              <th scope="col">What</th>
              <th scope="col">Kind</th>
              <th scope="col">Place</th>
              <th scope="col">Since</th>
              <th scope="col">Use by</th>
              <th scope="col">Lot</th>
              <th scope="col" class="right">Grams</th>
              <td />
            </tr>
          </thead>
          <tbody>
            <tr v-for="item in items" :key="item.id" :class="standingOf(item)">
              <th scope="row">{{ plainName(item) }}</th>
              <td>{{ STOCK_KIND_WORDS[item.kind] }}</td>
              <td>{{ PLACE_NAMES[item.place] }}</td>
              <td class="figure">{{ item.since }}</td>
              <td>
                <span class="figure">{{ item.useBy ?? 'none noted' }}</span>{{ ' ' }}
                <strong v-if="standingOf(item)">{{ STANDING_WORDS[standingOf(item)] }}</strong>
              </td>
              <td>{{ item.lot || 'none noted' }}</td>
              <td class="right">
                <SettingFigure
                  :label="`Grams of ${item.name}`"
                  :value="item.grams"
                  :most="10000000"
                  @set="count(item, $event ?? 0)"
                />
              </td>
              <td>
                <button
                  v-if="item.cooked && (item.frozen || !item.isThawed) && standingOf(item) !== 'past'"
                  class="choice plain"
                  type="button"
                  @click="chill(item)"
                >
                  {{ item.frozen ? 'Thaw' : 'Freeze' }}<span class="unseen"> {{ item.name }}</span>
                </button>
                <button class="choice plain" type="button" @click="count(item, 0)">
                  All gone<span class="unseen"> {{ item.name }}</span>
                </button>
              </td>
            </tr>
          </tbody>
        </table>
      </div>
    </section>
    <form class="plate rimmed new" @submit.prevent="add">
      <h2>Put into store</h2>
      <FoodPicker
        v-if="isPicking"
        @pick="((foodId = $event), (isPicking = false))"
        @leave="isPicking = false"
      />
      <button v-else class="choice" type="button" @click="isPicking = true">
        {{ picked ? picked.name : 'Choose a food or a component' }}
      </button>
      <label>Weight, g <input v-model="grams" class="field right" inputmode="decimal" /></label>
      <label>Use by <input v-model="useBy" class="field" type="date" /></label>
      <label>Lot <input v-model="lot" class="field" maxlength="60" /></label>
      <button class="choice main" type="submit">Put it in</button>
      <p v-if="isComponent" class="soft">
        Made today. It keeps {{ book.kitchen?.service.keepsDays }} days, the day of making counted; a later
        day is refused.
      </p>
      <p class="soft">
        Leftovers are put in from their service, so that they take their allergens along. A weight of
        {{ gramsText(1000) }} is typed as 1000.
      </p>
    </form>
  </div>
</template>

<style scoped>
.page {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(260px, 320px);
  gap: var(--space-4);
  max-width: 1480px;
  margin: 0 auto;
  padding: 14px 20px var(--space-6);
  align-items: start;
}

.head {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-3);
  align-items: center;
  justify-content: space-between;
}

h1 {
  font-size: var(--text-xl);
}

.scroll {
  /* What is unseen in it stays in it. */
  position: relative;
  overflow-x: auto;
}

.past strong,
.wrong {
  color: var(--brick);
  font-weight: 660;
}

.today strong,
.tomorrow strong {
  color: var(--amber);
}

.new {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: var(--space-3);
}

.new label {
  display: grid;
  grid-template-columns: 90px minmax(0, 1fr);
  align-items: center;
}

.new .field {
  width: 100%;
}

.right {
  text-align: right;
}

@media (max-width: 1000px) {
  .page {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
