<script setup lang="ts">
/** One line of one load goes in: from the scale or typed, with what can go wrong one tap away. */
import { computed, onMounted, ref, shallowRef, watch } from 'vue';
import {
  type BatchRow,
  type Effect,
  type EntryBody,
  gramsText,
  type StoveLine,
  typedFigure,
  weightText,
} from '@hand-ladle/core';
import { useScale } from '../../devices/scale';
import { useBook } from '../../state/book';
import FoodPicker from '../../ui/FoodPicker.vue';
import { cookServer } from '../offline/cook-server';
import { useStove } from '../offline/stove';
import EffectPlate from './EffectPlate.vue';
import FigurePad from './FigurePad.vue';
import PackForm from './PackForm.vue';
import StovePanel from './StovePanel.vue';

const props = defineProps<{ line: StoveLine }>();
const emit = defineEmits<{ close: [] }>();
const stove = useStove();
const scale = useScale();
const book = useBook();

/** What is being said of the line. */
type Mode = 'in' | 'short' | 'instead' | 'bowl' | 'dropped' | 'pack' | 'out';
const mode = ref<Mode>('in');
const figure = ref('');
const insteadId = ref<string | null>(null);
const into = ref('');
const effect = shallowRef<Effect | null>(null);
/** What it does to the batch whose bowl it went into; null where it is of this one. */
const otherEffect = shallowRef<Effect | null>(null);
const refusal = ref('');

const put = computed(() => props.line.put);
const left = computed(() =>
  put.value.wantedGrams === null ? null : put.value.wantedGrams - put.value.grams,
);
const grams = computed(() => typedFigure(figure.value));
const said = (value: number): string => weightText(value, put.value.stepGrams);
/** Under or over, with what is typed now. */
const off = computed(() => {
  const { wantedGrams, grams: before } = put.value;
  if (wantedGrams === null || grams.value === null) return '';
  const rest = before + grams.value - wantedGrams;
  if (Math.abs(rest) < put.value.stepGrams / 2) return 'right';
  return rest < 0 ? `${said(-rest)} under` : `${said(rest)} over`;
});
const others = computed(() => stove.batches.filter(({ code }) => code !== stove.code));
const onScale = computed(() => (scale.last?.isStable && scale.last.grams > 0 ? scale.last.grams : null));

const common = () => ({ lineId: props.line.lineId, load: props.line.load, grams: grams.value! });
/** What would be written; null while something of it is missing. */
const bodies = computed((): { body: EntryBody; of?: string }[] | null => {
  if (mode.value === 'out')
    return [{ body: { kind: 'left-out', lineId: props.line.lineId, load: props.line.load } }];
  if (grams.value === null || grams.value <= 0) return null;
  const way = onScale.value === grams.value ? ('scale' as const) : ('typed' as const);
  switch (mode.value) {
    case 'instead':
      return insteadId.value === null
        ? null
        : [{ body: { kind: 'substituted', foodId: insteadId.value, way, ...common() } }];
    case 'short':
      return [{ body: { kind: 'weighed', way, isAfterTasting: false, from: from.value, ...common() } }];
    case 'dropped':
      return [{ body: { kind: 'dropped', ...common() } }];
    case 'bowl': {
      const own: { body: EntryBody; of?: string } = {
        body: { kind: 'misplaced', into: into.value, ...common() },
      };
      const foodId = props.line.foodId ?? props.line.componentId;
      if (into.value === '' || foodId === null) return [own];
      const there: EntryBody = {
        kind: 'added',
        foodId,
        grams: grams.value,
        way,
        because: 'wrong bowl',
        stepId: '',
        load: 1,
      };
      return [own, { body: there, of: into.value }];
    }
    default:
      return null;
  }
});
/** Nothing is written before its effect is known: whoever must not have it would get it. */
watch(
  bodies,
  async (now) => {
    [effect.value, otherEffect.value] = [null, null];
    const own = now?.filter(({ of }) => of === undefined).map(({ body }) => body);
    if (!own || own.length === 0) return;
    const there = now!.find(({ of }) => of !== undefined);
    const otherFound = there ? await stove.effectOf([there.body], there.of) : null;
    const found = await stove.effectOf(own);
    if (bodies.value !== now) return;
    [effect.value, otherEffect.value] = [found, otherFound];
  },
  { immediate: true },
);

