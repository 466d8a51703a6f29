<script setup lang="ts">
/** Imports that were finished, newest first, and the way to take one back. */
import { onMounted, ref, shallowRef } from 'vue';
import type { FinishedImport } from '@hand-ladle/core';
import { server } from '../api/client';

defineProps<{ isBusy: boolean }>();
const emit = defineEmits<{ takenBack: [one: FinishedImport] }>();
const finished = shallowRef<FinishedImport[]>([]);
const words = ref('');
const problem = ref('');
const many = (count: number): string => count.toLocaleString('en');
const whenOf = (iso: string): string =>
  new Date(iso).toLocaleString('en-GB', { dateStyle: 'medium', timeStyle: 'short' });

async function load(): Promise<void> {
  try {
    finished.value = await server.finishedImports();
  } catch (error) {
    problem.value = (error as Error).message;
  }
}
onMounted(load);
defineExpose({ load });

async function takeBack(one: FinishedImport): Promise<void> {
  problem.value = '';
  words.value = '';
  try {
    const { takenBack, kept } = await server.takeBackImport(one.id);
    const stay = `${kept.slice(0, 12).join(', ')}${kept.length > 12 ? ' …' : ''}`;
    words.value =
      `${many(takenBack)} ${takenBack === 1 ? 'row' : 'rows'} of ${one.fileName} taken back.` +
      (kept.length > 0
        ? ` ${many(kept.length)} stay, because somebody has used or changed them since: ${stay}.`
        : '');
    emit('takenBack', one);
    await load();
  } catch (error) {
    problem.value = (error as Error).message;
  }
}
</script>

<template>
  <section v-if="finished.length > 0" class="plate">
    <h2>What was taken in</h2>
    <p v-if="words" class="sum-back" role="status">{{ words }}</p>
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
    <ul class="finished">
      <li v-for="each in finished" :key="each.id">
        <span
          ><b>{{ each.fileName }}</b>
          <span class="soft">
            {{ each.kind === 'foods' ? 'foods' : 'a supplier’s list' }}, {{ whenOf(each.at) }}:
            {{ many(each.created) }} new, {{ many(each.updated) }} changed</span
          ></span
        >
        <span v-if="each.takenBackAt" class="soft">taken back {{ whenOf(each.takenBackAt) }}</span>
        <button v-else class="choice" type="button" :disabled="isBusy" @click="takeBack(each)">
          Take it back
        </button>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.finished {
  margin: 0;
  padding: 0;
  list-style: none;
}

.finished li {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: var(--space-3);
  min-height: var(--touch);
  border-bottom: 1px solid var(--hairline);
}

.finished li:last-child {
  border-bottom: 0;
}

.sum-back {
  font-weight: 600;
}

.problem {
  color: var(--brick);
  font-weight: 600;
}
</style>
