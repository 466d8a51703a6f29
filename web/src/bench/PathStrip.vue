<script setup lang="ts">
/** The open dish as one strip in the order of the work; each stage says its key figure and is the way to it. */
import { computed, ref, watch } from 'vue';
import { RouterLink, useRoute } from 'vue-router';
import { figureText, fixedText, formatGrams, roundToDecimals, TOLD_WITH_ANOTHER } from '@hand-ladle/core';
import { useBench } from '../state/bench';
import { useBook } from '../state/book';
import { useReadAgain } from '../state/read-again';
import { STANDING_WORDS, useReleases } from '../state/releases';
import AmountText from '../ui/AmountText.vue';

const bench = useBench();
const name = ref('');

watch(
  () => bench.recipe?.name,
  (now) => (name.value = now ?? ''),
  { immediate: true },
);

const sheet = computed(() => bench.worksheet!);
const weight = computed(() => formatGrams(sheet.value.finishedGrams));
const loads = computed(() => {
  const { loadCount, vessel } = sheet.value;
  if (!vessel) return 'nothing is simmered or baked';
  return loadCount === 1 ? `one load in the ${vessel.name}` : `${loadCount} loads in the ${vessel.name}`;
});

const named = (status: string): string[] =>
  sheet.value.allergens
    .filter((flag) => flag.status === status && !flag.isOnlyUnchecked && !TOLD_WITH_ANOTHER.has(flag.id))
    .map((flag) => flag.name);
const contains = computed(() => named('contains').join(', '));
const below = computed(() => {
  const may = named('may-contain');
  const check = named('check');
  const parts = [];
  if (may.length > 0) parts.push(`may contain ${may.join(', ').toLowerCase()}`);
  if (check.length > 0) parts.push(`check ${check.join(', ').toLowerCase()}`);
  // What nobody has checked is said beside what is named: a check that is named hides none that is not.
  if (sheet.value.allergens.some((flag) => flag.isOnlyUnchecked)) parts.push('some packs nobody has checked');
  return parts.join('; ') || 'every line is checked';
});

const isInDoubt = computed(() =>
  sheet.value.allergens.some(({ status }) => ['check', 'may-contain'].includes(status)),
);

const isAtLeast = (id: string): boolean => sheet.value.nutrition.missing.some((figure) => figure.id === id);
const atLeast = (id: string): string => (isAtLeast(id) ? 'at least ' : '');
const facts = computed(() => sheet.value.nutrition.perPortion);
const open = computed(() => sheet.value.label.draftReasons.length);
const releases = useReleases();
const book = useBook();
/** What was released, or waits, goes before what is only ready. */
const standing = computed(() => releases.standing(bench.recipe?.id ?? ''));
async function readReleases(): Promise<void> {
  if (book.kitchen && bench.recipe && bench.saveStatus === 'saved')
    await releases.load(book.kitchen.id, bench.recipe.id);
}
watch(
  // A pack that is recorded, or a setting, makes a label stale as a changed line does.
  [() => book.kitchen, () => bench.recipe?.id, () => bench.saveStatus],
  () => void readReleases().catch(() => undefined),
  { immediate: true },
);
useReadAgain(readReleases);
const labelKey = computed(() => {
  if (standing.value === 'released') return 'Released';
  if (standing.value === 'stale') return 'Stale';
  return open.value > 0 ? 'Draft' : 'Ready';
});

function rename(): void {
  const next = name.value.trim();
  if (next === '') name.value = bench.recipe?.name ?? '';
  else if (next !== bench.recipe?.name) bench.setRecipe({ name: next.slice(0, 200) });
}

const base = computed(() => `/dishes/${bench.recipe!.id}`);
const route = useRoute();
/** The batch has views of its own; its stage stays marked on all of them. */
const isBatch = computed(() => ['batch', 'loads', 'mass', 'times', 'sheet'].includes(String(route.name)));
</script>

