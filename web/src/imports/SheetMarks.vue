<script setup lang="ts">
/** The marks of a specification sheet's allergen columns, and what each means: a person may know better than the reader. */
import type { PackAnswer, SheetMark } from '@hand-ladle/core';

const means = defineModel<Record<string, PackAnswer>>({ required: true });
defineProps<{ marks: readonly SheetMark[] }>();
const emit = defineEmits<{ changed: [] }>();

function say(text: string, what: string): void {
  means.value = { ...means.value, [text]: what as PackAnswer };
  emit('changed');
}
</script>

<template>
  <fieldset class="marks">
    <legend>What the marks in its allergen columns mean</legend>
    <label v-for="each in marks" :key="each.text" :class="{ doubtful: means[each.text] === 'check' }">
      <span
        ><b>{{ each.text === '' ? 'blank' : `“${each.text}”` }}</b>
        <span class="soft figure">{{ each.count.toLocaleString('en') }} ×</span></span
      >
      <span v-if="each.text === ''" class="hazard check">stays at check</span>
      <select
        v-else
        class="field"
        :aria-label="`What ${each.text} means`"
        :value="means[each.text] ?? each.means"
        @change="say(each.text, ($event.target as HTMLSelectElement).value)"
      >
        <option value="contains">contains</option>
        <option value="may-contain">may contain</option>
        <option value="none">not in it</option>
        <option value="check">not known: stays at check</option>
      </select>
    </label>
  </fieldset>
</template>

<style scoped>
.marks {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(300px, 1fr));
  gap: var(--space-1) var(--space-4);
  margin: var(--space-2) 0 var(--space-3);
  border: 1px solid var(--hairline);
  border-radius: var(--radius-s);
}

label {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: var(--space-2);
  min-height: var(--touch);
}

b + .figure {
  margin-left: var(--space-2);
}

.doubtful b {
  color: var(--amber);
}
</style>
