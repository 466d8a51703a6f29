<script setup lang="ts">
/** Who eats: heads by group, typed; and who cooks, with the machines that are there that day. */
import { computed, ref } from 'vue';
import { exclusionName, type Kitchen, type SavedServiceTold } from '@hand-ladle/core';
import SettingFigure from '../ui/SettingFigure.vue';
import { vTyped } from '../ui/typed';
import HeadsPaste from './HeadsPaste.vue';

const props = defineProps<{ service: SavedServiceTold; kitchen: Kitchen; heads: number }>();
const emit = defineEmits<{ change: [fields: Partial<SavedServiceTold>] }>();

type Row = SavedServiceTold['heads'][number];

/** A row for each row that was told, and one for each group of the kitchen without one. */
const rows = computed((): Row[] => [
  ...props.service.heads,
  ...props.kitchen.diners
    .filter(({ id }) => !props.service.heads.some(({ groupId }) => groupId === id))
    .map(({ id }) => ({ groupId: id, heads: 0, portionGrams: null, site: '', codes: [] })),
]);
const groupOf = (id: string) => props.kitchen.diners.find((each) => each.id === id);
const needsOf = (id: string): string => {
  const exclude = groupOf(id)?.exclude ?? [];
  return exclude.length === 0
    ? 'eats everything'
    : `no ${exclude.map((each) => exclusionName(each, props.kitchen)).join(', no ')}`;
};

/** "Ward house: no gluten; 7 codes". */
const toldOf = ({ site, groupId, codes }: Row): string => {
  const needs = site === '' ? needsOf(groupId) : `${site}: ${needsOf(groupId)}`;
  return codes.length === 0 ? needs : `${needs}; ${codes.length} codes`;
};
/** Groups whose codes went with a change of their heads, said until the next change. */
const uncoded = ref('');

function put(index: number, fields: Partial<Row>): void {
  // Codes are one for each head: with another number of heads they no longer fit.
  const next = rows.value.map((row, at) =>
    at === index ? { ...row, ...fields, codes: 'heads' in fields ? [] : row.codes } : row,
  );
  const { groupId, codes } = rows.value[index]!;
  uncoded.value = 'heads' in fields && codes.length > 0 ? (groupOf(groupId)?.name ?? groupId) : '';
  emit('change', { heads: next });
}

const team = computed(() => props.service.team);
const setTeam = (fields: Partial<SavedServiceTold['team']>): void =>
  emit('change', { team: { ...team.value, ...fields } });
const isAway = (id: string): boolean => props.service.without.includes(id);
const toggle = (id: string): void =>
  emit('change', {
    without: isAway(id)
      ? props.service.without.filter((each) => each !== id)
      : [...props.service.without, id],
  });
const valueOf = (event: Event): string => (event.target as HTMLInputElement).value;
</script>

<template>
  <section class="plate rimmed" aria-labelledby="heads-title">
    <h2 id="heads-title">Who eats</h2>
    <table class="sheet-table">
      <thead>
        <tr>
          <th scope="col">Group</th>
          <th scope="col" class="right">Heads</th>
          <th scope="col" class="right">Portion, g</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(row, index) in rows" :key="`${row.groupId} ${row.site}`">
          <th scope="row">
            {{ groupOf(row.groupId)?.name ?? row.groupId }}
            <span class="soft needs">{{ toldOf(row) }}</span>
          </th>
          <td class="right">
            <SettingFigure
              :label="`Heads of ${groupOf(row.groupId)?.name ?? row.groupId}`"
              :value="row.heads"
              :most="20000"
              is-whole
              @set="put(index, { heads: $event ?? 0 })"
            />
          </td>
          <td class="right">
            <SettingFigure
              :label="`Portion of ${groupOf(row.groupId)?.name ?? row.groupId} in grams`"
              :value="row.portionGrams"
              empty="own"
              :most="5000"
              @set="put(index, { portionGrams: $event && $event > 0 ? $event : null })"
            />
          </td>
        </tr>
      </tbody>
      <tfoot>
        <tr>
          <th scope="row">Together</th>
          <td class="right figure">{{ heads }}</td>
          <td />
        </tr>
      </tfoot>
    </table>
    <p v-if="uncoded" class="uncoded" role="status">
      {{ uncoded }}: its codes no longer fit the heads and were taken out. Undo brings them back, or paste the
      new list.
    </p>
    <p class="soft">“Own” is the dish’s own portion.</p>
    <HeadsPaste :kitchen-id="kitchen.id" @put="emit('change', { heads: $event })" />
    <h3>Who cooks</h3>
    <div class="team">
      <label
        >People
        <SettingFigure
          label="People at work"
          :value="team.people"
          :least="1"
          :most="50"
          is-whole
          @set="$event && setTeam({ people: $event })"
        />
      </label>
      <label
        >From
        <input v-typed="team.from" class="field" type="time" @change="setTeam({ from: valueOf($event) })"
      /></label>
      <label
        >To <input v-typed="team.to" class="field" type="time" @change="setTeam({ to: valueOf($event) })"
      /></label>
    </div>
    <p v-if="team.breaks.length > 0" class="soft">
      Break {{ team.breaks.map(({ from, to }) => `${from} to ${to}`).join(', ') }}
    </p>
    <h3>Machines that are there</h3>
    <div class="machines" role="group" aria-label="Machines that are there">
      <button
        v-for="vessel in kitchen.vessels"
        :key="vessel.id"
        class="choice"
        :class="{ main: !isAway(vessel.id), away: isAway(vessel.id) }"
        type="button"
        :aria-pressed="!isAway(vessel.id)"
        @click="toggle(vessel.id)"
      >
        {{ vessel.name }}<template v-if="isAway(vessel.id)">: out of use</template>
      </button>
    </div>
  </section>
</template>

<style scoped>
.needs {
  display: block;
  font-size: var(--text-s);
  font-weight: 400;
}

h3 {
  margin-top: var(--space-4);
  font-size: var(--text-m);
}

.uncoded {
  color: var(--amber);
  font-weight: 560;
}

.team {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-3);
  align-items: center;
}

.team label {
  display: inline-flex;
  gap: var(--space-2);
  align-items: center;
}

.machines {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}

.machines .choice {
  min-height: var(--touch);
}

.away {
  border: 1.5px dashed var(--brick);
  color: var(--brick);
}
</style>
