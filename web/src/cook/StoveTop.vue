<script setup lang="ts">
/** The head of the stove: batches beside each other, who stands here, and what is not sent yet. */
import { useLocalStorage } from '@vueuse/core';
import { computed } from 'vue';
import { RouterLink } from 'vue-router';
import { useAuthor } from './offline/author';
import { useStove } from './offline/stove';

defineProps<{ isDark: boolean }>();
const stove = useStove();
/** The station this tablet stands at: only what still comes to it is shown; empty for all. */
const station = useLocalStorage('hand-ladle.stove.station', '');
const stations = computed(() => [
  ...new Set(
    stove.batches.flatMap(({ answer }) => answer.stove.steps.map((step) => step.station)).filter(Boolean),
  ),
]);
const shown = computed(() =>
  stove.batches.filter(
    ({ code, answer }) =>
      code === stove.code ||
      !stations.value.includes(station.value) ||
      answer.stove.steps.some((step) => step.station === station.value && !step.isDone),
  ),
);
const emit = defineEmits<{ sign: []; turn: [] }>();
const author = useAuthor();
</script>

<template>
  <header class="top">
    <RouterLink class="key plain back" to="/cook" aria-label="All batches">‹</RouterLink>
    <nav class="batches" aria-label="Batches">
      <RouterLink
        v-for="each in shown"
        :key="each.code"
        class="key batch"
        :class="{ chosen: each.code === stove.code, calls: each.answer.hand < 0 }"
        :to="`/cook/${each.code}`"
      >
        <span>{{ each.opened.name }}</span>
        <small>{{ each.code }}{{ each.answer.hand < 0 ? ', needs a hand' : '' }}</small>
      </RouterLink>
    </nav>
    <label v-if="stations.length > 1" class="station">
      <span class="unseen">Station of this tablet</span>
      <select v-model="station" class="key">
        <option value="">All stations</option>
        <option v-for="each in stations" :key="each" :value="each">{{ each }}</option>
      </select>
    </label>
    <div class="who">
      <span v-if="stove.isAway" class="away" role="status">No server: it goes on here</span>
      <span v-if="stove.unsent > 0" class="unsent" role="status">{{ stove.unsent }} not sent yet</span>
      <button type="button" class="key" :class="{ unnamed: !author.name }" @click="emit('sign')">
        {{ author.name || 'Who are you?' }}<small v-if="author.name && !author.isSigned">not signed</small>
      </button>
      <button
        type="button"
        class="key plain"
        :aria-label="isDark ? 'Light screen' : 'Dark screen'"
        @click="emit('turn')"
      >
        {{ isDark ? '☀' : '☾' }}
      </button>
    </div>
  </header>
  <p v-if="stove.problem" class="problem" role="alert">{{ stove.problem }}</p>
  <p v-for="each in stove.refused" :key="each.number" class="problem" role="alert">
    Not taken: {{ each.refused }}
    <button type="button" class="key plain" @click="stove.dismiss(each.number)">Seen</button>
  </p>
</template>

<style scoped>
.unnamed {
  border: 3px dashed var(--amber-line);
  background: var(--amber-wash);
  color: var(--amber);
}

.top {
  display: flex;
  gap: var(--space-3);
  align-items: center;
  padding: 0 var(--space-4);
}

.back {
  min-width: 64px;
  justify-content: center;
  font-size: 36px;
}

.batches {
  display: flex;
  flex: 1;
  gap: var(--space-2);
  overflow-x: auto;
}

.batch {
  display: grid;
  flex: none;
  max-width: 320px;
  padding: 4px var(--space-4);
  line-height: 1.1;
  text-decoration: none;
}

.batch span {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.batch.calls {
  border-color: var(--brick);
}

small {
  font-size: 17px;
  font-weight: 450;
}

.who {
  display: flex;
  flex-wrap: wrap;
  justify-content: flex-end;
  gap: var(--space-2);
  align-items: center;
}

.who .key {
  display: grid;
  line-height: 1.1;
}

.away,
.unsent {
  padding: 6px 12px;
  border: 2px dashed var(--amber-line);
  border-radius: var(--radius-s);
  background: var(--amber-wash);
  color: var(--amber);
  font-size: 20px;
  font-weight: 680;
}

.problem,
.check {
  margin: 0 var(--space-4);
  padding: var(--space-2) var(--space-4);
  border-radius: var(--radius-s);
  background: var(--brick-wash);
  color: var(--brick);
  font-size: 24px;
  font-weight: 680;
}

.problem {
  margin: 0 var(--space-4);
  padding: var(--space-2) var(--space-4);
  border-radius: var(--radius-s);
  background: var(--brick-wash);
  color: var(--brick);
  font-size: 24px;
  font-weight: 680;
}

@media (max-width: 900px) {
  .top {
    flex-wrap: wrap;
  }

  .batches {
    order: 2;
    flex: 1 0 100%;
  }

  .who {
    flex: 1;
  }
}
</style>
