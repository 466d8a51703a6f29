<script setup lang="ts">
/** A figure, by keys for a knuckle or by the keyboard. */
const figure = defineModel<string>({ required: true });
defineProps<{ label: string; unit: string; hasSign?: boolean; isSecret?: boolean }>();
const emit = defineEmits<{ enter: [] }>();

const KEYS = ['1', '2', '3', '4', '5', '6', '7', '8', '9', '.', '0'] as const;
const MOST = 9;
function press(key: string): void {
  if (key === '.' && figure.value.includes('.')) return;
  if (figure.value.length < MOST) figure.value += key;
}
const back = (): void => void (figure.value = figure.value.slice(0, -1));
const turn = (): void =>
  void (figure.value = figure.value.startsWith('-') ? figure.value.slice(1) : `-${figure.value}`);
</script>

<template>
  <div class="pad">
    <label class="shown">
      <span class="unseen">{{ label }}</span>
      <input
        v-model="figure"
        :type="isSecret ? 'password' : 'text'"
        inputmode="decimal"
        autocomplete="off"
        data-takes-weight
        :aria-label="label"
        placeholder="0"
        @keydown.enter.prevent="emit('enter')"
      />
      <span>{{ unit }}</span>
    </label>
    <div class="keys">
      <button v-for="key in KEYS" :key="key" type="button" class="key" @click="press(key)">{{ key }}</button>
      <button type="button" class="key" aria-label="Take back the last figure" @click="back">⌫</button>
      <button v-if="hasSign" type="button" class="key wide" aria-label="Below zero" @click="turn">
        + / −
      </button>
    </div>
  </div>
</template>

<style scoped>
.shown {
  display: flex;
  align-items: baseline;
  gap: var(--space-3);
  padding: var(--space-2) var(--space-4);
  background: var(--enamel-deep);
  border-radius: var(--radius);
  font-size: 30px;
}

input {
  width: 100%;
  min-width: 0;
  border: 0;
  background: none;
  text-align: right;
  font-size: 56px;
  font-weight: 740;
  line-height: 1.1;
}

.keys {
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  gap: var(--space-2);
  margin-top: var(--space-2);
}

.keys .key {
  justify-content: center;
  font-size: 32px;
}

.wide {
  grid-column: span 3;
}
</style>
