<script setup lang="ts">
/**
 * Words of a statement that no list holds. The pack is unchecked for everything till somebody says what each is: signed in, or
 * with a PIN. The answer is kept with the word, and can be taken back.
 */
import { computed, onMounted, ref } from 'vue';
import {
  answeredWord,
  type Kitchen,
  type Signer,
  type Substance,
  SUBSTANCE_NAMES,
  SUBSTANCES,
  type WordAnswer,
} from '@hand-ladle/core';
import { useBook } from '../state/book';
import { useSession } from '../state/session';
import { wordServer } from './word-server';

const props = defineProps<{ words: readonly string[] }>();
const book = useBook();
const session = useSession();

const answers = computed(() => new Map((book.kitchen?.words ?? []).map((each) => [each.word, each])));
const answerTo = (word: string): WordAnswer | undefined => answers.value.get(answeredWord(word));
const open = computed(() => props.words.filter((word) => !answerTo(word)));
const said = computed(() => props.words.flatMap((word) => answerTo(word) ?? []));

type Held = Substance | 'animal';
const CHOICES: readonly Held[] = [...SUBSTANCES, 'animal'];
const nameOf = (each: Held): string => (each === 'animal' ? 'something of an animal' : SUBSTANCE_NAMES[each]);
const namesOf = (holds: readonly Held[]): string =>
  holds.length === 0 ? 'none of them' : holds.map(nameOf).join(', ');

/** The word whose answer is being given, and what it holds so far. */
const asked = ref('');
const holds = ref<Held[]>([]);
const isTakingBack = ref(false);
const signers = ref<Signer[]>([]);
const signerId = ref('');
const pin = ref('');
const problem = ref('');

onMounted(async () => {
  await session.ready();
  try {
    signers.value = await wordServer.signers();
  } catch {
    // Without them only who is signed in can answer; the button says so.
  }
});

function ask(word: string, takesBack = false): void {
  asked.value = word;
  isTakingBack.value = takesBack;
  holds.value = [];
  problem.value = '';
}

async function signed(): Promise<string> {
  if (session.person) return '';
  const { signature } = await wordServer.sign(signerId.value, pin.value);
  return signature;
}

async function keep(none = false): Promise<void> {
  if (!book.kitchen) return;
  try {
    const signature = await signed();
    const kitchen: Kitchen = isTakingBack.value
      ? await wordServer.takeBack(book.kitchen.id, asked.value, signature)
      : await wordServer.answer(book.kitchen.id, asked.value, none ? [] : holds.value, signature);
    book.replaceKitchen(kitchen);
    asked.value = '';
    pin.value = '';
  } catch (error) {
    problem.value = (error as Error).message;
  }
}
</script>

<template>
  <div class="words">
    <p v-if="open.length > 0" class="doubt" role="status">
      Nobody knows:
      <button
        v-for="word in open"
        :key="word"
        class="choice word"
        type="button"
        :aria-expanded="asked === word"
        @click="ask(word)"
      >
        {{ word }}
      </button>
      <span class="why">Till each is answered, this pack is unchecked for everything.</span>
    </p>
    <p v-for="each in said" :key="each.word" class="soft">
      “{{ each.word }}” holds {{ namesOf(each.holds) }}, says {{ each.by }} on {{ each.on }}.
      <button class="choice plain" type="button" @click="ask(each.word, true)">Take it back</button>
    </p>
    <fieldset v-if="asked" class="answer">
      <legend>{{ isTakingBack ? `Take back what was said of “${asked}”` : `What “${asked}” holds` }}</legend>
      <div v-if="!isTakingBack" class="choices">
        <label v-for="each in CHOICES" :key="each"
          ><input v-model="holds" type="checkbox" :value="each" /> {{ nameOf(each) }}</label
        >
      </div>
      <p v-if="session.person" class="soft">Signed by {{ session.person.name }}.</p>
      <div v-else class="sign">
        <label
          >Who says it
          <select v-model="signerId" class="field">
            <option value="">Choose your name</option>
            <option v-for="{ id, name } in signers" :key="id" :value="id">{{ name }}</option>
          </select></label
        >
        <label
          >PIN
          <input
            v-model="pin"
            class="field"
            type="password"
            inputmode="numeric"
            autocomplete="off"
            maxlength="8"
            size="8"
        /></label>
      </div>
      <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
      <div class="ends">
        <button v-if="isTakingBack" class="choice main" type="button" @click="keep()">Take it back</button>
        <template v-else>
          <button class="choice main" type="button" :disabled="holds.length === 0" @click="keep()">
            It holds these
          </button>
          <button class="choice" type="button" :disabled="holds.length > 0" @click="keep(true)">
            It holds none of them
          </button>
        </template>
        <button class="choice plain" type="button" @click="asked = ''">Leave it open</button>
      </div>
    </fieldset>
  </div>
</template>

<style scoped>
.words {
  display: grid;
  gap: 4px;
}

.doubt {
  color: var(--amber);
  font-weight: 600;
  font-size: var(--text-s);
}

.word {
  margin: 1px 3px;
}

.why {
  font-weight: 450;
}

.answer {
  border: 1px solid var(--hairline);
  border-radius: var(--radius-s);
  padding: var(--space-2) var(--space-3) var(--space-3);
  margin: 0;
}

.answer legend {
  font-weight: 560;
}

.choices {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(128px, 1fr));
  gap: 2px 12px;
}

.choices label {
  display: flex;
  align-items: center;
  gap: var(--space-2);
  min-height: 34px;
  font-weight: 450;
}

.sign,
.ends {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2);
  align-items: end;
  margin-top: var(--space-2);
}

.problem {
  color: var(--brick);
  font-weight: 600;
}
</style>
