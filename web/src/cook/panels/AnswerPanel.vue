<script setup lang="ts">
/** What waits for a person's word: a lot that is something else, a note that names what no entry says. Whoever answers signs. */
import { computed, ref } from 'vue';
import type { Ask, EntryBody } from '@hand-ladle/core';
import { useAuthor } from '../offline/author';
import StovePanel from './StovePanel.vue';

const props = defineProps<{ asks: readonly Ask[]; write: (body: EntryBody) => Promise<string> }>();
const emit = defineEmits<{ close: []; sign: [] }>();
const author = useAuthor();
const words = ref('');
const isLast = computed(() => props.asks.filter(({ of }) => of !== null).length <= 1);

async function answer(of: string): Promise<void> {
  if (words.value.trim() === '') return;
  const wasLast = isLast.value;
  await props.write({ kind: 'answered', of, words: words.value.trim() });
  words.value = '';
  if (wasLast) emit('close');
}
</script>

<template>
  <StovePanel title="Answer for it" @close="emit('close')">
    <p v-if="!author.isSigned" class="ask" role="alert">
      An answer counts signed.
      <button type="button" class="key main" @click="emit('sign')">Sign with a PIN</button>
    </p>
    <p v-else class="soft">Signed by {{ author.name }}.</p>
    <label class="words"
      >What you know of it<input
        v-model="words"
        class="field tall"
        maxlength="500"
        placeholder="Looked: none of it went in"
    /></label>
    <ul>
      <li v-for="each in asks" :key="`${each.of} ${each.words}`">
        <p class="ask">{{ each.words }}</p>
        <button
          v-if="each.of !== null"
          type="button"
          class="key main"
          :disabled="!author.isSigned || words.trim() === ''"
          @click="answer(each.of)"
        >
          I stand for it
        </button>
        <p v-else class="soft">Mark the entry wrong under “Something else”.</p>
      </li>
    </ul>
  </StovePanel>
</template>

<style scoped>
.ask {
  font-size: 26px;
  font-weight: 680;
}

.soft,
.words {
  font-size: 22px;
}

.words {
  display: grid;
  gap: var(--space-1);
  margin: var(--space-3) 0;
}

li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, auto);
  gap: var(--space-3);
  align-items: center;
  padding: var(--space-2) 0;
  border-top: 1px solid var(--hairline);
}
</style>
