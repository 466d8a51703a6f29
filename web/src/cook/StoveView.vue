<script setup lang="ts">
/**
 * At the stove: the step that is on, what goes in now, all timers, and one tap for whatever happens. Doing it is writing it. It goes
 * on without the server, and says what is not sent yet.
 */
import { useLocalStorage, usePreferredDark } from '@vueuse/core';
import { computed, ref, shallowRef, watch } from 'vue';
import {
  type EntryBody,
  type Forgotten,
  limitOf,
  type OpenBreach,
  type Point,
  type StoveLine,
  type StoveStep,
  type WayOut,
} from '@hand-ladle/core';
import { useAwake } from './awake';
import { useAuthor } from './offline/author';
import { useStove } from './offline/stove';
import ActionPanel from './panels/ActionPanel.vue';
import AddPanel from './panels/AddPanel.vue';
import AnswerPanel from './panels/AnswerPanel.vue';
import FinishPanel from './panels/FinishPanel.vue';
import ForgottenPanel from './panels/ForgottenPanel.vue';
import MendPanel from './panels/MendPanel.vue';
import OtherPanel from './panels/OtherPanel.vue';
import ReadingPanel from './panels/ReadingPanel.vue';
import SignPanel from './panels/SignPanel.vue';
import TimerPanel from './panels/TimerPanel.vue';
import WeighPanel from './panels/WeighPanel.vue';
import StandingPlate from './StandingPlate.vue';
import StepPlate from './StepPlate.vue';
import StoveTop from './StoveTop.vue';
import TimerStrip from './TimerStrip.vue';

const props = defineProps<{ code: string }>();
const stove = useStove();
const author = useAuthor();

type Panel =
  | 'stand'
  | 'weigh'
  | 'water'
  | 'add'
  | 'mend'
  | 'reading'
  | 'action'
  | 'finish'
  | 'sign'
  | 'timer'
  | 'other'
  | null;
const panel = ref<Panel>(null);
const weighed = shallowRef<StoveLine | null>(null);
const forgotten = shallowRef<Forgotten[]>([]);
const breach = shallowRef<OpenBreach | null>(null);
const timerWish = shallowRef<{ minutes: number | null; name: string; everyMinutes: number | null } | null>(
  null,
);
/** A step that is looked at, where it is not the one that is on. */
const looked = ref<number | null>(null);

watch(
  () => props.code,
  (code) => {
    looked.value = null;
    panel.value = null;
    void stove.open(code);
  },
  { immediate: true },
);
const touched = useAwake();
const prefersDark = usePreferredDark();
const look = useLocalStorage<'' | 'dark' | 'light'>('hand-ladle.stove.look', '');
const isDark = computed(() => (look.value === '' ? prefersDark.value : look.value === 'dark'));

const current = computed(() => stove.current);
const state = computed(() => current.value?.answer.state ?? null);
const view = computed(() => current.value?.answer.stove ?? null);
const at = computed(() => looked.value ?? view.value?.at ?? null);
const step = computed((): StoveStep | null =>
  at.value === null ? null : (view.value?.steps[at.value] ?? null),
);
const next = computed((): StoveStep | null =>
  at.value === null ? null : (view.value?.steps[at.value + 1] ?? null),
);
const mustBegin = computed(
  () =>
    state.value !== null &&
    state.value.isClean !== true &&
    (current.value?.opened.claim.length ?? 0) > 0 &&
    state.value.phase !== 'closed',
);
const openBreach = computed(() => state.value?.breaches[0] ?? null);
const write = (body: EntryBody): Promise<string> => stove.write(body);

function weigh(line: StoveLine): void {
  weighed.value = line;
  panel.value = 'weigh';
}

/** A knuckle taps twice: the second tap is not the next step's. */
const TWICE_MS = 700;
const isDoing = ref(false);
async function done(isSure = false): Promise<void> {
  if (!step.value || isDoing.value) return;
  isDoing.value = true;
  try {
    await doneOnce(isSure);
  } finally {
    setTimeout(() => (isDoing.value = false), TWICE_MS);
  }
}

