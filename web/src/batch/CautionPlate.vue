<script setup lang="ts">
/** What must be minded before and after cooking, and what is only good to know. */
import { computed } from 'vue';
import { useBench } from '../state/bench';

const bench = useBench();
const shown = computed(() =>
  bench.worksheet!.findings.filter(
    ({ severity, lineId }) =>
      severity === 'danger' || (severity === 'caution' && lineId === null) || severity === 'note',
  ),
);
</script>

<template>
  <section v-if="shown.length > 0" class="plate" aria-label="Mind">
    <h2>Mind</h2>
    <ul>
      <li v-for="(each, index) in shown" :key="index" :class="each.severity">{{ each.message }}</li>
    </ul>
  </section>
</template>

<style scoped>
ul {
  display: grid;
  gap: var(--space-2);
  font-size: var(--text-s);
  line-height: 1.35;
}

.danger {
  color: var(--brick);
  font-weight: 680;
}

.caution {
  color: var(--amber);
  font-weight: 600;
}
</style>
