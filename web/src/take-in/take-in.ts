/** Taking a dish in: the text, what is read from it, what the cook answers, and where it goes then. */
import { computed, onMounted, ref, shallowRef, useTemplateRef, watch } from 'vue';
import { useRouter } from 'vue-router';
import {
  decisionsOf,
  type FoundRecipe,
  type LineAnswers,
  type NotIn,
  type Recipe,
  recipeFromReading,
  type RecipeReading,
  splitRecipes,
  typedFigure,
  type Worksheet,
} from '@hand-ladle/core';
import { server } from '../api/client';
import { newId } from '../state/bench';
import { useBook } from '../state/book';
import { todayIn } from '../state/today';
import { ask, latestOnly } from '../worker/client';

const DRAFT_KEY = 'hand-ladle.take-in';
/** The server's own limits, said before anything is sent. */
export const MOST_TEXT = 200_000;
const MOST_DOCUMENT = 2_900_000;
/** About the portion, which is looked at once the dish is on the bench; or asked in a place of its own here. */
const ASKED_LATER: ReadonlySet<string> = new Set([
  'figure-missing',
  'step-amount-hidden',
  'target-missed',
  'figure-off-band',
]);

export function useTakeIn() {
  const book = useBook();
  const router = useRouter();
  const text = ref(localStorage.getItem(DRAFT_KEY) ?? '');
  const reading = shallowRef<RecipeReading | null>(null);
  const sheet = shallowRef<Worksheet | null>(null);
  const portions = ref('');
  const size = ref('');
  const portionsField = useTemplateRef<HTMLInputElement>('portions-field');
  const fileField = useTemplateRef<HTMLInputElement>('file-field');
  const isComponent = ref(false);
  const problem = ref('');
  const fileProblem = ref('');
  const isSaving = ref(false);
  const isOpening = ref(false);
  const read = latestOnly('read');
  /** Answers by the words of a line, so that they stay while the text around it is edited. */
  const answers = shallowRef(new Map<string, LineAnswers>());
  /** What was said not to be in it; each holds for its own text, so it stays while another is edited. */
  const notIn = shallowRef<NotIn[]>([]);
  /** Several recipes in one file, or one of our own exports with its answers. */
  const found = shallowRef<{ recipes: FoundRecipe[]; fileName: string } | null>(null);

  const isTooLong = computed(() => text.value.length > MOST_TEXT);
  const numberIn = (typed: string): number | null => {
    const value = typedFigure(typed);
    return value !== null && value > 0 && value <= 1_000_000 ? value : null;
  };

  /** The recipe as read, with what the cook answered, and the portions typed over those the text says. */
  const recipe = computed<Recipe | null>(() => {
    if (!reading.value || reading.value.lines.length === 0) return null;
    const made = recipeFromReading(reading.value, 'unsaved');
    return {
      ...made,
      name: made.name.slice(0, 200),
      portions: numberIn(portions.value) ?? made.portions,
      portionGrams: numberIn(size.value) ?? made.portionGrams,
      isComponent: isComponent.value,
      notIn: notIn.value,
      confirmed: [],
      lines: made.lines.map((line) => ({ ...line, answers: answers.value.get(line.text) ?? {} })),
    };
  });

  let timer: ReturnType<typeof setTimeout> | undefined;
  watch(text, () => {
    clearTimeout(timer);
    timer = setTimeout(() => void readNow(), 120);
  });

  function keepDraft(): void {
    try {
      localStorage.setItem(DRAFT_KEY, text.value);
    } catch {
      // A browser's store holds about 5 MB; a longer text stays in the box all the same.
    }
  }

  /** Whether a text is no plain recipe: a page, JSON, or several recipes. Then the server opens it. */
  const isDocument = (words: string): boolean =>
    /^\s*(?:<(?:!doctype|html|head|body)\b|[[{]\s*["{[])/i.test(words) ||
    words.includes('application/ld+json') ||
    /<!-- hand-ladle \{/.test(words) ||
    splitRecipes(words).length > 1;

  async function readNow(): Promise<void> {
    keepDraft();
    fileProblem.value = '';
    if (isTooLong.value || text.value.trim() === '') {
      reading.value = null;
      return;
    }
    await book.ready();
    if (isDocument(text.value)) {
      await openDocument(text.value, 'what you pasted');
      return;
    }
    const answer = await read({ text: text.value });
    if (answer) reading.value = answer;
  }

  watch([recipe, () => book.kitchen], async () => {
    if (!recipe.value || !book.kitchen) {
      sheet.value = null;
      return;
    }
    const question = { recipe: recipe.value, kitchen: book.kitchen };
    const target = await ask('homeTarget', question);
    const answer = await ask('worksheet', { ...question, target, vesselIds: [] });
    if (question.recipe === recipe.value) sheet.value = answer;
  });

  onMounted(readNow);

  /** A recipe of a page, as the words a cook would have pasted. */
  function wordsOf({ recipe: one, needsPortions }: FoundRecipe): string {
    let part = '';
    const lines = one.lines.flatMap((line) => {
      const heading =
        line.reading.part !== part && line.reading.part !== '' ? ['', `For the ${line.reading.part}:`] : [];
      part = line.reading.part;
      return [...heading, line.text];
    });
    const serves = needsPortions
      ? []
      : [`Serves ${one.portions}${one.portionGrams ? `, portions of ${one.portionGrams} g` : ''}`];
    const steps = one.steps.length > 0 ? ['', 'Method', ...one.steps.map((step) => step.text)] : [];
    return [one.name, ...serves, '', ...lines, ...steps].join('\n');
  }

  async function openDocument(words: string, fileName: string): Promise<void> {
    isOpening.value = true;
    fileProblem.value = '';
    try {
      const { recipes, format } = await server.readDocument(words, fileName, book.kitchen!.id);
      const isOwn = recipes.some((each) =>
        each.recipe.lines.some((line) => Object.keys(line.answers).length > 0),
      );
      if (recipes.length === 1 && !isOwn && (format !== 'text' || words !== text.value))
        text.value = wordsOf(recipes[0]!);
      else found.value = { recipes, fileName };
    } catch (error) {
      reading.value = null;
      fileProblem.value = (error as Error).message;
    } finally {
      isOpening.value = false;
    }
  }

  async function openFile(file: File | undefined): Promise<void> {
    if (!file) return;
    if (file.size > MOST_DOCUMENT) {
      fileProblem.value = 'This file is larger than 2.9 MB. Split it and open the parts.';
      return;
    }
    await book.ready();
    await openDocument(await file.text(), file.name);
    if (fileField.value) fileField.value.value = '';
  }

  const decisions = computed(() => (sheet.value ? decisionsOf(sheet.value) : []));
  const answered = computed(
    () => recipe.value?.lines.filter((line) => Object.keys(line.answers).length > 0).length ?? 0,
  );
  /** How sure the reading of a line is, in words; nothing where it is certain or answered. */
  function sureness(lineId: string): string {
    const line = recipe.value?.lines.find(({ id }) => id === lineId);
    if (!line || line.answers.foodId !== undefined || line.reading.foodId === null) return '';
    if (line.reading.confidence === 1) return '';
    return line.reading.confidence < 0.75 ? 'spelling mended: not sure' : 'another word beside it: not sure';
  }
  const doubtful = computed(() => new Set(decisions.value.map(({ line }) => line?.id)));
  const needsPortions = computed(
    () =>
      !isComponent.value &&
      reading.value !== null &&
      reading.value.portions === null &&
      numberIn(portions.value) === null,
  );

  function answerLine(lineId: string, given: LineAnswers): void {
    const line = recipe.value?.lines.find(({ id }) => id === lineId);
    if (!line) return;
    answers.value = new Map(answers.value).set(line.text, { ...line.answers, ...given });
  }

  async function sayNotIn(name: string, by: string): Promise<void> {
    if (!recipe.value || !book.kitchen) return;
    const on = todayIn(book.kitchen);
    const said = await ask('saidNotIn', { recipe: recipe.value, kitchen: book.kitchen, name, by, on });
    notIn.value = [...notIn.value, ...said];
  }

  /** What the method uses and the list lacks is put in the list. */
  const hidden = computed(() => [
    ...new Set(recipe.value?.steps.flatMap((step) => step.reading.hiddenAmounts) ?? []),
  ]);
  function addHidden(written: string): void {
    // A line parted from another does not stand in the text by its own words.
    const last = [...(recipe.value?.lines ?? [])]
      .reverse()
      .find((line) => text.value.includes(line.text))?.text;
    const at = last === undefined ? -1 : text.value.indexOf(last);
    text.value =
      at < 0
        ? `${text.value}\n${written}`
        : `${text.value.slice(0, at + last!.length)}\n${written}${text.value.slice(at + last!.length)}`;
  }
  const notes = computed(
    () =>
      sheet.value?.findings.filter(
        ({ lineId, severity, code }) => lineId === null && severity === 'caution' && !ASKED_LATER.has(code),
      ) ?? [],
  );

  async function putOnBench(): Promise<void> {
    if (!recipe.value) return;
    if (needsPortions.value) {
      problem.value = 'Say how many portions it makes, or tick that it is used by weight.';
      portionsField.value?.focus();
      return;
    }
    isSaving.value = true;
    problem.value = '';
    try {
      const made = await server.create({
        recipe: { ...recipe.value, id: newId(recipe.value.name) },
        target: null,
        vesselIds: [],
        version: 0,
      });
      if (isComponent.value) await book.refresh();
      localStorage.removeItem(DRAFT_KEY);
      await router.push(`/dishes/${made.recipe.id}`);
    } catch (error) {
      problem.value = `${(error as Error).message} Your text is kept.`;
    } finally {
      isSaving.value = false;
    }
  }
  return {
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
  };
}
