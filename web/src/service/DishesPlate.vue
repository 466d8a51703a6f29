<script setup lang="ts">
/** What is on: each dish in the fewest versions that feed everybody, with who eats which; and who has none, with why. */
import { computed, ref } from 'vue';
import { RouterLink } from 'vue-router';
import {
  type Digest,
  type EatenTold,
  exclusionName,
  gramsText,
  type Kitchen,
  type SavedServiceTold,
  type StockItem,
  typedFigure,
} from '@hand-ladle/core';
import { call, type ServerError } from '../api/client';
import SettingFigure from '../ui/SettingFigure.vue';

const props = defineProps<{
  service: SavedServiceTold;
  kitchen: Kitchen;
  eaten: EatenTold | null;
  dishes: readonly Digest[];
}>();
const emit = defineEmits<{ change: [fields: Partial<SavedServiceTold>] }>();

const chosen = ref('');
const free = computed(() =>
  props.dishes.filter(({ id }) => !props.service.dishes.some(({ recipeId }) => recipeId === id)),
);
const nameOf = (id: string): string =>
  (props.dishes.find((each) => each.id === id) ?? props.eaten?.find(({ recipeId }) => recipeId === id))
    ?.name ?? '';
const workedOut = (id: string) => props.eaten?.find(({ recipeId }) => recipeId === id);

function add(): void {
  if (chosen.value === '') return;
  emit('change', { dishes: [...props.service.dishes, { recipeId: chosen.value, share: 1, course: '' }] });
  chosen.value = '';
}
const remove = (id: string): void =>
  emit('change', { dishes: props.service.dishes.filter(({ recipeId }) => recipeId !== id) });
const setShare = (id: string, percent: number | null): void =>
  emit('change', {
    dishes: props.service.dishes.map((each) =>
      each.recipeId === id ? { ...each, share: (percent ?? 100) / 100 } : each,
    ),
  });

type Version = EatenTold[number]['versions'][number];
/** What was typed as left over, and what became of it, by version. */
const leftGrams = ref<Record<string, string>>({});
const putWords = ref<Record<string, string>>({});
async function putAway({ key, finishedGrams }: Version): Promise<void> {
  const grams = typedFigure(leftGrams.value[key] ?? '');
  if (grams === null || grams <= 0 || grams > finishedGrams) {
    putWords.value[key] = `A weight up to ${gramsText(finishedGrams)}, please.`;
    return;
  }
  try {
    const { id: serviceId, kitchenId, date: since } = props.service;
    const asked = { kitchenId, kind: 'leftover', serviceId, versionKey: key, grams, since };
    const item = await call<StockItem>('/api/stock', 'POST', asked);
    putWords.value[key] = `${gramsText(item.grams)} in store, use by ${item.useBy}.`;
    leftGrams.value[key] = '';
  } catch (error) {
    const { message, details } = error as ServerError;
    const reasons = (details as { message?: string }[]).flatMap((each) => each.message ?? []);
    putWords.value[key] = [message, ...reasons].join(' ');
  }
}
const freeText = ({ exclude, notKept }: Version): string =>
  exclude.length === 0
    ? 'As it is'
    : notKept.length > 0
      ? `NOT free as it was cooked (${notKept.join(', ')})`
      : `Free from ${exclude.map((each) => exclusionName(each, props.kitchen)).join(', ')}`;
/** "Ward house, 330 g: 84 everyone else, 7 coeliac": groups of one place and size together. */
function sizesOf({ servings }: Version): string[] {
  const sizes = new Map<string, string[]>();
  for (const { groupName, site, portions, portionGrams } of servings) {
    const key = [site, gramsText(portionGrams)].filter(Boolean).join(', ');
    sizes.set(key, [...(sizes.get(key) ?? []), `${portions} ${groupName.toLowerCase()}`]);
  }
  return [...sizes].map(([size, groups]) => `${size}: ${groups.join(', ')}`);
}
</script>

