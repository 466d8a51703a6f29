<script setup lang="ts">
/** Who can eat what: tick what somebody must not have, read the answer for every dish; below it the whole matrix. */
import { computed, ref, shallowRef, watch } from 'vue';
import { RouterLink } from 'vue-router';
import {
  energyOnMenu,
  MENU_ENERGY_NOTES,
  type MenuAnswer,
  menuAnswers,
  type MenuCell,
  type MenuRow,
  STATUS_WORDS,
  type Verdict,
} from '@hand-ladle/core';
import { server } from '../api/client';
import { useBook } from '../state/book';
import { useGroups } from '../state/exclusions';
import { useFirstRead } from '../state/first-read';
import { useReadAgain } from '../state/read-again';
import { STANDING_WORDS, useReleases } from '../state/releases';
import ChipRow from '../ui/ChipRow.vue';

const book = useBook();
const releases = useReleases();
const rows = shallowRef<MenuRow[] | null>(null);
const excluded = ref<string[]>([]);
const search = ref('');

const { problem, again: load } = useFirstRead(async () => {
  await book.ready();
  rows.value = await server.menu(book.kitchen!.id);
  void releases.load(book.kitchen!.id).catch(() => undefined);
});
watch(
  () => book.kitchen?.id,
  (id) => id !== undefined && load(),
  { immediate: true },
);
// It stands open on a counter all day: what was written down elsewhere is answered for, too.
useReadAgain(load);

const allergens = computed(() => rows.value?.[0]?.cells ?? []);
const asking = computed(() => allergens.value.map(({ allergenId, name }) => ({ id: allergenId, name })));
/** Another law names other allergens: what it does not know is not asked any more. */
watch(allergens, (now) => {
  excluded.value = excluded.value.filter((id) => now.some(({ allergenId }) => allergenId === id));
});

/** Groups that ask only for what stands in the matrix. */
const diners = computed(() =>
  (book.kitchen?.diners ?? []).filter(
    ({ exclude }) =>
      exclude.length > 0 &&
      exclude.every((id) => allergens.value.some(({ allergenId }) => allergenId === id)),
  ),
);
const { groupsChosen, exclusionsOf } = useGroups(diners, excluded);

function toggle(id: string): void {
  excluded.value = excluded.value.includes(id)
    ? excluded.value.filter((each) => each !== id)
    : [...excluded.value, id];
}

/** Dishes with their variants after them. */
const inOrder = computed(() => {
  const all = rows.value ?? [];
  const isTop = ({ parentId }: MenuRow): boolean =>
    parentId === null || !all.some(({ recipeId }) => recipeId === parentId);
  const words = search.value.toLowerCase().trim().split(/\s+/).filter(Boolean);
  return all
    .filter(isTop)
    .flatMap((row) => [row, ...all.filter(({ parentId }) => parentId === row.recipeId)])
    .filter(({ name }) => words.every((word) => name.toLowerCase().includes(word)));
});

const answers = computed(() => menuAnswers(inOrder.value, excluded.value, book.kitchen!.policy));
const VERDICTS: readonly Verdict[] = ['yes', 'policy', 'unknown', 'may', 'no'];
const TITLES: Record<Verdict, string> = {
  yes: 'Yes',
  policy: "Only by this kitchen's policy",
  unknown: 'Not yet: nobody has checked',
  may: 'No: a pack says it may be in it',
  no: 'No: it is in it',
};
const groups = computed(() =>
  VERDICTS.map((verdict) => ({
    verdict,
    title: TITLES[verdict],
    answers: answers.value.filter((answer) => answer.verdict === verdict),
  })).filter((group) => group.answers.length > 0),
);
const asked = computed(() =>
  allergens.value
    .filter(({ allergenId }) => excluded.value.includes(allergenId))
    .map(({ name }) => name.toLowerCase())
    .join(', '),
);

/** Variants are folded under their dish until they are asked for. */
const isFolded = ref(true);
const matrix = computed(() =>
  isFolded.value ? inOrder.value.filter(({ parentId }) => parentId === null) : inOrder.value,
);
const variantsOf = (id: string): number =>
  (rows.value ?? []).filter(({ parentId }) => parentId === id).length;

const SHORT = { ...STATUS_WORDS, check: 'check', 'may-contain': 'may' };
const title = ({ name, status, paths }: MenuCell): string =>
  `${STATUS_WORDS[status]} ${name.toLowerCase()}${paths.length > 0 ? `: ${paths.join('; ')}` : ''}`;
const variantOf = ({ parentId }: MenuAnswer): boolean => parentId !== null;
const choice = computed(() => book.kitchen?.service.menuEnergy ?? 'none');
const energyOf = (row: MenuRow): string => energyOnMenu(row.energy, choice.value);
const energyNote = computed(() => MENU_ENERGY_NOTES[choice.value]);
const print = (): void => window.print();
const pdf = computed(() => `/api/menu.pdf?kitchenId=${encodeURIComponent(book.kitchen?.id ?? '')}`);
const csv = computed(() => `/api/menu.csv?kitchenId=${encodeURIComponent(book.kitchen?.id ?? '')}`);
</script>

