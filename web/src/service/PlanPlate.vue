<script setup lang="ts">
/** The plan, backwards from the bell: when it begins, how good it can be, what is short, and everything in time. */
import { computed, ref, shallowRef, watch } from 'vue';
import {
  clockText,
  dayText,
  type Help,
  type Kitchen,
  type Pin,
  type PlanChanges,
  type PlanTold,
  type SavedServiceTold,
  type SearchProgress,
  type WorkKind,
} from '@hand-ladle/core';
import { daysOf, type Task, type ViewId, VIEWS } from './day/lanes';
import PlanLanes from './day/PlanLanes.vue';
import SearchPlate from './day/SearchPlate.vue';
import { services } from './service-server';

const props = defineProps<{
  plan: PlanTold;
  service: SavedServiceTold;
  kitchen: Kitchen;
  changes: PlanChanges | null;
  isPlanning: boolean;
  search: SearchProgress | null;
  tryPins: (pins: Pin[]) => Promise<string>;
}>();
const emit = defineEmits<{ better: []; stop: []; change: [fields: Partial<SavedServiceTold>] }>();

const view = ref<ViewId>('station');
const VIEW_NAMES: Record<ViewId, string> = { station: 'By station', person: 'By person', dish: 'By dish' };
const days = computed(() => daysOf(props.plan.tasks, view.value, props.kitchen));
const first = computed(() => props.plan.tasks[0]);
const when = (minute: number): string => {
  const day = dayText(minute);
  return day === 'on the day' ? clockText(minute) : `${clockText(minute)}, ${day}`;
};
const hoursText = (minutes: number): string =>
  minutes < 60 ? `${minutes} min` : `${Math.floor(minutes / 60)} h ${minutes % 60} min`;
const gap = computed(() => props.plan.makespanMinutes - props.plan.lowerBoundMinutes);
const boundText = computed(() =>
  props.plan.isProven || gap.value <= 0
    ? 'On these machines and in this order no plan begins later: that is proven.'
    : `On these machines and in this order no plan can begin more than ${hoursText(gap.value)} later: that is proven.`,
);
const tooLong = computed(() => props.plan.holds.filter(({ isTooLong }) => isTooLong));
const moved = computed(() => {
  const { added = [], gone = [], changed = [] } = props.changes ?? {};
  return added.length + gone.length + changed.length === 0 ? null : { added, gone, changed };
});
const fewer = 8;
/** What would help, once somebody asked; it holds for this plan alone. */
const helps = shallowRef<Help[] | null>(null);
const isAsking = ref(false);
const problem = ref('');
watch(
  () => props.plan,
  () => {
    helps.value = null;
    problem.value = '';
  },
);
/** Why a task cannot stand where somebody put it; empty where it does. */
const refusal = ref('');
async function move(task: Task, start: number): Promise<void> {
  refusal.value = '';
  const rest = props.service.pins.filter((pin) => pin.task !== task.id);
  try {
    const why = await props.tryPins([...rest, { task: task.id, start }]);
    if (why !== '')
      refusal.value = `${task.name} cannot begin at ${when(start)}, and stays where it was: ${why}.`;
  } catch (error) {
    refusal.value = (error as Error).message;
  }
}
const unpin = (task: Pick<Task, 'id'>): void =>
  emit('change', { pins: props.service.pins.filter((pin) => pin.task !== task.id) });
const pinned = computed(() => props.plan.tasks.filter(({ isPinned }) => isPinned));
const lookText = ({ looks }: Task): string =>
  looks.length === 0
    ? ''
    : `look at ${looks.map(({ start, person }) => `${clockText(start)}${person === null ? '' : ` (person ${person})`}`).join(', ')}`;

async function askHelps(): Promise<void> {
  const asked = props.plan;
  isAsking.value = true;
  try {
    const found = await services.helps(props.service.id);
    if (props.plan === asked) helps.value = found;
  } catch (error) {
    problem.value = (error as Error).message;
  } finally {
    isAsking.value = false;
  }
}
const WORK_WORDS: Record<WorkKind, string> = {
  simmer: 'simmer',
  oven: 'bake',
  fry: 'fry',
  blend: 'blend',
  mix: 'mix',
};
</script>

