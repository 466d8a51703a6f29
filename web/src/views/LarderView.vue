<script setup lang="ts">
import { computed, onMounted, ref } from 'vue';
import {
  foodTraces,
  packOf,
  plainText,
  SUBSTANCE_NAMES,
  substancesIn,
  type AllergenStatus,
  type Food,
} from '@hand-ladle/core';
import PackDialog from '../components/PackDialog.vue';
import { useBook } from '../stores/book';
import { usePrompts } from '../stores/prompts';

const book = useBook();
const prompts = usePrompts();
const search = ref('');
onMounted(() => book.ready().catch(() => undefined));

const index = computed(() =>
  book.foods.map((food) => ({
    food,
    text: plainText([food.name, ...food.synonyms, food.category].join(' ')),
  })),
);
const found = computed(() => {
  const words = plainText(search.value).split(' ').filter(Boolean);
  return index.value.filter(({ text }) => words.every((word) => text.includes(word))).map(({ food }) => food);
});
/** What a food brings in this kitchen, by the pack on record where there is one. */
const named = (food: Food, status: AllergenStatus) =>
  foodTraces(food, book.kitchen!)
    .filter((trace) => trace.status === status && trace.isNamed)
    .flatMap((trace) => substancesIn(trace.bits).map((each) => SUBSTANCE_NAMES[each]));
const per100 = (value: number | null): string => (value === null ? 'unknown' : String(value));
const pack = (food: Food) => (book.kitchen ? packOf(book.kitchen, food.id) : null);
</script>

<template>
  <div class="page">
    <header>
      <h1>Larder</h1>
      <input
        v-model="search"
        class="field"
        type="search"
        placeholder="Find a food by any of its names"
        aria-label="Find a food"
      />
    </header>
    <p v-if="!book.isReady" class="soft" role="status">{{ book.problem || 'Opening the larder …' }}</p>
    <p v-else-if="found.length === 0" class="plate">Nothing in the larder is called “{{ search }}”.</p>
    <div v-else class="scroll">
      <table>
        <thead>
          <tr>
            <th scope="col">Food</th>
            <th scope="col">Brings</th>
            <th scope="col">Pack in this kitchen</th>
            <th scope="col" class="right">Protein</th>
            <th scope="col" class="right">Fat</th>
            <th scope="col" class="right">Carbohydrate</th>
            <th scope="col" class="right">Fibre</th>
            <th scope="col" class="right">Sodium</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="food in found" :key="food.id">
            <th scope="row">
              {{ food.name }}
              <span class="soft names">{{ food.synonyms.slice(0, 3).join(', ') }}</span>
            </th>
            <td>
              <span v-for="name in named(food, 'contains')" :key="name" class="hazard contains">{{
                name
              }}</span>
              <span v-for="name in named(food, 'may-contain')" :key="name" class="hazard may-contain"
                >may: {{ name }}</span
              >
              <span v-for="name in named(food, 'check')" :key="name" class="hazard check"
                >check {{ name }}</span
              >
              <span v-if="food.animal === 'animal'" class="hazard contains">animal</span>
            </td>
            <td>
              <button
                v-if="food.kind === 'product' || named(food, 'check').length > 0 || pack(food)"
                class="choice plain"
                type="button"
                @click="prompts.packFoodId = food.id"
              >
                <template v-if="pack(food)"
                  >{{ pack(food)!.productName }}, read {{ pack(food)!.checkedOn }}</template
                >
                <template v-else>Record the pack</template>
              </button>
              <span v-else class="soft">one ingredient</span>
            </td>
            <td class="right">{{ per100(food.composition.proteinG) }}<span class="unit">&nbsp;g</span></td>
            <td class="right">{{ per100(food.composition.fatG) }}<span class="unit">&nbsp;g</span></td>
            <td class="right">
              {{ per100(food.composition.carbohydrateG) }}<span class="unit">&nbsp;g</span>
            </td>
            <td class="right">{{ per100(food.composition.fibreG) }}<span class="unit">&nbsp;g</span></td>
            <td class="right">{{ per100(food.composition.sodiumMg) }}<span class="unit">&nbsp;mg</span></td>
          </tr>
        </tbody>
      </table>
    </div>
    <p class="soft note">
      Per 100 g of edible portion, rounded reference figures. The tables are data/foods.csv, measures.csv and
      swaps.csv.
    </p>
    <PackDialog />
  </div>
</template>

<style scoped>
.page {
  max-width: 1280px;
  margin: 0 auto;
  padding: var(--space-4) 20px var(--space-6);
}

header {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  gap: var(--space-3);
  margin-bottom: var(--space-4);
}

h1 {
  font-size: var(--text-xl);
}

.field {
  flex: 1;
  max-width: 420px;
}

.scroll {
  overflow-x: auto;
  background: var(--enamel);
  border-radius: var(--radius);
  border-top: 4px solid var(--rim);
}

table {
  width: 100%;
  border-collapse: collapse;
}

th,
td {
  padding: 7px var(--space-3);
  text-align: left;
  border-bottom: 1px solid var(--hairline);
  vertical-align: middle;
}

thead th {
  font-size: var(--text-s);
  font-weight: 560;
  color: var(--ink-soft);
}

tbody th {
  font-weight: 640;
}

.names {
  display: block;
  font-size: var(--text-s);
  font-weight: 450;
}

.hazard {
  margin: 1px 4px 1px 0;
}

.right {
  text-align: right;
  white-space: nowrap;
}

.choice.plain {
  padding-inline: 0;
  text-align: left;
  white-space: normal;
  font-weight: 560;
}

.note {
  margin-top: var(--space-3);
  font-size: var(--text-s);
}
</style>
