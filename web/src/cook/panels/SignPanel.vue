<script setup lang="ts">
/** Who stands here: a name with its PIN, or only a name, and then entries are not signed. */
import { onMounted, ref, shallowRef } from 'vue';
import type { Signer } from '@hand-ladle/core';
import { useAuthor } from '../offline/author';
import { cookServer } from '../offline/cook-server';
import FigurePad from './FigurePad.vue';
import StovePanel from './StovePanel.vue';

const emit = defineEmits<{ close: [] }>();
const author = useAuthor();
const signers = shallowRef<Signer[]>([]);
const chosen = ref<string | null>(null);
const pin = ref('');
const name = ref('');
const refusal = ref('');
onMounted(async () => {
  signers.value = await cookServer.signers().catch(() => []);
});
async function sign(): Promise<void> {
  if (chosen.value === null) return;
  refusal.value = '';
  try {
    await author.sign(chosen.value, pin.value);
    emit('close');
  } catch (error) {
    refusal.value = (error as Error).message;
    pin.value = '';
  }
}
function say(): void {
  if (name.value.trim() === '') return;
  author.sayName(name.value);
  emit('close');
}
</script>

<template>
  <StovePanel title="Who is at this tablet?" @close="emit('close')">
    <div class="sides">
      <div class="list" role="group" aria-label="Names">
        <button
          v-for="each in signers"
          :key="each.id"
          type="button"
          class="key"
          :class="{ chosen: chosen === each.id }"
          :aria-pressed="chosen === each.id"
          @click="chosen = each.id"
        >
          {{ each.name }}
        </button>
        <p v-if="signers.length === 0" class="soft">
          Nobody has a PIN yet, or the server does not answer. A PIN is set under Labels, People.
        </p>
        <form @submit.prevent="say">
          <label>Or only a name, not signed<input v-model="name" class="field tall" maxlength="120" /></label>
          <button class="key" type="submit">That is me</button>
        </form>
        <button v-if="author.name" class="key plain" type="button" @click="author.leave()">
          {{ author.name }} leaves this tablet
        </button>
      </div>
      <div v-if="chosen">
        <FigurePad v-model="pin" label="PIN" unit="" is-secret @enter="sign" />
        <button class="key main" type="button" @click="sign">Sign</button>
        <p v-if="refusal" class="wrong" role="alert">{{ refusal }}</p>
      </div>
    </div>
  </StovePanel>
</template>

<style scoped>
.list,
form,
label {
  display: grid;
  gap: var(--space-2);
  align-content: start;
  font-size: 22px;
}

.key {
  width: 100%;
}

.main {
  margin-top: var(--space-2);
}

.wrong {
  font-size: 24px;
  color: var(--brick);
}
</style>
