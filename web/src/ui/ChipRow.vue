<script setup lang="ts">
/** Choices side by side, each on or off with a tap; pressed is said, not only coloured. */
withDefaults(
  defineProps<{
    label: string;
    choices: readonly { id: string; name: string }[];
    chosen: readonly string[];
    /** For a stove or a counter: as large as a finger, or small in a row of settings. */
    size?: 'large' | 'usual' | 'small';
  }>(),
  { size: 'usual' },
);
defineEmits<{ toggle: [id: string] }>();
</script>

<template>
  <div class="chips" :class="size" role="group" :aria-label="label">
    <button
      v-for="each in choices"
      :key="each.id"
      class="choice"
      :class="{ main: chosen.includes(each.id) }"
      type="button"
      :aria-pressed="chosen.includes(each.id)"
      @click="$emit('toggle', each.id)"
    >
      {{ each.name }}
    </button>
  </div>
</template>

<style scoped>
.chips {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}

.large .choice {
  min-height: 48px;
}

.small {
  gap: 4px;
}

.small .choice {
  min-height: 30px;
  padding: 1px 9px;
  font-size: var(--text-s);
}

@media (pointer: coarse) {
  .small .choice {
    min-height: var(--touch);
  }
}
</style>
