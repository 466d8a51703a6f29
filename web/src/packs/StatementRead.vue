<script setup lang="ts">
/** A pasted statement as it was read, shown back: what it names, what to ask, what a person must look at. */
import { computed } from 'vue';
import { type StatementReading, SUBSTANCE_NAMES } from '@hand-ladle/core';
import UnknownWords from './UnknownWords.vue';

const props = defineProps<{ reading: StatementReading }>();
const questions = computed(() => props.reading.mentions.filter(({ status }) => status === 'check'));
</script>

<template>
  <div class="read" aria-live="polite">
    <p>
      Read from it:
      <span
        v-for="each in reading.mentions"
        :key="each.substance"
        class="hazard"
        :class="each.status"
        :title="`“${each.words}”`"
      >
        <template v-if="each.status === 'check'">ask: </template
        ><template v-if="each.status === 'may-contain'">may: </template>{{ SUBSTANCE_NAMES[each.substance] }}
        <span class="by">{{ each.words }}</span>
      </span>
      <span v-if="reading.mentions.length === 0" class="soft">no allergen it knows. Read it yourself.</span>
    </p>
    <p v-if="reading.isForeign" class="doubt">
      It is in a language that nobody here reads, so it cannot be recorded: ask the supplier for it in
      another.
    </p>
    <p v-if="reading.languages.length > 0" class="soft">Read as {{ reading.languages.join(' and ') }} too.</p>
    <p v-if="questions.length > 0" class="doubt">
      Only the supplier can say:
      {{ questions.map((each) => `${SUBSTANCE_NAMES[each.substance]} in ${each.words}`).join('; ') }}.
    </p>
    <p v-if="reading.animal" class="doubt">
      “{{ reading.animal.words }}” {{ reading.animal.state === 'animal' ? 'comes' : 'may come' }} from an
      animal.
    </p>
    <UnknownWords v-if="reading.unknown.length > 0" :words="reading.unknown" />
    <p v-if="reading.claims.length > 0" class="soft">
      It claims “{{ reading.claims.join('”, “') }}”. A claim clears nothing.
    </p>
  </div>
</template>

<style scoped>
.read {
  display: grid;
  gap: 4px;
  font-size: var(--text-m);
}

.read .hazard {
  margin: 1px 2px;
}

.by {
  font-weight: 450;
  opacity: 0.85;
}

.doubt {
  color: var(--amber);
  font-weight: 600;
  font-size: var(--text-s);
}
</style>
