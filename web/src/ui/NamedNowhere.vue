<script setup lang="ts">
/** What the words of a dish name and no line holds, each settled here: it goes into the list, or it is not in the dish. */
import { computed } from 'vue';
import { type Finding, isOf } from '@hand-ladle/core';
import AskedPlate from './AskedPlate.vue';
import SayerForm from './SayerForm.vue';

const props = defineProps<{
  findings: readonly Finding[];
  /** A variant has its parent's words: they are settled there. */
  isVariant: boolean;
}>();
const emit = defineEmits<{ add: [written: string]; notIn: [name: string, by: string] }>();

/** Own words only: what a component names is settled in the component. */
const asked = computed(() =>
  props.findings
    .filter(isOf('named-nowhere', 'named-unknown'))
    .filter(({ lineId }) => lineId === null)
    .map(({ code, figures }) => ({
      isKnown: code === 'named-nowhere',
      name: String(figures.name),
      written: String(figures.written),
      places: figures.places,
      warns: 'warns' in figures ? String(figures.warns) : '',
    })),
);
</script>

<template>
  <AskedPlate
    v-if="asked.length > 0"
    label="Named, and in no line"
    title="Named in the text, and in no line"
    note="Until it is settled it is to be checked for all it may carry."
  >
    <li v-for="each in asked" :key="each.name">
      <p>
        <b>“{{ each.written }}”</b>
        <template v-if="each.warns"> in {{ each.places }} warns of {{ each.warns }}.</template>
        <template v-else>
          stands in {{ each.places }}<template v-if="!each.isKnown">, and nobody knows it</template>.
        </template>
      </p>
      <p v-if="isVariant" class="soft">Settle it in the dish this one follows.</p>
      <SayerForm v-else @say="(by) => emit('notIn', each.name, by)">
        <button class="choice" type="button" @click="emit('add', each.written)">
          It is in: add it to the list
        </button>
        <button class="choice" type="submit">It is not in the dish</button>
      </SayerForm>
    </li>
  </AskedPlate>
</template>

<style scoped>
.soft {
  font-size: var(--text-s);
}
</style>
