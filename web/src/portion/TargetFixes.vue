<script setup lang="ts">
/** What this kitchen wants of a portion and does not get, and the cheapest ways there that stay within its standard. */
import { computed, shallowRef, watch } from 'vue';
import {
  FACT_NAMES,
  figureText,
  type NutrientTarget,
  signedText,
  type TargetFix,
  targetStanding,
} from '@hand-ladle/core';
import { useBench } from '../state/bench';
import { ask } from '../worker/client';

const bench = useBench();
interface Asked {
  target: NutrientTarget;
  standing: ReturnType<typeof targetStanding>;
  fixes: TargetFix[];
}
const asked = shallowRef<Asked[]>([]);
watch(
  () => bench.worksheet,
  async (sheet) => {
    const { input } = bench;
    if (!sheet || !input) return;
    const missing = new Set<string>(sheet.nutrition.missing.map(({ id }) => id));
    const found: Asked[] = [];
    // A component is no portion of anybody's.
    for (const target of input.recipe.isComponent ? [] : input.kitchen.targets) {
      const standing = targetStanding(target, sheet.nutrition.perPortion, missing);
      const isMissed = standing === 'too low' || standing === 'too high';
      found.push({
        target,
        standing,
        fixes: isMissed ? await ask('targetFixes', { ...input, wanted: target }) : [],
      });
    }
    if (bench.worksheet === sheet) asked.value = found;
  },
  { immediate: true },
);
const WORDS = {
  met: 'met',
  'too low': 'too low',
  'too high': 'too high',
  unknown: 'not known: figures are missing',
} as const;
const bound = ({ figure, min, max }: NutrientTarget): string => {
  const { unit } = FACT_NAMES[figure];
  if (min !== null && max !== null) return `${min} to ${max} ${unit}`;
  return min === null ? `at most ${max} ${unit}` : `at least ${min} ${unit}`;
};
const groupOf = ({ dinerId }: NutrientTarget): string => {
  const group = bench.input?.kitchen.diners.find(({ id }) => id === dinerId);
  return group ? ` for ${group.name}` : '';
};
const rows = computed(() =>
  asked.value.map((each, index) => ({ ...each, key: `${index}-${each.target.figure}` })),
);
const amount = ({ figure }: NutrientTarget, value: number): string =>
  `${figureText(value, value >= 10 ? 0 : 1)} ${FACT_NAMES[figure].unit}`;
</script>

<template>
  <section v-if="rows.length > 0" class="plate rimmed" aria-label="What this kitchen wants">
    <h2>What this kitchen wants of a portion</h2>
    <ul>
      <li v-for="{ target, standing, fixes, key } in rows" :key="key">
        <p>
          <b>{{ FACT_NAMES[target.figure].name }}</b> {{ bound(target) }}{{ groupOf(target) }}:
          <b :class="{ off: standing !== 'met' }"
            >{{ amount(target, bench.worksheet!.nutrition.perPortion[target.figure]) }},
            {{ WORDS[standing] }}</b
          >
        </p>
        <ol v-if="fixes.length > 0">
          <li v-for="fix in fixes" :key="fix.says">
            <button class="choice" type="button" @click="bench.setRecipe(fix.recipe)">
              {{ fix.says }}
            </button>
            <span class="soft">
              {{ amount(target, fix.after)
              }}{{
                fix.costChange === null ? ', price not known' : `, ${signedText(fix.costChange, 2)} a portion`
              }}
            </span>
          </li>
        </ol>
        <p v-else-if="standing === 'too low' || standing === 'too high'" class="soft">
          No single change within reach meets it without spoiling something else.
        </p>
      </li>
    </ul>
    <p class="soft">
      Cheapest first, by pack prices where they are known; none brings an allergen, breaks the standard or
      misses another target.
    </p>
  </section>
</template>

<style scoped>
ul > li {
  padding: var(--space-2) 0;
  border-top: 1px solid var(--hairline);
}

.off {
  color: var(--amber);
}

ol {
  display: grid;
  gap: var(--space-1);
  margin-top: var(--space-1);
}

ol li {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2);
  align-items: center;
}

.soft {
  font-size: var(--text-s);
}

.choice {
  white-space: normal;
  text-align: left;
}
</style>
