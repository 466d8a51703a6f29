<script setup lang="ts">
/** Accounts and what they did: a manager keeps the first, a checker reads the second, nobody edits it. */
import { computed, ref, shallowRef, watch } from 'vue';
import { type AuditPage, type Person, type Role, ROLES } from '@hand-ladle/core';
import { labels } from '../api/labels';
import { useSession } from '../state/session';

const session = useSession();
const people = shallowRef<Person[]>([]);
const audit = shallowRef<AuditPage | null>(null);
const problem = ref('');
const made = ref({ login: '', name: '', role: 'cook' as Role, password: '' });

const ROLE_WORDS: Readonly<Record<Role, string>> = {
  cook: 'prints released labels',
  editor: 'hands labels in',
  checker: 'checks and withdraws labels',
  manager: 'releases labels, keeps the accounts',
};
const ACT_WORDS: Readonly<Record<string, string>> = {
  drafted: 'handed in',
  checked: 'checked',
  released: 'released',
  withdrawn: 'withdrew',
  printed: 'printed',
  downloaded: 'downloaded',
  'print-cancelled': 'ended a print of',
  'signed-in': 'signed in',
  'account-made': 'made the account',
  'account-changed': 'changed the account',
};

async function load(): Promise<void> {
  people.value = session.may('manager') ? await labels.people() : [];
  audit.value = session.may('checker') ? await labels.audit(null) : null;
}
async function doing(act: () => Promise<unknown>): Promise<void> {
  problem.value = '';
  try {
    await act();
    await load();
  } catch (error) {
    problem.value = (error as Error).message;
  }
}
void session.ready();
watch(
  () => session.person,
  () => void doing(async () => undefined),
  { immediate: true },
);

const make = (): Promise<void> =>
  doing(async () => {
    await labels.createPerson(made.value);
    made.value = { login: '', name: '', role: 'cook', password: '' };
  });
const setRole = (person: Person, role: string): Promise<void> =>
  doing(() => labels.changePerson(person.id, { role: role as Role }));
const setActive = (person: Person): Promise<void> =>
  doing(() => labels.changePerson(person.id, { isActive: !person.isActive }));

/** What is typed for each person, by id. */
const newPasswords = ref<Record<string, string>>({});
const setOwnPassword = (person: Person): Promise<void> =>
  doing(async () => {
    await labels.changePerson(person.id, { password: newPasswords.value[person.id] ?? '' });
    newPasswords.value[person.id] = '';
    if (person.id === session.person?.id) await session.signOut();
  });
/** A PIN signs entries at a shared tablet, and opens nothing. */
const ownPin = ref('');
const pinSaid = ref('');
const PIN = /^\d{4,8}$/;
const setOwnPin = (): Promise<void> =>
  doing(async () => {
    await labels.setPin(ownPin.value);
    ownPin.value = '';
    pinSaid.value = 'Set. It signs what you write at any tablet of this kitchen.';
  });
const newPins = ref<Record<string, string>>({});
const setPin = (person: Person): Promise<void> =>
  doing(async () => {
    await labels.changePerson(person.id, { pin: newPins.value[person.id] ?? '' });
    newPins.value[person.id] = '';
  });
const older = (): Promise<void> =>
  doing(async () => undefined).then(async () => {
    const last = audit.value?.entries.at(-1);
    if (!last || !audit.value) return;
    const next = await labels.audit(last.id);
    audit.value = { ...next, entries: [...audit.value.entries, ...next.entries] };
  });
const rows = computed(() =>
  (audit.value?.entries ?? []).map((entry) => {
    const { dish, title, batch, quantity, format } = entry.details as Record<
      string,
      string | number | undefined
    >;
    const parts = [
      dish ?? title,
      batch ? `batch ${batch}` : '',
      quantity ? `${quantity} labels` : '',
      format,
    ];
    return {
      ...entry,
      when: new Date(entry.at).toLocaleString('en-GB', { dateStyle: 'medium', timeStyle: 'short' }),
      words: ACT_WORDS[entry.act] ?? entry.act,
      about: parts.filter(Boolean).join(', ') || entry.subject,
    };
  }),
);
const valueOf = (event: Event): string => (event.target as HTMLSelectElement).value;
</script>

