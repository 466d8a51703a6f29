<script setup lang="ts">
import { computed, ref } from 'vue';
import {
  type AllergenFlag,
  type AllergenStatus,
  clearEvidence,
  STATUS_WORDS,
  TOLD_WITH_ANOTHER,
} from '@hand-ladle/core';
import { useBench } from '../state/bench';
import { useBook } from '../state/book';

const bench = useBench();
const book = useBook();
const ORDER: { status: AllergenStatus; title: string; empty: string }[] = [
  {
    status: 'contains',
    title: 'What is in it',
    empty: 'Nothing named in the law or the kitchen is known to be in it.',
  },
  {
    status: 'may-contain',
    title: 'What may be in it: a pack says so, or shared equipment',
    empty: 'No pack on record and no shared equipment says so.',
  },
  { status: 'check', title: 'What nobody has checked', empty: 'Every line is checked.' },
  { status: 'clear', title: 'Clear: every line checked', empty: 'Nothing is clear yet.' },
];
const groups = computed(() =>
  ORDER.map((group) => ({
    ...group,
    flags: bench.worksheet!.allergens.filter(
      ({ status, isOnlyUnchecked }) => status === group.status && !isOnlyUnchecked,
    ),
  })),
);
/** Allergens about which only unrecorded packs are silent: told once, not once for each pack. */
const unchecked = computed(() => bench.worksheet!.allergens.filter(({ isOnlyUnchecked }) => isOnlyUnchecked));
const uncheckedPaths = computed(() => [...new Set(unchecked.value.flatMap(({ paths }) => paths))]);

/** Each way in with its kinds, told shortly where a pack nobody has read leaves them all open. */
const ways = (flag: AllergenFlag) =>
  flag.traces.map(({ path, kinds, evidence, status }) => ({
    path: path.join(' > '),
    kinds: kinds.length > 4 ? 'any kind' : kinds.join(', '),
    evidence: evidence.words,
    status: STATUS_WORDS[status],
  }));
/** The same evidence told line by line: what each line of the dish brings, and what comes from equipment. */
const isByLine = ref(false);
interface LineReading {
  lineId: string;
  name: string;
  ways: {
    name: string;
    path: string;
    kinds: string;
    evidence: string;
    status: string;
    state: AllergenStatus;
  }[];
}
const byLine = computed((): LineReading[] => {
  const sheet = bench.worksheet!;
  const names = new Map<string, string>();
  for (const { sourceId, name } of sheet.lines)
    names.set(sourceId, names.has(sourceId) ? `${names.get(sourceId)} + ${name.toLowerCase()}` : name);
  const readings = new Map<string, LineReading>(
    sheet.lines.map(({ sourceId }) => [sourceId, { lineId: sourceId, name: names.get(sourceId)!, ways: [] }]),
  );
  for (const flag of sheet.allergens.filter(({ id }) => !TOLD_WITH_ANOTHER.has(id)))
    for (const trace of flag.traces) {
      if (!trace.isNamed) continue;
      const lineId = trace.lineId?.split('/')[0] ?? '';
      const reading = readings.get(lineId) ?? { lineId, name: 'Shared equipment', ways: [] };
      reading.ways.push({
        name: flag.name,
        path: trace.path.join(' > '),
        kinds: trace.kinds.length > 4 ? 'any kind' : trace.kinds.join(', '),
        evidence: trace.evidence.words,
        status: STATUS_WORDS[trace.status],
        state: trace.status,
      });
      readings.set(lineId, reading);
    }
  return [...readings.values()];
});
/** On what it rests that a line is clear: each food of it by its own evidence. */
function clearBy(lineId: string): string {
  const words = bench
    .worksheet!.lines.filter(({ sourceId }) => sourceId === lineId)
    .map(({ foodId }) => {
      const food = foodId === null ? undefined : book.foodsById.get(foodId);
      return food ? clearEvidence(food, bench.kitchen!).words : 'every line of it was checked';
    });
  return [...new Set(words)].join('; ');
}
/** Lines whose pack nobody has read: for what is not named they are open, never clear. */
const isOpenLine = (lineId: string): boolean =>
  bench.worksheet!.allergens.some(({ traces }) =>
    traces.some(
      (trace) => trace.lineId?.split('/')[0] === lineId && trace.status === 'check' && !trace.isNamed,
    ),
  );

/** The same reading for the standards: vegan always, whole food where somebody asks. */
const VERDICTS = {
  vegan: {
    contains: 'Not vegan',
    check: 'Vegan, but for packs nobody has read',
    clear: 'Vegan: every line is a plant',
  },
  'whole-food': { contains: 'Not whole food', check: 'Whole food is open', clear: 'Whole food throughout' },
} as const;
const standards = computed(() =>
  bench.worksheet!.standards.map((flag) => {
    const words = VERDICTS[flag.id as keyof typeof VERDICTS];
    const status = flag.status === 'may-contain' ? 'check' : flag.status;
    return { id: flag.id, isAgainst: status === 'contains', verdict: words[status], ways: ways(flag) };
  }),
);
const clearNames = computed(() =>
  groups.value
    .find(({ status }) => status === 'clear')!
    .flags.map(({ name, scope }) => (scope ? `${name} (${scope})` : name))
    .join(', '),
);
</script>

