<script setup lang="ts">
/** The way of one label out of the kitchen: who took which step, what changed since, and the next step by role. */
import { computed, ref } from 'vue';
import {
  LABEL_KIND_NAMES,
  type Language,
  LANGUAGE_NAMES,
  type ReleaseView,
  type Role,
  type Signature,
} from '@hand-ladle/core';
import { labels } from '../api/labels';
import { useSession } from '../state/session';

const props = defineProps<{ release: ReleaseView; isNamed?: boolean }>();
const emit = defineEmits<{ changed: []; print: [release: ReleaseView]; download: [release: ReleaseView] }>();
const session = useSession();
const problem = ref('');
const isWorking = ref(false);

const STATE_WORDS = {
  draft: 'Draft',
  checked: 'Checked',
  released: 'Released',
  withdrawn: 'Withdrawn',
} as const;
const word = computed(() =>
  props.release.isStale && props.release.state !== 'withdrawn'
    ? `${STATE_WORDS[props.release.state]}, but stale`
    : STATE_WORDS[props.release.state],
);
const dated = (at: string): string =>
  new Date(at).toLocaleString('en-GB', {
    day: 'numeric',
    month: 'short',
    hour: '2-digit',
    minute: '2-digit',
  });
const steps = computed(() =>
  (
    [
      ['handed in', props.release.drafted],
      ['checked', props.release.checked],
      ['released', props.release.released],
      ['withdrawn', props.release.withdrawn],
    ] as [string, Signature | null][]
  ).flatMap(([what, signature]) => (signature ? `${what} by ${signature.name}, ${dated(signature.at)}` : [])),
);
const canPrint = computed(() => props.release.state === 'released' && !props.release.isStale);
const next = computed<{ act: 'check' | 'release'; words: string; role: Role } | null>(() => {
  const { state, isStale, openPoints } = props.release;
  if (isStale || openPoints.length > 0) return null;
  if (state === 'draft') return { act: 'check', words: 'I checked it against the packs', role: 'checker' };
  return state === 'checked' ? { act: 'release', words: 'Release it', role: 'manager' } : null;
});
const MOST_SHOWN = 6;
/** A long value is cut; it stands whole in the frozen inputs. */
const inWords = (value: string): string => (value.length > 160 ? `${value.slice(0, 159)}…` : value);

async function step(act: 'check' | 'release' | 'withdraw'): Promise<void> {
  isWorking.value = true;
  problem.value = '';
  try {
    await labels.step(props.release.id, act, props.release.version);
  } catch (error) {
    problem.value = (error as Error).message;
  } finally {
    isWorking.value = false;
    emit('changed');
  }
}
</script>

<template>
  <li
    class="release"
    :class="[release.state, { stale: release.isStale && release.state !== 'withdrawn' }]"
    :data-release="release.id"
  >
    <header>
      <b class="state">{{ word }}</b>
      <RouterLink v-if="isNamed" :to="`/dishes/${release.recipeId}/label`" class="name">{{
        release.recipeName
      }}</RouterLink>
      <span class="soft">
        <template v-if="release.batchCode"
          >of batch <RouterLink :to="`/records/${release.batchCode}`">{{ release.batchCode }}</RouterLink>
          only;
        </template>
        {{ LABEL_KIND_NAMES[release.kind] }}; {{ release.regime === 'us' ? 'US law' : 'EU and UK law' }},
        {{ LANGUAGE_NAMES[release.language as Language] }}, {{ Math.round(release.portionGrams) }} g
      </span>
    </header>
    <p class="soft steps">{{ steps.join('; ') }}</p>
    <template v-if="release.isStale && release.state !== 'withdrawn'">
      <p class="since">Changed since it was handed in:</p>
      <ul class="changes">
        <li v-for="(change, index) in release.changes.slice(0, MOST_SHOWN)" :key="index">
          <b>{{ change.what }}</b>
          <span v-if="inWords(change.before)">was {{ inWords(change.before) }}</span>
          <span v-if="inWords(change.after)">is {{ inWords(change.after) }}</span>
          <span v-if="!change.after">is not there any more</span>
        </li>
      </ul>
      <p v-if="release.changes.length > MOST_SHOWN" class="soft">
        and {{ release.changes.length - MOST_SHOWN }} more
      </p>
    </template>
    <ul v-if="release.state === 'draft' && release.openPoints.length > 0" class="changes">
      <li v-for="(point, index) in release.openPoints.slice(0, MOST_SHOWN)" :key="index">{{ point }}</li>
    </ul>
    <p v-if="problem" class="wrong" role="alert">{{ problem }}</p>
    <div class="acts">
      <template v-if="canPrint">
        <button
          class="choice main"
          type="button"
          :disabled="!session.may('cook')"
          @click="emit('print', release)"
        >
          Print
        </button>
        <button
          class="choice"
          type="button"
          :disabled="!session.may('cook')"
          @click="emit('download', release)"
        >
          Download, without DRAFT
        </button>
      </template>
      <button
        v-if="next"
        class="choice main"
        type="button"
        :disabled="isWorking || !session.may(next.role)"
        @click="step(next.act)"
      >
        {{ next.words }}
      </button>
      <span v-if="next && !session.may(next.role)" class="soft">a {{ next.role }} does this</span>
      <button
        v-if="release.state !== 'withdrawn' && session.may('checker')"
        class="choice plain"
        type="button"
        :disabled="isWorking"
        @click="step('withdraw')"
      >
        Withdraw
      </button>
    </div>
  </li>
</template>

<style scoped>
.release {
  padding: var(--space-3) 0;
  border-top: 1px solid var(--hairline);
}

header {
  display: flex;
  flex-wrap: wrap;
  gap: 2px var(--space-3);
  align-items: baseline;
}

.name {
  font-weight: 620;
}

.state {
  padding: 1px 8px 2px;
  border-radius: var(--radius-s);
  box-shadow: inset 0 0 0 1.5px var(--ink-soft);
  font-size: var(--text-s);
}

.released:not(.stale) .state {
  background: var(--rim);
  color: var(--on-dark);
  box-shadow: none;
}

.stale .state {
  background: var(--amber-wash);
  color: var(--amber);
  box-shadow: none;
  border: 1.5px dashed var(--amber-line);
}

.steps,
.since,
.changes {
  font-size: var(--text-s);
}

.since {
  margin-top: var(--space-1);
  color: var(--amber);
  font-weight: 600;
}

.changes li {
  display: flex;
  flex-wrap: wrap;
  gap: 0 var(--space-2);
  overflow-wrap: anywhere;
}

.acts {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2);
  align-items: center;
  margin-top: var(--space-2);
}

.acts:empty {
  display: none;
}

.wrong {
  color: var(--brick);
  font-weight: 600;
}
</style>
