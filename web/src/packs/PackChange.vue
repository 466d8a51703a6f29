<script setup lang="ts">
/** A statement that changed: what it said, what it says, and the yes that lets the dishes go on. */
import { computed, ref } from 'vue';
import { disagreementsOf, type Pack } from '@hand-ladle/core';
import { server, type ServerError } from '../api/client';
import { useBook } from '../state/book';
import { useReader } from '../state/reader';
import { todayIn } from '../state/today';
import SheetDisagreements from '../ui/SheetDisagreements.vue';
import { saidBy } from './pack-answers';

const props = defineProps<{ pack: Pack }>();
const emit = defineEmits<{ done: []; edit: [] }>();
const book = useBook();
const checkedBy = useReader();
const problem = ref('');

const disagreements = computed(() => disagreementsOf(props.pack));
const now = computed(() => saidBy(props.pack.allergens));
const before = computed(() => saidBy(props.pack.before?.allergens ?? {}));

async function confirm(): Promise<void> {
  if (checkedBy.value.trim() === '') {
    problem.value = 'Say who read it.';
    return;
  }
  try {
    const by = { checkedBy: checkedBy.value, checkedOn: todayIn(book.kitchen) };
    book.replaceKitchen(await server.confirmPack(book.kitchen!.id, props.pack.foodId, by));
    emit('done');
  } catch (error) {
    const { message, code, details } = error as ServerError;
    const said =
      code === 'pack-contradicts' ? (details as { message: string }[]).map((each) => each.message) : [];
    problem.value = [message, ...said].join(' ');
  }
}
</script>

<template>
  <form class="change" @submit.prevent="confirm">
    <p>
      What {{ pack.productName }} says is new or changed. Every dish that uses it stands at “check the pack”
      until somebody who has the pack in hand says yes.
    </p>
    <dl>
      <template v-if="pack.before">
        <dt>It said, {{ pack.before.checkedOn }}</dt>
        <dd>
          {{ pack.before.statement || 'no statement' }}
          <p class="soft">{{ before.map(({ name }) => name).join(', ') || 'no allergen named' }}</p>
        </dd>
      </template>
      <dt>It says now</dt>
      <dd>
        {{ pack.statement || 'no statement' }}
        <p>
          <span v-for="each in now" :key="each.name" class="hazard" :class="each.status">{{
            each.name
          }}</span>
          <span v-if="now.length === 0" class="soft">no allergen named</span>
          <span v-if="pack.certifiedGlutenFree" class="soft">certified gluten-free, it says</span>
        </p>
        <SheetDisagreements :disagreements="disagreements" />
      </dd>
    </dl>
    <label>Read by <input v-model="checkedBy" class="field" maxlength="120" placeholder="Your name" /></label>
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
    <div class="ends">
      <button class="choice main" type="submit">Yes, the pack says this</button>
      <button class="choice" type="button" @click="emit('edit')">Correct it</button>
      <button class="choice plain" type="button" @click="emit('done')">Leave it at check</button>
    </div>
  </form>
</template>

<style scoped>
.change {
  display: grid;
  gap: var(--space-3);
}

dl {
  display: grid;
  grid-template-columns: 150px 1fr;
  gap: var(--space-2) var(--space-4);
}

dt {
  color: var(--ink-soft);
  font-weight: 560;
}

dd p {
  margin-top: 3px;
}

.hazard {
  margin-right: 4px;
}

label {
  display: grid;
  gap: 3px;
  font-weight: 560;
}

.problem {
  color: var(--brick);
  font-weight: 600;
}

.ends {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2);
}
</style>
