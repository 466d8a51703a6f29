<script setup lang="ts">
import { useVirtualizer } from '@tanstack/vue-virtual';
import { computed, onBeforeUnmount, onMounted, ref, shallowRef, useTemplateRef, watch } from 'vue';
import { RouterLink, useRoute, useRouter } from 'vue-router';
import {
  type AllergenStatus,
  type Food,
  foodTraces,
  packOf,
  plainText,
  SUBSTANCE_NAMES,
  substancesIn,
} from '@hand-ladle/core';
import { useBook } from '../state/book';
import { usePrompts } from '../state/prompts';
import { ask } from '../worker/client';
import FoodCard from './FoodCard.vue';
import FoodComparison from './FoodComparison.vue';

const ROW_PX = 62;

const book = useBook();
const prompts = usePrompts();
const route = useRoute();
const router = useRouter();
const search = ref('');
const field = useTemplateRef<HTMLInputElement>('find');
const list = useTemplateRef<HTMLElement>('list');
/** Foods with near names, where nothing is called what was typed. */
const near = shallowRef<Food[]>([]);
onMounted(() => {
  void book.ready().catch(() => undefined);
  window.addEventListener('keydown', onKey);
});
onBeforeUnmount(() => window.removeEventListener('keydown', onKey));

const index = computed(() =>
  book.foods.map((food) => ({
    food,
    text: ` ${plainText([food.name, ...food.synonyms, food.category].join(' '))}`,
  })),
);
const found = computed<Food[]>(() => {
  const words = plainText(search.value).split(' ').filter(Boolean);
  if (words.length === 0) return book.foods;
  const hits = index.value.filter(({ text }) => words.every((word) => text.includes(word)));
  // Names that begin with what was typed come first.
  const starts = ({ food }: (typeof hits)[number]): number =>
    plainText(food.name).startsWith(words[0]!) ? 0 : 1;
  return hits.sort((one, other) => starts(one) - starts(other)).map(({ food }) => food);
});
const shown = computed(() => (found.value.length > 0 ? found.value : near.value));

watch([search, found], async () => {
  near.value = [];
  const text = search.value.trim();
  if (found.value.length > 0 || text === '') return;
  const ids = await ask('suggest', { text });
  if (text === search.value.trim()) near.value = ids.flatMap((id) => book.foodsById.get(id) ?? []);
});

const rows = useVirtualizer(
  computed(() => ({
    count: shown.value.length,
    getScrollElement: () => list.value,
    estimateSize: () => ROW_PX,
    overscan: 8,
  })),
);

const selectedId = computed(() => (typeof route.query['food'] === 'string' ? route.query['food'] : null));
const otherId = computed(() => (typeof route.query['with'] === 'string' ? route.query['with'] : null));
const selected = computed(() => (selectedId.value ? (book.foodsById.get(selectedId.value) ?? null) : null));
const other = computed(() => (otherId.value ? (book.foodsById.get(otherId.value) ?? null) : null));
/** The next food that is tapped is put beside the one that is open. */
const isComparing = ref(false);

function open(food: Food): void {
  if (isComparing.value && selected.value && food.id !== selected.value.id) {
    isComparing.value = false;
    void router.replace({ query: { food: selected.value.id, with: food.id } });
  } else void router.replace({ query: { food: food.id } });
}
const close = (): void => void router.replace({ query: {} });

/** "/" goes to the search; arrows walk the list. */
function onKey(event: KeyboardEvent): void {
  const isTyping = (event.target as HTMLElement).matches('input, textarea, select');
  if (event.key === '/' && !isTyping) {
    event.preventDefault();
    field.value?.focus();
  }
}
function walk(step: number): void {
  const at = shown.value.findIndex(({ id }) => id === selectedId.value);
  const next = shown.value[Math.min(shown.value.length - 1, Math.max(0, at + step))];
  if (!next) return;
  open(next);
  rows.value.scrollToIndex(shown.value.indexOf(next));
}

