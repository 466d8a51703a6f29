<script setup lang="ts">
/** A table into the larder: choose the file, say which column is what, try it, then import all accepted rows or none. */
import { computed, onBeforeUnmount, onMounted, ref, shallowRef, useTemplateRef } from 'vue';
import { RouterLink } from 'vue-router';
import type { FinishedImport, ImportKind, ImportView, PackAnswer } from '@hand-ladle/core';
import { server, type ServerError } from '../api/client';
import { useBook } from '../state/book';
import FinishedImports from './FinishedImports.vue';
import RefusedRows from './RefusedRows.vue';
import SheetMarks from './SheetMarks.vue';

const ASK_EVERY = 150;
const book = useBook();
const kind = ref<ImportKind>('foods');
const view = shallowRef<ImportView | null>(null);
const mapping = ref<Record<string, string>>({});
const hasDecimalComma = ref(false);
/** What a person said that marks of a specification sheet mean. */
const marks = ref<Record<string, PackAnswer>>({});
const finished = useTemplateRef<{ load: () => Promise<void> }>('finished');
const existing = ref<'update' | 'refuse'>('refuse');
const problem = ref('');
const isUploading = ref(false);
let timer: ReturnType<typeof setTimeout> | undefined;
onBeforeUnmount(() => clearTimeout(timer));

const progress = computed(() => view.value?.progress ?? null);
const isRunning = computed(() => progress.value?.state === 'running');
const hasTried = computed(() => progress.value?.state === 'done' && progress.value.isDryRun);
const isImported = computed(() => progress.value?.state === 'done' && !progress.value.isDryRun);
const share = computed(() =>
  progress.value && progress.value.bytes > 0 ? progress.value.bytesRead / progress.value.bytes : 0,
);
const lacking = computed(() =>
  (view.value?.fields ?? []).filter(
    (field) => field.required && !Object.values(mapping.value).includes(field.id),
  ),
);
const SEPARATORS: Readonly<Record<string, string>> = {
  ',': 'commas',
  ';': 'semicolons',
  '\t': 'tabs',
  '|': 'bars',
};
const many = (count: number): string => count.toLocaleString('en');

function failed(error: unknown): void {
  const { message, details } = error as ServerError;
  const [first] = details as { line?: number; message?: string }[];
  problem.value = first?.message
    ? `${message} (${first.line ? `line ${first.line}: ` : ''}${first.message})`
    : message;
}

async function upload(file: File | undefined): Promise<void> {
  if (!file) return;
  problem.value = '';
  isUploading.value = true;
  view.value = null;
  try {
    await book.ready();
    const taken = await server.uploadTable(kind.value, file);
    view.value = taken;
    mapping.value = { ...taken.mapping };
    hasDecimalComma.value = taken.hasDecimalComma;
    marks.value = {};
  } catch (error) {
    failed(error);
  } finally {
    isUploading.value = false;
  }
}

/** An upload that is mapped, tried or running on the server goes on here after a reload, as it stands there. */
async function takeUp(): Promise<void> {
  try {
    await book.ready();
    const [one] = await server.openImports();
    if (!one || view.value || isUploading.value) return;
    kind.value = one.kind;
    view.value = one;
    mapping.value = { ...(one.asked?.mapping ?? one.mapping) };
    hasDecimalComma.value = one.asked?.hasDecimalComma ?? one.hasDecimalComma;
    existing.value = one.asked?.existing ?? 'refuse';
    marks.value = { ...one.asked?.marks };
    if (isRunning.value) follow();
    else if (hasTried.value) takeMarks();
  } catch (error) {
    failed(error);
  }
}
onMounted(takeUp);

async function run(dryRun: boolean): Promise<void> {
  if (!view.value || !book.kitchen) return;
  problem.value = '';
  try {
    view.value = await server.runImport(view.value.id, {
      mapping: mapping.value,
      hasDecimalComma: hasDecimalComma.value,
      existing: existing.value,
      dryRun,
      kitchenId: book.kitchen.id,
      marks: marks.value,
    });
    follow();
  } catch (error) {
    failed(error);
  }
}

