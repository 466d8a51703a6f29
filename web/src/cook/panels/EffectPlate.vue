<script setup lang="ts">
/** What an entry would change, told before it is written. */
import type { Effect } from '@hand-ladle/core';

defineProps<{ effect: Effect | null }>();
</script>

<template>
  <div class="effect" :class="{ worse: effect?.isWorse }" role="status">
    <p v-if="effect === null">Working it out …</p>
    <p v-else-if="effect.changes.length === 0">It changes nothing that is declared.</p>
    <template v-else>
      <p v-if="effect.isWorse" class="stop">Stop and read: it changes who may eat this.</p>
      <ul>
        <li v-for="change in effect.changes" :key="change">{{ change }}</li>
      </ul>
    </template>
  </div>
</template>

<style scoped>
.effect {
  padding: var(--space-3) var(--space-4);
  border-left: 6px solid var(--hairline);
  background: var(--enamel-deep);
  font-size: 24px;
}

.worse {
  border-left: 6px solid var(--brick);
  background: var(--brick-wash);
  color: var(--brick);
}

.stop {
  font-weight: 740;
}
</style>
