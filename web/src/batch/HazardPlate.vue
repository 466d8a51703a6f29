<script setup lang="ts">
/** Beside the ledger, in the order a cook says it: contains, may contain, check, clear, each with where from. */
import { computed } from 'vue';
import { RouterLink } from 'vue-router';
import { type AllergenFlag, TOLD_WITH_ANOTHER } from '@hand-ladle/core';
import { useBench } from '../state/bench';

const bench = useBench();
/** Nut is said with its kinds, so peanut and tree nut need no line of their own here; nor wheat beside gluten. */
const flags = computed(() => bench.worksheet!.allergens.filter(({ id }) => !TOLD_WITH_ANOTHER.has(id)));
const of = (status: string): AllergenFlag[] =>
  flags.value.filter((flag) => flag.status === status && !flag.isOnlyUnchecked);
const named = computed(() => [...of('contains'), ...of('may-contain'), ...of('check')]);
const unchecked = computed(() => flags.value.filter(({ isOnlyUnchecked }) => isOnlyUnchecked));
const uncheckedFrom = computed(() => [...new Set(unchecked.value.flatMap(({ paths }) => paths))]);
const clear = computed(() => of('clear'));
/** "No nut" says what this kitchen counts as one. */
const nutScope = computed(() => clear.value.map(({ scope }) => scope).find((scope) => scope !== '') ?? '');
/** The paths that were named; lines nobody has looked at are told once, below. */
const pathsOf = (flag: AllergenFlag): string[] => [
  ...new Set(
    flag.traces
      .filter((trace) => trace.status === flag.status && trace.isNamed)
      .map((trace) => trace.path.join(' > ').toLowerCase()),
  ),
];
const WORDS = { contains: '', 'may-contain': 'may: ', check: 'check ', clear: '' } as const;
const list = (names: readonly string[]): string => names.join(', ').toLowerCase();
</script>

<template>
  <section class="plate" aria-label="Who must not eat it">
    <h2>Who must not eat it</h2>
    <dl>
      <template v-for="flag in named" :key="flag.id">
        <dt>
          <span class="hazard" :class="flag.status"
            >{{ WORDS[flag.status]
            }}{{ flag.status === 'contains' ? flag.name : flag.name.toLowerCase() }}</span
          >
        </dt>
        <dd>
          <b v-if="flag.kinds.length > 0 && list(flag.kinds) !== flag.name.toLowerCase()"
            >{{ list(flag.kinds) }}:
          </b>
          <span v-for="(path, index) in pathsOf(flag).slice(0, 3)" :key="path"
            >{{ index > 0 ? '; ' : '' }}{{ path }}</span
          >
          <span v-if="pathsOf(flag).length > 3"> and {{ pathsOf(flag).length - 3 }} more</span>
        </dd>
      </template>
      <template v-if="unchecked.length > 0">
        <dt><span class="hazard check">not checked</span></dt>
        <dd>{{ list(unchecked.map(({ name }) => name)) }}: nobody has settled {{ list(uncheckedFrom) }}</dd>
      </template>
      <template v-if="clear.length > 0">
        <dt><span class="hazard clear">clear</span></dt>
        <dd>
          {{ list(clear.map(({ name }) => name)) }}
          <span v-if="nutScope" class="soft">({{ nutScope }})</span>
        </dd>
      </template>
    </dl>
    <RouterLink :to="`/dishes/${bench.recipe!.id}/hazards`">Evidence for each</RouterLink>
  </section>
</template>

<style scoped>
dl {
  display: grid;
  grid-template-columns: auto minmax(0, 1fr);
  gap: 7px 10px;
  align-items: start;
  margin-bottom: var(--space-2);
}

dt {
  line-height: 1.2;
}

dd {
  font-size: var(--text-s);
  line-height: 1.3;
  padding-top: 2px;
}

b {
  font-weight: 620;
}

a {
  font-size: var(--text-s);
}
</style>
