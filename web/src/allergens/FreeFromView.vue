<script setup lang="ts">
/** "Serve it free from ...": for whom, the best plans side by side, and one tap to make the variant; or what stands against it. */
import { computed, onBeforeUnmount, ref, shallowRef, watch } from 'vue';
import { useRouter } from 'vue-router';
import type { NearDish, OpenWork, Progress, SwapAnswer, SwapFunction, SwapPlan } from '@hand-ladle/core';
import { server } from '../api/client';
import { useBench } from '../state/bench';
import { useExclusions, useGroups } from '../state/exclusions';
import ChipRow from '../ui/ChipRow.vue';
import WorkProgress from '../ui/WorkProgress.vue';
import { askLong, Stopped } from '../worker/client';
import BlockedPlate from './BlockedPlate.vue';
import PlanPlate from './PlanPlate.vue';
import VersionsPlate from './VersionsPlate.vue';

const bench = useBench();
const router = useRouter();
const { choices, diners, said } = useExclusions();
const chosen = ref<string[]>([]);
const isCheckAccepted = ref(false);
const isApart = ref(false);
const answer = shallowRef<SwapAnswer | null>(null);
const nearest = shallowRef<NearDish[] | null>(null);
const progress = shallowRef<Progress | null>(null);
const isPlanning = ref(false);
const problem = ref('');
const isMaking = ref(false);
/** What the cook says that a food does here, where the recipe leaves it open. */
const works = shallowRef<Record<string, SwapFunction>>({});
/** Every food that was asked about since: an answer can be changed. */
const asked = shallowRef<OpenWork[]>([]);
let stop: (() => void) | null = null;

const toggle = (id: string): void => {
  chosen.value = chosen.value.includes(id)
    ? chosen.value.filter((each) => each !== id)
    : [...chosen.value, id];
};
const { groupsChosen, exclusionsOf } = useGroups(diners, chosen);
const words = computed(() => said(chosen.value));
const policy = computed(() => {
  const { mayContain, check } = bench.kitchen!.policy;
  return { mayContain, check: isCheckAccepted.value ? 'accept' : check } as const;
});
const hasShared = computed(() => (bench.kitchen?.shared.length ?? 0) > 0);

/** The newest question holds: one that runs is stopped first. */
async function plan(): Promise<void> {
  stop?.();
  stop = null;
  problem.value = '';
  if (chosen.value.length === 0 || !bench.input) {
    answer.value = null;
    return;
  }
  isPlanning.value = true;
  progress.value = null;
  const exclude = chosen.value;
  const running = askLong(
    'plan',
    { ...bench.input, exclude, policy: policy.value, isApart: isApart.value, works: works.value },
    (now) => (progress.value = now),
  );
  ({ stop } = running);
  try {
    const found = await running.answer;
    answer.value = found;
    asked.value = [...asked.value.filter(({ foodId }) => foodId in works.value), ...found.open];
    isPlanning.value = false;
    nearest.value = null;
    if (found.blockedBy.length > 0) {
      await bench.flush();
      const request = {
        recipeId: bench.recipe!.id,
        exclude,
        policy: policy.value,
        kitchenId: bench.kitchen!.id,
      };
      nearest.value = await server.nearestFree(request);
    }
  } catch (error) {
    if (error instanceof Stopped) return;
    isPlanning.value = false;
    problem.value = (error as Error).message;
  }
}
watch([chosen, isCheckAccepted, isApart, works, () => bench.input], plan);
watch(
  () => bench.recipe?.id,
  () => (works.value = {}),
);

function sayWork({ foodId }: OpenWork, work: string): void {
  const others = Object.entries(works.value).filter(([id]) => id !== foodId);
  const said: [string, SwapFunction][] = work === '' ? [] : [[foodId, work as SwapFunction]];
  works.value = Object.fromEntries([...others, ...said]);
}

function stopNow(): void {
  stop?.();
  stop = null;
  isPlanning.value = false;
}
onBeforeUnmount(() => stop?.());