<template>
  <p v-if="problem" class="stack wrong" role="alert">{{ problem }}</p>
  <p v-else-if="rows === null" class="stack soft" role="status">Reading the menu …</p>
  <div v-else class="stack">
    <section class="plate rimmed ask">
      <h1>Somebody must not have</h1>
      <ChipRow
        label="What somebody must not have"
        size="large"
        :choices="asking"
        :chosen="excluded"
        @toggle="toggle"
      />
      <ChipRow
        v-if="diners.length > 0"
        label="Diner groups"
        size="large"
        :choices="diners"
        :chosen="groupsChosen"
        @toggle="excluded = exclusionsOf($event)"
      />
      <label class="find">
        <span class="unseen">Find a dish</span>
        <input v-model="search" class="field" placeholder="Find a dish" />
      </label>
    </section>
    <section v-if="excluded.length > 0" class="answers" aria-label="Answers" aria-live="polite">
      <section v-for="group in groups" :key="group.verdict" class="plate rimmed" :class="group.verdict">
        <h2>
          {{ group.title }} <span class="soft">{{ group.answers.length }}</span>
        </h2>
        <ul>
          <li v-for="answer in group.answers" :key="answer.recipeId">
            <RouterLink :to="`/dishes/${answer.recipeId}/hazards`">{{ answer.name }}</RouterLink>
            <span v-if="variantOf(answer)" class="soft"> variant</span>
            <p>{{ answer.words }}</p>
          </li>
        </ul>
      </section>
      <p class="soft caution">
        Asked: {{ asked }}. Worked out from recipes and the packs on record; it is no “free from” claim. The
        label on the pack and your local food law go first, and a shared fryer, blender or board can carry
        what no recipe names.
      </p>
    </section>
    <section class="plate rimmed matrix">
      <header>
        <h2>The whole menu</h2>
        <label><input v-model="isFolded" type="checkbox" /> Variants folded</label>
        <button class="choice" type="button" @click="print">Print</button>
        <a class="choice" :href="pdf" download>PDF</a>
        <a class="choice" :href="csv" download>CSV</a>
      </header>
      <div class="wide">
        <table class="sheet-table">
          <thead>
            <tr>
              <th scope="col">Dish</th>
              <th v-for="each in allergens" :key="each.allergenId" scope="col">
                <span>{{ each.name }}</span>
              </th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="row in matrix" :key="row.recipeId" :class="{ variant: row.parentId }">
              <th scope="row">
                <RouterLink :to="`/dishes/${row.recipeId}/hazards`">{{ row.name }}</RouterLink>
                <span v-if="energyOf(row)" class="standing">{{ energyOf(row) }}</span>
                <span class="soft standing">{{ STANDING_WORDS[releases.standing(row.recipeId)] }}</span>
                <span v-if="isFolded && variantsOf(row.recipeId) > 0" class="soft">
                  {{ variantsOf(row.recipeId) === 1 ? '1 variant' : `${variantsOf(row.recipeId)} variants` }}
                </span>
              </th>
              <td v-for="cell in row.cells" :key="cell.allergenId" :title="title(cell)">
                <span class="hazard" :class="cell.status">{{ SHORT[cell.status] }}</span>
              </td>
            </tr>
          </tbody>
        </table>
      </div>
      <p v-if="energyNote" class="soft">{{ energyNote }}</p>
    </section>
  </div>
</template>

<style scoped>
.standing {
  display: block;
  font-size: var(--text-s);
  font-weight: 400;
}

h1 {
  font-size: var(--text-xl);
  font-weight: 720;
}

header h2 {
  font-size: var(--text-l);
  color: var(--ink);
}

.ask {
  display: grid;
  gap: var(--space-2);
}

.find .field {
  width: min(100%, 360px);
}

.answers {
  display: grid;
  gap: var(--space-3);
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 380px), 1fr));
  align-items: start;
}

.caution {
  grid-column: 1 / -1;
  font-size: var(--text-s);
}

.answers ul {
  display: grid;
  gap: var(--space-2);
}

.answers li a {
  font-weight: 660;
}

.answers .yes {
  border-top-color: var(--sage);
}

.answers .no,
.answers .may {
  border-top-color: var(--brick);
}

.answers .unknown,
.answers .policy {
  border-top: 4px dashed var(--amber-line);
}

header {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: var(--space-2) var(--space-3);
  margin-bottom: var(--space-2);
}

header label {
  margin-left: auto;
}

.matrix .sheet-table th,
.matrix .sheet-table td {
  padding-right: 4px;
}

/* Twenty names fit on a page when they stand upright. */
.matrix thead th:not(:first-child) {
  height: 120px;
  padding: 0 0 6px;
  vertical-align: bottom;
}

.matrix thead th span {
  display: inline-block;
  max-height: 118px;
  writing-mode: vertical-rl;
  transform: rotate(180deg);
  line-height: 1.05;
  color: var(--ink);
}

.matrix tbody th {
  min-width: 172px;
  line-height: 1.2;
}

.matrix .hazard {
  padding-inline: 4px;
  font-stretch: var(--slim);
}

.matrix .hazard.clear {
  font-weight: 450;
}

.variant th {
  padding-left: var(--space-4);
}

.wrong {
  color: var(--brick);
  font-weight: 600;
}

@media print {
  .ask,
  .answers,
  header label,
  header .choice {
    display: none;
  }
}
</style>
