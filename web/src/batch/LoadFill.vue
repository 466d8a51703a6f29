<script setup lang="ts">
/** Each load as a vessel, filled as far as the load fills what it may hold. */
import { computed } from 'vue';

const props = defineProps<{ share: number; loads: number }>();
const MOST_DRAWN = 12;
const drawn = computed(() => Math.min(MOST_DRAWN, props.loads));
const height = computed(() => Math.min(1, Math.max(0.02, props.share)) * 26);
</script>

<template>
  <div
    class="fill"
    role="img"
    :aria-label="`Each load fills ${Math.round(share * 100)} % of what it may hold`"
  >
    <svg v-for="load in drawn" :key="load" viewBox="0 0 48 36" aria-hidden="true">
      <rect x="6" :y="33 - height" width="36" :height="height" />
      <path d="M4 5v24a5 5 0 0 0 5 5h30a5 5 0 0 0 5-5V5" />
      <path class="line" d="M6 7h36" />
    </svg>
    <span class="soft"
      >{{ loads > drawn ? `and ${loads - drawn} more, each` : '' }} {{ Math.round(share * 100) }} % of what it
      may hold</span
    >
  </div>
</template>

<style scoped>
.fill {
  display: flex;
  flex-wrap: wrap;
  align-items: end;
  gap: var(--space-2);
  margin: var(--space-2) 0;
  font-size: var(--text-s);
}

svg {
  width: 44px;
}

rect {
  fill: var(--rim);
  opacity: 0.28;
}

path {
  fill: none;
  stroke: var(--rim);
  stroke-width: 2.5;
  stroke-linecap: round;
}

.line {
  stroke-width: 1;
  stroke-dasharray: 3 3;
}
</style>
