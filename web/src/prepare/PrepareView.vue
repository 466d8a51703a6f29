<script setup lang="ts">
/** Components for several dishes: tick what is cooked, and each component is made once, with who it is for and what is over. */
import { computed, onMounted, ref, shallowRef, watch } from 'vue';
import { type ComponentBatch, type Digest, gramsText } from '@hand-ladle/core';
import { server } from '../api/client';
import { useBook } from '../state/book';
import { useFirstRead } from '../state/first-read';
import ComponentPlate from '../ui/ComponentPlate.vue';

const book = useBook();
const dishes = shallowRef<Digest[]>([]);
const demand = shallowRef<ComponentBatch[] | null>(null);
const problem = ref('');
const KEY = 'hand-ladle.prepare';
const chosen = ref<string[]>(JSON.parse(localStorage.getItem(KEY) ?? '[]') as string[]);

const { problem: unread, again: load } = useFirstRead(async () => {
  await book.ready();
  const all = await server.digests(book.kitchen!.id);
  dishes.value = all.filter(({ isComponent }) => !isComponent);
  const known = new Set(dishes.value.map(({ id }) => id));
  chosen.value = chosen.value.filter((id) => known.has(id));
});
onMounted(load);

let asked = 0;
watch(
  [chosen, () => book.kitchen?.id],
  async ([ids, kitchenId]) => {
    localStorage.setItem(KEY, JSON.stringify(ids));
    const mine = (asked += 1);
    if (!kitchenId || ids.length === 0) {
      demand.value = null;
      return;
    }
    try {
      const found = await server.demand(kitchenId, ids);
      if (mine === asked) demand.value = found;
      problem.value = '';
    } catch (error) {
      problem.value = (error as Error).message;
    }
  },
  { immediate: true, deep: true },
);

/** What must be made first stands first: the deepest component is used by the others. */
const inOrderOfMaking = computed(() => [...(demand.value ?? [])].reverse());
</script>

<template>
  <div class="page">
    <section class="plate dishes">
      <h1>What is cooked</h1>
      <p class="soft">Each dish at the batch it was left at.</p>
      <p v-if="problem || unread" class="wrong" role="alert">{{ problem || unread }}</p>
      <ul>
        <li v-for="dish in dishes" :key="dish.id">
          <label>
            <input v-model="chosen" type="checkbox" :value="dish.id" />
            <span>{{ dish.name }}</span>
            <span class="soft figure">{{ gramsText(dish.finishedGrams) }}</span>
          </label>
        </li>
      </ul>
    </section>
    <section class="parts" aria-label="Components to make" aria-live="polite">
      <p v-if="chosen.length === 0" class="plate soft">
        Tick the dishes you cook, and what they share is worked out as one demand.
      </p>
      <p v-else-if="demand?.length === 0" class="plate soft">These dishes use no components.</p>
      <ComponentPlate v-for="part in inOrderOfMaking" :key="part.key" :part="part" />
    </section>
  </div>
</template>

<style scoped>
.page {
  display: grid;
  grid-template-columns: minmax(280px, 380px) minmax(0, 1fr);
  gap: var(--space-4);
  max-width: 1280px;
  margin: 0 auto;
  padding: 14px 20px var(--space-6);
  align-items: start;
}

h1 {
  font-size: var(--text-xl);
}

.plate {
  border-top: 4px solid var(--rim);
}

.dishes label {
  display: grid;
  grid-template-columns: auto 1fr auto;
  gap: var(--space-2);
  align-items: center;
  min-height: var(--touch);
  border-top: 1px solid var(--hairline);
  font-weight: 560;
}

.dishes input {
  width: 20px;
  height: 20px;
  accent-color: var(--rim);
}

.parts {
  display: grid;
  gap: var(--space-3);
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 360px), 1fr));
  align-items: start;
}

.wrong {
  color: var(--brick);
  font-weight: 600;
}

@media (max-width: 900px) {
  .page {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
