<script setup lang="ts">
/** What could be said on the label beside its figures: the condition, how it stands, and the tick of a person. */
import type { Claim } from '@hand-ladle/core';

defineProps<{ claims: readonly Claim[]; chosen: readonly string[] }>();
const emit = defineEmits<{ toggle: [id: string] }>();
const WORDS = {
  met: 'met on its whole range',
  'best figure only': 'met by the best figure, not by its whole range',
  'not met': 'not met',
  unknown: 'not known',
} as const;
</script>

<template>
  <section class="plate" aria-label="Claims">
    <h2>Claims, each by a person and never by itself</h2>
    <ul>
      <li v-for="claim in claims" :key="claim.id">
        <label :class="{ off: claim.standing !== 'met' }">
          <input
            type="checkbox"
            :disabled="claim.standing !== 'met'"
            :checked="chosen.includes(claim.id)"
            @change="emit('toggle', claim.id)"
          />
          <b>{{ claim.text }}</b>
        </label>
        <span class="standing">{{ claim.figure }}, {{ WORDS[claim.standing] }}</span>
        <span class="soft">{{ claim.condition }}</span>
      </li>
    </ul>
  </section>
</template>

<style scoped>
li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 0 var(--space-3);
  padding: 5px 0;
  border-top: 1px solid var(--hairline);
  font-size: var(--text-s);
}

label {
  display: flex;
  gap: var(--space-2);
  align-items: center;
  min-height: 28px;
  font-size: var(--text-m);
}

.off {
  color: var(--ink-soft);
}

.standing {
  align-self: center;
}

.soft {
  grid-column: 1 / -1;
}
</style>
