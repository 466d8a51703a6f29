<script setup lang="ts">
/** What may be passed on here: equipment that other food goes through, and foods that no law names but this kitchen looks for. */
import { ref } from 'vue';
import {
  idFromName,
  MOST_OWN_ALLERGENS,
  type OwnAllergen,
  SHARED_KINDS,
  type SharedEquipment,
  type SharedKind,
} from '@hand-ladle/core';
import FoodListEdit from '../ui/FoodListEdit.vue';

const props = defineProps<{ shared: readonly SharedEquipment[]; own: readonly OwnAllergen[] }>();
const emit = defineEmits<{ shared: [shared: SharedEquipment[]]; own: [own: OwnAllergen[]] }>();
const newName = ref('');
const newKind = ref<SharedKind>('fryer');
const newOwn = ref('');

const idOf = (name: string): string =>
  `${idFromName(name).slice(0, 40) || 'entry'}-${crypto.randomUUID().slice(0, 6)}`;
const setShared = (id: string, fields: Partial<SharedEquipment>): void =>
  emit(
    'shared',
    props.shared.map((each) => (each.id === id ? { ...each, ...fields } : each)),
  );

function addShared(): void {
  const name = newName.value.trim().slice(0, 80);
  if (name === '') return;
  emit('shared', [...props.shared, { id: idOf(name), name, kind: newKind.value, alsoFor: [] }]);
  newName.value = '';
}

function addOwn(): void {
  const name = newOwn.value.trim().slice(0, 80);
  if (name === '') return;
  emit('own', [...props.own, { id: idOf(name), name, foodIds: [] }]);
  newOwn.value = '';
}
</script>

<template>
  <div class="pair">
    <section class="plate rimmed" aria-label="Shared equipment">
      <h2>Equipment that other food goes through</h2>
      <ul>
        <li v-for="each in shared" :key="each.id">
          <b>{{ each.name }}</b> <span class="soft">{{ each.kind }}, also for</span>
          <FoodListEdit
            :food-ids="each.alsoFor"
            :label="`Foods that go through the ${each.name}`"
            @change="setShared(each.id, { alsoFor: $event })"
          />
          <button
            class="choice plain"
            type="button"
            @click="
              emit(
                'shared',
                shared.filter(({ id }) => id !== each.id),
              )
            "
          >
            Take out
          </button>
        </li>
      </ul>
      <form @submit.prevent="addShared">
        <input
          v-model="newName"
          class="field"
          maxlength="80"
          aria-label="Name of shared equipment"
          placeholder="Counter toaster"
        />
        <select v-model="newKind" class="field" aria-label="Kind of shared equipment">
          <option v-for="kind in SHARED_KINDS" :key="kind" :value="kind">{{ kind }}</option>
        </select>
        <button class="choice" type="submit" :disabled="newName.trim() === ''">Add it</button>
      </form>
      <p class="soft">
        A dish whose steps use one of that kind may contain what these foods bring. What is cleaned and
        checked between does not belong here.
      </p>
    </section>
    <section class="plate rimmed" aria-label="The kitchen's own list">
      <h2>Also looked for here</h2>
      <ul>
        <li v-for="each in own" :key="each.id">
          <b>{{ each.name }}</b> <span class="soft">is</span>
          <FoodListEdit
            :food-ids="each.foodIds"
            :label="`Foods that are ${each.name}`"
            @change="
              emit(
                'own',
                own.map((entry) => (entry.id === each.id ? { ...entry, foodIds: $event } : entry)),
              )
            "
          />
          <button
            class="choice plain"
            type="button"
            @click="
              emit(
                'own',
                own.filter(({ id }) => id !== each.id),
              )
            "
          >
            Take out
          </button>
        </li>
      </ul>
      <form @submit.prevent="addOwn">
        <input
          v-model="newOwn"
          class="field"
          maxlength="80"
          aria-label="What else is looked for"
          placeholder="Kiwi"
        />
        <button
          class="choice"
          type="submit"
          :disabled="newOwn.trim() === '' || own.length >= MOST_OWN_ALLERGENS"
        >
          Look for it
        </button>
      </form>
      <p class="soft">
        No law names it, and somebody here must not have it. A product is unchecked for it until its pack is
        read again with this question.
      </p>
    </section>
  </div>
</template>

<style scoped>
.pair {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 420px), 1fr));
  gap: var(--space-3);
  align-items: start;
}

li {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px var(--space-2);
  padding: var(--space-2) 0;
  border-top: 1px solid var(--hairline);
}

form {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2);
  margin: var(--space-2) 0;
}

p {
  font-size: var(--text-s);
}
</style>
