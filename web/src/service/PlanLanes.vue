<script setup lang="ts">
/** One day of a plan drawn to the minute: a row a station, person or dish, an hour a line. The same stands in the table below it. */
import { computed } from 'vue';
import { clockText } from '@hand-ladle/core';
import type { Day, Placed } from './lanes';

const props = defineProps<{ day: Day }>();

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
  left: share(task.start - props.day.from),
  width: share(Math.min(task.end, props.day.to) - task.start),
  top: `${line * 30}px`,
});
const said = ({ task }: Placed): string => `${clockText(task.start)} to ${clockText(task.end)}: ${task.name}`;
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
          <div class="track" :style="{ height: `${lane.lines * 30}px` }">
            <i v-for="hour in hours" :key="hour" class="tick" :style="{ left: share(hour - day.from) }" />
            <span
              v-for="each in lane.placed"
              :key="each.task.id"
              class="task"
              :class="each.task.kind"
              :style="boxOf(each)"
              :title="said(each)"
              >{{ each.task.dish }}: {{ each.task.what }}</span
            >
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
  min-width: 760px;
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
  height: 26px;
  padding: 2px 4px;
  overflow: hidden;
  border: 1.5px solid var(--rim);
  border-radius: 3px;
  background: var(--enamel);
  font-size: 0.75rem;
  font-stretch: var(--slim);
  white-space: nowrap;
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
