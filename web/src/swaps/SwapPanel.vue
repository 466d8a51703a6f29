<script setup lang="ts">
/** A swap by hand: everything on file for one food of the dish, with the same checks a plan goes through, and a rating. */
import 'element-plus/es/components/drawer/style/css';
import { ElDrawer } from 'element-plus/es/components/drawer/index.mjs';
import { computed, ref, shallowRef, watch } from 'vue';
import {
  broughtIn,
  type FlagChange,
  gramsText,
  roundToDecimals,
  signedText,
  STATUS_WORDS,
  type SwapOption,
  takenAway,
  TOLD_WITH_ANOTHER,
} from '@hand-ladle/core';
import { useBench } from '../state/bench';
import { useBook } from '../state/book';
import { usePrompts } from '../state/prompts';
import { ask } from '../worker/client';
import SwapRate from './SwapRate.vue';

const bench = useBench();
const book = useBook();
const prompts = usePrompts();
const options = shallowRef<SwapOption[] | null>(null);
const problem = ref('');
const foodId = computed(() => prompts.swapFoodId);
const name = computed(() => (foodId.value ? book.nameOf(foodId.value) : ''));

watch([foodId, () => bench.input], async () => {
  if (!foodId.value || !bench.input) return;
  const asked = foodId.value;
  try {
    const found = await ask('swapOptions', { ...bench.input, foodId: asked });
    if (asked === foodId.value) options.value = found;
    problem.value = '';
  } catch (error) {
    problem.value = (error as Error).message;
  }
});

const isShown = computed({
  get: () => foodId.value !== null,
  set: (shown) => {
    if (shown) return;
    prompts.swapFoodId = null;
    options.value = null;
  },
});
const words = (changes: readonly FlagChange[]): string =>
  changes
    .filter(({ id }) => !TOLD_WITH_ANOTHER.has(id))
    .map(({ name: each, after }) => `${STATUS_WORDS[after]} ${each.toLowerCase()}`)
    .join(', ');
const percent = (share: number): string => String(roundToDecimals(share * 100, 0));
const taken = computed(() => options.value?.find(({ isTaken }) => isTaken) ?? null);
</script>

<template>
  <ElDrawer v-model="isShown" :title="`Instead of ${name.toLowerCase()}`" size="min(560px, 96vw)">
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
    <p v-else-if="options === null" class="soft" role="status">Looking through the swaps …</p>
    <template v-else>
      <p v-if="taken" class="back">
        <button class="choice" type="button" @click="bench.takeSwap(foodId!, null)">
          Back to {{ name.toLowerCase() }}
        </button>
      </p>
      <p v-if="options.length === 0" class="soft">
        No swap is on file for it. Write this kitchen's own under Larder, Swaps.
      </p>
      <ul>
        <li v-for="option in options" :key="option.entry.id" :class="{ taken: option.isTaken }">
          <p class="to">
            <b>{{
              option.to.map((to) => `${gramsText(to.grams)} ${to.name.toLowerCase()}`).join(' + ')
            }}</b><template v-if="option.waterGrams > 0">
              + {{ gramsText(option.waterGrams) }} water</template
            >
            <span class="soft"> for {{ gramsText(option.outGrams) }}</span>
          </p>
          <p>{{ option.entry.hint }}</p>
          <p class="soft small">
            {{ option.entry.function }}; taste {{ percent(option.entry.taste) }}, texture
            {{ percent(option.entry.texture) }} of 100 ({{ option.entry.source }})
          </p>
          <p class="small">
            Protein {{ signedText(option.drift.proteinG, 1) }} g, fibre
            {{ signedText(option.drift.fibreG, 1) }} g, sodium {{ signedText(option.drift.sodiumMg, 0) }} mg,
            cost {{ signedText(option.drift.costAfter - option.drift.costBefore, 2) }} a portion
          </p>
          <p v-if="words(broughtIn(option))" class="brings">Brings in: {{ words(broughtIn(option)) }}</p>
          <p v-if="words(takenAway(option))" class="small">Then: {{ words(takenAway(option)) }}</p>
          <p v-for="refusal in option.refusals" :key="refusal" class="refused">Not here: {{ refusal }}.</p>
          <div class="acts">
            <span v-if="option.isTaken" class="in">In the dish now</span>
            <button
              v-else-if="option.refusals.length === 0"
              class="choice main"
              type="button"
              @click="bench.takeSwap(foodId!, option.entry.id)"
            >
              Take it
            </button>
            <SwapRate :entry="option.entry" />
          </div>
        </li>
      </ul>
      <p class="soft small">
        A swap holds wherever {{ name.toLowerCase() }} stands in the dish. Undo takes it back.
      </p>
    </template>
  </ElDrawer>
</template>

<style scoped>
ul {
  display: grid;
  gap: var(--space-3);
}

li {
  padding: var(--space-3) var(--space-4);
  background: #ffffff;
  border-top: 2px solid var(--hairline);
  border-radius: var(--radius);
}

li.taken {
  border-top-color: var(--rim);
}

.to {
  font-size: var(--text-l);
}

.small {
  font-size: var(--text-s);
}

.brings {
  color: var(--brick);
  font-weight: 620;
}

.refused {
  font-weight: 620;
  color: var(--amber);
}

.acts,
.back {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: var(--space-2);
  margin-top: var(--space-2);
}

.in {
  font-weight: 660;
  color: var(--rim);
}

.problem {
  color: var(--brick);
  font-weight: 600;
}
</style>