async function make(made: SwapPlan): Promise<void> {
  isMaking.value = true;
  problem.value = '';
  try {
    const base = bench.recipe!.name.split(', free from ')[0]!;
    const id = await bench.makeVariant(made, `${base}, free from ${said(made.exclude)}`.slice(0, 200));
    await router.push(`/dishes/${id}`);
  } catch (error) {
    problem.value = (error as Error).message;
  } finally {
    isMaking.value = false;
  }
}
/** Words alone in the way are a question, not a verdict. */
const blockedTitle = computed(() =>
  answer.value?.blockedBy.every(({ asks }) => asks.length > 0)
    ? `Before it is free from ${words.value}: is that more than a name?`
    : `No swap makes this dish free from ${words.value}`,
);
const titleOf = (made: SwapPlan, index: number): string =>
  `${index === 0 ? 'Closest' : 'Or'}: ${made.swaps.length === 1 ? '1 swap' : `${made.swaps.length} swaps`}`;
</script>

<template>
  <div class="stack">
    <section class="plate rimmed ask">
      <h2>Serve it free from …</h2>
      <ChipRow
        v-if="diners.length > 0"
        label="Diner groups"
        :choices="diners"
        :chosen="groupsChosen"
        @toggle="chosen = exclusionsOf($event)"
      />
      <ChipRow label="Free from" :choices="choices" :chosen="chosen" @toggle="toggle" />
      <div class="ways">
        <label>
          <input v-model="isCheckAccepted" type="checkbox" />
          Let packs in the dish that nobody has checked pass for now; each stays a decision on the variant
        </label>
        <label v-if="hasShared">
          <input v-model="isApart" type="checkbox" />
          It will be cooked apart, on clean equipment of its own
        </label>
      </div>
    </section>
    <p v-if="problem" class="plate problem" role="alert">{{ problem }}</p>
    <section v-if="isPlanning" class="plate"><WorkProgress :progress="progress" @stop="stopNow" /></section>
    <template v-if="answer && chosen.length > 0">
      <section v-if="asked.length > 0" class="plate works" aria-label="What it does here">
        <label v-for="each in asked" :key="each.foodId">
          <span
            ><b>{{ each.name }}</b
            >: {{ each.words }}. What does it do here?</span
          >
          <select
            class="field"
            :value="works[each.foodId] ?? ''"
            @change="sayWork(each, ($event.target as HTMLSelectElement).value)"
          >
            <option value="">any of them</option>
            <option v-for="work in each.works" :key="work" :value="work">{{ work }}</option>
          </select>
        </label>
      </section>
      <BlockedPlate
        v-if="answer.blockedBy.length > 0"
        :title="blockedTitle"
        :blockers="answer.blockedBy"
        :if-read="answer.ifRead"
        :nearest="nearest"
      />
      <section v-else-if="answer.plans[0]?.swaps.length === 0" class="plate as-is" role="status">
        <h3>It is free from {{ words }} as it is</h3>
        <p class="soft">
          Every line was checked against a pack on record or is a food of one ingredient, or this kitchen's
          policy lets it pass.
        </p>
        <button
          v-if="answer.plans[0].apart.length > 0"
          class="choice main"
          type="button"
          :disabled="isMaking"
          @click="make(answer.plans[0])"
        >
          Keep a variant that is cooked apart from the
          {{ answer.plans[0].apart.map(({ name }) => name.toLowerCase()).join(', ') }}
        </button>
      </section>
      <div v-else class="plans">
        <PlanPlate
          v-for="(each, index) in answer.plans"
          :key="index"
          :plan="each"
          :title="titleOf(each, index)"
          :is-first="index === 0"
          :is-making="isMaking"
          @make="make(each)"
        />
      </div>
    </template>
    <VersionsPlate :is-apart="isApart" @make="make" />
    <p class="soft caution">
      Swaps go by the larder, the packs on record and the equipment this kitchen names as shared. Boards,
      hands and the air can still carry traces: follow your local food code.
    </p>
  </div>
</template>

<style scoped>
.ask {
  display: grid;
  gap: var(--space-2);
}

.ask > h2 {
  margin-bottom: 0;
}

.ways {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-1) var(--space-5);
  font-size: var(--text-s);
}

.ways label {
  display: flex;
  gap: var(--space-2);
  align-items: center;
  min-height: 32px;
}

.works {
  display: grid;
  gap: var(--space-2);
}

.works label {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  align-items: center;
  gap: var(--space-2) var(--space-4);
}

.plans {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 330px), 1fr));
  gap: var(--space-3);
}

.as-is {
  display: grid;
  gap: var(--space-2);
  justify-items: start;
  border-top: 4px solid var(--sage);
}

.as-is h3 {
  font-size: var(--text-l);
}

.problem {
  color: var(--brick);
  font-weight: 600;
}

.caution {
  font-size: var(--text-s);
}
</style>