async function doneOnce(isSure: boolean): Promise<void> {
  if (!step.value) return;
  const { stepId, load } = step.value;
  if (!isSure) {
    const found = await stove.forgottenAt(stepId, load);
    if (found.length > 0) {
      forgotten.value = found;
      return;
    }
  }
  forgotten.value = [];
  looked.value = null;
  await write({ kind: 'step-done', stepId, load });
}

async function takeWay(one: Forgotten, { way, body }: WayOut): Promise<void> {
  if (body) {
    await write(body);
    forgotten.value = forgotten.value.filter((each) => each !== one);
    return;
  }
  forgotten.value = [];
  const line = view.value?.steps
    .flatMap(({ lines }) => lines)
    .find((each) => each.lineId === one.lineId && each.load === one.load);
  if (way === 'add now' && line) weigh(line);
}

function askTimer(minutes: number | null, name: string, everyMinutes: number | null): void {
  timerWish.value = { minutes, name, everyMinutes };
  panel.value = 'timer';
}
const stepTimer = (): void =>
  askTimer(
    step.value?.minutes ?? null,
    `Step ${step.value?.number ?? ''}${step.value?.lookTest ? `: ${step.value.lookTest}` : ''}`,
    step.value?.everyMinutes ?? null,
  );

/** What is likely measured now: the core where the step cooks through, a cooling once it is finished. */
const firstPoint = computed((): Point =>
  state.value && (state.value.coolings.length > 0 || state.value.finishedGrams !== null) ? 'cooling' : 'core',
);
const POINTS: readonly Point[] = ['core', 'hot-hold', 'cooling', 'reheat', 'cold-hold', 'oil'];

function answerBreach(): void {
  breach.value = openBreach.value;
  panel.value = 'action';
}
function out(found: OpenBreach): void {
  breach.value = found;
  panel.value = 'action';
}

/** The last thing this tablet wrote, taken back by a further entry. */
const last = computed(() => {
  const own = (current.value?.entries ?? []).filter(({ kind }) => kind !== 'correction');
  const corrected = new Set(
    (current.value?.entries ?? []).flatMap((each) => (each.kind === 'correction' ? [each.of] : [])),
  );
  return own.filter(({ id, by }) => !corrected.has(id) && by === author.name).at(-1) ?? null;
});
const takeBack = (): Promise<string> =>
  write({ kind: 'correction', of: last.value!.id, reason: 'taken back at once', instead: null });

const coolingWords = computed(
  () =>
    state.value?.coolings.map(({ watch: each, where }) => ({
      words: each.words,
      where,
      standing: each.standing,
    })) ?? [],
);
const limitNow = computed(() =>
  current.value && step.value?.coreCelsius
    ? limitOf('core', '', current.value.opened.inputs.kitchen)?.words
    : '',
);
</script>

