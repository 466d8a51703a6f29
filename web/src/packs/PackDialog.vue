<script setup lang="ts">
/**
 * Records what a pack says. The pasted statement is read and shown back; a person goes through it and says yes.
 * A statement that changed waits for a second yes.
 */
import 'element-plus/es/components/dialog/style/css';
import { ElDialog } from 'element-plus/es/components/dialog/index.mjs';
import { computed, ref, watch } from 'vue';
import {
  answersAfter,
  askedOfPack,
  heldByWords,
  isLeftOpen,
  type Pack,
  type PackAnswer,
  packOf,
  readStatement,
  type Substance,
  SUBSTANCE_NAMES,
  typedFigure,
} from '@hand-ladle/core';
import { server, type ServerError } from '../api/client';
import { useBook } from '../state/book';
import { usePrompts } from '../state/prompts';
import { useReader } from '../state/reader';
import { useSession } from '../state/session';
import { todayIn } from '../state/today';
import PackChange from './PackChange.vue';
import PackPanel from './PackPanel.vue';
import StatementRead from './StatementRead.vue';

const book = useBook();
const prompts = usePrompts();
const food = computed(() => (prompts.packFoodId ? (book.foodsById.get(prompts.packFoodId) ?? null) : null));
const known = computed(() => (food.value && book.kitchen ? packOf(book.kitchen, food.value.id) : null));

const productName = ref('');
const supplier = ref('');
const netGrams = ref('');
const drainedGrams = ref('');
const price = ref('');
const statement = ref('');
const panel = ref<Pack['panel']>({});
const says = ref<Partial<Record<Substance, PackAnswer>>>({});
/** What the person set by hand: a new reading of the statement leaves it alone. */
const byHand = ref(new Set<Substance>());
/** What the pack says of the kitchen's own list. */
const own = ref<Record<string, 'contains' | 'may-contain' | 'none'>>({});
const isCertified = ref(false);
/** Asked only where the food may be of animal origin. */
const animal = ref<'' | 'plant' | 'animal'>('');
/** Nothing counts as clear until a person says that the whole pack was read. */
const isReadWhole = ref(false);
const session = useSession();
const checkedBy = useReader();
const problem = ref('');
const isSaving = ref(false);
/** The changed statement is being confirmed instead of written. */
const isConfirming = ref(false);

const reading = computed(() => readStatement(statement.value));
const asking = computed(() =>
  askedOfPack(reading.value, food.value ?? { allergens: {} }, known.value?.allergens ?? {}),
);
/** What the words nobody knew hold, by what was said here; the pack keeps the words, so an answer that is taken back goes from it. */
const byWords = computed(() => heldByWords(reading.value, book.kitchen?.words ?? []));
const others = computed(() => asking.value.others.filter((each) => !byWords.value.held.has(each)));
const wordsFor = (each: Substance): string =>
  reading.value.mentions.find(({ substance }) => substance === each)?.words ?? '';
const isAsked = (each: Substance): boolean => isLeftOpen(reading.value, each);
const isLikely = (each: Substance): boolean => food.value?.allergens[each] !== undefined;
const isOpenAnswer = (each: Substance): boolean => isAsked(each) || says.value[each] === 'check';

const cell = (value: number | null | undefined): string => (value == null ? '' : String(value));

watch(
  // Another food, not another edition of it: what is being typed of a pack stays.
  () => food.value?.id,
  (now) => {
    if (now === undefined) return;
    const pack = known.value;
    productName.value = pack?.productName ?? '';
    supplier.value = pack?.supplier ?? '';
    netGrams.value = cell(pack?.netGrams);
    drainedGrams.value = cell(pack?.drainedGrams);
    price.value = cell(pack?.price);
    statement.value = pack?.statement ?? '';
    panel.value = { ...pack?.panel };
    says.value = { ...pack?.allergens };
    byHand.value = new Set();
    // Nothing stands at “not named” until the reader says that the whole pack was read.
    own.value = Object.fromEntries(
      (book.kitchen?.ownAllergens ?? []).map(({ id }) => [id, pack?.own[id] ?? 'none']),
    );
    isCertified.value = pack?.certifiedGlutenFree ?? false;
    isReadWhole.value = false;
    animal.value = pack?.animal ?? '';
    checkedBy.value = session.person?.name ?? '';
    problem.value = '';
    isConfirming.value = pack?.isConfirmed === false;
  },
  { immediate: true },
);

const isShown = computed({
  get: () => food.value !== null,
  set: (shown) => {
    if (!shown) prompts.packFoodId = null;
  },
});

function say(substance: Substance, what: string): void {
  const next = { ...says.value };
  if (what === 'contains' || what === 'may-contain' || what === 'none' || what === 'check')
    next[substance] = what;
  else delete next[substance];
  says.value = next;
  byHand.value = new Set([...byHand.value, substance]);
}

