<script setup lang="ts">
import { computed, onMounted, ref, shallowRef, watch } from 'vue';
import { useRouter } from 'vue-router';
import { gramsText, isOpen, recipeFromReading, type RecipeReading, type Worksheet } from '@hand-ladle/core';
import { server } from '../api/client';
import { newId } from '../stores/bench';
import { useBook } from '../stores/book';
import { ask, latestOnly } from '../worker/client';

const DRAFT_KEY = 'hand-ladle.take-in';
/** The server's own limit, said before anything is sent. */
const MOST_TEXT = 200_000;

const book = useBook();
const router = useRouter();
const text = ref(localStorage.getItem(DRAFT_KEY) ?? '');
const reading = shallowRef<RecipeReading | null>(null);
const sheet = shallowRef<Worksheet | null>(null);
const portions = ref('');
const size = ref('');
const portionsField = ref<HTMLInputElement | null>(null);
const isComponent = ref(false);
const problem = ref('');
const isSaving = ref(false);
const read = latestOnly('read');

const isTooLong = computed(() => text.value.length > MOST_TEXT);
const numberIn = (typed: string): number | null => {
  const value = Number(typed.replace(',', '.'));
  return typed.trim() !== '' && value > 0 && value <= 1_000_000 ? value : null;
};

/** The recipe as read, with the portions the cook typed over those the text says. */
const recipe = computed(() => {
  if (!reading.value || reading.value.lines.length === 0) return null;
  const made = recipeFromReading(reading.value, 'unsaved');
  return {
    ...made,
    name: made.name.slice(0, 200),
    portions: numberIn(portions.value) ?? made.portions,
    portionGrams: numberIn(size.value) ?? made.portionGrams,
    isComponent: isComponent.value,
  };
});

let timer: ReturnType<typeof setTimeout> | undefined;
watch(text, () => {
  clearTimeout(timer);
  timer = setTimeout(() => void readNow(), 120);
});

function keepDraft(): void {
  try {
    localStorage.setItem(DRAFT_KEY, text.value);
  } catch {
    // A browser's store holds about 5 MB; a longer text stays in the box all the same.
  }
}

async function readNow(): Promise<void> {
  keepDraft();
  if (isTooLong.value || text.value.trim() === '') {
    reading.value = null;
    sheet.value = null;
    return;
  }
  await book.ready();
  const answer = await read({ text: text.value });
  if (answer) reading.value = answer;
}

watch([recipe, () => book.kitchen], async () => {
  if (!recipe.value || !book.kitchen) {
    sheet.value = null;
    return;
  }
  const target = await ask('homeTarget', { recipe: recipe.value, kitchen: book.kitchen });
  sheet.value = await ask('worksheet', {
    recipe: recipe.value,
    kitchen: book.kitchen,
    target,
    vesselId: null,
  });
});

onMounted(readNow);

const decisions = computed(() => sheet.value?.findings.filter(isOpen).length ?? 0);
const counted = (count: number, word: string): string => `${count} ${word}${count === 1 ? '' : 's'}`;
const needsPortions = computed(
  () =>
    !isComponent.value &&
    reading.value !== null &&
    reading.value.portions === null &&
    numberIn(portions.value) === null,
);

async function putOnBench(): Promise<void> {
  if (!recipe.value) return;
  if (needsPortions.value) {
    problem.value = 'Say how many portions it makes, or tick that it is used by weight.';
    portionsField.value?.focus();
    return;
  }
  isSaving.value = true;
  problem.value = '';
  try {
    const made = await server.create({
      recipe: { ...recipe.value, id: newId(recipe.value.name) },
      target: null,
      version: 0,
    });
    if (isComponent.value) await book.reloadComponents();
    localStorage.removeItem(DRAFT_KEY);
    await router.push(`/dishes/${made.recipe.id}`);
  } catch (error) {
    problem.value = `${(error as Error).message} Your text is kept.`;
  } finally {
    isSaving.value = false;
  }
}
</script>

