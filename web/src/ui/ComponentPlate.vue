<script setup lang="ts">
/** A component as it is made once: how much, what is over, who it is for, in which machines, and its weights. */
import { RouterLink } from 'vue-router';
import { type ComponentBatch, gramsText, loadsText, type StageView, weightText } from '@hand-ladle/core';

defineProps<{ part: ComponentBatch }>();

const overOf = ({ surplusGrams }: ComponentBatch): string =>
  surplusGrams < 0.5 ? 'nothing over' : `${gramsText(surplusGrams)} over`;
const madeIn = ({ machine, loads, loadGrams }: StageView): string =>
  `${machine?.name ?? 'no machine on record'}, ${`${loads} × ${gramsText(loadGrams)}`.replaceAll(' ', '\u00a0')}`;
</script>

<template>
  <article class="plate" data-component>
    <h2>
      <RouterLink :to="`/dishes/${part.componentId}`">{{ part.name }}</RouterLink>
      <b class="made">{{ gramsText(part.madeGrams) }}</b>
    </h2>
    <p>
      {{ gramsText(part.neededGrams) }} needed, {{ gramsText(part.madeGrams) }} made; {{ overOf(part) }}
      <span v-for="stage in part.stages" :key="stage.work" class="soft"> · {{ madeIn(stage) }}</span>
    </p>
    <ul class="asked">
      <li v-for="each in part.askedBy" :key="each.name">
        {{ each.name }} <b>{{ gramsText(each.grams) }}</b>
      </li>
    </ul>
    <table class="sheet-table">
      <tbody>
        <tr v-for="line in part.lines" :key="line.id">
          <th scope="row">{{ line.name }}</th>
          <td class="right soft">{{ loadsText(line.loads, line.stepGrams).replaceAll(' x ', ' × ') }}</td>
          <td class="right figure">
            <b>{{ line.scaleGrams === null ? 'not known' : weightText(line.scaleGrams, line.stepGrams) }}</b>
          </td>
        </tr>
      </tbody>
    </table>
  </article>
</template>

<style scoped>
.plate {
  border-top: 4px solid var(--rim);
}

h2 {
  display: flex;
  justify-content: space-between;
  gap: var(--space-3);
  margin-bottom: 2px;
  font-size: var(--text-l);
  color: var(--ink);
}

.made {
  font-size: var(--text-xl);
  font-weight: 720;
  white-space: nowrap;
}

.asked {
  display: flex;
  flex-wrap: wrap;
  gap: 0 var(--space-4);
  margin: 4px 0;
  font-size: var(--text-s);
  color: var(--ink-soft);
}
</style>
