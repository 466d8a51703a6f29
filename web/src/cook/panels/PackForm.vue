<script setup lang="ts">
/** The pack that was opened: the recorded one with its lot, or another one, which nobody has read. */
import { computed, ref } from 'vue';
import { useBook } from '../../state/book';
import { useStove } from '../offline/stove';

const props = defineProps<{ foodId: string }>();
const emit = defineEmits<{ done: [] }>();
const stove = useStove();
const book = useBook();
const recorded = computed(
  () => stove.current?.opened.inputs.kitchen.packs.find((pack) => pack.foodId === props.foodId) ?? null,
);
/** Of one ingredient and without a pack on record: its own name is all there is to read. */
const plain = computed(() => {
  const food = book.foodsById.get(props.foodId);
  return recorded.value === null && food?.kind === 'single' ? food.name : null;
});
const known = computed(() => recorded.value?.productName ?? plain.value);
const isRecorded = ref(known.value !== null);
const product = ref('');
const lot = ref('');
const supplier = ref('');
const refusal = ref('');

async function write(): Promise<void> {
  const name = isRecorded.value ? known.value! : product.value.trim();
  if (name === '') {
    refusal.value = 'What does it say on the pack, or what did the scanner read?';
    return;
  }
  await stove.write({
    kind: 'pack',
    foodId: props.foodId,
    product: name,
    lot: lot.value.trim(),
    supplier: isRecorded.value && recorded.value ? recorded.value.supplier : supplier.value.trim(),
  });
  emit('done');
}
</script>

<template>
  <form class="form" @submit.prevent="write">
    <p class="food">{{ book.nameOf(foodId) }}</p>
    <div class="two" role="group" aria-label="Which pack">
      <button
        v-if="known"
        type="button"
        class="key"
        :class="{ chosen: isRecorded }"
        :aria-pressed="isRecorded"
        @click="isRecorded = true"
      >
        {{ recorded ? recorded.productName : `Plain ${known!.toLowerCase()}` }}
      </button>
      <button
        type="button"
        class="key"
        :class="{ chosen: !isRecorded }"
        :aria-pressed="!isRecorded"
        @click="isRecorded = false"
      >
        Another pack
      </button>
    </div>
    <template v-if="!isRecorded">
      <label
        >Name on the pack, or its scanned code<input v-model="product" class="field tall" maxlength="200"
      /></label>
      <label>Supplier<input v-model="supplier" class="field tall" maxlength="120" /></label>
      <p class="stop">Nobody has read that pack here: the batch stands at check until somebody did.</p>
    </template>
    <label>Lot<input v-model="lot" class="field tall" maxlength="60" /></label>
    <p v-if="refusal" class="stop" role="alert">{{ refusal }}</p>
    <button class="key main" type="submit">Write it down</button>
  </form>
</template>

<style scoped>
.form {
  display: grid;
  gap: var(--space-3);
  align-content: start;
  font-size: 22px;
}

.food {
  font-size: 28px;
  font-weight: 680;
}

.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: var(--space-2);
}

label {
  display: grid;
  gap: var(--space-1);
}

.stop {
  color: var(--brick);
  font-weight: 650;
}
</style>
