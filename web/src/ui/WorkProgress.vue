<script setup lang="ts">
/** Long work says how far it is, and can be stopped. */
import type { Progress } from '@hand-ladle/core';

defineProps<{ progress: Progress | null }>();
defineEmits<{ stop: [] }>();
</script>

<template>
  <div class="work" role="status">
    <span
      >{{ progress?.stage ?? 'Looking for the best swaps' }} …
      <template v-if="progress?.of">{{ progress.done }} of {{ progress.of }}</template
      ><template v-else-if="progress && progress.done > 0">{{ progress.done }} beginnings looked at</template>
    </span>
    <progress v-if="progress?.of" :value="progress.done" :max="progress.of" />
    <button class="choice" type="button" @click="$emit('stop')">Stop</button>
  </div>
</template>

<style scoped>
.work {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: var(--space-3);
}

progress {
  width: 180px;
  accent-color: var(--rim);
}
</style>
