<script setup lang="ts">
/** Records what a pack says, in the words of whoever read it. Nothing is ticked beforehand. */
import { computed, ref, watch } from 'vue';
import { ElDialog } from 'element-plus/es/components/dialog/index.mjs';
import 'element-plus/es/components/dialog/style/css';
import { packOf, SUBSTANCE_NAMES, SUBSTANCES, type Substance } from '@hand-ladle/core';
import { server } from '../api/client';
import { useBook } from '../stores/book';
import { usePrompts } from '../stores/prompts';

const READER_KEY = 'hand-ladle.reader';
const book = useBook();
const prompts = usePrompts();
const food = computed(() => (prompts.packFoodId ? (book.foodsById.get(prompts.packFoodId) ?? null) : null));

const productName = ref('');
const statement = ref('');
const says = ref<Partial<Record<Substance, 'contains' | 'may-contain'>>>({});
const isCertified = ref(false);
/** Asked only where the food may be of animal origin. */
const animal = ref<'' | 'plant' | 'animal'>('');
/** Nothing counts as clear until a person says that the whole pack was read. */
const isReadWhole = ref(false);
const checkedBy = ref('');
const problem = ref('');
const isSaving = ref(false);

/** What the food is made of whatever the brand: it stays, so it is shown and not asked. */
const inherent = computed(() => SUBSTANCES.filter((each) => food.value?.allergens[each] === 'contains'));
/** What the larder names for this food first, then the rest. */
const askedFor = computed(() => {
  const rest = SUBSTANCES.filter((each) => !inherent.value.includes(each));
  const likely = rest.filter((each) => food.value?.allergens[each] !== undefined);
  return [...likely, ...rest.filter((each) => !likely.includes(each))];
});
const isLikely = (each: Substance): boolean => food.value?.allergens[each] !== undefined;

watch(food, (now) => {
  if (!now) return;
  const known = book.kitchen ? packOf(book.kitchen, now.id) : null;
  productName.value = known?.productName ?? '';
  statement.value = known?.statement ?? '';
  says.value = { ...known?.allergens };
  isCertified.value = known?.certifiedGlutenFree ?? false;
  isReadWhole.value = false;
  animal.value = known?.animal ?? '';
  checkedBy.value = known?.checkedBy ?? localStorage.getItem(READER_KEY) ?? '';
  problem.value = '';
});

const isShown = computed({
  get: () => food.value !== null,
  set: (shown) => {
    if (!shown) prompts.packFoodId = null;
  },
});

function say(substance: Substance, what: string): void {
  const next = { ...says.value };
  if (what === 'contains' || what === 'may-contain') next[substance] = what;
  else delete next[substance];
  says.value = next;
}

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
  try {
    const changed = await server.recordPack(book.kitchen.id, {
      foodId: food.value.id,
      productName: productName.value,
      statement: statement.value,
      allergens: says.value,
      certifiedGlutenFree: isCertified.value,
      animal: animal.value || null,
      checkedBy: checkedBy.value,
      checkedOn: new Date().toISOString().slice(0, 10),
    });
    localStorage.setItem(READER_KEY, checkedBy.value);
    book.replaceKitchen(changed);
    prompts.packFoodId = null;
  } catch (error) {
    problem.value = (error as Error).message;
  } finally {
    isSaving.value = false;
  }
}
</script>

<template>
  <ElDialog
    v-model="isShown"
    :title="`The pack of ${food?.name.toLowerCase()}`"
    width="min(720px, 94vw)"
    top="5vh"
    :close-on-click-modal="false"
  >
    <form class="pack" @submit.prevent="record">
      <label>Name on the pack <input v-model="productName" class="field" maxlength="200" /></label>
      <label>
        Ingredients, as printed
        <textarea v-model="statement" class="field" rows="2" maxlength="4000" />
      </label>
      <fieldset>
        <legend>What the pack says of each</legend>
        <p v-if="inherent.length > 0">
          Made of it, whatever the brand:
          <span v-for="each in inherent" :key="each" class="hazard contains">{{
            SUBSTANCE_NAMES[each]
          }}</span>
        </p>
        <div class="asked">
          <label v-for="each in askedFor" :key="each" :class="{ likely: isLikely(each) }">
            <span>{{ SUBSTANCE_NAMES[each] }}<em v-if="isLikely(each)"> likely</em></span>
            <select :value="says[each] ?? ''" @change="say(each, ($event.target as HTMLSelectElement).value)">
              <option value="">not named</option>
              <option value="may-contain">may contain</option>
              <option value="contains">contains</option>
            </select>
          </label>
        </div>
      </fieldset>
      <label v-if="food?.animal === 'check'">
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
      </div>
    </form>
  </ElDialog>
</template>

<style scoped>
.pack {
  display: grid;
  gap: var(--space-3);
}

label {
  display: grid;
  gap: 3px;
  font-weight: 560;
  font-size: var(--text-m);
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
  grid-template-columns: repeat(auto-fill, minmax(200px, 1fr));
  gap: 4px 16px;
  max-height: 232px;
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

em {
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
</style>