<template>
  <div class="stove" :data-stove="isDark ? 'dark' : 'light'" @pointerdown="touched" @keydown="touched">
    <StoveTop :is-dark="isDark" @sign="panel = 'sign'" @turn="look = isDark ? 'light' : 'dark'" />
    <TimerStrip />
    <template v-if="current && state && view">
      <StandingPlate
        :opened="current.opened"
        :state="state"
        @answer="answerBreach"
        @stand="panel = 'stand'"
      />
      <section v-if="mustBegin" class="begin" aria-label="Before it begins">
        <h1>{{ current.opened.name }}</h1>
        <p>
          Clean pans, boards, spoons, hands and cloth, kept for this batch alone. Nothing else is cooked with
          them.
        </p>
        <button type="button" class="key main big" @click="write({ kind: 'begun', isClean: true })">
          The equipment is clean: begin
        </button>
      </section>
      <StepPlate
        v-else-if="step"
        :step="step"
        :next="next"
        :limit="limitNow ?? ''"
        :coolings="coolingWords"
        @weigh="weigh"
      />
      <section v-else class="begin" aria-label="All steps are done">
        <h1>{{ current.opened.name }}: all steps are done</h1>
        <p
          v-for="each in coolingWords"
          :key="each.where"
          class="cooling"
          :class="each.standing.replace(' ', '-')"
        >
          {{ each.where ? `${each.where}: ` : 'Cooling: ' }}{{ each.words }}
        </p>
        <ul>
          <li v-for="each in state.missing" :key="each">{{ each }}</li>
        </ul>
        <button type="button" class="key main big" @click="panel = 'finish'">What came out</button>
      </section>
      <footer class="acts" aria-label="What happens">
        <button v-if="step && !mustBegin" type="button" class="key main" :disabled="isDoing" @click="done()">
          Step done
        </button>
        <button type="button" class="key" @click="stepTimer">Timer</button>
        <button type="button" class="key" @click="panel = 'reading'">Temperature</button>
        <button type="button" class="key" @click="panel = 'water'">Water added</button>
        <button type="button" class="key" @click="panel = 'mend'">Tasted</button>
        <button type="button" class="key" @click="panel = 'other'">Something else</button>
        <button type="button" class="key" @click="panel = 'finish'">Finish</button>
        <button v-if="last" type="button" class="key plain" @click="takeBack">Take back</button>
      </footer>
      <WeighPanel v-if="panel === 'weigh' && weighed" :line="weighed" @close="panel = null" />
      <AddPanel
        v-if="panel === 'water' || panel === 'add'"
        :is-water="panel === 'water'"
        :step-id="step?.stepId ?? ''"
        :load="step?.load ?? 1"
        @close="panel = null"
      />
      <MendPanel
        v-if="panel === 'mend'"
        :step-id="step?.stepId ?? ''"
        :load="step?.load ?? 1"
        @close="panel = panel === 'mend' ? null : panel"
        @timer="(minutes, name) => askTimer(minutes, name, null)"
      />
      <ReadingPanel
        v-if="panel === 'reading'"
        :kitchen="current.opened.inputs.kitchen"
        :points="POINTS"
        :first="firstPoint"
        :place="step && step.loads > 1 ? `Load ${step.load}` : ''"
        :write="write"
        @close="panel = null"
        @out="out"
      />
      <ActionPanel
        v-if="panel === 'action' && breach"
        :breach="breach"
        :actions="current.opened.inputs.kitchen.safety.actions"
        :write="write"
        @close="panel = null"
      />
      <AnswerPanel
        v-if="panel === 'stand'"
        :asks="state.asks"
        :write="write"
        @close="panel = null"
        @sign="panel = 'sign'"
      />
      <TimerPanel
        v-if="panel === 'timer' && timerWish"
        :wish="timerWish"
        :step-id="step?.stepId ?? ''"
        :load="step?.load ?? 1"
        @close="panel = null"
      />
      <OtherPanel
        v-if="panel === 'other'"
        @close="panel = null"
        @add="panel = 'add'"
        @look="
          (index) => {
            looked = index;
            panel = null;
          }
        "
      />
      <FinishPanel v-if="panel === 'finish'" @close="panel = null" />
      <ForgottenPanel
        v-if="forgotten.length > 0"
        :forgotten="forgotten"
        @close="forgotten = []"
        @way="takeWay"
        @anyway="done(true)"
      />
    </template>
    <SignPanel v-if="panel === 'sign'" @close="panel = null" />
  </div>
</template>

<style scoped>
.stove {
  display: flex;
  flex-direction: column;
  gap: var(--space-2);
  height: 100dvh;
  overflow: hidden;
  padding: var(--space-2) 0 0;
  background: var(--bench);
  color: var(--ink);
}

.begin {
  display: grid;
  align-content: center;
  gap: var(--space-4);
  flex: 1;
  min-height: 0;
  overflow: auto;
  padding: var(--space-5);
  font-size: 28px;
}

.begin h1 {
  font-size: 42px;
}

.cooling {
  margin-top: var(--space-2);
  font-size: 26px;
  font-weight: 680;
}

.cooling.will-fail,
.cooling.failed,
.cooling.missing {
  color: var(--brick);
}

.acts {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2);
  padding: var(--space-2) var(--space-4) var(--space-3);
  background: var(--enamel);
}

.acts .key {
  flex: 1;
  justify-content: center;
}

@media (max-width: 620px) {
  .stove {
    height: auto;
    min-height: 100dvh;
    overflow: visible;
  }

  .acts {
    position: sticky;
    bottom: 0;
    flex-wrap: nowrap;
    overflow-x: auto;
    box-shadow: 0 -2px 0 var(--hairline);
  }

  .acts .key {
    flex: none;
  }
}
</style>
