<script setup lang="ts">
/** Whom the kitchen serves, in what portions, and how long what it made keeps. */
import { computed, ref } from 'vue';
import {
  AGE_BANDS,
  COUNTRIES,
  COUNTRY_NAMES,
  dateOnLabel,
  isTimeZone,
  keptDays,
  type KitchenService,
  type Regime,
  USE_BY_CAP_DAYS,
} from '@hand-ladle/core';
import { todayIn } from '../state/today';
import SettingFigure from '../ui/SettingFigure.vue';
import { vTyped } from '../ui/typed';

const props = defineProps<{ service: KitchenService; regime: Regime }>();
const emit = defineEmits<{ change: [service: KitchenService] }>();
const set = (fields: Partial<KitchenService>): void => emit('change', { ...props.service, ...fields });
const isChecked = (event: Event): boolean => (event.target as HTMLInputElement).checked;
const textOf = (event: Event): string => (event.target as HTMLInputElement).value.trim();
const here = Intl.DateTimeFormat().resolvedOptions().timeZone;
const zones = Intl.supportedValuesOf('timeZone');
const zoneProblem = ref('');
function setZone(text: string): void {
  const timeZone = text.trim();
  zoneProblem.value = isTimeZone(timeZone)
    ? ''
    : `“${timeZone}” is no time zone: write it like Europe/London.`;
  if (zoneProblem.value === '') set({ timeZone });
}
const cap = computed(() => USE_BY_CAP_DAYS[props.regime]);
</script>

<template>
  <section class="plate rimmed" aria-label="How it is served">
    <h2>How it is served and kept</h2>
    <label
      >What was made keeps, days, the day of making counted
      <SettingFigure
        label="Days that what was made keeps"
        :value="service.keepsDays"
        :least="1"
        :most="30"
        is-whole
        @set="$event !== null && set({ keepsDays: $event })"
      />
    </label>
    <p class="soft">
      {{
        cap === null
          ? 'The EU and UK leave this to the kitchen; your own hazard analysis decides.'
          : `US Food Code 3-501.17: never more than ${cap} days at 5 °C or below, so ${keptDays(service.keepsDays, regime)} count.`
      }}
    </p>
    <label
      >What was made keeps frozen, days
      <SettingFigure
        label="Days that what was made keeps frozen"
        :value="service.freezerDays"
        :least="1"
        :most="730"
        is-whole
        @set="$event !== null && set({ freezerDays: $event })"
      />
    </label>
    <label
      >A pack must be read again after, days
      <SettingFigure
        label="Days after which a pack must be read again"
        :value="service.readingDays"
        :least="1"
        :most="3650"
        is-whole
        @set="$event !== null && set({ readingDays: $event })"
      />
    </label>
    <label
      >Its dates are in the time zone
      <input
        v-typed="service.timeZone"
        class="field"
        list="time-zones"
        maxlength="60"
        @change="setZone(($event.target as HTMLInputElement).value)"
      />
      <datalist id="time-zones"><option v-for="each in zones" :key="each" :value="each" /></datalist>
    </label>
    <p v-if="zoneProblem" class="problem" role="alert">{{ zoneProblem }}</p>
    <p v-else class="soft">
      There it is {{ dateOnLabel(todayIn({ service }), 'en')
      }}<template v-if="service.timeZone !== here"
        >; this screen stands in {{ here }}.
        <button class="choice plain" type="button" @click="setZone(here)">Use that</button></template
      ><template v-else>.</template>
    </p>
    <label
      >Address a phone reaches this app at
      <input
        v-typed="service.publicAddress"
        class="field"
        type="url"
        maxlength="200"
        placeholder="none"
        @change="set({ publicAddress: ($event.target as HTMLInputElement).value.trim().replace(/\/+$/, '') })"
      />
    </label>
    <p class="soft">A QR code opens the batch there; without an address it holds the batch code alone.</p>
    <label
      >Name of the business, on labels
      <input
        v-typed="service.businessName"
        class="field"
        maxlength="120"
        @change="set({ businessName: textOf($event) })"
      />
    </label>
    <label
      >Its address, on labels
      <textarea
        v-typed="service.businessAddress"
        class="field"
        rows="3"
        maxlength="300"
        @change="set({ businessAddress: textOf($event) })"
      />
    </label>
    <label
      >Country whose rules hold for food packed here
      <select
        class="field"
        :value="service.country"
        @change="set({ country: textOf($event) as KitchenService['country'] })"
      >
        <option v-for="each in COUNTRIES" :key="each" :value="each">{{ COUNTRY_NAMES[each] }}</option>
      </select>
    </label>
    <label
      >Energy on the menu
      <select
        class="field"
        :value="service.menuEnergy"
        @change="set({ menuEnergy: textOf($event) as KitchenService['menuEnergy'] })"
      >
        <option value="none">not said</option>
        <option value="us">calories, as 21 CFR 101.11 asks of chains</option>
        <option value="england">kcal, as England’s regulations of 2021 ask of large businesses</option>
      </select>
    </label>
    <label class="tick"
      ><input
        type="checkbox"
        :checked="service.isReleasedByAnother"
        @change="set({ isReleasedByAnother: isChecked($event) })"
      />
      A label is released by another person than the one who checked it</label
    >
    <label class="tick"
      ><input
        type="checkbox"
        :checked="service.isHospital"
        @change="set({ isHospital: isChecked($event) })"
      />
      A ward is served: potassium, phosphorus, vitamin K and texture are shown</label
    >
    <label class="tick"
      ><input
        type="checkbox"
        :checked="service.isUsSchool"
        @change="set({ isUsSchool: isChecked($event) })"
      />
      A US school is served: meal credits are estimated</label
    >
    <template v-if="service.isUsSchool">
      <label v-for="band in AGE_BANDS" :key="band.id"
        >{{ band.name }}, share of the dish's portion
        <SettingFigure
          :label="`Portion share of ${band.name}`"
          :value="service.bandShares[band.id]"
          :least="0.1"
          :most="5"
          @set="$event !== null && set({ bandShares: { ...service.bandShares, [band.id]: $event } })"
        />
      </label>
    </template>
  </section>
</template>

<style scoped>
select,
textarea {
  max-width: 100%;
}

.problem {
  color: var(--brick);
  font-weight: 600;
}

label {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2);
  align-items: center;
  min-height: 40px;
}

.soft {
  font-size: var(--text-s);
}
</style>
