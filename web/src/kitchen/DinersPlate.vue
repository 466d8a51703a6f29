<script setup lang="ts">
/** Who is cooked for: groups of guests, what each must not have, and how many portions they usually take. */
import { computed, ref } from 'vue';
import { type DinerGroup, idFromName } from '@hand-ladle/core';
import { useExclusions } from '../state/exclusions';
import ChipRow from '../ui/ChipRow.vue';
import SettingFigure from '../ui/SettingFigure.vue';
import { vTyped } from '../ui/typed';

const props = defineProps<{ diners: readonly DinerGroup[] }>();
const emit = defineEmits<{ change: [diners: DinerGroup[]] }>();
const { choices } = useExclusions();
const newName = ref('');

const replace = (id: string, fields: Partial<DinerGroup>): void =>
  emit(
    'change',
    props.diners.map((each) => (each.id === id ? { ...each, ...fields } : each)),
  );
const toggle = ({ id, exclude }: DinerGroup, what: string): void =>
  replace(id, {
    exclude: exclude.includes(what) ? exclude.filter((each) => each !== what) : [...exclude, what],
  });
const isNameFree = computed(() => newName.value.trim() !== '');

function add(): void {
  const name = newName.value.trim().slice(0, 80);
  const id = `${idFromName(name).slice(0, 40) || 'group'}-${crypto.randomUUID().slice(0, 6)}`;
  emit('change', [...props.diners, { id, name, exclude: [], portions: null, policy: null }]);
  newName.value = '';
}
const valueOf = (event: Event): string => (event.target as HTMLInputElement).value;
</script>

<template>
  <section class="plate rimmed" aria-label="Who is cooked for">
    <h2>Who is cooked for</h2>
    <ul>
      <li v-for="group in diners" :key="group.id">
        <input
          v-typed="group.name"
          class="field name"
          maxlength="80"
          :aria-label="`Name of ${group.name}`"
          @change="replace(group.id, { name: valueOf($event).trim() || group.name })"
        />
        <SettingFigure
          :label="`Usual portions for ${group.name}`"
          :value="group.portions"
          :most="1000000"
          @set="replace(group.id, { portions: $event && $event > 0 ? $event : null })"
        />
        <span class="soft">portions, must not have</span>
        <ChipRow
          class="chips"
          size="small"
          :label="`What ${group.name} must not have`"
          :choices="choices"
          :chosen="group.exclude"
          @toggle="toggle(group, $event)"
        />
        <button
          class="choice plain"
          type="button"
          @click="
            emit(
              'change',
              diners.filter(({ id }) => id !== group.id),
            )
          "
        >
          Take out
        </button>
      </li>
    </ul>
    <form @submit.prevent="add">
      <label>
        <span class="unseen">Name of a new group</span>
        <input v-model="newName" class="field" maxlength="80" placeholder="Ward 3, coeliac" />
      </label>
      <button class="choice" type="submit" :disabled="!isNameFree">Add a group</button>
    </form>
  </section>
</template>

<style scoped>
li {
  display: grid;
  grid-template-columns: 200px 84px auto minmax(0, 1fr) auto;
  align-items: center;
  gap: 6px var(--space-2);
  padding: var(--space-2) 0;
  border-top: 1px solid var(--hairline);
  font-size: var(--text-s);
}

form {
  display: flex;
  gap: var(--space-2);
  margin-top: var(--space-2);
}

@media (max-width: 900px) {
  li {
    grid-template-columns: 1fr auto;
  }

  .chips {
    grid-column: 1 / -1;
  }
}
</style>
