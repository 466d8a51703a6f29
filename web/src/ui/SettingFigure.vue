<script setup lang="ts">
/** A figure of a setting: kept when the field is left; a bad one stays to be corrected and is said. */
import { ref, watch } from 'vue';
import { figureText, typedFigure } from '@hand-ladle/core';

const props = withDefaults(
  defineProps<{
    label: string;
    value: number | null;
    least?: number;
    most?: number;
    isWhole?: boolean;
    takesWeight?: boolean;
    /** What an empty field means. */
    empty?: string;
  }>(),
  { least: 0, most: 1_000_000, empty: 'not known' },
);
/** Null where the field was emptied: nobody knows the figure. */
const emit = defineEmits<{ set: [value: number | null] }>();

const text = (value: number | null): string => (value === null ? '' : figureText(value, 4));
const typed = ref(text(props.value));
const problem = ref('');
watch(
  () => props.value,
  (now) => {
    typed.value = text(now);
    problem.value = '';
  },
);

function keep(): void {
  const trimmed = typed.value.trim();
  const value = typedFigure(trimmed);
  const isFigure = trimmed === '' || (value !== null && value >= props.least && value <= props.most);
  problem.value = isFigure ? '' : `${props.least} to ${props.most}`;
  if (!isFigure) return;
  const kept = value !== null && props.isWhole ? Math.round(value) : value;
  if (kept !== props.value) emit('set', kept);
  typed.value = text(kept);
}
</script>

<template>
  <span>
    <input
      v-model="typed"
      class="field"
      inputmode="decimal"
      :data-takes-weight="takesWeight ? '' : undefined"
      :aria-label="label"
      :aria-invalid="problem !== ''"
      :placeholder="value === null ? empty : ''"
      @change="keep"
    />
    <span v-if="problem" class="problem" role="alert">{{ problem }}</span>
  </span>
</template>

<style scoped>
.field {
  width: 86px;
  min-height: 36px;
  padding: 2px 8px;
  text-align: right;
}

.field[aria-invalid='true'] {
  border-color: var(--brick);
}

.problem {
  display: block;
  font-size: var(--text-s);
  color: var(--brick);
}
</style>
