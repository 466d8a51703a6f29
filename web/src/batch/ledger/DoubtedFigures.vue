<script setup lang="ts">
/** Figures the audit of matter doubts: mended in the lines, or a cook stands for them. What cannot be has no such way out. */
import { computed } from 'vue';
import { type Finding, isOf } from '@hand-ladle/core';
import AskedPlate from '../../ui/AskedPlate.vue';
import SayerForm from '../../ui/SayerForm.vue';

const props = defineProps<{ findings: readonly Finding[] }>();
const emit = defineEmits<{ confirm: [what: string, figure: number, by: string] }>();

const doubted = computed(() => props.findings.filter(isOf('assay-impossible', 'assay-unlikely')));
</script>

<template>
  <AskedPlate
    v-if="doubted.length > 0"
    label="Figures in doubt"
    title="Figures a scale or a laboratory would doubt"
    note="They hold the label."
  >
    <li v-for="each in doubted" :key="each.figures.what">
      <p class="doubt">{{ each.message }}</p>
      <SayerForm
        v-if="each.code === 'assay-unlikely'"
        @say="(by) => emit('confirm', String(each.figures.what), Number(each.figures.figure), by)"
      >
        <button class="choice" type="submit">It is so: I stand for it</button>
      </SayerForm>
    </li>
  </AskedPlate>
</template>

<style scoped>
.doubt {
  flex: 1 1 24em;
}
</style>
