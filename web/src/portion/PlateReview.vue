<script setup lang="ts">
/** One portion as food: the parts of the plate, its colours, what a plant kitchen watches, and what a ward or school asks. */
import { computed, shallowRef, watch } from 'vue';
import {
  AGE_BANDS,
  FACT_NAMES,
  figureText,
  type PortionReview,
  roundToDecimals,
  VEGETABLE_SUBGROUPS,
  type WatchFigure,
} from '@hand-ladle/core';
import { useBench } from '../state/bench';
import { ask } from '../worker/client';

const bench = useBench();
const review = shallowRef<PortionReview | null>(null);
watch(
  () => bench.worksheet,
  async () => {
    if (bench.input) review.value = await ask('portion', bench.input);
  },
  { immediate: true },
);
const amount = ({ id, amount: value }: WatchFigure): string =>
  `${figureText(value, value >= 10 ? 0 : 2)} ${FACT_NAMES[id].unit}`;
const watched = computed(() => [...(review.value?.watch ?? []), ...(review.value?.hospital ?? [])]);
const credits = computed(() => review.value?.credits ?? null);
const rows = computed(() =>
  credits.value === null
    ? []
    : AGE_BANDS.map((band, index) => ({
        band,
        meat: credits.value!.asMeatAlternate[index]!,
        vegetable: credits.value!.asVegetable[index]!,
      })),
);
const subgroups = (cups: Readonly<Record<string, number>>): string =>
  VEGETABLE_SUBGROUPS.filter((each) => cups[each]! > 0)
    .map((each) => `${each} ${figureText(cups[each]!, 3)}`)
    .join(', ') || 'none';
</script>

<template>
  <section v-if="review" class="plate rimmed" aria-label="The plate">
    <h2>The plate</h2>
    <ul class="parts">
      <li v-for="part in review.plate.parts" :key="part.part" :class="{ missing: !part.isThere }">
        <b>{{ part.part }}</b>
        <span>{{
          part.isThere
            ? part.foods.slice(0, 3).join(', ').toLowerCase()
            : part.grams > 0
              ? `too little, ${roundToDecimals(part.grams, 0)} g`
              : 'missing'
        }}</span>
      </li>
      <li :class="{ missing: !review.plate.hasColours }">
        <b>colours</b>
        <span
          >{{ review.plate.colours.map(({ colour }) => colour).join(', ') || 'none'
          }}{{ review.plate.hasColours ? '' : '; three are wanted' }}</span
        >
      </li>
    </ul>
    <p class="soft">
      Many cooks look for these on every plate (kitchen practice). A dish may be one part of a plate.
    </p>
  </section>
  <section v-if="review" class="plate" aria-label="To watch">
    <h2>To watch in a plant kitchen{{ review.hospital.length > 0 ? ' and on a ward' : '' }}</h2>
    <div class="wide">
      <table class="sheet-table">
        <tbody>
          <tr v-for="each in watched" :key="each.id">
            <th scope="row">{{ FACT_NAMES[each.id].name }}</th>
            <td class="right">{{ each.isIncomplete ? '≥ ' : '' }}{{ amount(each) }}</td>
            <td class="right">
              {{ each.share === null ? '' : `${roundToDecimals(each.share * 100, 0)} % of a day` }}
            </td>
            <td class="soft">{{ each.because }}</td>
          </tr>
        </tbody>
      </table>
    </div>
    <p v-if="review.texture" class="texture">
      <b>Texture:</b>
      {{ review.texture.isBlended ? 'everything is blended.' : '' }}
      {{
        review.texture.notes
          .map(({ says, foods }) => `${says} (${foods.join(', ').toLowerCase()})`)
          .join('; ') || 'nothing hard or stringy is named.'
      }}
      Test each portion as your ward's texture standard asks.
    </p>
    <p class="soft">Information, not advice: what a person needs is for a dietitian to say.</p>
  </section>
  <section v-if="credits" class="plate" aria-label="School credits">
    <h2>US school lunch, an estimate to be confirmed</h2>
    <div class="wide">
      <table class="sheet-table">
        <thead>
          <tr>
            <th scope="col">Band</th>
            <th scope="col" class="right">portion</th>
            <th scope="col" class="right">meat alternate, oz eq</th>
            <th scope="col" class="right">grain, oz eq</th>
            <th scope="col">vegetables, cups</th>
            <th scope="col">pulses as vegetable</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="{ band, meat, vegetable } in rows" :key="band.id">
            <th scope="row">{{ band.name }}</th>
            <td class="right">{{ roundToDecimals(meat.portionGrams, 0) }} g</td>
            <td class="right">
              {{ figureText(meat.credits.meatAlternateOzEq, 2) }} of {{ band.meatAlternateOzEq }}
            </td>
            <td class="right">{{ figureText(meat.credits.grainOzEq, 2) }} of {{ band.grainOzEq }}</td>
            <td>
              {{ subgroups(meat.credits.vegetableCups) }};
              {{ figureText(meat.credits.allVegetableCups, 3) }} of {{ band.vegetableCups }}
            </td>
            <td>
              {{ figureText(vegetable.credits.vegetableCups['beans, peas and lentils'], 3) }} cups, then no
              meat alternate of them
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <p class="soft">
      7 CFR 210.10 and the Food Buying Guide, rounded down. The state agency and product statements decide;
      grain must be whole-grain rich.
    </p>
  </section>
</template>

<style scoped>
.parts {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(150px, 1fr));
  gap: var(--space-2);
}

.parts li {
  display: grid;
  align-content: start;
  padding: var(--space-2) var(--space-3);
  border: 1.5px solid var(--hairline);
  border-radius: var(--radius-s);
  font-size: var(--text-s);
}

.parts .missing {
  border: 1.5px dashed var(--amber-line);
  color: var(--amber);
}

.soft,
.texture {
  margin-top: var(--space-2);
  font-size: var(--text-s);
}

td.soft {
  font-size: var(--text-s);
}
</style>
