<script setup lang="ts">
/** The kitchen in use: its measures, its standard, its machines, scales and pans; and a way to start another. */
import { computed, onMounted, ref } from 'vue';
import {
  AMOUNT_WAYS,
  BUILD_WAYS,
  CREAM_WAYS,
  EGG_WAYS,
  FRYING_FATS,
  type KitchenStandard,
  type PanId,
  PANS,
  PULSE_WAYS,
  type Regime,
  SALT_WAYS,
  TOFU_WAYS,
  type UnitSystem,
} from '@hand-ladle/core';
import { useBook } from '../state/book';
import { useFirstRead } from '../state/first-read';
import { useKeepOnLeave } from '../state/keep-on-leave';
import { STATUS_WORDS } from '../state/saved-draft';
import SaveBar from '../ui/SaveBar.vue';
import SettingFigure from '../ui/SettingFigure.vue';
import { vTyped } from '../ui/typed';
import DinersPlate from './DinersPlate.vue';
import { useKitchenSettings } from './kitchen-settings';
import MachineTable from './MachineTable.vue';
import SafetyPlate from './SafetyPlate.vue';
import ScaleTable from './ScaleTable.vue';
import ServicePlate from './ServicePlate.vue';
import SharedPlate from './SharedPlate.vue';
import TargetsPlate from './TargetsPlate.vue';

const store = useKitchenSettings();
const book = useBook();
const settings = computed(() => store.settings);

const { problem, again } = useFirstRead(() => store.open());
onMounted(again);
useKeepOnLeave(store);

/** Where cooks differ: each question with its ways. */
const QUESTIONS: {
  field: Exclude<keyof KitchenStandard, 'isWholeFood'>;
  name: string;
  ways: readonly string[];
}[] = [
  { field: 'fryingFat', name: 'Fat for frying onions', ways: FRYING_FATS },
  { field: 'salt', name: 'Salt', ways: SALT_WAYS },
  { field: 'pulses', name: 'Pulses', ways: PULSE_WAYS },
  { field: 'cream', name: 'Cream and thickening', ways: CREAM_WAYS },
  { field: 'egg', name: 'An egg’s work', ways: EGG_WAYS },
  { field: 'tofu', name: 'Tofu', ways: TOFU_WAYS },
  { field: 'build', name: 'Build', ways: BUILD_WAYS },
  { field: 'amounts', name: 'Seasoning', ways: AMOUNT_WAYS },
];

const setStandard = (fields: Partial<Record<keyof KitchenStandard, unknown>>): void =>
  store.change({ standard: { ...settings.value!.standard, ...fields } as KitchenStandard });

const ownedOf = (pan: string): number => settings.value!.pans.find((each) => each.pan === pan)?.count ?? 0;
function setOwned(pan: string, count: number): void {
  const others = settings.value!.pans.filter((each) => each.pan !== pan);
  const order = Object.keys(PANS);
  store.change({
    pans: [...others, ...(count > 0 ? [{ pan, count }] : [])].sort(
      (one, other) => order.indexOf(one.pan) - order.indexOf(other.pan),
    ),
  });
}

const newName = ref('');
const newSet = ref('');
const isMaking = ref(false);
async function make(): Promise<void> {
  const name = newName.value.trim();
  if (name === '') return;
  isMaking.value = true;
  problem.value = '';
  try {
    await store.create(name, newSet.value || store.sets[0]!.id);
    newName.value = '';
  } catch (error) {
    problem.value = (error as Error).message;
  } finally {
    isMaking.value = false;
  }
}
const valueOf = (event: Event): string => (event.target as HTMLInputElement | HTMLSelectElement).value;
const isChecked = (event: Event): boolean => (event.target as HTMLInputElement).checked;
</script>