/** Batches of the component that are there, newest first: it is weighed in from one of them. */
const made = shallowRef<BatchRow[]>([]);
const from = ref('');
onMounted(async () => {
  const { componentId } = props.line;
  const opened = stove.current?.opened;
  if (componentId === null || !opened) return;
  const all = await cookServer.batchesOfRecipe(opened.kitchenId, componentId).catch(() => []);
  made.value = all.filter(({ useBy }) => useBy === null || useBy >= opened.madeOn).slice(0, 4);
});

/** Asked before it goes in; it is written down whatever it is. */
const fromProblem = computed(() => {
  if (from.value === '' || made.value.some(({ code }) => code === from.value.toUpperCase())) return '';
  return `No batch of ${props.line.name} that is in its days has this code. It can be put in: it is then marked, and asked.`;
});

async function weighIn(isAfterTasting: boolean, way: 'scale' | 'typed', value: number | null): Promise<void> {
  if (value === null || value <= 0) {
    refusal.value = 'How many grams?';
    return;
  }
  await stove.write({
    kind: 'weighed',
    lineId: props.line.lineId,
    load: props.line.load,
    grams: value,
    way,
    isAfterTasting,
    from: from.value,
  });
  emit('close');
}
const typed = (isAfterTasting = false): Promise<void> => weighIn(isAfterTasting, 'typed', grams.value);

async function accept(): Promise<void> {
  if (!bodies.value || effect.value === null) return;
  await stove.writeAll(bodies.value);
  emit('close');
}
const title = computed(() => `${props.line.name}${props.line.load > 1 ? `, load ${props.line.load}` : ''}`);
const MODES: readonly { id: Mode; name: string }[] = [
  { id: 'short', name: 'Short of it: that is all there is' },
  { id: 'instead', name: 'Something else instead' },
  { id: 'bowl', name: 'Went into the wrong bowl' },
  { id: 'dropped', name: 'Dropped' },
  { id: 'out', name: 'Leave it out' },
  { id: 'pack', name: 'A pack was opened' },
];
function choose(to: Mode): void {
  mode.value = mode.value === to ? 'in' : to;
  insteadId.value = null;
  into.value = '';
  // What was asked for is what most likely went astray.
  if (figure.value === '' && left.value !== null && left.value > 0 && to !== 'pack' && to !== 'short')
    figure.value = String(left.value);
}
</script>

