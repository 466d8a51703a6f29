<script setup lang="ts">
/** The day as it stands this minute: what is late, what is on, what comes next. What is done is ticked off here. */
import { useNow } from '@vueuse/core';
import { computed } from 'vue';
import { clockText, type Kitchen, type PlanTold, type SavedServiceTold } from '@hand-ladle/core';
import { minuteOfService, standingAt } from './day-clock';

const props = defineProps<{ plan: PlanTold; service: SavedServiceTold; kitchen: Kitchen }>();
const emit = defineEmits<{ done: [ids: string[]] }>();

const now = useNow({ interval: 15_000 });
const minute = computed(() =>
  minuteOfService(now.value.getTime(), props.service.date, props.kitchen.service.timeZone),
);
const standing = computed(() => standingAt(props.plan.tasks, props.service.done, minute.value));
/** From the first task to four hours after the bell. */
const isOn = computed(() => {
  const first = props.plan.tasks[0]?.start ?? 0;
  const bell = Math.max(...props.plan.tasks.map(({ end }) => end));
  return minute.value >= first - 120 && minute.value <= bell + 240;
});
const groups = computed(() =>
  [
    { id: 'late', name: 'Late', tasks: standing.value.late },
    { id: 'on', name: 'Now', tasks: standing.value.on },
    { id: 'next', name: 'Next', tasks: standing.value.next },
  ].filter(({ tasks }) => tasks.length > 0),
);
const tick = (id: string): void => emit('done', [...props.service.done, id]);
const untick = (): void => emit('done', props.service.done.slice(0, -1));
</script>

<template>
  <section v-if="isOn" class="plate rimmed" aria-labelledby="now-title">
    <h2 id="now-title">
      <span class="figure">{{ clockText(minute) }}</span>
      <span class="soft count">{{ standing.done }} of {{ plan.tasks.length }} done</span>
    </h2>
    <p v-if="groups.length === 0">Everything is done.</p>
    <div class="groups">
      <div v-for="group in groups" :key="group.id" :class="group.id">
        <h3>{{ group.name }}</h3>
        <ul>
          <li v-for="task in group.tasks.slice(0, 6)" :key="task.id">
            <span class="figure time">{{ clockText(task.start) }} to {{ clockText(task.end) }}</span>
            <span>
              <strong>{{ task.what }}</strong> <span class="soft">{{ task.dish }}</span>
              <span v-if="task.person !== null" class="soft">, person {{ task.person }}</span>
            </span>
            <button class="choice" type="button" @click="tick(task.id)">
              Done<span class="unseen"> {{ task.name }}</span>
            </button>
          </li>
        </ul>
        <p v-if="group.tasks.length > 6" class="soft">And {{ group.tasks.length - 6 }} more.</p>
      </div>
    </div>
    <button v-if="service.done.length > 0" class="choice plain" type="button" @click="untick">
      Not done after all: the last one
    </button>
  </section>
</template>

<style scoped>
.count {
  margin-left: var(--space-3);
}

.groups {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(300px, 1fr));
  gap: var(--space-4);
}

li {
  display: grid;
  grid-template-columns: auto 1fr auto;
  gap: var(--space-3);
  align-items: center;
  min-height: var(--touch);
  border-top: 1px solid var(--hairline);
}

.late h3,
.late .time {
  color: var(--brick);
  font-weight: 660;
}

.choice {
  min-height: var(--touch);
}
</style>
