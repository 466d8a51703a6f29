<script setup lang="ts">
/** The batch sheet a cook tapes to the hood, as it prints: weights in the order of use, boxes to tick, times, cautions. */
import { computed, ref } from 'vue';
import { batchSheet, type SheetEntry } from '@hand-ladle/core';
import { server } from '../api/client';
import { download } from '../api/download';
import { useBench } from '../state/bench';

const bench = useBench();
const page = computed(() => batchSheet(bench.worksheet!, bench.recipe!, bench.kitchen!));

const problem = ref('');
const isMaking = ref(false);
async function pdf(paper: 'a4' | 'letter'): Promise<void> {
  isMaking.value = true;
  problem.value = '';
  try {
    await bench.flush();
    const { recipe, target, kitchen, vesselIds } = bench;
    const blob = await server.batchSheetPdf({
      recipeId: recipe!.id,
      target: target!,
      kitchenId: kitchen!.id,
      vesselIds: [...vesselIds],
      paper,
    });
    download(blob, `batch-sheet-${recipe!.id}.pdf`);
  } catch (error) {
    problem.value = (error as Error).message;
  } finally {
    isMaking.value = false;
  }
}
const print = (): void => window.print();

/** Loads in words; a line breaks between two of them, never within one. */
const weightText = ({ total, loads }: SheetEntry): string =>
  (loads || total)
    .split(' + ')
    .map((part) => part.replace(' x ', ' × ').replaceAll(' ', '\u00a0'))
    .join(' + ');
</script>

<template>
  <div class="page">
    <div class="acts">
      <button class="choice main" type="button" @click="print">Print</button>
      <button class="choice" type="button" :disabled="isMaking" @click="pdf('a4')">PDF, A4</button>
      <button class="choice" type="button" :disabled="isMaking" @click="pdf('letter')">PDF, Letter</button>
      <span v-if="problem" class="problem" role="alert">{{ problem }}</span>
      <span v-else class="soft">One page for the hood. It says what the bench says, and nothing else.</span>
    </div>
    <article class="paper" aria-label="Batch sheet">
      <header>
        <h2>{{ page.title }}</h2>
        <p class="batch">{{ page.batch }}</p>
        <p>{{ page.kitchen }}. Made on ____________ by ____________</p>
      </header>
      <p class="who">
        <b>Contains: {{ page.contains || 'nothing named' }}.</b>
        <template v-if="page.mayContain"> May contain: {{ page.mayContain }}.</template>
        <template v-if="page.check"> Check the pack for: {{ page.check }}.</template>
      </p>
      <p v-if="page.open > 0" class="open">
        {{ page.open === 1 ? 'One question is' : `${page.open} questions are` }} still open on this dish.
      </p>
      <ul class="set">
        <li v-for="machine in page.machines" :key="machine">{{ machine }}</li>
        <li v-if="page.pans">{{ page.pans }}</li>
        <li v-for="ready in page.ready" :key="ready">Have ready: {{ ready }}</li>
      </ul>
      <ol>
        <li v-for="step in page.steps" :key="step.number">
          <table v-if="step.entries.length > 0">
            <tbody>
              <tr v-for="entry in step.entries" :key="entry.lineId">
                <td class="boxes"><i v-for="box in entry.boxes" :key="box" /></td>
                <td class="weight">{{ weightText(entry) }}</td>
                <td>
                  <b>{{ entry.name }}</b> {{ entry.form }}
                  <span v-if="entry.heldBack" class="held">{{ entry.heldBack }}</span>
                  <span v-if="entry.spoons" class="spoons">{{ entry.spoons }}</span>
                </td>
                <td class="brings">{{ entry.allergens.join(', ') }}</td>
              </tr>
            </tbody>
          </table>
          <p class="step">
            <b>{{ step.number }}.</b> {{ step.text }}
          </p>
          <p v-if="step.machine || step.time || step.oven || step.lookTest || step.core" class="mind">
            <span v-if="step.machine">{{ step.machine }}</span>
            <span v-if="step.oven">{{ step.oven }}</span>
            <span v-if="step.time">{{ step.time }}</span>
            <span v-if="step.lookTest">until {{ step.lookTest.replace(/^until /, '') }}</span>
            <span v-if="step.core">core {{ step.core }}</span>
          </p>
        </li>
      </ol>
      <table v-if="page.rest.length > 0">
        <caption>
          No step names these
        </caption>
        <tbody>
          <tr v-for="entry in page.rest" :key="entry.lineId">
            <td class="boxes"><i v-for="box in entry.boxes" :key="box" /></td>
            <td class="weight">{{ weightText(entry) }}</td>
            <td>
              <b>{{ entry.name }}</b> {{ entry.form }}
              <span v-if="entry.heldBack" class="held">{{ entry.heldBack }}</span>
            </td>
            <td class="brings">{{ entry.allergens.join(', ') }}</td>
          </tr>
        </tbody>
      </table>
      <footer v-if="page.cautions.length > 0">
        <p v-for="caution in page.cautions" :key="caution">{{ caution }}</p>
      </footer>
    </article>
  </div>
</template>

<style scoped>
.page {
  max-width: 900px;
  margin: 0 auto;
}

.acts {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: var(--space-2) var(--space-3);
  margin-bottom: var(--space-3);
}

.problem {
  color: var(--brick);
  font-weight: 600;
}

.paper {
  padding: 34px 40px;
  background: #ffffff;
  border-top: 4px solid var(--rim);
  border-radius: 2px;
  color: var(--ink);
  font-size: 1.0625rem;
  line-height: 1.3;
}

h2 {
  font-size: 2rem;
  font-weight: 740;
  line-height: 1.1;
}

.batch {
  font-size: 1.375rem;
  font-weight: 680;
}

.who {
  margin: var(--space-3) 0;
  padding: 6px 12px;
  border: 2.5px solid var(--ink);
  font-size: 1.1875rem;
}

.open {
  color: var(--amber);
  font-weight: 640;
}

.set {
  display: flex;
  flex-wrap: wrap;
  gap: 0 var(--space-5);
  margin-bottom: var(--space-2);
  font-weight: 560;
}

ol > li {
  padding: 8px 0;
  border-top: 1.5px solid var(--ink);
  break-inside: avoid;
}

table {
  width: 100%;
  border-collapse: collapse;
}

caption {
  padding-top: 8px;
  border-top: 1.5px solid var(--ink);
  text-align: left;
  font-weight: 620;
}

.brings {
  width: 14%;
}

td {
  padding: 3px 12px 3px 0;
  vertical-align: baseline;
}

.boxes {
  width: 9%;
  white-space: nowrap;
}

.boxes i {
  display: inline-block;
  width: 18px;
  height: 18px;
  margin-right: 4px;
  border: 2px solid var(--ink);
  border-radius: 2px;
  vertical-align: -2px;
}

.weight {
  width: 28%;
  font-size: 1.5rem;
  font-weight: 740;
  line-height: 1.15;
}

.held,
.spoons {
  display: block;
  font-size: var(--text-m);
}

.held {
  font-weight: 680;
}

.brings {
  text-align: right;
  font-weight: 640;
}

.mind {
  display: flex;
  flex-wrap: wrap;
  gap: 0 var(--space-4);
  font-weight: 660;
}

footer {
  margin-top: var(--space-2);
  padding-top: var(--space-2);
  border-top: 2.5px solid var(--ink);
  font-weight: 560;
}

@media print {
  .page {
    max-width: none;
  }

  .acts {
    display: none;
  }

  .paper {
    padding: 0;
    border: 0;
  }
}
</style>
