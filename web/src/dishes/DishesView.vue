<script setup lang="ts">
import 'element-plus/es/components/message/style/css';
import { ElMessage } from 'element-plus/es/components/message/index.mjs';
import { computed, ref, shallowRef, watch } from 'vue';
import { RouterLink, useRouter } from 'vue-router';
import { type Digest, formatGrams, roundToDecimals } from '@hand-ladle/core';
import { server } from '../api/client';
import { useBook } from '../state/book';
import { useFirstRead } from '../state/first-read';
import { useReadAgain } from '../state/read-again';
import { STANDING_WORDS, useReleases } from '../state/releases';
import AmountText from '../ui/AmountText.vue';
import ChangedPacks from './ChangedPacks.vue';

const book = useBook();
const router = useRouter();
const releases = useReleases();
const digests = shallowRef<Digest[] | null>(null);
const search = ref('');
const removed = ref<{ id: string; name: string } | null>(null);

const { problem, again: load } = useFirstRead(async () => {
  await book.ready();
  digests.value = await server.digests(book.kitchen!.id);
  void releases.load(book.kitchen!.id).catch(() => undefined);
});

// Once there is a kitchen, whenever it is another or recorded something, and when others may have.
watch(
  () => book.kitchen,
  (kitchen) => kitchen && load(),
  { immediate: true },
);
useReadAgain(load);

const matches = (digest: Digest): boolean => {
  const words = search.value.toLowerCase().trim().split(/\s+/).filter(Boolean);
  const text = [digest.name, ...digest.contains].join(' ').toLowerCase();
  return words.every((word) => text.includes(word));
};

/** Dishes with their variants under them, then components. */
const groups = computed(() => {
  const all = digests.value ?? [];
  const found = all.filter(matches);
  const withVariants = (top: Digest[]): { digest: Digest; isVariant: boolean }[] =>
    top.flatMap((digest) => [
      { digest, isVariant: false },
      ...found
        .filter(({ parentId }) => parentId === digest.id)
        .map((variant) => ({ digest: variant, isVariant: true })),
    ]);
  const orphans = found.filter(
    ({ parentId }) => parentId !== null && !found.some(({ id }) => id === parentId),
  );
  const dishes = found.filter(({ isComponent, parentId }) => !isComponent && parentId === null);
  return [
    {
      title: 'Dishes',
      rows: [...withVariants(dishes), ...orphans.map((digest) => ({ digest, isVariant: true }))],
    },
    {
      title: 'Components, made once and used by weight',
      rows: withVariants(found.filter(({ isComponent }) => isComponent)),
    },
  ].filter(({ rows }) => rows.length > 0);
});

const weight = (digest: Digest) => formatGrams(digest.finishedGrams);

async function remove(digest: Digest): Promise<void> {
  try {
    await server.remove(digest.id);
    removed.value = { id: digest.id, name: digest.name };
    await Promise.all([load(), digest.isComponent ? book.refresh() : null]);
  } catch (error) {
    const { message, details } = error as { message: string; details?: unknown[] };
    ElMessage({
      message: details?.length ? `${message} Used in: ${details.join(', ')}.` : message,
      duration: 6000,
    });
  }
}

async function putBack(): Promise<void> {
  if (!removed.value) return;
  await server.restore(removed.value.id);
  removed.value = null;
  await load();
}
</script>

<template>
  <div class="page">
    <header class="top">
      <h1>Dishes</h1>
      <input
        v-model="search"
        class="field find"
        type="search"
        placeholder="Find a dish or an allergen"
        aria-label="Find a dish or an allergen"
      />
      <RouterLink class="choice take" to="/menu">Who can eat what</RouterLink>
      <RouterLink class="choice main take" to="/take-in">Take a dish in</RouterLink>
    </header>
    <ChangedPacks v-if="digests" :digests="digests" />
    <div v-if="removed" class="undo" role="status">
      <span>{{ removed.name }} is out of the book.</span>
      <button class="choice" type="button" @click="putBack">Put it back</button>
    </div>
    <p v-if="problem" class="plate" role="alert">
      {{ problem }} <button class="choice" type="button" @click="load">Try again</button>
    </p>
    <p v-else-if="digests === null" class="soft" role="status">Opening the book …</p>
    <section v-else-if="digests.length === 0" class="plate empty">
      <h2>The book is empty</h2>
      <p>Paste a recipe as it was told to you; the first weights stand a moment later.</p>
      <RouterLink class="choice main" to="/take-in">Take a dish in</RouterLink>
    </section>
    <p v-else-if="groups.length === 0" class="plate">
      Nothing in the book matches “{{ search }}”.
      <button class="choice" type="button" @click="search = ''">Show all</button>
    </p>
    <section v-for="group in groups" :key="group.title" class="group">
      <h2 :class="{ unseen: group.title === 'Dishes' }">{{ group.title }}</h2>
      <table>
        <thead>
          <tr>
            <th scope="col">Dish</th>
            <th scope="col">Must not eat it</th>
            <th scope="col" class="right">Batch</th>
            <th scope="col" class="right">Portion</th>
            <th scope="col" class="right">Open</th>
            <th scope="col"><span class="unseen">Take out</span></th>
          </tr>
        </thead>
        <tbody>
          <tr
            v-for="{ digest, isVariant } in group.rows"
            :key="digest.id"
            @click="router.push(`/dishes/${digest.id}`)"
          >
            <th scope="row" :class="{ variant: isVariant }">
              <RouterLink :to="`/dishes/${digest.id}`" @click.stop>{{ digest.name }}</RouterLink>
            </th>
            <td class="brings">
              <div class="hazards">
                <span v-for="name in digest.contains" :key="name" class="hazard contains">{{ name }}</span>
                <span v-for="name in digest.mayContain" :key="name" class="hazard may-contain"
                  >may: {{ name.toLowerCase() }}</span
                >
                <span v-for="name in digest.check" :key="name" class="hazard check"
                  >check {{ name.toLowerCase() }}</span
                >
                <span v-if="digest.isUnchecked" class="hazard check">packs not read</span>
                <span
                  v-else-if="digest.contains.length + digest.mayContain.length + digest.check.length === 0"
                  class="hazard clear"
                >
                  clear, every line checked
                </span>
              </div>
            </td>
            <td class="right"><AmountText v-bind="weight(digest)" /></td>
            <td class="right">
              <template v-if="!digest.isComponent">
                <span class="figure">{{ roundToDecimals(digest.portions, 0) }}</span>
                <span class="soft"> × {{ roundToDecimals(digest.portionGrams, 0) }} g</span>
              </template>
              <span v-else class="soft">by weight</span>
            </td>
            <td class="right">
              <span v-if="digest.openCount > 0" class="open">{{ digest.openCount }} to decide</span>
              <span v-else class="soft">none</span>
              <span
                v-if="releases.standing(digest.id) !== ''"
                class="standing"
                :class="{ open: releases.standing(digest.id) === 'stale' }"
                >{{ STANDING_WORDS[releases.standing(digest.id)] }}</span
              >
            </td>
            <td class="right">
              <button
                class="choice plain out"
                type="button"
                :aria-label="`Take ${digest.name} out of the book`"
                @click.stop="remove(digest)"
              >
                Take out
              </button>
            </td>
          </tr>
        </tbody>
      </table>
    </section>
    <p v-if="digests && digests.length > 0" class="soft export">
      The whole book as a file: <a href="/api/recipes.md" download>Markdown</a>,
      <a href="/api/recipes.csv" download>table (CSV)</a>, <a href="/api/recipes.json" download>JSON-LD</a>.
      Taking the file in gives the same dishes.
    </p>
  </div>
