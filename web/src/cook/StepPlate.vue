<script setup lang="ts">
/** The step that is on: what it says, its marks, what goes in now, and the next one in sight. */
import type { StoveLine, StoveStep } from '@hand-ladle/core';
import StoveLineRow from './StoveLineRow.vue';

defineProps<{
  step: StoveStep;
  next: StoveStep | null;
  limit: string;
  coolings: readonly { where: string; words: string; standing: string }[];
}>();
const emit = defineEmits<{ weigh: [line: StoveLine] }>();
</script>

<template>
  <section class="work" aria-label="The step that is on">
    <div class="told">
      <h1>
        Step {{ step.number
        }}<span v-if="step.loads > 1" class="load">load {{ step.load }} of {{ step.loads }}</span>
        <small>{{ step.station }}</small>
      </h1>
      <p class="text">{{ step.text }}</p>
      <dl class="marks">
        <div v-if="step.lookTest">
          <dt>Look</dt>
          <dd>{{ step.lookTest }}</dd>
        </div>
        <div v-if="step.time">
          <dt>Time</dt>
          <dd>{{ step.time }}</dd>
        </div>
        <div v-if="step.oven">
          <dt>Oven</dt>
          <dd>{{ step.oven }}</dd>
        </div>
        <div v-if="limit">
          <dt>Core</dt>
          <dd>{{ limit }}</dd>
        </div>
      </dl>
      <p v-for="each in coolings" :key="each.where" class="cooling" :class="each.standing.replace(' ', '-')">
        {{ each.where ? `${each.where}: ` : 'Cooling: ' }}{{ each.words }}
      </p>
      <p v-if="next" class="next">
        Next{{ next.load === step.load ? '' : `, load ${next.load}` }}: {{ next.text }}
      </p>
    </div>
    <div class="lines" :class="{ few: step.lines.length <= 4 }" role="group" aria-label="Goes in now">
      <StoveLineRow
        v-for="line in step.lines"
        :key="`${line.lineId} ${line.load}`"
        :line="line"
        @open="emit('weigh', line)"
      />
      <p v-if="step.lines.length === 0" class="nothing">Nothing goes in with this step.</p>
    </div>
  </section>
</template>

<style scoped>
.work {
  display: grid;
  grid-template-columns: minmax(0, 0.85fr) minmax(0, 1fr);
  gap: var(--space-3);
  flex: 1;
  min-height: 0;
  padding: 0 var(--space-4);
}

.told,
.lines {
  overflow: auto;
  min-height: 0;
  border-radius: var(--radius);
}

.told {
  padding: var(--space-3) var(--space-4);
  background: var(--enamel);
  border-top: 6px solid var(--rim);
}

.told h1 {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 0 var(--space-4);
  font-size: 28px;
}

.lines {
  overflow: auto;
  min-height: 0;
  border-radius: var(--radius);
}

.lines {
  display: grid;
  grid-auto-rows: minmax(min-content, 132px);
  align-content: start;
}

.few :deep(.name) {
  font-size: 40px;
}

.few :deep(.weight) {
  font-size: 64px;
}

.load {
  color: var(--rim);
}

.text {
  margin: var(--space-2) 0;
  font-size: 31px;
  font-weight: 560;
  line-height: 1.18;
}

.marks div {
  display: grid;
  grid-template-columns: 80px 1fr;
  align-items: baseline;
}

.marks dt {
  font-size: 20px;
  color: var(--ink-soft);
}

.marks dd {
  font-size: 32px;
  font-weight: 700;
  line-height: 1.15;
}

.next {
  margin-top: var(--space-3);
  padding-top: var(--space-2);
  border-top: 1px solid var(--hairline);
  font-size: 22px;
  color: var(--ink-soft);
}

.cooling {
  margin-top: var(--space-2);
  font-size: 26px;
  font-weight: 680;
}

.cooling.will-fail,
.cooling.failed,
.cooling.missing {
  color: var(--brick);
}

.nothing {
  padding: var(--space-4);
  font-size: 26px;
  color: var(--ink-soft);
}

small {
  font-size: 17px;
  font-weight: 450;
}

@media (max-width: 900px) {
  .work {
    grid-template-columns: 1fr;
    grid-template-rows: minmax(0, 0.8fr) minmax(0, 1fr);
  }
}

@media (max-width: 620px) {
  .work {
    display: block;
  }
}
</style>
