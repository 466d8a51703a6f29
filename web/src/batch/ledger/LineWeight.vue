<script setup lang="ts">
/** The weight of a line for the scale, which answers "why?"; under it its share of the mass, spoons, and how far the scale is off. */
import { computed } from 'vue';
import { figureText, scaleText, type WorksheetLine } from '@hand-ladle/core';
import { usePrompts } from '../../state/prompts';
import AmountText from '../../ui/AmountText.vue';

const props = defineProps<{ line: WorksheetLine; isChild: boolean }>();
const prompts = usePrompts();

const weight = computed(() =>
  props.line.scaleGrams === null ? null : scaleText(props.line.scaleGrams, props.line.stepGrams),
);
/** Errors below this are not said: the scale shows the weight as it is. */
const UNSEEN_ERROR = 0.0005;
const offText = computed(() => {
  const { scaleError, scaleGrams } = props.line;
  if (scaleGrams === null || Math.abs(scaleError) < UNSEEN_ERROR) return '';
  return `${scaleError > 0 ? '+' : '−'}${figureText(Math.abs(scaleError) * 100, 1)} %`;
});
</script>

<template>
  <div :class="{ child: isChild }">
    <button v-if="weight" class="weight" type="button" @click="prompts.whyLineId = line.id">
      <span class="unseen">{{ line.name }}: </span><AmountText v-bind="weight" /><span class="unseen"
        >. Why?</span
      >
      <span class="share" aria-hidden="true"
        ><i :style="{ width: `${Math.max(1, line.share * 100)}%` }"
      /></span>
    </button>
    <span v-else class="unknown">not known</span>
    <span v-if="weight && (offText || line.spoons || !line.scaleName)" class="off">
      <span v-if="line.spoons">{{ line.spoons.text }}{{ line.loads.length > 1 ? ' a load' : '' }}</span>
      <span v-if="!line.scaleName" class="coarse">no scale shows it</span>
      <span v-else-if="offText">{{ offText }}</span>
    </span>
  </div>
</template>

<style scoped>
.weight {
  position: relative;
  display: inline-block;
  min-width: 92px;
  padding: 2px 0 0;
  border: 0;
  background: none;
  text-align: right;
  font-size: var(--text-xl);
  font-weight: 700;
  line-height: 1.15;
}

.child .weight {
  font-size: var(--text-l);
  font-weight: 600;
}

.weight:hover {
  color: var(--rim);
}

.share {
  display: block;
  height: 3px;
  margin-top: 3px;
  background: var(--track);
  border-radius: 2px;
}

.share i {
  display: block;
  height: 100%;
  background: var(--rim);
  border-radius: 2px;
}

.off {
  display: block;
  margin-top: 1px;
  font-size: var(--text-s);
  color: var(--ink-soft);
  line-height: 1.15;
}

.off span + span::before {
  content: ', ';
}

.coarse {
  color: var(--amber);
  font-weight: 600;
}

.unknown {
  color: var(--amber);
  font-weight: 640;
}
</style>
