<script setup lang="ts">
/** A recall in one view: from a pack, a lot or a supplier to batches, labels, services and groups; from a batch both ways. */
import { computed, ref, shallowRef, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { gramsText, PLACE_NAMES, plainText, type Recall } from '@hand-ladle/core';
import { call } from '../api/client';
import { useBook } from '../state/book';

const route = useRoute();
const router = useRouter();
const book = useBook();
const pack = ref('');
const lot = ref('');
const supplier = ref('');
const batch = ref('');
const recall = shallowRef<Recall | null>(null);
const problem = ref('');
const isAsking = ref(false);

/** A food by the name it is called here; else what was typed, which may be a product's name. */
function packAsked(): string {
  const words = plainText(pack.value);
  return book.foods.find(({ name }) => plainText(name) === words)?.id ?? pack.value.trim();
}
const names = computed(() => [
  ...new Set([
    ...book.foods.map(({ name }) => name),
    ...book.kitchens.flatMap(({ packs }) => packs.map(({ productName }) => productName)),
  ]),
]);

async function ask(): Promise<void> {
  problem.value = '';
  isAsking.value = true;
  try {
    const { query } = route;
    recall.value = await call<Recall>(`/api/recall?${new URLSearchParams(query as Record<string, string>)}`);
  } catch (error) {
    recall.value = null;
    problem.value = (error as Error).message;
  } finally {
    isAsking.value = false;
  }
}
async function find(): Promise<void> {
  await book.ready();
  const asked = {
    pack: packAsked(),
    lot: lot.value.trim(),
    supplier: supplier.value.trim(),
    batch: batch.value.trim(),
  };
  const query = Object.fromEntries(Object.entries(asked).filter(([, value]) => value !== ''));
  if (Object.keys(query).length === 0) {
    problem.value = 'Say a pack, a lot, a supplier or a batch.';
    return;
  }
  await router.push({ path: '/recall', query });
}
watch(
  () => route.query,
  (query) => {
    if (route.path !== '/recall') return;
    [pack.value, lot.value, supplier.value, batch.value] = [
      query['pack'],
      query['lot'],
      query['supplier'],
      query['batch'],
    ].map((each) => (typeof each === 'string' ? each : '')) as [string, string, string, string];
    if (Object.keys(query).length > 0) void ask();
  },
  { immediate: true },
);
const kitchenName = (id: string): string => book.kitchens.find((each) => each.id === id)?.name ?? id;
const csv = computed(() => `/api/recall.csv?${new URLSearchParams(route.query as Record<string, string>)}`);
</script>

<template>
  <div class="stack">
    <section class="plate rimmed" aria-labelledby="recall-title">
      <h1 id="recall-title">Recall</h1>
      <form class="ask" @submit.prevent="find">
        <label
          >Food or product<input v-model="pack" class="field" list="recall-names" maxlength="200"
        /></label>
        <datalist id="recall-names"><option v-for="name in names" :key="name" :value="name" /></datalist>
        <label>Lot<input v-model="lot" class="field" maxlength="60" /></label>
        <label>Supplier<input v-model="supplier" class="field" maxlength="120" /></label>
        <label>or a batch<input v-model="batch" class="field" maxlength="40" /></label>
        <button class="choice main" type="submit" :disabled="isAsking">Find everything it is in</button>
        <a v-if="recall" class="choice plain" :href="csv">CSV</a>
      </form>
      <p v-if="problem" class="wrong" role="alert">{{ problem }}</p>
      <div v-if="recall" role="status">
        <ul>
          <li>
            {{ recall.batches.length }} {{ recall.batches.length === 1 ? 'batch' : 'batches' }},
            {{ recall.labels.length }} labels, {{ recall.services.length }} services,
            {{ recall.groups.length }} groups.
          </li>
          <li v-for="note in recall.notes" :key="note" class="wrong">{{ note }}</li>
        </ul>
      </div>
    </section>
    <template v-if="recall && recall.batches.length > 0">
      <section class="plate" aria-labelledby="hit-title">
        <h2 id="hit-title">Batches, and how it is known</h2>
        <div class="wide" tabindex="0" role="region" aria-label="Batches, table">
          <table class="sheet-table">
            <thead>
              <tr>
                <th>Batch</th>
                <th>Dish</th>
                <th>Made</th>
                <th>Use by</th>
                <th>Known by</th>
                <th>Service</th>
                <th>Groups</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="each in recall.batches.slice(0, 500)" :key="each.code">
                <td>
                  <RouterLink :to="`/batches/${each.code}`">{{ each.code }}</RouterLink>
                </td>
                <td>{{ each.name }}</td>
                <td>{{ each.madeOn }}</td>
                <td>{{ each.useBy ?? 'no date' }}</td>
                <td>{{ each.evidence }}</td>
                <td>{{ each.serviceName }}</td>
                <td>{{ each.groups.join(', ') }}</td>
              </tr>
            </tbody>
          </table>
        </div>
        <p v-if="recall.batches.length > 500" class="soft">
          And {{ recall.batches.length - 500 }} more: they are all in the CSV.
        </p>
      </section>
      <section class="plate" aria-labelledby="who-title">
        <h2 id="who-title">Who got it</h2>
        <ul>
          <li v-for="each in recall.groups" :key="each.name">
            <strong>{{ each.name }}</strong>: {{ each.services.join(', ') }} ({{
              each.batchCodes.join(', ')
            }})
          </li>
          <li v-for="each in recall.services" :key="each.id">
            <RouterLink :to="`/services/${each.id}`">{{ each.name }}</RouterLink>:
            {{ each.batchCodes.join(', ') }}
          </li>
        </ul>
        <p v-if="recall.groups.length === 0 && recall.services.length === 0" class="soft">
          These batches were opened for no service: nobody wrote down who got them.
        </p>
      </section>
      <section class="plate" aria-labelledby="store-title">
        <h2 id="store-title">In store</h2>
        <p v-if="recall.store.length === 0" class="soft">Nothing of it is on record there.</p>
        <ul>
          <li v-for="each in recall.store" :key="each.id">
            <b class="figure">{{ gramsText(each.grams) }}</b> {{ each.name }},
            {{ PLACE_NAMES[each.place].toLowerCase() }}, {{ kitchenName(each.kitchenId)
            }}{{ each.lot === '' ? '' : `, lot ${each.lot}` }}: take it out
          </li>
        </ul>
      </section>
      <section class="plate" aria-labelledby="labels-title">
        <h2 id="labels-title">Labels</h2>
        <p v-if="recall.labels.length === 0" class="soft">None was printed or handed in.</p>
        <ul>
          <li v-for="(each, index) in recall.labels.slice(0, 300)" :key="index">
            {{ each.title }}, batch {{ each.batchCode }}:
            {{ each.printed > 0 ? `${each.printed} printed` : 'handed in, not printed' }}
          </li>
        </ul>
      </section>
      <section class="plate" aria-labelledby="packs-title">
        <h2 id="packs-title">What is in them</h2>
        <ul>
          <li v-for="(each, index) in recall.packs.slice(0, 300)" :key="index">
            {{ each.code }}: {{ each.foodName }}{{ each.product ? `, "${each.product}"` : ''
            }}{{ each.supplier ? `, ${each.supplier}` : ''
            }}{{ each.lot ? `, lot ${each.lot}` : ', lot not written down' }} ({{
              each.isWritten ? 'written down' : 'by its recipe'
            }})
          </li>
        </ul>
      </section>
    </template>
  </div>
</template>

<style scoped>
h1 {
  font-size: var(--text-xxl);
}

.ask {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-3);
  align-items: end;
  margin: var(--space-3) 0;
}

label {
  display: grid;
  gap: 2px;
}

.wrong {
  color: var(--brick);
  font-weight: 650;
}
</style>
