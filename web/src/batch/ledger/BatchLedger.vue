<script setup lang="ts">
/** The ledger: each line as written, its weight for the scale, its loads, first addition, and what it brings. */
import { computed, nextTick, ref } from 'vue';
import { figureText, gramsText, type WorksheetLine } from '@hand-ladle/core';
import { useBench } from '../../state/bench';
import { usePrompts } from '../../state/prompts';
import NamedNowhere from '../../ui/NamedNowhere.vue';
import DoubtedFigures from './DoubtedFigures.vue';
import HomeRecipe from './HomeRecipe.vue';
import LedgerRow from './LedgerRow.vue';

const bench = useBench();
const prompts = usePrompts();
const sheet = computed(() => bench.worksheet!);
const isLoaded = computed(() => sheet.value.loadCount > 1);
const isHeldBack = computed(() => sheet.value.lines.some((line) => line.heldBackGrams > 0));
const opened = ref(new Set<string>());

interface Shown {
  line: WorksheetLine;
  depth: number;
  /** A heading before the row, where a part of the recipe begins. */
  heading: string | null;
}

/** The part that begins with a line: "glaze"; null while the part goes on, or where the recipe has none. */
function headingBefore(lines: readonly WorksheetLine[], index: number, depth: number): string | null {
  const part = lines[index]!.part;
  if (depth > 0 || part === (lines[index - 1]?.part ?? '')) return null;
  return part || 'The rest';
}

/** Lines with the opened components' lines under them, to any depth. */
function shown(lines: readonly WorksheetLine[], depth = 0): Shown[] {
  return lines.flatMap((line, index) => [
    { line, depth, heading: headingBefore(lines, index, depth) },
    ...(opened.value.has(line.id) ? shown(line.children, depth + 1) : []),
  ]);
}
const rows = computed(() => shown(sheet.value.lines));

function toggle(id: string): void {
  const next = new Set(opened.value);
  if (!next.delete(id)) next.add(id);
  opened.value = next;
}

const rounding = computed(() => {
  const { roundedFinishedGrams, finishedGrams } = sheet.value;
  const share = finishedGrams > 0 ? roundedFinishedGrams / finishedGrams - 1 : 0;
  return `${share < 0 ? '−' : '+'}${figureText(Math.abs(share) * 100, 2)} %`;
});

/** Up and down go from weight to weight, as a finger down the column. */
function move(event: KeyboardEvent, by: number): void {
  const now = event.target as HTMLElement;
  if (!now.classList.contains('weight')) return;
  const weights = [...(event.currentTarget as HTMLElement).querySelectorAll<HTMLElement>('.weight')];
  const next = weights[weights.indexOf(now) + by];
  if (!next) return;
  event.preventDefault();
  next.focus();
}

const isHomeShown = ref(false);
const added = ref('');
const addField = ref<HTMLInputElement | null>(null);

async function add(): Promise<void> {
  const text = added.value.trim();
  if (text === '') return;
  await bench.addLine(text);
  added.value = '';
  await nextTick();
  addField.value?.focus();
}
</script>

<template>
  <NamedNowhere
    :findings="sheet.findings"
    :is-variant="bench.isVariant"
    @add="bench.addLine"
    @not-in="bench.sayNotIn"
  />
  <DoubtedFigures :findings="sheet.findings" @confirm="bench.standFor" />
  <div class="ledger">
    <HomeRecipe v-if="isHomeShown" @leave="isHomeShown = false" />
    <table @keydown.down="move($event, 1)" @keydown.up="move($event, -1)">
      <thead>
        <tr>
          <th scope="col">Line</th>
          <th scope="col" class="right">
            <button
              class="home"
              type="button"
              :aria-expanded="isHomeShown"
              @click="isHomeShown = !isHomeShown"
            >
              At home, {{ gramsText(sheet.baseGrams) }}
            </button>
          </th>
          <th scope="col" class="right">Batch</th>
          <th v-if="isLoaded" scope="col" class="right">Loads</th>
          <th v-if="isHeldBack" scope="col" class="right">At first</th>
          <th scope="col">Must not eat it</th>
        </tr>
      </thead>
      <tbody>
        <template v-for="row in rows" :key="row.line.id">
          <tr v-if="row.heading" class="part">
            <th scope="colgroup" :colspan="4 + Number(isLoaded) + Number(isHeldBack)">{{ row.heading }}</th>
          </tr>
          <LedgerRow
            :line="row.line"
            :depth="row.depth"
            :is-loaded="isLoaded"
            :is-held-back="isHeldBack"
            :is-opened="opened.has(row.line.id)"
            @toggle="toggle(row.line.id)"
          />
        </template>
      </tbody>
    </table>
    <p class="sums">
      <button type="button" @click="prompts.whyFigure = 'finished'">
        {{ gramsText(sheet.massBalance.putInGrams) }} put in,
        <b>{{ gramsText(sheet.finishedGrams) }} finished</b> ({{ gramsText(sheet.finishedLowGrams) }} to
        {{ gramsText(sheet.finishedHighGrams) }})
      </button>
      <button type="button" @click="prompts.whyFigure = 'rounding'">
        as weighed {{ gramsText(sheet.roundedFinishedGrams) }}, {{ rounding }}
      </button>
    </p>
    <form v-if="!bench.isVariant" class="add" @submit.prevent="add">
      <input
        ref="addField"
        v-model="added"
        class="field"
        maxlength="400"
        placeholder="Add a line as you would say it: 2 tbsp lemon juice"
        aria-label="Add a line"
      />
      <button class="choice" type="submit" :disabled="added.trim() === ''">Add line</button>
    </form>
  </div>
</template>

<style scoped>
.part th {
  padding: var(--space-2) 12px 4px;
  text-align: left;
  font-size: var(--text-s);
  font-weight: 640;
  color: var(--rim);
  border-top: 1px solid var(--hairline);
}

.part th::first-letter {
  text-transform: uppercase;
}

.ledger {
  background: var(--enamel);
  border-radius: var(--radius);
  border: 1.5px solid var(--rim);
  border-top-width: 4px;
  overflow-x: auto;
}

table {
  width: 100%;
  border-collapse: collapse;
}

thead th {
  padding: 6px 9px;
  text-align: left;
  font-size: var(--text-s);
  font-weight: 560;
  color: var(--ink-soft);
  border-bottom: 1px solid var(--hairline);
  white-space: nowrap;
}

thead th:first-child {
  padding-left: 12px;
}

thead th.right {
  text-align: right;
}

.home {
  min-height: 30px;
  padding: 0;
  border: 0;
  background: none;
  color: var(--rim);
  font-weight: 600;
}

.sums {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  gap: 0 var(--space-4);
  padding: 2px 12px;
  border-top: 1.5px solid var(--rim);
  font-size: var(--text-s);
}

.sums button {
  min-height: 36px;
  padding: 0;
  border: 0;
  background: none;
  text-align: left;
  color: var(--ink-soft);
}

.sums button:hover {
  color: var(--rim);
  text-decoration: underline;
}

.sums b {
  color: var(--ink);
  font-weight: 680;
}

.add {
  display: flex;
  gap: var(--space-2);
  padding: var(--space-2) var(--space-3);
}

.add .field {
  flex: 1;
  min-width: 0;
}

@media (max-width: 760px) {
  thead {
    display: none;
  }
}
</style>
