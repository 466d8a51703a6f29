<script setup lang="ts">
/** The label of the open dish: how it will look, on what it is printed, and its way out of the kitchen. */
import { computed, onMounted, ref, shallowRef, watch } from 'vue';
import {
  type Claim,
  claimsOn,
  type CodeImage,
  isOpen,
  type LabelContent,
  labelContent,
  type LabelFacts,
  lastDay,
  type ReleaseView,
  roundToDecimals,
  setLabel,
  shelfDays,
  trayFigures,
  UNPACKED,
} from '@hand-ladle/core';
import { download } from '../api/download';
import { type FileFormat, type LabelRun, labels } from '../api/labels';
import { useBench } from '../state/bench';
import { useBook } from '../state/book';
import { useReleases } from '../state/releases';
import { useSession } from '../state/session';
import { todayIn } from '../state/today';
import { ask } from '../worker/client';
import ClaimsPlate from './ClaimsPlate.vue';
import DemandsPlate from './DemandsPlate.vue';
import { useLabel } from './label';
import LabelDrawing from './LabelDrawing.vue';
import LabelSettings from './LabelSettings.vue';
import PackedPlate from './PackedPlate.vue';
import PrintPlate from './PrintPlate.vue';
import ReleasePlate from './ReleasePlate.vue';
import { standingFor, useStandingRelease } from './standing-release';

const bench = useBench();
const book = useBook();
const settings = useLabel();
const session = useSession();
const sheet = computed(() => bench.worksheet!);
const options = computed(() => settings.options);
const problem = ref('');
const done = ref('');
const isWorking = ref(false);

watch(
  () => settings.style,
  (style) => (bench.labelStyle = style),
  { immediate: true },
);

/** Stands for the code of a batch that is made when it is printed. */
const SAMPLE_CODE = '261231-2222';
const code = shallowRef<CodeImage | null>(null);
watch(
  () => options.value.symbology,
  async (symbology) => {
    const address = book.kitchen?.service.publicAddress ?? '';
    const text = symbology === 'qr' && address !== '' ? `${address}/batches/${SAMPLE_CODE}` : SAMPLE_CODE;
    code.value = symbology === null ? null : await labels.code(symbology, text).catch(() => null);
  },
  { immediate: true },
);

const today = computed(() => todayIn(book.kitchen));
const facts = computed<Partial<LabelFacts>>(() => {
  const { kind, madeOn, grams, group, texture } = options.value;
  const made = madeOn ?? today.value;
  const days = shelfDays(bench.recipe?.packed ?? UNPACKED, book.kitchen!.service, bench.regime);
  return {
    madeOn: made,
    useBy: days === null ? null : lastDay(made, days),
    // The batch is made when it is printed; a code on the label stands for it till then.
    batchCode: options.value.symbology === null ? null : SAMPLE_CODE,
    grams,
    group: kind === 'tray' ? group : null,
    texture: kind === 'tray' ? texture : null,
    code: kind === 'tray' || kind === 'counter' ? null : code.value,
  };
});

const claims = shallowRef<Claim[]>([]);
const chosenClaims = ref<string[]>([]);
watch(
  () => bench.worksheet,
  async () => {
    if (!bench.input) return;
    claims.value = await ask('claims', bench.input);
    const met = new Set(claims.value.filter(({ standing }) => standing === 'met').map(({ id }) => id));
    chosenClaims.value = chosenClaims.value.filter((id) => met.has(id));
  },
  { immediate: true },
);
function toggleClaim(id: string): void {
  const has = chosenClaims.value.includes(id);
  chosenClaims.value = has ? chosenClaims.value.filter((each) => each !== id) : [...chosenClaims.value, id];
}

const kept = useReleases();
const newest = computed(() =>
  kept.ofDish(bench.recipe?.id ?? '').filter(({ state }, index) => index < 4 || state === 'released'),
);
/** What was released is shown as it was released; everything else is a draft. */
const released = useStandingRelease(() =>
  bench.saveStatus === 'saved'
    ? standingFor(newest.value, {
        kind: options.value.kind,
        regime: bench.regime,
        language: settings.style.language,
      })
    : null,
);
const content = computed<LabelContent>(() => {
  const { kind } = options.value;
  const chosen = claims.value.filter(({ id }) => chosenClaims.value.includes(id));
  return {
    ...labelContent(released.value?.label ?? sheet.value.label, kind, {
      facts: facts.value,
      claims: claimsOn(kind, released.value?.claims ?? chosen),
      watch: kind === 'tray' ? trayFigures(sheet.value) : [],
    }),
    isDraft: released.value === null,
  };
});
const drawing = computed(() => {
  const { stock, form } = options.value;
  return setLabel(content.value, { paper: { widthMm: stock.widthMm, heightMm: stock.heightMm }, form });
});