<template>
  <StovePanel :title="title" @close="emit('close')">
    <div class="sides">
      <div>
        <dl class="sums">
          <div>
            <dt>Goes in</dt>
            <dd>{{ put.wantedGrams === null ? 'no weight planned' : said(put.wantedGrams) }}</dd>
          </div>
          <div v-if="put.firstGrams !== null && put.wantedGrams !== null && put.firstGrams < put.wantedGrams">
            <dt>At first</dt>
            <dd>{{ said(put.firstGrams) }}, then taste</dd>
          </div>
          <div>
            <dt>In it</dt>
            <dd>{{ put.grams > 0 ? said(put.grams) : 'nothing yet' }}</dd>
          </div>
          <div v-if="off !== ''" class="off" role="status">
            <dt>With this</dt>
            <dd>{{ off }}</dd>
          </div>
        </dl>
        <ul v-if="put.additions.length > 0" class="soft before">
          <li v-for="each in put.additions" :key="each.entryId">
            {{ gramsText(each.grams) }}{{ each.isAfterTasting ? ' after tasting' : ''
            }}{{ each.insteadId ? ` ${book.nameOf(each.insteadId)} instead` : '' }}
          </li>
        </ul>
        <div v-if="made.length > 0" class="odd" role="group" aria-label="From which batch">
          <button
            v-for="each in made"
            :key="each.code"
            type="button"
            class="key"
            :class="{ chosen: from === each.code }"
            :aria-pressed="from === each.code"
            @click="from = from === each.code ? '' : each.code"
          >
            From batch {{ each.code }}, made {{ each.madeOn }}
          </button>
        </div>
        <label v-if="line.componentId !== null || made.length > 0" class="code"
          >Or the code on the tub<input
            v-model.trim="from"
            class="field tall"
            maxlength="80"
            autocomplete="off"
        /></label>
        <p v-if="fromProblem" class="wrong" role="status">{{ fromProblem }}</p>
        <div class="odd" role="group" aria-label="It went otherwise">
          <button
            v-for="each in MODES"
            :key="each.id"
            type="button"
            class="key"
            :class="{ chosen: mode === each.id }"
            :aria-pressed="mode === each.id"
            @click="choose(each.id)"
          >
            {{ each.name }}
          </button>
        </div>
      </div>
      <PackForm
        v-if="mode === 'pack' && (line.foodId ?? line.componentId)"
        :food-id="(line.foodId ?? line.componentId)!"
        @done="emit('close')"
      />
      <div v-else>
        <FigurePad
          v-if="mode !== 'out'"
          v-model="figure"
          label="Grams"
          unit="g"
          @enter="mode === 'in' && typed()"
        />
        <template v-if="mode === 'in'">
          <button
            v-if="scale.isOn"
            type="button"
            class="key main big"
            :disabled="onScale === null"
            @click="weighIn(false, 'scale', onScale)"
          >
            {{ onScale === null ? 'Scale: nothing at rest' : `Take ${said(onScale)} from the scale` }}
          </button>
          <div class="two">
            <button type="button" class="key main" @click="typed()">Put in</button>
            <button type="button" class="key" @click="typed(true)">After tasting</button>
          </div>
          <button
            v-if="left !== null && left > 0"
            type="button"
            class="key"
            @click="weighIn(false, 'typed', left)"
          >
            All of it: {{ said(left) }}
          </button>
        </template>
        <template v-else>
          <template v-if="mode === 'instead'">
            <p v-if="insteadId" class="instead">{{ book.nameOf(insteadId) }} instead of {{ line.name }}</p>
            <FoodPicker v-else class="picker" @pick="insteadId = $event" @leave="mode = 'in'" />
          </template>
          <div v-if="mode === 'bowl'" class="odd" role="group" aria-label="Into which bowl">
            <button
              type="button"
              class="key"
              :class="{ chosen: into === '' }"
              :aria-pressed="into === ''"
              @click="into = ''"
            >
              Another bowl of this batch
            </button>
            <button
              v-for="each in others"
              :key="each.code"
              type="button"
              class="key"
              :class="{ chosen: into === each.code }"
              :aria-pressed="into === each.code"
              @click="into = each.code"
            >
              {{ each.opened.name }}
            </button>
          </div>
          <EffectPlate v-if="bodies" :effect="effect" />
          <template v-if="otherEffect">
            <p class="instead">{{ others.find(({ code }) => code === into)?.opened.name }}:</p>
            <EffectPlate :effect="otherEffect" />
          </template>
          <button type="button" class="key main big" :disabled="!bodies || effect === null" @click="accept">
            Write it down
          </button>
        </template>
        <p v-if="refusal" class="wrong" role="alert">{{ refusal }}</p>
      </div>
    </div>
  </StovePanel>
</template>

<style scoped>
.sums div {
  display: grid;
  grid-template-columns: 130px 1fr;
  align-items: baseline;
  font-size: 26px;
}

.sums dd {
  font-size: 44px;
  font-weight: 740;
  line-height: 1.15;
}

.off dd {
  color: var(--rim);
}

.before {
  font-size: 20px;
  margin: var(--space-2) 0;
}

.odd {
  display: grid;
  gap: var(--space-2);
  margin-top: var(--space-3);
}

.code {
  display: grid;
  margin-top: var(--space-3);
  font-size: 20px;
}

.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: var(--space-2);
}

.key {
  margin-top: var(--space-2);
  width: 100%;
}

.instead {
  font-size: 26px;
  font-weight: 650;
  margin: var(--space-2) 0;
}

.wrong {
  font-size: 24px;
  color: var(--brick);
}
</style>
