/** The bench: one open dish, its target, the worksheet that follows every change, and quiet saving with undo. */
import { computed, ref, shallowRef, watch } from 'vue';
import { defineStore } from 'pinia';
import {
  idFromName,
  isOpen,
  machinesFor,
  withSwap,
  type Finding,
  type Kitchen,
  type LineAnswers,
  type Offer,
  type Recipe,
  type RecipeLine,
  type StatementStyle,
  type Regime,
  type SwapPlan,
  type Target,
  type WorkKind,
  type Worksheet,
  type SavedRecipe,
} from '@hand-ladle/core';
import { server, type ServerError } from '../api/client';
import { ask, latestOnly } from '../worker/client';
import { useBook } from './book';
import { todayIn } from './today';

/** How long after the last change the dish is saved, in milliseconds. */
const SAVE_AFTER = 300;
const TRY_AGAIN_AFTER = 3000;

interface State {
  recipe: Recipe;
  target: Target;
  vesselIds: readonly string[];
}

export type SaveStatus = 'saved' | 'changed' | 'saving' | 'conflict' | 'unreachable' | 'refused';

export const useBench = defineStore('bench', () => {
  const book = useBook();
  const state = shallowRef<State | null>(null);
  const worksheet = shallowRef<Worksheet | null>(null);
  const regime = ref<Regime>('eu');
  /** Language and order of the label's text. */
  const labelStyle = shallowRef<StatementStyle>({ language: 'en', hasTail: false });
  const saveStatus = ref<SaveStatus>('saved');
  const saveMessage = ref('');
  const past = shallowRef<State[]>([]);
  const future = shallowRef<State[]>([]);
  let version = 0;
  let theirs: SavedRecipe | null = null;
  let timer: ReturnType<typeof setTimeout> | undefined;
  const compute = latestOnly('worksheet');
  const findOffers = latestOnly('offers');
  const offers = shallowRef<Offer[]>([]);
  /** The batch as it was before a target is dragged; null while nothing is. */
  let dragFrom: State | null = null;

  const recipe = computed(() => state.value?.recipe ?? null);
  const target = computed(() => state.value?.target ?? null);
  const vesselIds = computed(() => state.value?.vesselIds ?? []);
  const kitchen = computed<Kitchen | null>(() => book.kitchen && { ...book.kitchen, regime: regime.value });
  const input = computed(() =>
    state.value && kitchen.value
      ? { ...state.value, kitchen: kitchen.value, labelStyle: labelStyle.value }
      : null,
  );
  const openFindings = computed<Finding[]>(() => worksheet.value?.findings.filter(isOpen) ?? []);
  const isVariant = computed(() => recipe.value?.parentId != null);

  watch(
    () => book.kitchen?.id,
    () => {
      regime.value = book.kitchen?.regime ?? 'eu';
    },
    { immediate: true },
  );

  watch(input, async (now) => {
    if (!now) return;
    const sheet = await compute(now);
    if (sheet && sheet.recipeId === state.value?.recipe.id) worksheet.value = sheet;
  });

  /** What can be done otherwise is found once the hand rests. */
  watch(input, async (now) => {
    if (!now || dragFrom) return;
    const found = await findOffers(now);
    if (found && now.recipe.id === state.value?.recipe.id) offers.value = found;
  });

  function show(saved: SavedRecipe, home: Target): void {
    version = saved.version;
    past.value = [];
    future.value = [];
    saveStatus.value = 'saved';
    offers.value = [];
    state.value = { recipe: saved.recipe, target: saved.target ?? home, vesselIds: saved.vesselIds };
  }

  /** Opens a dish; throws a `ServerError` when it is not in the book. */
  async function open(id: string): Promise<void> {
    await flush();
    if (state.value?.recipe.id !== id) {
      state.value = null;
      worksheet.value = null;
    }
    await book.ready();
    const saved = await server.recipe(id);
    const home = await ask('homeTarget', { recipe: saved.recipe, kitchen: book.kitchen! });
    show(saved, home);
  }

  function scheduleSave(after = SAVE_AFTER): void {
    clearTimeout(timer);
    timer = setTimeout(() => void save(), after);
  }

  async function save(): Promise<void> {
    clearTimeout(timer);
    const now = state.value;
    if (!now || saveStatus.value === 'saving' || saveStatus.value === 'conflict') return;
    saveStatus.value = 'saving';
    try {
      const saved = await server.save({ ...now, version });
      version = saved.version;
      saveStatus.value = state.value === now ? 'saved' : 'changed';
      if (saveStatus.value === 'changed') scheduleSave();
      else if (now.recipe.isComponent) await book.reloadComponents();
    } catch (error) {
      failed(error as ServerError);
    }
  }

  function failed(error: ServerError): void {
    saveMessage.value = error.message;
    if (error.code === 'version-conflict') {
      theirs = (error.details[0] as SavedRecipe | undefined) ?? null;
      saveStatus.value = 'conflict';
    } else if (error.code === 'bad-request') {
      const detail = (error.details[0] as { message?: string } | undefined)?.message;
      saveMessage.value = detail ? `${error.message} (${detail})` : error.message;
      saveStatus.value = 'refused';
    } else {
      saveStatus.value = 'unreachable';
      scheduleSave(TRY_AGAIN_AFTER);
    }
  }

  /** Saves what is not saved yet, before leaving a dish. */
  async function flush(): Promise<void> {
    dropTarget();
    if (saveStatus.value === 'changed') await save();
  }

  /** After a conflict: take the other person's version, or put mine over it. */
  function takeTheirs(): void {
    if (!theirs || !state.value) return;
    show(theirs, state.value.target);
    theirs = null;
  }

  async function putMineOver(): Promise<void> {
    if (!theirs) return;
    version = theirs.version;
    theirs = null;
    saveStatus.value = 'changed';
    await save();
  }

  function become(next: State): void {
    state.value = next;
    if (saveStatus.value !== 'conflict' && saveStatus.value !== 'saving') saveStatus.value = 'changed';
    scheduleSave();
  }

  function change(next: Partial<State>): void {
    if (!state.value) return;
    past.value = [...past.value.slice(-99), state.value];
    future.value = [];
    become({ ...state.value, ...next });
  }

  function undo(): void {
    dropTarget();
    const before = past.value[past.value.length - 1];
    if (!before || !state.value) return;
    future.value = [...future.value, state.value];
    past.value = past.value.slice(0, -1);
    become(before);
  }

  function redo(): void {
    const after = future.value[future.value.length - 1];
    if (!after || !state.value) return;
    past.value = [...past.value, state.value];
    future.value = future.value.slice(0, -1);
    become(after);
  }

  /** Follows a hand that drags the target: shown at once, one step of undo for the whole drag. */
  function dragTarget(next: Target): void {
    if (!state.value) return;
    dragFrom ??= state.value;
    if (saveStatus.value === 'saved') saveStatus.value = 'changed';
    state.value = { ...state.value, target: next };
  }

  function dropTarget(): void {
    const from = dragFrom;
    dragFrom = null;
    if (!from || !state.value) return;
    past.value = [...past.value.slice(-99), from];
    future.value = [];
    become({ ...state.value });
  }

  /** Says the batch at hand in another way; what it makes stays the same. */
  async function express(kind: Target['kind']): Promise<boolean> {
    if (!input.value) return false;
    const said = await ask('express', { ...input.value, kind });
    if (said) change({ target: said });
    return said !== null;
  }

  /** Asks for a machine for a kind of work, or leaves the choice to the size of the batch again. */
  function setMachine(work: WorkKind, vesselId: string | null): void {
    const able = new Set(kitchen.value ? machinesFor(work, kitchen.value).map(({ id }) => id) : []);
    const others = vesselIds.value.filter((id) => !able.has(id));
    const now = target.value;
    const isLoad = now?.kind === 'load' && able.has(now.vesselId) && vesselId !== null;
    change({
      vesselIds: vesselId === null ? others : [...others, vesselId],
      ...(isLoad ? { target: { ...now, vesselId: vesselId! } } : {}),
    });
  }

  /** Takes one of the offers about a line. */
  async function takeOffer(offerId: string): Promise<void> {
    if (input.value) change({ recipe: await ask('take', { ...input.value, offerId }) });
  }

  const setTarget = (next: Target): void => change({ target: next });
  const setRecipe = (fields: Partial<Recipe>): void => {
    if (recipe.value) change({ recipe: { ...recipe.value, ...fields } });
  };

  /** Answers a decision about a line; the written text stays as it is. */
  function answerLine(lineId: string, answers: LineAnswers): void {
    const lines = recipe.value?.lines.map((line) =>
      line.id === lineId ? { ...line, answers: { ...line.answers, ...answers } } : line,
    );
    if (lines) setRecipe({ lines });
  }

  /** A cook's word that something the text names is not in the dish. */
  async function sayNotIn(name: string, by: string): Promise<void> {
    if (!recipe.value || !kitchen.value) return;
    const on = todayIn(kitchen.value);
    const said = await ask('saidNotIn', { recipe: recipe.value, kitchen: kitchen.value, name, by, on });
    setRecipe({ notIn: [...recipe.value.notIn, ...said] });
  }

  /** A cook's word that what some texts name is only a name there: what was swapped is not in the dish. */
  function sayOnlyNamed(asks: readonly { name: string; text: string }[], by: string): void {
    const on = todayIn(kitchen.value);
    if (recipe.value)
      setRecipe({ notIn: [...recipe.value.notIn, ...asks.map((each) => ({ ...each, by, on }))] });
  }

  /** A cook stands for a figure that is doubted, as it is now. */
  function standFor(what: string, figure: number, by: string): void {
    if (!recipe.value) return;
    const on = todayIn(kitchen.value);
    const others = recipe.value.confirmed.filter((each) => each.what !== what);
    setRecipe({ confirmed: [...others, { what, figure, by, on }] });
  }

  async function reread(
    lines: readonly RecipeLine[],
    changes: { id: string; text: string }[],
  ): Promise<void> {
    if (recipe.value)
      change({ recipe: await ask('reread', { recipe: { ...recipe.value, lines }, changes }) });
  }

  /** Changes the words of a line and reads them again; answers about the old words fall away. */
  const rewriteLine = (id: string, text: string): Promise<void> =>
    reread(recipe.value?.lines ?? [], [{ id, text }]);

  /** Adds a line under the last one. */
  function addLine(text: string): Promise<void> {
    const lines = recipe.value?.lines ?? [];
    const taken = new Set(lines.map(({ id }) => id));
    let number = lines.length + 1;
    while (taken.has(`l${number}`)) number += 1;
    return reread(lines, [{ id: `l${number}`, text }]);
  }

  const removeLine = (id: string): Promise<void> =>
    reread(recipe.value?.lines.filter((line) => line.id !== id) ?? [], []);

  /** Tells the steps anew, one a text; times and heat are read again. */
  async function rewriteSteps(steps: string[]): Promise<void> {
    if (recipe.value) change({ recipe: await ask('reread', { recipe: recipe.value, changes: [], steps }) });
  }

  /** Swaps a food throughout by hand; null puts it back as the list has it. */
  const takeSwap = (foodId: string, swapId: string | null): void => {
    if (recipe.value) change({ recipe: withSwap(recipe.value, foodId, swapId) });
  };

  /** Makes a variant of the open dish from a plan; it stays linked to its parent. */
  async function makeVariant(plan: SwapPlan, name: string): Promise<string> {
    await flush();
    const parent = recipe.value!;
    const made = await server.create({
      recipe: {
        ...parent,
        id: newId(name),
        name,
        parentId: parent.parentId ?? parent.id,
        swaps: plan.applied,
        freeFrom: plan.exclude,
        apart: [...new Set([...parent.apart, ...plan.apart.map(({ id }) => id)])],
        isComponent: false,
      },
      target: target.value,
      vesselIds: vesselIds.value,
      version: 0,
    });
    return made.recipe.id;
  }

  return {
    recipe,
    target,
    kitchen,
    input,
    regime,
    labelStyle,
    vesselIds,
    offers,
    worksheet,
    openFindings,
    isVariant,
    saveStatus,
    saveMessage,
    past,
    future,
    open,
    flush,
    undo,
    redo,
    setTarget,
    dragTarget,
    dropTarget,
    express,
    setMachine,
    takeOffer,
    setRecipe,
    answerLine,
    sayNotIn,
    sayOnlyNamed,
    standFor,
    rewriteLine,
    addLine,
    removeLine,
    rewriteSteps,
    takeSwap,
    makeVariant,
    takeTheirs,
    putMineOver,
  };
});

/** An id that reads like the name and is not taken by another: letters, digits, hyphens, and a random tail. */
export function newId(name: string): string {
  const tail = crypto.randomUUID().slice(0, 8);
  return `${idFromName(name).slice(0, 50) || 'dish'}-${tail}`;
}
