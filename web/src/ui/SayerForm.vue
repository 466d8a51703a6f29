<script setup lang="ts">
/** Answers that somebody stands for: the buttons, and a field for the name where nobody is signed in. */
import { useSayer } from '../state/sayer';

const emit = defineEmits<{ say: [by: string] }>();
const { isNaming, typed, takeField, say } = useSayer();
</script>

<template>
  <form class="choices" @submit.prevent="say((by) => emit('say', by))">
    <slot />
    <label v-if="isNaming">
      Your name
      <input :ref="takeField" v-model="typed" class="field" size="14" maxlength="120" autocomplete="off" />
    </label>
  </form>
</template>

<style scoped>
.choices,
label {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px 10px;
}

label {
  font-size: var(--text-s);
}
</style>
