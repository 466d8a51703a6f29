<script setup lang="ts">
/**
 * The packs nobody has read, in the order in which reading them settles dishes. What a supplier sent is confirmed row by
 * row or as a whole, by the name of who read it; what it leaves blank stays at check.
 */
import { computed, onMounted, ref, shallowRef, watch } from 'vue';
import { RouterLink } from 'vue-router';
import { type PackToRead, SUBSTANCE_NAMES } from '@hand-ladle/core';
import { server } from '../api/client';
import { useBook } from '../state/book';
import { useFirstRead } from '../state/first-read';
import { usePrompts } from '../state/prompts';
import { useReader } from '../state/reader';
import { todayIn } from '../state/today';
import SheetDisagreements from '../ui/SheetDisagreements.vue';
import { type PackSays, saidBy } from './pack-answers';

const MOST_SHOWN = 80;
const book = useBook();
const prompts = usePrompts();
const rows = shallowRef<PackToRead[] | null>(null);
const chosen = ref(new Set<string>());
const readBy = useReader();
const hasRead = ref(false);
const problem = ref('');
const done = ref('');
const refused = shallowRef<{ foodId: string; message: string }[]>([]);
const isSaving = ref(false);

const { problem: unread, again: load } = useFirstRead(async () => {
  if (!book.kitchen) return;
  rows.value = await server.packsToRead(book.kitchen.id);
  const waiting = new Set(waitingRows.value.map(({ foodId }) => foodId));
  chosen.value = new Set([...chosen.value].filter((id) => waiting.has(id)));
});
onMounted(() => book.ready());
// A pack that was recorded or confirmed anywhere changes the order.
watch(() => book.kitchen, load, { immediate: true });

/** Rows of which a supplier said something that a person can say yes to. */
const waitingRows = computed(() => (rows.value ?? []).filter(({ pack }) => pack?.isConfirmed === false));
const shown = computed(() => (rows.value ?? []).slice(0, MOST_SHOWN));
const isAll = computed(
  () => waitingRows.value.length > 0 && waitingRows.value.every(({ foodId }) => chosen.value.has(foodId)),
);

function choose(foodId: string, isChosen: boolean): void {
  const next = new Set(chosen.value);
  if (isChosen) next.add(foodId);
  else next.delete(foodId);
  chosen.value = next;
  hasRead.value = false;
}
function chooseAll(isChosen: boolean): void {
  chosen.value = new Set(isChosen ? waitingRows.value.map(({ foodId }) => foodId) : []);
  hasRead.value = false;
}

/** Many open answers are one mark: they are told by their number. */
function marksOf({ pack }: PackToRead): PackSays[] {
  const all = saidBy(pack?.allergens ?? {});
  const open = all.filter(({ status }) => status === 'check').length;
  if (open <= 4) return all;
  return [...all.filter(({ status }) => status !== 'check'), { name: `${open} left open`, status: 'check' }];
}
/** The product with its supplier, unless its name says that already. */
function productOf({ pack }: PackToRead): string {
  if (!pack) return 'no pack on record';
  const { productName, supplier } = pack;
  return supplier === '' || productName.includes(supplier) ? productName : `${productName}, ${supplier}`;
}
const dishWords = ({ dishes, settles }: PackToRead): string => {
  if (dishes.length === 0) return 'in no dish yet';
  const stands = `in ${dishes.length} ${dishes.length === 1 ? 'dish' : 'dishes'}`;
  return settles === 0 ? stands : `${stands}, settles ${settles} by itself`;
};
const nameOf = (foodId: string): string => book.nameOf(foodId);

async function confirm(): Promise<void> {
  problem.value = '';
  done.value = '';
  refused.value = [];
  if (readBy.value.trim() === '') {
    problem.value = 'Say who read the sheets.';
    return;
  }
  if (!hasRead.value || !book.kitchen) return;
  isSaving.value = true;
  try {
    const answer = await server.confirmPacks(book.kitchen.id, {
      packs: waitingRows.value
        .filter(({ foodId }) => chosen.value.has(foodId))
        .map(({ foodId, pack }) => ({ foodId, statementVersion: pack!.statementVersion })),
      checkedBy: readBy.value.trim(),
      checkedOn: todayIn(book.kitchen),
    });
    const count = answer.confirmed.length;
    done.value = `${count} ${count === 1 ? 'pack is' : 'packs are'} confirmed, read by ${readBy.value.trim()}.`;
    refused.value = answer.refused;
    hasRead.value = false;
    book.replaceKitchen(answer.kitchen);
  } catch (error) {
    problem.value = (error as Error).message;
  } finally {
    isSaving.value = false;
  }
}
</script>

