<script setup lang="ts">
/** The figures of the target, in the way it is said: portions and sizes, weight, pans, what is in store, loads. */
import { computed } from 'vue';
import {
  gramsText,
  inSentence,
  PAN_TYPES,
  type PanId,
  PANS,
  roundToDecimals,
  type Serving,
  type Stored,
  type Target,
} from '@hand-ladle/core';
import { useBench } from '../../state/bench';
import FigureInput from '../../ui/FigureInput.vue';
import { vTyped } from '../../ui/typed';

defineEmits<{ wrong: [text: string] }>();
const bench = useBench();
const sheet = computed(() => bench.worksheet!);
const target = computed(() => bench.target!);

const SIZE_NAMES = ['Adult', 'Ward', 'Junior', 'Infant', 'Large', 'Staff'];
const MOST_ROWS = 8;

const sizes = computed<readonly Serving[]>(() => {
  const now = target.value;
  if (now.kind === 'sizes') return now.sizes;
  return now.kind === 'portions' ? [{ name: '', ...now }] : [];
});

function setSizes(next: readonly Serving[], isTyped = false): void {
  const [first] = next;
  if (!first) return;
  const said: Target =
    next.length === 1
      ? { kind: 'portions', portions: first.portions, portionGrams: first.portionGrams }
      : {
          kind: 'sizes',
          sizes: next.map(({ name, portions, portionGrams }) => ({ name, portions, portionGrams })),
        };
  if (isTyped) bench.dragTarget(said);
  else bench.setTarget(said);
}

const changeSize = (index: number, change: Partial<Serving>, isTyped = true): void =>
  setSizes(
    sizes.value.map((each, at) => (at === index ? { ...each, ...change } : each)),
    isTyped,
  );

/** Another size takes no portion away from the ones there are. */
function addSize(): void {
  const named = sizes.value.map((each, at) => ({ ...each, name: each.name || SIZE_NAMES[at]! }));
  const taken = new Set(named.map(({ name }) => name));
  const name = SIZE_NAMES.find((each) => !taken.has(each)) ?? `Size ${named.length + 1}`;
  setSizes([...named, { name, portions: 10, portionGrams: sizes.value[0]!.portionGrams }]);
}

const panType = computed(() => (target.value.kind === 'pans' ? PANS[target.value.pan].type : ''));
const depths = computed(() => PAN_TYPES.find(({ type }) => type === panType.value)?.pans ?? []);
const owned = computed(() => {
  const now = target.value;
  return now.kind === 'pans' ? (bench.kitchen?.pans.find(({ pan }) => pan === now.pan)?.count ?? 0) : 0;
});

function setPan(pan: PanId | undefined): void {
  if (target.value.kind === 'pans' && pan) bench.setTarget({ ...target.value, pan });
}

/** Another size of pan, as deep as the one before where it comes so deep. */
function setPanType(type: string): void {
  const pans = PAN_TYPES.find((each) => each.type === type)?.pans ?? [];
  const now = target.value.kind === 'pans' ? PANS[target.value.pan].depthMm : 0;
  setPan(pans.find((id) => PANS[id].depthMm === now) ?? pans[0]);
}

/** The lines that can limit a batch: those with a weight of their own. */
const stored = computed(() =>
  sheet.value.lines.filter(
    (line) =>
      line.purchasedGrams !== null &&
      line.id === line.sourceId &&
      !['pan', 'portions'].includes(line.follows) &&
      line.technique === null,
  ),
);
const inStore = computed<Stored[]>(() => {
  const now = target.value;
  return now.kind === 'store' ? [{ lineId: now.lineId, grams: now.grams }, ...(now.others ?? [])] : [];
});

function setStored(next: readonly Stored[], isTyped = false): void {
  const now = target.value;
  const [first, ...others] = next;
  if (now.kind !== 'store' || !first) return;
  const said: Target = { ...now, ...first, others };
  if (isTyped) bench.dragTarget(said);
  else bench.setTarget(said);
}

const changeStored = (index: number, change: Partial<Stored>, isTyped = false): void =>
  setStored(
    inStore.value.map((each, at) => (at === index ? { ...each, ...change } : each)),
    isTyped,
  );

