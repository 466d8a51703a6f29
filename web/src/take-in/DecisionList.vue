<script setup lang="ts">
/** Everything unsure about a dish that is being taken in, worst first, each answered where it stands. */
import { computed } from 'vue';
import {
  type Decision,
  type LineAnswers,
  type RecipeLine,
  roundToDecimals,
  type Worksheet,
} from '@hand-ladle/core';
import DecisionChoices from '../ui/DecisionChoices.vue';

const props = defineProps<{
  decisions: readonly Decision[];
  lines: readonly RecipeLine[];
  answered: number;
  sheet: Worksheet;
}>();
const emit = defineEmits<{ answer: [lineId: string, answers: LineAnswers] }>();

const PACK_CODES = new Set(['pack-unknown', 'certificate-unknown', 'animal-check', 'statement-changed']);
const isAboutPack = ({ finding }: Decision): boolean => PACK_CODES.has(finding.code);
/** A line is asked one thing at a time; the next question follows the answer. */
const first = (list: Decision[]): Decision[] => {
  const seen = new Set<string>();
  return list.filter(({ finding }) => {
    if (finding.lineId === null) return true;
    if (seen.has(finding.lineId)) return false;
    seen.add(finding.lineId);
    return true;
  });
};
const ofRecipe = computed(() =>
  first(props.decisions.filter((each) => !isAboutPack(each) && each.line !== null)),
);
const ofPacks = computed(() =>
  first(props.decisions.filter((each) => isAboutPack(each) && each.line !== null)),
);
const groups = computed(() =>
  [
    { title: 'About the recipe', list: ofRecipe.value },
    { title: 'Packs to read, now or on the bench', list: ofPacks.value },
  ].filter(({ list }) => list.length > 0),
);

const sourceOf = ({ line }: Decision): RecipeLine | null =>
  props.lines.find(({ id }) => id === line?.sourceId) ?? null;

/** What hangs on an answer, in a few words. */
function atStake({ effects, weightShare }: Decision): string {
  const words: string[] = [];
  if (effects.includes('allergens')) words.push('who may eat it');
  if (weightShare !== null && weightShare >= 0.005)
    words.push(`${weightShare < 0.01 ? '1' : String(roundToDecimals(weightShare * 100, 0))} % of the weight`);
  else if (effects.includes('weight')) words.push('the weight');
  if (words.length === 0) words.push('the figures');
  return words.join(', ');
}
</script>

<template>
  <section class="plate decisions" aria-label="To decide">
    <h2>
      <template v-if="ofRecipe.length > 0">To decide, worst first</template>
      <template v-else>Nothing to decide about the recipe</template>
      <span class="soft">{{ answered }} answered</span>
    </h2>
    <template v-for="group in groups" :key="group.title">
      <h3>{{ group.title }}</h3>
      <ol>
        <li v-for="each in group.list" :key="`${each.finding.code} ${each.finding.lineId}`">
          <p class="written">
            “{{ each.line!.text }}” <span class="stake">changes {{ atStake(each) }}</span>
          </p>
          <DecisionChoices
            :line="each.line!"
            :finding="each.finding"
            :source="sourceOf(each)"
            :is-variant="false"
            :more="0"
            :sheet="sheet"
            @answer="emit('answer', each.line!.sourceId, $event)"
          />
        </li>
      </ol>
    </template>
  </section>
</template>

<style scoped>
.decisions h2 {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
  font-size: var(--text-l);
  color: var(--ink);
}

h2 .soft,
h3 {
  font-size: var(--text-s);
  font-weight: 560;
  color: var(--ink-soft);
}

h3 {
  margin: var(--space-2) 0 0;
}

li {
  padding: var(--space-2) var(--space-3);
  margin-top: 6px;
  background: var(--amber-wash);
  box-shadow: inset 4px 0 0 var(--amber-line);
  overflow-wrap: anywhere;
}

.written {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  gap: 0 var(--space-4);
  font-size: var(--text-s);
  color: var(--ink-soft);
}

.stake {
  color: var(--amber);
  font-weight: 600;
}
</style>
