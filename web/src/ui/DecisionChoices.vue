<script setup lang="ts">
/** A decision where the doubt is: the question in words and its answers, one tap each. */
import { computed, nextTick, ref } from 'vue';
import {
  figureText,
  type Finding,
  gramsText,
  isVagueUnit,
  type LineAnswers,
  type RecipeLine,
  startFigure,
  typedFigure,
  type Worksheet,
  type WorksheetLine,
} from '@hand-ladle/core';
import { server } from '../api/client';
import { useBook } from '../state/book';
import { usePrompts } from '../state/prompts';
import { todayIn } from '../state/today';
import FoodPicker from './FoodPicker.vue';

const props = defineProps<{
  line: WorksheetLine;
  finding: Finding;
  /** The written line the worksheet's line came from. */
  source: RecipeLine | null;
  /** A variant's lines are decided in its parent. */
  isVariant: boolean;
  more: number;
  /** The worksheet the line stands on: what is missing can start from it. */
  sheet: Worksheet;
}>();
const emit = defineEmits<{ answer: [answers: LineAnswers] }>();
const book = useBook();
const prompts = usePrompts();

const reading = computed(() => props.source?.reading ?? null);
const code = computed(() => props.finding.code);

const isAboutFood = computed(() =>
  ['food-unknown', 'food-unsure', 'state-unsure', 'alternative-open', 'animal-food'].includes(code.value),
);
/** An unknown or misspelt name is one this kitchen may write again: its answer is kept for it. */
const isAboutName = computed(() => ['food-unknown', 'food-unsure'].includes(code.value));
const isAboutPack = computed(() =>
  ['pack-unknown', 'certificate-unknown', 'animal-check', 'statement-changed'].includes(code.value),
);
const isAboutAmount = computed(
  () => code.value.startsWith('amount-') || code.value === 'weight-contradiction',
);
/** A pack is recorded for the food of this line; in a component it is found by opening the component. */
const canRecordPack = computed(() => isAboutPack.value && props.line.foodId !== null);

/** Plants on file that take a food's place at about its own weight. */
const evenSwaps = computed(() =>
  book.swaps
    .filter(
      ({ fromId, to, waterRatio }) => fromId === props.line.foodId && to.length === 1 && waterRatio === 0,
    )
    .filter(({ to }) => to[0]!.ratio > 0.9 && to[0]!.ratio < 1.1)
    .map(({ to }) => to[0]!.foodId),
);
/** Foods to choose from, the one that was read first. */
const foodChoices = computed(() => {
  const read = reading.value;
  if (!read) return [];
  // What comes from an animal is answered by a plant: the line's own alternative, or one that goes in gram for gram.
  if (code.value === 'animal-food')
    return [...new Set([...read.alternativeIds, ...evenSwaps.value])].slice(0, 4);
  const others = code.value === 'alternative-open' ? [] : read.otherFoodIds;
  const ids = [read.foodId, ...read.alternativeIds, ...others];
  return [...new Set(ids.filter((id): id is string => id !== null))].slice(0, 4);
});

const grams = computed(() => ('grams' in props.finding.figures ? Number(props.finding.figures.grams) : NaN));
/** Two weights that the line says, where they disagree. */
const contradiction = computed(() =>
  props.finding.code === 'weight-contradiction' ? props.finding.figures : null,
);
const start = computed(() => startFigure(props.line, reading.value?.purpose ?? null, props.sheet));
const vagueUnit = computed(() => reading.value?.measures.find(({ unit }) => isVagueUnit(unit)) ?? null);

const asked = ref<'grams' | 'weigh' | 'food' | null>(null);
const typed = ref('');
const field = ref<HTMLInputElement | null>(null);
const problem = ref('');

async function askFor(what: 'grams' | 'weigh' | 'food'): Promise<void> {
  asked.value = what;
  await nextTick();
  field.value?.focus();
}

function answer(gramsAtHome: number, gramsOrigin: 'weighed here' | 'convention'): void {
  emit('answer', { grams: gramsAtHome, gramsOrigin });
}

const today = (): string => todayIn(book.kitchen);

/** Keeps an answer for this kitchen; what cannot be kept is said, and the answer for this dish stays. */
async function keepForKitchen(
  keep: (kitchenId: string) => ReturnType<typeof server.recordWeight>,
): Promise<boolean> {
  try {
    book.replaceKitchen(await keep(book.kitchen!.id));
    return true;
  } catch (error) {
    problem.value = (error as Error).message;
    return false;
  }
}

