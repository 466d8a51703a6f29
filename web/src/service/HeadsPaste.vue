<script setup lang="ts">
/** Heads pasted or read from a file: tried first, every row that cannot be taken is told, then they take the place of what stands. */
import { ref, shallowRef } from 'vue';
import type { HeadsTable, SavedServiceTold } from '@hand-ladle/core';
import { services } from './service-server';

const props = defineProps<{ kitchenId: string }>();
const emit = defineEmits<{ put: [heads: SavedServiceTold['heads']] }>();

const text = ref('');
const found = shallowRef<HeadsTable | null>(null);
const problem = ref('');

async function read(): Promise<void> {
  problem.value = '';
  try {
    found.value = await services.readHeads(props.kitchenId, text.value);
  } catch (error) {
    found.value = null;
    problem.value = (error as Error).message;
  }
}

async function take(event: Event): Promise<void> {
  const file = (event.target as HTMLInputElement).files?.[0];
  if (!file) return;
  text.value = await file.text();
  await read();
}

function put(): void {
  emit(
    'put',
    found.value!.heads.map((each) => ({ ...each, codes: [...each.codes] })),
  );
  found.value = null;
  text.value = '';
}
</script>

<template>
  <details>
    <summary>Paste or import heads</summary>
    <p class="soft">
      A row a group: group, heads, site, portion in grams, codes. Or a row a bed or seat with its code.
    </p>
    <label>
      <span class="unseen">Heads as a table</span>
      <textarea v-model="text" class="field" rows="4" placeholder="Coeliac; 7; Ward 2" />
    </label>
    <p class="acts">
      <label class="choice plain">
        Choose a CSV file
        <input class="unseen" type="file" accept=".csv,.tsv,.txt" @change="take" />
      </label>
      <button class="choice" type="button" :disabled="text.trim() === ''" @click="read">Read them</button>
    </p>
    <p v-if="problem" class="wrong" role="alert">{{ problem }}</p>
    <div v-if="found" aria-live="polite">
      <p>
        <strong>{{ found.taken }} rows taken, {{ found.refused.length }} refused.</strong> Nothing has been
        changed yet.
      </p>
      <ul class="refused">
        <li v-for="each in found.refused.slice(0, 20)" :key="each.row">
          Row {{ each.row }}: {{ each.reason }} <span class="soft">({{ each.text }})</span>
        </li>
      </ul>
      <button class="choice main" type="button" :disabled="found.taken === 0" @click="put">
        Put these heads in the place of those above
      </button>
    </div>
  </details>
</template>

<style scoped>
summary {
  min-height: var(--touch);
  padding-top: var(--space-2);
  font-weight: 560;
}

textarea {
  width: 100%;
  padding: var(--space-2);
}

.acts {
  display: flex;
  gap: var(--space-2);
  align-items: center;
}

.acts .choice {
  display: inline-flex;
  align-items: center;
  min-height: var(--touch);
}

.refused {
  margin-bottom: var(--space-2);
}

.refused li,
.wrong {
  color: var(--brick);
  font-weight: 560;
}
</style>