</template>

<style scoped>
.standing {
  display: block;
  font-size: var(--text-s);
}

.page {
  max-width: 1280px;
  margin: 0 auto;
  padding: var(--space-4) 20px var(--space-6);
}

.top {
  display: flex;
  align-items: center;
  gap: var(--space-4);
  margin-bottom: var(--space-4);
}

h1 {
  font-size: var(--text-xl);
}

.find {
  flex: 1;
  max-width: 420px;
  margin-left: auto;
}

.take {
  display: inline-flex;
  align-items: center;
  min-height: var(--touch);
  text-decoration: none;
}

.undo {
  display: flex;
  align-items: center;
  gap: var(--space-4);
  margin-bottom: var(--space-3);
  padding: var(--space-2) var(--space-4);
  background: var(--rim-wash);
  border-radius: var(--radius);
}

.export {
  margin-top: var(--space-4);
  font-size: var(--text-s);
}

.group + .group {
  margin-top: var(--space-5);
}

.group h2 {
  font-size: var(--text-s);
  color: var(--ink-soft);
  margin-bottom: var(--space-2);
}

table {
  width: 100%;
  border-collapse: separate;
  border-spacing: 0;
  background: var(--enamel);
  border-radius: var(--radius);
  border-top: 4px solid var(--rim);
  overflow: hidden;
  table-layout: fixed;
}

thead th:nth-child(1) {
  width: 34%;
}

thead th:nth-child(3),
thead th:nth-child(5) {
  width: 10%;
}

thead th:nth-child(4) {
  width: 12%;
}

thead th:nth-child(6) {
  width: 96px;
}

th,
td {
  padding: 4px var(--space-4);
  height: var(--row);
  text-align: left;
  border-bottom: 1px solid var(--hairline);
  font-weight: 450;
}

tbody tr:last-child > * {
  border-bottom: 0;
}

thead th {
  font-size: var(--text-s);
  font-weight: 560;
  color: var(--ink-soft);
  height: 34px;
}

tbody tr {
  cursor: pointer;
}

tbody tr:hover {
  background: #ffffff;
}

tbody th a {
  color: var(--ink);
  font-weight: 640;
  text-decoration: none;
}

tbody th a:hover {
  color: var(--rim);
  text-decoration: underline;
}

.variant {
  padding-left: 36px;
}

.variant a {
  font-weight: 520;
}

.hazards {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 6px;
}

.right {
  text-align: right;
  white-space: nowrap;
}

td.right .figure {
  font-weight: 640;
}

.open {
  color: var(--amber);
  font-weight: 640;
}

.out {
  color: var(--ink-soft);
  font-weight: 450;
  padding-inline: 6px;
}

@media (hover: hover) {
  tr:not(:hover, :focus-within) .out {
    opacity: 0;
  }
}

.empty {
  display: grid;
  gap: var(--space-3);
  justify-items: start;
}

@media (max-width: 760px) {
  .top {
    flex-wrap: wrap;
  }

  .find {
    order: 3;
    flex-basis: 100%;
    max-width: none;
  }

  .take {
    margin-left: auto;
  }

  thead {
    display: none;
  }

  tbody tr {
    display: grid;
    grid-template-columns: 1fr auto;
    padding: var(--space-2) var(--space-3);
    border-bottom: 1px solid var(--hairline);
  }

  tbody th,
  tbody td {
    height: auto;
    padding: 3px 0;
    border: 0;
  }

  .variant {
    padding-left: var(--space-4);
  }

  .brings {
    grid-column: 1 / -1;
    grid-row: 2;
  }

  tbody td:nth-child(4) {
    text-align: left;
    grid-row: 3;
  }

  tbody td:nth-child(5) {
    grid-row: 3;
    grid-column: 2;
  }

  tbody td:nth-child(6) {
    display: none;
  }
}
</style>
