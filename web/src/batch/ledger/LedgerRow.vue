<script setup lang="ts">
/** One line of the ledger, and under it the decision that is open about it. */
import { computed, nextTick, ref } from 'vue';
import { gramsText, isOpen, loadsText, scaleText, STATUS_WORDS, type WorksheetLine } from '@hand-ladle/core';
import { useBench } from '../../state/bench';
import { useBook } from '../../state/book';
import { usePrompts } from '../../state/prompts';
import AmountText from '../../ui/AmountText.vue';
import DecisionChoices from '../../ui/DecisionChoices.vue';
import LineOffers from './LineOffers.vue';
import LineWeight from './LineWeight.vue';

const props = defineProps<{
  line: WorksheetLine;
  depth: number;
  isLoaded: boolean;
  isHeldBack: boolean;
  isOpened: boolean;
}>();
defineEmits<{ toggle: [] }>();
const bench = useBench();
const book = useBook();
const prompts = usePrompts();

const loads = computed(() => loadsText(props.line.loads, props.line.stepGrams).replaceAll(' x ', ' × '));
const FOLLOWS_WORDS = { batch: '', water: 'by the surface', pan: 'by the pan', portions: 'by the portion' };
/** What of a bath ends in the dish: "120 g of it eaten, the rest stays in the pan". */
const RESTS = {
  frying: 'the rest stays in the pan',
  boiling: 'the rest is poured off',
  soaking: 'the rest is poured off',
  steaming: 'it stays under the steamer',
  marinating: 'the rest is thrown away',
  salting: 'the rest is rinsed off',
  straining: 'the rest stays in the sieve',
};
const eaten = computed(() => {
  const { batchGrams, eatenShare, bath } = props.line;
  if (batchGrams === null || bath === null) return '';
  return eatenShare > 0 ? `${gramsText(batchGrams * eatenShare)} of it eaten, ${RESTS[bath]}` : RESTS[bath];
});
const follows = computed(() =>
  props.depth > 0 ? '' : props.line.technique ? 'by the splash' : FOLLOWS_WORDS[props.line.follows],
);
const offers = computed(() =>
  props.depth === 0 ? bench.offers.filter(({ lineId }) => lineId === props.line.sourceId) : [],
);
const first = computed(() => scaleText(props.line.firstGrams ?? 0, props.line.stepGrams));
const columns = computed(() => 4 + Number(props.isLoaded) + Number(props.isHeldBack));
const decision = computed(() => (props.depth === 0 ? (props.line.findings.find(isOpen) ?? null) : null));
const more = computed(() => props.line.findings.filter(isOpen).length - 1);
const cautions = computed(() =>
  props.depth > 0
    ? []
    : bench.worksheet!.findings.filter(
        ({ severity, lineId }) => severity === 'caution' && lineId === props.line.id,
      ),
);
const purchased = computed(() => {
  const { purchasedGrams, batchGrams } = props.line;
  const isTrimmed = purchasedGrams !== null && batchGrams !== null && purchasedGrams > batchGrams * 1.01;
  if (!isTrimmed) return '';
  return `from ${gramsText(purchasedGrams)} ${props.line.isDrained ? 'in tins' : 'as bought'}`;
});
/** The food a swap by hand can take out; of a swap's several lines the first offers it. */
const swappable = computed(() => {
  const id = props.line.swappableId;
  return id !== null && !/\/\d+$/.test(props.line.id) && book.swapFromIds.has(id) ? id : null;
});
/** What nobody has looked at is said once, in the decision of the line. */
const named = computed(() => props.line.allergens.filter(({ isNamed }) => isNamed));
const isComponent = computed(() => props.line.children.length > 0);

const source = computed(() => bench.recipe?.lines.find(({ id }) => id === props.line.sourceId) ?? null);

const isEditing = ref(false);
const words = ref('');
const field = ref<HTMLInputElement | null>(null);
const canEdit = computed(() => props.depth === 0 && !bench.isVariant);

async function edit(): Promise<void> {
  words.value = props.line.text;
  isEditing.value = true;
  await nextTick();
  field.value?.focus();
}

