<script setup lang="ts">
/** The answer to "why?" for a weight of the ledger or a figure of the batch: formulas with their figures, origins and sources. */
import 'element-plus/es/components/drawer/style/css';
import { ElDrawer } from 'element-plus/es/components/drawer/index.mjs';
import { computed } from 'vue';
import { explainFigure, explainLine, FIGURE_NAMES, type WorksheetLine } from '@hand-ladle/core';
import { useBench } from '../state/bench';
import { usePrompts } from '../state/prompts';

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
const reasons = computed(() => {
  if (!bench.worksheet) return [];
  if (line.value) return explainLine(line.value, bench.worksheet);
  return prompts.whyFigure ? explainFigure(prompts.whyFigure, bench.worksheet) : [];
});
const title = computed(() =>
  line.value ? line.value.name : prompts.whyFigure ? FIGURE_NAMES[prompts.whyFigure] : '',
);
const isShown = computed({
  get: () => title.value !== '',
  set: (shown) => {
    if (shown) return;
    prompts.whyLineId = null;
    prompts.whyFigure = null;
  },
});
</script>

<template>
  <ElDrawer v-model="isShown" :title="title && `Why: ${title}`" size="min(420px, 92vw)">
    <p v-if="line" class="written">Written: “{{ line.text }}”</p>
    <ol>
      <li v-for="(reason, index) in reasons" :key="index">
        <h3>{{ reason.what }}</h3>
        <p class="formula">{{ reason.formula }}</p>
        <p class="soft">{{ reason.source }}</p>
      </li>
    </ol>
    <p v-if="reasons.length === 0" class="soft">Nothing of it is in this batch.</p>
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
