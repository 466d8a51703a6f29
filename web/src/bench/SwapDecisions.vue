<script setup lang="ts">
/** Swaps that no longer fit what they stand in, and a variant that is not what it is for: decided here. */
import { computed } from 'vue';
import { RouterLink } from 'vue-router';
import { useBench } from '../state/bench';

const bench = useBench();
const CODES = new Set([
  'swap-unfit',
  'variant-not-free',
  'variant-unread',
  'variant-unknown',
  'cooked-apart',
]);
const open = computed(() => bench.worksheet?.findings.filter(({ code }) => CODES.has(code)) ?? []);
</script>

<template>
  <ul v-if="open.length > 0" class="open" aria-label="About the swaps">
    <li v-for="(finding, index) in open" :key="index" :class="finding.severity">
      <strong>{{ finding.message }}</strong>
      <span class="choices">
        <RouterLink
          v-if="finding.code !== 'cooked-apart'"
          class="choice"
          :to="`/dishes/${bench.recipe!.id}/free-from`"
          >Plan it again</RouterLink
        >
        <button
          v-if="finding.code === 'swap-unfit'"
          class="choice"
          type="button"
          @click="bench.takeSwap(String(finding.figures.foodId), null)"
        >
          Take the swap out
        </button>
      </span>
    </li>
  </ul>
</template>

<style scoped>
.open {
  display: grid;
  gap: 2px;
  padding: var(--space-2) 20px 0;
}

li {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px var(--space-3);
  padding: var(--space-2) var(--space-3);
  background: var(--amber-wash);
  box-shadow: inset 4px 0 0 var(--amber-line);
}

li.danger {
  background: var(--brick-wash);
  box-shadow: inset 4px 0 0 var(--brick);
}

strong {
  font-weight: 620;
  font-size: var(--text-m);
}

.choices {
  display: flex;
  gap: 6px;
}
</style>
