<script setup lang="ts">
/** "Serve it free from ...": which allergens, the best plans with what each changes, and one tap to make the variant. */
import { computed, ref, shallowRef, watch } from 'vue';
import { useRouter } from 'vue-router';
import { ElDrawer } from 'element-plus/es/components/drawer/index.mjs';
import 'element-plus/es/components/drawer/style/css';
import {
  allergensOf,
  figureText,
  gramsText,
  roundToDecimals,
  type SwapAnswer,
  type SwapPlan,
} from '@hand-ladle/core';
import { ask } from '../worker/client';
import { useBench } from '../stores/bench';
import { usePrompts } from '../stores/prompts';

const isShown = defineModel<boolean>({ required: true });
const bench = useBench();
const prompts = usePrompts();
const router = useRouter();
const chosen = ref<string[]>([]);
const isCheckAccepted = ref(false);
const answer = shallowRef<SwapAnswer | null>(null);
const isPlanning = ref(false);
const problem = ref('');
const isMaking = ref(false);

const choices = computed(() =>
  bench.kitchen
    ? allergensOf(bench.kitchen).filter(({ id }) => !['peanut', 'tree-nut', 'wheat'].includes(id))
    : [],
);

function toggle(id: string): void {
  chosen.value = chosen.value.includes(id)
    ? chosen.value.filter((each) => each !== id)
    : [...chosen.value, id];
}

/** Words of some exclusions: "nut and soy". */
function said(ids: readonly string[]): string {
  const names = choices.value.filter(({ id }) => ids.includes(id)).map(({ name }) => name.toLowerCase());
  return names.length < 2
    ? names.join('')
    : `${names.slice(0, -1).join(', ')} and ${names[names.length - 1]}`;
}
const words = computed(() => said(chosen.value));

watch([chosen, isCheckAccepted, () => bench.input, isShown], async () => {
  if (!isShown.value || chosen.value.length === 0 || !bench.input) {
    answer.value = null;
    return;
  }
  isPlanning.value = true;
  problem.value = '';
  try {
    const policy = { mayContain: 'refuse', check: isCheckAccepted.value ? 'accept' : 'refuse' } as const;
    answer.value = await ask('plan', { ...bench.input, exclude: chosen.value, policy });
  } catch (error) {
    problem.value = (error as Error).message;
  } finally {
    isPlanning.value = false;
  }
});

const before = computed(() => bench.worksheet!);
const drift = (plan: SwapPlan, id: 'proteinG' | 'sodiumMg' | 'fibreG'): string => {
  const change = roundToDecimals(
    plan.worksheet.nutrition.perPortion[id] - before.value.nutrition.perPortion[id],
    id === 'sodiumMg' ? 0 : 1,
  );
  return `${change > 0 ? '+' : ''}${figureText(change, 1)}`;
};
/** Flags that a plan brings or takes away, in words. */
function flagChanges(plan: SwapPlan): { gone: string[]; brought: string[] } {
  const statusBefore = new Map(before.value.allergens.map(({ id, status }) => [id, status]));
  const changed = plan.worksheet.allergens.filter(({ id }) => !['peanut', 'tree-nut', 'wheat'].includes(id));
  return {
    gone: changed
      .filter(({ id, status }) => statusBefore.get(id) === 'contains' && status !== 'contains')
      .map(({ name }) => name),
    brought: changed
      .filter(({ id, status }) => status === 'contains' && statusBefore.get(id) !== 'contains')
      .map(({ name }) => name),
  };
}

async function make(plan: SwapPlan): Promise<void> {
  isMaking.value = true;
  problem.value = '';
  try {
    const all = said([...bench.recipe!.freeFrom, ...chosen.value]);
    const name = `${bench.recipe!.name.split(', free from ')[0]}, free from ${all}`.slice(0, 200);
    const id = await bench.makeVariant(plan, chosen.value, name);
    isShown.value = false;
    chosen.value = [];
    await router.push(`/dishes/${id}`);
  } catch (error) {
    problem.value = (error as Error).message;
  } finally {
    isMaking.value = false;
  }
}

function recordPack(lineId: string): void {
  const foodId = bench.worksheet?.lines.find(({ sourceId }) => sourceId === lineId)?.foodId ?? null;
  prompts.packFoodId = foodId;
}
const canRecord = (lineId: string): boolean => {
  const line = bench.worksheet?.lines.find(({ sourceId }) => sourceId === lineId);
  return (
    line?.findings.some(({ code }) => code === 'pack-unknown' || code === 'certificate-unknown') ?? false
  );
};
</script>

