<script setup lang="ts">
/** What the law asks of this kind of label, point by point: what is missing first, then what comes at print, then what is there. */
import { computed } from 'vue';
import { demandsOn, type DemandStanding, isComplete, type LabelContent } from '@hand-ladle/core';

const props = defineProps<{ content: LabelContent }>();
const ORDER: readonly DemandStanding[] = ['missing', 'at print', 'met', 'not asked'];
const WORDS: Readonly<Record<DemandStanding, string>> = {
  missing: 'missing',
  'at print': 'at print',
  met: 'there',
  'not asked': 'not asked',
};
const demands = computed(() =>
  [...demandsOn(props.content)].sort(
    (one, other) => ORDER.indexOf(one.standing) - ORDER.indexOf(other.standing),
  ),
);
const missing = computed(() => demands.value.filter(({ standing }) => standing === 'missing').length);
</script>

<template>
  <section class="plate" :class="{ draft: missing > 0 }" aria-label="What the law asks for">
    <h2>
      {{
        isComplete(content)
          ? 'Complete: nothing its law asks for is missing'
          : `${missing} ${missing === 1 ? 'point' : 'points'} of the law missing`
      }}
    </h2>
    <ul>
      <li v-for="each in demands" :key="each.id" :class="each.standing.replace(' ', '-')">
        <span class="standing">{{ WORDS[each.standing] }}</span>
        <span
          ><b>{{ each.what }}</b> <span class="said">{{ each.words }}</span>
          <span class="soft source">{{ each.source }}</span></span
        >
      </li>
    </ul>
    <p class="soft">
      Local rules go further in places; who releases a label answers for it. The name and address stand in the
      <RouterLink to="/kitchen">kitchen’s settings</RouterLink>.
    </p>
  </section>
</template>

<style scoped>
h2 {
  font-size: var(--text-l);
  color: var(--ink);
}

li {
  display: grid;
  grid-template-columns: 76px minmax(0, 1fr);
  gap: 0 var(--space-2);
  padding: 4px 0;
  border-top: 1px solid var(--hairline);
  font-size: var(--text-s);
  overflow-wrap: anywhere;
}

.standing {
  color: var(--ink-soft);
}

.missing .standing {
  color: var(--amber);
  font-weight: 700;
}

.draft {
  border: 1.5px dashed var(--amber-line);
  background: var(--amber-wash);
}

.source {
  display: block;
}

p {
  margin-top: var(--space-2);
  font-size: var(--text-s);
}
</style>