/** Asks how far it is until it ends. */
function follow(): void {
  timer = setTimeout(async () => {
    if (!view.value) return;
    try {
      view.value = await server.importView(view.value.id);
    } catch (error) {
      failed(error);
      return;
    }
    if (isRunning.value) follow();
    else if (isImported.value) await refresh();
    else if (hasTried.value) takeMarks();
  }, ASK_EVERY);
}

/** A mark that nobody can know stays open; from now on it is the person's to say. */
function takeMarks(): void {
  for (const { text, means, isDoubtful } of progress.value?.marks ?? [])
    if (!(text in marks.value)) marks.value[text] = isDoubtful ? 'check' : means;
}

async function refresh(): Promise<void> {
  await book.refresh();
  await finished.value?.load();
}
/** What was taken back is no longer the import that stands open here. */
async function takenBack(one: FinishedImport): Promise<void> {
  if (view.value?.id === one.id) view.value = null;
  await refresh();
}

const stop = async (): Promise<void> => {
  if (view.value) view.value = await server.stopImport(view.value.id);
};
</script>

<template>
  <div class="page" @dragover.prevent @drop.prevent="upload($event.dataTransfer?.files[0])">
    <header>
      <h1>Import a table</h1>
      <RouterLink to="/larder">Back to the larder</RouterLink>
    </header>
    <section class="plate">
      <h2>1. The file</h2>
      <div class="choose">
        <label class="pick"
          ><input v-model="kind" type="radio" value="foods" :disabled="isRunning" /> Foods and their
          composition</label
        >
        <label class="pick"
          ><input v-model="kind" type="radio" value="products" :disabled="isRunning" /> A supplier's list, for
          {{ book.kitchen?.name ?? 'this kitchen' }}</label
        >
        <label class="choice main file"
          >Choose a CSV file
          <input
            class="unseen"
            type="file"
            accept=".csv,.tsv,.txt,text/csv"
            :disabled="isRunning"
            @change="upload(($event.target as HTMLInputElement).files?.[0])"
        /></label>
        <span v-if="isUploading" class="soft" role="status">Sending …</span>
      </div>
      <p v-if="view" class="soft">
        {{ view.fileName }}, {{ many(Math.ceil(view.bytes / 1024)) }} kB, {{ view.encoding }}, parted by
        {{ SEPARATORS[view.delimiter] ?? view.delimiter }}, {{ view.headers.length }} columns.
      </p>
      <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
    </section>
    <section v-if="view" class="plate">
      <h2>2. Which column is what</h2>
      <div class="scroll">
        <table>
          <thead>
            <tr>
              <th scope="col">Column of the file</th>
              <th scope="col">First rows</th>
              <th scope="col">Is</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="header in view.headers" :key="header" :class="{ used: mapping[header] }">
              <th scope="row">{{ header }}</th>
              <td class="soft first">
                {{
                  view.sample
                    .slice(0, 3)
                    .map((row) => row[header])
                    .filter(Boolean)
                    .join(' · ')
                }}
              </td>
              <td>
                <select
                  v-model="mapping[header]"
                  class="field"
                  :aria-label="`What ${header} is`"
                  :disabled="isRunning"
                >
                  <option value="">left out</option>
                  <option v-for="each in view.fields" :key="each.id" :value="each.id">{{ each.name }}</option>
                </select>
              </td>
            </tr>
          </tbody>
        </table>
      </div>
      <div class="choose">
        <label class="pick"
          ><input v-model="hasDecimalComma" type="checkbox" /> 1,5 means one and a half</label
        >
        <label v-if="kind === 'foods'" class="pick"
          ><input v-model="existing" type="checkbox" true-value="update" false-value="refuse" /> Foods the
          larder has are updated, not refused</label
        >
      </div>
      <p v-if="kind === 'foods'" class="soft">
        A food whose table does not say that it is one ingredient stands at “check the pack” until its pack is
        read. “Carbohydrate” alone is taken as available; choose “total” if the table means all of it.
      </p>
      <p v-else class="soft">
        A list is no pack: every product stands at “check” until somebody has read its sheet and said yes, row
        by row or for all of it, under
        <RouterLink to="/larder/packs">Packs to read</RouterLink>. An allergen column says yes, no or may
        contain; what it leaves blank stays at “check” even then.
      </p>
      <div class="ends">
        <button
          class="choice main"
          type="button"
          :disabled="isRunning || lacking.length > 0"
          @click="run(true)"
        >
          Try it, change nothing
        </button>
        <span v-if="lacking.length > 0" class="doubt"
          >Say which column is: {{ lacking.map(({ name }) => name).join(', ') }}.</span
        >
      </div>
    </section>
    <section v-if="view && progress && progress.state !== 'waiting'" class="plate" aria-live="polite">
      <h2>3. {{ progress.isDryRun ? 'What would come in' : 'What came in' }}</h2>
      <div class="ends">
        <progress :value="share" max="1" aria-label="Rows read" />
        <span class="figure">{{ many(progress.rows) }} rows</span>
        <button v-if="isRunning" class="choice" type="button" @click="stop">Stop</button>
      </div>
      <p v-if="progress.problem" class="problem" role="alert">{{ progress.problem }}</p>
      <p v-else class="sum">
        <b>{{ many(progress.created) }}</b> new, <b>{{ many(progress.updated) }}</b> changed,
        <b :class="{ bad: progress.refusedCount > 0 }">{{ many(progress.refusedCount) }}</b> refused.
        <template v-if="isImported">All accepted rows are in.</template>
        <template v-else-if="hasTried">Nothing has been changed yet.</template>
      </p>
      <SheetMarks
        v-if="hasTried && progress.marks.length > 0"
        v-model="marks"
        :marks="progress.marks"
        @changed="run(true)"
      />
      <div class="ends">
        <button
          v-if="hasTried && progress.created + progress.updated > 0"
          class="choice main"
          type="button"
          @click="run(false)"
        >
          Import {{ many(progress.created + progress.updated) }}
        </button>
        <a
          v-if="progress.refusedCount > 0 && !isRunning"
          class="choice"
          :href="`/api/imports/${view.id}/refused.csv`"
          download
          >All refused rows</a
        >
        <RouterLink v-if="isImported && kind === 'products'" class="choice main" to="/larder/packs"
          >Read and confirm them</RouterLink
        >
        <RouterLink v-if="isImported" class="choice" to="/larder">See the larder</RouterLink>
      </div>
      <RefusedRows v-if="progress.refused.length > 0" :refused="progress.refused" />
    </section>
    <FinishedImports ref="finished" :is-busy="isRunning" @taken-back="takenBack" />
  </div>
