<script setup lang="ts">
/** A day as the inspector asks for it: its batches, every reading with its limit, rounds and deliveries written here. */
import { computed, onMounted, ref, shallowRef, watch } from 'vue';
import {
  type BatchRow,
  dateFrom,
  type EntryBody,
  type OpenBreach,
  type Point,
  type ServiceList,
} from '@hand-ladle/core';
import { call } from '../api/client';
import { useAuthor } from '../cook/offline/author';
import { cookServer } from '../cook/offline/cook-server';
import { useStove } from '../cook/offline/stove';
import ActionPanel from '../cook/panels/ActionPanel.vue';
import ReadingPanel from '../cook/panels/ReadingPanel.vue';
import SignPanel from '../cook/panels/SignPanel.vue';
import { useBook } from '../state/book';
import { useFirstRead } from '../state/first-read';
import { useReadAgain } from '../state/read-again';
import { todayIn } from '../state/today';
import RecordList from './RecordList.vue';

const book = useBook();
const author = useAuthor();
const stove = useStove();
const date = ref('');
const list = shallowRef<ServiceList | null>(null);
const rows = shallowRef<BatchRow[]>([]);
const panel = ref<'reading' | 'sign' | 'action' | null>(null);
const first = ref<Point>('cold-hold');
const breach = shallowRef<OpenBreach | null>(null);
const today = computed(() => todayIn(book.kitchen));
const query = computed(() => new URLSearchParams({ kitchenId: book.kitchen?.id ?? '', date: date.value }));

const { problem, again } = useFirstRead(async () => {
  await book.ready();
  if (date.value === '') date.value = today.value;
  list.value = await call<ServiceList>(`/api/safety-log?${query.value}`);
  rows.value = await cookServer.batchesOf(book.kitchen!.id, date.value);
});
onMounted(again);
useReadAgain(again);
watch(
  [() => book.kitchen?.id, date],
  ([now], [before]) => before !== undefined && now !== undefined && void again(),
);

/** Written like at the stove: kept here first, sent when it can be. */
async function write(body: EntryBody): Promise<string> {
  const id = await stove.write(body, `day ${book.kitchen!.id} ${date.value}`);
  await stove.reread();
  await again();
  return id;
}
function measure(point: Point): void {
  first.value = point;
  panel.value = 'reading';
}
function out(found: OpenBreach): void {
  breach.value = found;
  panel.value = 'action';
}
const POINTS: readonly Point[] = ['cold-hold', 'delivery', 'receiving', 'probe', 'hot-hold', 'oil'];
</script>

<template>
  <div class="stack">
    <section class="plate rimmed" aria-labelledby="records-title">
      <header class="head">
        <h1 id="records-title">Food safety log</h1>
        <span class="day">
          <button type="button" class="choice" aria-label="The day before" @click="date = dateFrom(date, -1)">
            ‹
          </button>
          <label
            ><span class="unseen">Day</span><input v-model="date" class="field" type="date" :max="today"
          /></label>
          <button
            type="button"
            class="choice"
            aria-label="The day after"
            :disabled="date >= today"
            @click="date = dateFrom(date, 1)"
          >
            ›
          </button>
        </span>
        <span class="files">
          <a class="choice plain" :href="`/api/safety-log.pdf?${query}`">PDF</a>
          <a class="choice plain" :href="`/api/safety-log.csv?${query}`">CSV</a>
        </span>
      </header>
      <div class="acts">
        <button type="button" class="choice main" @click="measure('cold-hold')">Fridge round</button>
        <button type="button" class="choice" @click="measure('delivery')">Delivery</button>
        <button type="button" class="choice" @click="measure('probe')">Probe in ice water</button>
        <button type="button" class="choice plain" @click="panel = 'sign'">
          {{ author.name ? `${author.name}${author.isSigned ? '' : ', not signed'}` : 'Who are you?' }}
        </button>
      </div>
      <p v-if="problem" class="wrong" role="alert">{{ problem }}</p>
      <p v-if="stove.unsent > 0" class="wrong" role="status">{{ stove.unsent }} not sent yet.</p>
      <RecordList v-if="list" :list="list" />
    </section>
    <section class="plate" aria-labelledby="batches-title">
      <h2 id="batches-title">Batches of the day</h2>
      <p v-if="rows.length === 0" class="soft">None was opened.</p>
      <ul class="rows">
        <li v-for="row in rows" :key="row.code">
          <RouterLink :to="`/records/${row.code}`">{{ row.code }} {{ row.name }}</RouterLink>
          <span class="soft"
            >{{ row.phase }}{{ row.groups.length > 0 ? `, for ${row.groups.join(', ')}` : '' }}</span
          >
        </li>
      </ul>
    </section>
    <ReadingPanel
      v-if="panel === 'reading' && book.kitchen"
      :kitchen="book.kitchen"
      :points="POINTS"
      :first="first"
      :place="first === 'cold-hold' ? (book.kitchen.safety.coldPlaces[0] ?? '') : ''"
      :places="first === 'cold-hold' ? book.kitchen.safety.coldPlaces : []"
      :write="write"
      @close="panel = null"
      @out="out"
    />
    <ActionPanel
      v-if="panel === 'action' && breach && book.kitchen"
      :breach="breach"
      :actions="book.kitchen.safety.actions"
      :write="write"
      @close="panel = null"
    />
    <SignPanel v-if="panel === 'sign'" @close="panel = null" />
  </div>
</template>

<style scoped>
.head,
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-3);
  align-items: center;
}

h1 {
  font-size: var(--text-xxl);
}

.day {
  display: flex;
  gap: 4px;
}

.files {
  margin-left: auto;
}

.acts {
  margin: var(--space-3) 0;
}

.rows li {
  display: flex;
  gap: var(--space-3);
  align-items: center;
  min-height: var(--touch);
  border-top: 1px solid var(--hairline);
}

.wrong {
  color: var(--brick);
  font-weight: 650;
}
</style>
