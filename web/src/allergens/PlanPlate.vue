<script setup lang="ts">
/** One plan: what becomes what, how to work with it, and what it changes of flags, portion, cost and closeness. */
import { computed } from 'vue';
import {
  fixedText,
  type FlagChange,
  gramsText,
  isWorse,
  roundToDecimals,
  signedText,
  STATUS_WORDS,
  type SwapPlan,
  TOLD_WITH_ANOTHER,
} from '@hand-ladle/core';

const props = defineProps<{ plan: SwapPlan; title: string; isFirst: boolean; isMaking: boolean }>();
defineEmits<{ make: [] }>();

const flags = computed(() => props.plan.flags.filter(({ id }) => !TOLD_WITH_ANOTHER.has(id)));
const better = computed(() => flags.value.filter(({ before, after }) => isWorse(before, after)));
const worse = computed(() => flags.value.filter(({ before, after }) => isWorse(after, before)));
/** Changes of one kind told together: "nut, lupin: check the pack, then clear". */
function told(changes: readonly FlagChange[]): string {
  const kinds = new Map<string, string[]>();
  for (const { name, before, after } of changes) {
    const kind = `${STATUS_WORDS[before]}, then ${STATUS_WORDS[after]}`;
    kinds.set(kind, [...(kinds.get(kind) ?? []), name.toLowerCase()]);
  }
  return [...kinds].map(([kind, names]) => `${names.join(', ')}: ${kind}`).join('; ');
}
const percent = (share: number): string => String(roundToDecimals(share * 100, 0));
const out = computed(() => [
  { name: 'Protein', text: `${signedText(props.plan.drift.proteinG, 1)} g` },
  { name: 'Fibre', text: `${signedText(props.plan.drift.fibreG, 1)} g` },
  { name: 'Sodium', text: `${signedText(props.plan.drift.sodiumMg, 0)} mg` },
  {
    name: 'Cost',
    text: signedText(props.plan.drift.costAfter - props.plan.drift.costBefore, 2),
  },
]);
</script>

<template>
  <section class="plate plan" :aria-label="title">
    <header>
      <h3>{{ title }}</h3>
      <button
        class="choice"
        :class="{ main: isFirst }"
        type="button"
        :disabled="isMaking"
        @click="$emit('make')"
      >
        Make this variant
      </button>
    </header>
    <p class="close">
      <b>{{ percent(plan.closeness) }}</b> of 100 close in taste and texture
    </p>
    <dl>
      <div v-for="each in out" :key="each.name">
        <dt>{{ each.name }}</dt>
        <dd>{{ each.text }}</dd>
      </div>
    </dl>
    <p v-if="worse.length > 0" class="brings">Comes in: {{ told(worse) }}</p>
    <p v-else class="soft small">Brings in nothing new.</p>
    <p v-if="better.length > 0" class="small"><span class="soft">Goes: </span>{{ told(better) }}</p>
    <p v-if="plan.apart.length > 0" class="apart">
      Cook it apart, on clean equipment: not in or on the
      {{ plan.apart.map(({ name }) => name.toLowerCase()).join(', ') }}.
    </p>
    <ul class="swaps">
      <li v-for="(swap, at) in plan.swaps" :key="at">
        <p class="change">
          {{ gramsText(swap.from.grams) }} {{ swap.from.name.toLowerCase() }}
          <span class="soft">becomes </span>
          <b>{{
            swap.to.map((to) => `${gramsText(to.grams)} ${to.name.toLowerCase()}`).join(' + ')
          }}</b><template v-if="swap.waterGrams > 0"> + {{ gramsText(swap.waterGrams) }} water</template>
        </p>
        <p v-if="swap.path.length > 1" class="soft small">in {{ swap.path.slice(0, -1).join(' > ') }}</p>
        <p class="small">{{ swap.hint }}</p>
        <p class="soft small">
          {{ swap.function }}; by weight {{ swap.to.map(({ ratio }) => fixedText(ratio, 2)).join(' + ') }} for
          1; taste {{ percent(swap.taste) }}, texture {{ percent(swap.texture) }} ({{ swap.source }})
        </p>
      </li>
    </ul>
    <p v-if="plan.drift.unpriced.length > 0" class="soft small">
      No price for {{ plan.drift.unpriced.join(', ').toLowerCase() }}: cost is at least that.
    </p>
  </section>
</template>

<style scoped>
.plan {
  display: grid;
  align-content: start;
  gap: var(--space-2);
  border-top: 4px solid var(--rim);
}

header {
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: var(--space-2);
}

h3 {
  font-size: var(--text-l);
}

.close b {
  font-size: var(--text-xl);
}

dl {
  display: grid;
  grid-template-columns: repeat(4, auto);
  justify-content: space-between;
  gap: 2px var(--space-3);
}

dt {
  font-size: var(--text-s);
  color: var(--ink-soft);
}

dd {
  font-weight: 660;
  white-space: nowrap;
}

.swaps {
  display: grid;
  gap: var(--space-2);
}

.swaps li {
  padding-top: var(--space-2);
  border-top: 1px solid var(--hairline);
}

.change {
  line-height: 1.3;
}

.small {
  font-size: var(--text-s);
}

.apart {
  padding: var(--space-2) var(--space-3);
  background: var(--amber-wash);
  box-shadow: inset 4px 0 0 var(--amber-line);
  font-weight: 600;
}

.brings {
  color: var(--brick);
  font-weight: 620;
}
</style>
