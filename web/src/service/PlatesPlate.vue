<script setup lang="ts">
/** Bases into plates: what can be built of what stands cooked in store, for whom; one tap puts a plate on. */
import { ref, shallowRef, watch } from 'vue';
import { type BuiltPlate, FACT_NAMES, type FactId, gramsText, type SavedServiceTold } from '@hand-ladle/core';
import { server } from '../api/client';
import { services } from './service-server';

const props = defineProps<{ service: SavedServiceTold }>();
const emit = defineEmits<{ put: [recipeId: string] }>();

type Plate = BuiltPlate & { text: string };
const plates = shallowRef<Plate[] | null>(null);
const isOpen = ref(false);
const problem = ref('');
const isPutting = ref(false);

watch([isOpen, () => props.service.version], async ([open]) => {
  if (!open) return;
  problem.value = '';
  try {
    plates.value = await services.plates(props.service.id);
  } catch (error) {
    problem.value = (error as Error).message;
  }
});

async function put({ text }: Plate): Promise<void> {
  isPutting.value = true;
  try {
    emit('put', await server.takeIn(text));
  } catch (error) {
    problem.value = (error as Error).message;
  } finally {
    isPutting.value = false;
  }
}
const nameOf = (figure: string): string => FACT_NAMES[figure as FactId].name.toLowerCase();
/** The first few; the rest by one tap. */
const FIRST = 5;
const areAll = ref(false);
const toggled = (event: Event): void => {
  isOpen.value = (event.target as HTMLDetailsElement).open;
};
</script>

<template>
  <details class="plate rimmed" @toggle="toggled">
    <summary><h2>Plates from what stands in store</h2></summary>
    <p v-if="problem" class="wrong" role="alert">{{ problem }}</p>
    <p v-if="plates?.length === 0" class="soft">
      Three cooked bases at least (a grain or beans among them) must stand in store until the day. Make
      components ahead, and put them into store.
    </p>
    <ul v-if="plates">
      <li v-for="plate in areAll ? plates : plates.slice(0, FIRST)" :key="plate.name">
        <p class="head">
          <strong>{{ plate.name }}</strong>
          <span class="figure">{{ plate.portions }} portions of {{ plate.portionGrams }} g</span>
          <button class="choice" type="button" :disabled="isPutting" @click="put(plate)">
            Put it on<span class="unseen"> {{ plate.name }}</span>
          </button>
        </p>
        <p>
          {{ plate.bases.map(({ name, grams }) => `${name} ${gramsText(grams)}`).join(', ') }}
        </p>
        <p class="soft">
          On it: {{ plate.parts.join(', ') || 'no part of a plate in full' }}. Colours:
          {{ plate.colours.join(', ') || 'none' }}. {{ plate.isAtLeast ? 'At least ' : ''
          }}{{ Math.round(plate.energyKcal) }} kcal, {{ Math.round(plate.proteinG) }} g protein<template
            v-for="target in plate.targets"
            :key="target.figure"
            >; {{ nameOf(target.figure) }} {{ target.standing }}</template
          >.
        </p>
        <p>
          <template v-if="plate.served.length > 0">For: {{ plate.served.join(', ') }}. </template>
          <strong v-if="plate.notServed.length > 0" class="not"
            >Not for: {{ plate.notServed.join(', ') }}.</strong
          >
        </p>
      </li>
    </ul>
    <button
      v-if="plates && plates.length > FIRST && !areAll"
      class="choice plain"
      type="button"
      @click="areAll = true"
    >
      {{ plates.length - FIRST }} more
    </button>
  </details>
</template>

<style scoped>
summary h2 {
  display: inline;
  font-size: var(--text-l);
}

summary {
  min-height: var(--touch);
}

li {
  padding: var(--space-2) 0;
  border-top: 1px solid var(--hairline);
}

.head {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-3);
  align-items: center;
}

.head button {
  margin-left: auto;
}

.not,
.wrong {
  color: var(--brick);
}
</style>