<template>
  <div class="stack">
    <div class="views" role="group" aria-label="Told by">
      <button
        class="choice"
        :class="{ main: !isByLine }"
        type="button"
        :aria-pressed="!isByLine"
        @click="isByLine = false"
      >
        By allergen
      </button>
      <button
        class="choice"
        :class="{ main: isByLine }"
        type="button"
        :aria-pressed="isByLine"
        @click="isByLine = true"
      >
        By line
      </button>
    </div>
    <section v-if="isByLine" class="plate">
      <h2>What each line brings</h2>
      <table>
        <tbody>
          <template v-for="reading in byLine" :key="reading.lineId">
            <tr v-if="reading.ways.length === 0">
              <th scope="row">{{ reading.name }}</th>
              <td colspan="4" class="soft">
                {{
                  isOpenLine(reading.lineId)
                    ? 'nothing named, and nobody has read its pack'
                    : `clear of everything looked for here: ${clearBy(reading.lineId)}`
                }}
              </td>
            </tr>
            <tr v-for="(way, index) in reading.ways" :key="index">
              <th v-if="index === 0" scope="row" :rowspan="reading.ways.length">
                {{ reading.name }}
                <span v-if="isOpenLine(reading.lineId)" class="soft note"
                  >the rest of its pack is not read</span
                >
              </th>
              <td class="status">
                <span class="hazard" :class="way.state">{{ way.name }}</span>
              </td>
              <td class="status">{{ way.status }}</td>
              <td class="path">
                {{ way.path }}<template v-if="way.kinds">, {{ way.kinds }}</template>
              </td>
              <td class="soft">{{ way.evidence }}</td>
            </tr>
          </template>
        </tbody>
      </table>
    </section>
    <section v-for="group in isByLine ? [] : groups" :key="group.status" class="plate" :class="group.status">
      <h2>{{ group.title }}</h2>
      <p v-if="group.status === 'check' && unchecked.length > 0" class="unchecked">
        <span class="soft">Nobody has looked for </span>
        <b>{{ unchecked.map(({ name }) => name.toLowerCase()).join(', ') }}</b>
        <span class="soft">: no pack is on record for </span>
        <b>{{ uncheckedPaths.join(', ') }}</b>
      </p>
      <p v-else-if="group.flags.length === 0" class="soft">{{ group.empty }}</p>
      <p v-if="group.status === 'clear' && group.flags.length > 0" class="clear-names">{{ clearNames }}</p>
      <table v-else-if="group.flags.length > 0">
        <tbody>
          <template v-for="flag in group.flags" :key="flag.id">
            <tr v-for="(way, index) in ways(flag)" :key="index">
              <th v-if="index === 0" scope="row" :rowspan="ways(flag).length">
                <span class="hazard" :class="flag.status">{{ flag.name }}</span>
                <span v-if="!flag.isDeclared" class="soft note">kitchen's own flag in this regime</span>
              </th>
              <td class="status">{{ way.status }}</td>
              <td class="path">{{ way.path }}</td>
              <td>{{ way.kinds }}</td>
              <td class="soft">{{ way.evidence }}</td>
            </tr>
          </template>
        </tbody>
      </table>
    </section>
    <section class="plate standards" aria-label="Standards">
      <h2>Vegan, and whole food</h2>
      <ul>
        <li v-for="standard in standards" :key="standard.id">
          <b :class="{ brick: standard.isAgainst }">{{ standard.verdict }}</b>
          <template v-if="standard.ways.length > 0">
            <span v-for="(way, index) in standard.ways" :key="index" class="way">
              {{ way.status }} <b>{{ way.path }}</b><template v-if="way.kinds">, {{ way.kinds }}</template>
              <span class="soft">: {{ way.evidence }}</span>
            </span>
          </template>
        </li>
      </ul>
    </section>
    <p class="soft">
      “Clear” means that every line is a food of one ingredient or was checked against a pack on record. It is
      no “free from” claim: that needs a test or a certificate (under 20 ppm for gluten). Follow your local
      food law.
    </p>
  </div>
</template>

<style scoped>
.views {
  display: flex;
  gap: 6px;
}

.plate {
  border-top: 4px solid var(--hairline);
  overflow-x: auto;
}

.plate.contains {
  border-top-color: var(--brick);
}

.plate.check {
  border-top: 4px dashed var(--amber-line);
}

.plate h2 {
  font-size: var(--text-l);
  color: var(--ink);
}

table {
  width: 100%;
  border-collapse: collapse;
}

th,
td {
  padding: 6px 12px 6px 0;
  text-align: left;
  vertical-align: top;
  border-top: 1px solid var(--hairline);
  font-size: var(--text-m);
}

th {
  width: 150px;
}

.status {
  width: 120px;
  font-weight: 600;
}

.path {
  font-weight: 600;
}

.note {
  display: block;
  font-size: var(--text-s);
  font-weight: 450;
}

.unchecked {
  margin-bottom: var(--space-3);
}

.unchecked b {
  font-weight: 620;
}

.standards li {
  padding: var(--space-2) 0;
  border-top: 1px solid var(--hairline);
}

.way {
  display: block;
  font-size: var(--text-m);
}

.brick {
  color: var(--brick);
}

.clear-names {
  color: var(--sage);
  font-weight: 560;
}
</style>
