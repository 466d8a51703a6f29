<script setup lang="ts">
/** Which single version everybody here can eat, and the fewest versions that cover all groups, with their portions. */
import { computed, onBeforeUnmount, ref, shallowRef, watch } from 'vue';
import { RouterLink } from 'vue-router';
import {
  figureText,
  type Progress,
  roundToDecimals,
  type SwapPlan,
  type VersionsAnswer,
} from '@hand-ladle/core';
import { useBench } from '../state/bench';
import { inWords, useExclusions } from '../state/exclusions';
import SettingFigure from '../ui/SettingFigure.vue';
import WorkProgress from '../ui/WorkProgress.vue';
import { askLong, Stopped } from '../worker/client';

const props = defineProps<{ isApart: boolean }>();
defineEmits<{ make: [plan: SwapPlan] }>();
const bench = useBench();
const { said } = useExclusions();
const answer = shallowRef<VersionsAnswer | null>(null);
const progress = shallowRef<Progress | null>(null);
const isWorking = ref(false);
const problem = ref('');
let stop: (() => void) | null = null;

/** Portions by group for this service; what the kitchen usually cooks until somebody says otherwise. */
const portions = ref<Record<string, number>>({});
const groups = computed(() => bench.kitchen?.diners ?? []);
const portionsOf = (id: string, usual: number | null): number => portions.value[id] ?? usual ?? 0;
const asked = computed(() =>
  groups.value
    .map((group) => ({ ...group, portions: portionsOf(group.id, group.portions) }))
    .filter((group) => group.portions > 0),
);

/** An answer is about the dish and the groups as they were asked. */
watch([() => bench.input, asked, () => props.isApart], () => {
  stop?.();
  stop = null;
  isWorking.value = false;
  answer.value = null;
});
onBeforeUnmount(() => stop?.());

async function find(): Promise<void> {
  if (!bench.input) return;
  isWorking.value = true;
  problem.value = '';
  progress.value = null;
  const question = { ...bench.input, groups: asked.value, isApart: props.isApart };
  const long = askLong('versions', question, (now) => (progress.value = now));
  ({ stop } = long);
  try {
    answer.value = await long.answer;
  } catch (error) {
    if (!(error instanceof Stopped)) problem.value = (error as Error).message;
  } finally {
    isWorking.value = false;
  }
}
const swapsIn = (plan: SwapPlan): string =>
  plan.swaps.length === 0
    ? 'as it is'
    : [
        ...new Set(
          plan.swaps.map(
            ({ from, to }) =>
              `${from.name.toLowerCase()} to ${to.map(({ name }) => name.toLowerCase()).join(' + ')}`,
          ),
        ),
      ].join('; ');
const percent = (share: number): string => String(roundToDecimals(share * 100, 0));
</script>

<template>
  <section class="plate" aria-label="Versions for everybody">
    <h2>One version for everybody?</h2>
    <p v-if="groups.length === 0" class="soft">
      No diner groups yet. <RouterLink to="/kitchen">Name who is cooked for</RouterLink> and what they must
      not have.
    </p>
    <template v-else>
      <div class="groups">
        <label v-for="group in groups" :key="group.id">
          <span
            >{{ group.name }}
            <span v-if="group.exclude.length > 0" class="soft">no {{ said(group.exclude) }}</span></span
          >
          <SettingFigure
            :label="`Portions for ${group.name}`"
            :value="portionsOf(group.id, group.portions)"
            :most="100000"
            is-whole
            @set="portions = { ...portions, [group.id]: $event ?? 0 }"
          />
        </label>
      </div>
      <button class="choice main" type="button" :disabled="asked.length === 0 || isWorking" @click="find">
        Find the fewest versions
      </button>
    </template>
    <WorkProgress v-if="isWorking" :progress="progress" @stop="stop?.()" />
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
    <div v-if="answer" class="answer" role="status">
      <p class="verdict">
        <template v-if="answer.single">
          <b>Yes, one version serves everybody: </b>{{ swapsIn(answer.single) }}.
          {{ percent(answer.single.closeness) }} of 100 close.
        </template>
        <template v-else>
          <b>No single version serves everybody. </b>
          <template v-if="answer.singleBlockedBy[0]"
            >{{ answer.singleBlockedBy[0].name }}: {{ answer.singleBlockedBy[0].reason }}.</template
          >
        </template>
      </p>
      <template v-if="answer.fewest.length > 0">
        <h3>
          {{ answer.fewest.length === 1 ? 'Cook one version' : `Cook ${answer.fewest.length} versions` }}
        </h3>
        <div class="wide">
          <table class="sheet-table">
            <thead>
              <tr>
                <th scope="col">For</th>
                <th scope="col" class="right">Portions</th>
                <th scope="col">What changes</th>
                <th scope="col" class="right">Close</th>
                <th scope="col"></th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="(version, index) in answer.fewest" :key="index">
                <th scope="row">{{ inWords(version.names) }}</th>
                <td class="right">{{ figureText(version.portions) }}</td>
                <td>{{ swapsIn(version.plan) }}</td>
                <td class="right">{{ percent(version.plan.closeness) }}</td>
                <td>
                  <button
                    v-if="version.plan.swaps.length > 0"
                    class="choice"
                    type="button"
                    @click="$emit('make', version.plan)"
                  >
                    Make this variant
                  </button>
                </td>
              </tr>
            </tbody>
          </table>
        </div>
      </template>
      <ul v-if="answer.unserved.length > 0" class="unserved">
        <li v-for="each in answer.unserved" :key="each.groupId">
          <b>{{ each.name }}: no version of this dish.</b>
          <template v-if="each.blockedBy[0]">
            {{ each.blockedBy[0].name }}: {{ each.blockedBy[0].reason }}.</template
          >
        </li>
      </ul>
    </div>
  </section>
</template>

<style scoped>
.plate {
  display: grid;
  gap: var(--space-3);
  justify-items: start;
}

.plate > h2 {
  margin: 0;
  font-size: var(--text-l);
  color: var(--ink);
}

.groups {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2) var(--space-5);
}

.groups label {
  display: flex;
  align-items: center;
  gap: var(--space-2);
}

.answer {
  display: grid;
  gap: var(--space-2);
  width: 100%;
}

h3 {
  font-size: var(--text-m);
}

.unserved li {
  padding: var(--space-2) var(--space-3);
  background: var(--brick-wash);
  box-shadow: inset 4px 0 0 var(--brick);
}

.problem {
  color: var(--brick);
  font-weight: 600;
}
</style>
