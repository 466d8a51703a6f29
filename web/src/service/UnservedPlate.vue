<script setup lang="ts">
/** Who has nothing of a dish, at the top of the day: by what was cooked, and by what can be planned. */
import { computed } from 'vue';
import type { EatenTold } from '@hand-ladle/core';

const props = defineProps<{ eaten: EatenTold | null }>();
const without = computed(() =>
  (props.eaten ?? []).flatMap(({ name, recipeId, unserved }) =>
    unserved.map(({ groupId, groupName, heads, blockedBy }) => ({
      key: `${recipeId} ${groupId}`,
      group: groupName,
      heads,
      dish: name,
      why: blockedBy
        .map((each) => (each.reason === '' ? each.name : `${each.name} (${each.reason})`))
        .join('; '),
    })),
  ),
);
</script>

<template>
  <section v-if="without.length > 0" class="plate without" role="alert" aria-label="Not for these groups">
    <p v-for="each in without" :key="each.key">
      <strong>NOT for {{ each.group }} ({{ each.heads }}): {{ each.dish }}.</strong>
      {{ each.why }}.
    </p>
  </section>
</template>

<style scoped>
.without {
  border-left: 6px solid var(--brick);
  color: var(--brick);
}
</style>
