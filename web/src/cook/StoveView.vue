<script setup lang="ts">
/**
 * At the stove: the step that is on, what goes in now, all timers, and one tap for whatever happens. Doing it is writing it. It goes
 * on without the server, and says what is not sent yet.
 */
import { computed, onBeforeUnmount, onMounted, ref, shallowRef, watch } from 'vue';
import { RouterLink } from 'vue-router';
import { useIntervalFn, useLocalStorage, usePreferredDark, useWakeLock } from '@vueuse/core';
import {
  limitOf,
  type EntryBody,
  type Forgotten,
  type OpenBreach,
  type Point,
  type StoveLine,
  type StoveStep,
  type WayOut,
} from '@hand-ladle/core';
import ActionPanel from './ActionPanel.vue';
import AddPanel from './AddPanel.vue';
import { useAuthor } from './author';
import FinishPanel from './FinishPanel.vue';
import ForgottenPanel from './ForgottenPanel.vue';
import MendPanel from './MendPanel.vue';
import OtherPanel from './OtherPanel.vue';
import ReadingPanel from './ReadingPanel.vue';
import SignPanel from './SignPanel.vue';
import { wakeSound } from './sound';
import StoveLineRow from './StoveLineRow.vue';
import { useStove } from './stove';
import TimerPanel from './TimerPanel.vue';
import TimerStrip from './TimerStrip.vue';
import WeighPanel from './WeighPanel.vue';

const props = defineProps<{ code: string }>();
const stove = useStove();
const author = useAuthor();

type Panel =
  'weigh' | 'water' | 'add' | 'mend' | 'reading' | 'action' | 'finish' | 'sign' | 'timer' | 'other' | null;
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
useIntervalFn(() => stove.tell(), 1000);
useIntervalFn(() => void stove.reread(), stove.REREAD_MS);
const wake = useWakeLock();
const prefersDark = usePreferredDark();
const look = useLocalStorage<'' | 'dark' | 'light'>('hand-ladle.stove.look', '');
const isDark = computed(() => (look.value === '' ? prefersDark.value : look.value === 'dark'));
function touched(): void {
  wakeSound();
  if (wake.isSupported.value && !wake.isActive.value) void wake.request('screen').catch(() => undefined);
}
const comeBack = (): void => void stove.reread();
onMounted(() => {
  addEventListener('online', comeBack);
  document.addEventListener('visibilitychange', comeBack);
});
onBeforeUnmount(() => {
  removeEventListener('online', comeBack);
  document.removeEventListener('visibilitychange', comeBack);
  void wake.release();
});

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

