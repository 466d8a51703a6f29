<script setup lang="ts">
/** The first rows that an import refuses, each with why. */
import type { Refusal } from '@hand-ladle/core';

defineProps<{ refused: readonly Refusal[] }>();
const MOST_SHOWN = 50;
</script>

<template>
  <table class="refused">
    <thead>
      <tr>
        <th scope="col" class="right">Line</th>
        <th scope="col">Row</th>
        <th scope="col">Why it is refused</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="each in refused.slice(0, MOST_SHOWN)" :key="each.line">
        <td class="right figure">{{ each.line.toLocaleString('en') }}</td>
        <th scope="row">{{ each.name }}</th>
        <td>
          <p v-for="reason in each.reasons" :key="reason.column + reason.message">
            <span class="soft">{{ reason.column }}:</span> {{ reason.message }}
          </p>
        </td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
.refused {
  width: 100%;
  margin-top: var(--space-3);
  border-collapse: collapse;
}

th,
td {
  padding: 4px var(--space-3);
  text-align: left;
  border-bottom: 1px solid var(--hairline);
  vertical-align: middle;
  overflow-wrap: anywhere;
}

thead th {
  font-size: var(--text-s);
  font-weight: 560;
  color: var(--ink-soft);
}

tbody th {
  font-weight: 450;
}

.right {
  text-align: right;
}
</style>
