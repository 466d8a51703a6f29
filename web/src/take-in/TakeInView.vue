<script setup lang="ts">
import { cookingsIn, figureText, gramsText } from '@hand-ladle/core';
import NamedNowhere from '../ui/NamedNowhere.vue';
import DecisionList from './DecisionList.vue';
import DocumentPlate from './DocumentPlate.vue';
import { MOST_TEXT, useTakeIn } from './take-in';

const {
  text,
  reading,
  sheet,
  recipe,
  portions,
  size,
  isComponent,
  problem,
  fileProblem,
  isSaving,
  isOpening,
  isTooLong,
  found,
  decisions,
  answered,
  doubtful,
  needsPortions,
  sureness,
  hidden,
  notes,
  openFile,
  answerLine,
  sayNotIn,
  addHidden,
  putOnBench,
} = useTakeIn();

const counted = (count: number, word: string): string => `${count} ${word}${count === 1 ? '' : 's'}`;
</script>

<template>
  <div class="page" @dragover.prevent @drop.prevent="openFile($event.dataTransfer?.files[0])">
    <section class="told">
      <header>
        <h1>Take a dish in</h1>
        <label class="choice file">
          Open a file
          <input
            ref="file-field"
            class="unseen"
            type="file"
            accept=".txt,.md,.markdown,.html,.htm,.json,.csv,text/*,application/json"
            @change="openFile(($event.target as HTMLInputElement).files?.[0])"
          />
        </label>
      </header>
      <label for="told" class="soft"
        >As it was told to you: a title, the lines, then the steps. Or a saved page.</label
      >
      <textarea
        id="told"
        v-model="text"
        class="field"
        spellcheck="false"
        placeholder="Barley and leek pot&#10;Serves 6, portions of 280 g&#10;&#10;1 1/2 cups pearl barley, rinsed&#10;2 tbsp tamari&#10;a handful of dill&#10;&#10;Method&#10;Simmer the barley gently for 35 minutes …"
      />
      <p v-if="isTooLong" class="problem" role="alert">
        This is {{ text.length.toLocaleString('en') }} characters; one recipe has at most
        {{ MOST_TEXT.toLocaleString('en') }}. Nothing is lost: cut it to one recipe here and it is read.
      </p>
      <p v-if="fileProblem" class="problem" role="alert">{{ fileProblem }}</p>
      <p v-if="isOpening" class="soft" role="status">Reading …</p>
    </section>
    <section class="read" aria-live="polite">
      <DocumentPlate
        v-if="found"
        class="first"
        :recipes="found.recipes"
        :file-name="found.fileName"
        @leave="found = null"
      />
      <div v-else-if="!recipe || !reading" class="plate empty">
        <h2>What is read stands here</h2>
        <p v-for="each in reading?.findings ?? []" :key="each.code" class="problem" role="alert">
          {{ each.message }}
        </p>
        <p v-if="!reading" class="soft">
          Each line becomes a food, its form, its amount and its grams. What you wrote is kept beside it.
        </p>
      </div>
      <template v-else>
        <header class="plate head">
          <h2>{{ recipe.name }}</h2>
          <div class="sizes">
            <label
              >Portions
              <input
                ref="portions-field"
                v-model="portions"
                class="field"
                inputmode="decimal"
                size="4"
                :placeholder="String(reading.portions ?? '')"
            /></label>
            <label
              >Grams each
              <input
                v-model="size"
                class="field"
                inputmode="decimal"
                size="5"
                :placeholder="String(reading.portionGrams ?? '')"
            /></label>
            <label class="tick"
              ><input v-model="isComponent" type="checkbox" /> Used by weight in other dishes</label
            >
          </div>
          <p v-if="needsPortions" class="ask">How many portions does it make? The text does not say.</p>
          <div class="ends">
            <button class="choice main" type="button" :disabled="isSaving" @click="putOnBench">
              Put it on the bench
            </button>
            <span class="soft">
              {{ counted(reading.lines.length, 'line') }}, {{ counted(reading.steps.length, 'step') }};
              {{
                decisions.length === 0
                  ? 'nothing to decide'
                  : `${decisions.length} to decide, here or on the bench`
              }}
            </span>
          </div>
          <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
        </header>
        <NamedNowhere
          v-if="sheet"
          :findings="sheet.findings"
          :is-variant="false"
          @add="addHidden"
          @not-in="sayNotIn"
        />
        <DecisionList
          v-if="sheet && (decisions.length > 0 || answered > 0)"
          :decisions="decisions"
          :lines="recipe.lines"
          :answered="answered"
          :sheet="sheet"
          @answer="answerLine"
        />
        <section
          v-if="hidden.length > 0 || notes.length > 0"
          class="plate notes"
          aria-label="Look at this too"
        >
          <p v-for="written in hidden" :key="written">
            The method uses <b>{{ written }}</b>, which the list lacks.
            <button class="choice" type="button" @click="addHidden(written)">Put it in the list</button>
          </p>
          <p v-for="each in notes" :key="each.message">{{ each.message }}</p>
        </section>
        <ol v-if="sheet" class="lines">
          <li v-for="(line, at) in sheet.lines" :key="line.id" :class="{ doubtful: doubtful.has(line.id) }">
            <div>
              <p v-if="line.part && line.part !== sheet.lines[at - 1]?.part" class="part">{{ line.part }}</p>
              <b>{{ line.name }}</b> <span class="soft">{{ line.form }}</span>
              <p class="written">
                “{{ line.text }}”
                <span v-if="sureness(line.sourceId)" class="doubt">{{ sureness(line.sourceId) }}</span>
              </p>
            </div>
            <div class="right">
              <b v-if="line.baseGrams !== null" class="figure">{{ gramsText(line.baseGrams) }}</b>
              <b v-else class="doubt">not known</b>
              <p class="soft">{{ line.origin ?? '' }}</p>
            </div>
          </li>
        </ol>
        <section v-if="reading.steps.length > 0" class="plate steps">
          <h2>Steps</h2>
          <ol>
            <li v-for="step in reading.steps" :key="step.id">
              {{ step.text }}
              <span v-for="(cooking, at) in cookingsIn(step.reading)" :key="at" class="soft">
                [{{ cooking.heat }}, {{ figureText(cooking.minutes, 1) }} min{{
                  cooking.covered ? ', covered' : ''
                }}]
              </span>
              <span v-if="step.reading.lookTest" class="soft">[until {{ step.reading.lookTest }}]</span>
            </li>
          </ol>
        </section>
      </template>
    </section>
  </div>
