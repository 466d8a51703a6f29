<script setup lang="ts">
/** What the batch is made for. Changing the way of saying it keeps the batch and says it anew. */
import { computed, ref } from 'vue';
import type { Target } from '@hand-ladle/core';
import { useBench } from '../../state/bench';
import MachineRow from './MachineRow.vue';
import TargetFigures from './TargetFigures.vue';
import TargetRuler from './TargetRuler.vue';

const bench = useBench();
const target = computed(() => bench.target!);

const WAYS: { kind: Target['kind']; name: string }[] = [
  { kind: 'portions', name: 'Portions' },
  { kind: 'weight', name: 'Weight' },
  { kind: 'pans', name: 'Pans' },
  { kind: 'store', name: 'In store' },
  { kind: 'load', name: 'Full load' },
];
const isSaid = (kind: Target['kind']): boolean =>
  target.value.kind === kind || (kind === 'portions' && target.value.kind === 'sizes');

const wrong = ref('');
const refused = ref('');

async function say(kind: Target['kind']): Promise<void> {
  wrong.value = '';
  refused.value = '';
  if (isSaid(kind)) return;
  if (!(await bench.express(kind)))
    refused.value =
      kind === 'load'
        ? 'No machine of this kitchen is used by the steps of this dish.'
        : 'This batch cannot be said so: no line of it is bought by weight, or it is too small.';
}

/** Arrows move along the ways, as in any group of choices. */
function move(event: KeyboardEvent, by: number): void {
  const at = WAYS.findIndex(({ kind }) => isSaid(kind));
  const next = WAYS[(at + by + WAYS.length) % WAYS.length]!;
  const buttons = (event.currentTarget as HTMLElement).querySelectorAll('button');
  void say(next.kind).then(() => buttons[WAYS.indexOf(next)]?.focus());
}

const problem = computed(
  () =>
    wrong.value ||
    refused.value ||
    (bench.worksheet?.findings.find(({ code }) => code === 'target-invalid')?.message ?? ''),
);
</script>

<template>
  <section class="target" aria-label="Target of the batch">
    <div
      class="ways"
      role="radiogroup"
      aria-label="Way of saying the target"
      @keydown.right.prevent="move($event, 1)"
      @keydown.left.prevent="move($event, -1)"
    >
      <button
        v-for="way in WAYS"
        :key="way.kind"
        type="button"
        role="radio"
        :aria-checked="isSaid(way.kind)"
        :tabindex="isSaid(way.kind) ? 0 : -1"
        @click="say(way.kind)"
      >
        {{ way.name }}
      </button>
    </div>
    <TargetFigures @wrong="wrong = $event" />
    <TargetRuler />
    <div class="history">
      <button class="choice plain" type="button" :disabled="!bench.canUndo" @click="bench.undo()">
        Undo
      </button>
      <button class="choice plain" type="button" :disabled="!bench.canRedo" @click="bench.redo()">
        Redo
      </button>
    </div>
    <MachineRow />
    <slot />
    <p v-if="problem" class="wrong" role="alert">{{ problem }}</p>
  </section>
</template>

<style scoped>
.target {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: var(--space-2) var(--space-3);
  margin-bottom: var(--space-3);
}

.ways {
  display: flex;
  border: 1.5px solid var(--rim);
  border-radius: var(--radius);
  overflow: hidden;
  background: var(--enamel);
}

.ways button {
  min-height: 48px;
  padding: 0 12px;
  border: 0;
  background: none;
  color: var(--rim);
  font-weight: 600;
  white-space: nowrap;
}

.ways button[aria-checked='true'] {
  background: var(--rim);
  color: var(--on-dark);
}

.ways button:focus-visible {
  outline-offset: -4px;
  outline-color: var(--amber-line);
}

.history {
  display: flex;
  margin-left: auto;
}

.history .choice {
  padding-inline: 8px;
}

.wrong {
  flex-basis: 100%;
  font-size: var(--text-s);
  color: var(--brick);
  font-weight: 600;
}

@media (max-width: 1100px) {
  .history {
    margin-left: 0;
  }
}

@media (max-width: 760px) {
  .ways {
    width: 100%;
    overflow-x: auto;
  }

  .ways button {
    flex: 1;
    padding: 0 6px;
  }
}
</style>