<template>
  <p v-if="problem" class="stack wrong" role="alert">{{ problem }}</p>
  <div v-if="settings" class="stack">
    <header>
      <h1>{{ settings.name }}</h1>
      <span class="soft" role="status" data-testid="kitchen-state">{{ STATUS_WORDS[store.status] }}</span>
      <div class="history">
        <button class="choice plain" type="button" :disabled="!store.canUndo" @click="store.undo()">
          Undo
        </button>
        <button class="choice plain" type="button" :disabled="!store.canRedo" @click="store.redo()">
          Redo
        </button>
      </div>
    </header>
    <SaveBar
      :status="store.status"
      :message="store.message"
      @theirs="store.takeTheirs()"
      @mine="store.putMineOver()"
      @undo="store.undo()"
    />
    <section class="plate rimmed ways">
      <h2>How this kitchen works</h2>
      <div class="grid">
        <label
          >Name
          <input
            v-typed="settings.name"
            class="field"
            maxlength="120"
            @change="store.change({ name: valueOf($event).trim() || settings.name })"
          />
        </label>
        <label
          >Labels follow
          <select
            class="field"
            :value="settings.regime"
            @change="store.change({ regime: valueOf($event) as Regime })"
          >
            <option value="eu">EU and UK law</option>
            <option value="us">US law</option>
          </select>
        </label>
        <label
          >Cups and spoons
          <select
            class="field"
            :value="settings.units"
            @change="store.change({ units: valueOf($event) as UnitSystem })"
          >
            <option value="metric">metric</option>
            <option value="us">US</option>
            <option value="imperial">imperial</option>
          </select>
        </label>
        <label
          >Left on pots and spoons, % (convention 1 to 3)
          <SettingFigure
            label="Transfer loss in percent"
            :value="Math.round(settings.transferLoss * 1000) / 10"
            :most="20"
            @set="$event !== null && store.change({ transferLoss: $event / 100 })"
          />
        </label>
        <label v-for="question in QUESTIONS" :key="question.field"
          >{{ question.name }}
          <select
            class="field"
            :value="settings.standard[question.field]"
            @change="setStandard({ [question.field]: valueOf($event) })"
          >
            <option v-for="way in question.ways" :key="way" :value="way">{{ way }}</option>
          </select>
        </label>
        <label class="tick"
          ><input
            type="checkbox"
            :checked="settings.standard.isWholeFood"
            @change="setStandard({ isWholeFood: isChecked($event) })"
          />
          Whole food: no oil, refined flour, added sugar or ready-made analogue
        </label>
        <label class="tick"
          ><input
            type="checkbox"
            :checked="settings.coconutIsTreeNut"
            @change="store.change({ coconutIsTreeNut: isChecked($event) })"
          />
          Coconut counts as a nut here
        </label>
        <label v-if="settings.regime === 'eu'" class="tick"
          ><input
            type="checkbox"
            :checked="settings.pineNutIsTreeNut ?? true"
            @change="store.change({ pineNutIsTreeNut: isChecked($event) })"
          />
          Pine nut counts as a nut here (the US law lists it, the EU law does not)
        </label>
        <label class="tick"
          ><input
            type="checkbox"
            :checked="settings.policy.mayContain === 'accept'"
            @change="
              store.change({
                policy: { ...settings.policy, mayContain: isChecked($event) ? 'accept' : 'refuse' },
              })
            "
          />
          “May contain” may be served as free: only with the guest’s own yes
        </label>
      </div>
      <p class="soft">
        The standard asks and offers; it never changes a recipe by itself. Every dish is planned anew for this
        kitchen when it is opened here.
      </p>
    </section>
    <DinersPlate :diners="settings.diners" @change="store.change({ diners: $event })" />
    <TargetsPlate
      :targets="settings.targets"
      :diners="settings.diners"
      @change="store.change({ targets: $event })"
    />
    <ServicePlate
      :service="settings.service"
      :regime="settings.regime"
      @change="store.change({ service: $event })"
    />
    <SafetyPlate
      v-if="book.kitchen"
      :safety="settings.safety"
      :kitchen="book.kitchen"
      @change="store.change({ safety: $event })"
    />
    <SharedPlate
      :shared="settings.shared"
      :own="settings.ownAllergens"
      @shared="store.change({ shared: $event })"
      @own="store.change({ ownAllergens: $event })"
    />
    <section class="plate rimmed">
      <h2>Machines and vessels</h2>
      <MachineTable :vessels="settings.vessels" @change="store.change({ vessels: $event })" />
    </section>
    <div class="pair">
      <section class="plate rimmed">
        <h2>Scales, the first that is close enough is used</h2>
        <ScaleTable :scales="settings.scales" @change="store.change({ scales: $event })" />
      </section>
      <section class="plate rimmed">
        <h2>Pans and trays in the cupboard</h2>
        <table class="sheet-table">
          <tbody>
            <tr v-for="(pan, id) in PANS" :key="id">
              <th scope="row">{{ pan.name }}</th>
              <td class="right soft">{{ pan.litres }} L brim</td>
              <td class="right">
                <SettingFigure
                  :label="`How many ${pan.name}`"
                  :value="ownedOf(id as PanId)"
                  :most="10000"
                  is-whole
                  @set="setOwned(id, $event ?? 0)"
                />
              </td>
            </tr>
          </tbody>
        </table>
      </section>
    </div>
    <section class="plate rimmed">
      <h2>Another kitchen</h2>
      <form class="new" @submit.prevent="make">
        <label
          >Name
          <input v-model="newName" class="field" maxlength="120" placeholder="Field kitchen" />
        </label>
        <label
          >Start with the machines of a
          <select v-model="newSet" class="field">
            <option value="" disabled hidden>choose a set</option>
            <option v-for="set in store.sets" :key="set.id" :value="set.id">{{ set.name }}</option>
          </select>
        </label>
        <button
          class="choice main"
          type="submit"
          :disabled="newName.trim() === '' || newSet === '' || isMaking"
        >
          Make the kitchen
        </button>
      </form>
      <p class="soft">
        Its law, measures and standard start as here. Packs are read again there: another kitchen buys other
        packs.
      </p>
    </section>
  </div>
</template>

<style scoped>
header {
  display: flex;
  align-items: baseline;
  gap: var(--space-3);
}

h1 {
  font-size: var(--text-xxl);
  font-weight: 720;
}

.history {
  margin-left: auto;
}

.grid {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(210px, 1fr));
  gap: var(--space-3) var(--space-4);
  align-items: end;
  margin-bottom: var(--space-3);
}

label {
  display: grid;
  gap: 2px;
  font-size: var(--text-s);
  color: var(--ink-soft);
}

label .field {
  color: var(--ink);
  font-size: var(--text-m);
}

.tick {
  display: flex;
  align-items: center;
  gap: var(--space-2);
  min-height: 40px;
  color: var(--ink);
  line-height: 1.25;
}

.tick input {
  flex: none;
  width: 20px;
  height: 20px;
  accent-color: var(--rim);
}

.pair {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 420px), 1fr));
  gap: var(--space-3);
  align-items: start;
}

.new {
  display: flex;
  flex-wrap: wrap;
  align-items: end;
  gap: var(--space-3);
  margin-bottom: var(--space-2);
}

.loud {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: var(--space-2) var(--space-3);
  padding: var(--space-2) var(--space-4);
  background: var(--amber-wash);
  border: 1.5px dashed var(--amber-line);
  font-weight: 560;
}

.wrong {
  color: var(--brick);
  font-weight: 600;
}
</style>
