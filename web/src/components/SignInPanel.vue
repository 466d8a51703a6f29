<script setup lang="ts">
/** Signing in: a name and a password. Asked for only by what leaves the kitchen. */
import { ref } from 'vue';
import { ElDialog } from 'element-plus/es/components/dialog/index.mjs';
import { useSession } from '../stores/session';
import type { ServerError } from '../api/client';

const session = useSession();
const login = ref('');
const password = ref('');
const problem = ref('');
const isWorking = ref(false);

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
  <ElDialog v-model="session.isAsked" title="Sign in" width="min(420px, 94vw)" append-to-body>
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
      <button class="choice main" type="submit" :disabled="isWorking">Sign in</button>
    </form>
  </ElDialog>
</template>

<style scoped>
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