</template>

<style scoped>
.page {
  display: grid;
  gap: var(--space-3);
  max-width: 1080px;
  margin: 0 auto;
  padding: var(--space-4) 20px var(--space-6);
}

header,
.choose,
.ends {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: var(--space-2) var(--space-4);
}

header {
  justify-content: space-between;
}

h1 {
  font-size: var(--text-xl);
}

.plate > h2 {
  font-size: var(--text-l);
  color: var(--ink);
}

.pick {
  display: flex;
  align-items: center;
  gap: var(--space-2);
  min-height: var(--touch);
}

.file {
  display: inline-flex;
  align-items: center;
  cursor: pointer;
}

.file:focus-within {
  outline: 3px solid var(--rim);
  outline-offset: 2px;
}

a.choice {
  display: inline-flex;
  align-items: center;
  text-decoration: none;
}

.scroll {
  max-height: 380px;
  overflow: auto;
  margin-bottom: var(--space-2);
}

table {
  width: 100%;
  border-collapse: collapse;
}

th,
td {
  padding: 4px var(--space-3);
  text-align: left;
  border-bottom: 1px solid var(--hairline);
  vertical-align: middle;
  overflow-wrap: anywhere;
}

thead th {
  font-size: var(--text-s);
  font-weight: 560;
  color: var(--ink-soft);
}

tbody th {
  font-weight: 450;
}

tr.used th {
  font-weight: 680;
}

.first {
  max-width: 340px;
}

td .field {
  min-height: 36px;
}

progress {
  flex: 1;
  min-width: 160px;
  height: 12px;
  accent-color: var(--rim);
}

.sum {
  margin: var(--space-2) 0;
  font-size: var(--text-l);
}

.bad,
.problem {
  color: var(--brick);
  font-weight: 600;
}

.doubt {
  color: var(--amber);
  font-weight: 600;
}
</style>
