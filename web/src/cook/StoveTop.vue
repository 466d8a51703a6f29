<script setup lang="ts">
/** The head of the stove: batches beside each other, who stands here, and what is not sent yet. */
import { RouterLink } from 'vue-router';
import { useAuthor } from './offline/author';
import { useStove } from './offline/stove';

defineProps<{ isDark: boolean }>();
const emit = defineEmits<{ sign: []; turn: [] }>();
const stove = useStove();
const author = useAuthor();
</script>

<template>
  <header class="top">
    <RouterLink class="key plain back" to="/cook" aria-label="All batches">‹</RouterLink>
    <nav class="batches" aria-label="Batches">
      <RouterLink
        v-for="each in stove.batches"
        :key="each.code"
        class="key batch"
        :class="{ chosen: each.code === stove.code, calls: each.answer.hand < 0 }"
        :to="`/cook/${each.code}`"
      >
        <span>{{ each.opened.name }}</span>
        <small>{{ each.code }}{{ each.answer.hand < 0 ? ', needs a hand' : '' }}</small>
      </RouterLink>
    </nav>
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
