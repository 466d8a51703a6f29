<script setup lang="ts">
/** The answer to "why?" for a weight of the ledger: formulas with their figures, origins and sources. */
import { computed } from 'vue';
import { ElDrawer } from 'element-plus/es/components/drawer/index.mjs';
import 'element-plus/es/components/drawer/style/css';
import { explainLine, type WorksheetLine } from '@hand-ladle/core';
import { useBench } from '../stores/bench';
import { usePrompts } from '../stores/prompts';

const bench = useBench();
const prompts = usePrompts();

function find(lines: readonly WorksheetLine[], id: string): WorksheetLine | null {
  for (const line of lines) {
    const found = line.id === id ? line : find(line.children, id);
    if (found) return found;
  }
  return null;
}
const line = computed(() =>
  prompts.whyLineId && bench.worksheet ? find(bench.worksheet.lines, prompts.whyLineId) : null,
);
const reasons = computed(() =>
  line.value && bench.worksheet ? explainLine(line.value, bench.worksheet) : [],
);
const isShown = computed({
  get: () => line.value !== null,
  set: (shown) => {
    if (!shown) prompts.whyLineId = null;
  },
});
</script>

<template>
  <ElDrawer v-model="isShown" :title="line ? `Why: ${line.name}` : ''" size="min(420px, 92vw)">
    <p class="written">Written: “{{ line?.text }}”</p>
    <ol>
      <li v-for="reason in reasons" :key="reason.what">
        <h3>{{ reason.what }}</h3>
        <p class="formula">{{ reason.formula }}</p>
        <p class="soft">{{ reason.source }}</p>
      </li>
    </ol>
  </ElDrawer>
</template>

<style scoped>
.written {
  color: var(--ink-soft);
  margin-bottom: var(--space-4);
}

ol {
  display: grid;
  gap: var(--space-4);
}

h3 {
  font-size: var(--text-s);
  color: var(--ink-soft);
}

.formula {
  font-weight: 640;
}

.soft {
  font-size: var(--text-s);
}
</style>
