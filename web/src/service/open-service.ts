/** The service that is open: changed on the screen, saved quietly, and after each save worked out and planned anew. */
import { defineStore } from 'pinia';
import { computed, ref, shallowRef } from 'vue';
import {
  clockText,
  type EatenTold,
  type Pin,
  type PlanChanges,
  planChanges,
  type PlanTold,
  type SavedServiceTold,
  type SearchProgress,
} from '@hand-ladle/core';
import { refusalWithField, useSavedDraft } from '../state/saved-draft';
import { askLong, Stopped } from '../worker/client';
import { sentOf, services } from './service-server';

const SAVE_AFTER_MS = 500;

/** What a plan comes of: everything said of a service but what is ticked off. */
const askedOf = (saved: SavedServiceTold): string => JSON.stringify({ ...saved, done: [], version: 0 });

export const useOpenService = defineStore('open-service', () => {
  const eaten = shallowRef<EatenTold | null>(null);
  const plan = shallowRef<PlanTold | null>(null);
  /** What the last change did to the plan; null before there was one. */
  const changes = shallowRef<PlanChanges | null>(null);
  const isPlanning = ref(false);
  const problem = ref('');
  /** The search for a better plan under way; null where there is none. */
  const search = shallowRef<SearchProgress | null>(null);

  let planned = '';
  const saving = useSavedDraft<SavedServiceTold, SavedServiceTold>({
    save: (id, draft, version) => services.save(id, sentOf(draft), version),
    keptIn: (saved) => ({ id: saved.id, version: saved.version, draft: saved }),
    said: sentOf,
    conflict: 'service-conflict',
    restMs: SAVE_AFTER_MS,
    refusalIn: refusalWithField,
    onKept: (saved, isLatest) => (isLatest && askedOf(saved) !== planned ? work() : undefined),
  });

  let asked = 0;
  /**
   * Who eats which and the plan, of what the server has now; what was asked before is passed over. Quietly, a plan that is as it was
   * leaves what the last change moved as it stands, and what goes wrong is thrown instead of said.
   */
  async function work(isQuiet = false): Promise<void> {
    const id = saving.openId.value;
    if (id === null) return;
    const mine = (asked += 1);
    isPlanning.value ||= !isQuiet;
    try {
      const view = await services.find(id);
      const found = view.faults.length > 0 ? null : await services.plan(id);
      if (mine !== asked) return;
      const { eaten: seen, faults, ...saved } = view;
      planned = askedOf(saved);
      const moved = plan.value && found ? planChanges(plan.value.tasks, found.tasks) : null;
      if (!isQuiet || moved === null || Object.values(moved).some((tasks) => tasks.length > 0))
        changes.value = moved;
      eaten.value = seen;
      // What was asked of a plan, such as what would help, stands as long as the plan does.
      if (!isQuiet || JSON.stringify(found) !== JSON.stringify(plan.value)) plan.value = found;
      problem.value = faults.map(({ message }) => message).join('; ');
    } catch (error) {
      if (isQuiet) throw error;
      if (mine === asked) problem.value = (error as Error).message;
    } finally {
      if (mine === asked) isPlanning.value = false;
    }
  }

  /** Opens a service as it is on the server now. */
  async function open(id: string): Promise<void> {
    await saving.flush();
    stopSearch();
    if (saving.openId.value !== id) {
      eaten.value = null;
      plan.value = null;
      changes.value = null;
    }
    saving.show(await services.find(id));
    await work();
  }

  /** Takes in what another screen made of the service, where nothing of this one waits, and works it out with the dishes as they are. */
  async function renew(): Promise<void> {
    const id = saving.openId.value;
    if (id === null) return;
    saving.renew(await services.find(id));
    await work(true);
  }

  function change(fields: Partial<SavedServiceTold>): void {
    if (saving.draft.value) saving.change({ ...saving.draft.value, ...fields });
  }

  /** Tries pins, and keeps them where a plan keeps them; else says what stands against them, and nothing changes. */
  async function tryPins(pins: Pin[]): Promise<string> {
    const id = saving.openId.value;
    if (id === null) return '';
    await saving.flush();
    const found = await services.plan(id, pins);
    if (saving.openId.value !== id) return '';
    if (found.feasible) {
      change({ pins });
      return '';
    }
    const short = found.shortOf[0];
    const late = found.late[0];
    if (short)
      return `${short.name} would be short by ${short.amount} from ${clockText(short.from)} to ${clockText(short.to)}`;
    return late ? `${late.name} would be ${late.minutes} min too late` : 'no plan keeps it';
  }

  let stop: (() => void) | null = null;
  /** Looks for a better plan in the worker, until it is stopped or none is better; the best is kept. */
  async function findBetter(): Promise<void> {
    const id = saving.openId.value;
    if (id === null || stop) return;
    try {
      const before = plan.value?.makespanMinutes ?? Infinity;
      const question = { work: await services.work(id) };
      const long = askLong('betterPlan', question, (progress) => {
        if ('order' in progress) search.value = progress;
      });
      stop = long.stop;
      const last = await long.answer.catch((error: unknown) => {
        if (error instanceof Stopped) return search.value;
        throw error;
      });
      if (last && last.makespanMinutes < before && saving.openId.value === id) change({ order: last.order });
    } catch (error) {
      problem.value = (error as Error).message;
    } finally {
      stop = null;
      search.value = null;
    }
  }
  function stopSearch(): void {
    stop?.();
  }

  /** Takes a version that the server made of it meanwhile. */
  async function reread(): Promise<void> {
    const id = saving.openId.value;
    if (id !== null) await open(id);
  }

  const heads = computed(() => saving.draft.value?.heads.reduce((sum, each) => sum + each.heads, 0) ?? 0);

  return {
    service: saving.draft,
    heads,
    eaten,
    plan,
    changes,
    isPlanning,
    problem,
    search,
    status: saving.status,
    message: saving.message,
    canUndo: saving.canUndo,
    canRedo: saving.canRedo,
    open,
    work,
    reread,
    renew,
    change,
    tryPins,
    findBetter,
    stopSearch,
    undo: saving.undo,
    redo: saving.redo,
    flush: saving.flush,
    hasUnsaved: saving.hasUnsaved,
    takeTheirs: saving.takeTheirs,
    putMineOver: saving.putMineOver,
  };
});
