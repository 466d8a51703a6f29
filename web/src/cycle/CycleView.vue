<script setup lang="ts">
/** The cycle menu: week by week what is on at each meal; dragged, copied forward, judged, and turned into services. */
import { computed, nextTick, onMounted, ref, shallowRef, watch } from 'vue';
import {
  copiedWeek,
  type Cycle,
  type CycleFinding,
  type CyclePlace,
  dateFrom,
  DAYS_OF_WEEK,
  type Digest,
  dishesAt,
  isSamePlace,
  movedDish,
  placeText,
  type ServiceDish,
  withDishesAt,
} from '@hand-ladle/core';
import { server } from '../api/client';
import { useBook } from '../state/book';
import { useFirstRead } from '../state/first-read';
import { useKeepOnLeave } from '../state/keep-on-leave';
import { useReadAgain } from '../state/read-again';
import { STATUS_WORDS } from '../state/saved-draft';
import SaveBar from '../ui/SaveBar.vue';
import SettingFigure from '../ui/SettingFigure.vue';
import { vTyped } from '../ui/typed';
import CycleCell from './CycleCell.vue';
import MenuPlate from './MenuPlate.vue';
import { useOpenCycle } from './open-cycle';
import WeekPlate from './WeekPlate.vue';

const book = useBook();
const store = useOpenCycle();
const dishes = shallowRef<Digest[]>([]);
const week = ref(1);

const { problem, again } = useFirstRead(async () => {
  await book.ready();
  const all = await server.digests(book.kitchen!.id);
  dishes.value = all.filter(({ isComponent }) => !isComponent);
  await store.open(book.kitchen!.id);
});
onMounted(again);
watch(
  () => book.kitchen?.id,
  (now, before) => before !== undefined && now !== undefined && void again(),
);
const gone = useReadAgain(store.renew);
useKeepOnLeave(store);

const cycle = computed(() => store.cycle);
const kitchen = computed(() => book.kitchens.find(({ id }) => id === cycle.value?.kitchenId) ?? null);
const judged = computed(() => store.judgement?.weeks.find((each) => each.week === week.value) ?? null);
const findings = computed(() => store.judgement?.findings.filter((each) => each.week === week.value) ?? []);
const from = computed(() => (cycle.value ? dateFrom(cycle.value.startsOn, (week.value - 1) * 7) : ''));
const found = (place: CyclePlace, code: CycleFinding['code']): string[] =>
  findings.value
    .filter((each) => each.code === code && isSamePlace(each, place))
    .map(({ message }) => message);

const placeAt = (day: number, meal: string): CyclePlace => ({ week: week.value, day, meal });
const put = (place: CyclePlace, now: ServiceDish[]): void =>
  store.put(withDishesAt(cycle.value!, place, now));
/** Where a dish stands that was dragged to another cell: dragging stays within the week that is shown. */
function came(recipeId: string, to: CyclePlace): void {
  const source = dragged.value;
  dragged.value = null;
  if (source) store.put(movedDish(cycle.value!, recipeId, source, to));
}
const dragged = ref<CyclePlace | null>(null);
async function shift(recipeId: string, place: CyclePlace, days: number, meals: number): Promise<void> {
  const { meals: all, weeks } = cycle.value!;
  const at = all.findIndex(({ name }) => name === place.meal) + meals;
  const index = (place.week - 1) * 7 + place.day - 1 + days;
  if (at < 0 || at >= all.length || index < 0 || index >= weeks * 7) return;
  const to = { week: Math.floor(index / 7) + 1, day: (index % 7) + 1, meal: all[at]!.name };
  store.put(movedDish(cycle.value!, recipeId, place, to));
  week.value = to.week;
  // The hand stays on the dish it moves.
  await nextTick();
  const cells = document.querySelectorAll<HTMLElement>(`[aria-label="${placeText(to)}"] .dish`);
  const last = [...cells].at(-1);
  last?.focus();
}
function setWeeks(weeks: number | null): void {
  if (!weeks || !cycle.value) return;
  const slots = cycle.value.slots.filter((slot) => slot.week <= weeks);
  store.put({ ...cycle.value, weeks, slots });
  week.value = Math.min(week.value, weeks);
}
const setField = (fields: Partial<Cycle>): void => store.put({ ...cycle.value!, ...fields });
const valueOf = (event: Event): string => (event.target as HTMLInputElement).value;
const newMeal = ref('');
function addMeal(): void {
  const name = newMeal.value.trim();
  if (name === '' || cycle.value!.meals.some((each) => each.name === name)) return;
  setField({ meals: [...cycle.value!.meals, { name, readyAt: '17:30' }] });
  newMeal.value = '';
}
function copyTo(event: Event): void {
  const to = Number(valueOf(event));
  (event.target as HTMLSelectElement).value = '';
  if (to > 0) {
    store.put(copiedWeek(cycle.value!, week.value, to));
    week.value = to;
  }
}
</script>

