<script setup lang="ts">
/** What is made on a day before, which leftovers go in, what comes out of store, and how far it is carried. */
import { computed, ref, shallowRef, watch } from 'vue';
import {
  type Demand,
  type EatenTold,
  gramsText,
  type Kitchen,
  type PlanTold,
  type SavedServiceTold,
  type StockItem,
} from '@hand-ladle/core';
import { call } from '../api/client';
import SettingFigure from '../ui/SettingFigure.vue';
import { services } from './service-server';

const props = defineProps<{
  service: SavedServiceTold;
  kitchen: Kitchen;
  plan: PlanTold;
  eaten: EatenTold | null;
}>();
const emit = defineEmits<{ change: [fields: Partial<SavedServiceTold>]; moved: [] }>();

/** Dishes and components of the plan, each once. */
const made = computed(() => {
  const names = new Map<string, string>();
  for (const { recipeId, dish } of props.plan.tasks)
    if (recipeId !== null && !names.has(recipeId)) names.set(recipeId, dish);
  for (const { recipeId, name } of props.eaten ?? []) names.set(recipeId, name);
  return [...names].map(([id, name]) => ({ id, name }));
});
const daysOf = (id: string): number =>
  props.service.ahead.find(({ recipeId }) => recipeId === id)?.daysBefore ?? 0;
function setDays(id: string, event: Event): void {
  const daysBefore = Number((event.target as HTMLSelectElement).value);
  const rest = props.service.ahead.filter(({ recipeId }) => recipeId !== id);
  emit('change', { ahead: daysBefore === 0 ? rest : [...rest, { recipeId: id, daysBefore }] });
}
const mostDays = computed(() => Math.max(1, props.kitchen.service.keepsDays - 1));

const demand = shallowRef<Demand | null>(null);
const stock = shallowRef<StockItem[]>([]);
const problem = ref('');
watch(
  () => props.plan,
  async () => {
    try {
      [demand.value, stock.value] = await Promise.all([
        services.demand(props.service.id),
        call<StockItem[]>(`/api/stock?kitchenId=${props.kitchen.id}`),
      ]);
    } catch (error) {
      problem.value = (error as Error).message;
    }
  },
  { immediate: true },
);
const leftovers = computed(() =>
  stock.value.filter(
    ({ kind, useBy }) => kind === 'leftover' && (useBy === null || useBy >= props.service.date),
  ),
);
/** Lines that a leftover can stand in for: a dish and a food of it. */
const places = computed(() =>
  (props.eaten ?? []).flatMap(({ recipeId, name, versions }) =>
    (demand.value?.lines ?? [])
      .filter(
        ({ askedBy, foodId }) =>
          !foodId.startsWith('stock-') && versions.some((version) => askedBy.includes(version.name)),
      )
      .map((line) => ({
        key: `${recipeId} ${line.foodId}`,
        recipeId,
        foodId: line.foodId,
        text: `${line.name} in ${name}`,
      })),
  ),
);
const placeOf = (stockId: string): string => {
  const one = props.service.standIns.find((each) => each.stockId === stockId);
  return one ? `${one.recipeId} ${one.foodId}` : '';
};
/** The place stays to be chosen from, also once nothing of that food is asked for any more. */
const placesFor = (stockId: string) => {
  const one = props.service.standIns.find((each) => each.stockId === stockId);
  const isThere = !one || places.value.some(({ key }) => key === `${one.recipeId} ${one.foodId}`);
  return isThere
    ? places.value
    : [...places.value, { key: `${one.recipeId} ${one.foodId}`, ...one, text: `${one.foodId}, as chosen` }];
};
function setPlace(stockId: string, event: Event): void {
  const key = (event.target as HTMLSelectElement).value;
  const rest = props.service.standIns.filter((each) => each.stockId !== stockId);
  const place = places.value.find((each) => each.key === key);
  emit('change', {
    standIns: place ? [...rest, { recipeId: place.recipeId, foodId: place.foodId, stockId }] : rest,
  });
}
const stood = computed(() =>
  (props.eaten ?? []).flatMap(({ versions }) =>
    versions.flatMap(({ name, stoodIn }) => stoodIn.map((each) => ({ ...each, version: name }))),
  ),
);

const fromStore = computed(() => [
  ...(demand.value?.lines ?? []).flatMap(({ fromStock }) => fromStock),
  ...(demand.value?.components ?? []).flatMap(({ fromStock }) => fromStock),
]);
const isTaken = computed(() => props.service.taken.length > 0);
async function move(): Promise<void> {
  problem.value = '';
  try {
    await (isTaken.value ? services.putBack(props.service.id) : services.takeOut(props.service.id));
    emit('moved');
  } catch (error) {
    problem.value = (error as Error).message;
  }
}

