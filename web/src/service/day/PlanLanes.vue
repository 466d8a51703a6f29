<script setup lang="ts">
/** One day of a plan drawn to the minute: a row a station, person or dish, an hour a line. The same stands in the table below it. */
import { computed, ref } from 'vue';
import { clockText } from '@hand-ladle/core';
import type { Day, Placed, Task } from './lanes';

const props = defineProps<{ day: Day }>();
/** A task is put elsewhere, or is no longer held where it is. */
const emit = defineEmits<{ move: [task: Task, start: number]; unpin: [task: Task] }>();

const span = computed(() => Math.max(60, props.day.to - props.day.from));
const hours = computed(() => {
  const step = span.value > 720 ? 120 : 60;
  return Array.from(
    { length: Math.floor(span.value / step) + 1 },
    (_, index) => props.day.from + index * step,
  );
});
const share = (minutes: number): string => `${(minutes / span.value) * 100}%`;
const dayName = computed(() =>
  props.day.day === 0 ? 'The day' : props.day.day === -1 ? 'The day before' : `${-props.day.day} days before`,
);
const boxOf = ({ task, line }: Placed) => ({
  left: share(task.start + dragged(task) - props.day.from),
  width: share(Math.min(task.end, props.day.to) - task.start),
  top: `calc(${line} * var(--line))`,
});
const said = ({ task }: Placed): string =>
  `${clockText(task.start)} to ${clockText(task.end)}: ${task.name}${task.isPinned ? ', held here' : ''}`;

/** Tasks are put on whole steps of so many minutes. */
const STEP = 5;
const drag = ref<{ task: Task; fromX: number; perMinute: number; minutes: number } | null>(null);
const dragged = (task: Task): number => (drag.value?.task.id === task.id ? drag.value.minutes : 0);

function grab(event: PointerEvent, task: Task): void {
  if (event.button !== 0) return;
  const bar = event.currentTarget as HTMLElement;
  bar.setPointerCapture(event.pointerId);
  const perMinute = bar.parentElement!.clientWidth / span.value;
  drag.value = { task, fromX: event.clientX, perMinute, minutes: 0 };
}
function pull(event: PointerEvent): void {
  if (!drag.value) return;
  const minutes = (event.clientX - drag.value.fromX) / drag.value.perMinute;
  drag.value = { ...drag.value, minutes: Math.round(minutes / STEP) * STEP };
}
function drop(): void {
  const put = drag.value;
  drag.value = null;
  if (put && put.minutes !== 0) emit('move', put.task, put.task.start + put.minutes);
}
const nudge = (task: Task, minutes: number): void => emit('move', task, task.start + minutes);
</script>

<template>
  <figure :aria-label="`${dayName}, drawn to the minute; the table below says the same`">
    <figcaption>{{ dayName }}</figcaption>
    <div class="scroll" tabindex="0" role="region" :aria-label="`${dayName}, in time`">
      <div class="drawing">
        <div class="hours" aria-hidden="true">
          <span v-for="hour in hours" :key="hour" class="figure" :style="{ left: share(hour - day.from) }">{{
            clockText(hour)
          }}</span>
        </div>
        <div v-for="lane in day.lanes" :key="lane.name" class="lane">
          <span class="name">{{ lane.name }}</span>
          <div class="track" :style="{ height: `calc(${lane.lines} * var(--line))` }">
            <i v-for="hour in hours" :key="hour" class="tick" :style="{ left: share(hour - day.from) }" />
            <button
              v-for="each in lane.placed"
              :key="each.task.id"
              class="task"
              :class="[each.task.kind, { pinned: each.task.isPinned }]"
              type="button"
              :style="boxOf(each)"
              :title="said(each)"
              :aria-label="said(each)"
              @pointerdown="grab($event, each.task)"
              @pointermove="pull"
              @pointerup="drop"
              @pointercancel="drag = null"
              @keydown.left.prevent="nudge(each.task, -STEP)"
              @keydown.right.prevent="nudge(each.task, STEP)"
              @keydown.enter.prevent="
                each.task.isPinned ? emit('unpin', each.task) : emit('move', each.task, each.task.start)
              "
            >
              {{ each.task.isPinned ? '⊙ ' : '' }}{{ each.task.dish }}: {{ each.task.what }}
            </button>
          </div>
        </div>
      </div>
    </div>
  </figure>
</template>

<style scoped>
figure {
  margin: 0 0 var(--space-3);
}

figcaption {
  font-weight: 660;
}

.scroll {
  overflow-x: auto;
}

.drawing {
  --line: 30px;

  min-width: 760px;
}

@media (pointer: coarse) {
  .drawing {
    --line: 48px;
  }
}

.hours {
  position: relative;
  height: 20px;
  margin-left: 148px;
  margin-right: 24px;
}

.hours span {
  position: absolute;
  transform: translateX(-50%);
  font-size: var(--text-s);
  color: var(--ink-soft);
}

.lane {
  display: grid;
  grid-template-columns: 140px 1fr;
  gap: var(--space-2);
  border-top: 1px solid var(--hairline);
  padding: 2px 0;
}

.name {
  align-self: center;
  font-stretch: var(--narrow);
  font-weight: 560;
}

.track {
  position: relative;
  margin-right: 24px;
}

.tick {
  position: absolute;
  top: 0;
  bottom: 0;
  border-left: 1px solid var(--hairline);
}

.task {
  position: absolute;
  height: calc(var(--line) - 4px);
  padding: 2px 4px;
  overflow: hidden;
  border: 1.5px solid var(--rim);
  border-radius: 3px;
  background: var(--enamel);
  font-size: 0.75rem;
  font-stretch: var(--slim);
  text-align: left;
  white-space: nowrap;
  cursor: grab;
  touch-action: pan-y;
}

.task.pinned {
  border-width: 3px;
  font-weight: 660;
}

.task.cook {
  background: var(--rim-wash);
}

.task.wait {
  border-style: dotted;
}

.task.clean {
  border: 1.5px dashed var(--amber-line);
  background: var(--amber-wash);
}

.task.portion {
  border-width: 1.5px 1.5px 4px;
}
</style>