async function reload(): Promise<void> {
  if (!bench.recipe || !book.kitchen) return;
  await kept.load(book.kitchen.id, bench.recipe.id).catch(() => undefined);
}
onMounted(() => void session.ready());
// Every saved change may make a label stale: what is shown follows.
watch([() => bench.saveStatus, () => book.kitchen], ([status]) => status === 'saved' && void reload(), {
  immediate: true,
});

async function saved() {
  await bench.flush();
  if (bench.saveStatus !== 'saved')
    throw new Error('The dish is not saved yet; the label would not match it.');
  return {
    recipeId: bench.recipe!.id,
    target: bench.target!,
    regime: bench.regime,
    kitchenId: book.kitchen!.id,
    vesselIds: [...bench.vesselIds],
    style: settings.style,
  };
}

async function doing(act: () => Promise<string>): Promise<void> {
  isWorking.value = true;
  problem.value = '';
  done.value = '';
  try {
    done.value = await act();
  } catch (error) {
    problem.value = (error as Error).message;
  } finally {
    isWorking.value = false;
  }
}

const fileName = (format: string): string => `label-${bench.recipe!.id}.${format}`;
const downloadDraft = (format: FileFormat): Promise<void> =>
  doing(async () => {
    download(
      await labels.draftFile(format, { ...(await saved()), options: options.value }),
      fileName(format),
    );
    return '';
  });
const batchCode = computed(() => settings.batchCode || null);
/** A slip for each tray as one job. */
const slipRun = (release: ReleaseView): LabelRun => {
  const { stock, start, form, symbology, madeOn, grams } = options.value;
  const items = settings.slips.map(({ group, texture, quantity }) => ({
    releaseId: release.id,
    quantity,
    madeOn,
    grams,
    group: group || null,
    texture: texture || null,
  }));
  return { items, stock, start, form, symbology };
};
const downloadReleased = (release: ReleaseView): Promise<void> =>
  doing(async () => {
    const { slips } = settings;
    download(
      release.kind === 'tray' && slips.length > 0
        ? await labels.runFile(slipRun(release))
        : await labels.file(release.id, 'pdf', { ...options.value, kind: release.kind }, batchCode.value),
      fileName('pdf'),
    );
    return 'Taken as a file, with its batch.';
  });
const handIn = (): Promise<void> =>
  doing(async () => {
    const { kind } = options.value;
    const said = new Set(claimsOn(kind, claims.value).map(({ id }) => id));
    await labels.handIn({
      ...(await saved()),
      kind,
      claims: chosenClaims.value.filter((id) => said.has(id)),
    });
    await reload();
    return 'Handed in. A checker takes the next step.';
  });
const print = (release: ReleaseView): Promise<void> =>
  doing(async () => {
    if (release.kind === 'tray' && settings.slips.length > 0) {
      const { batchCodes } = await labels.printRun(slipRun(release));
      const many = settings.slips.reduce((sum, { quantity }) => sum + quantity, 0);
      return `Sent to the printer: batch ${batchCodes.join(', ')}, ${many} slips in one job.`;
    }
    const { batchCode: code } = await labels.print(
      release.id,
      { ...options.value, kind: release.kind },
      batchCode.value,
    );
    return `Sent to the printer: batch ${code}, ${options.value.quantity} ${options.value.quantity === 1 ? 'label' : 'labels'}.`;
  });

const downloadFigures = (): void =>
  download(
    new Blob([JSON.stringify(bench.worksheet)], { type: 'application/json' }),
    `worksheet-${bench.recipe!.id}.json`,
  );
const doubts = computed(() => drawing.value.findings.filter(isOpen));
</script>