/** What the statement names is filled in; what the person set stays. */
function takeReading(): void {
  says.value = answersAfter(reading.value, says.value, byHand.value);
  if (reading.value.animal?.state === 'animal') animal.value = 'animal';
}

const figure = (text: string): number | null => {
  const value = typedFigure(text);
  return value !== null && value > 0 ? value : null;
};

async function record(): Promise<void> {
  if (!food.value || !book.kitchen) return;
  if (productName.value.trim() === '' || checkedBy.value.trim() === '') {
    problem.value = 'The name on the pack and who read it are both needed.';
    return;
  }
  if (!isReadWhole.value) {
    problem.value = 'Say that you read the whole pack: only then does what it does not name count as clear.';
    return;
  }
  isSaving.value = true;
  problem.value = '';
  try {
    const changed = await server.recordPack(book.kitchen.id, {
      foodId: food.value.id,
      productName: productName.value,
      supplier: supplier.value,
      netGrams: figure(netGrams.value),
      drainedGrams: figure(drainedGrams.value),
      price: figure(price.value),
      panel: panel.value,
      sheet: known.value?.sheet ?? null,
      statement: statement.value,
      allergens: says.value,
      certifiedGlutenFree: isCertified.value,
      animal: animal.value || null,
      own: own.value,
      checkedBy: checkedBy.value,
      checkedOn: todayIn(book.kitchen),
    });
    book.replaceKitchen(changed);
    if (packOf(changed, food.value.id)?.isConfirmed) prompts.packFoodId = null;
    else isConfirming.value = true;
  } catch (error) {
    problem.value = [(error as Error).message, ...saidOtherwise(error)].join(' ');
  } finally {
    isSaving.value = false;
  }
}
/** What the server found the statement to say against the answers, in its words. */
function saidOtherwise(error: unknown): string[] {
  const { code, details } = error as ServerError;
  return code === 'pack-contradicts' ? (details as { message: string }[]).map(({ message }) => message) : [];
}

/** The pack stands as it stood, unconfirmed: nothing becomes clear because it is gone. */
async function withdraw(): Promise<void> {
  if (!food.value || !book.kitchen) return;
  try {
    book.replaceKitchen(await server.withdrawPack(book.kitchen.id, food.value.id));
    prompts.packFoodId = null;
  } catch (error) {
    problem.value = (error as Error).message;
  }
}
</script>

