<script setup lang="ts">
/** Something is out of its limit: what is done about it, of the kitchen's own list, and who does it. */
import { ref } from 'vue';
import type { EntryBody, OpenBreach } from '@hand-ladle/core';
import StovePanel from './StovePanel.vue';

const props = defineProps<{
  breach: OpenBreach;
  actions: readonly string[];
  write: (body: EntryBody) => Promise<string>;
}>();
const emit = defineEmits<{ close: [] }>();
const words = ref('');
async function act(action: string): Promise<void> {
  await props.write({ kind: 'action', of: props.breach.of, action, words: words.value.trim() });
  emit('close');
}
</script>

<template>
  <StovePanel title="Out of its limit" @close="emit('close')">
    <p class="breach" role="alert">{{ breach.words }}</p>
    <p class="soft">What was done? It stays open until somebody says.</p>
    <label class="words"
      >More words, if they are needed<input v-model="words" class="field tall" maxlength="500"
    /></label>
    <div class="actions">
      <button v-for="each in actions" :key="each" type="button" class="key" @click="act(each)">
        {{ each }}
      </button>
    </div>
  </StovePanel>
</template>

<style scoped>
.breach {
  font-size: 32px;
  font-weight: 740;
  color: var(--brick);
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

.actions {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(280px, 1fr));
  gap: var(--space-2);
}
</style>
