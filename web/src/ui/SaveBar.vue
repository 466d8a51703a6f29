<script setup lang="ts">
/** Says aloud what stands against a save, with the ways out; while all is well it says nothing. */
import { computed } from 'vue';
import type { SaveStatus } from '../state/saved-draft';

const props = defineProps<{ status: SaveStatus; message: string }>();
const emit = defineEmits<{ theirs: []; mine: []; undo: [] }>();

const isLoud = computed(() => ['conflict', 'unreachable', 'refused'].includes(props.status));
</script>

<template>
  <div v-if="isLoud" class="loud" role="alert">
    <span>{{ message }}</span>
    <template v-if="status === 'conflict'">
      <button class="choice" type="button" @click="emit('theirs')">Take theirs</button>
      <button class="choice" type="button" @click="emit('mine')">Put mine over it</button>
      <slot />
    </template>
    <span v-else-if="status === 'unreachable'">Trying again every few seconds.</span>
    <button v-else class="choice" type="button" @click="emit('undo')">Undo the change</button>
  </div>
</template>

<style scoped>
.loud {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: var(--space-2) var(--space-3);
  padding: var(--space-2) 20px;
  background: var(--amber-wash);
  border-bottom: 1.5px dashed var(--amber-line);
  font-weight: 560;
}
</style>
