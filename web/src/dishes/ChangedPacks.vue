<script setup lang="ts">
/** Statements that changed and wait for a yes, on the first screen: which, in which dishes, and the way to the pack. */
import { computed } from 'vue';
import { RouterLink } from 'vue-router';
import type { Digest } from '@hand-ladle/core';
import { useBook } from '../state/book';
import { usePrompts } from '../state/prompts';

const props = defineProps<{ digests: readonly Digest[] }>();
const book = useBook();
const prompts = usePrompts();

const changed = computed(() =>
  (book.kitchen?.packs ?? [])
    .filter(({ isConfirmed }) => !isConfirmed)
    .map((pack) => ({
      pack,
      dishes: props.digests.filter(({ changedProducts }) => changedProducts.includes(pack.productName)),
    }))
    .sort((one, other) => other.dishes.length - one.dishes.length),
);
</script>

<template>
  <section v-if="changed.length > 0" class="changed" aria-label="Statements that changed">
    <h2>{{ changed.length === 1 ? 'A statement changed' : `${changed.length} statements changed` }}</h2>
    <ul>
      <li v-for="{ pack, dishes } in changed.slice(0, 6)" :key="pack.foodId">
        <div>
          <p>
            <b>{{ pack.productName }}</b> says something new. Until somebody reads it and says yes,
            <template v-if="dishes.length === 0">it is used in no dish here.</template>
            <template v-else
              >{{ dishes.length === 1 ? 'this dish stands' : 'these dishes stand' }} at check:
              <template v-for="(dish, at) in dishes.slice(0, 8)" :key="dish.id"
                >{{ at > 0 ? ', ' : ''
                }}<RouterLink :to="`/dishes/${dish.id}`">{{ dish.name }}</RouterLink></template
              ><template v-if="dishes.length > 8"> and {{ dishes.length - 8 }} more</template>.</template
            >
          </p>
        </div>
        <button class="choice" type="button" @click="prompts.packFoodId = pack.foodId">Read it again</button>
      </li>
    </ul>
    <p v-if="changed.length > 6" class="soft">
      and {{ changed.length - 6 }} more: <RouterLink to="/larder/packs">all packs to read</RouterLink>
    </p>
  </section>
</template>

<style scoped>
.changed {
  margin-bottom: var(--space-4);
  padding: var(--space-3) var(--space-4);
  background: var(--amber-wash);
  border-radius: var(--radius);
  box-shadow: inset 4px 0 0 var(--amber-line);
}

h2 {
  font-size: var(--text-m);
  color: var(--amber);
}

li {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: var(--space-4);
  padding: 4px 0;
}
</style>