async function rewrite(): Promise<void> {
  const text = words.value.trim();
  if (text !== '' && text !== props.line.text) await bench.rewriteLine(props.line.sourceId, text);
  isEditing.value = false;
}
</script>

<template>
  <tr :class="{ child: depth > 0, doubtful: decision }" :data-line="line.id">
    <th scope="row" :style="{ '--depth': depth }">
      <form v-if="isEditing" class="edit" @submit.prevent="rewrite" @keydown.esc="isEditing = false">
        <input ref="field" v-model="words" class="field" maxlength="400" aria-label="Words of the line" />
        <button class="choice main" type="submit">Read it</button>
        <button class="choice plain" type="button" @click="bench.removeLine(line.sourceId)">Take out</button>
        <button class="choice plain" type="button" @click="isEditing = false">Leave</button>
      </form>
      <template v-else>
        <button
          v-if="isComponent"
          class="fold"
          type="button"
          :aria-expanded="isOpened"
          :aria-label="`${isOpened ? 'Close' : 'Open'} ${line.name}`"
          @click="$emit('toggle')"
        >
          <svg viewBox="0 0 12 12" aria-hidden="true">
            <path :d="isOpened ? 'M2 4l4 4 4-4' : 'M4 2l4 4-4 4'" />
          </svg>
        </button>
        <component
          :is="canEdit ? 'button' : 'span'"
          class="name"
          type="button"
          :title="canEdit ? `${line.text}: change the words` : line.text"
          @click="canEdit && edit()"
        >
          {{ line.name }}
        </component>
        <span v-if="line.form" class="form">{{ line.form }}</span>
        <span v-if="line.swappedFrom" class="form">instead of {{ line.swappedFrom.toLowerCase() }}</span>
        <span v-if="purchased" class="form">{{ purchased }}</span>
        <span v-if="line.isCookedApart" class="form">cooked apart</span>
        <span v-if="line.eatenShare < 1" class="form">{{ eaten }}</span>
        <span v-if="follows" class="form">{{ follows }}</span>
        <button v-if="swappable" class="swap" type="button" @click="prompts.swapFoodId = swappable">
          {{ line.swappedFrom ? 'Another swap' : 'Swap' }}<span class="unseen"> {{ line.name }}</span>
        </button>
        <p v-if="line.hint" class="hint">{{ line.hint }}</p>
      </template>
    </th>
    <td class="right written">
      {{ line.amountText || (line.baseGrams === null ? 'no amount' : gramsText(line.baseGrams)) }}
    </td>
    <td class="right batch">
      <LineWeight :line="line" :is-child="depth > 0" />
    </td>
    <td v-if="isLoaded" class="right load">{{ depth === 0 ? loads : '' }}</td>
    <td v-if="isHeldBack" class="right first">
      <template v-if="line.heldBackGrams > 0"
        ><AmountText v-bind="first" /><span class="soft">, then taste</span></template
      >
    </td>
    <td>
      <div class="hazards">
        <span v-for="flag in named" :key="flag.id" class="hazard" :class="flag.status">
          <template v-if="flag.status === 'contains'">{{ flag.name }}</template>
          <template v-else
            >{{ flag.status === 'check' ? 'check' : STATUS_WORDS[flag.status] }}
            {{ flag.name.toLowerCase() }}</template
          >
        </span>
      </div>
    </td>
  </tr>
  <tr v-if="decision" class="decision">
    <td :colspan="columns">
      <DecisionChoices
        :line="line"
        :finding="decision"
        :source="source"
        :is-variant="bench.isVariant"
        :more="more"
        :sheet="bench.worksheet!"
        @answer="bench.answerLine(line.sourceId, $event)"
      />
    </td>
  </tr>
  <tr v-if="offers.length > 0" class="offers">
    <td :colspan="columns">
      <LineOffers :offers="offers" />
    </td>
  </tr>
  <tr v-for="caution in cautions" :key="caution.code" class="caution">
    <td :colspan="columns">{{ caution.message }}</td>
  </tr>
</template>

