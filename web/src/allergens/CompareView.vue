<script setup lang="ts">
/** A variant beside its parent, line by line, and what it changes for who eats it and of a portion. */
import { computed, ref, shallowRef, watch } from 'vue';
import { RouterLink } from 'vue-router';
import {
  type ComparedLine,
  type ComparedSide,
  compareSheets,
  flagChanges,
  gramsText,
  isWorse,
  roundToDecimals,
  signedText,
  STATUS_WORDS,
  TOLD_WITH_ANOTHER,
  type Worksheet,
} from '@hand-ladle/core';
import { server } from '../api/client';
import { useBench } from '../state/bench';
import { ask } from '../worker/client';

const bench = useBench();
const parent = shallowRef<Worksheet | null>(null);
const problem = ref('');

watch(
  () => bench.input,
  async (input) => {
    const parentId = input?.recipe.parentId;
    if (!input || !parentId) return;
    try {
      const { recipe } = await server.recipe(parentId);
      parent.value = await ask('worksheet', { ...input, recipe });
      problem.value = '';
    } catch (error) {
      problem.value = (error as Error).message;
    }
  },
  { immediate: true },
);

interface Row extends ComparedLine {
  depth: number;
}
const opened = (lines: readonly ComparedLine[], depth: number): Row[] =>
  lines.flatMap((line) => [{ ...line, depth }, ...opened(line.children, depth + 1)]);
const rows = computed(() =>
  parent.value && bench.worksheet ? opened(compareSheets(parent.value, bench.worksheet), 0) : [],
);
const flags = computed(() =>
  parent.value && bench.worksheet
    ? flagChanges(parent.value, bench.worksheet).filter(({ id }) => !TOLD_WITH_ANOTHER.has(id))
    : [],
);
const facts = computed(() => {
  if (!parent.value || !bench.worksheet) return [];
  const [was, is] = [parent.value.nutrition.perPortion, bench.worksheet.nutrition.perPortion];
  const row = (name: string, unit: string, before: number, after: number, decimals: number) => ({
    name,
    before: `${roundToDecimals(before, decimals)} ${unit}`,
    after: `${roundToDecimals(after, decimals)} ${unit}`,
    change: `${signedText(after - before, decimals)} ${unit}`,
  });
  return [
    row('Energy', 'kcal', was.energyKcal, is.energyKcal, 0),
    row('Protein', 'g', was.proteinG, is.proteinG, 1),
    row('Fibre', 'g', was.fibreG, is.fibreG, 1),
    row('Sodium', 'mg', was.sodiumMg, is.sodiumMg, 0),
  ];
});
const grams = ({ grams: each }: ComparedSide): string => (each === null ? 'not known' : gramsText(each));
</script>

<template>
  <div class="stack">
    <p v-if="problem" class="plate rimmed wrong" role="alert">{{ problem }}</p>
    <p v-else-if="!bench.isVariant" class="plate rimmed">
      This dish is no variant.
      <RouterLink :to="`/dishes/${bench.recipe!.id}/free-from`">Make one</RouterLink> and it is compared with
      this one here.
    </p>
    <template v-else-if="parent && bench.worksheet">
      <section class="plate rimmed">
        <h2>Line by line</h2>
        <div class="wide">
          <table class="sheet-table">
            <thead>
              <tr>
                <th scope="col">{{ parent.name }}</th>
                <th scope="col" class="right">Weight</th>
                <th scope="col">This variant</th>
                <th scope="col" class="right">Weight</th>
                <th scope="col">On the line now</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="(row, index) in rows" :key="index" :class="{ swapped: row.isSwapped }">
                <th scope="row" :style="{ paddingLeft: `${row.depth * 18}px` }">
                  <span v-for="side in row.parent" :key="side.name" class="side">{{ side.name }}</span>
                </th>
                <td class="right">
                  <span v-for="side in row.parent" :key="side.name" class="side">{{ grams(side) }}</span>
                </td>
                <td>
                  <template v-if="row.isSwapped">
                    <b v-for="side in row.variant" :key="side.name" class="side">{{ side.name }}</b>
                    <span v-for="hint in row.hints" :key="hint" class="soft hint">{{ hint }}</span>
                  </template>
                  <span v-else class="soft">{{
                    row.isReweighed ? 'the same, another weight' : 'the same'
                  }}</span>
                </td>
                <td class="right">
                  <span v-for="side in row.variant" :key="side.name" class="side">{{ grams(side) }}</span>
                </td>
                <td>
                  <span v-for="side in row.variant" :key="side.name" class="side">
                    <span v-for="flag in side.allergens" :key="flag.id" class="hazard" :class="flag.status"
                      >{{ flag.status === 'contains' ? '' : `${STATUS_WORDS[flag.status]} `
                      }}{{ flag.name.toLowerCase() }}</span
                    >
                  </span>
                </td>
              </tr>
            </tbody>
          </table>
        </div>
      </section>
      <div class="pair">
        <section class="plate rimmed">
          <h2>Who must not eat it</h2>
          <p v-if="flags.length === 0" class="soft">Nothing stands otherwise than in the parent.</p>
          <table v-else class="sheet-table">
            <tbody>
              <tr v-for="flag in flags" :key="flag.id" :class="{ worse: isWorse(flag.after, flag.before) }">
                <th scope="row">{{ flag.name }}</th>
                <td class="soft">{{ STATUS_WORDS[flag.before] }}</td>
                <td>
                  <b>{{ STATUS_WORDS[flag.after] }}</b>
                </td>
              </tr>
            </tbody>
          </table>
        </section>
        <section class="plate rimmed">
          <h2>In a portion</h2>
          <table class="sheet-table">
            <tbody>
              <tr v-for="fact in facts" :key="fact.name">
                <th scope="row">{{ fact.name }}</th>
                <td class="right soft">{{ fact.before }}</td>
                <td class="right">{{ fact.after }}</td>
                <td class="right">
                  <b>{{ fact.change }}</b>
                </td>
              </tr>
            </tbody>
          </table>
        </section>
      </div>
    </template>
    <p v-else class="soft" role="status">Setting them side by side …</p>
  </div>
</template>

<style scoped>
.pair {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 420px), 1fr));
  gap: var(--space-3);
  align-items: start;
}

.side,
.hint {
  display: block;
}

.hint {
  font-size: var(--text-s);
}

.swapped > * {
  background: var(--rim-wash);
}

.worse b {
  color: var(--brick);
}

.wrong {
  color: var(--brick);
  font-weight: 600;
}
</style>
