<script setup lang="ts">
/** One food, edited where it stands: every figure with its unit and where it came from, its measures, its dishes. */
import { computed, onMounted, ref, shallowRef, useTemplateRef } from 'vue';
import { RouterLink } from 'vue-router';
import {
  type Food,
  measureWeighedHere,
  NUTRIENT_NAMES,
  nutrientColumn,
  type NutrientId,
  NUTRIENTS,
  type SavedFood,
  typedFigure,
} from '@hand-ladle/core';
import { server } from '../api/client';
import { useBook } from '../state/book';
import { useFirstRead } from '../state/first-read';
import { useKeepOnLeave } from '../state/keep-on-leave';
import { usePrompts } from '../state/prompts';
import { refusalWithField, useSavedDraft } from '../state/saved-draft';
import SaveBar from '../ui/SaveBar.vue';
import FigureEdit from './FigureEdit.vue';

const props = defineProps<{ food: Food; isComparing: boolean }>();
const emit = defineEmits<{ compare: []; leave: [] }>();
const book = useBook();
const prompts = usePrompts();

const usedIn = shallowRef<{ id: string; name: string }[]>([]);
/** What is wrong with what was typed, before it is sent anywhere. */
const problem = ref('');
const saving = useSavedDraft<Food, SavedFood>({
  save: (_, food, version) => server.saveFood({ food, version }),
  keptIn: ({ food, version }) => ({ id: food.id, version, draft: food }),
  conflict: 'food-conflict',
  restMs: 0,
  refusalIn: (error) =>
    error.code === 'food-loosened'
      ? `${error.message} (${error.details.join(', ')})`
      : refusalWithField(error),
  onKept: ({ food }) => book.replaceFood(food),
});
const { draft, status, message, canUndo } = saving;
/** The food as it stands here; as the larder lists it until it was read. */
const shown = computed(() => draft.value ?? props.food);
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

useKeepOnLeave(saving);

const { problem: unread, again } = useFirstRead(async () => {
  const { usedIn: users, ...saved } = await server.food(props.food.id);
  usedIn.value = users;
  saving.show(saved);
});
onMounted(again);

/** Keeps a change at once; it stands here while it is on its way, and if it is refused. */
function save(next: Food): void {
  problem.value = '';
  saving.change(next);
  closeFields();
}

const figureIn = (text: string): number | null | undefined => {
  if (text.trim() === '') return null;
  const value = typedFigure(text);
  return value !== null && value >= 0 && value <= 100_000 ? value : undefined;
};

function saveFigure(id: NutrientId, text: string): void {
  const value = figureIn(text);
  if (value === undefined) {
    problem.value = 'A figure of zero or more, or empty for unknown.';
    return;
  }
  const food = shown.value;
  const figureSources = { ...food.figureSources, [nutrientColumn(id)]: 'weighed here' as const };
  save({ ...food, composition: { ...food.composition, [id]: value }, figureSources });
}

function saveSynonyms(text: string): void {
  const synonyms = text
    .split(',')
    .map((each) => each.trim())
    .filter(Boolean);
  save({ ...shown.value, synonyms });
}

function saveTrim(text: string): void {
  const value = figureIn(text);
  if (!value || value > 100) {
    problem.value = 'A share of the bought weight, 1 to 100 %.';
    return;
  }
  save({ ...shown.value, trimYield: value / 100 });
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
  const measures = shown.value.measures.map((each, at) =>
    at === index ? { ...measureWeighedHere(each.unit, grams), form: each.form, basis: each.basis } : each,
  );
  save({ ...shown.value, measures });
}

const UNITS = ['cup', 'tbsp', 'tsp', 'piece', 'bunch', 'handful', 'slice', 'tin', 'pack'] as const;
const newUnit = ref<(typeof UNITS)[number]>('cup');

/** A measure weighed here: a US cup, a piece. It takes the place of what the larder had for the same unit. */
function addMeasure(text: string): void {
  const grams = gramsIn(text);
  if (grams === null) return;
  const own = measureWeighedHere(newUnit.value, grams);
  const others = shown.value.measures.filter(({ unit, form }) => unit !== own.unit || form !== '');
  save({ ...shown.value, measures: [own, ...others] });
}

const sourceOf = (id: NutrientId): string =>
  shown.value.figureSources[nutrientColumn(id)] ?? shown.value.source;
const figures = computed(() =>
  NUTRIENTS.map((id) => ({
    id,
    ...NUTRIENT_NAMES[id],
    value: shown.value.composition[id],
    source: sourceOf(id),
  })),
);
const facts = computed(() => {
  const food = shown.value;
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
  <article class="card" :aria-label="shown.name">
    <header>
      <h2>{{ shown.name }}</h2>
      <span class="acts">
        <button v-if="canUndo" class="choice" type="button" @click="saving.undo()">Undo</button>
        <button class="choice" type="button" :aria-pressed="isComparing" @click="emit('compare')">
          {{ isComparing ? 'Tap the other food' : 'Compare' }}
        </button>
        <button class="choice" type="button" @click="prompts.packFoodId = shown.id">Its pack</button>
        <button class="choice plain" type="button" @click="emit('leave')">Close</button>
      </span>
    </header>
    <p class="soft">{{ facts }}</p>
    <p v-if="problem || unread" class="problem" role="alert">{{ problem || unread }}</p>
    <SaveBar
      :status="status"
      :message="message"
      @theirs="saving.takeTheirs()"
      @mine="saving.putMineOver()"
      @undo="saving.undo()"
    />
    <section>
      <h3>Also called</h3>
      <FigureEdit
        ref="names-field"
        :start="shown.synonyms.join(', ')"
        label="Other names, parted by commas"
        is-wide
        @keep="saveSynonyms"
      >
        {{ shown.synonyms.join(', ') || 'no other name' }}
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
            :start="String(Math.round(shown.trimYield * 100))"
            label="Edible share in per cent"
            is-figure
            @keep="saveTrim"
          >
            {{ Math.round(shown.trimYield * 100) }}<span class="unit">&nbsp;%</span>
          </FigureEdit>
        </li>
        <li v-for="(measure, at) in shown.measures" :key="at">
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
        <li v-for="each in shown.cookingYields" :key="each.method">
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
        <li v-if="shown.energyKcal !== null">
          <span>Energy <span class="soft">as its source states it</span></span>
          <span class="figure">{{ shown.energyKcal }}<span class="unit">&nbsp;kcal</span></span>
        </li>
        <li v-for="each in figures" :key="each.id">
          <span
            >{{ each.name }}
            <span v-if="each.source !== shown.source" class="soft">{{ each.source }}</span></span
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
      <p class="soft">All figures: {{ shown.source }}, save those marked.</p>
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
