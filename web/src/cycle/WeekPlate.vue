<script setup lang="ts">
/** How a week stands: by day energy, protein, plate, colours and cost; over the week the average against the targets; what was found. */
import { computed } from 'vue';
import {
  type CycleFinding,
  type CycleWeek,
  DAYS_OF_WEEK,
  FACT_NAMES,
  findingText,
  type Kitchen,
  type WeekTarget,
} from '@hand-ladle/core';

const props = defineProps<{
  week: CycleWeek;
  findings: readonly CycleFinding[];
  kitchen: Kitchen;
  isJudging: boolean;
}>();

const money = (price: number | null, isGuessed: boolean): string =>
  price === null ? 'not known' : `${isGuessed ? 'about ' : ''}${price.toFixed(2)}`;
const partsOf = ({ plate }: CycleWeek['days'][number]): string =>
  plate.parts
    .filter(({ isThere }) => isThere)
    .map(({ part }) => part)
    .join(', ') || 'none in full';
const figure = (value: number): string => String(Math.round(value));
const targetText = ({ figure: id, min, max, dinerId }: WeekTarget): string => {
  const { name, unit } = FACT_NAMES[id];
  const bounds = [min === null ? '' : `at least ${min}`, max === null ? '' : `at most ${max}`]
    .filter(Boolean)
    .join(', ');
  const who = props.kitchen.diners.find((each) => each.id === dinerId)?.name;
  return `${name}: ${bounds} ${unit}${who ? `, ${who}` : ''}`;
};
const missing = computed(() => new Set(props.week.missing));
const groups = computed(() => {
  const choice = props.findings.filter(({ code }) => code === 'no-choice');
  const rest = props.findings.filter(({ code }) => code !== 'no-choice');
  return [
    { title: 'Nobody may be left without', of: choice, isHard: true },
    { title: 'To look at', of: rest, isHard: false },
  ].filter(({ of }) => of.length > 0);
});
</script>

<template>
  <section class="plate rimmed" aria-labelledby="week-title" aria-live="polite">
    <h2 id="week-title">
      How week {{ week.week }} stands <span v-if="isJudging" class="soft">working it out …</span>
    </h2>
    <p v-if="week.days.length === 0" class="soft">Nothing is on in this week yet.</p>
    <div v-else class="scroll" tabindex="0" role="region" :aria-label="`Figures of week ${week.week}`">
      <table class="sheet-table">
        <thead>
          <tr>
            <th scope="col">Day</th>
            <th scope="col" class="right">kcal</th>
            <th scope="col" class="right">Protein, g</th>
            <th scope="col">Parts of a plate</th>
            <th scope="col">Colours</th>
            <th scope="col" class="right">Food a head</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="day in week.days" :key="day.day">
            <th scope="row">{{ DAYS_OF_WEEK[day.day - 1] }}</th>
            <td class="right figure">{{ day.isAtLeast ? 'at least ' : '' }}{{ figure(day.energyKcal) }}</td>
            <td class="right figure">{{ figure(day.proteinG) }}</td>
            <td>{{ partsOf(day) }}</td>
            <td>{{ day.plate.colours.map(({ colour }) => colour).join(', ') || 'none' }}</td>
            <td class="right figure">{{ money(day.price, day.isPriceGuessed) }}</td>
          </tr>
        </tbody>
      </table>
    </div>
    <p v-for="each in week.perDayByAge" :key="each.age">
      Average of a day, {{ each.age }}: <b class="figure">{{ figure(each.energyKcal) }} kcal</b>,
      <b class="figure">{{ figure(each.proteinG) }} g</b> protein,
      <b class="figure">{{ figure(each.sodiumMg) }} mg</b> sodium<template v-if="missing.has('energyKcal')"
        >, at least</template
      >.
    </p>
    <ul v-if="week.targets.length > 0" class="targets">
      <li v-for="target in week.targets" :key="`${target.figure} ${target.dinerId}`">
        {{ targetText(target) }}: a meal holds <b class="figure">{{ figure(target.average) }}</b> on average,
        <strong :class="{ wrong: target.standing.startsWith('too') }">{{ target.standing }}</strong>
      </li>
    </ul>
    <p v-if="week.targets.length > 0" class="soft">
      Targets are set for a portion; here they are held against what a head gets at one meal, every dish by
      its share.
    </p>
    <div v-for="group in groups" :key="group.title">
      <h3>{{ group.title }}</h3>
      <ul class="findings" :class="{ hard: group.isHard }">
        <li v-for="each in group.of" :key="`${each.code} ${findingText(each)}`">{{ findingText(each) }}</li>
      </ul>
    </div>
  </section>
</template>

<style scoped>
.scroll {
  /* What is unseen in it stays in it. */
  position: relative;
  overflow-x: auto;
}

.findings {
  columns: 2 320px;
}

.hard,
.wrong {
  color: var(--brick);
  font-weight: 560;
}

.targets {
  margin-top: var(--space-2);
}
</style>