async function done(isSure = false): Promise<void> {
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
    step.value?.lookTest || `Step ${step.value?.number ?? ''}`,
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
    <header class="top">
      <RouterLink class="key plain back" to="/cook" aria-label="All batches">‹</RouterLink>
      <nav class="batches" aria-label="Batches">
        <RouterLink
          v-for="each in stove.batches"
          :key="each.code"
          class="key batch"
          :class="{ chosen: each.code === stove.code, calls: each.answer.hand < 0 }"
          :to="`/cook/${each.code}`"
        >
          <span>{{ each.opened.name }}</span>
          <small>{{ each.code }}{{ each.answer.hand < 0 ? ', needs a hand' : '' }}</small>
        </RouterLink>
      </nav>
      <div class="who">
        <span v-if="stove.isAway" class="away" role="status">No server: it goes on here</span>
        <span v-if="stove.unsent > 0" class="unsent" role="status">{{ stove.unsent }} not sent yet</span>
        <button type="button" class="key" @click="panel = 'sign'">
          {{ author.name || 'Who are you?' }}<small v-if="author.name && !author.isSigned">not signed</small>
        </button>
        <button
          type="button"
          class="key plain"
          :aria-label="isDark ? 'Light screen' : 'Dark screen'"
          @click="look = isDark ? 'light' : 'dark'"
        >
          {{ isDark ? '☀' : '☾' }}
        </button>
      </div>
    </header>
    <p v-if="stove.problem" class="problem" role="alert">{{ stove.problem }}</p>
    <p v-for="each in stove.refused" :key="each.number" class="problem" role="alert">
      Not taken: {{ each.refused }}
      <button type="button" class="key plain" @click="stove.dismiss(each.number)">Seen</button>
    </p>
    <TimerStrip />
    <template v-if="current && state && view">
      <p
        v-if="current.opened.claim.length > 0"
        class="claim"
        :class="{ broken: state.claim.some(({ isKept }) => !isKept) }"
      >
        <strong>
          {{
            state.claim.every(({ isKept }) => isKept)
              ? `TO BE FREE FROM ${state.claim.map(({ name }) => name.toUpperCase()).join(', ')}`
              : `NOT FREE FROM ${state.claim
                  .filter(({ isKept }) => !isKept)
                  .map(({ name }) => name.toUpperCase())
                  .join(', ')}`
          }}
        </strong>
        <span v-if="current.opened.groups.length > 0">for {{ current.opened.groups.join(', ') }}</span>
      </p>
      <ul v-if="state.check.length > 0" class="check" role="alert">
        <li v-for="each in state.check" :key="each">CHECK: {{ each }}</li>
      </ul>
      <p v-if="openBreach" class="check" role="alert">
        {{ openBreach.words }}
        <button type="button" class="key" @click="answerBreach">What was done?</button>
      </p>
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
      <section v-else-if="step" class="work" aria-label="The step that is on">
        <div class="told">
          <h1>
            Step {{ step.number
            }}<span v-if="state.loads > 1" class="load">load {{ step.load }} of {{ state.loads }}</span>
            <small>{{ step.station }}</small>
          </h1>
          <p class="text">{{ step.text }}</p>
          <dl class="marks">
            <div v-if="step.lookTest">
              <dt>Look</dt>
              <dd>{{ step.lookTest }}</dd>
            </div>
            <div v-if="step.time">
              <dt>Time</dt>
              <dd>{{ step.time }}</dd>
            </div>
            <div v-if="step.oven">
              <dt>Oven</dt>
              <dd>{{ step.oven }}</dd>
            </div>
            <div v-if="limitNow">
              <dt>Core</dt>
              <dd>{{ limitNow }}</dd>
            </div>
          </dl>
          <p
            v-for="each in coolingWords"
            :key="each.where"
            class="cooling"
            :class="each.standing.replace(' ', '-')"
          >
            {{ each.where ? `${each.where}: ` : 'Cooling: ' }}{{ each.words }}
          </p>
          <p v-if="next" class="next">
            Next{{ next.load === step.load ? '' : `, load ${next.load}` }}: {{ next.text }}
          </p>
        </div>
        <div class="lines" role="group" aria-label="Goes in now">
          <StoveLineRow
            v-for="line in step.lines"
            :key="`${line.lineId} ${line.load}`"
            :line="line"
            @open="weigh(line)"
          />
          <p v-if="step.lines.length === 0" class="nothing">Nothing goes in with this step.</p>
        </div>
      </section>
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
        <button v-if="step && !mustBegin" type="button" class="key main" @click="done()">Step done</button>
        <button type="button" class="key" @click="stepTimer">Timer</button>
        <button type="button" class="key" @click="panel = 'reading'">Temperature</button>
        <button type="button" class="key" @click="panel = 'water'">Water added</button>
        <button type="button" class="key" @click="panel = 'mend'">Tasted</button>
        <button type="button" class="key" @click="panel = 'other'">Something else</button>
        <button type="button" class="key" @click="panel = 'finish'">What came out</button>
        <button v-if="last" type="button" class="key plain" @click="takeBack">Take back the last</button>
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
        :place="state.loads > 1 && step ? `Load ${step.load}` : ''"
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

.top {
  display: flex;
  gap: var(--space-3);
  align-items: center;
  padding: 0 var(--space-4);
}

.back {
  min-width: 64px;
  justify-content: center;
  font-size: 36px;
}

.batches {
  display: flex;
  flex: 1;
  gap: var(--space-2);
  overflow-x: auto;
}

.batch {
  display: grid;
  flex: none;
  max-width: 320px;
  padding: 4px var(--space-4);
  line-height: 1.1;
  text-decoration: none;
}

.batch span {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.batch.calls {
  border-color: var(--brick);
}

small {
  font-size: 17px;
  font-weight: 450;
}

.who {
  display: flex;
  flex-wrap: wrap;
  justify-content: flex-end;
  gap: var(--space-2);
  align-items: center;
}

.who .key {
  display: grid;
  line-height: 1.1;
}

.away,
.unsent {
  padding: 6px 12px;
  border: 2px dashed var(--amber-line);
  border-radius: var(--radius-s);
  background: var(--amber-wash);
  color: var(--amber);
  font-size: 20px;
  font-weight: 680;
}

.problem,
.check {
  margin: 0 var(--space-4);
  padding: var(--space-2) var(--space-4);
  border-radius: var(--radius-s);
  background: var(--brick-wash);
  color: var(--brick);
  font-size: 24px;
  font-weight: 680;
}

.check {
  border: 3px dashed var(--brick);
}

.claim {
  display: flex;
  gap: var(--space-4);
  align-items: baseline;
  margin: 0 var(--space-4);
  padding: var(--space-1) var(--space-4);
  border: 4px solid var(--rim);
  border-radius: var(--radius-s);
  font-size: 26px;
}

.claim.broken {
  border-color: var(--brick);
  background: var(--brick);
  color: var(--on-dark);
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

.work {
  display: grid;
  grid-template-columns: minmax(0, 0.85fr) minmax(0, 1fr);
  gap: var(--space-3);
  flex: 1;
  min-height: 0;
  padding: 0 var(--space-4);
}

.told,
.lines {
  overflow: auto;
  min-height: 0;
  border-radius: var(--radius);
}

.told {
  padding: var(--space-3) var(--space-4);
  background: var(--enamel);
  border-top: 6px solid var(--rim);
}

.told h1 {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 0 var(--space-4);
  font-size: 28px;
}

.load {
  color: var(--rim);
}

.text {
  margin: var(--space-2) 0;
  font-size: 31px;
  font-weight: 560;
  line-height: 1.18;
}

.marks div {
  display: grid;
  grid-template-columns: 80px 1fr;
  align-items: baseline;
}

.marks dt {
  font-size: 20px;
  color: var(--ink-soft);
}

.marks dd {
  font-size: 32px;
  font-weight: 700;
  line-height: 1.15;
}

.next {
  margin-top: var(--space-3);
  padding-top: var(--space-2);
  border-top: 1px solid var(--hairline);
  font-size: 22px;
  color: var(--ink-soft);
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

.nothing {
  padding: var(--space-4);
  font-size: 26px;
  color: var(--ink-soft);
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

@media (max-width: 900px) {
  .work {
    grid-template-columns: 1fr;
    grid-template-rows: minmax(0, 0.8fr) minmax(0, 1fr);
  }
}

@media (max-width: 620px) {
  .stove {
    height: auto;
    min-height: 100dvh;
    overflow: visible;
  }

  .top {
    flex-wrap: wrap;
  }

  .work {
    display: block;
  }

  .acts {
    position: sticky;
    bottom: 0;
    display: grid;
    grid-template-columns: 1fr 1fr;
  }

  .acts .main {
    grid-column: span 2;
  }
}
</style>
