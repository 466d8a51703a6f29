<script setup lang="ts">
/** The lists of a service: read here, printed, or taken along as a table or a calendar. */
import { ref, shallowRef, watch } from 'vue';
import type { ServiceList } from '@hand-ladle/core';
import { LIST_NAMES, type ListId, services } from './service-server';

const props = defineProps<{ id: string; version: number }>();

const LISTS = Object.keys(LIST_NAMES) as ListId[];
const open = ref<ListId | null>(null);
const list = shallowRef<ServiceList | null>(null);
const problem = ref('');

watch([open, () => props.version], async ([id]) => {
  list.value = null;
  problem.value = '';
  if (id === null) return;
  try {
    const found = await services.shown(props.id, id);
    if (open.value === id) list.value = found;
  } catch (error) {
    problem.value = (error as Error).message;
  }
});
</script>

<template>
  <section class="plate rimmed" aria-labelledby="lists-title">
    <h2 id="lists-title">Lists</h2>
    <ul class="lists">
      <li v-for="each in LISTS" :key="each">
        <button
          class="choice"
          :class="{ main: open === each }"
          type="button"
          :aria-expanded="open === each"
          @click="open = open === each ? null : each"
        >
          {{ LIST_NAMES[each] }}
        </button>
        <a
          class="choice plain"
          :href="services.fileAt(id, `/${each}.pdf`)"
          :aria-label="`${LIST_NAMES[each]} as PDF`"
          >PDF</a
        >
        <a
          class="choice plain"
          :href="services.fileAt(id, `/${each}.csv`)"
          :aria-label="`${LIST_NAMES[each]} as CSV`"
          >CSV</a
        >
      </li>
      <li>
        <span>The plan</span>
        <a class="choice plain" :href="services.fileAt(id, '.ics')">Calendar file</a>
        <a class="choice plain" :href="services.fileAt(id, '.csv')" aria-label="The plan as CSV">CSV</a>
      </li>
    </ul>
    <p v-if="problem" class="wrong" role="alert">{{ problem }}</p>
    <div v-if="list" class="scroll" tabindex="0" role="region" :aria-label="list.title">
      <p v-for="note in list.notes" :key="note" class="soft">{{ note }}</p>
      <table v-for="section in list.sections" :key="section.heading" class="sheet-table">
        <caption>
          {{
            section.heading
          }}
        </caption>
        <thead>
          <tr>
            <th
              v-for="column in list.columns"
              :key="column.name"
              scope="col"
              :class="{ right: column.isNumber }"
            >
              {{ column.name }}
            </th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(row, index) in section.rows" :key="index">
            <td
              v-for="(cell, at) in row"
              :key="at"
              :class="{ right: list.columns[at]?.isNumber, figure: list.columns[at]?.isNumber }"
            >
              {{ cell }}
            </td>
          </tr>
        </tbody>
      </table>
    </div>
  </section>
</template>

<style scoped>
.lists {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2) var(--space-5);
}

.lists li {
  display: flex;
  gap: 6px;
  align-items: center;
}

.lists .choice {
  display: inline-flex;
  align-items: center;
  min-height: var(--touch);
}

.scroll {
  max-height: 520px;
  overflow: auto;
  margin-top: var(--space-3);
}

caption {
  padding-top: var(--space-3);
  text-align: left;
  font-weight: 660;
}

.wrong {
  color: var(--brick);
  font-weight: 600;
}
</style>
