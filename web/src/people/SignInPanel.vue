<script setup lang="ts">
/** Signing in: a name and a password. Asked for only by what leaves the kitchen. */
import { onMounted, ref, watch } from 'vue';
import type { ServerError } from '../api/client';
import { useSession } from '../state/session';

const session = useSession();
const login = ref('');
const password = ref('');
const problem = ref('');
const isWorking = ref(false);

/** The browser's own dialog: it keeps the focus, closes on Escape, and adds no second banner to the page. */
const panel = ref<HTMLDialogElement | null>(null);
function show(): void {
  if (session.isAsked && !panel.value?.open) {
    // Whoever signed in here before is not whoever signs in now.
    login.value = '';
    password.value = '';
    problem.value = '';
    panel.value?.showModal();
  } else if (!session.isAsked) panel.value?.close();
}
onMounted(show);
watch(() => session.isAsked, show);

async function signIn(): Promise<void> {
  isWorking.value = true;
  problem.value = '';
  try {
    await session.signIn(login.value, password.value);
    password.value = '';
  } catch (error) {
    const { message, details } = error as ServerError;
    const seconds = (details[0] as { seconds?: number } | undefined)?.seconds;
    problem.value = seconds ? `${message} ${seconds} seconds to go.` : message;
  } finally {
    isWorking.value = false;
  }
}
</script>

<template>
  <dialog ref="panel" aria-label="Sign in" @close="session.isAsked = false">
    <h2>Sign in</h2>
    <form @submit.prevent="signIn">
      <label
        >Name <input v-model="login" class="field" autocomplete="username" maxlength="80" required
      /></label>
      <label
        >Password
        <input
          v-model="password"
          class="field"
          type="password"
          autocomplete="current-password"
          maxlength="200"
          required
      /></label>
      <p v-if="problem" class="wrong" role="alert">{{ problem }}</p>
      <div class="ends">
        <button class="choice main" type="submit" :disabled="isWorking">Sign in</button>
        <button class="choice plain" type="button" @click="session.isAsked = false">Leave it</button>
      </div>
    </form>
  </dialog>
</template>

<style scoped>
dialog {
  width: min(420px, 94vw);
  padding: var(--space-5);
  border: 0;
  border-top: 4px solid var(--rim);
  border-radius: var(--radius);
  background: var(--enamel);
  color: var(--ink);
  box-shadow: var(--shadow);
}

dialog::backdrop {
  background: rgb(23 32 44 / 45%);
}

h2 {
  margin-bottom: var(--space-3);
  font-size: var(--text-xl);
}

.ends {
  display: flex;
  gap: var(--space-2);
}

form {
  display: grid;
  gap: var(--space-3);
}

label {
  display: grid;
  gap: 2px;
  color: var(--ink-soft);
  font-size: var(--text-s);
}

input {
  color: var(--ink);
  font-size: var(--text-m);
}

.wrong {
  color: var(--brick);
  font-weight: 600;
}
</style>
