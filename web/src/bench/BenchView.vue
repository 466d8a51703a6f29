<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import { RouterLink, RouterView } from 'vue-router';
import { useEventListener } from '@vueuse/core';
import PathStrip from './PathStrip.vue';
import SwapDecisions from './SwapDecisions.vue';
import SwapPanel from '../swaps/SwapPanel.vue';
import SaveState from './SaveState.vue';
import WhyPanel from './WhyPanel.vue';
import { useBench } from '../state/bench';
import { useBook } from '../state/book';
import { useExclusions } from '../state/exclusions';
import { useKeepOnLeave } from '../state/keep-on-leave';

const props = defineProps<{ id: string }>();
const bench = useBench();
const book = useBook();
const { said } = useExclusions();
const problem = ref('');
const parentName = ref('');

const parentId = computed(() => bench.recipe?.parentId ?? null);

async function open(): Promise<void> {
  problem.value = '';
  try {
    await bench.open(props.id);
    document.title = `${bench.recipe?.name ?? 'Dish'} | Hand Ladle`;
    parentName.value = '';
    if (parentId.value) {
      const { server } = await import('../api/client');
      parentName.value = (await server.recipe(parentId.value)).recipe.name;
    }
  } catch (error) {
    problem.value = (error as Error).message;
  }
}

function onKey(event: KeyboardEvent): void {
  const isTyping = (event.target as HTMLElement).matches('input, textarea, select');
  if (isTyping || !(event.ctrlKey || event.metaKey) || event.key.toLowerCase() !== 'z') return;
  event.preventDefault();
  if (event.shiftKey) bench.redo();
  else bench.undo();
}

watch(() => props.id, open, { immediate: true });
useEventListener(window, 'keydown', onKey);
useKeepOnLeave(bench);
</script>

<template>
  <div v-if="problem" class="gone" role="alert">
    <p>{{ problem }}</p>
    <RouterLink to="/">Open the dishes</RouterLink>
  </div>
  <template v-else-if="bench.worksheet && bench.recipe && bench.recipe.id === id">
    <PathStrip />
    <SaveState />
    <p v-if="bench.isVariant" class="follows">
      <template v-if="bench.recipe.freeFrom.length > 0"
        >Free from {{ said(bench.recipe.freeFrom) }}. </template
      >A variant of
      <RouterLink :to="`/dishes/${bench.recipe.parentId}`">{{ parentName || 'its parent' }}</RouterLink>: its
      lines follow the parent, so change them there.
      <RouterLink :to="`/dishes/${bench.recipe.id}/compare`">Compare line by line</RouterLink>
    </p>
    <SwapDecisions />
    <RouterView />
    <WhyPanel />
    <SwapPanel />
  </template>
  <p v-else class="gone soft" role="status">{{ book.problem || 'Opening the dish …' }}</p>
</template>

<style scoped>
.gone {
  padding: var(--space-6) 20px;
}

.follows {
  padding: var(--space-2) 20px 0;
  font-size: var(--text-m);
  color: var(--ink-soft);
}
</style>
