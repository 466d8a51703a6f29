<script setup lang="ts">
/** The machines of the batch: which, how many loads, what leaves as steam; and what another would change, and why. */
import { computed } from 'vue';
import { figureText, gramsText, type MachineChoice, type WorkKind } from '@hand-ladle/core';
import { useBench } from '../../state/bench';
import { usePrompts } from '../../state/prompts';

const bench = useBench();
const prompts = usePrompts();
const sheet = computed(() => bench.worksheet!);

const WORK_WORDS: Record<WorkKind, string> = {
  simmer: 'Simmer in the',
  fry: 'Fry in the',
  oven: 'Bake in the',
  blend: 'Blend in the',
  mix: 'Mix in the',
};

/** Differences in water smaller than this are the same water, in grams. */
const SAME_WATER = 5;

/** What the machine asked for changes against the one that would be taken: water, and the surface it comes from. */
function differenceText(all: readonly MachineChoice[]): string {
  const chosen = all.find(({ isChosen }) => isChosen);
  const usual = all.find(({ isUsual }) => isUsual);
  if (!chosen || !usual || chosen === usual) return '';
  const water = chosen.waterGrams - usual.waterGrams;
  const steam = chosen.steamGrams - usual.steamGrams;
  const area = `${figureText(chosen.surfaceM2, 2)} m² of open surface a load, ${figureText(usual.surfaceM2, 2)} m² there`;
  const than = `than in the ${usual.name}`;
  const loads = chosen.loads === usual.loads ? '' : `; ${chosen.loads} loads instead of ${usual.loads}`;
  if (Math.abs(water) >= SAME_WATER)
    return `${gramsText(Math.abs(water))} ${water > 0 ? 'more' : 'less'} water ${than}: ${area}${loads}.`;
  if (Math.abs(steam) >= SAME_WATER)
    return `${gramsText(Math.abs(steam))} ${steam > 0 ? 'more' : 'less'} steam ${than}: ${area}${loads}.`;
  return loads ? `${loads.slice(2)}, in the ${usual.name}.` : '';
}

const stages = computed(() =>
  sheet.value.stages.map((stage) => {
    const choices = sheet.value.choices.filter(({ work }) => work === stage.work);
    const steam = stage.steamGrams > 0 ? `, ${gramsText(stage.steamGrams)} leaves as steam` : '';
    return {
      work: stage.work,
      words: WORK_WORDS[stage.work],
      choices,
      chosenId: stage.machine?.id ?? '',
      isAsked: choices.some(({ isChosen, isUsual }) => isChosen && !isUsual),
      text: stage.machine ? `${stage.loads} × ${gramsText(stage.loadGrams)}${steam}` : 'no such machine here',
      difference: differenceText(choices),
    };
  }),
);

/** The usual machine is not asked for: it is taken by itself, and follows the size of the batch. */
function choose(work: WorkKind, choices: readonly MachineChoice[], vesselId: string): void {
  const isUsual = choices.some((each) => each.vesselId === vesselId && each.isUsual);
  bench.setMachine(work, isUsual ? null : vesselId);
}
</script>

<template>
  <ul v-if="stages.length > 0" class="machines" aria-label="Machines">
    <li v-for="stage in stages" :key="stage.work" class="vessel">
      <label>
        <span class="soft">{{ stage.words }}</span>
        <select
          v-if="stage.choices.length > 0"
          :aria-label="`${stage.words} …`"
          :value="stage.chosenId"
          @change="choose(stage.work, stage.choices, ($event.target as HTMLSelectElement).value)"
        >
          <option v-for="each in stage.choices" :key="each.vesselId" :value="each.vesselId">
            {{ each.name }}
          </option>
        </select>
      </label>
      <button
        class="soft why"
        type="button"
        @click="prompts.whyFigure = stage.text.includes('steam') ? 'steam' : 'loads'"
      >
        {{ stage.text }}
      </button>
      <p v-if="stage.difference" class="difference">{{ stage.difference }}</p>
    </li>
  </ul>
</template>

<style scoped>
.machines {
  display: flex;
  flex-wrap: wrap;
  flex: 1 1 300px;
  gap: var(--space-1) var(--space-5);
  font-size: var(--text-s);
  line-height: 1.3;
}

.vessel {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 0 var(--space-2);
}

select {
  min-height: 32px;
  margin-left: 4px;
  padding: 0;
  border: 0;
  background: none;
  font-weight: 640;
  font-size: var(--text-m);
  color: var(--rim);
}

.why {
  min-height: 32px;
  padding: 0;
  border: 0;
  background: none;
  text-align: left;
}

.why:hover {
  color: var(--rim);
  text-decoration: underline;
}

.difference {
  flex-basis: 100%;
  margin-bottom: 4px;
  padding: 3px 10px;
  border-left: 4px solid var(--rim);
  background: var(--rim-wash);
  font-weight: 600;
}

@media (pointer: coarse) {
  select,
  .why {
    min-height: var(--touch);
  }
}

@media (max-width: 1100px) {
  .machines {
    flex-basis: 100%;
    order: 2;
  }
}
</style>
