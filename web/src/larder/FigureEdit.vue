<script setup lang="ts">
/** A value that is changed where it stands: a tap opens a field, Enter keeps, Escape leaves. */
import { nextTick, ref } from 'vue';

const props = defineProps<{ start: string; label: string; isFigure?: boolean; isWide?: boolean }>();
const emit = defineEmits<{ keep: [text: string] }>();

const isOpen = ref(false);
const typed = ref('');
const field = ref<HTMLInputElement | null>(null);

async function open(): Promise<void> {
  typed.value = props.start;
  isOpen.value = true;
  await nextTick();
  field.value?.select();
}

/** The parent closes the field once the value is kept: what is refused stays to be corrected. */
defineExpose({ close: () => (isOpen.value = false) });
</script>

<template>
  <form v-if="isOpen" class="edit" @submit.prevent="emit('keep', typed)" @keydown.esc="isOpen = false">
    <slot name="before" />
    <input
      ref="field"
      v-model="typed"
      class="field"
      :class="{ wide: isWide }"
      :inputmode="isFigure ? 'decimal' : 'text'"
      :aria-label="label"
    />
    <button class="choice main" type="submit">Keep</button>
  </form>
  <button v-else class="value" :class="{ figure: isFigure }" type="button" @click="open"><slot /></button>
</template>

<style scoped>
.value {
  min-height: 32px;
  padding: 0 2px;
  border: 0;
  border-bottom: 1.5px dotted var(--rim);
  background: none;
  text-align: left;
}

.value.figure {
  font-weight: 600;
}

.edit {
  display: flex;
  gap: 6px;
}

.field {
  width: 86px;
  min-height: 32px;
  padding: 0 6px;
}

.field.wide {
  flex: 1;
}

.choice {
  min-height: 32px;
  padding: 0 10px;
}
</style>