function addStored(): void {
  const taken = new Set(inStore.value.map(({ lineId }) => lineId));
  const next = [...stored.value]
    .sort((one, other) => other.share - one.share)
    .find(({ id }) => !taken.has(id));
  if (next)
    setStored([
      ...inStore.value,
      { lineId: next.id, grams: roundToDecimals(next.purchasedGrams ?? 1000, 0) || 1 },
    ]);
}

function leftText(lineId: string): string {
  const left = sheet.value.leftovers.find((each) => each.lineId === lineId);
  if (!left) return '';
  return left.isLimit ? 'all of it: this is the limit' : `${gramsText(left.leftGrams)} left over`;
}

/** Machines the steps of the dish use, for "one load of this". */
const machines = computed(() => [
  ...new Map(sheet.value.choices.map(({ vesselId, name }) => [vesselId, name])),
]);
const loadedId = computed(() => {
  const now = target.value;
  if (now.kind !== 'load') return '';
  return machines.value.some(([id]) => id === now.vesselId) ? now.vesselId : (sheet.value.vessel?.id ?? '');
});
const valueOf = (event: Event): string => (event.target as HTMLInputElement | HTMLSelectElement).value;
const done = (): void => bench.dropTarget();
</script>

<template>
  <div class="figures" :class="{ many: sizes.length > 1 || inStore.length > 1 }">
    <template v-if="target.kind === 'portions' || target.kind === 'sizes'">
      <div v-for="(size, index) in sizes" :key="index" class="row">
        <input
          v-if="sizes.length > 1"
          v-typed="size.name"
          class="named"
          maxlength="40"
          :aria-label="`Name of size ${index + 1}`"
          @change="changeSize(index, { name: valueOf($event).trim() || `Size ${index + 1}` }, false)"
        />
        <FigureInput
          :label="sizes.length > 1 ? `${size.name} portions` : 'Portions'"
          :value="size.portions"
          :is-big="sizes.length === 1"
          @set="changeSize(index, { portions: $event })"
          @done="done"
          @wrong="$emit('wrong', $event)"
        />
        <span class="soft">{{ sizes.length > 1 ? 'of' : 'portions of' }}</span>
        <FigureInput
          :label="sizes.length > 1 ? `${size.name} portion size in grams` : 'Portion size in grams'"
          :value="size.portionGrams"
          :step="5"
          :is-big="sizes.length === 1"
          @set="changeSize(index, { portionGrams: $event })"
          @done="done"
          @wrong="$emit('wrong', $event)"
        />
        <span class="soft">g</span>
        <button
          v-if="sizes.length > 1"
          class="drop"
          type="button"
          :aria-label="`Take out the size ${size.name}`"
          @click="setSizes(sizes.filter((_, at) => at !== index))"
        >
          ×
        </button>
      </div>
      <button v-if="sizes.length < MOST_ROWS" class="more" type="button" @click="addSize">
        {{ sizes.length > 1 ? 'One more size' : 'More sizes' }}
      </button>
    </template>

    <div v-else-if="target.kind === 'weight'" class="row">
      <FigureInput
        label="Finished weight in kilograms"
        :value="target.grams / 1000"
        :decimals="3"
        @set="bench.dragTarget({ ...(target as Target & { kind: 'weight' }), grams: $event * 1000 })"
        @done="done"
        @wrong="$emit('wrong', $event)"
      />
      <span class="soft">kg finished</span>
    </div>

    <div v-else-if="target.kind === 'pans'" class="row">
      <FigureInput
        label="Number of pans"
        :value="target.count"
        @set="bench.dragTarget({ ...(target as Target & { kind: 'pans' }), count: $event })"
        @done="done"
        @wrong="$emit('wrong', $event)"
      />
      <select class="pick" aria-label="Kind of pan" :value="panType" @change="setPanType(valueOf($event))">
        <option v-for="each in PAN_TYPES" :key="each.type" :value="each.type">{{ each.type }}</option>
      </select>
      <select
        v-if="depths.length > 1"
        class="pick"
        aria-label="Depth of the pan"
        :value="target.pan"
        @change="setPan(valueOf($event) as PanId)"
      >
        <option v-for="id in depths" :key="id" :value="id">{{ PANS[id].depthMm }} mm</option>
      </select>
      <FigureInput
        label="Fill in percent"
        :value="target.fill * 100"
        :step="5"
        :is-big="false"
        :decimals="0"
        @set="bench.dragTarget({ ...(target as Target & { kind: 'pans' }), fill: Math.min(1, $event / 100) })"
        @done="done"
        @wrong="$emit('wrong', $event)"
      />
      <span class="soft">% full</span>
      <button
        v-if="Math.abs(target.count - Math.round(target.count)) > 0.001"
        class="more"
        type="button"
        @click="
          bench.setTarget({
            ...(target as Target & { kind: 'pans' }),
            count: Math.ceil(target.count - 0.001),
          })
        "
      >
        Fill whole pans: {{ Math.ceil(target.count - 0.001) }}
      </button>
      <span v-else class="soft">{{ owned }} in the cupboard</span>
    </div>

    <template v-else-if="target.kind === 'store'">
      <div v-for="(each, index) in inStore" :key="index" class="row">
        <FigureInput
          :label="
            index === 0
              ? 'In store, in kilograms as purchased'
              : `In store ${index + 1}, in kilograms as purchased`
          "
          :value="each.grams / 1000"
          :decimals="3"
          :is-big="inStore.length === 1"
          @set="changeStored(index, { grams: $event * 1000 }, true)"
          @done="done"
          @wrong="$emit('wrong', $event)"
        />
        <span class="soft">kg of</span>
        <select
          class="pick"
          :aria-label="index === 0 ? 'What is in store' : `What is in store ${index + 1}`"
          :value="each.lineId"
          @change="changeStored(index, { lineId: valueOf($event) })"
        >
          <option v-for="line in stored" :key="line.id" :value="line.id">{{ inSentence(line.name) }}</option>
        </select>
        <span v-if="inStore.length > 1" class="left">{{ leftText(each.lineId) }}</span>
        <button
          v-if="inStore.length > 1"
          class="drop"
          type="button"
          aria-label="Take this food out of the target"
          @click="setStored(inStore.filter((_, at) => at !== index))"
        >
          ×
        </button>
      </div>
      <button
        v-if="inStore.length < Math.min(MOST_ROWS, stored.length)"
        class="more"
        type="button"
        @click="addStored"
      >
        Another food in store
      </button>
    </template>

    <div v-else class="row">
      <FigureInput
        label="Loads"
        :value="target.loads"
        @set="bench.dragTarget({ ...(target as Target & { kind: 'load' }), loads: $event })"
        @done="done"
        @wrong="$emit('wrong', $event)"
      />
      <span class="soft">{{ target.loads === 1 ? 'full load of the' : 'full loads of the' }}</span>
      <select
        class="pick"
        aria-label="Machine to fill"
        :value="loadedId"
        @change="bench.setTarget({ ...(target as Target & { kind: 'load' }), vesselId: valueOf($event) })"
      >
        <option v-for="[id, name] in machines" :key="id" :value="id">{{ name }}</option>
      </select>
    </div>
  </div>
