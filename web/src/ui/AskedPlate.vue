<script setup lang="ts">
/** What stands in doubt about a dish as a whole, above its lines: each question with its answers beside it. */
defineProps<{ label: string; title: string; note: string }>();
</script>

<template>
  <section class="asked-plate" :aria-label="label">
    <h2>
      {{ title }}
      <span class="soft">{{ note }}</span>
    </h2>
    <ul>
      <slot />
    </ul>
  </section>
</template>

<style scoped>
.asked-plate {
  margin-bottom: var(--space-3);
  padding: var(--space-3) var(--space-4);
  background: var(--amber-wash);
  border: 1.5px dashed var(--amber-line);
  border-radius: var(--radius);
}

h2 {
  font-size: var(--text-m);
  color: var(--amber);
}

:slotted(li) {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  justify-content: space-between;
  gap: 6px var(--space-4);
  padding: 6px 0;
}

:slotted(li + li) {
  border-top: 1px solid var(--hairline);
}

.soft {
  font-size: var(--text-s);
}
</style>
