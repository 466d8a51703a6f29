<script setup lang="ts">
/** A short list of foods of the larder: taken out with a tap, added by name. */
import { ref } from 'vue';
import { useBook } from '../state/book';
import FoodPicker from './FoodPicker.vue';

const props = defineProps<{ foodIds: readonly string[]; label: string }>();
const emit = defineEmits<{ change: [foodIds: string[]] }>();
const book = useBook();
const isPicking = ref(false);

function add(id: string): void {
  isPicking.value = false;
  if (!props.foodIds.includes(id)) emit('change', [...props.foodIds, id]);
}
</script>

<template>
  <span class="foods" role="group" :aria-label="label">
    <button
      v-for="id in foodIds"
      :key="id"
      class="choice small"
      type="button"
      :aria-label="`Take out ${book.nameOf(id)}`"
      @click="
        emit(
          'change',
          foodIds.filter((each) => each !== id),
        )
      "
    >
      {{ book.nameOf(id) }} <span aria-hidden="true">×</span>
    </button>
    <FoodPicker v-if="isPicking" @pick="add" @leave="isPicking = false" />
    <button v-else class="choice plain small" type="button" @click="isPicking = true">Add a food</button>
  </span>
</template>

<style scoped>
.foods {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px;
}

.small {
  min-height: 30px;
  padding: 1px 9px;
  font-size: var(--text-s);
}

@media (pointer: coarse) {
  .small {
    min-height: var(--touch);
  }
}
</style>
