<script setup lang="ts">
/** One food, edited where it stands: every figure with its unit and where it came from, its measures, its dishes. */
import { computed, nextTick, onMounted, ref, shallowRef } from 'vue';
import { RouterLink } from 'vue-router';
import { NUTRIENT_NAMES, nutrientColumn, NUTRIENTS, type Food, type NutrientId } from '@hand-ladle/core';
import { server, type ServerError } from '../api/client';
import { useBook } from '../stores/book';
import { usePrompts } from '../stores/prompts';

const props = defineProps<{ food: Food; isComparing: boolean }>();
const emit = defineEmits<{ compare: []; leave: [] }>();
const book = useBook();
const prompts = usePrompts();

const version = ref<number | null>(null);
const usedIn = shallowRef<{ id: string; name: string }[]>([]);
const problem = ref('');
/** What this food was before the last change, for undo. */
const past = shallowRef<Food[]>([]);
const editing = ref('');
const typed = ref('');
const field = ref<HTMLInputElement[]>([]);

onMounted(async () => {
  try {
    const saved = await server.food(props.food.id);
    version.value = saved.version;
    usedIn.value = saved.usedIn;
  } catch (error) {
    problem.value = (error as Error).message;
  }
});

async function save(next: Food, isUndo = false): Promise<void> {
  if (version.value === null) return;
  const before = props.food;
  problem.value = '';
  try {
    const saved = await server.saveFood({ food: next, version: version.value });
    version.value = saved.version;
    past.value = isUndo ? past.value.slice(0, -1) : [...past.value, before];
    await book.replaceFood(saved.food);
    editing.value = '';
  } catch (error) {
    const { message, details, code } = error as ServerError;
    problem.value = code === 'food-loosened' ? `${message} (${details.join(', ')})` : message;
  }
}
const undo = (): void => {
  const before = past.value.at(-1);
  if (before) void save(before, true);
};

async function edit(what: string, value: string): Promise<void> {
  editing.value = what;
  typed.value = value;
  await nextTick();
  field.value[0]?.focus();
  field.value[0]?.select();
}

const figureIn = (text: string): number | null | undefined => {
  if (text.trim() === '') return null;
  const value = Number(text.replace(',', '.'));
  return value >= 0 && value <= 100_000 ? value : undefined;
};

function saveFigure(id: NutrientId): void {
  const value = figureIn(typed.value);
  if (value === undefined) {
    problem.value = 'A figure of zero or more, or empty for unknown.';
    return;
  }
  const { food } = props;
  const figureSources = { ...food.figureSources, [nutrientColumn(id)]: 'weighed here' as const };
  void save({ ...food, composition: { ...food.composition, [id]: value }, figureSources });
}

function saveSynonyms(): void {
  const synonyms = typed.value
    .split(',')
    .map((each) => each.trim())
    .filter(Boolean);
  void save({ ...props.food, synonyms });
}

function saveTrim(): void {
  const value = figureIn(typed.value);
  if (!value || value > 100) {
    problem.value = 'A share of the bought weight, 1 to 100 %.';
    return;
  }
  void save({ ...props.food, trimYield: value / 100 });
}

function saveMeasure(index: number): void {
  const grams = figureIn(typed.value);
  if (!grams) {
    problem.value = 'Grams above zero, please.';
    return;
  }
  const measures = props.food.measures.map((each, at) =>
    at === index
      ? { ...each, grams, lowGrams: grams * 0.95, highGrams: grams * 1.05, source: 'weighed here' as const }
      : each,
  );
  void save({ ...props.food, measures });
}

const sourceOf = (id: NutrientId): string =>
  props.food.figureSources[nutrientColumn(id)] ?? props.food.source;
const figures = computed(() =>
  NUTRIENTS.map((id) => ({
    id,
    ...NUTRIENT_NAMES[id],
    value: props.food.composition[id],
    source: sourceOf(id),
  })),
);
const facts = computed(() => {
  const { food } = props;
  return [
    food.state,
    food.kind === 'single' ? 'one ingredient' : 'a product: its pack decides',
    food.animal === 'plant'
      ? 'of plants'
      : food.animal === 'animal'
        ? 'from an animal'
        : 'may be of animal origin',
    food.wholeFood.replace('-', ' '),
    ...food.functions,
    ...(food.priceClass ? [`price ${food.priceClass}`] : []),
  ].join(', ');
});
</script>

