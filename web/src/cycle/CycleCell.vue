<script setup lang="ts">
/** One meal of one day: its dishes, dragged or moved with the arrow keys to another day or meal, and a field to put one on. */
import { computed, ref } from 'vue';
import { VueDraggable } from 'vue-draggable-plus';
import { type CyclePlace, type Digest, REPEAT_DAYS, type ServiceDish } from '@hand-ladle/core';

const props = defineProps<{
  place: CyclePlace;
  dishes: readonly ServiceDish[];
  book: readonly Digest[];
  /** Groups that are left without a course here, in words. */
  without: readonly string[];
  /** Dishes that come back too soon. */
  again: number;
  label: string;
}>();
const emit = defineEmits<{
  /** The dishes that stand here now. */
  put: [dishes: ServiceDish[]];
  /** A dish came here from elsewhere. */
  came: [recipeId: string];
  /** Days to the right, meals down. */
  shift: [recipeId: string, days: number, meals: number];
}>();

const nameOf = (id: string): string => props.book.find((each) => each.id === id)?.name ?? id;
const rows = computed({
  get: () => props.dishes.map((each) => ({ ...each })),
  // What comes from another cell is moved by core; here only the order of one cell is kept.
  set: (now) => {
    const own = now.filter(({ recipeId }) => props.dishes.some((each) => each.recipeId === recipeId));
    if (own.length === props.dishes.length && now.length === own.length) emit('put', own);
  },
});
function added(event: { data?: ServiceDish }): void {
  if (event.data) emit('came', event.data.recipeId);
}
const isAdding = ref(false);
function add(event: Event): void {
  const recipeId = (event.target as HTMLSelectElement).value;
  isAdding.value = false;
  if (recipeId !== '') emit('put', [...props.dishes, { recipeId, share: 1, course: '' }]);
}
const remove = (recipeId: string): void =>
  emit(
    'put',
    props.dishes.filter((each) => each.recipeId !== recipeId),
  );
const free = computed(() =>
  props.book.filter(({ id }) => !props.dishes.some((each) => each.recipeId === id)),
);
const asShare = ({ share, course }: ServiceDish): string =>
  [course, share < 1 ? `${Math.round(share * 100)} %` : ''].filter(Boolean).join(', ');
</script>

<template>
  <div class="cell" role="group" :aria-label="label">
    <VueDraggable v-model="rows" group="cycle" class="dishes" :animation="0" @add="added">
      <div
        v-for="dish in rows"
        :key="dish.recipeId"
        class="dish"
        tabindex="0"
        role="button"
        aria-describedby="cycle-hint"
        @keydown.left.prevent="emit('shift', dish.recipeId, -1, 0)"
        @keydown.right.prevent="emit('shift', dish.recipeId, 1, 0)"
        @keydown.up.prevent="emit('shift', dish.recipeId, 0, -1)"
        @keydown.down.prevent="emit('shift', dish.recipeId, 0, 1)"
        @keydown.delete.prevent="remove(dish.recipeId)"
      >
        <span class="name">{{ nameOf(dish.recipeId) }}</span>
        <span v-if="asShare(dish)" class="soft share">{{ asShare(dish) }}</span>
      </div>
    </VueDraggable>
    <div class="acts">
      <button v-if="!isAdding" class="choice plain" type="button" @click="isAdding = true">
        Add<span class="unseen"> a dish, {{ label }}</span>
      </button>
      <label v-else>
        <span class="unseen">A dish for {{ label }}</span>
        <select class="field" @change="add">
          <option value="">Which?</option>
          <option v-for="each in free" :key="each.id" :value="each.id">{{ each.name }}</option>
        </select>
      </label>
      <select
        v-if="dishes.length > 0 && isAdding"
        class="field"
        :aria-label="`Take a dish off, ${label}`"
        @change="(remove(($event.target as HTMLSelectElement).value), (isAdding = false))"
      >
        <option value="">Take off …</option>
        <option v-for="each in dishes" :key="each.recipeId" :value="each.recipeId">
          {{ nameOf(each.recipeId) }}
        </option>
      </select>
    </div>
    <p v-for="each in without" :key="each" class="without">{{ each }}</p>
    <p v-if="again > 0" class="again">
      {{ again === 1 ? 'A dish' : `${again} dishes` }} on again within {{ REPEAT_DAYS }} days
    </p>
  </div>
</template>

<style scoped>
.cell {
  display: grid;
  align-content: start;
  gap: 4px;
  min-height: 120px;
  padding: 4px;
}

.dishes {
  display: grid;
  align-content: start;
  gap: 4px;
  min-height: 40px;
}

.dish {
  padding: 4px 6px;
  border: 1.5px solid var(--rim);
  border-radius: 3px;
  background: var(--enamel);
  font-size: var(--text-s);
  font-stretch: var(--narrow);
  cursor: grab;
  touch-action: manipulation;
}

.name {
  font-weight: 600;
}

.share {
  display: block;
}

.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
}

.acts .choice {
  min-height: 32px;
  padding: 2px 8px;
  font-size: var(--text-s);
}

.acts select {
  width: 100%;
  min-width: 0;
}

.without,
.again {
  font-size: var(--text-s);
  font-stretch: var(--narrow);
}

.without {
  color: var(--brick);
  font-weight: 600;
}

.again {
  color: var(--amber);
}

@media (pointer: coarse) {
  .acts .choice,
  .dish {
    min-height: var(--touch);
  }
}
</style>
