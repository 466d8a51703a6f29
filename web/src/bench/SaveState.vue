<script setup lang="ts">
/** How the saving of the open dish stands, quietly while all is well. */
import { useRouter } from 'vue-router';
import { server } from '../api/client';
import { newId, useBench } from '../state/bench';
import SaveBar from '../ui/SaveBar.vue';

const bench = useBench();
const router = useRouter();

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
  <SaveBar
    :status="bench.saveStatus"
    :message="bench.saveMessage"
    @theirs="bench.takeTheirs()"
    @mine="bench.putMineOver()"
    @undo="bench.undo()"
  >
    <button class="choice" type="button" @click="keepAsCopy">Keep mine as a copy</button>
  </SaveBar>
  <span
    v-if="['saved', 'changed', 'saving'].includes(bench.saveStatus)"
    class="unseen"
    role="status"
    data-testid="save-state"
    >{{ bench.saveStatus === 'saved' ? 'Saved' : 'Saving' }}</span
  >
</template>