<template>
  <div class="stack">
    <header>
      <h1>People and audit trail</h1>
      <RouterLink class="choice" to="/labels">Labels</RouterLink>
    </header>
    <p v-if="!session.person" class="plate">
      <button class="choice main" type="button" @click="session.isAsked = true">Sign in</button> as a manager
      for the accounts, as a checker for the trail.
    </p>
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
    <form v-if="session.person" class="plate pin" aria-label="Your PIN" @submit.prevent="setOwnPin">
      <label
        >Your PIN at the stove, 4 to 8 figures
        <input
          v-model="ownPin"
          class="field"
          type="password"
          inputmode="numeric"
          autocomplete="off"
          maxlength="8"
      /></label>
      <button class="choice" type="submit" :disabled="!PIN.test(ownPin)">Set it</button>
      <span v-if="pinSaid" role="status">{{ pinSaid }}</span>
    </form>
    <section v-if="session.may('manager')" class="plate rimmed" aria-label="Accounts">
      <h2>Accounts</h2>
      <div class="wide">
        <table class="sheet-table">
          <thead>
            <tr>
              <th scope="col">Name</th>
              <th scope="col">Signs in as</th>
              <th scope="col">Role</th>
              <th scope="col">New password</th>
              <th scope="col">New PIN</th>
              <th scope="col"><span class="unseen">Close or open</span></th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="person in people" :key="person.id" :class="{ closed: !person.isActive }">
              <th scope="row">{{ person.name }}{{ person.isActive ? '' : ', closed' }}</th>
              <td>{{ person.login }}</td>
              <td>
                <select
                  class="field"
                  :aria-label="`Role of ${person.name}`"
                  :value="person.role"
                  @change="setRole(person, valueOf($event))"
                >
                  <option v-for="role in ROLES" :key="role" :value="role">
                    {{ role }}: {{ ROLE_WORDS[role] }}
                  </option>
                </select>
              </td>
              <td>
                <form class="password" @submit.prevent="setOwnPassword(person)">
                  <input
                    v-model="newPasswords[person.id]"
                    class="field"
                    type="password"
                    autocomplete="new-password"
                    minlength="10"
                    maxlength="200"
                    :aria-label="`New password of ${person.name}`"
                  />
                  <button
                    class="choice"
                    type="submit"
                    :disabled="(newPasswords[person.id] ?? '').length < 10"
                  >
                    Set
                  </button>
                </form>
              </td>
              <td>
                <form class="password" @submit.prevent="setPin(person)">
                  <input
                    v-model="newPins[person.id]"
                    class="field"
                    type="password"
                    inputmode="numeric"
                    autocomplete="off"
                    maxlength="8"
                    :aria-label="`New PIN of ${person.name}`"
                  />
                  <button class="choice" type="submit" :disabled="!PIN.test(newPins[person.id] ?? '')">
                    Set
                  </button>
                </form>
              </td>
              <td>
                <button class="choice plain" type="button" @click="setActive(person)">
                  {{ person.isActive ? 'Close it' : 'Open it again' }}
                </button>
              </td>
            </tr>
          </tbody>
        </table>
      </div>
      <form class="new" @submit.prevent="make">
        <label>Name <input v-model="made.name" class="field" maxlength="120" required /></label>
        <label>Signs in as <input v-model="made.login" class="field" maxlength="80" required /></label>
        <label
          >Role
          <select v-model="made.role" class="field">
            <option v-for="role in ROLES" :key="role" :value="role">{{ role }}</option>
          </select>
        </label>
        <label
          >Password, 10 letters or more
          <input
            v-model="made.password"
            class="field"
            type="password"
            autocomplete="new-password"
            minlength="10"
            maxlength="200"
            required
        /></label>
        <button class="choice" type="submit">Make the account</button>
      </form>
    </section>
    <section v-if="audit" class="plate rimmed" aria-label="Audit trail">
      <h2>Audit trail</h2>
      <p :class="{ problem: !audit.trail.isWhole }">
        {{
          audit.trail.isWhole
            ? `${audit.trail.rows} rows, each standing on the one before: the trail is whole.`
            : `Row ${audit.trail.brokenAt} does not stand on the one before: somebody changed the trail.`
        }}
      </p>
      <div class="wide">
        <table class="sheet-table">
          <thead>
            <tr>
              <th scope="col">When</th>
              <th scope="col">Who</th>
              <th scope="col">Did</th>
              <th scope="col">What</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="row in rows" :key="row.id">
              <td>{{ row.when }}</td>
              <th scope="row">
                {{ row.personName }} <span class="soft">{{ row.role }}</span>
              </th>
              <td>{{ row.words }}</td>
              <td>{{ row.about }}</td>
            </tr>
          </tbody>
        </table>
      </div>
      <button v-if="(audit.entries.at(-1)?.id ?? 1) > 1" class="choice" type="button" @click="older">
        Older
      </button>
    </section>
  </div>
</template>

<style scoped>
.pin {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-3);
  align-items: end;
}

.pin label {
  display: grid;
}

header {
  display: flex;
  gap: var(--space-4);
  align-items: center;
}

header h1 {
  font-size: var(--text-xxl);
}

.new,
.password {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2) var(--space-3);
  align-items: end;
}

.new {
  margin-top: var(--space-4);
}

.new label {
  display: grid;
  gap: 2px;
  font-size: var(--text-s);
  color: var(--ink-soft);
}

.password .field {
  width: 150px;
}

.closed th,
.closed td {
  color: var(--ink-soft);
}

.problem {
  color: var(--brick);
  font-weight: 600;
}
</style>
