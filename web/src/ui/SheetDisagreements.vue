<script setup lang="ts">
/** Where a pack's statement and its supplier's allergen table do not say the same: both, and which of them counts. */
import { type Disagreement, SUBSTANCE_NAMES } from '@hand-ladle/core';

defineProps<{ disagreements: readonly Disagreement[] }>();
const WORDS = {
  contains: 'contains',
  'may-contain': 'may contain',
  none: 'no',
  'not named': 'does not name it',
};
</script>

<template>
  <ul v-if="disagreements.length > 0" class="differ">
    <li v-for="each in disagreements" :key="each.substance">
      <b>{{ SUBSTANCE_NAMES[each.substance] }}</b>: the statement
      {{ each.statement === 'not named' ? '' : 'says ' }}{{ WORDS[each.statement]
      }}<template v-if="each.words"> (“{{ each.words }}”)</template>, the table says {{ WORDS[each.sheet] }}.
      The worse holds.
    </li>
  </ul>
</template>

<style scoped>
.differ {
  margin: 4px 0 0;
  padding: 0;
  list-style: none;
  font-size: var(--text-s);
  font-weight: 600;
  color: var(--amber);
}
</style>