<template>
  <SaveBar
    :status="store.status"
    :message="store.message"
    @theirs="store.takeTheirs()"
    @mine="store.putMineOver()"
    @undo="store.undo()"
  />
  <p v-if="problem || gone || store.problem" class="wrong" role="alert">
    {{ problem || gone || store.problem }}
  </p>
  <div v-if="cycle && kitchen" class="page">
    <header class="head">
      <h1>Cycle menu</h1>
      <label
        >from Monday
        <input
          v-typed="cycle.startsOn"
          class="field"
          type="date"
          @change="valueOf($event) && setField({ startsOn: valueOf($event) })"
      /></label>
      <label
        >weeks
        <SettingFigure
          label="Weeks of the cycle"
          :value="cycle.weeks"
          :least="1"
          :most="8"
          is-whole
          @set="setWeeks"
      /></label>
      <span class="state soft" data-testid="cycle-state">{{ STATUS_WORDS[store.status] }}</span>
      <button class="choice plain" type="button" :disabled="!store.canUndo" @click="store.undo()">
        Undo
      </button>
      <button class="choice plain" type="button" :disabled="!store.canRedo" @click="store.redo()">
        Redo
      </button>
    </header>
    <div class="weeks">
      <div role="group" aria-label="Week">
        <button
          v-for="each in cycle.weeks"
          :key="each"
          class="choice"
          :class="{ main: week === each }"
          type="button"
          :aria-pressed="week === each"
          @click="week = each"
        >
          Week {{ each }}
        </button>
      </div>
      <label v-if="cycle.weeks > 1">
        <span class="unseen">Copy this week over another</span>
        <select class="field" @change="copyTo">
          <option value="">Copy this week over …</option>
          <template v-for="each in cycle.weeks" :key="each">
            <option v-if="each !== week" :value="each">week {{ each }}</option>
          </template>
        </select>
      </label>
      <form class="meal" @submit.prevent="addMeal">
        <label
          ><span class="unseen">Another meal</span
          ><input v-model="newMeal" class="field" placeholder="Another meal" maxlength="60"
        /></label>
        <button
          class="choice plain"
          type="submit"
          :disabled="newMeal.trim() === '' || cycle.meals.length >= 6"
        >
          Add the meal
        </button>
      </form>
    </div>
    <div class="scroll" tabindex="0" role="region" :aria-label="`Week ${week}`">
      <table class="grid">
        <thead>
          <tr>
            <td />
            <th v-for="(name, index) in DAYS_OF_WEEK" :key="name" scope="col">
              {{ name }} <span class="soft figure">{{ dateFrom(from, index).slice(5) }}</span>
            </th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="meal in cycle.meals" :key="meal.name">
            <th scope="row">
              {{ meal.name }} <span class="soft figure">{{ meal.readyAt }}</span>
            </th>
            <td
              v-for="(_, index) in DAYS_OF_WEEK"
              :key="index"
              @dragstart.capture="dragged = placeAt(index + 1, meal.name)"
              @pointerdown.capture="dragged = placeAt(index + 1, meal.name)"
            >
              <CycleCell
                :place="placeAt(index + 1, meal.name)"
                :dishes="dishesAt(cycle, placeAt(index + 1, meal.name))"
                :book="dishes"
                :without="found(placeAt(index + 1, meal.name), 'no-choice')"
                :again="found(placeAt(index + 1, meal.name), 'repeats').length"
                :label="placeText(placeAt(index + 1, meal.name))"
                @put="put(placeAt(index + 1, meal.name), $event)"
                @came="came($event, placeAt(index + 1, meal.name))"
                @shift="(id, days, meals) => shift(id, placeAt(index + 1, meal.name), days, meals)"
              />
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <p id="cycle-hint" class="soft">
      Drag a dish to another day or meal, or move it with the arrow keys; Delete takes it off. From its first
      Monday the cycle goes round.
    </p>
    <MenuPlate :kitchen-id="cycle.kitchenId" :from="from" />
    <WeekPlate
      v-if="judged"
      :week="judged"
      :findings="findings"
      :kitchen="kitchen"
      :is-judging="store.isJudging"
    />
  </div>
</template>

<style scoped>
.page {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: var(--space-3);
  max-width: 1600px;
  margin: 0 auto;
  padding: 14px 20px var(--space-6);
}

.head,
.weeks {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2) var(--space-4);
  align-items: center;
}

h1 {
  font-size: var(--text-xl);
}

.state {
  margin-left: auto;
}

.weeks > div {
  display: flex;
  gap: 6px;
}

.meal {
  display: flex;
  gap: var(--space-2);
  margin-left: auto;
}

.scroll {
  /* What is unseen in it stays in it. */
  position: relative;
  overflow-x: auto;
}

.grid {
  width: 100%;
  min-width: 1080px;
  border-collapse: collapse;
  table-layout: fixed;
}

.grid th,
.grid td {
  border: 1px solid var(--hairline);
  text-align: left;
  vertical-align: top;
}

.grid thead th {
  padding: 4px 6px;
}

.grid thead td,
.grid tbody th {
  width: 84px;
  padding: 6px;
}

.wrong {
  padding: var(--space-2) 20px;
  color: var(--brick);
  font-weight: 600;
}
</style>
