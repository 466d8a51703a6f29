<script setup lang="ts">
/** Several recipes out of one file: what was found, taken in one by one with a bar and a way to stop, and a report. */
import { computed, ref } from 'vue';
import { RouterLink } from 'vue-router';
import type { FoundRecipe } from '@hand-ladle/core';
import { server } from '../api/client';
import { newId } from '../state/bench';
import { useBook } from '../state/book';

const props = defineProps<{ recipes: readonly FoundRecipe[]; fileName: string }>();
const emit = defineEmits<{ leave: [] }>();
const book = useBook();

interface Outcome {
  id: string | null;
  text: string;
}
const outcomes = ref<Record<number, Outcome>>({});
const left = ref(new Set<number>());
const isRunning = ref(false);
let isStopping = false;

const chosen = computed(() =>
  props.recipes.map((_, index) => index).filter((index) => !left.value.has(index)),
);
const done = computed(() => Object.keys(outcomes.value).length);
const taken = computed(() => Object.values(outcomes.value).filter(({ id }) => id !== null).length);

function toggle(index: number): void {
  const next = new Set(left.value);
  if (!next.delete(index)) next.add(index);
  left.value = next;
}

async function takeOne(found: FoundRecipe): Promise<Outcome> {
  const { recipe, target } = found;
  try {
    const made = await server.create({ recipe, target, vesselIds: [], version: 0 });
    return {
      id: made.recipe.id,
      text: found.decisions > 0 ? `taken in, ${found.decisions} to decide` : 'taken in',
    };
  } catch (error) {
    const failure = error as { code?: string; message: string };
    if (failure.code !== 'recipe-exists') return { id: null, text: `not taken in: ${failure.message}` };
    const copy = { ...recipe, id: newId(recipe.name) };
    const made = await server.create({ recipe: copy, target, vesselIds: [], version: 0 });
    return { id: made.recipe.id, text: 'taken in beside the one in the book' };
  }
}

async function takeAll(): Promise<void> {
  isRunning.value = true;
  isStopping = false;
  for (const index of chosen.value) {
    if (isStopping) break;
    if (outcomes.value[index]) continue;
    outcomes.value = { ...outcomes.value, [index]: await takeOne(props.recipes[index]!) };
  }
  await book.refresh();
  isRunning.value = false;
}

function stop(): void {
  isStopping = true;
}
</script>

<template>
  <section class="plate document">
    <h2>{{ recipes.length }} {{ recipes.length === 1 ? 'recipe' : 'recipes' }} in {{ fileName }}</h2>
    <div class="ends">
      <button
        v-if="!isRunning"
        class="choice main"
        type="button"
        :disabled="done >= chosen.length"
        @click="takeAll"
      >
        {{ done > 0 && done < chosen.length ? 'Go on' : `Take ${chosen.length} in` }}
      </button>
      <button v-else class="choice" type="button" @click="stop">Stop after this one</button>
      <button class="choice plain" type="button" :disabled="isRunning" @click="emit('leave')">
        {{ taken > 0 ? 'Close the report' : 'Leave it' }}
      </button>
      <progress :value="done" :max="chosen.length" aria-label="Recipes taken in" />
      <span class="figure" role="status">{{ done }} of {{ chosen.length }}</span>
    </div>
    <ol>
      <li v-for="(found, index) in recipes" :key="index">
        <label>
          <input
            type="checkbox"
            :checked="!left.has(index)"
            :disabled="isRunning || outcomes[index] !== undefined"
            @change="toggle(index)"
          />
          <b>{{ found.recipe.name }}</b>
        </label>
        <span class="soft">
          {{ found.lines }} lines, {{ found.steps }} steps<template v-if="found.needsPortions"
            >, portions not told</template
          ><template v-if="found.isNameTaken">, a dish of this name is in the book</template>
        </span>
        <span v-if="outcomes[index]" :class="outcomes[index]!.id ? 'good' : 'bad'">
          <RouterLink v-if="outcomes[index]!.id" :to="`/dishes/${outcomes[index]!.id}`">{{
            outcomes[index]!.text
          }}</RouterLink>
          <template v-else>{{ outcomes[index]!.text }}</template>
        </span>
        <span v-else class="soft">{{
          found.decisions > 0 ? `${found.decisions} to decide` : 'nothing open'
        }}</span>
      </li>
    </ol>
  </section>
</template>

<style scoped>
.document h2 {
  font-size: var(--text-l);
  color: var(--ink);
}

.ends {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: var(--space-2) var(--space-3);
  margin-bottom: var(--space-3);
}

progress {
  flex: 1;
  min-width: 120px;
  height: 10px;
  accent-color: var(--rim);
}

li {
  display: grid;
  grid-template-columns: 1.3fr 1fr 0.8fr;
  gap: var(--space-3);
  align-items: center;
  min-height: 40px;
  border-top: 1px solid var(--hairline);
  overflow-wrap: anywhere;
}

label {
  display: flex;
  gap: var(--space-2);
  align-items: center;
}

.bad {
  color: var(--brick);
  font-weight: 600;
}

@media (max-width: 760px) {
  li {
    grid-template-columns: 1fr;
    gap: 0;
    padding: var(--space-2) 0;
  }
}
</style>
