<script setup lang="ts">
/** What came out: finished weight, portions, left over, thrown away, and what they said of it. */
import { computed, ref } from 'vue';
import { type EntryBody, gramsText, type Score, SCORES, typedFigure } from '@hand-ladle/core';
import { useStove } from '../offline/stove';
import StovePanel from './StovePanel.vue';

const emit = defineEmits<{ close: [] }>();
const stove = useStove();
const state = computed(() => stove.current!.answer.state);
const finished = ref('');
const portions = ref('');
const portionGrams = ref('');
const leftOver = ref('');
const thrown = ref('');
const reason = ref('');
const scores = ref<Partial<Record<Score, number>>>({});
const words = ref('');
const refusal = ref('');

async function note(body: EntryBody | null, clear: () => void): Promise<void> {
  refusal.value = '';
  if (body === null) {
    refusal.value = 'A figure is missing.';
    return;
  }
  await stove.write(body);
  clear();
}
const above = (text: string): number | null => {
  const value = typedFigure(text);
  return value !== null && value > 0 ? value : null;
};
function weigh(): Promise<void> {
  const grams = above(finished.value);
  return note(grams === null ? null : { kind: 'finished', grams, way: 'typed' }, () => (finished.value = ''));
}
/** A weight that stands already is added to by another load, or was wrong: one figure typed twice is not two loads. */
async function weighAnew(): Promise<void> {
  const grams = above(finished.value);
  if (grams === null) return note(null, () => undefined);
  const corrected = new Set(
    stove.current!.entries.flatMap((each) => (each.kind === 'correction' ? [each.of] : [])),
  );
  const wrong = stove.current!.entries.filter(({ id, kind }) => kind === 'finished' && !corrected.has(id));
  await stove.writeAll([
    ...wrong.map(({ id }) => ({
      body: { kind: 'correction' as const, of: id, reason: 'weighed anew', instead: null },
    })),
    { body: { kind: 'finished' as const, grams, way: 'typed' as const } },
  ]);
  finished.value = '';
}
function count(): Promise<void> {
  const got = typedFigure(portions.value);
  return note(
    got === null ? null : { kind: 'portioned', portions: got, portionGrams: above(portionGrams.value) },
    () => (portions.value = ''),
  );
}
function keep(): Promise<void> {
  const grams = above(leftOver.value);
  return note(
    grams === null ? null : { kind: 'left-over', grams, way: 'typed' },
    () => (leftOver.value = ''),
  );
}
function throwAway(): Promise<void> {
  const grams = above(thrown.value);
  if (grams !== null && reason.value.trim() === '') {
    refusal.value = 'Why is it thrown away?';
    return Promise.resolve();
  }
  return note(
    grams === null ? null : { kind: 'thrown-away', grams, reason: reason.value.trim() },
    () => ([thrown.value, reason.value] = ['', '']),
  );
}
function judge(): Promise<void> {
  return note({ kind: 'verdict', scores: { ...scores.value }, words: words.value.trim() }, () => {
    scores.value = {};
    words.value = '';
  });
}
async function close(): Promise<void> {
  await stove.write({ kind: 'closed' });
  emit('close');
}
const SCORE_WORDS: Readonly<Record<Score, string>> = {
  taste: 'Taste',
  texture: 'Texture',
  look: 'Look',
  salt: 'Salt (3 is right)',
};
</script>

<template>
  <StovePanel title="What came out" @close="emit('close')">
    <div class="rows">
      <form @submit.prevent="weigh">
        <label
          >Finished weight, g<input
            v-model="finished"
            class="field tall"
            inputmode="decimal"
            data-takes-weight
        /></label>
        <span class="had">{{
          state.finishedGrams === null ? 'not weighed' : gramsText(state.finishedGrams)
        }}</span>
        <button class="key" type="submit">
          {{ state.finishedGrams === null ? 'Weighed' : 'Another load: add it' }}
        </button>
        <button v-if="state.finishedGrams !== null" class="key" type="button" @click="weighAnew">
          Weighed anew
        </button>
      </form>
      <form @submit.prevent="count">
        <label>Portions<input v-model="portions" class="field tall" inputmode="decimal" /></label>
        <label
          >of grams, if other than planned<input
            v-model="portionGrams"
            class="field tall"
            inputmode="decimal"
        /></label>
        <span class="had">{{ state.portions ?? 'not counted' }}</span>
        <button class="key" type="submit">Counted</button>
      </form>
      <form @submit.prevent="keep">
        <label
          >Left over, g: it goes into store<input v-model="leftOver" class="field tall" inputmode="decimal"
        /></label>
        <span class="had">{{
          state.leftOverGrams === null ? 'nothing' : gramsText(state.leftOverGrams)
        }}</span>
        <button class="key" type="submit">Keep it</button>
      </form>
      <form @submit.prevent="throwAway">
        <label>Thrown away, g<input v-model="thrown" class="field tall" inputmode="decimal" /></label>
        <label>Why<input v-model="reason" class="field tall" maxlength="500" /></label>
        <span class="had">{{
          state.thrownAwayGrams === null ? 'nothing' : gramsText(state.thrownAwayGrams)
        }}</span>
        <button class="key" type="submit">Thrown away</button>
      </form>
      <form @submit.prevent="judge">
        <div class="scores">
          <fieldset v-for="score in SCORES" :key="score">
            <legend>{{ SCORE_WORDS[score] }}</legend>
            <button
              v-for="value in 5"
              :key="value"
              type="button"
              class="key small"
              :class="{ chosen: scores[score] === value }"
              :aria-pressed="scores[score] === value"
              :aria-label="`${SCORE_WORDS[score]}: ${value} of 5`"
              @click="scores = { ...scores, [score]: value }"
            >
              {{ value }}
            </button>
          </fieldset>
        </div>
        <label>What they said<input v-model="words" class="field tall" maxlength="1000" /></label>
        <span class="had">{{ state.verdicts.length }} so far</span>
        <button class="key" type="submit">Note it</button>
      </form>
    </div>
    <p v-if="refusal" class="wrong" role="alert">{{ refusal }}</p>
    <ul class="missing">
      <li
        v-for="each in [
          ...state.missing,
          ...state.notWritten.map((name) => `Nobody wrote down whether ${name} went in.`),
        ]"
        :key="each"
      >
        {{ each }}
      </li>
    </ul>
    <button v-if="state.phase !== 'closed'" class="key main" type="button" @click="close">
      Close the batch
    </button>
  </StovePanel>
</template>

<style scoped>
.rows {
  display: grid;
  gap: var(--space-3);
}

form {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-3);
  align-items: end;
  padding-bottom: var(--space-3);
  border-bottom: 1px solid var(--hairline);
  font-size: 20px;
}

label {
  display: grid;
  flex: 1;
  min-width: 180px;
}

.had {
  min-width: 110px;
  font-weight: 650;
  line-height: 64px;
}

.scores {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(240px, 1fr));
  gap: var(--space-2);
  width: 100%;
}

fieldset {
  display: flex;
  gap: 4px;
  border: 0;
  padding: 0;
  margin: 0;
}

.small {
  flex: 1;
  justify-content: center;
  padding: 0;
}

.wrong,
.missing {
  font-size: 22px;
}

.wrong {
  color: var(--brick);
}

.missing {
  margin: var(--space-3) 0;
  color: var(--amber);
}
</style>
