<script setup lang="ts">
/** The printer's own page: how it stands, what waits, what came out, and what a person does to it. */
import { computed, onBeforeUnmount, onMounted, ref, shallowRef } from 'vue';
import type { PrinterPage, PrintJob, SimulatedAct } from '@hand-ladle/core';
import { labels } from '../api/labels';
import { useSession } from '../state/session';

const session = useSession();
const page = shallowRef<PrinterPage | null>(null);
const problem = ref('');
/** How often the page looks again, milliseconds. */
const LOOK_AGAIN = 1200;
let timer: ReturnType<typeof setInterval> | undefined;

async function look(): Promise<void> {
  try {
    page.value = await labels.printer();
  } catch (error) {
    problem.value = (error as Error).message;
  }
}
onMounted(() => {
  void session.ready();
  void look();
  timer = setInterval(() => void look(), LOOK_AGAIN);
});
onBeforeUnmount(() => clearInterval(timer));

async function doing(act: () => Promise<PrinterPage>): Promise<void> {
  problem.value = '';
  try {
    page.value = await act();
  } catch (error) {
    problem.value = (error as Error).message;
  }
}
const STATE_WORDS: Readonly<Record<string, string>> = {
  ready: 'Ready',
  jam: 'Jammed',
  'out of roll': 'Out of roll',
  off: 'Off',
};
const ACTS: { act: SimulatedAct; words: string }[] = [
  { act: 'clear', words: 'Clear the jam' },
  { act: 'new-roll', words: 'Put in a new roll' },
  { act: 'short-roll', words: 'Put in the end of a roll' },
  { act: 'jam', words: 'Let the next label jam' },
  { act: 'off', words: 'Switch it off' },
  { act: 'on', words: 'Switch it on' },
];
const JOB_WORDS = {
  waiting: 'waits',
  printing: 'printing',
  stopped: 'stopped',
  done: 'done',
  cancelled: 'ended',
} as const;
const isOpen = ({ state }: PrintJob): boolean =>
  state === 'waiting' || state === 'printing' || state === 'stopped';
const hasStopped = computed(() => page.value?.jobs.some(({ state }) => state === 'stopped') ?? false);
/** What came out, with the job it belongs to; labels of one job stand together. */
const came = computed(() => {
  const jobs = new Map(page.value?.jobs.map((job) => [job.id, job]) ?? []);
  const byJob = new Map<string, { job: PrintJob; sequences: number[]; at: string }>();
  for (const { jobId, sequence, at } of page.value?.outputs ?? []) {
    const job = jobs.get(jobId);
    if (!job) continue;
    const one = byJob.get(jobId) ?? { job, sequences: [], at };
    one.sequences.push(sequence);
    byJob.set(jobId, one);
  }
  return [...byJob.values()];
});
const timed = (at: string): string =>
  new Date(at).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' });
</script>

<template>
  <div class="stack">
    <header>
      <h1>Printer</h1>
      <RouterLink class="choice" to="/labels">Labels</RouterLink>
      <button v-if="!session.person" class="choice" type="button" @click="session.isAsked = true">
        Sign in
      </button>
    </header>
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
    <template v-if="page">
      <section class="plate rimmed" aria-label="The printer">
        <h2>{{ page.printer.name }}</h2>
        <p class="status" role="status">
          <b :class="{ wrong: page.printer.state !== 'ready' }">{{
            STATE_WORDS[page.printer.state] ?? page.printer.state
          }}</b>
          <span
            >{{ page.printer.rollWidthMm }} mm roll, {{ (page.printer.rollLeftMm / 1000).toFixed(1) }} m
            left</span
          >
        </p>
        <div class="acts">
          <button
            v-if="hasStopped"
            class="choice main"
            type="button"
            :disabled="!session.may('cook')"
            @click="doing(labels.resume)"
          >
            Go on printing
          </button>
          <button
            v-for="{ act, words } in ACTS"
            :key="act"
            class="choice"
            type="button"
            :disabled="!session.may('cook')"
            @click="doing(() => labels.simulate(act))"
          >
            {{ words }}
          </button>
        </div>
      </section>
      <section class="plate" aria-label="Jobs">
        <h2>Jobs</h2>
        <p v-if="page.jobs.length === 0" class="soft">
          No job yet. A released label prints from its dish or from the labels.
        </p>
        <div v-else class="wide">
          <table class="sheet-table">
            <thead>
              <tr>
                <th scope="col">Label</th>
                <th scope="col">Batch</th>
                <th scope="col">Paper</th>
                <th scope="col" class="right">Out</th>
                <th scope="col">State</th>
                <th scope="col">Asked by</th>
                <th scope="col"><span class="unseen">End it</span></th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="job in page.jobs" :key="job.id" :data-job="job.id">
                <th scope="row">{{ job.title }}</th>
                <td>
                  <RouterLink v-if="job.batchCode" :to="`/batches/${job.batchCode}`">{{
                    job.batchCode
                  }}</RouterLink>
                </td>
                <td>{{ job.stockName }}</td>
                <td class="right">{{ job.printed }} of {{ job.quantity }}</td>
                <td>
                  <b :class="{ wrong: job.state === 'stopped' }">{{ JOB_WORDS[job.state] }}</b>
                  {{ job.problem }}
                </td>
                <td>{{ job.askedBy }}, {{ timed(job.askedAt) }}</td>
                <td>
                  <button
                    v-if="isOpen(job)"
                    class="choice plain"
                    type="button"
                    :disabled="!session.may('cook')"
                    @click="doing(() => labels.cancel(job.id))"
                  >
                    End it
                  </button>
                </td>
              </tr>
            </tbody>
          </table>
        </div>
      </section>
      <section class="plate" aria-label="What came out">
        <h2>What came out</h2>
        <p v-if="came.length === 0" class="soft">Nothing yet.</p>
        <ul class="came">
          <li v-for="{ job, sequences, at } in came" :key="job.id">
            <img
              :src="`/api/printer/jobs/${job.id}/label.svg`"
              :alt="`Label of ${job.title}, batch ${job.batchCode}`"
            />
            <p>
              <b>{{ job.title }}</b><br />
              {{ sequences.length }} {{ sequences.length === 1 ? 'label' : 'labels' }}, the last at
              {{ timed(at) }}
            </p>
          </li>
        </ul>
      </section>
    </template>
  </div>
</template>

<style scoped>
header,
.acts,
.status {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2) var(--space-3);
  align-items: center;
}

header h1 {
  font-size: var(--text-xxl);
}

.status {
  margin-bottom: var(--space-3);
  font-size: var(--text-l);
}

.wrong,
.problem {
  color: var(--brick);
  font-weight: 650;
}

.came {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-4);
  align-items: flex-start;
}

.came li {
  width: 220px;
  font-size: var(--text-s);
}

.came img {
  display: block;
  width: 100%;
  margin-bottom: var(--space-1);
  box-shadow: var(--shadow);
}
</style>