<template>
  <div class="page">
    <section class="paper" aria-label="Paper">
      <LabelDrawing :content="content" :drawing="drawing" />
      <p class="soft under">
        {{ options.stock.name }}; text {{ roundToDecimals(drawing.textSize, 1) }} points, no smaller than the
        law lets it be. Shown at true size{{ released ? ', as it was released' : '' }}.
      </p>
    </section>
    <section class="side">
      <div v-if="doubts.length > 0" class="plate draft" role="alert">
        <p v-for="each in doubts" :key="each.code">{{ each.message }}</p>
      </div>
      <LabelSettings />
      <section class="plate" aria-label="The way out of the kitchen">
        <h2>The way out of the kitchen</h2>
        <div class="ends">
          <button
            class="choice"
            :class="{ main: newest.length === 0 }"
            type="button"
            :disabled="isWorking || !session.may('editor')"
            @click="handIn"
          >
            Hand it in for checking
          </button>
          <button v-if="!session.person" class="choice main" type="button" @click="session.isAsked = true">
            Sign in
          </button>
          <span v-else-if="!session.may('editor')" class="soft">an editor does this</span>
        </div>
        <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
        <p v-if="done" class="done" role="status">
          {{ done }} <RouterLink v-if="done.startsWith('Sent')" to="/printer">The printer's page</RouterLink>
        </p>
        <ul>
          <ReleasePlate
            v-for="release in newest"
            :key="release.id"
            :release="release"
            @changed="reload"
            @print="print"
            @download="downloadReleased"
          />
        </ul>
        <h3>As it stands, marked DRAFT</h3>
        <div class="ends">
          <button class="choice" type="button" :disabled="isWorking" @click="downloadDraft('pdf')">
            Download as PDF
          </button>
          <button class="choice" type="button" :disabled="isWorking" @click="downloadDraft('png')">
            PNG
          </button>
          <button class="choice" type="button" :disabled="isWorking" @click="downloadDraft('svg')">
            SVG
          </button>
          <button class="choice" type="button" :disabled="isWorking" @click="downloadDraft('txt')">
            Text
          </button>
          <button class="choice plain" type="button" @click="downloadFigures">Figures as JSON</button>
        </div>
        <p v-if="bench.recipe" class="soft">
          The dish as a file: <a :href="`/api/recipes/${bench.recipe.id}.md`" download>Markdown</a>,
          <a :href="`/api/recipes/${bench.recipe.id}.csv`" download>table</a>,
          <a :href="`/api/recipes/${bench.recipe.id}.json`" download>JSON-LD</a>. Taken in again, it is the
          same dish.
        </p>
      </section>
      <PrintPlate />
      <DemandsPlate :content="content" />
      <PackedPlate />
      <div v-if="sheet.label.isDraft" class="plate draft">
        <h2>DRAFT until these are decided</h2>
        <ol>
          <li v-for="(reason, index) in sheet.label.draftReasons" :key="index">{{ reason }}</li>
        </ol>
        <RouterLink :to="`/dishes/${bench.recipe!.id}`">Decide them on the ledger</RouterLink>
      </div>
      <ClaimsPlate :claims="claimsOn(options.kind, claims)" :chosen="chosenClaims" @toggle="toggleClaim" />
    </section>
  </div>
</template>

<style scoped>
.page {
  display: grid;
  grid-template-columns: auto minmax(320px, 560px);
  gap: var(--space-5);
  justify-content: center;
  padding: var(--space-4) 20px var(--space-6);
  align-items: start;
}

.paper {
  position: sticky;
  top: var(--space-4);
}

.under {
  max-width: 102mm;
  margin-top: var(--space-2);
  font-size: var(--text-s);
}

.side {
  display: grid;
  gap: var(--space-3);
}

.plate h2 {
  font-size: var(--text-l);
  color: var(--ink);
}

h3 {
  margin-top: var(--space-3);
  padding-top: var(--space-3);
  border-top: 1px solid var(--hairline);
  font-size: var(--text-m);
}

.ends {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2);
  align-items: center;
  margin: var(--space-2) 0;
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
  color: var(--brick);
  font-weight: 600;
}

.done {
  font-weight: 600;
}

@media (max-width: 1000px) {
  .page {
    grid-template-columns: minmax(0, 1fr);
    padding: var(--space-3);
  }

  .paper {
    position: static;
    overflow-x: auto;
  }
}
</style>
