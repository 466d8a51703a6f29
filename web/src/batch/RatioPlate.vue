<script setup lang="ts">
/** How the mix stands: its ratios by weight against the usual band for its kind, said before anything is weighed. */
import { computed } from 'vue';
import type { Ratio } from '@hand-ladle/core';
import { useBench } from '../state/bench';

const bench = useBench();
const ratios = computed(() => bench.worksheet!.ratios);

const VERDICT_WORDS: Record<Ratio['verdict'], string> = {
  below: 'below the usual band',
  within: 'as usual',
  above: 'above the usual band',
};

/** Where the value stands on a bar whose middle half is the usual band, in percent. */
function placeOf({ value, low, high }: Ratio): number {
  const place = 25 + ((value - low) / (high - low)) * 50;
  return Math.min(98, Math.max(2, place));
}
</script>

<template>
  <section v-if="ratios.length > 0" class="plate" aria-label="How the mix stands">
    <h2>How the mix stands, by weight</h2>
    <ul>
      <li v-for="ratio in ratios" :key="ratio.id" :class="{ off: ratio.verdict !== 'within' }">
        <p class="name">
          {{ ratio.name }} <b class="figure">{{ ratio.text }}</b>
        </p>
        <span class="bar" aria-hidden="true"><i :style="{ left: `${placeOf(ratio)}%` }" /></span>
        <p class="words">{{ ratio.words }}; {{ VERDICT_WORDS[ratio.verdict] }}, {{ ratio.bandText }}</p>
      </li>
    </ul>
  </section>
</template>

<style scoped>
ul {
  display: grid;
  gap: var(--space-3);
}

.name {
  display: flex;
  justify-content: space-between;
  gap: var(--space-2);
}

.bar {
  position: relative;
  display: block;
  height: 8px;
  margin: 3px 0;
  border-radius: 4px;
  background: linear-gradient(to right, var(--track) 25%, var(--rim) 25% 75%, var(--track) 75%);
}

.bar i {
  position: absolute;
  top: -3px;
  width: 5px;
  height: 14px;
  margin-left: -2px;
  border: 1px solid var(--enamel);
  border-radius: 2px;
  background: var(--ink);
}

.words {
  font-size: var(--text-s);
  color: var(--ink-soft);
}

.off .words {
  color: var(--amber);
  font-weight: 600;
}
</style>