<template>
  <div class="page">
    <section class="told">
      <h1>Take a dish in</h1>
      <label for="told" class="soft">As it was told to you: a title, the lines, then the steps.</label>
      <textarea
        id="told"
        v-model="text"
        class="field"
        spellcheck="false"
        placeholder="Barley and leek pot&#10;Serves 6, portions of 280 g&#10;&#10;1 1/2 cups pearl barley, rinsed&#10;2 tbsp tamari&#10;a handful of dill&#10;&#10;Method&#10;Simmer the barley gently for 35 minutes …"
      />
      <p v-if="isTooLong" class="problem" role="alert">
        This is {{ text.length.toLocaleString('en') }} characters; one recipe has at most
        {{ MOST_TEXT.toLocaleString('en') }}. Nothing is lost: cut it to one recipe here and it is read.
      </p>
    </section>
    <section class="read" aria-live="polite">
      <div v-if="!recipe || !reading" class="plate empty">
        <h2>What is read stands here</h2>
        <p v-for="each in reading?.findings ?? []" :key="each.code" class="problem" role="alert">
          {{ each.message }}
        </p>
        <p v-if="!reading" class="soft">
          Each line becomes a food, its form, its amount and its grams. What you wrote is kept beside it.
        </p>
      </div>
      <template v-else>
        <header class="plate head">
          <h2>{{ recipe.name }}</h2>
          <div class="sizes">
            <label
              >Portions
              <input
                ref="portionsField"
                v-model="portions"
                class="field"
                inputmode="decimal"
                size="4"
                :placeholder="String(reading.portions ?? '')"
            /></label>
            <label
              >Grams each
              <input
                v-model="size"
                class="field"
                inputmode="decimal"
                size="5"
                :placeholder="String(reading.portionGrams ?? '')"
            /></label>
            <label class="tick"
              ><input v-model="isComponent" type="checkbox" /> Used by weight in other dishes</label
            >
          </div>
          <p v-if="needsPortions" class="ask">How many portions does it make? The text does not say.</p>
          <div class="ends">
            <button class="choice main" type="button" :disabled="isSaving" @click="putOnBench">
              Put it on the bench
            </button>
            <span class="soft">
              {{ counted(reading.lines.length, 'line') }}, {{ counted(reading.steps.length, 'step') }};
              {{ decisions === 0 ? 'nothing to decide' : `${decisions} to decide on the bench` }}
            </span>
          </div>
          <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
        </header>
        <ol v-if="sheet" class="lines">
          <li v-for="line in sheet.lines" :key="line.id" :class="{ doubtful: line.findings.some(isOpen) }">
            <div>
              <b>{{ line.name }}</b> <span class="soft">{{ line.form }}</span>
              <p class="written">“{{ line.text }}”</p>
              <p
                v-for="each in line.findings.filter((one) => one.severity !== 'note')"
                :key="each.code"
                class="doubt"
              >
                {{ each.message }}
              </p>
            </div>
            <div class="right">
              <b v-if="line.baseGrams !== null" class="figure">{{ gramsText(line.baseGrams) }}</b>
              <b v-else class="doubt">not known</b>
              <p class="soft">{{ line.origin ?? '' }}</p>
            </div>
          </li>
        </ol>
        <section v-if="reading.steps.length > 0" class="plate steps">
          <h2>Steps</h2>
          <ol>
            <li v-for="step in reading.steps" :key="step.id">
              {{ step.text }}
              <span v-if="step.reading.cooking" class="soft">
                [{{ step.reading.cooking.heat }}, {{ step.reading.cooking.minutes }} min{{
                  step.reading.cooking.covered ? ', covered' : ''
                }}]
              </span>
            </li>
          </ol>
        </section>
      </template>
    </section>
  </div>
</template>

<style scoped>
.page {
  display: grid;
  grid-template-columns: minmax(320px, 0.85fr) 1.15fr;
  gap: var(--space-4);
  max-width: 1400px;
  margin: 0 auto;
  padding: var(--space-4) 20px var(--space-6);
  align-items: start;
}

.told {
  position: sticky;
  top: var(--space-4);
  display: grid;
  gap: var(--space-2);
}

h1 {
  font-size: var(--text-xl);
}

textarea {
  min-height: calc(100vh - 190px);
  padding: var(--space-4);
  border-top: 4px solid var(--rim);
  border-radius: var(--radius);
  resize: vertical;
  font-size: 1rem;
  line-height: 1.5;
}

.read {
  display: grid;
  gap: var(--space-3);
  min-width: 0;
}

.plate h2 {
  font-size: var(--text-l);
  color: var(--ink);
  margin-bottom: var(--space-2);
  overflow-wrap: anywhere;
}

.empty {
  margin-top: 34px;
  border: 1.5px dashed var(--hairline);
}

.head {
  margin-top: 34px;
  border-top: 4px solid var(--rim);
}

.sizes,
.ends {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: var(--space-2) var(--space-4);
  margin-bottom: var(--space-3);
}

.ends {
  margin: 0;
}

.tick {
  display: flex;
  align-items: center;
  gap: 6px;
  min-height: 40px;
}

.lines {
  background: var(--enamel);
  border-radius: var(--radius);
  overflow: hidden;
}

.lines li {
  display: flex;
  justify-content: space-between;
  gap: var(--space-4);
  padding: 7px var(--space-4);
  border-top: 1px solid var(--hairline);
  overflow-wrap: anywhere;
}

.lines li.doubtful {
  background: var(--amber-wash);
  box-shadow: inset 4px 0 0 var(--amber-line);
}

.written {
  font-size: var(--text-s);
  color: var(--ink-soft);
}

.doubt {
  color: var(--amber);
  font-size: var(--text-s);
  font-weight: 620;
}

.right {
  text-align: right;
  white-space: nowrap;
}

.right p {
  font-size: var(--text-s);
}

.right .figure {
  font-size: var(--text-l);
}

.steps ol {
  display: grid;
  gap: var(--space-2);
  padding-left: 1.4em;
  list-style: decimal;
  overflow-wrap: anywhere;
}

.ask {
  color: var(--amber);
  font-weight: 620;
  margin-bottom: var(--space-2);
}

.problem {
  color: var(--brick);
  font-weight: 600;
}

@media (max-width: 860px) {
  .page {
    grid-template-columns: minmax(0, 1fr);
    padding: var(--space-3);
  }

  .told {
    position: static;
  }

  textarea {
    min-height: 260px;
  }

  .head,
  .empty {
    margin-top: 0;
  }
}
</style>
