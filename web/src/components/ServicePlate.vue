<script setup lang="ts">
/** Whom the kitchen serves, in what portions, and how long what it made keeps. */
import { computed } from 'vue';
import { AGE_BANDS, keptDays, USE_BY_CAP_DAYS, type KitchenService, type Regime } from '@hand-ladle/core';
import SettingFigure from './SettingFigure.vue';

const props = defineProps<{ service: KitchenService; regime: Regime }>();
const emit = defineEmits<{ change: [service: KitchenService] }>();
const set = (fields: Partial<KitchenService>): void => emit('change', { ...props.service, ...fields });
const isChecked = (event: Event): boolean => (event.target as HTMLInputElement).checked;
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
