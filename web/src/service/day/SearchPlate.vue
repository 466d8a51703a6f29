<script setup lang="ts">
/** The search for a better plan while it runs: how far it is, what it has, and a stop that keeps the best. */
import { clockText, dayText, type SearchProgress } from '@hand-ladle/core';

defineProps<{ search: SearchProgress }>();
defineEmits<{ stop: [] }>();
</script>

<template>
  <p class="search" role="status">
    <span>
      <span class="figure">{{ search.done }}</span> plans tried. The best begins
      <b class="figure">{{ clockText(search.begins) }}</b> {{ dayText(search.begins)
      }}<template v-if="search.makespanMinutes > search.lowerBoundMinutes"
        >; none can begin more than
        <b class="figure">{{ search.makespanMinutes - search.lowerBoundMinutes }} min</b> later</template
      >.
    </span>
    <button class="choice" type="button" @click="$emit('stop')">Stop, and keep the best</button>
  </p>
</template>

<style scoped>
.search {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-3);
  align-items: center;
}
</style>