</template>

<style scoped>
.page {
  display: grid;
  grid-template-columns: minmax(320px, 0.85fr) 1.15fr;
  gap: var(--space-4);
  max-width: 1400px;
  margin: 0 auto;
  padding: var(--space-4) 20px var(--space-6);
  align-items: start;
}

.told {
  position: sticky;
  top: var(--space-4);
  display: grid;
  gap: var(--space-2);
}

h1 {
  font-size: var(--text-xl);
}

.told header {
  display: flex;
  align-items: center;
  justify-content: space-between;
}

.file {
  display: inline-flex;
  align-items: center;
  cursor: pointer;
}

.file:focus-within {
  outline: 3px solid var(--rim);
  outline-offset: 2px;
}

.notes p {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px 10px;
  color: var(--amber);
  font-size: var(--text-m);
  font-weight: 560;
}

textarea {
  min-height: calc(100vh - 190px);
  padding: var(--space-4);
  border-top: 4px solid var(--rim);
  border-radius: var(--radius);
  resize: vertical;
  font-size: 1rem;
  line-height: 1.5;
}

.read {
  display: grid;
  gap: var(--space-3);
  min-width: 0;
}

.plate h2 {
  font-size: var(--text-l);
  color: var(--ink);
  margin-bottom: var(--space-2);
  overflow-wrap: anywhere;
}

.first {
  margin-top: 34px;
}

.empty {
  margin-top: 34px;
  border: 1.5px dashed var(--hairline);
}

.head {
  margin-top: 34px;
  border-top: 4px solid var(--rim);
}

.sizes,
.ends {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: var(--space-2) var(--space-4);
  margin-bottom: var(--space-3);
}

.ends {
  margin: 0;
}

.tick {
  display: flex;
  align-items: center;
  gap: 6px;
  min-height: 40px;
}

.lines {
  background: var(--enamel);
  border-radius: var(--radius);
  overflow: hidden;
}

.lines li {
  display: flex;
  justify-content: space-between;
  gap: var(--space-4);
  padding: 7px var(--space-4);
  border-top: 1px solid var(--hairline);
  overflow-wrap: anywhere;
}

.lines li.doubtful {
  background: var(--amber-wash);
  box-shadow: inset 4px 0 0 var(--amber-line);
}

.part {
  font-size: var(--text-s);
  font-weight: 640;
  color: var(--rim);
}

.written {
  font-size: var(--text-s);
  color: var(--ink-soft);
}

.doubt {
  color: var(--amber);
  font-size: var(--text-s);
  font-weight: 620;
}

.right {
  text-align: right;
  white-space: nowrap;
}

.right p {
  font-size: var(--text-s);
}

.right .figure {
  font-size: var(--text-l);
}

.steps ol {
  display: grid;
  gap: var(--space-2);
  padding-left: 1.4em;
  list-style: decimal;
  overflow-wrap: anywhere;
}

.ask {
  color: var(--amber);
  font-weight: 620;
  margin-bottom: var(--space-2);
}

.problem {
  color: var(--brick);
  font-weight: 600;
}

@media (max-width: 860px) {
  .page {
    grid-template-columns: minmax(0, 1fr);
    padding: var(--space-3);
  }

  .told {
    position: static;
  }

  textarea {
    min-height: 260px;
  }

  .head,
  .empty {
    margin-top: 0;
  }
}
</style>