<template>
  <div class="strip">
    <div class="dish">
      <span class="over">Dish</span>
      <h1>
        <textarea
          v-model="name"
          :class="{ long: name.length > 36 }"
          :rows="name.length > 36 ? 3 : 2"
          aria-label="Name of the dish"
          @change="rename"
          @keydown.enter.prevent="($event.target as HTMLElement).blur()"
        />
      </h1>
    </div>
    <nav aria-label="Stages of the dish">
      <RouterLink
        :to="base"
        class="stage"
        :class="{ here: isBatch }"
        :aria-current="isBatch ? 'page' : undefined"
      >
        <span class="over">Batch</span>
        <span class="said"
          ><AmountText v-bind="weight" /> <small>× {{ figureText(sheet.factor, 1) }}</small></span
        >
        <span class="under">{{ loads }}</span>
      </RouterLink>
      <RouterLink :to="`${base}/hazards`" class="stage">
        <span class="over">Must not eat it</span>
        <span class="said words" :class="{ brick: contains, long: contains.length > 20 }">{{
          contains || 'None named'
        }}</span>
        <span class="under" :class="{ amber: isInDoubt }">{{ below }}</span>
      </RouterLink>
      <RouterLink :to="`${base}/portion`" class="stage">
        <span class="over">One portion, {{ roundToDecimals(sheet.portionGrams, 0) }} g</span>
        <span class="said figure">
          <small v-if="isAtLeast('energyKcal')">≥</small>{{ roundToDecimals(facts.energyKcal, 0)
          }}<span class="unit">&nbsp;kcal</span> {{ fixedText(facts.proteinG, 1)
          }}<span class="unit">&nbsp;g protein</span>
        </span>
        <span class="under">
          sodium {{ atLeast('sodiumMg') }}{{ roundToDecimals(facts.sodiumMg, 0) }} mg, fibre
          {{ fixedText(facts.fibreG, 1) }} g
        </span>
      </RouterLink>
      <RouterLink :to="`${base}/label`" class="stage">
        <span class="over">Label</span>
        <span class="said">{{ labelKey }}</span>
        <span class="under" :class="{ amber: open > 0 || standing === 'stale' }">
          {{
            open === 0 && standing !== ''
              ? STANDING_WORDS[standing]
              : open === 0
                ? 'every line is resolved'
                : open === 1
                  ? '1 decision is open'
                  : `${open} decisions are open`
          }}
        </span>
      </RouterLink>
    </nav>
    <RouterLink :to="`${base}/free-from`" class="choice main free">Serve it free&nbsp;from…</RouterLink>
  </div>
</template>

<style scoped>
.strip {
  display: grid;
  grid-template-columns: minmax(170px, 1.15fr) minmax(0, 4.6fr) auto;
  background: var(--enamel);
  border-bottom: 1px solid var(--hairline);
}

.dish {
  padding: 10px 12px 8px 20px;
}

.over {
  display: block;
  font-size: var(--text-s);
  font-weight: 560;
  color: var(--ink-soft);
  font-stretch: var(--narrow);
}

h1 textarea {
  width: 100%;
  padding: 0;
  border: 0;
  background: none;
  resize: none;
  font-size: var(--text-l);
  font-weight: 680;
  line-height: 1.15;
  overflow: hidden;
}

h1 textarea.long {
  font-size: var(--text-m);
}

nav {
  display: grid;
  grid-template-columns: 1fr 1.25fr 1.35fr 0.95fr;
}

.stage {
  min-width: 0;
  padding: 10px 14px 9px;
  border-left: 1px solid var(--hairline);
  border-bottom: 4px solid transparent;
  color: var(--ink);
  text-decoration: none;
}

.stage:hover {
  background: #ffffff;
}

.stage.router-link-exact-active,
.stage.here {
  background: #ffffff;
  border-bottom-color: var(--rim);
}

.said {
  display: block;
  font-size: var(--text-xl);
  font-weight: 700;
  font-stretch: 94%;
  line-height: 1.2;
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}

.said small {
  font-size: var(--text-m);
  font-weight: 480;
  color: var(--ink-soft);
}

.said .unit {
  font-size: var(--text-s);
}

/* Who must not eat it is never cut short. */
.words {
  white-space: normal;
  overflow: visible;
}

.words.long {
  font-size: var(--text-m);
  line-height: 1.15;
}

.brick {
  color: var(--brick);
}

.under {
  display: block;
  font-size: var(--text-s);
  color: var(--ink-soft);
  line-height: 1.25;
  font-stretch: var(--narrow);
}

.amber {
  color: var(--amber);
  font-weight: 600;
}

.free {
  justify-content: center;
  align-self: center;
  text-align: center;
  min-height: 52px;
  margin: 0 20px 0 14px;
  max-width: 150px;
  white-space: normal;
  line-height: 1.15;
}

@media (max-width: 1100px) {
  .strip {
    grid-template-columns: 1fr auto;
  }

  .strip nav {
    grid-column: 1 / -1;
    grid-row: 2;
    border-top: 1px solid var(--hairline);
  }

  .stage:first-child {
    border-left: 0;
    padding-left: 20px;
  }

  h1 textarea {
    height: 1.3em;
    font-size: var(--text-m);
  }
}

@media (max-width: 760px) {
  .strip nav {
    grid-template-columns: 1fr 1fr;
  }

  .stage {
    border-left: 0;
    padding: var(--space-2) var(--space-3);
  }

  .stage:first-child {
    padding-left: var(--space-3);
  }

  .dish {
    padding-left: var(--space-3);
  }

  h1 textarea {
    height: 3.6em;
  }

  .said {
    font-size: var(--text-l);
    white-space: normal;
  }

  .free {
    margin: 0 var(--space-3) 0 0;
    max-width: 120px;
  }
}
</style>
