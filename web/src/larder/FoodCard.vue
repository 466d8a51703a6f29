<script setup lang="ts">
/** One food, edited where it stands: every figure with its unit and where it came from, its measures, its dishes. */
import { computed, onMounted, ref, shallowRef, useTemplateRef } from 'vue';
import { RouterLink } from 'vue-router';
import {
  measureWeighedHere,
  NUTRIENT_NAMES,
  nutrientColumn,
  NUTRIENTS,
  type Food,
  type NutrientId,
} from '@hand-ladle/core';
import { server, type ServerError } from '../api/client';
import { useBook } from '../state/book';
import { usePrompts } from '../state/prompts';
import FigureEdit from './FigureEdit.vue';

const props = defineProps<{ food: Food; isComparing: boolean }>();
const emit = defineEmits<{ compare: []; leave: [] }>();
const book = useBook();
const prompts = usePrompts();

const version = ref<number | null>(null);
const usedIn = shallowRef<{ id: string; name: string }[]>([]);
const problem = ref('');
/** What this food was before the last change, for undo. */
const past = shallowRef<Food[]>([]);
type Field = InstanceType<typeof FigureEdit>;
const figureFields = useTemplateRef<Field[]>('figures-field');
const measureFields = useTemplateRef<Field[]>('measures-field');
const nameField = useTemplateRef<Field>('names-field');
const trimField = useTemplateRef<Field>('trim-field');
const newField = useTemplateRef<Field>('fresh-field');
/** All fields of the card close when a change is kept. */
function closeFields(): void {
  const all = [...(figureFields.value ?? []), ...(measureFields.value ?? [])];
  for (const each of [...all, nameField.value, trimField.value, newField.value]) each?.close();
}

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
    closeFields();
  } catch (error) {
    const { message, details, code } = error as ServerError;
    problem.value = code === 'food-loosened' ? `${message} (${details.join(', ')})` : message;
  }
}
const undo = (): void => {
  const before = past.value.at(-1);
  if (before) void save(before, true);
};

const figureIn = (text: string): number | null | undefined => {
  if (text.trim() === '') return null;
  const value = Number(text.replace(',', '.'));
  return value >= 0 && value <= 100_000 ? value : undefined;
};

function saveFigure(id: NutrientId, text: string): void {
  const value = figureIn(text);
  if (value === undefined) {
    problem.value = 'A figure of zero or more, or empty for unknown.';
    return;
  }
  const { food } = props;
  const figureSources = { ...food.figureSources, [nutrientColumn(id)]: 'weighed here' as const };
  void save({ ...food, composition: { ...food.composition, [id]: value }, figureSources });
}

function saveSynonyms(text: string): void {
  const synonyms = text
    .split(',')
    .map((each) => each.trim())
    .filter(Boolean);
  void save({ ...props.food, synonyms });
}

function saveTrim(text: string): void {
  const value = figureIn(text);
  if (!value || value > 100) {
    problem.value = 'A share of the bought weight, 1 to 100 %.';
    return;
  }
  void save({ ...props.food, trimYield: value / 100 });
}

const gramsIn = (text: string): number | null => {
  const grams = figureIn(text);
  if (grams) return grams;
  problem.value = 'Grams above zero, please.';
  return null;
};

function saveMeasure(index: number, text: string): void {
  const grams = gramsIn(text);
  if (grams === null) return;
  const measures = props.food.measures.map((each, at) =>
    at === index ? { ...measureWeighedHere(each.unit, grams), form: each.form, basis: each.basis } : each,
  );
  void save({ ...props.food, measures });
}

const UNITS = ['cup', 'tbsp', 'tsp', 'piece', 'bunch', 'handful', 'slice', 'tin', 'pack'] as const;
const newUnit = ref<(typeof UNITS)[number]>('cup');

/** A measure weighed here: a US cup, a piece. It takes the place of what the larder had for the same unit. */
function addMeasure(text: string): void {
  const grams = gramsIn(text);
  if (grams === null) return;
  const own = measureWeighedHere(newUnit.value, grams);
  const others = props.food.measures.filter(({ unit, form }) => unit !== own.unit || form !== '');
  void save({ ...props.food, measures: [own, ...others] });
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
      <FigureEdit
        ref="names-field"
        :start="food.synonyms.join(', ')"
        label="Other names, parted by commas"
        is-wide
        @keep="saveSynonyms"
      >
        {{ food.synonyms.join(', ') || 'no other name' }}
      </FigureEdit>
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
          <FigureEdit
            ref="trim-field"
            :start="String(Math.round(food.trimYield * 100))"
            label="Edible share in per cent"
            is-figure
            @keep="saveTrim"
          >
            {{ Math.round(food.trimYield * 100) }}<span class="unit">&nbsp;%</span>
          </FigureEdit>
        </li>
        <li v-for="(measure, at) in food.measures" :key="at">
          <span
            >1 {{ measure.unit === 'cup' ? 'US cup' : measure.unit
            }}{{ measure.form ? `, ${measure.form}` : '' }}
            <span class="soft"
              >{{ measure.basis === 'AP' ? 'as bought, ' : '' }}{{ measure.source }}</span
            ></span
          >
          <FigureEdit
            ref="measures-field"
            :start="String(measure.grams)"
            label="Grams"
            is-figure
            @keep="saveMeasure(at, $event)"
          >
            {{ measure.grams }}<span class="unit">&nbsp;g</span>
          </FigureEdit>
        </li>
        <li>
          <FigureEdit ref="fresh-field" start="" label="Grams of one" @keep="addMeasure">
            <template #before>
              <select v-model="newUnit" class="field unit-choice" aria-label="Unit">
                <option v-for="unit in UNITS" :key="unit" :value="unit">
                  {{ unit === 'cup' ? 'US cup' : unit }}
                </option>
              </select>
            </template>
            Weighed one? Add it
          </FigureEdit>
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
          <FigureEdit
            ref="figures-field"
            :class="{ unknown: each.value === null }"
            :start="each.value === null ? '' : String(each.value)"
            :label="each.name"
            is-figure
            @keep="saveFigure(each.id, $event)"
          >
            <span class="unseen">{{ each.name }}: </span>
            <template v-if="each.value === null">unknown</template>
            <template v-else
              >{{ each.value }}<span class="unit">&nbsp;{{ each.unit }}</span></template
            ><span class="unseen">. Change it</span>
          </FigureEdit>
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

.unknown {
  color: var(--amber);
  font-weight: 450;
}

.unit-choice {
  min-height: 32px;
  padding: 0 6px;
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
