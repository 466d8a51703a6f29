<script setup lang="ts">
/** The label at its true width of 102 mm, in the law's own layout; the PDF prints the same texts. */
import { computed } from 'vue';
import { LABEL_CAUTION, roundToDecimals, type Label } from '@hand-ladle/core';

const props = defineProps<{ label: Label }>();
const grams = computed(() => roundToDecimals(props.label.portionGrams, 0));
const energy = computed(() => props.label.figures[0]);
const nutrients = computed(() => props.label.figures.slice(1, -4));
const minerals = computed(() => props.label.figures.slice(-4));
const usName = (id: string, name: string, text: string): string =>
  id === 'addedSugarsG' ? `Includes ${text} ${name}` : `${name} ${text}`;
</script>

<template>
  <article class="label" :class="{ unreleased: label.isDraft }" aria-label="Label preview">
    <p v-if="label.isDraft" class="not-for-use">
      DRAFT - not for use: {{ label.draftReasons.length }} open
      {{ label.draftReasons.length === 1 ? 'point' : 'points' }}
    </p>
    <h2>{{ label.title }}</h2>
    <p class="size">1 portion, {{ grams }} g</p>
    <div v-if="label.regime === 'us'" class="us">
      <h3>Nutrition Facts</h3>
      <p>1 serving per container</p>
      <p class="serving">
        <b>Serving size</b><b>1 portion ({{ grams }}g)</b>
      </p>
      <div class="bar thick" />
      <p class="small"><b>Amount per serving</b></p>
      <p class="calories">
        <b>{{ energy?.name }}</b><b>{{ energy?.text }}</b>
      </p>
      <div class="bar" />
      <table>
        <tbody>
          <tr>
            <td />
            <td><b>% Daily Value*</b></td>
          </tr>
          <tr v-for="figure in nutrients" :key="figure.id">
            <td
              :style="{ paddingLeft: `${figure.indent * 10}pt`, fontWeight: figure.indent === 0 ? 700 : 400 }"
            >
              {{ usName(figure.id, figure.name, figure.text) }}
            </td>
            <td>
              <b>{{ figure.dailyValueText }}</b>
            </td>
          </tr>
        </tbody>
      </table>
      <div class="bar thick" />
      <table>
        <tbody>
          <tr v-for="figure in minerals" :key="figure.id">
            <td>{{ figure.name }} {{ figure.text }}</td>
            <td>{{ figure.dailyValueText }}</td>
          </tr>
        </tbody>
      </table>
      <div class="bar" />
      <p class="foot">
        * The % Daily Value (DV) tells you how much a nutrient in a serving of food contributes to a daily
        diet. 2,000 calories a day is used for general nutrition advice.
      </p>
    </div>
    <div v-else class="eu">
      <h3>Nutrition</h3>
      <table>
        <thead>
          <tr>
            <td />
            <th>per 100 g</th>
            <th>per portion ({{ grams }} g)</th>
            <th>% RI*</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="figure in label.figures" :key="figure.id" :class="{ main: figure.indent === 0 }">
            <td :style="{ paddingLeft: `${figure.indent * 8}pt` }">{{ figure.name }}</td>
            <td>{{ figure.per100gText }}</td>
            <td>{{ figure.text }}</td>
            <td>{{ figure.dailyValueText }}</td>
          </tr>
        </tbody>
      </table>
      <p class="foot">* Reference intake of an average adult (8400 kJ / 2000 kcal)</p>
    </div>
    <p class="ingredients">
      <b>Ingredients: </b>
      <template v-for="(segment, index) in label.ingredientSegments" :key="index"
        ><b v-if="segment.stress">{{ segment.text }}</b
        ><template v-else>{{ segment.text }}</template></template
      >.
    </p>
    <p v-if="label.contains">
      <b>{{ label.contains }}</b>
    </p>
    <p v-if="label.mayContain">
      <b>{{ label.mayContain }}</b>
    </p>
    <p v-if="label.isDraft && label.unconfirmed">
      <b>{{ label.unconfirmed }}</b>
    </p>
    <p class="foot">{{ LABEL_CAUTION }}</p>
  </article>
</template>

<style scoped>
.label {
  position: relative;
  width: 102mm;
  padding: 12pt;
  background: #ffffff;
  color: #000000;
  font-size: 8pt;
  line-height: 1.25;
  overflow: hidden;
  overflow-wrap: anywhere;
  box-shadow: var(--shadow);
}

/* The word over everything; readers hear it in the line below. */
.unreleased::before {
  content: 'DRAFT';
  position: absolute;
  inset: 0;
  display: grid;
  place-items: center;
  font-size: 62pt;
  font-weight: 900;
  transform: rotate(-45deg);
  opacity: 0.13;
  pointer-events: none;
}

.not-for-use {
  font-weight: 700;
}

h2 {
  font-size: 13pt;
  line-height: 1.15;
}

.size {
  padding-bottom: 3pt;
  border-bottom: 0.5pt solid #000000;
  margin-bottom: 4pt;
}

h3 {
  font-weight: 900;
}

.us h3 {
  font-size: 27pt;
  line-height: 1.05;
}

.eu h3 {
  font-size: 13pt;
}

.serving,
.calories {
  display: flex;
  justify-content: space-between;
  font-size: 10pt;
}

.calories {
  font-size: 20pt;
  font-weight: 900;
  line-height: 1.1;
}

.small {
  font-size: 7pt;
}

.bar {
  height: 4pt;
  margin: 3pt 0;
  background: #000000;
}

.bar.thick {
  height: 7pt;
}

table {
  width: 100%;
  border-collapse: collapse;
}

td,
th {
  padding: 1.2pt 0;
  text-align: right;
  vertical-align: top;
  font-weight: 400;
}

tr + tr > *,
tbody tr:first-child > * {
  border-top: 0.5pt solid #000000;
}

td:first-child {
  text-align: left;
}

.eu table {
  border-top: 1.5pt solid #000000;
  border-bottom: 1.5pt solid #000000;
  font-size: 7pt;
}

.eu th,
.eu .main td {
  font-weight: 700;
}

.foot {
  margin-top: 3pt;
  font-size: 6pt;
}

.ingredients {
  margin-top: 5pt;
  padding-top: 4pt;
  border-top: 0.5pt solid #000000;
}
</style>