<template>
  <ElDrawer v-model="isShown" title="Serve it free from …" size="min(560px, 96vw)">
    <div class="chosen" role="group" aria-label="Free from">
      <button
        v-for="each in choices"
        :key="each.id"
        class="choice"
        :class="{ main: chosen.includes(each.id) }"
        type="button"
        :aria-pressed="chosen.includes(each.id)"
        @click="toggle(each.id)"
      >
        {{ each.name }}
      </button>
    </div>
    <label class="policy">
      <input v-model="isCheckAccepted" type="checkbox" />
      Let packs that nobody has checked pass for now; each stays a decision on the variant
    </label>
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
    <p v-if="chosen.length === 0" class="soft">Choose who it is for: what must not be in it.</p>
    <p v-else-if="isPlanning && !answer" class="soft" role="status">Looking for the best swaps …</p>
    <template v-else-if="answer">
      <section v-if="answer.blockedBy.length > 0" class="blocked" role="status">
        <h3>No swap makes this dish free from {{ words }}</h3>
        <ul>
          <li v-for="(blocker, index) in answer.blockedBy" :key="index">
            <b>{{ blocker.path.join(' > ') }}</b>: {{ blocker.reason }}.
            <button
              v-if="canRecord(blocker.lineId)"
              class="choice"
              type="button"
              @click="recordPack(blocker.lineId)"
            >
              Record the pack
            </button>
          </li>
        </ul>
      </section>
      <section v-for="(plan, index) in answer.plans" :key="index" class="plan">
        <template v-if="plan.swaps.length === 0">
          <h3>It is free from {{ words }} as it is</h3>
          <p class="soft">Every line was checked against a pack on record or is a food of one ingredient.</p>
        </template>
        <template v-else>
          <h3>
            {{ index === 0 ? 'Closest' : 'Or' }}:
            {{ plan.swaps.length === 1 ? '1 swap' : `${plan.swaps.length} swaps` }}
          </h3>
          <ul class="swaps">
            <li v-for="(swap, at) in plan.swaps" :key="at">
              <p class="change">
                <span>{{ gramsText(swap.from.grams) }} {{ swap.from.name.toLowerCase() }}</span>
                <span class="becomes">becomes</span>
                <b>{{
                  swap.to.map((to) => `${gramsText(to.grams)} ${to.name.toLowerCase()}`).join(' + ')
                }}</b>
                <span v-if="swap.waterGrams > 0"> + {{ gramsText(swap.waterGrams) }} water</span>
              </p>
              <p v-if="swap.path.length > 1" class="soft">in {{ swap.path.slice(0, -1).join(' > ') }}</p>
              <p>{{ swap.hint }}</p>
              <p class="soft">
                {{ swap.function }}; closeness in taste {{ roundToDecimals(swap.taste * 100, 0) }} of 100, in
                texture {{ roundToDecimals(swap.texture * 100, 0) }} of 100 (convention)
              </p>
            </li>
          </ul>
          <dl>
            <div>
              <dt>Protein</dt>
              <dd>{{ drift(plan, 'proteinG') }} g</dd>
            </div>
            <div>
              <dt>Fibre</dt>
              <dd>{{ drift(plan, 'fibreG') }} g</dd>
            </div>
            <div>
              <dt>Sodium</dt>
              <dd>{{ drift(plan, 'sodiumMg') }} mg</dd>
            </div>
            <div v-if="flagChanges(plan).gone.length > 0">
              <dt>No longer contains</dt>
              <dd>{{ flagChanges(plan).gone.join(', ') }}</dd>
            </div>
            <div v-if="flagChanges(plan).brought.length > 0">
              <dt>Brings in</dt>
              <dd class="brings">{{ flagChanges(plan).brought.join(', ') }}</dd>
            </div>
          </dl>
          <button
            class="choice"
            :class="{ main: index === 0 }"
            type="button"
            :disabled="isMaking"
            @click="make(plan)"
          >
            Make this variant
          </button>
        </template>
      </section>
      <p class="soft caution">
        Swaps go by the larder and the packs on record. A shared kitchen can still carry traces: follow your
        local food code.
      </p>
    </template>
  </ElDrawer>
</template>

<style scoped>
.chosen {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2);
}

.policy {
  display: flex;
  gap: var(--space-2);
  align-items: flex-start;
  margin: var(--space-3) 0;
  font-size: var(--text-s);
}

.plan,
.blocked {
  display: grid;
  gap: var(--space-2);
  margin-top: var(--space-3);
  padding: var(--space-3) var(--space-4) var(--space-4);
  background: #ffffff;
  border-top: 3px solid var(--rim);
  border-radius: var(--radius);
  justify-items: start;
}

.blocked {
  border-top-color: var(--brick);
}

.blocked ul,
.swaps {
  display: grid;
  gap: var(--space-3);
}

h3 {
  font-size: var(--text-l);
}

.change {
  font-size: var(--text-m);
}

.becomes {
  margin: 0 6px;
  color: var(--ink-soft);
}

.swaps p + p {
  margin-top: 2px;
  font-size: var(--text-s);
}

dl {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-1) var(--space-5);
}

dl div {
  display: flex;
  gap: 6px;
}

dt {
  color: var(--ink-soft);
}

dd {
  font-weight: 660;
}

.brings {
  color: var(--brick);
}

.problem {
  color: var(--brick);
  font-weight: 600;
}

.caution {
  margin-top: var(--space-3);
  font-size: var(--text-s);
}
</style>