<template>
  <section class="plate rimmed" aria-labelledby="dishes-title">
    <h2 id="dishes-title">What is on</h2>
    <p v-if="service.dishes.length === 0" class="soft">Nothing yet. Put a dish on, and the rest follows.</p>
    <article v-for="dish in service.dishes" :key="dish.recipeId" class="dish">
      <header>
        <RouterLink :to="`/dishes/${dish.recipeId}`">{{ nameOf(dish.recipeId) }}</RouterLink>
        <label
          >taken by
          <SettingFigure
            :label="`Share of heads that take ${nameOf(dish.recipeId)}, in percent`"
            :value="Math.round(dish.share * 1000) / 10"
            :least="1"
            :most="100"
            @set="setShare(dish.recipeId, $event)"
          />
          %</label
        >
        <button class="choice plain" type="button" @click="remove(dish.recipeId)">
          Take off<span class="unseen"> {{ nameOf(dish.recipeId) }}</span>
        </button>
      </header>
      <ul>
        <li v-for="version in workedOut(dish.recipeId)?.versions ?? []" :key="version.key">
          <p class="head">
            <strong :class="{ broken: version.notKept.length > 0 }">{{ freeText(version) }}</strong>
            <span class="figure">{{ version.portions }} portions</span>
            <span v-if="version.extraPortions > 0" class="soft">and {{ version.extraPortions }} over</span>
            <span class="figure made">{{ gramsText(version.finishedGrams) }}</span>
          </p>
          <p v-if="version.batches.length > 0" class="soft">Cooked as {{ version.batches.join(', ') }}</p>
          <p v-for="size in sizesOf(version)" :key="size" class="soft">{{ size }}</p>
          <p v-for="swap in version.swaps" :key="swap.from" class="swap">
            {{ swap.from }} becomes {{ swap.to.toLowerCase() }}
          </p>
          <p
            v-for="each in version.stoodIn.filter(({ grams }) => grams > 0)"
            :key="each.stockId"
            class="swap"
          >
            {{ gramsText(each.grams) }} of {{ each.name }} instead of {{ each.instead.toLowerCase() }}
          </p>
          <RouterLink
            class="choice"
            :to="{
              path: '/cook',
              query: { recipe: dish.recipeId, service: service.id, version: version.key },
            }"
            >Cook it<span class="unseen"> {{ version.name }}</span></RouterLink
          >
          <form class="left" @submit.prevent="putAway(version)">
            <label>
              Left over, g
              <input
                v-model="leftGrams[version.key]"
                class="field"
                inputmode="decimal"
                :aria-label="`Grams left over of ${version.name}`"
              />
            </label>
            <button class="choice plain" type="submit" :disabled="!leftGrams[version.key]">
              Into store<span class="unseen"> {{ version.name }}</span>
            </button>
            <span v-if="putWords[version.key]" role="status">{{ putWords[version.key] }}</span>
          </form>
          <p v-if="version.openDecisions > 0" class="check-text">
            {{ version.openDecisions === 1 ? 'A question' : `${version.openDecisions} questions` }} about it
            still open: its label is a draft.
          </p>
        </li>
        <li v-for="group in workedOut(dish.recipeId)?.unserved ?? []" :key="group.groupId" class="unserved">
          <p>
            <strong>{{ group.groupName }}: {{ group.heads }} without this dish.</strong>
            In the way:
            {{
              group.blockedBy.map(({ name, reason }) => (reason ? `${name} (${reason})` : name)).join(', ')
            }}.
          </p>
          <p v-if="group.nearest.length > 0">
            Free of it as they are: {{ group.nearest.map(({ name }) => name).join(', ') }}.
          </p>
          <p v-else>No dish of the book is free of it as it is.</p>
        </li>
      </ul>
    </article>
    <form class="add" @submit.prevent="add">
      <label>
        <span class="unseen">A dish to put on</span>
        <select v-model="chosen" class="field">
          <option value="">Choose a dish</option>
          <option v-for="each in free" :key="each.id" :value="each.id">{{ each.name }}</option>
        </select>
      </label>
      <button class="choice" type="submit" :disabled="chosen === '' || service.dishes.length >= 12">
        Put it on
      </button>
    </form>
  </section>
</template>

<style scoped>
.broken {
  color: var(--brick);
}

.dish {
  padding: var(--space-2) 0;
  border-top: 1px solid var(--hairline);
}

.dish header {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-3);
  align-items: center;
}

.dish header a {
  flex: 1 1 220px;
  font-size: var(--text-l);
  font-weight: 660;
}

.dish header label {
  display: inline-flex;
  gap: var(--space-2);
  align-items: center;
}

li {
  padding: var(--space-1) 0 var(--space-1) var(--space-3);
  border-left: 4px solid var(--rim-wash);
  margin-top: var(--space-2);
}

.head {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-3);
}

.made {
  margin-left: auto;
  font-weight: 660;
}

.swap {
  font-size: var(--text-s);
}

.left {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2);
  align-items: center;
  font-size: var(--text-s);
}

.left .field {
  width: 90px;
  text-align: right;
}

.check-text {
  color: var(--amber);
  font-weight: 560;
}

.unserved {
  border-left-color: var(--brick);
  background: var(--brick-wash);
}

.add {
  display: flex;
  gap: var(--space-2);
  margin-top: var(--space-3);
}

.add label {
  flex: 0 1 380px;
  min-width: 0;
}

.add select {
  width: 100%;
  min-height: var(--touch);
}

.add button {
  flex: none;
}
</style>
