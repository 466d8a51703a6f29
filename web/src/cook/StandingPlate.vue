<script setup lang="ts">
/** What must be in sight the whole time: what it is to be free from, why it stands at check, what is out and unanswered. */
import { computed } from 'vue';
import type { BatchState, OpenedBatch } from '@hand-ladle/core';

const props = defineProps<{ opened: OpenedBatch; state: BatchState }>();
const emit = defineEmits<{ answer: []; stand: [] }>();
const openBreach = computed(() => props.state.breaches[0] ?? null);
</script>

<template>
  <p
    v-if="opened.claim.length > 0"
    class="claim"
    :class="{ broken: state.claim.some(({ isKept }) => !isKept) }"
  >
    <strong>
      {{
        state.claim.every(({ isKept }) => isKept)
          ? `TO BE FREE FROM ${state.claim.map(({ name }) => name.toUpperCase()).join(', ')}`
          : `NOT FREE FROM ${state.claim
              .filter(({ isKept }) => !isKept)
              .map(({ name }) => name.toUpperCase())
              .join(', ')}`
      }}
    </strong>
    <span v-if="opened.groups.length > 0">for {{ opened.groups.join(', ') }}</span>
  </p>
  <ul v-if="state.check.length > 0" class="check" role="alert">
    <li v-for="each in state.check" :key="each">CHECK: {{ each }}</li>
    <li v-if="state.asks.length > 0">
      <button type="button" class="key" @click="emit('stand')">Answer for it</button>
    </li>
  </ul>
  <p v-if="openBreach" class="check" role="alert">
    {{ openBreach.words }}
    <button type="button" class="key" @click="emit('answer')">What was done?</button>
  </p>
</template>

<style scoped>
.check {
  margin: 0 var(--space-4);
  padding: var(--space-2) var(--space-4);
  border-radius: var(--radius-s);
  background: var(--brick-wash);
  color: var(--brick);
  font-size: 24px;
  font-weight: 680;
}

.check {
  border: 3px dashed var(--brick);
}

.check {
  margin: 0 var(--space-4);
  padding: var(--space-2) var(--space-4);
  border: 3px dashed var(--brick);
  border-radius: var(--radius-s);
  background: var(--brick-wash);
  color: var(--brick);
  font-size: 24px;
  font-weight: 680;
}

.claim {
  display: flex;
  gap: var(--space-4);
  align-items: baseline;
  margin: 0 var(--space-4);
  padding: var(--space-1) var(--space-4);
  border: 4px solid var(--rim);
  border-radius: var(--radius-s);
  font-size: 26px;
}

.claim.broken {
  border-color: var(--brick);
  background: var(--brick);
  color: var(--on-dark);
}
</style>
