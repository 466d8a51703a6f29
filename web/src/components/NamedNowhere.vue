<script setup lang="ts">
/** What the words of a dish name and no line holds, each settled here: it goes into the list, or it is not in the dish. */
import { computed } from 'vue';
import type { Finding } from '@hand-ladle/core';
import { useSayer } from '../sayer';

const props = defineProps<{
  findings: readonly Finding[];
  /** A variant has its parent's words: they are settled there. */
  isVariant: boolean;
}>();
const emit = defineEmits<{ add: [written: string]; notIn: [name: string, by: string] }>();

/** Own words only: what a component names is settled in the component. */
const asked = computed(() =>
  props.findings.filter(
    ({ code, lineId }) => lineId === null && (code === 'named-nowhere' || code === 'named-unknown'),
  ),
);
const { naming, typed, takeField, say } = useSayer();
const sayNotIn = (name: string): Promise<void> => say(name, (by) => emit('notIn', name, by));
const nameOf = ({ figures }: Finding): string => String(figures['name']);
const writtenOf = ({ figures }: Finding): string => String(figures['written']);
</script>

<template>
  <section v-if="asked.length > 0" class="named" aria-label="Named, and in no line">
    <h2>
      Named in the text, and in no line
      <span class="soft">Until it is settled it is to be checked for all it may carry.</span>
    </h2>
    <ul>
      <li v-for="each in asked" :key="nameOf(each)">
        <p>
          <b>“{{ writtenOf(each) }}”</b> stands in {{ each.figures['places']
          }}<template v-if="each.code === 'named-unknown'">, and nobody knows it</template>.
        </p>
        <p v-if="isVariant" class="soft">Settle it in the dish this one follows.</p>
        <form v-else class="choices" @submit.prevent="sayNotIn(nameOf(each))">
          <button class="choice" type="button" @click="emit('add', writtenOf(each))">
            It is in: add it to the list
          </button>
          <button class="choice" type="submit">It is not in the dish</button>
          <label v-if="naming === nameOf(each)">
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
.named {
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

li + li {
  border-top: 1px solid var(--hairline);
}

.choices {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px 10px;
}

label {
  display: flex;
  align-items: center;
  gap: 6px;
  font-size: var(--text-s);
}

.soft {
  font-size: var(--text-s);
}
</style>