async function setTyped(): Promise<void> {
  const value = typedFigure(typed.value);
  if (value === null || value <= 0 || value > 100_000) {
    problem.value = 'Grams above zero, please.';
    return;
  }
  problem.value = '';
  const { foodId } = props.line;
  const unit = vagueUnit.value?.unit;
  if (asked.value === 'weigh' && unit && foodId !== null) {
    const weight = { unit, foodId, grams: value, weighedOn: today() };
    if (!(await keepForKitchen((id) => server.recordWeight(id, weight)))) return;
  } else answer(value, 'weighed here');
  asked.value = null;
  typed.value = '';
}

async function choose(foodId: string): Promise<void> {
  asked.value = null;
  const written = reading.value?.foodText ?? '';
  emit('answer', { foodId });
  if (isAboutName.value && written !== '')
    await keepForKitchen((id) => server.tieName(id, { written, foodId, tiedOn: today() }));
}

/** A food nobody has in the larder yet: made from its name, unchecked until a pack is read. */
function makeFood(): void {
  prompts.newFood = {
    name: reading.value?.foodText ?? props.line.name,
    then: (foodId) => void choose(foodId),
  };
}
</script>

<template>
  <div class="decision">
    <strong>{{ finding.message }}</strong>
    <template v-if="isVariant && !canRecordPack">
      <span class="soft">Decide it in the parent dish.</span>
    </template>
    <template v-else-if="asked === 'grams' || asked === 'weigh'">
      <form class="asked" @submit.prevent="setTyped" @keydown.esc="asked = null">
        <label>
          {{ asked === 'weigh' ? `One ${vagueUnit?.unit} weighs` : 'In the home recipe' }}
          <input
            ref="field"
            v-model="typed"
            class="field"
            inputmode="decimal"
            size="5"
            data-takes-weight
            aria-label="Grams"
          />
          g
        </label>
        <button class="choice main" type="submit">
          {{ asked === 'weigh' ? 'Keep for this kitchen' : 'Set' }}
        </button>
        <button class="choice plain" type="button" @click="asked = null">Leave</button>
      </form>
    </template>
    <FoodPicker v-else-if="asked === 'food'" @pick="choose" @leave="asked = null" />
    <span v-else class="choices">
      <template v-if="isAboutFood">
        <button v-for="id in foodChoices" :key="id" class="choice" type="button" @click="choose(id)">
          {{ book.nameOf(id) }}
        </button>
        <button class="choice" type="button" @click="askFor('food')">
          {{ foodChoices.length > 0 ? 'Another food' : 'Choose a food' }}
        </button>
        <button v-if="isAboutName" class="choice plain" type="button" @click="makeFood">New food</button>
      </template>
      <template v-else-if="contradiction">
        <button class="choice" type="button" @click="answer(Number(contradiction.stated), 'weighed here')">
          {{ contradiction.stated }} g, as stated
        </button>
        <button class="choice" type="button" @click="answer(Number(contradiction.reckoned), 'convention')">
          {{ contradiction.reckoned }} g, by {{ contradiction.written }}
        </button>
        <button class="choice" type="button" @click="askFor('grams')">Other</button>
      </template>
      <template v-else-if="code === 'bath-open'">
        <button class="choice" type="button" @click="emit('answer', { bath: 'eaten' })">
          All of it is eaten
        </button>
        <button class="choice" type="button" @click="emit('answer', { bath: 'left' })">
          Only what the food takes up
        </button>
      </template>
      <template v-else-if="isAboutAmount">
        <button v-if="grams > 0" class="choice" type="button" @click="answer(grams, 'convention')">
          Keep {{ gramsText(grams) }}
        </button>
        <button v-if="start" class="choice" type="button" @click="answer(start.grams, 'convention')">
          Start with {{ gramsText(start.grams) }}, {{ start.words }}
        </button>
        <button v-if="vagueUnit && line.foodId" class="choice" type="button" @click="askFor('weigh')">
          Weigh one {{ vagueUnit.unit }}
        </button>
        <button class="choice" type="button" @click="askFor('grams')">
          {{ grams > 0 ? 'Other' : 'Enter grams' }}
        </button>
      </template>
      <button
        v-else-if="canRecordPack"
        class="choice"
        type="button"
        @click="prompts.packFoodId = line.foodId"
      >
        {{ code === 'statement-changed' ? 'Read it again' : 'Record the pack' }}
      </button>
    </span>
    <span v-if="problem" class="problem" role="alert">{{ problem }}</span>
    <span v-if="more > 0" class="soft">{{ figureText(more) }} more about this line</span>
  </div>
</template>

<style scoped>
.decision,
.choices,
.asked {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px 10px;
}

strong {
  font-weight: 640;
  font-size: var(--text-m);
}

.problem {
  color: var(--brick);
  font-weight: 600;
}

.soft {
  font-size: var(--text-s);
}
</style>