</template>

<style scoped>
.figures {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0 var(--space-3);
  padding: 0 var(--space-3);
  min-height: 51px;
  background: var(--enamel);
  border: 1.5px solid var(--rim);
  border-radius: var(--radius);
}

.figures.many {
  flex-direction: column;
  align-items: stretch;
}

.row {
  display: flex;
  align-items: baseline;
  gap: var(--space-2);
}

.many .row {
  border-bottom: 1px solid var(--hairline);
}

.named {
  width: 9ch;
  min-height: 38px;
  padding: 0;
  border: 0;
  background: none;
  font-weight: 600;
}

.pick {
  align-self: center;
  min-height: 40px;
  max-width: 190px;
  border: 0;
  background: none;
  font-weight: 600;
}

.more,
.drop {
  min-height: 40px;
  padding: 0 4px;
  border: 0;
  background: none;
  color: var(--rim);
  font-size: var(--text-s);
  font-weight: 600;
  text-align: left;
  white-space: nowrap;
}

.drop {
  min-width: 32px;
  margin-left: auto;
  font-size: var(--text-l);
  text-align: center;
}

.left {
  font-size: var(--text-s);
  color: var(--ink-soft);
}

@media (pointer: coarse) {
  .pick,
  .more,
  .drop,
  .named {
    min-height: var(--touch);
  }
}

@media (max-width: 760px) {
  .figures {
    width: 100%;
  }

  .row {
    flex-wrap: wrap;
  }
}
</style>
