<script setup lang="ts">
/** A figure typed by hand: half-typed text stays, arrows step it, a bad one is said and the last good one is kept. */
import { computed, ref, watch } from 'vue';
import { figureText, roundToDecimals, typedFigure } from '@hand-ladle/core';

const props = withDefaults(
  defineProps<{ value: number; label: string; step?: number; decimals?: number; isBig?: boolean }>(),
  { step: 1, decimals: 2, isBig: true },
);
const emit = defineEmits<{ set: [value: number]; done: []; wrong: [text: string] }>();

/** How long the hand rests before what was typed counts as one change, in milliseconds. */
const REST = 600;
let resting: ReturnType<typeof setTimeout> | undefined;

const typed = ref<string | null>(null);
const shown = computed(() => typed.value ?? figureText(props.value, props.decimals));
/** Room for the digits, so that figure and unit stand together. */
const width = computed(() => `${Math.max(2, shown.value.length) + 0.6}ch`);

watch(
  () => props.value,
  (now) => {
    if (typed.value !== null && Math.abs((typedFigure(typed.value) ?? NaN) - now) > 1e-9) typed.value = null;
  },
);

function finish(): void {
  clearTimeout(resting);
  emit('done');
}

function put(value: number): void {
  emit('wrong', '');
  emit('set', value);
  clearTimeout(resting);
  resting = setTimeout(finish, REST);
}

function type(text: string): void {
  typed.value = text;
  const value = typedFigure(text);
  if (text.trim() === '') return;
  if (value !== null && value > 0) put(value);
  else emit('wrong', 'A figure above zero is needed; the last good one is kept.');
}

/** One step up or down, ten with Shift held. */
function stepBy(event: KeyboardEvent, direction: number): void {
  event.preventDefault();
  const next = roundToDecimals(props.value + direction * props.step * (event.shiftKey ? 10 : 1), 3);
  if (next <= 0) return;
  typed.value = null;
  put(next);
}

function leave(): void {
  typed.value = null;
  emit('wrong', '');
  finish();
}
</script>

<template>
  <input
    :class="isBig ? 'big' : 'small'"
    inputmode="decimal"
    autocomplete="off"
    :aria-label="label"
    :value="shown"
    :style="{ width }"
    @input="type(($event.target as HTMLInputElement).value)"
    @keydown.up="stepBy($event, 1)"
    @keydown.down="stepBy($event, -1)"
    @keydown.enter="finish"
    @blur="leave"
  />
</template>

<style scoped>
input {
  padding: 0;
  border: 0;
  background: none;
  text-align: right;
}

.big {
  min-height: 47px;
  font-size: var(--text-xxl);
  font-weight: 720;
  font-stretch: 94%;
}

.small {
  min-height: 38px;
  font-size: var(--text-l);
  font-weight: 660;
}
</style>