/** What a food brings in this kitchen, by the pack on record where there is one. */
const named = (food: Food, status: AllergenStatus) =>
  foodTraces(food, book.kitchen!)
    .filter((trace) => trace.status === status && trace.isNamed)
    .flatMap((trace) => substancesIn(trace.bits).map((each) => SUBSTANCE_NAMES[each]));
const isClear = (food: Food): boolean => foodTraces(food, book.kitchen!).length === 0;
const pack = (food: Food) => (book.kitchen ? packOf(book.kitchen, food.id) : null);
const packWords = (food: Food): string => {
  const own = pack(food);
  if (!own) return food.kind === 'single' ? 'one ingredient' : 'no pack on record';
  return own.isConfirmed
    ? `${own.productName}, read ${own.checkedOn}`
    : `${own.productName}, changed: read it again`;
};

function newFood(): void {
  const known = found.value.length === 0 ? search.value : '';
  prompts.newFood = { name: known, then: (foodId) => void router.replace({ query: { food: foodId } }) };
}
</script>

<template>
  <div class="page" :class="{ split: selected }">
    <header>
      <h1>Larder</h1>
      <input
        ref="find"
        v-model="search"
        class="field"
        type="search"
        placeholder="Find a food by any of its names ( / )"
        aria-label="Find a food"
        @keydown.down.prevent="walk(1)"
        @keydown.up.prevent="walk(-1)"
        @keydown.enter.prevent="walk(0)"
      />
      <span class="soft figure" role="status">{{ found.length.toLocaleString('en') }} foods</span>
      <span class="acts">
        <button class="choice" type="button" @click="newFood">New food</button>
        <RouterLink class="choice" to="/larder/packs">Packs to read</RouterLink>
        <RouterLink class="choice" to="/larder/swaps">Swaps</RouterLink>
        <RouterLink class="choice" to="/larder/import">Import a table</RouterLink>
        <a class="choice" href="/api/foods.csv" download>Export foods</a>
        <a v-if="book.kitchen" class="choice" :href="`/api/kitchens/${book.kitchen.id}/products.csv`" download
          >Packs as table</a
        >
      </span>
    </header>
    <p v-if="!book.isReady" class="soft" role="status">{{ book.problem || 'Opening the larder …' }}</p>
    <template v-else>
      <p v-if="found.length === 0" class="plate none">
        Nothing in the larder is called “{{ search }}”.
        <template v-if="near.length > 0">These come near.</template>
        <button class="choice" type="button" @click="newFood">Make it a new food</button>
      </p>
      <div class="work">
        <div ref="list" class="list" role="list" aria-label="Foods" tabindex="0">
          <div class="space" :style="{ height: `${rows.getTotalSize()}px` }">
            <div
              v-for="row in rows.getVirtualItems()"
              :key="shown[row.index]!.id"
              role="listitem"
              class="row"
              :class="{ open: shown[row.index]!.id === selectedId, beside: shown[row.index]!.id === otherId }"
              :style="{ transform: `translateY(${row.start}px)`, height: `${ROW_PX}px` }"
            >
              <button class="name" type="button" @click="open(shown[row.index]!)">
                <b>{{ shown[row.index]!.name }}</b>
                <span class="soft">{{ shown[row.index]!.synonyms.slice(0, 4).join(', ') }}</span>
              </button>
              <span class="hazards">
                <span
                  v-for="name in named(shown[row.index]!, 'contains')"
                  :key="name"
                  class="hazard contains"
                  >{{ name }}</span
                >
                <span
                  v-for="name in named(shown[row.index]!, 'may-contain')"
                  :key="name"
                  class="hazard may-contain"
                  >may: {{ name }}</span
                >
                <span v-for="name in named(shown[row.index]!, 'check')" :key="name" class="hazard check"
                  >check {{ name }}</span
                >
                <span v-if="shown[row.index]!.animal === 'animal'" class="hazard contains">animal</span>
                <span v-else-if="isClear(shown[row.index]!)" class="hazard clear">clear</span>
              </span>
              <button
                v-if="shown[row.index]!.kind === 'product' || pack(shown[row.index]!)"
                class="choice plain pack"
                type="button"
                @click="prompts.packFoodId = shown[row.index]!.id"
              >
                {{ packWords(shown[row.index]!) }}
              </button>
              <span v-else class="soft pack">{{ packWords(shown[row.index]!) }}</span>
            </div>
          </div>
        </div>
        <aside v-if="selected">
          <FoodComparison v-if="other" :foods="[selected, other]" @leave="open(selected)" />
          <FoodCard
            v-else
            :key="selected.id"
            :food="selected"
            :is-comparing="isComparing"
            @compare="isComparing = !isComparing"
            @leave="close"
          />
        </aside>
      </div>
    </template>
    <p class="soft note">
      Per 100 g of edible portion, rounded reference figures unless a card says otherwise. Empty is unknown,
      never zero.
    </p>
  </div>
