<script setup lang="ts">
/** The batch: its target above, and below it the weights or one of the other ways to look at it. */
import { computed } from 'vue';
import { RouterLink, RouterView } from 'vue-router';
import { useBench } from '../state/bench';
import TargetStrip from './target/TargetStrip.vue';

const bench = useBench();
const base = computed(() => `/dishes/${bench.recipe!.id}`);
const views = computed(() => {
  const { stages, components } = bench.worksheet!;
  const loads = Math.max(1, ...stages.map((stage) => stage.loads));
  const made =
    components.length === 0
      ? ''
      : components.length === 1
        ? ', 1 component'
        : `, ${components.length} components`;
  return [
    { to: base.value, name: 'Weights' },
    { to: `${base.value}/loads`, name: `Loads: ${loads}${made}` },
    { to: `${base.value}/mass`, name: 'Where it goes' },
    { to: `${base.value}/times`, name: 'Times and cooling' },
    { to: `${base.value}/sheet`, name: 'Batch sheet' },
    { to: `/cook?recipe=${bench.recipe!.id}`, name: 'Cook it' },
  ];
});
</script>

<template>
  <div class="batch">
    <TargetStrip>
      <nav class="views" aria-label="Views of the batch">
        <RouterLink v-for="view in views" :key="view.to" :to="view.to">{{ view.name }}</RouterLink>
      </nav>
    </TargetStrip>
    <RouterView />
  </div>
</template>

<style scoped>
.batch {
  padding: 14px 20px var(--space-6);
}

.views {
  display: flex;
  flex-wrap: wrap;
  gap: 0 var(--space-4);
  margin-left: auto;
}

.views a {
  display: flex;
  align-items: center;
  min-height: 40px;
  color: var(--ink-soft);
  font-weight: 560;
  text-decoration: none;
  border-bottom: 3px solid transparent;
}

.views a:hover {
  color: var(--rim);
}

.views a.router-link-exact-active {
  color: var(--rim);
  font-weight: 680;
  border-bottom-color: var(--rim);
}

@media (max-width: 1100px) {
  .views {
    order: 1;
  }
}

@media (pointer: coarse) {
  .views a {
    min-height: var(--touch);
  }
}

@media (max-width: 760px) {
  .batch {
    padding: var(--space-3);
  }
}

@media print {
  .batch {
    padding: 0;
  }

  .batch > :first-child {
    display: none;
  }
}
</style>
