<script setup lang="ts">
/** The batch on a ruler: dragged, everything follows at once. The marks say where one load more begins. */
import { computed, ref } from 'vue';
import { figureText, type Target } from '@hand-ladle/core';
import { useBench } from '../../state/bench';

const bench = useBench();
const sheet = computed(() => bench.worksheet!);
const target = computed(() => bench.target!);

/** Doublings the ruler reaches below and above the home recipe. */
const LEAST = -1;
const MOST = 9;
const STEPS = 1000;

/** The figure that is dragged. */
function figureOf(now: Target): number {
  switch (now.kind) {
    case 'portions':
      return now.portions;
    case 'sizes':
      return now.sizes.reduce((sum, { portions }) => sum + portions, 0);
    case 'weight':
    case 'store':
      return now.grams;
    case 'pans':
      return now.count;
    case 'load':
      return now.loads;
  }
}

/** Steps of figures a cook would say: two digits and a half, whole portions. */
function stepAt(value: number, kind: Target['kind']): number {
  const digits = 10 ** Math.floor(Math.log10(value));
  const least =
    kind === 'portions' || kind === 'sizes' ? 1 : kind === 'weight' || kind === 'store' ? 10 : 0.25;
  return Math.max(least, value >= 20 ? digits / 20 : digits / 10);
}

function round(value: number, kind: Target['kind']): number {
  const step = stepAt(value, kind);
  return Math.max(step, Math.round(value / step) * step);
}

function targetAt(now: Target, value: number): Target {
  const figure = now.kind === 'sizes' ? value : round(value, now.kind);
  switch (now.kind) {
    case 'portions':
      return { ...now, portions: figure };
    case 'sizes': {
      const share = figure / figureOf(now);
      const sizes = now.sizes.map((each) => ({
        ...each,
        portions: Math.max(1, Math.round(each.portions * share)),
      }));
      return { ...now, sizes };
    }
    case 'weight':
    case 'store':
      return { ...now, grams: figure };
    case 'pans':
      return { ...now, count: figure };
    case 'load':
      return { ...now, loads: figure };
  }
}

/** What the target was when the hand took hold: the ruler must not move under it. */
const heldFrom = ref<{ target: Target; home: number } | null>(null);
const home = computed(
  () =>
    heldFrom.value?.home ??
    figureOf(target.value) * (sheet.value.baseGrams / Math.max(1e-9, sheet.value.finishedGrams)),
);
const placeOf = (times: number): number =>
  (Math.min(MOST, Math.max(LEAST, Math.log2(times))) - LEAST) / (MOST - LEAST);
const place = computed(() => Math.round(placeOf(figureOf(target.value) / home.value) * STEPS));

function drag(event: Event): void {
  heldFrom.value ??= { target: target.value, home: home.value };
  const at = Number((event.target as HTMLInputElement).value) / STEPS;
  bench.dragTarget(targetAt(heldFrom.value.target, home.value * 2 ** (LEAST + at * (MOST - LEAST))));
}

/** Arrows go by the figure's own step, however long the ruler is. */
function nudge(direction: number): void {
  const now = target.value;
  const figure = figureOf(now);
  heldFrom.value ??= { target: now, home: home.value };
  bench.dragTarget(targetAt(now, figure + direction * stepAt(figure, now.kind)));
}

function drop(): void {
  heldFrom.value = null;
  bench.dropTarget();
}

interface Mark {
  place: number;
  text: string;
}

/** Home, and where the main machine is full once, twice and so on. */
const marks = computed((): Mark[] => {
  const main = sheet.value.stages.find(({ machine }) => machine && machine.id === sheet.value.vessel?.id);
  const found: Mark[] = [{ place: placeOf(1), text: 'home' }];
  if (!main || !(main.grams > 0) || !(main.holdsGrams > 0)) return found;
  const timesOfLoad = (main.holdsGrams / main.grams) * (sheet.value.finishedGrams / sheet.value.baseGrams);
  for (const loads of [1, 2, 4, 8, 16, 32]) {
    const at = placeOf(timesOfLoad * loads);
    if (at > found[found.length - 1]!.place + 0.14 && at < 0.97)
      found.push({ place: at, text: loads === 1 ? '1 load' : `${loads} loads` });
  }
  return found;
});
const isShown = computed(() => target.value.kind !== 'store' || !target.value.others?.length);
</script>

<template>
  <div v-if="isShown" class="ruler">
    <input
      type="range"
      min="0"
      :max="STEPS"
      :value="place"
      aria-label="Size of the batch"
      :aria-valuetext="`${figureText(sheet.factor, 1)} times the home recipe`"
      @input="drag"
      @change="drop"
      @keydown.right.prevent="nudge(1)"
      @keydown.up.prevent="nudge(1)"
      @keydown.left.prevent="nudge(-1)"
      @keydown.down.prevent="nudge(-1)"
      @keyup="heldFrom && drop()"
      @blur="heldFrom && drop()"
    />
    <div class="marks" aria-hidden="true">
      <span v-for="mark in marks" :key="mark.text" :style="{ left: `${mark.place * 100}%` }">{{
        mark.text
      }}</span>
    </div>
  </div>
</template>

<style scoped>
.ruler {
  flex: 1 1 200px;
  min-width: 180px;
  align-self: center;
}

input {
  display: block;
  width: 100%;
  height: 34px;
  margin: 0;
  background: none;
  appearance: none;
  cursor: grab;
}

input::-webkit-slider-runnable-track {
  height: 10px;
  border-radius: 5px;
  background:
    repeating-linear-gradient(to right, var(--ink-soft) 0 1px, transparent 1px 10%) left 0 top 2px / 100% 6px
      no-repeat,
    var(--track);
}

input::-moz-range-track {
  height: 10px;
  border-radius: 5px;
  background: var(--track);
}

input::-webkit-slider-thumb {
  width: 30px;
  height: 30px;
  margin-top: -10px;
  border: 5px solid var(--rim);
  border-radius: 50%;
  background: var(--enamel);
  appearance: none;
}

input::-moz-range-thumb {
  width: 20px;
  height: 20px;
  border: 5px solid var(--rim);
  border-radius: 50%;
  background: var(--enamel);
}

.marks {
  position: relative;
  height: 15px;
  margin: -4px 15px 0;
  font-size: var(--text-s);
  line-height: 1.1;
  color: var(--ink-soft);
  font-stretch: var(--narrow);
}

.marks span {
  position: absolute;
  transform: translateX(-50%);
  white-space: nowrap;
}
</style>
