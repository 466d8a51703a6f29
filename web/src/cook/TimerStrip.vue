<script setup lang="ts">
/** All timers of all batches in one strip: time left, name; what rings stands out, is heard, and is answered here. */
import { usePreferredReducedMotion } from '@vueuse/core';
import { computed, watch } from 'vue';
import { keptFromTold, standing, type Timer, timersAt } from '@hand-ladle/core';
import { ring } from './offline/sound';
import { useStove } from './offline/stove';
import { leftText } from './offline/timer-text';

const stove = useStove();
const motion = usePreferredReducedMotion();
/** Records change seldom, the clock each second: only the clock is worked out again. */
const records = computed(() =>
  stove.batches.map(({ code, opened, entries }) => ({
    code,
    name: opened.name,
    record: standing(entries.map(keptFromTold)),
  })),
);
const timers = computed(() =>
  records.value
    .flatMap(({ code, name, record }) =>
      timersAt(code, record, stove.now).map((timer) => ({ ...timer, dish: name })),
    )
    .sort((one, other) => one.dueAt - other.dueAt),
);
const ringing = computed(() => timers.value.filter((timer) => timer.standing === 'ringing'));
const RING_EVERY_SECONDS = 4;
watch(
  () => Math.floor(stove.now / 1000),
  (second) => {
    const worst = Math.max(0, ...ringing.value.map(({ urgency }) => urgency)) as Timer['urgency'];
    if (worst > 0 && second % RING_EVERY_SECONDS === 0) ring(worst);
  },
);
watch(
  () => ringing.value.map(({ name }) => name).join(', '),
  (names) => (document.title = names === '' ? 'At the stove | Hand Ladle' : `${names}! | Hand Ladle`),
);
const answer = ({ timer, code }: Timer): Promise<string> =>
  stove.write({ kind: 'timer-answered', timer }, code);
const stop = ({ timer, code }: Timer): Promise<string> => stove.write({ kind: 'timer-stopped', timer }, code);
</script>

<template>
  <section v-if="timers.length > 0" class="strip" aria-label="Timers">
    <div
      v-for="timer in timers"
      :key="`${timer.code} ${timer.timer}`"
      class="timer"
      :class="[`urgency-${timer.urgency}`, { still: motion === 'reduce' }]"
      :data-timer="timer.name"
    >
      <span class="left figure">{{ leftText(timer.secondsLeft) }}</span>
      <span class="name">
        {{ timer.name }}
        <small
          >{{ timer.dish }}{{ timer.everyMinutes === null ? '' : `, every ${timer.everyMinutes} min` }}</small
        >
      </span>
      <button
        v-if="timer.standing === 'ringing' || timer.everyMinutes !== null"
        type="button"
        class="key"
        :aria-label="`Looked: ${timer.name}`"
        @click="answer(timer)"
      >
        {{ timer.everyMinutes === null ? 'Done' : 'Looked' }}
      </button>
      <button type="button" class="key plain" :aria-label="`Stop: ${timer.name}`" @click="stop(timer)">
        Stop
      </button>
    </div>
    <p class="unseen" role="alert">{{ ringing.map(({ name }) => `${name}!`).join(' ') }}</p>
  </section>
</template>

<style scoped>
.strip {
  display: flex;
  gap: var(--space-2);
  overflow-x: auto;
  padding: var(--space-2) var(--space-4);
}

.timer {
  display: flex;
  flex: none;
  align-items: center;
  gap: var(--space-3);
  min-height: 72px;
  padding: 0 var(--space-2) 0 var(--space-4);
  background: var(--enamel);
  border: 3px solid var(--hairline);
  border-radius: var(--radius);
}

.left {
  font-size: 42px;
  font-weight: 760;
}

.name {
  display: grid;
  max-width: 260px;
  font-size: 22px;
  font-weight: 650;
  line-height: 1.1;
}

.name small {
  font-size: 16px;
  font-weight: 450;
  color: var(--ink-soft);
}

.urgency-1,
.urgency-2,
.urgency-3 {
  background: var(--rim);
  color: var(--on-dark);
  border-color: var(--rim);
}

.urgency-1 small,
.urgency-2 small,
.urgency-3 small,
.urgency-1 .plain,
.urgency-2 .plain,
.urgency-3 .plain {
  color: var(--on-dark);
}

.urgency-2 {
  outline: 5px solid var(--rim);
  outline-offset: 3px;
}

.urgency-3 {
  background: var(--brick);
  border-color: var(--brick);
  outline: 8px solid var(--brick);
  outline-offset: 3px;
  animation: knock 0.9s infinite alternate;
}

.urgency-3.still {
  animation: none;
}

@media (prefers-reduced-motion: reduce) {
  .urgency-3 {
    animation: none;
  }
}

@media (max-width: 620px) {
  .left {
    font-size: 40px;
  }

  .name {
    max-width: 130px;
    font-size: 20px;
  }
}

@keyframes knock {
  to {
    outline-offset: 0;
  }
}
</style>
