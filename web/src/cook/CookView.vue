<script setup lang="ts">
/** What is on the stove in this kitchen, and where the next batch is opened: from a service of today, or from a dish. */
import { computed, onMounted, ref, shallowRef, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import type { BatchRow, Digest, EatenTold, SavedServiceTold } from '@hand-ladle/core';
import { call, server } from '../api/client';
import { useBook } from '../state/book';
import { useFirstRead } from '../state/first-read';
import { todayIn } from '../state/today';
import { useAuthor } from './offline/author';
import { cookServer } from './offline/cook-server';
import { useStove } from './offline/stove';

const book = useBook();
const author = useAuthor();
const stove = useStove();
const router = useRouter();
const route = useRoute();
const rows = shallowRef<BatchRow[]>([]);
const services = shallowRef<SavedServiceTold[]>([]);
const eaten = shallowRef<Readonly<Record<string, EatenTold>>>({});
const dishes = shallowRef<Digest[]>([]);
const typed = ref('');
const refusal = ref('');
const isOpening = ref(false);
const today = computed(() => todayIn(book.kitchen));

const { problem, again } = useFirstRead(async () => {
  await book.ready();
  const kitchenId = book.kitchen!.id;
  rows.value = await cookServer.openBatches(kitchenId);
  dishes.value = await server.digests(kitchenId);
  const all = await call<SavedServiceTold[]>(`/api/services?kitchenId=${encodeURIComponent(kitchenId)}`);
  services.value = all.filter(({ date }) => date >= today.value).slice(0, 3);
  for (const { id } of services.value) {
    const view = await call<{ eaten: EatenTold }>(`/api/services/${encodeURIComponent(id)}`);
    eaten.value = { ...eaten.value, [id]: view.eaten };
  }
});
onMounted(again);
watch(
  () => book.kitchen?.id,
  (now, before) => before !== undefined && now !== undefined && void again(),
);
const found = computed(() => {
  const words = typed.value.trim().toLowerCase();
  return dishes.value.filter(({ name }) => name.toLowerCase().includes(words)).slice(0, 12);
});

/** What another page sent here to be cooked: one tap opens it. */
const sent = computed(() => {
  const { recipe, service, version } = route.query;
  if (typeof recipe !== 'string') return null;
  return {
    name:
      typeof version === 'string' && version !== recipe
        ? version.replace(recipe, dishName(recipe))
        : dishName(recipe),
    asked: {
      recipeId: recipe,
      ...(typeof service === 'string' ? { serviceId: service } : {}),
      ...(typeof version === 'string' ? { versionKey: version } : {}),
    },
  };
});
const dishName = (id: string): string => dishes.value.find((dish) => dish.id === id)?.name ?? id;

async function open(asked: { recipeId: string; serviceId?: string; versionKey?: string }): Promise<void> {
  refusal.value = '';
  isOpening.value = true;
  try {
    const { code } = await cookServer.open({
      ...asked,
      kitchenId: book.kitchen!.id,
      clientId: crypto.randomUUID(),
      openedBy: author.name,
    });
    await router.push(`/cook/${code}`);
  } catch (error) {
    refusal.value = (error as Error).message;
  } finally {
    isOpening.value = false;
  }
}
const PHASE_WORDS: Readonly<Record<BatchRow['phase'], string>> = {
  opened: 'opened, nothing in yet',
  cooking: 'on the stove',
  finished: 'finished, not closed',
  closed: 'closed',
};
</script>

<template>
  <div class="stack">
    <section v-if="sent" class="plate rimmed" aria-label="To be cooked">
      <button type="button" class="key main" :disabled="isOpening" @click="open(sent.asked)">
        <strong>Open a batch of {{ sent.name }}</strong>
        <span>It gets its code at once; nothing of it can be changed later, only added to.</span>
      </button>
    </section>
    <section class="plate rimmed" aria-labelledby="cook-title">
      <header class="head">
        <h1 id="cook-title">At the stove</h1>
        <span class="ways">
          <RouterLink to="/records">Records and food safety log</RouterLink>
          <RouterLink to="/recall">Recall</RouterLink>
        </span>
      </header>
      <p v-if="problem || refusal" class="wrong" role="alert">{{ problem || refusal }}</p>
      <p v-if="stove.unsent > 0" class="wrong">{{ stove.unsent }} entries of this tablet are not sent yet.</p>
      <ul v-if="rows.length > 0" class="rows">
        <li v-for="row in rows" :key="row.code">
          <RouterLink class="key" :to="`/cook/${row.code}`">
            <strong>{{ row.name }}</strong>
            <span class="soft">
              {{ row.code }}, {{ PHASE_WORDS[row.phase]
              }}{{ row.groups.length > 0 ? `, for ${row.groups.join(', ')}` : '' }}
            </span>
          </RouterLink>
        </li>
      </ul>
      <p v-else class="soft">
        No batch is open. Open one of today's service or of a dish below: it gets its code at once.
      </p>
    </section>
    <section v-for="service in services" :key="service.id" class="plate" :aria-label="service.meal">
      <h2>
        {{ service.meal }}, {{ service.date === today ? 'today' : service.date }}, ready at
        {{ service.readyAt }}
      </h2>
      <ul class="rows">
        <template v-for="dish in eaten[service.id] ?? []" :key="dish.recipeId">
          <li v-for="version in dish.versions" :key="version.key">
            <button
              type="button"
              class="key"
              :disabled="isOpening"
              @click="open({ recipeId: dish.recipeId, serviceId: service.id, versionKey: version.key })"
            >
              <strong>{{ version.name }}</strong>
              <span class="soft"
                >{{ Math.round(version.portions + version.extraPortions) }} portions: open a batch</span
              >
            </button>
          </li>
        </template>
      </ul>
    </section>
    <section class="plate" aria-labelledby="dish-title">
      <h2 id="dish-title">A dish or a component, at the batch it was left at</h2>
      <label class="find">Name<input v-model="typed" class="field" placeholder="Part of its name" /></label>
      <ul class="rows">
        <li v-for="dish in found" :key="dish.id">
          <button type="button" class="key" :disabled="isOpening" @click="open({ recipeId: dish.id })">
            <strong>{{ dish.name }}</strong><span class="soft">open a batch</span>
          </button>
        </li>
      </ul>
    </section>
  </div>
</template>

<style scoped>
.head {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  gap: var(--space-3);
}

h1 {
  font-size: var(--text-xxl);
}

.ways {
  display: flex;
  gap: var(--space-4);
}

.rows {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(320px, 1fr));
  gap: var(--space-2);
  margin-top: var(--space-3);
}

.key {
  display: grid;
  width: 100%;
  padding: var(--space-2) var(--space-4);
  text-align: left;
  text-decoration: none;
}

.key strong {
  font-size: 22px;
}

.key span {
  font-size: var(--text-m);
  font-weight: 450;
}

.find {
  display: grid;
  gap: var(--space-1);
  max-width: 420px;
}

.wrong {
  color: var(--brick);
  font-weight: 650;
}
</style>
