<script setup lang="ts">
/** What is laid over the stove for one act: large, closed with one tap, and nothing else is in reach meanwhile. */
import { onMounted, ref } from 'vue';

defineProps<{ title: string }>();
const emit = defineEmits<{ close: [] }>();
const dialog = ref<HTMLDialogElement | null>(null);
onMounted(() => dialog.value?.showModal());
</script>

<template>
  <dialog ref="dialog" class="panel" :aria-label="title" @cancel.prevent="emit('close')">
    <header>
      <h2>{{ title }}</h2>
      <button class="key plain" type="button" @click="emit('close')">Back</button>
    </header>
    <div class="inside"><slot /></div>
  </dialog>
</template>

<style scoped>
.panel {
  width: min(1180px, 100vw - 24px);
  max-width: none;
  height: min(760px, 100dvh - 16px);
  max-height: none;
  padding: 0;
  border: 0;
  border-top: 6px solid var(--rim);
  border-radius: var(--radius);
  background: var(--enamel);
  color: var(--ink);
  box-shadow: var(--shadow);
}

.panel[open] {
  display: grid;
  grid-template-rows: auto minmax(0, 1fr);
}

.panel::backdrop {
  background: rgb(23 32 44 / 55%);
}

header {
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: var(--space-4);
  padding: var(--space-3) var(--space-5);
}

h2 {
  font-size: 30px;
  font-weight: 720;
}

.inside {
  overflow: auto;
  padding: 0 var(--space-5) var(--space-4);
}
</style>
