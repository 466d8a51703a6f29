<script setup lang="ts">
/** What a cycle becomes: services of some days, and the menu as it hangs out. */
import { ref, watch } from 'vue';
import { RouterLink } from 'vue-router';
import { dateFrom, type SavedServiceTold } from '@hand-ladle/core';
import { cycles } from './cycle-server';
import { useOpenCycle } from './open-cycle';

const props = defineProps<{ kitchenId: string; from: string }>();
const store = useOpenCycle();

const from = ref(props.from);
const to = ref(dateFrom(props.from, 6));
watch(
  () => props.from,
  (now) => {
    from.value = now;
    to.value = dateFrom(now, 6);
  },
);
const made = ref<SavedServiceTold[]>([]);
const words = ref('');
async function fill(): Promise<void> {
  words.value = '';
  try {
    const found = await store.fill(from.value, to.value);
    made.value = found.made;
    words.value = `${found.made.length} services planned${found.there > 0 ? `, ${found.there} were there already and stay as they are` : ''}${found.gone.length > 0 ? `; not in the book any more: ${found.gone.join(', ')}` : ''}.`;
  } catch (error) {
    words.value = (error as Error).message;
  }
}
</script>

<template>
  <section class="plate rimmed" aria-labelledby="becomes-title">
    <h2 id="becomes-title">From the cycle</h2>
    <div class="row">
      <label>From <input v-model="from" class="field" type="date" required /></label>
      <label>To <input v-model="to" class="field" type="date" required /></label>
      <button class="choice main" type="button" @click="fill">Plan these services</button>
      <span class="menu">
        Menu to hang out:
        <a class="choice plain" :href="cycles.menuAt(kitchenId, '.html', from, to)" target="_blank">Page</a>
        <a class="choice plain" :href="cycles.menuAt(kitchenId, '.pdf', from, to)" aria-label="Menu as PDF"
          >PDF</a
        >
        <a class="choice plain" :href="cycles.menuAt(kitchenId, '.csv', from, to)" aria-label="Menu as CSV"
          >CSV</a
        >
      </span>
    </div>
    <p v-if="words" role="status">{{ words }}</p>
    <ul class="made">
      <li v-for="each in made" :key="each.id">
        <RouterLink :to="`/services/${each.id}`">{{ each.date }}, {{ each.meal }}</RouterLink>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.row {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-3);
  align-items: center;
}

.menu {
  margin-left: auto;
}

.made {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-3);
}
</style>
