<script setup lang="ts">
/** The services of a kitchen, the latest day first; and a new one, with the heads the groups usually have. */
import { onMounted, ref, shallowRef, watch } from 'vue';
import { RouterLink, useRouter } from 'vue-router';
import { type SavedServiceTold, usualHeads } from '@hand-ladle/core';
import { useBook } from '../state/book';
import { useFirstRead } from '../state/first-read';
import { useReadAgain } from '../state/read-again';
import { services } from './service-server';

const book = useBook();
const router = useRouter();
const all = shallowRef<SavedServiceTold[] | null>(null);
const refusal = ref('');

const { problem, again } = useFirstRead(async () => {
  await book.ready();
  all.value = await services.list(book.kitchen!.id);
});
onMounted(again);
watch(
  () => book.kitchen?.id,
  (now, before) => before !== undefined && now !== undefined && void again(),
);

useReadAgain(again);

/** The day after today where the screen stands: most services are planned the day before. */
const tomorrow = (): string => {
  const at = new Date();
  at.setDate(at.getDate() + 1);
  return `${at.getFullYear()}-${String(at.getMonth() + 1).padStart(2, '0')}-${String(at.getDate()).padStart(2, '0')}`;
};
const date = ref(tomorrow());
const meal = ref('Lunch');
const readyAt = ref('12:00');

async function make(): Promise<void> {
  try {
    const heads = usualHeads(book.kitchen!).map((each) => ({ ...each, codes: [...each.codes] }));
    const made = await services.create({
      kitchenId: book.kitchen!.id,
      date: date.value,
      meal: meal.value,
      readyAt: readyAt.value,
      heads,
      dishes: [],
      without: [],
    });
    await router.push(`/services/${made.id}`);
  } catch (error) {
    refusal.value = (error as Error).message;
  }
}

const headsOf = ({ heads }: SavedServiceTold): number => heads.reduce((sum, each) => sum + each.heads, 0);
const dayText = (iso: string): string =>
  new Date(`${iso}T12:00:00`).toLocaleDateString('en-GB', { weekday: 'long', day: 'numeric', month: 'long' });
</script>

<template>
  <div class="page">
    <section class="plate rimmed" aria-labelledby="services-title">
      <h1 id="services-title">Services</h1>
      <p v-if="problem" class="wrong" role="alert">{{ problem }}</p>
      <p v-else-if="all?.length === 0" class="soft">
        No service is planned in this kitchen. Begin with the day, the meal and when it must be ready.
      </p>
      <ul>
        <li v-for="each in all ?? []" :key="each.id">
          <RouterLink :to="`/services/${each.id}`">
            <span class="what">{{ each.meal }}</span>
            <span>{{ dayText(each.date) }}, ready at {{ each.readyAt }}</span>
            <span class="soft figure">{{ headsOf(each) }} heads, {{ each.dishes.length }} dishes</span>
          </RouterLink>
        </li>
      </ul>
    </section>
    <form class="plate rimmed new" @submit.prevent="make">
      <h2>Plan a service</h2>
      <label>Day <input v-model="date" class="field" type="date" required /></label>
      <label>Meal <input v-model="meal" class="field" maxlength="60" required /></label>
      <label>Ready at <input v-model="readyAt" class="field" type="time" required /></label>
      <button class="choice main" type="submit" :disabled="!book.kitchen">Plan it</button>
      <p v-if="refusal" class="wrong" role="alert">{{ refusal }}</p>
      <p class="soft">It starts with the usual portions of each group of this kitchen.</p>
    </form>
  </div>
</template>

<style scoped>
.page {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(260px, 340px);
  gap: var(--space-4);
  max-width: 1280px;
  margin: 0 auto;
  padding: 14px 20px var(--space-6);
  align-items: start;
}

h1 {
  font-size: var(--text-xl);
}

li a {
  display: grid;
  grid-template-columns: minmax(90px, 140px) 1fr auto;
  gap: var(--space-3);
  align-items: center;
  min-height: var(--touch);
  border-top: 1px solid var(--hairline);
  color: inherit;
  text-decoration: none;
}

li a:hover {
  background: var(--rim-wash);
}

.what {
  font-weight: 660;
  color: var(--rim);
}

.new {
  display: grid;
  gap: var(--space-3);
}

.new label {
  display: grid;
  grid-template-columns: 90px 1fr;
  align-items: center;
}

.wrong {
  color: var(--brick);
  font-weight: 600;
}

@media (max-width: 900px) {
  .page {
    grid-template-columns: minmax(0, 1fr);
  }

  li a {
    grid-template-columns: 1fr;
    gap: 0;
    padding: var(--space-2) 0;
  }
}
</style>
