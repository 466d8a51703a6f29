<script setup lang="ts">
/** Figures the audit of matter doubts: mended in the lines, or a cook stands for them. What cannot be has no such way out. */
import { computed } from 'vue';
import type { Finding } from '@hand-ladle/core';
import { useSayer } from '../sayer';

const props = defineProps<{ findings: readonly Finding[] }>();
const emit = defineEmits<{ confirm: [what: string, figure: number, by: string] }>();
const { naming, typed, takeField, say } = useSayer();

const doubted = computed(() =>
  props.findings.filter(({ code }) => code === 'assay-impossible' || code === 'assay-unlikely'),
);
const whatOf = ({ figures }: Finding): string => String(figures['what']);
const confirm = (each: Finding): Promise<void> =>
  say(whatOf(each), (by) => emit('confirm', whatOf(each), Number(each.figures['figure']), by));
</script>

<template>
  <section v-if="doubted.length > 0" class="doubted" aria-label="Figures in doubt">
    <h2>
      Figures a scale or a laboratory would doubt
      <span class="soft">They hold the label.</span>
    </h2>
    <ul>
      <li v-for="each in doubted" :key="whatOf(each)">
        <p>{{ each.message }}</p>
        <form v-if="each.code === 'assay-unlikely'" class="choices" @submit.prevent="confirm(each)">
          <button class="choice" type="submit">It is so: I stand for it</button>
          <label v-if="naming === whatOf(each)">
            Your name
            <input
              :ref="takeField"
              v-model="typed"
              class="field"
              size="14"
              maxlength="120"
              autocomplete="off"
            />
          </label>
        </form>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.doubted {
  margin-bottom: var(--space-3);
  padding: var(--space-3) var(--space-4);
  background: var(--amber-wash);
  border: 1.5px dashed var(--amber-line);
  border-radius: var(--radius);
}

h2 {
  font-size: var(--text-m);
  color: var(--amber);
}

li {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  justify-content: space-between;
  gap: 6px var(--space-4);
  padding: 6px 0;
}

li p {
  flex: 1 1 24em;
}

li + li {
  border-top: 1px solid var(--hairline);
}

.choices,
label {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px 10px;
  font-size: var(--text-s);
}

.soft {
  font-size: var(--text-s);
}
</style>
