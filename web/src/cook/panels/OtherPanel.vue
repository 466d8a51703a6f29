<script setup lang="ts">
/** What seldom happens: something else went in, a note, another step, the record so far with a correction. */
import { computed, ref } from 'vue';
import { RouterLink } from 'vue-router';
import { useStove } from '../offline/stove';
import StovePanel from './StovePanel.vue';

const emit = defineEmits<{ close: []; add: []; look: [index: number] }>();
const stove = useStove();
const note = ref('');
const correcting = ref<string | null>(null);
const reason = ref('');
const current = computed(() => stove.current!);
const rows = computed(() => current.value.answer.rows);
async function write(): Promise<void> {
  if (note.value.trim() === '') return;
  await stove.write({ kind: 'note', words: note.value.trim() });
  note.value = '';
}
async function correct(of: string): Promise<void> {
  if (reason.value.trim() === '') return;
  await stove.write({ kind: 'correction', of, reason: reason.value.trim(), instead: null });
  correcting.value = null;
  reason.value = '';
}
</script>

<template>
  <StovePanel title="Something else" @close="emit('close')">
    <div class="ways">
      <button type="button" class="key main" @click="emit('add')">Something else went in</button>
      <RouterLink class="key" :to="`/records/${current.code}`">Its record</RouterLink>
    </div>
    <div class="ways" role="group" aria-label="Steps">
      <button
        v-for="(step, index) in current.answer.stove.steps"
        :key="`${step.stepId} ${step.load}`"
        type="button"
        class="key"
        @click="emit('look', index)"
      >
        Step {{ step.number }}{{ step.loads > 1 ? `, load ${step.load}` : ''
        }}{{ step.isDone ? ': done' : '' }}
      </button>
    </div>
    <form class="note" @submit.prevent="write">
      <label>A note<input v-model="note" class="field tall" maxlength="2000" /></label>
      <button class="key" type="submit">Write it down</button>
    </form>
    <ol class="rows">
      <li v-for="row in rows" :key="row.id" :class="{ gone: row.isCorrected }">
        <span class="figure">{{ row.time }}</span>
        <span
          >{{ row.words }}
          <small>{{ row.by || 'nobody said who' }}{{ row.isSent ? '' : ', not sent yet' }}</small></span
        >
        <button
          v-if="row.mayCorrect && !row.isCorrected && correcting !== row.id"
          type="button"
          class="key plain"
          @click="correcting = row.id"
        >
          Wrong
        </button>
        <form v-if="correcting === row.id" class="note" @submit.prevent="correct(row.id)">
          <label>Why is it wrong?<input v-model="reason" class="field tall" maxlength="500" /></label>
          <button class="key" type="submit">It does not count</button>
        </form>
      </li>
    </ol>
  </StovePanel>
</template>

<style scoped>
.ways {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(210px, 1fr));
  gap: var(--space-2);
  margin-bottom: var(--space-3);
}

.key {
  justify-content: center;
}

.note {
  display: flex;
  gap: var(--space-2);
  align-items: end;
  grid-column: 1 / -1;
}

.note label {
  display: grid;
  flex: 1;
  font-size: 20px;
}

.rows li {
  display: grid;
  grid-template-columns: 80px 1fr auto;
  gap: var(--space-3);
  align-items: center;
  min-height: 64px;
  border-top: 1px solid var(--hairline);
  font-size: 21px;
}

.rows small {
  color: var(--ink-soft);
}

.gone {
  color: var(--ink-soft);
  text-decoration: line-through;
}
</style>
