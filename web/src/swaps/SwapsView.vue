<script setup lang="ts">
/** The swaps of this kitchen: those on file and its own, by what the food does; what each brings in is worked out. */
import { computed, onMounted, ref } from 'vue';
import { RouterLink } from 'vue-router';
import {
  containedIn,
  fixedText,
  type Making,
  rated,
  roundToDecimals,
  SUBSTANCE_NAMES,
  SWAP_FUNCTIONS,
  type SwapEntry,
} from '@hand-ladle/core';
import { server } from '../api/client';
import { useBook } from '../state/book';
import NewSwap from './NewSwap.vue';
import SwapRate from './SwapRate.vue';

const book = useBook();
const problem = ref('');
const search = ref('');
const work = ref('');
const isWriting = ref(false);
onMounted(() => book.ready());

const own = computed(() => new Set(book.kitchen?.swaps.map(({ id }) => id) ?? []));
const ratings = computed(() => book.kitchen?.ratings ?? []);
const entries = computed(() =>
  [...(book.kitchen?.swaps ?? []), ...book.swaps].map((entry) => rated(entry, ratings.value)),
);
/** As many as a screen takes in at once; the search finds the rest. */
const MOST_SHOWN = 60;
const found = computed(() => {
  const words = search.value.toLowerCase().trim().split(/\s+/).filter(Boolean);
  return entries.value
    .filter((entry) => work.value === '' || entry.function === work.value)
    .filter((entry) => {
      const text = [entry.fromId, ...entry.to.map(({ foodId }) => foodId)]
        .map((id) => book.nameOf(id))
        .join(' ')
        .toLowerCase();
      return words.every((word) => text.includes(word));
    });
});
const shown = computed(() => found.value.slice(0, MOST_SHOWN));

/** What surely comes in with it, by the foods and the packs on record; components say it on their own bench. */
function brings(entry: SwapEntry): string {
  const names = entry.to.flatMap(({ foodId }) => {
    const food = book.foodsById.get(foodId);
    return food && book.kitchen ? containedIn(food, book.kitchen).map((each) => SUBSTANCE_NAMES[each]) : [];
  });
  return [...new Set(names)].join(', ');
}
const MAKING_WORDS: Record<Making, string> = {
  baking: 'baking',
  dough: 'a dough',
  pan: 'frying in',
  simmering: 'simmering',
  blending: 'blending',
  shaping: 'a shaped mix',
  cold: 'cold dishes',
};
function limits({ limits: { notFor, onlyFor, mostShare } }: SwapEntry): string {
  const words = [
    ...(onlyFor.length > 0 ? [`only for ${onlyFor.map((each) => MAKING_WORDS[each]).join(', ')}`] : []),
    ...(notFor.length > 0 ? [`not for ${notFor.map((each) => MAKING_WORDS[each]).join(', ')}`] : []),
    ...(mostShare === null ? [] : [`at most ${roundToDecimals(mostShare * 100, 0)} % of the mix`]),
  ].join('; ');
  return words.charAt(0).toUpperCase() + words.slice(1);
}
const percent = (share: number): string => String(roundToDecimals(share * 100, 0));

async function remove(id: string): Promise<void> {
  try {
    book.replaceKitchen(await server.removeSwap(book.kitchen!.id, id));
    problem.value = '';
  } catch (error) {
    problem.value = (error as Error).message;
  }
}
</script>

<template>
  <div class="stack">
    <section class="plate rimmed">
      <header>
        <h1>Swaps</h1>
        <span class="soft">{{ entries.length }} on file, {{ own.size }} of them this kitchen’s own</span>
        <RouterLink to="/larder">Back to the larder</RouterLink>
      </header>
      <div class="ask">
        <label>
          <span class="unseen">Find a food</span>
          <input v-model="search" class="field" placeholder="Find a food, in or out" />
        </label>
        <label>
          <span class="unseen">Work of the food</span>
          <select v-model="work" class="field">
            <option value="">any work</option>
            <option v-for="each in SWAP_FUNCTIONS" :key="each" :value="each">{{ each }}</option>
          </select>
        </label>
        <button class="choice main" type="button" @click="isWriting = !isWriting">Write a swap</button>
      </div>
      <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
      <NewSwap v-if="isWriting" @done="isWriting = false" />
    </section>
    <section class="plate rimmed">
      <div class="wide">
        <table class="sheet-table">
          <thead>
            <tr>
              <th scope="col">Instead of</th>
              <th scope="col">Goes in, for 1 g</th>
              <th scope="col">Work</th>
              <th scope="col">Brings in</th>
              <th scope="col">How, and where not</th>
              <th scope="col" class="right">Taste</th>
              <th scope="col" class="right">Texture</th>
              <th scope="col">Source</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="entry in shown" :key="entry.id">
              <th scope="row">{{ book.nameOf(entry.fromId) }}</th>
              <td>
                <span v-for="to in entry.to" :key="to.foodId" class="to"
                  >{{ fixedText(to.ratio, 2) }} {{ book.nameOf(to.foodId).toLowerCase() }}</span
                >
                <span v-if="entry.waterRatio > 0" class="to soft"
                  >{{ fixedText(entry.waterRatio, 2) }} water</span
                >
              </td>
              <td>{{ entry.function }}</td>
              <td>
                <span v-if="brings(entry)" class="hazard contains">{{ brings(entry) }}</span>
                <span v-else class="soft">nothing</span>
              </td>
              <td class="how">
                {{ entry.hint }} <b v-if="limits(entry)">{{ limits(entry) }}.</b>
              </td>
              <td class="right">{{ percent(entry.taste) }}</td>
              <td class="right">{{ percent(entry.texture) }}</td>
              <td>
                {{ own.has(entry.id) ? 'own, ' : '' }}{{ entry.source }}
                <SwapRate :entry="entry" />
                <button v-if="own.has(entry.id)" class="choice plain" type="button" @click="remove(entry.id)">
                  Take out
                </button>
              </td>
            </tr>
          </tbody>
        </table>
      </div>
      <p v-if="found.length > shown.length" class="soft">
        {{ found.length - shown.length }} more: narrow the search.
      </p>
      <p v-if="found.length === 0" class="soft">No swap on file for that. Write this kitchen’s own.</p>
    </section>
  </div>
</template>

<style scoped>
header,
.ask {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: var(--space-2) var(--space-3);
  margin-bottom: var(--space-2);
}

header a {
  margin-left: auto;
}

h1 {
  font-size: var(--text-xxl);
  font-weight: 720;
}

.to {
  display: block;
  white-space: nowrap;
}

.sheet-table td :deep(.choice.plain) {
  min-height: 24px;
  padding: 0 8px;
}

.how {
  max-width: 320px;
  font-size: var(--text-s);
}

.sheet-table td {
  font-size: var(--text-m);
  vertical-align: top;
  padding-top: 8px;
}

.sheet-table tbody th {
  vertical-align: top;
  padding-top: 8px;
}

.problem {
  color: var(--brick);
  font-weight: 600;
}
</style>
