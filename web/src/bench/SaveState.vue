<script setup lang="ts">
/** Says how the saving stands, quietly while all is well; a conflict or a refusal is said aloud with its ways out. */
import { computed } from 'vue';
import { useRouter } from 'vue-router';
import { server } from '../api/client';
import { newId, useBench } from '../state/bench';

const bench = useBench();
const router = useRouter();

const isLoud = computed(() => ['conflict', 'unreachable', 'refused'].includes(bench.saveStatus));

async function keepAsCopy(): Promise<void> {
  const { recipe, target, vesselIds } = bench;
  if (!recipe || !target) return;
  const name = `${recipe.name} (my copy)`.slice(0, 200);
  const copy = { ...recipe, id: newId(name), name };
  const made = await server.create({ recipe: copy, target, vesselIds, version: 0 });
  bench.takeTheirs();
  await router.push(`/dishes/${made.recipe.id}`);
}
</script>

<template>
  <div v-if="isLoud" class="loud" role="alert">
    <span>{{ bench.saveMessage }}</span>
    <template v-if="bench.saveStatus === 'conflict'">
      <button class="choice" type="button" @click="bench.takeTheirs()">Take theirs</button>
      <button class="choice" type="button" @click="bench.putMineOver()">Put mine over it</button>
      <button class="choice" type="button" @click="keepAsCopy">Keep mine as a copy</button>
    </template>
    <span v-else-if="bench.saveStatus === 'unreachable'">Trying again every few seconds.</span>
    <button v-else class="choice" type="button" @click="bench.undo()">Undo the change</button>
  </div>
  <span v-else class="unseen" role="status" data-testid="save-state">{{
    bench.saveStatus === 'saved' ? 'Saved' : 'Saving'
  }}</span>
</template>

<style scoped>
.loud {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: var(--space-2) var(--space-3);
  padding: var(--space-2) 20px;
  background: var(--amber-wash);
  border-bottom: 1.5px dashed var(--amber-line);
  font-weight: 560;
}
</style>
