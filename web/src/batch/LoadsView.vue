<script setup lang="ts">
/** How the batch splits: each machine with its loads, the lines of each load, and the components made before. */
import { computed } from 'vue';
import {
  figureText,
  gramsText,
  loadsText,
  type StageView,
  weightText,
  type WorksheetLine,
} from '@hand-ladle/core';
import { useBench } from '../state/bench';
import { usePrompts } from '../state/prompts';
import ComponentPlate from '../ui/ComponentPlate.vue';
import LoadFill from './LoadFill.vue';

const bench = useBench();
const prompts = usePrompts();
const sheet = computed(() => bench.worksheet!);

/** More loads than this are counted in words instead of a column each. */
const MOST_COLUMNS = 6;

const WORK_NAMES = {
  simmer: 'Simmering',
  fry: 'Frying',
  oven: 'Baking',
  blend: 'Blending',
  mix: 'Mixing',
} as const;

const linesOf = (stage: StageView): WorksheetLine[] =>
  sheet.value.lines.filter(({ work, scaleGrams }) => work === stage.work && scaleGrams !== null);
const others = computed(() =>
  sheet.value.lines.filter(
    ({ work, scaleGrams }) => scaleGrams !== null && !sheet.value.stages.some((stage) => stage.work === work),
  ),
);

const stages = computed(() =>
  sheet.value.stages.map((stage) => ({
    stage,
    lines: linesOf(stage),
    isSpread: stage.loads > 1 && stage.loads <= MOST_COLUMNS,
    isMany: stage.loads > MOST_COLUMNS,
    choices: sheet.value.choices.filter(({ work }) => work === stage.work),
  })),
);

const sideBySide = ({ machine, rounds, loads }: StageView): string =>
  machine && machine.count > 1 && loads > 1
    ? `${machine.count} of them, ${rounds} ${rounds === 1 ? 'round' : 'rounds'}`
    : '';

const loadsOf = ({ loads, loadGrams }: StageView): string =>
  `${loads === 1 ? 'One load' : `${loads} loads`} of ${gramsText(loadGrams)}`;
const holdsOf = (stage: StageView): string =>
  [
    `; it holds ${gramsText(stage.holdsGrams)}`,
    stage.isHot ? ', half full because it is hot: vent the lid' : '',
    stage.isLayer ? ' in one layer' : '',
    stage.pans ? `; ${stage.pans.count} × ${stage.pans.name} a load` : '',
    sideBySide(stage) ? `; ${sideBySide(stage)}` : '',
  ].join('');
</script>

<template>
  <div class="page">
    <section v-for="{ stage, lines, isSpread, isMany, choices } in stages" :key="stage.work" class="plate">
      <header>
        <h2>{{ WORK_NAMES[stage.work] }}: {{ stage.machine?.name ?? 'no machine on record' }}</h2>
        <p v-if="stage.machine">
          <button class="why-figure" type="button" @click="prompts.whyFigure = 'loads'">
            {{ loadsOf(stage) }}</button><span class="soft">{{ holdsOf(stage) }}</span>
        </p>
      </header>
      <LoadFill v-if="stage.machine" :share="stage.loadGrams / stage.holdsGrams" :loads="stage.loads" />
      <div v-if="lines.length > 0" class="wide">
        <table class="sheet-table">
          <thead>
            <tr>
              <th scope="col">Goes in here first</th>
              <template v-if="isSpread">
                <th v-for="load in stage.loads" :key="load" scope="col" class="right">Load {{ load }}</th>
              </template>
              <th v-if="isMany" scope="col" class="right">Loads</th>
              <th scope="col" class="right">Batch</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="line in lines" :key="line.id">
              <th scope="row">{{ line.name }}</th>
              <template v-if="isSpread">
                <td v-for="(grams, index) in line.loads" :key="index" class="right figure">
                  {{ weightText(grams, line.stepGrams) }}
                </td>
              </template>
              <td v-if="isMany" class="right figure">
                {{ loadsText(line.loads, line.stepGrams).replaceAll(' x ', ' × ') }}
              </td>
              <td class="right figure">
                <button class="why-figure" type="button" @click="prompts.whyLineId = line.id">
                  {{ weightText(line.scaleGrams!, line.stepGrams) }}<span class="unseen">. Why?</span>
                </button>
              </td>
            </tr>
          </tbody>
        </table>
      </div>
      <details v-if="choices.length > 1" class="choices wide">
        <summary>In another machine</summary>
        <table class="sheet-table">
          <thead>
            <tr>
              <th scope="col">Machine</th>
              <th scope="col" class="right">Loads</th>
              <th scope="col" class="right">Open surface, a load</th>
              <th scope="col" class="right">Steam, all</th>
              <th scope="col" class="right">Added water, all</th>
              <th scope="col"><span class="unseen">Take it</span></th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="choice in choices" :key="choice.vesselId">
              <th scope="row">{{ choice.name }}</th>
              <td class="right">{{ choice.loads }}</td>
              <td class="right">{{ figureText(choice.surfaceM2, 2) }} m²</td>
              <td class="right">{{ gramsText(choice.steamGrams) }}</td>
              <td class="right">{{ gramsText(choice.waterGrams) }}</td>
              <td class="right">
                <span v-if="choice.isChosen" class="soft">in use</span>
                <button
                  v-else
                  class="choice"
                  type="button"
                  @click="bench.setMachine(stage.work, choice.isUsual ? null : choice.vesselId)"
                >
                  Use it
                </button>
              </td>
            </tr>
          </tbody>
        </table>
      </details>
    </section>

    <section v-if="others.length > 0" class="plate">
      <h2>
        {{
          stages.length > 0
            ? 'Weighed once: mixed by hand, or no step names a machine'
            : 'No step uses a machine'
        }}
      </h2>
      <table class="sheet-table">
        <tbody>
          <tr v-for="line in others" :key="line.id">
            <th scope="row">{{ line.name }}</th>
            <td class="right figure">
              <b>{{ weightText(line.scaleGrams!, line.stepGrams) }}</b>
            </td>
          </tr>
        </tbody>
      </table>
    </section>

    <ComponentPlate v-for="part in sheet.components" :key="part.key" :part="part" />
  </div>
</template>

<style scoped>
.page {
  display: grid;
  gap: var(--space-3);
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 520px), 1fr));
  align-items: start;
}

.plate {
  border-top: 4px solid var(--rim);
}

.plate h2 {
  margin-bottom: 2px;
  font-size: var(--text-l);
  color: var(--ink);
}

header p {
  font-size: var(--text-m);
}

.sheet-table {
  margin-top: var(--space-2);
}

.choices {
  margin-top: var(--space-3);
}

summary {
  min-height: 36px;
  color: var(--rim);
  font-size: var(--text-s);
  font-weight: 600;
  cursor: pointer;
}
</style>