<style scoped>
tr > * {
  padding: 5px 9px;
  height: var(--row);
  text-align: left;
  vertical-align: middle;
  border-top: 1px solid var(--hairline);
  font-weight: 450;
}

th {
  width: 36%;
  padding-left: calc(12px + var(--depth, 0) * 22px);
  min-width: 170px;
  line-height: 1.2;
}

tr.child {
  background: var(--enamel-deep);
}

tr.child > * {
  height: 38px;
}

tr.doubtful > *,
tr.decision > td,
tr.caution > td {
  background: var(--amber-wash);
}

tr.doubtful > th {
  box-shadow: inset 4px 0 0 var(--amber-line);
}

tr.offers > td {
  height: auto;
  padding: 0 9px 7px 12px;
  border-top: 0;
}

tr.decision > td,
tr.caution > td {
  height: auto;
  border-top: 0;
  padding-top: 0;
  padding-left: 12px;
  padding-bottom: 8px;
  box-shadow: inset 4px 0 0 var(--amber-line);
}

tr.caution > td {
  font-size: var(--text-s);
  font-weight: 560;
  color: var(--amber);
}

.name {
  padding: 4px 0;
  border: 0;
  background: none;
  font-size: var(--text-m);
  font-weight: 640;
  text-align: left;
}

button.name:hover {
  color: var(--rim);
  text-decoration: underline;
}

.form {
  margin-left: 7px;
  font-size: var(--text-s);
  color: var(--ink-soft);
}

.swap {
  min-height: 28px;
  margin-left: 6px;
  padding: 0 6px;
  border: 0;
  background: none;
  color: var(--rim);
  font-size: var(--text-s);
  font-weight: 560;
}

.swap:hover {
  text-decoration: underline;
}

@media (pointer: coarse) {
  .swap {
    min-height: var(--touch);
  }
}

.hint {
  font-size: var(--text-s);
  color: var(--rim-deep);
}

.fold {
  width: 26px;
  height: 30px;
  margin-left: -8px;
  padding: 0;
  border: 0;
  background: none;
  vertical-align: middle;
}

.fold svg {
  width: 12px;
  fill: none;
  stroke: var(--rim);
  stroke-width: 2;
}

.edit {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}

.edit .field {
  flex: 1 1 220px;
}

.right {
  text-align: right;
  white-space: nowrap;
}

.written {
  color: var(--ink-soft);
  font-size: var(--text-m);
  white-space: normal;
  max-width: 130px;
}

.load {
  font-size: var(--text-m);
}

.first {
  font-size: var(--text-m);
  font-weight: 600;
}

.first .soft {
  font-weight: 450;
  font-size: var(--text-s);
}

.hazards {
  display: flex;
  flex-wrap: wrap;
  gap: 3px 4px;
}

@media (max-width: 760px) {
  tr:not(.decision, .caution, .offers) {
    display: grid;
    grid-template-columns: 1fr auto;
    padding: 4px 12px;
    border-top: 1px solid var(--hairline);
  }

  tr.doubtful {
    background: var(--amber-wash);
    box-shadow: inset 4px 0 0 var(--amber-line);
  }

  tr.doubtful > th {
    box-shadow: none;
  }

  th {
    width: auto;
    min-width: 0;
  }

  .form:first-of-type {
    margin-left: 5px;
  }

  tr:not(.decision, .caution, .offers) > * {
    height: auto;
    padding: 2px 0 2px calc(var(--depth, 0) * 16px);
    border: 0;
  }

  .written {
    grid-column: 1;
    grid-row: 2;
    text-align: left;
    max-width: none;
  }

  .batch {
    grid-column: 2;
    grid-row: 1 / 3;
  }

  .load,
  .first,
  tr > td:last-child {
    grid-column: 1 / -1;
    text-align: left;
  }

  .load:empty,
  .first:empty {
    display: none;
  }

  .load:not(:empty)::before {
    content: 'loads ';
    color: var(--ink-soft);
  }

  .first:not(:empty)::before {
    content: 'at first ';
    color: var(--ink-soft);
    font-weight: 450;
  }
}
</style>
