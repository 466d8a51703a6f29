<script setup lang="ts">
/** A decision where the doubt is: the question in words and its answers, one tap each. */
import { computed, nextTick, ref } from 'vue';
import { figureText, gramsText, isVagueUnit, type Finding, type WorksheetLine } from '@hand-ladle/core';
import { server } from '../api/client';
import { useBench } from '../stores/bench';
import { useBook } from '../stores/book';
import { usePrompts } from '../stores/prompts';
import FoodPicker from './FoodPicker.vue';

const props = defineProps<{ line: WorksheetLine; finding: Finding; more: number }>();
const bench = useBench();
const book = useBook();
const prompts = usePrompts();

const source = computed(() => bench.recipe?.lines.find(({ id }) => id === props.line.sourceId) ?? null);
const reading = computed(() => source.value?.reading ?? null);
const code = computed(() => props.finding.code);

const isAboutFood = computed(() =>
  ['food-unknown', 'food-unsure', 'state-unsure', 'alternative-open'].includes(code.value),
);
const isAboutPack = computed(() =>
  ['pack-unknown', 'certificate-unknown', 'animal-check'].includes(code.value),
);
const isAboutAmount = computed(
  () => code.value.startsWith('amount-') || code.value === 'weight-contradiction',
);
/** A pack is recorded for the food of this line; in a component it is found by opening the component. */
const canRecordPack = computed(() => isAboutPack.value && props.line.foodId !== null);

/** Foods to choose from, the one that was read first. */
const foodChoices = computed(() => {
  const read = reading.value;
  if (!read) return [];
  const ids = [read.foodId, ...(code.value === 'alternative-open' ? read.alternativeIds : read.otherFoodIds)];
  return [...new Set(ids.filter((id): id is string => id !== null))].slice(0, 4);
});

const grams = computed(() => Number(props.finding.figures['grams'] ?? NaN));
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
  bench.answerLine(props.line.sourceId, { grams: gramsAtHome, gramsOrigin });
}

async function setTyped(): Promise<void> {
  const value = Number(typed.value.replace(',', '.'));
  if (!(value > 0 && value <= 100_000)) {
    problem.value = 'Grams above zero, please.';
    return;
  }
  problem.value = '';
  const foodId = props.line.foodId;
  if (asked.value === 'weigh' && vagueUnit.value && foodId !== null) {
    const weighedOn = new Date().toISOString().slice(0, 10);
    try {
      const weight = { unit: vagueUnit.value.unit, foodId, grams: value, weighedOn };
      book.replaceKitchen(await server.recordWeight(book.kitchen!.id, weight));
    } catch (error) {
      problem.value = (error as Error).message;
      return;
    }
  } else answer(value, 'weighed here');
  asked.value = null;
  typed.value = '';
}

const choose = (foodId: string): void => bench.answerLine(props.line.sourceId, { foodId });
</script>

<template>
  <div class="decision">
    <strong>{{ finding.message }}</strong>
    <template v-if="bench.isVariant && !canRecordPack">
      <span class="soft">Decide it in the parent dish.</span>
    </template>
    <template v-else-if="asked === 'grams' || asked === 'weigh'">
      <form class="asked" @submit.prevent="setTyped" @keydown.esc="asked = null">
        <label>
          {{ asked === 'weigh' ? `One ${vagueUnit?.unit} weighs` : 'In the home recipe' }}
          <input ref="field" v-model="typed" class="field" inputmode="decimal" size="5" aria-label="Grams" />
          g
        </label>
        <button class="choice main" type="submit">
          {{ asked === 'weigh' ? 'Keep for this kitchen' : 'Set' }}
        </button>
        <button class="choice plain" type="button" @click="asked = null">Leave</button>
        <span v-if="problem" class="problem" role="alert">{{ problem }}</span>
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
      </template>
      <template v-else-if="code === 'weight-contradiction'">
        <button
          class="choice"
          type="button"
          @click="answer(Number(finding.figures['stated']), 'weighed here')"
        >
          {{ finding.figures['stated'] }} g, as stated
        </button>
        <button
          class="choice"
          type="button"
          @click="answer(Number(finding.figures['reckoned']), 'convention')"
        >
          {{ finding.figures['reckoned'] }} g, by {{ finding.figures['written'] }}
        </button>
        <button class="choice" type="button" @click="askFor('grams')">Other</button>
      </template>
      <template v-else-if="isAboutAmount">
        <button v-if="grams > 0" class="choice" type="button" @click="answer(grams, 'convention')">
          Keep {{ gramsText(grams) }}
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
        Record the pack
      </button>
    </span>
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
