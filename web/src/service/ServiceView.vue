<script setup lang="ts">
/** One service: heads in, a plan out. Whatever is changed here is kept and planned anew. */
import { computed, onMounted, ref, shallowRef, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { clockText, dayText, type Digest } from '@hand-ladle/core';
import { server } from '../api/client';
import { useBook } from '../state/book';
import { useFirstRead } from '../state/first-read';
import { useKeepOnLeave } from '../state/keep-on-leave';
import { useReadAgain } from '../state/read-again';
import { STATUS_WORDS } from '../state/saved-draft';
import SaveBar from '../ui/SaveBar.vue';
import { vTyped } from '../ui/typed';
import AheadPlate from './AheadPlate.vue';
import NowPlate from './day/NowPlate.vue';
import DishesPlate from './DishesPlate.vue';
import HeadsPlate from './HeadsPlate.vue';
import ListsPlate from './ListsPlate.vue';
import { useOpenService } from './open-service';
import PlanPlate from './PlanPlate.vue';
import PlatesPlate from './PlatesPlate.vue';
import { services } from './service-server';
import UnservedPlate from './UnservedPlate.vue';

const route = useRoute();
const router = useRouter();
const book = useBook();
const store = useOpenService();
const dishes = shallowRef<Digest[]>([]);
const refusal = ref('');

async function readDishes(): Promise<void> {
  const all = await server.digests(store.service!.kitchenId);
  dishes.value = all.filter(({ isComponent }) => !isComponent);
}
const { problem, again } = useFirstRead(async () => {
  await book.ready();
  await store.open(String(route.params['id']));
  await readDishes();
});
onMounted(again);
watch(
  () => route.params['id'],
  (now) => now !== undefined && void again(),
);
const gone = useReadAgain(store.renew);
useKeepOnLeave(store);

const service = computed(() => store.service);
const kitchen = computed(() => book.kitchens.find(({ id }) => id === service.value?.kitchenId) ?? null);
const first = computed(() => store.plan?.tasks[0] ?? null);
async function remove(): Promise<void> {
  try {
    await services.remove(service.value!.id);
    await router.push('/services');
  } catch (error) {
    refusal.value = (error as Error).message;
  }
}
async function putOn(recipeId: string): Promise<void> {
  await readDishes();
  store.change({ dishes: [...store.service!.dishes, { recipeId, share: 1, course: '' }] });
}
const valueOf = (event: Event): string => (event.target as HTMLInputElement).value;
</script>

<template>
  <SaveBar
    :status="store.status"
    :message="store.message"
    @theirs="store.takeTheirs()"
    @mine="store.putMineOver()"
    @undo="store.undo()"
  />
  <p v-if="problem || gone || refusal || store.problem" class="wrong" role="alert">
    {{ problem || gone || refusal || store.problem }}
  </p>
  <div v-if="service && kitchen" class="page">
    <header class="head">
      <h1>{{ service.meal }}</h1>
      <label
        ><span class="unseen">Day</span>
        <input
          v-typed="service.date"
          class="field"
          type="date"
          @change="valueOf($event) && store.change({ date: valueOf($event) })"
      /></label>
      <label
        >ready at
        <input
          v-typed="service.readyAt"
          class="field"
          type="time"
          @change="valueOf($event) && store.change({ readyAt: valueOf($event) })"
      /></label>
      <p class="facts" aria-live="polite">
        <span
          ><b class="figure">{{ store.heads }}</b> heads</span
        >
        <span v-if="store.isPlanning">planning …</span>
        <span v-else-if="store.plan && !store.plan.feasible" class="cannot">cannot be ready in time</span>
        <span v-else-if="first"
          >begins <b class="figure">{{ clockText(first.start) }}</b> {{ dayText(first.start) }}</span
        >
      </p>
      <span class="state soft" data-testid="service-state">{{ STATUS_WORDS[store.status] }}</span>
      <button class="choice plain" type="button" :disabled="!store.canUndo" @click="store.undo()">
        Undo
      </button>
      <button class="choice plain" type="button" :disabled="!store.canRedo" @click="store.redo()">
        Redo
      </button>
    </header>
    <UnservedPlate :eaten="store.eaten" />
    <NowPlate
      v-if="store.plan && store.plan.tasks.length > 0"
      :plan="store.plan"
      :service="service"
      :kitchen="kitchen"
      @done="store.change({ done: $event })"
    />
    <div class="two">
      <HeadsPlate :service="service" :kitchen="kitchen" :heads="store.heads" @change="store.change($event)" />
      <DishesPlate
        :service="service"
        :kitchen="kitchen"
        :eaten="store.eaten"
        :dishes="dishes"
        @change="store.change($event)"
      />
    </div>
    <PlanPlate
      v-if="store.plan && store.plan.tasks.length > 0"
      :plan="store.plan"
      :service="service"
      :kitchen="kitchen"
      :changes="store.changes"
      :is-planning="store.isPlanning"
      :search="store.search"
      :try-pins="store.tryPins"
      @better="store.findBetter()"
      @stop="store.stopSearch()"
      @change="store.change($event)"
    />
    <AheadPlate
      v-if="store.plan && service.dishes.length > 0"
      :service="service"
      :kitchen="kitchen"
      :plan="store.plan"
      :eaten="store.eaten"
      @change="store.change($event)"
      @moved="store.reread()"
    />
    <PlatesPlate :service="service" @put="putOn" />
    <ListsPlate v-if="service.dishes.length > 0" :id="service.id" :version="service.version" />
    <p>
      <button class="choice plain" type="button" @click="remove">Take this service off the list</button>
    </p>
  </div>
</template>

<style scoped>
.page {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: var(--space-4);
  max-width: 1480px;
  margin: 0 auto;
  padding: 14px 20px var(--space-6);
}

.head {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2) var(--space-4);
  align-items: center;
}

h1 {
  font-size: var(--text-xl);
}

.facts {
  display: flex;
  gap: var(--space-4);
  font-size: var(--text-l);
}

.cannot {
  color: var(--brick);
  font-weight: 660;
}

.state {
  margin-left: auto;
}

.two {
  display: grid;
  grid-template-columns: minmax(340px, 460px) minmax(0, 1fr);
  gap: var(--space-4);
  align-items: start;
}

.wrong {
  padding: var(--space-2) 20px;
  color: var(--brick);
  font-weight: 600;
}

@media (max-width: 1000px) {
  .two {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
