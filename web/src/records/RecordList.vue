<script setup lang="ts">
/** A record as it is printed: sections of rows, with what must be known before it is read. */
import type { ServiceList } from '@hand-ladle/core';

defineProps<{ list: ServiceList }>();
</script>

<template>
  <div>
    <ul class="notes">
      <li v-for="note in list.notes" :key="note">{{ note }}</li>
    </ul>
    <section v-for="section in list.sections" :key="section.heading" :aria-label="section.heading">
      <h2>{{ section.heading }}</h2>
      <div class="wide" tabindex="0" role="region" :aria-label="`${section.heading}, table`">
        <table class="sheet-table">
          <thead>
            <tr>
              <th v-for="column in list.columns" :key="column.name" :class="{ right: column.isNumber }">
                {{ column.name }}
              </th>
            </tr>
          </thead>
          <tbody>
            <tr
              v-for="(row, index) in section.rows"
              :key="index"
              :class="{ out: row.some((cell) => /\bOUT\b/.test(cell)) }"
            >
              <td v-for="(cell, at) in row" :key="at" :class="{ right: list.columns[at]?.isNumber }">
                {{ cell }}
              </td>
            </tr>
          </tbody>
        </table>
      </div>
    </section>
  </div>
</template>

<style scoped>
.notes {
  display: grid;
  gap: 2px;
  color: var(--ink-soft);
}

h2 {
  margin: var(--space-4) 0 var(--space-1);
  font-size: var(--text-l);
}

td {
  vertical-align: top;
}

.out td {
  color: var(--brick);
  font-weight: 620;
}
</style>
