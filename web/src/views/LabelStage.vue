<script setup lang="ts">
import { computed, ref } from 'vue';
import { LABEL_CAUTION, roundToDecimals, type Regime } from '@hand-ladle/core';
import { server } from '../api/client';
import LabelPreview from '../components/LabelPreview.vue';
import { download } from '../download';
import { useBench } from '../stores/bench';
import { useBook } from '../stores/book';

const bench = useBench();
const book = useBook();
const label = computed(() => bench.worksheet!.label);
const problem = ref('');
const isMaking = ref(false);

const REGIMES: { id: Regime; name: string }[] = [
  { id: 'eu', name: 'EU and UK' },
  { id: 'us', name: 'United States' },
];

/** The PDF is drawn by the server from the saved dish, so what is not saved yet is saved first. */
async function downloadPdf(): Promise<void> {
  isMaking.value = true;
  problem.value = '';
  try {
    await bench.flush();
    if (bench.saveStatus !== 'saved')
      throw new Error('The dish is not saved yet; the label would not match it.');
    const request = {
      recipeId: bench.recipe!.id,
      target: bench.target!,
      regime: bench.regime,
      kitchenId: book.kitchen!.id,
      vesselIds: [...bench.vesselIds],
    };
    download(await server.labelPdf(request), `label-${bench.recipe!.id}.pdf`);
  } catch (error) {
    problem.value = (error as Error).message;
  } finally {
    isMaking.value = false;
  }
}

const downloadFigures = (): void =>
  download(
    new Blob([JSON.stringify(bench.worksheet)], { type: 'application/json' }),
    `worksheet-${bench.recipe!.id}.json`,
  );
</script>

<template>
  <div class="page">
    <section class="paper">
      <LabelPreview :label="label" />
    </section>
    <section class="side">
      <div class="plate">
        <h2>Label of one portion, {{ roundToDecimals(label.portionGrams, 0) }} g</h2>
        <div class="regimes" role="radiogroup" aria-label="Law it is printed under">
          <button
            v-for="each in REGIMES"
            :key="each.id"
            class="choice"
            :class="{ main: bench.regime === each.id }"
            type="button"
            role="radio"
            :aria-checked="bench.regime === each.id"
            @click="bench.regime = each.id"
          >
            {{ each.name }}
          </button>
        </div>
        <div class="ends">
          <button class="choice main" type="button" :disabled="isMaking" @click="downloadPdf">
            Download as PDF
          </button>
          <button class="choice" type="button" @click="downloadFigures">Figures as JSON</button>
        </div>
        <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
        <p v-if="bench.recipe" class="soft">
          The dish as a file:
          <a :href="`/api/recipes/${bench.recipe.id}.md`" download>Markdown</a>,
          <a :href="`/api/recipes/${bench.recipe.id}.csv`" download>table</a>,
          <a :href="`/api/recipes/${bench.recipe.id}.json`" download>JSON-LD</a>. Taken in again, it is the
          same dish.
        </p>
      </div>
      <div v-if="label.isDraft" class="plate draft">
        <h2>DRAFT until these are decided</h2>
        <ol>
          <li v-for="(reason, index) in label.draftReasons" :key="index">{{ reason }}</li>
        </ol>
        <RouterLink :to="`/dishes/${bench.recipe!.id}`">Decide them on the ledger</RouterLink>
      </div>
      <div v-else class="plate">
        <h2>Every line is resolved</h2>
        <p>{{ LABEL_CAUTION }}</p>
      </div>
    </section>
  </div>
</template>

<style scoped>
.page {
  display: grid;
  grid-template-columns: auto minmax(280px, 480px);
  gap: var(--space-5);
  justify-content: center;
  padding: var(--space-4) 20px var(--space-6);
  align-items: start;
}

.side {
  display: grid;
  gap: var(--space-3);
}

.plate h2 {
  font-size: var(--text-l);
  color: var(--ink);
}

.regimes,
.ends {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2);
}

.ends {
  margin-top: var(--space-4);
}

.draft {
  border: 1.5px dashed var(--amber-line);
  background: var(--amber-wash);
}

ol {
  display: grid;
  gap: 6px;
  padding-left: 1.2em;
  margin-bottom: var(--space-3);
  list-style: decimal;
}

.problem {
  margin-top: var(--space-2);
  color: var(--brick);
  font-weight: 600;
}

@media (max-width: 900px) {
  .page {
    grid-template-columns: minmax(0, 1fr);
    padding: var(--space-3);
  }

  .paper {
    overflow-x: auto;
  }
}
</style>
