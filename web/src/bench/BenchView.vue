<script setup lang="ts">
import { useEventListener } from '@vueuse/core';
import { computed, ref, watch } from 'vue';
import { RouterLink, RouterView } from 'vue-router';
import { server } from '../api/client';
import { useBench } from '../state/bench';
import { useBook } from '../state/book';
import { useExclusions } from '../state/exclusions';
import { useFirstRead } from '../state/first-read';
import { useKeepOnLeave } from '../state/keep-on-leave';
import { useReadAgain } from '../state/read-again';
import SwapPanel from '../swaps/SwapPanel.vue';
import PathStrip from './PathStrip.vue';
import SaveState from './SaveState.vue';
import SwapDecisions from './SwapDecisions.vue';
import WhyPanel from './WhyPanel.vue';

const props = defineProps<{ id: string }>();
const bench = useBench();
const book = useBook();
const { said } = useExclusions();
const parentName = ref('');

/** The dish of this address, once it can be worked with. */
const dish = computed(() => (bench.worksheet && bench.recipe?.id === props.id ? bench.recipe : null));
const parentId = computed(() => bench.recipe?.parentId ?? null);

const { problem, again: open } = useFirstRead(async () => {
  await bench.open(props.id);
  document.title = `${bench.recipe?.name ?? 'Dish'} | Hand Ladle`;
  parentName.value = '';
  if (parentId.value) parentName.value = (await server.recipe(parentId.value)).recipe.name;
});

function onKey(event: KeyboardEvent): void {
  const isTyping = (event.target as HTMLElement).matches('input, textarea, select');
  if (isTyping || !(event.ctrlKey || event.metaKey) || event.key.toLowerCase() !== 'z') return;
  event.preventDefault();
  if (event.shiftKey) bench.redo();
  else bench.undo();
}

watch(() => props.id, open, { immediate: true });
const gone = useReadAgain(bench.renew);
useEventListener(window, 'keydown', onKey);
useKeepOnLeave(bench);
</script>

<template>
  <!-- A dish that is open stays on the screen while the server is away: what was read of it is still true to work by. -->
  <p v-if="(problem || gone) && dish" class="away" role="alert">{{ problem || gone }}</p>
  <template v-if="dish">
    <PathStrip />
    <SaveState />
    <p v-if="bench.isRenewed" class="follows" role="status">
      This dish was changed on another screen: here it is as they left it.
    </p>
    <p v-if="bench.isVariant" class="follows">
      <template v-if="dish.freeFrom.length > 0">Free from {{ said(dish.freeFrom) }}. </template>A variant of
      <RouterLink :to="`/dishes/${dish.parentId}`">{{ parentName || 'its parent' }}</RouterLink>: its lines
      follow the parent, so change them there.
      <RouterLink :to="`/dishes/${dish.id}/compare`">Compare line by line</RouterLink>
    </p>
    <SwapDecisions />
    <RouterView />
    <WhyPanel />
    <SwapPanel />
  </template>
  <div v-else-if="problem" class="gone" role="alert">
    <p>{{ problem }}</p>
    <RouterLink to="/">Open the dishes</RouterLink>
  </div>
  <p v-else class="gone soft" role="status">{{ book.problem || 'Opening the dish …' }}</p>
</template>

<style scoped>
.away {
  padding: var(--space-2) 20px;
  background: var(--amber-wash);
  border-bottom: 1.5px dashed var(--amber-line);
  font-weight: 560;
}

.gone {
  padding: var(--space-6) 20px;
}

.follows {
  padding: var(--space-2) 20px 0;
  font-size: var(--text-m);
  color: var(--ink-soft);
}
</style>