<template>
  <article class="card" :aria-label="food.name">
    <header>
      <h2>{{ food.name }}</h2>
      <span class="acts">
        <button v-if="past.length > 0" class="choice" type="button" @click="undo">Undo</button>
        <button class="choice" type="button" :aria-pressed="isComparing" @click="emit('compare')">
          {{ isComparing ? 'Tap the other food' : 'Compare' }}
        </button>
        <button class="choice" type="button" @click="prompts.packFoodId = food.id">Its pack</button>
        <button class="choice plain" type="button" @click="emit('leave')">Close</button>
      </span>
    </header>
    <p class="soft">{{ facts }}</p>
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
    <section>
      <h3>Also called</h3>
      <form
        v-if="editing === 'synonyms'"
        class="edit"
        @submit.prevent="saveSynonyms"
        @keydown.esc="editing = ''"
      >
        <input
          :ref="(el) => (field = [el as HTMLInputElement])"
          v-model="typed"
          class="field wide"
          aria-label="Other names, parted by commas"
        />
        <button class="choice main" type="submit">Keep</button>
      </form>
      <button v-else class="value" type="button" @click="edit('synonyms', food.synonyms.join(', '))">
        {{ food.synonyms.join(', ') || 'no other name' }}
      </button>
    </section>
    <section v-if="usedIn.length > 0">
      <h3>Used in</h3>
      <p>
        <RouterLink v-for="dish in usedIn" :key="dish.id" class="dish" :to="`/dishes/${dish.id}`">{{
          dish.name
        }}</RouterLink>
      </p>
    </section>
    <section>
      <h3>What it weighs</h3>
      <ul class="measures">
        <li>
          Edible part of what is bought
          <form v-if="editing === 'trim'" class="edit" @submit.prevent="saveTrim" @keydown.esc="editing = ''">
            <input
              :ref="(el) => (field = [el as HTMLInputElement])"
              v-model="typed"
              class="field"
              inputmode="decimal"
              size="5"
              aria-label="Edible share in per cent"
            />
            <button class="choice main" type="submit">Keep</button>
          </form>
          <button
            v-else
            class="value figure"
            type="button"
            @click="edit('trim', String(Math.round(food.trimYield * 100)))"
          >
            {{ Math.round(food.trimYield * 100) }}<span class="unit">&nbsp;%</span>
          </button>
        </li>
        <li v-for="(measure, at) in food.measures" :key="at">
          <span
            >1 {{ measure.unit === 'cup' ? 'US cup' : measure.unit
            }}{{ measure.form ? `, ${measure.form}` : '' }}
            <span class="soft"
              >{{ measure.basis === 'AP' ? 'as bought, ' : '' }}{{ measure.source }}</span
            ></span
          >
          <form
            v-if="editing === `m${at}`"
            class="edit"
            @submit.prevent="saveMeasure(at)"
            @keydown.esc="editing = ''"
          >
            <input
              :ref="(el) => (field = [el as HTMLInputElement])"
              v-model="typed"
              class="field"
              inputmode="decimal"
              size="5"
              aria-label="Grams"
            />
            <button class="choice main" type="submit">Keep</button>
          </form>
          <button v-else class="value figure" type="button" @click="edit(`m${at}`, String(measure.grams))">
            {{ measure.grams }}<span class="unit">&nbsp;g</span>
          </button>
        </li>
        <li v-for="each in food.cookingYields" :key="each.method">
          <span
            >{{ each.method }} <span class="soft">{{ each.source }}</span></span
          >
          <span class="figure"
            >× {{ each.ratio
            }}<template v-if="each.absorbedGramsPerGram > 0"
              >, takes up {{ each.absorbedGramsPerGram }}<span class="unit">&nbsp;g per g</span></template
            ></span
          >
        </li>
      </ul>
    </section>
    <section>
      <h3>In 100 g of edible portion</h3>
      <ul class="figures">
        <li v-if="food.energyKcal !== null">
          <span>Energy <span class="soft">as its source states it</span></span>
          <span class="figure">{{ food.energyKcal }}<span class="unit">&nbsp;kcal</span></span>
        </li>
        <li v-for="each in figures" :key="each.id">
          <span
            >{{ each.name }}
            <span v-if="each.source !== food.source" class="soft">{{ each.source }}</span></span
          >
          <form
            v-if="editing === each.id"
            class="edit"
            @submit.prevent="saveFigure(each.id)"
            @keydown.esc="editing = ''"
          >
            <input
              :ref="(el) => (field = [el as HTMLInputElement])"
              v-model="typed"
              class="field"
              inputmode="decimal"
              size="6"
              :aria-label="each.name"
            />
            <button class="choice main" type="submit">Keep</button>
          </form>
          <button
            v-else
            class="value figure"
            :class="{ unknown: each.value === null }"
            type="button"
            @click="edit(each.id, each.value === null ? '' : String(each.value))"
          >
            <span class="unseen">{{ each.name }}: </span>
            <template v-if="each.value === null">unknown</template>
            <template v-else
              >{{ each.value }}<span class="unit">&nbsp;{{ each.unit }}</span></template
            ><span class="unseen">. Change it</span>
          </button>
        </li>
      </ul>
      <p class="soft">All figures: {{ food.source }}, save those marked.</p>
    </section>
  </article>
</template>

<style scoped>
.card {
  padding: var(--space-4);
}

header {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  gap: var(--space-2);
}

h2 {
  font-size: var(--text-xl);
}

.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}

section {
  margin-top: var(--space-3);
}

h3 {
  font-size: var(--text-s);
  font-weight: 600;
  color: var(--ink-soft);
}

.figures,
.measures {
  display: grid;
  grid-template-columns: repeat(2, minmax(0, 1fr));
  column-gap: var(--space-5);
}

li {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: var(--space-2);
  min-height: 34px;
  border-bottom: 1px solid var(--hairline);
  font-size: var(--text-m);
}

li .soft {
  font-size: var(--text-s);
}

.value {
  min-height: 32px;
  padding: 0 2px;
  border: 0;
  border-bottom: 1.5px dotted var(--rim);
  background: none;
  text-align: left;
  font-weight: 600;
}

section > .value {
  font-weight: 450;
}

.value.unknown {
  color: var(--amber);
  font-weight: 450;
}

.edit {
  display: flex;
  gap: 6px;
}

.edit .field {
  min-height: 32px;
  width: 86px;
  padding: 0 6px;
}

.edit .field.wide {
  flex: 1;
}

.edit .choice {
  min-height: 32px;
  padding: 0 10px;
}

.dish {
  display: inline-block;
  margin-right: var(--space-3);
}

.problem {
  color: var(--brick);
  font-weight: 600;
}

@media (max-width: 1100px) {
  .figures,
  .measures {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