const sites = computed(() => [...new Set(props.service.heads.map(({ site }) => site).filter(Boolean))]);
const travelTo = (name: string): number =>
  props.service.sites.find((each) => each.name === name)?.travelMinutes ?? 0;
const setTravel = (name: string, minutes: number | null): void =>
  emit('change', {
    sites: [
      ...props.service.sites.filter((each) => each.name !== name),
      ...(minutes ? [{ name, travelMinutes: minutes }] : []),
    ],
  });
</script>

<template>
  <details class="plate rimmed">
    <summary><h2>Ahead, from store, on the way</h2></summary>
    <p v-if="problem" class="wrong" role="alert">{{ problem }}</p>
    <div class="columns">
      <div>
        <h3>Made ahead</h3>
        <p class="soft">
          Keeps {{ kitchen.service.keepsDays }} days here, the day of making counted. What is cooked ahead is
          cooled within the law’s limits and reheated; both are tasks.
        </p>
        <ul>
          <li v-for="each in made" :key="each.id">
            <label class="line">
              {{ each.name }}
              <select
                class="field"
                :aria-label="`When ${each.name} is made`"
                :value="daysOf(each.id)"
                @change="setDays(each.id, $event)"
              >
                <option :value="0">as late as it goes</option>
                <option v-for="days in mostDays" :key="days" :value="days">
                  {{ days === 1 ? 'the day before' : `${days} days before` }}
                </option>
              </select>
            </label>
          </li>
        </ul>
      </div>
      <div>
        <h3>Leftovers</h3>
        <p v-if="leftovers.length === 0" class="soft">No leftover in store keeps until the day.</p>
        <ul>
          <li v-for="item in leftovers" :key="item.id">
            <label>
              {{ item.name }}, {{ gramsText(item.grams) }}, use by {{ item.useBy }}
              <select class="field" :value="placeOf(item.id)" @change="setPlace(item.id, $event)">
                <option value="">stays in store</option>
                <option v-for="place in placesFor(item.id)" :key="place.key" :value="place.key">
                  instead of {{ place.text }}
                </option>
              </select>
            </label>
          </li>
        </ul>
        <p v-for="each in stood" :key="`${each.version} ${each.stockId}`" :class="{ check: each.refused }">
          <template v-if="each.refused">Not in {{ each.version }}: {{ each.refused }}.</template>
          <template v-else
            >{{ gramsText(each.grams) }} of {{ each.name }} in {{ each.version }} instead of
            {{ each.instead.toLowerCase() }}.</template
          >
        </p>
      </div>
      <div>
        <h3>Out of store</h3>
        <p v-if="fromStore.length === 0" class="soft">Nothing that is in store is asked for.</p>
        <ul>
          <li v-for="each in fromStore" :key="each.stockId">
            {{ each.name }}: <b class="figure">{{ gramsText(each.grams) }}</b><span class="soft"
              >, {{ each.useBy === null ? 'no date noted' : `use by ${each.useBy}` }}</span
            >
          </li>
        </ul>
        <button v-if="fromStore.length > 0 || isTaken" class="choice" type="button" @click="move">
          {{ isTaken ? 'Put it back into store' : 'Take it out of store' }}
        </button>
        <template v-if="sites.length > 0">
          <h3>On the way</h3>
          <ul>
            <li v-for="site in sites" :key="site">
              <label class="way">
                To {{ site }}
                <SettingFigure
                  :label="`Minutes to ${site}`"
                  :value="travelTo(site)"
                  :most="240"
                  is-whole
                  @set="setTravel(site, $event)"
                />
                min
              </label>
            </li>
          </ul>
        </template>
      </div>
    </div>
  </details>
</template>

<style scoped>
summary h2 {
  display: inline;
  font-size: var(--text-l);
}

summary {
  min-height: var(--touch);
}

.columns {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 300px), 1fr));
  gap: var(--space-4);
}

li {
  padding: 4px 0;
  border-top: 1px solid var(--hairline);
}

label {
  display: grid;
  gap: 2px;
}

.line {
  grid-template-columns: minmax(0, 1fr) minmax(0, 180px);
  align-items: center;
}

.way {
  display: flex;
  gap: var(--space-2);
  align-items: center;
}

select {
  width: 100%;
  min-height: var(--touch);
}

.check {
  color: var(--amber);
  font-weight: 560;
}

.wrong {
  color: var(--brick);
}
</style>