<template>
  <ElDialog
    v-model="isShown"
    :title="food ? `The pack of ${food.name.toLowerCase()}` : ''"
    width="min(820px, 94vw)"
    top="4vh"
    :close-on-click-modal="false"
  >
    <PackChange
      v-if="isConfirming && food && known"
      :pack="known"
      @done="prompts.packFoodId = null"
      @edit="isConfirming = false"
    />
    <form v-else class="pack" @submit.prevent="record">
      <label>
        Ingredients, as printed
        <textarea
          v-model="statement"
          class="field"
          rows="3"
          maxlength="4000"
          placeholder="Paste or type all of it, with “may contain”"
          @input="takeReading"
        />
      </label>
      <StatementRead v-if="statement.trim() !== ''" :reading="reading" />
      <fieldset>
        <legend>What the pack says of each: correct what was read</legend>
        <p v-if="asking.inherent.length > 0">
          Made of it, whatever the brand:
          <span v-for="each in asking.inherent" :key="each" class="hazard contains">{{
            SUBSTANCE_NAMES[each]
          }}</span>
        </p>
        <p v-if="byWords.held.size > 0">
          By what was said here of its words:
          <span v-for="[each, word] in byWords.held" :key="each" class="hazard contains"
            >{{ each === 'animal' ? 'of an animal' : SUBSTANCE_NAMES[each] }} <em>{{ word }}</em></span
          >
        </p>
        <div v-if="asking.asked.length > 0" class="asked">
          <label v-for="each in asking.asked" :key="each" class="likely">
            <span
              >{{ SUBSTANCE_NAMES[each] }}<em v-if="wordsFor(each)"> {{ wordsFor(each) }}</em
              ><em v-else-if="isLikely(each)"> likely</em></span
            >
            <select :value="says[each] ?? ''" @change="say(each, ($event.target as HTMLSelectElement).value)">
              <option v-if="says[each] !== 'check'" value="">
                {{ isAsked(each) ? 'not asked yet' : 'not named' }}
              </option>
              <option v-if="says[each] === 'check'" value="check">left open: ask the supplier</option>
              <option v-if="isOpenAnswer(each) || says[each] === 'none'" value="none">
                asked: not in it
              </option>
              <option value="may-contain">may contain</option>
              <option value="contains">contains</option>
            </select>
          </label>
        </div>
        <p v-else class="soft">
          Nothing yet: paste the ingredients above, and what they name is asked for here.
        </p>
        <details class="others">
          <summary v-if="byWords.open.length > 0">
            Everything else is unchecked till those words are answered ({{ others.length }})
          </summary>
          <summary v-else>Everything else stands at “not named” ({{ others.length }})</summary>
          <div class="asked">
            <label v-for="each in others" :key="each">
              <span>{{ SUBSTANCE_NAMES[each] }}</span>
              <select
                :value="says[each] ?? ''"
                @change="say(each, ($event.target as HTMLSelectElement).value)"
              >
                <option value="">not named</option>
                <option value="may-contain">may contain</option>
                <option value="contains">contains</option>
              </select>
            </label>
          </div>
        </details>
        <div v-if="(book.kitchen?.ownAllergens.length ?? 0) > 0" class="asked own">
          <label v-for="each in book.kitchen!.ownAllergens" :key="each.id">
            <span>{{ each.name }}<em> asked here</em></span>
            <select v-model="own[each.id]">
              <option value="none">not named</option>
              <option value="may-contain">may contain</option>
              <option value="contains">contains</option>
            </select>
          </label>
        </div>
      </fieldset>
      <div class="about">
        <label class="wide"
          >Name on the pack <input v-model="productName" class="field" maxlength="200"
        /></label>
        <label>Supplier <input v-model="supplier" class="field" maxlength="120" /></label>
        <label>Net, g <input v-model="netGrams" class="field" inputmode="decimal" size="6" /></label>
        <label>Drained, g <input v-model="drainedGrams" class="field" inputmode="decimal" size="6" /></label>
        <label>Price <input v-model="price" class="field" inputmode="decimal" size="6" /></label>
      </div>
      <PackPanel v-model="panel" />
      <label v-if="food?.animal === 'check' || reading.animal">
        Anything of animal origin in it
        <select v-model="animal" class="field">
          <option value="">not read for it yet</option>
          <option value="plant">nothing named</option>
          <option value="animal">yes</option>
        </select>
      </label>
      <label class="tick"
        ><input v-model="isCertified" type="checkbox" /> The pack is certified gluten-free</label
      >
      <label
        >Read by <input v-model="checkedBy" class="field" maxlength="120" placeholder="Your name"
      /></label>
      <label class="tick">
        <input v-model="isReadWhole" type="checkbox" /> I read the whole pack: what stands at “not named” is
        not on it
      </label>
      <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
      <div class="ends">
        <button class="choice main" type="submit" :disabled="isSaving">Record the pack</button>
        <button class="choice" type="button" @click="prompts.packFoodId = null">Leave it unchecked</button>
        <button v-if="known?.isConfirmed" class="choice plain" type="button" @click="withdraw">
          No longer bought
        </button>
      </div>
    </form>
  </ElDialog>
</template>

<style scoped>
.pack {
  display: grid;
  gap: var(--space-3);
}

.about {
  display: grid;
  grid-template-columns: 2fr 1.2fr repeat(3, 0.6fr);
  gap: var(--space-2);
}

label {
  display: grid;
  gap: 3px;
  font-weight: 560;
  font-size: var(--text-m);
}

.about .field {
  min-width: 0;
}

fieldset {
  border: 1px solid var(--hairline);
  border-radius: var(--radius-s);
  padding: var(--space-2) var(--space-3) var(--space-3);
  margin: 0;
}

legend {
  font-size: var(--text-s);
  font-weight: 560;
  color: var(--ink-soft);
  padding: 0 4px;
}

.asked {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(220px, 1fr));
  gap: 4px 16px;
  max-height: 190px;
  overflow: auto;
}

.asked label {
  display: flex;
  justify-content: space-between;
  align-items: center;
  min-height: 34px;
  font-weight: 450;
}

.asked select {
  min-height: 34px;
  border: 1.5px solid var(--hairline);
  border-radius: var(--radius-s);
  background: #ffffff;
  font-size: var(--text-s);
}

.asked .likely {
  font-weight: 680;
}

.others {
  margin-top: var(--space-2);
}

.others summary {
  min-height: 34px;
  cursor: pointer;
  color: var(--ink-soft);
}

em {
  margin-left: 6px;
  font-style: normal;
  font-size: var(--text-s);
  color: var(--amber);
}

.tick {
  display: flex;
  align-items: center;
  gap: var(--space-2);
  min-height: 32px;
}

.problem {
  color: var(--brick);
  font-weight: 600;
}

.ends {
  display: flex;
  gap: var(--space-2);
}

@media (max-width: 760px) {
  .about {
    grid-template-columns: 1fr 1fr;
  }

  .wide {
    grid-column: 1 / -1;
  }
}
</style>