<template>
  <div class="page">
    <header>
      <h1>Packs to read</h1>
      <span class="acts">
        <RouterLink class="choice" to="/larder/import">Take in a supplier's sheet</RouterLink>
        <RouterLink class="choice" to="/larder">Back to the larder</RouterLink>
      </span>
    </header>
    <p class="soft lead">
      What stands at “check” because nobody has read its pack: first those that settle the most dishes.
    </p>
    <p v-if="rows === null" class="soft" role="status">{{ unread || 'Looking through the book …' }}</p>
    <p v-else-if="rows.length === 0" class="plate">
      Every pack that a dish of this kitchen uses has been read.
      <RouterLink to="/">To the dishes</RouterLink>
    </p>
    <template v-else>
      <form v-if="waitingRows.length > 0" class="plate confirm" @submit.prevent="confirm">
        <label class="tick">
          <input
            type="checkbox"
            :checked="isAll"
            @change="chooseAll(($event.target as HTMLInputElement).checked)"
          />
          All {{ waitingRows.length }} that a supplier sent
        </label>
        <label class="who"
          >Read by <input v-model="readBy" class="field" maxlength="120" placeholder="Your name"
        /></label>
        <label class="tick">
          <input v-model="hasRead" type="checkbox" :disabled="chosen.size === 0" /> I read
          {{ chosen.size === 1 ? 'its sheet' : 'their sheets' }}, every row that is ticked
        </label>
        <button class="choice main" type="submit" :disabled="chosen.size === 0 || !hasRead || isSaving">
          Confirm {{ chosen.size }}
        </button>
      </form>
      <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
      <p v-if="done" class="done" role="status">{{ done }}</p>
      <ul v-if="refused.length > 0" class="problem">
        <li v-for="each in refused" :key="each.foodId">
          {{ nameOf(each.foodId) }} stays open: {{ each.message }}
        </li>
      </ul>
      <ul class="rows plate">
        <li v-for="row in shown" :key="row.foodId">
          <label v-if="row.pack?.isConfirmed === false" class="pick">
            <input
              type="checkbox"
              :checked="chosen.has(row.foodId)"
              :aria-label="`Confirm ${row.name}`"
              @change="choose(row.foodId, ($event.target as HTMLInputElement).checked)"
            />
          </label>
          <span v-else class="pick" />
          <div class="what">
            <p>
              <b>{{ row.name }}</b>
              <span class="soft product">{{ productOf(row) }}</span>
            </p>
            <p v-if="row.pack" class="said">
              <span v-for="each in marksOf(row)" :key="each.name" class="hazard" :class="each.status">{{
                each.name
              }}</span>
              <span v-if="marksOf(row).length === 0" class="soft">names no allergen</span>
            </p>
            <p v-if="row.asks.length > 0" class="doubt">
              Read, and still open: ask the supplier for
              {{ row.asks.map((each) => SUBSTANCE_NAMES[each]).join(', ') }}.
            </p>
            <SheetDisagreements :disagreements="row.disagreements" />
          </div>
          <details class="dishes">
            <summary>{{ dishWords(row) }}</summary>
            <RouterLink v-for="dish in row.dishes" :key="dish.id" :to="`/dishes/${dish.id}`">{{
              dish.name
            }}</RouterLink>
          </details>
          <button class="choice" type="button" @click="prompts.packFoodId = row.foodId">Read the pack</button>
        </li>
      </ul>
      <p v-if="rows.length > MOST_SHOWN" class="soft">
        and {{ rows.length - MOST_SHOWN }} more that settle less
      </p>
    </template>
  </div>
</template>

<style scoped>
.page {
  display: grid;
  gap: var(--space-3);
  max-width: 1080px;
  margin: 0 auto;
  padding: var(--space-4) 20px var(--space-6);
}

header,
.acts,
.confirm {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: var(--space-2) var(--space-4);
}

header {
  justify-content: space-between;
}

h1 {
  font-size: var(--text-xl);
}

a.choice {
  display: inline-flex;
  align-items: center;
  text-decoration: none;
}

.confirm {
  position: sticky;
  top: 0;
  z-index: 2;
}

.tick,
.who {
  display: flex;
  align-items: center;
  gap: var(--space-2);
  min-height: var(--touch);
}

.confirm button {
  margin-left: auto;
}

.rows {
  margin: 0;
  padding-block: var(--space-1);
  list-style: none;
}

.rows > li {
  display: grid;
  grid-template-columns: 34px minmax(0, 1fr) 210px auto;
  align-items: center;
  gap: var(--space-1) var(--space-3);
  padding: var(--space-2) 0;
  border-bottom: 1px solid var(--hairline);
}

.rows > li:last-child {
  border-bottom: 0;
}

.pick {
  display: flex;
  align-items: center;
  min-height: var(--touch);
}

.product {
  margin-left: var(--space-2);
}

.said .hazard {
  margin: 1px 4px 1px 0;
}

.dishes {
  font-size: var(--text-m);
}

.dishes summary {
  min-height: 34px;
  padding-block: 6px;
  cursor: pointer;
}

.dishes a {
  display: block;
  padding-block: 3px;
}

.doubt {
  color: var(--amber);
  font-weight: 600;
  font-size: var(--text-s);
}

.problem {
  color: var(--brick);
  font-weight: 600;
}

.done {
  font-weight: 600;
}

@media (max-width: 760px) {
  .rows > li {
    grid-template-columns: 34px minmax(0, 1fr);
  }

  .rows > li > :nth-child(n + 3) {
    grid-column: 2;
  }
}
</style>
