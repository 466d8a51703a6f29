<script setup lang="ts">
/** One line that goes in now: its name, its weight for this load, what is in. The whole row is the target. */
import { computed } from 'vue';
import { type StoveLine, weightText } from '@hand-ladle/core';

const props = defineProps<{ line: StoveLine }>();
defineEmits<{ open: [] }>();
const put = computed(() => props.line.put);
const said = (grams: number): string => weightText(grams, put.value.stepGrams);
/** Of a seasoning the first addition is what goes in first. */
const isHeldBack = computed(
  () =>
    put.value.grams === 0 &&
    put.value.firstGrams !== null &&
    put.value.wantedGrams !== null &&
    put.value.firstGrams < put.value.wantedGrams - put.value.stepGrams / 2,
);
const weight = computed(() => {
  const { wantedGrams, firstGrams, grams } = put.value;
  if (wantedGrams === null) return grams > 0 ? said(grams) : '?';
  if (isHeldBack.value) return said(firstGrams!);
  return said(wantedGrams);
});
const words = computed(() => {
  const { standing, offGrams, grams, lostGrams, wantedGrams } = put.value;
  const lost = lostGrams > 0 ? `, ${said(lostGrams)} lost` : '';
  switch (standing) {
    case 'not in':
      return isHeldBack.value ? `at first, of ${said(wantedGrams!)}: then taste` : lost.slice(2);
    case 'left out':
      return 'left out';
    case 'right':
      return `in: ${said(grams)}${lost}`;
    default:
      return `${said(grams)} in, ${said(Math.abs(offGrams))} ${standing}${lost}`;
  }
});
</script>

<template>
  <button
    type="button"
    class="row"
    :class="put.standing.replace(' ', '-')"
    :data-stove-line="line.name"
    @click="$emit('open')"
  >
    <span class="name">
      {{ line.name }}
      <small v-if="line.form || line.whereFrom || line.allergens.length > 0 || line.isPart">
        <template v-if="line.isPart">In parts: the rest goes in later. </template>
        <template v-if="line.allergens.length > 0">{{ line.allergens.join(', ') }}. </template
        ><template v-if="line.form">{{ line.form }}. </template>{{ line.whereFrom }}
      </small>
    </span>
    <span class="weight figure">
      {{ weight }}
      <small v-if="words">{{ words }}</small>
    </span>
  </button>
</template>

<style scoped>
.row {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  align-items: center;
  gap: var(--space-4);
  width: 100%;
  min-height: 76px !important;
  padding: 2px var(--space-4);
  border: 0;
  border-left: 8px solid var(--rim);
  border-bottom: 1px solid var(--hairline);
  background: var(--enamel);
  text-align: left;
}

.name {
  font-size: 32px;
  font-weight: 640;
  line-height: 1.08;
  overflow-wrap: anywhere;
}

small {
  display: block;
  font-size: 19px;
  font-weight: 450;
  color: var(--ink-soft);
}

.weight {
  font-size: 48px;
  font-weight: 760;
  line-height: 1.05;
  text-align: right;
}

.right,
.left-out {
  border-left-color: transparent;
  background: none;
}

.right .weight,
.left-out .weight,
.left-out .name {
  color: var(--ink-soft);
  font-weight: 560;
}

.left-out .name,
.left-out .weight {
  text-decoration: line-through;
}

.under,
.over {
  border-left-color: var(--amber-line);
}

.under .weight small,
.over .weight small {
  color: var(--amber);
  font-weight: 700;
}

@media (max-width: 760px) {
  .name {
    font-size: 26px;
  }

  .weight {
    font-size: 40px;
  }
}
</style>
