<script setup lang="ts">
/** Why no plan frees a dish: the line, the work it does, every swap that was refused, and the nearest dish that is free. */
import { RouterLink } from 'vue-router';
import { type Blocker, type IfRead, type NearDish, roundToDecimals } from '@hand-ladle/core';
import { useBench } from '../state/bench';
import { usePrompts } from '../state/prompts';
import SayerForm from '../ui/SayerForm.vue';

defineProps<{
  title: string;
  blockers: readonly Blocker[];
  ifRead: IfRead | null;
  nearest: readonly NearDish[] | null;
}>();
const bench = useBench();
const prompts = usePrompts();

/** The food of a blocked line whose pack could settle it; in a component it is found by opening the component. */
function packFoodOf({ lineId, path }: Blocker): string | null {
  if (path.length !== 1) return null;
  const line = bench.worksheet?.lines.find(({ sourceId }) => sourceId === lineId);
  const isAsked = line?.findings.some(({ code }) => ['pack-unknown', 'certificate-unknown'].includes(code));
  return isAsked ? (line?.foodId ?? null) : null;
}
</script>

<template>
  <section class="plate blocked" role="status">
    <h3>{{ title }}</h3>
    <ul>
      <li v-for="(blocker, index) in blockers" :key="index">
        <p>
          <b>{{ blocker.path.length > 0 ? blocker.path.join(' > ') : blocker.name }}</b><span
            v-if="blocker.functions.length > 0"
            class="soft"
          >
            ({{ blocker.functions.join(', ') }})</span
          >: {{ blocker.reason }}.
        </p>
        <details v-if="blocker.refused.length > 2">
          <summary>Every swap on file for it, and why not</summary>
          <ul class="refused">
            <li v-for="each in blocker.refused" :key="each.swapId">
              <b>{{ each.to }}</b> <span class="soft">({{ each.function }})</span>: {{ each.reason }}
            </li>
          </ul>
        </details>
        <SayerForm v-if="blocker.asks.length > 0" @say="(by) => bench.sayOnlyNamed(blocker.asks, by)">
          <button class="choice" type="submit">It is only a name: that is not in the dish</button>
        </SayerForm>
        <button
          v-if="ifRead === null && packFoodOf(blocker)"
          class="choice"
          type="button"
          @click="prompts.packFoodId = packFoodOf(blocker)"
        >
          Record the pack
        </button>
      </li>
    </ul>
    <div v-if="ifRead" class="read">
      <h4>
        {{ ifRead.packs.length === 1 ? 'One pack' : `${ifRead.packs.length} packs` }} nobody has read
        {{ ifRead.packs.length === 1 ? 'stands' : 'stand' }} in the way
      </h4>
      <p>
        If nothing of it is on {{ ifRead.packs.length === 1 ? 'it' : 'them' }},
        <template v-if="ifRead.swaps.length === 0">the dish is free from it as it is.</template>
        <template v-else>
          this would do:
          <template v-for="(swap, index) in ifRead.swaps" :key="swap.swapId + swap.lineId"
            >{{ index > 0 ? '; ' : '' }}{{ swap.from.name.toLowerCase() }} by
            {{ swap.to.map(({ name }) => name.toLowerCase()).join(', ') }}</template
          >.
        </template>
      </p>
      <div class="packs">
        <button
          v-for="pack in ifRead.packs"
          :key="pack.foodId"
          class="choice"
          type="button"
          @click="prompts.packFoodId = pack.foodId"
        >
          Record the pack of {{ pack.name.toLowerCase() }}
        </button>
      </div>
    </div>
    <div v-if="nearest">
      <h4>Nearest dishes in the book that are free from it as they are</h4>
      <p v-if="nearest.length === 0" class="soft">None is, by the packs on record.</p>
      <ul v-else class="near">
        <li v-for="dish in nearest" :key="dish.recipeId">
          <RouterLink :to="`/dishes/${dish.recipeId}`">{{ dish.name }}</RouterLink>
          <span class="soft"> alike by {{ roundToDecimals(dish.likeness * 100, 0) }} of 100</span>
        </li>
      </ul>
    </div>
  </section>
</template>

<style scoped>
.blocked {
  display: grid;
  gap: var(--space-3);
  border-top: 4px solid var(--brick);
}

h3 {
  font-size: var(--text-l);
}

h4 {
  margin: 0;
  font-size: var(--text-m);
}

.blocked > ul {
  display: grid;
  gap: var(--space-3);
}

summary {
  min-height: 30px;
  color: var(--rim);
  font-weight: 560;
  font-size: var(--text-m);
  cursor: pointer;
}

.refused {
  padding-left: var(--space-4);
  font-size: var(--text-s);
}

.packs {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2);
  margin-top: var(--space-2);
}

.near a {
  font-weight: 620;
}
</style>