</template>

<style scoped>
.page {
  max-width: 1400px;
  margin: 0 auto;
  padding: var(--space-4) 20px var(--space-4);
}

header {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: var(--space-3);
  margin-bottom: var(--space-3);
}

h1 {
  font-size: var(--text-xl);
}

.field {
  flex: 1;
  max-width: 420px;
}

.acts {
  display: flex;
  gap: var(--space-2);
  margin-left: auto;
}

.acts .choice {
  display: inline-flex;
  align-items: center;
  text-decoration: none;
}

.none {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: var(--space-2) var(--space-4);
  margin-bottom: var(--space-3);
}

.work {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: var(--space-4);
}

.split .work {
  grid-template-columns: minmax(0, 1fr) minmax(0, 1.05fr);
}

.list,
aside {
  height: calc(100vh - 178px);
  min-height: 320px;
  overflow-y: auto;
  background: var(--enamel);
  border-radius: var(--radius);
  border-top: 4px solid var(--rim);
}

.space {
  position: relative;
}

.row {
  position: absolute;
  inset-inline: 0;
  top: 0;
  display: grid;
  grid-template-columns: minmax(0, 1.2fr) minmax(0, 1.1fr) minmax(0, 0.9fr);
  gap: var(--space-3);
  align-items: center;
  padding: 0 var(--space-4);
  border-bottom: 1px solid var(--hairline);
}

.split .row {
  grid-template-columns: minmax(0, 1.2fr) minmax(0, 1fr);
}

.split .row .pack {
  display: none;
}

.row.open {
  background: var(--rim-wash);
  box-shadow: inset 4px 0 0 var(--rim);
}

.row.beside {
  box-shadow: inset 4px 0 0 var(--ink-soft);
}

.name {
  display: grid;
  min-height: var(--touch);
  padding: 0;
  border: 0;
  background: none;
  text-align: left;
  align-content: center;
}

.name b {
  font-weight: 640;
}

.name span {
  font-size: var(--text-s);
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.hazards {
  display: flex;
  flex-wrap: wrap;
  gap: 3px;
  max-height: 52px;
  overflow: hidden;
}

.pack {
  padding-inline: 0;
  text-align: left;
  white-space: normal;
  font-weight: 560;
  font-size: var(--text-s);
}

.note {
  margin-top: var(--space-2);
  font-size: var(--text-s);
}

@media (max-width: 900px) {
  .split .work {
    grid-template-columns: minmax(0, 1fr);
  }

  .split .list {
    height: 260px;
    min-height: 200px;
  }

  aside {
    height: auto;
  }

  .row,
  .split .row {
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  }

  .row .pack {
    display: none;
  }

  .acts {
    margin-left: 0;
    flex-wrap: wrap;
  }
}
</style>