<template>
  <section class="plate rimmed" aria-labelledby="plan-title" :aria-busy="isPlanning">
    <h2 id="plan-title">The plan</h2>
    <div v-if="!plan.feasible" class="hazard contains" role="alert">
      <strong>It cannot be ready at {{ service.readyAt }}.</strong>
      <ul>
        <li v-for="each in plan.shortOf" :key="`${each.resource} ${each.from}`">
          Short of {{ each.name }}: {{ each.amount }} more for {{ each.to - each.from }} min from
          {{ when(each.from) }}
        </li>
        <li v-for="each in plan.lacking.slice(0, fewer)" :key="`no ${each.name}`">
          No machine to {{ WORK_WORDS[each.work] }}: {{ each.name }}
        </li>
        <li v-for="each in plan.late.slice(0, fewer)" :key="each.name">
          {{ each.name }}: begun {{ each.minutes }} min before there is anybody to begin it
        </li>
      </ul>
      <p v-if="plan.late.length > fewer">And {{ plan.late.length - fewer }} more tasks.</p>
      <p v-if="helps === null">
        <button class="choice" type="button" :disabled="isAsking" @click="askHelps">
          {{ isAsking ? 'Trying one thing after the other …' : 'What would help?' }}
        </button>
      </p>
      <div v-else aria-live="polite">
        <p v-if="helps.length === 0">
          No single thing is enough. Take a dish off, make a part the day before, or serve later.
        </p>
        <template v-else>
          <p>Any one of these is enough:</p>
          <ul>
            <li v-for="help in helps" :key="help.text">{{ help.text }} (begin {{ when(help.begins) }})</li>
          </ul>
        </template>
      </div>
      <p v-if="problem">{{ problem }}</p>
    </div>
    <p v-else-if="first" class="lead">
      <strong>Begin {{ when(first.start) }}</strong> with {{ first.name }}; everything is ready at
      {{ service.readyAt }}. {{ boundText }}
    </p>
    <p v-for="hold in tooLong" :key="hold.madeKey" class="hazard check">
      {{ hold.name }} is cooked {{ hoursText(hold.minutes) }} before it is served: longer than the two hours
      that hot food is held. Keep it at the hot-hold limit and write the temperature down, or cook it in two
      batches.
    </p>
    <details v-if="moved" class="moved">
      <summary>
        The last change moved {{ moved.changed.length }} tasks, brought {{ moved.added.length }}, took
        {{ moved.gone.length }}
      </summary>
      <ul>
        <li v-for="each in moved.added.slice(0, fewer)" :key="`new ${each.name}`">
          New: {{ each.name }}, {{ when(each.start) }}
        </li>
        <li v-for="each in moved.gone.slice(0, fewer)" :key="`gone ${each.name}`">Gone: {{ each.name }}</li>
        <li v-for="each in moved.changed.slice(0, fewer)" :key="`moved ${each.after.name}`">
          {{ each.after.name }}: {{ when(each.before.start) }} is now {{ when(each.after.start) }}
        </li>
      </ul>
    </details>
    <div class="views">
      <div role="group" aria-label="The plan by">
        <button
          v-for="each in VIEWS"
          :key="each"
          class="choice"
          :class="{ main: view === each }"
          type="button"
          :aria-pressed="view === each"
          @click="view = each"
        >
          {{ VIEW_NAMES[each] }}
        </button>
      </div>
      <button
        v-if="gap > 0 && !plan.isProven && search === null"
        class="choice plain"
        type="button"
        :disabled="isPlanning"
        @click="emit('better')"
      >
        Look for a better one
      </button>
    </div>
    <SearchPlate v-if="search" :search="search" @stop="emit('stop')" />
    <p v-if="refusal" class="refusal" role="alert">{{ refusal }}</p>
    <p class="soft">
      Drag a task, or move it with the arrow keys: the rest follows. Where it was put it is held; Enter holds
      it or lets it go.
    </p>
    <PlanLanes v-for="day in days" :key="`${view} ${day.day}`" :day="day" @move="move" @unpin="unpin" />
    <p v-if="pinned.length > 0" class="pins">
      Held where they are:
      <button v-for="task in pinned" :key="task.id" class="choice plain" type="button" @click="unpin(task)">
        {{ task.name }}, {{ when(task.start) }}: let it go
      </button>
      <button
        v-if="pinned.length > 1"
        class="choice plain"
        type="button"
        @click="emit('change', { pins: [] })"
      >
        Let all go
      </button>
    </p>
    <p class="soft">
      Minutes marked * are conventions, not the recipe’s. Cook to the look-test and the core temperature, not
      to the clock.
    </p>
    <div class="scroll" tabindex="0" role="region" aria-label="All tasks">
      <table class="sheet-table">
        <thead>
          <tr>
            <th scope="col">From</th>
            <th scope="col">To</th>
            <th scope="col">What</th>
            <th scope="col">Where</th>
            <th scope="col">Who</th>
            <th scope="col" class="why">Why so long</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="task in plan.tasks" :key="task.id" :class="task.kind">
            <td class="figure">{{ when(task.start) }}</td>
            <td class="figure">{{ clockText(task.end) }}{{ task.isConvention ? ' *' : '' }}</td>
            <th scope="row">
              {{ task.what }} <span class="soft of">{{ task.dish }}</span>
              <span v-if="task.looks.length > 0" class="soft of">{{ lookText(task) }}</span>
            </th>
            <td>
              {{ kitchen.vessels.find(({ id }) => id === task.machine)?.name ?? ''
              }}<template v-if="task.setCelsius !== null">, {{ task.setCelsius }} °C</template>
            </td>
            <td class="who">{{ task.person === null ? '' : `person ${task.person}` }}</td>
            <td class="soft why">{{ task.because }}</td>
          </tr>
        </tbody>
      </table>
    </div>
  </section>
</template>

<style scoped>
.lead {
  font-size: var(--text-l);
}

.hazard {
  margin-bottom: var(--space-2);
  padding: var(--space-2) var(--space-3);
}

.hazard ul {
  list-style: disc;
  padding-left: var(--space-4);
}

.moved {
  margin: var(--space-2) 0;
}

.moved summary {
  min-height: 34px;
  font-weight: 560;
}

.refusal {
  color: var(--brick);
  font-weight: 600;
}

.pins {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  align-items: center;
}

.views {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-3);
  justify-content: space-between;
  margin: var(--space-3) 0;
}

.views > div {
  display: flex;
  gap: 6px;
}

.scroll {
  max-height: 460px;
  overflow: auto;
}

.of {
  display: block;
  font-size: var(--text-s);
  font-weight: 400;
}

td.figure,
.who {
  white-space: nowrap;
}

.clean th {
  color: var(--amber);
}

.why {
  font-size: var(--text-s);
}

@media (max-width: 700px) {
  .why {
    display: none;
  }
}
</style>
