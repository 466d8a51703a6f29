/** The bench: one open dish, its target, the worksheet that follows every change, and quiet saving with undo. */
import { defineStore } from 'pinia';
import { computed, ref, shallowRef, watch } from 'vue';
import {
  type Finding,
  idFromName,
  isOpen,
  type Kitchen,
  type LineAnswers,
  machinesFor,
  type Offer,
  type Recipe,
  type RecipeLine,
  type Regime,
  type SavedRecipe,
  type StatementStyle,
  type SwapPlan,
  type Target,
  withSwap,
  type WorkKind,
  type Worksheet,
} from '@hand-ladle/core';
import { server } from '../api/client';
import { ask, latestOnly } from '../worker/client';
import { useBook } from './book';
import { refusalWithField, useSavedDraft } from './saved-draft';
import { todayIn } from './today';

/** How long after the last change the dish is saved, in milliseconds. */
const SAVE_AFTER = 300;

interface State {
  recipe: Recipe;
  target: Target;
  vesselIds: readonly string[];
}

export const useBench = defineStore('bench', () => {
  const book = useBook();
  const saving = useSavedDraft<State, SavedRecipe>({
    save: (_, draft, version) => server.save({ ...draft, version }),
    keptIn: (saved) => ({ id: saved.recipe.id, version: saved.version, draft: stateOf(saved) }),
    conflict: 'version-conflict',
    restMs: SAVE_AFTER,
    refusalIn: refusalWithField,
    onKept: async ({ recipe: kept }, isLatest) => {
      if (isLatest && kept.isComponent) await book.refresh();
    },
  });
  const state = saving.draft;
  const worksheet = shallowRef<Worksheet | null>(null);
  const regime = ref<Regime>('eu');
  /** Language and order of the label's text. */
  const labelStyle = shallowRef<StatementStyle>({ language: 'en', hasTail: false });
  const compute = latestOnly('worksheet');
  const findOffers = latestOnly('offers');
  const offers = shallowRef<Offer[]>([]);

  const recipe = computed(() => state.value?.recipe ?? null);
  const target = computed(() => state.value?.target ?? null);
  const vesselIds = computed(() => state.value?.vesselIds ?? []);
  const kitchen = computed<Kitchen | null>(() => book.kitchen && { ...book.kitchen, regime: regime.value });
  const input = computed(() => {
    // Another book, another input: a food or a component that was changed elsewhere is worked out anew.
    void book.edition;
    return state.value && kitchen.value
      ? { ...state.value, kitchen: kitchen.value, labelStyle: labelStyle.value }
      : null;
  });
  const openFindings = computed<Finding[]>(() => worksheet.value?.findings.filter(isOpen) ?? []);
  const isVariant = computed(() => recipe.value?.parentId != null);

  watch(
    [() => book.kitchen?.id, () => book.kitchen?.regime],
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
    if (!now || saving.isDragging()) return;
    const found = await findOffers(now);
    if (found && now.recipe.id === state.value?.recipe.id) offers.value = found;
  });

  /** The batch a dish is opened with where it was never made for one. */
  let home: Target | null = null;
  /** Counts the dishes asked for: only the last one is shown. */
  let opened = 0;
  const stateOf = ({ recipe: kept, target: made, vesselIds: asked }: SavedRecipe): State => ({
    recipe: kept,
    target: made ?? home!,
    vesselIds: asked,
  });

  /** Opens a dish; throws a `ServerError` when it is not in the book. */
  async function open(id: string): Promise<void> {
    const mine = ++opened;
    await saving.flush();
    if (saving.openId.value !== id) {
      saving.close();
      worksheet.value = null;
      offers.value = [];
    }
    await book.ready();
    const saved = await server.recipe(id);
    const made = await ask('homeTarget', { recipe: saved.recipe, kitchen: book.kitchen! });
    // Another dish was asked for meanwhile: it is that one which is shown.
    if (mine !== opened) return;
    home = made;
    isRenewed.value = false;
    saving.show(saved);
  }

  /** Another screen changed the dish since it was opened here: said until it is changed here. */
  const isRenewed = ref(false);
  /** Takes in what another screen made of the open dish, where nothing of this one waits to be kept. */
  async function renew(): Promise<void> {
    const id = saving.openId.value;
    if (id === null || saving.status.value !== 'saved') return;
    if (saving.renew(await server.recipe(id))) isRenewed.value = true;
  }

  function change(next: Partial<State>): void {
    isRenewed.value = false;
    if (state.value) saving.change({ ...state.value, ...next });
  }

  /** Follows a hand that drags the target: shown at once, one step of undo for the whole drag. */
  function dragTarget(next: Target): void {
    if (state.value) saving.drag({ ...state.value, target: next });
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
    await saving.flush();
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
    saveStatus: saving.status,
    saveMessage: saving.message,
    canUndo: saving.canUndo,
    canRedo: saving.canRedo,
    hasUnsaved: saving.hasUnsaved,
    open,
    renew,
    isRenewed,
    flush: saving.flush,
    undo: saving.undo,
    redo: saving.redo,
    setTarget,
    dragTarget,
    dropTarget: saving.drop,
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
    takeTheirs: saving.takeTheirs,
    putMineOver: saving.putMineOver,
  };
});

/** An id that reads like the name and is not taken by another: letters, digits, hyphens, and a random tail. */
export function newId(name: string): string {
  const tail = crypto.randomUUID().slice(0, 8);
  return `${idFromName(name).slice(0, 50) || 'dish'}-${tail}`;
}
