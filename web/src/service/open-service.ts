/** The service that is open: changed on the screen, saved quietly, and after each save worked out and planned anew. */
import { computed, ref, shallowRef } from 'vue';
import { defineStore } from 'pinia';
import {
  planChanges,
  type EatenTold,
  type PlanChanges,
  type PlanTold,
  type SavedServiceTold,
} from '@hand-ladle/core';
import { refusalWithField, useSavedDraft } from '../state/saved-draft';
import { sentOf, services } from './service-server';

const SAVE_AFTER_MS = 500;

export const useOpenService = defineStore('open-service', () => {
  const eaten = shallowRef<EatenTold | null>(null);
  const plan = shallowRef<PlanTold | null>(null);
  /** What the last change did to the plan; null before there was one. */
  const changes = shallowRef<PlanChanges | null>(null);
  const isPlanning = ref(false);
  const problem = ref('');

  const saving = useSavedDraft<SavedServiceTold, SavedServiceTold>({
    save: (id, draft, version) => services.save(id, sentOf(draft), version),
    keptIn: (saved) => ({ id: saved.id, version: saved.version, draft: saved }),
    conflict: 'service-conflict',
    restMs: SAVE_AFTER_MS,
    refusalIn: refusalWithField,
    onKept: (_, isLatest) => (isLatest ? work() : undefined),
  });

  let asked = 0;
  /** Who eats which and the plan, of what the server has now; what was asked before is passed over. */
  async function work(seconds?: number): Promise<void> {
    const id = saving.openId.value;
    if (id === null) return;
    const mine = (asked += 1);
    isPlanning.value = true;
    try {
      const view = await services.find(id);
      const found = view.faults.length > 0 ? null : await services.plan(id, seconds);
      if (mine !== asked) return;
      changes.value = plan.value && found ? planChanges(plan.value.tasks, found.tasks) : null;
      eaten.value = view.eaten;
      plan.value = found;
      problem.value = view.faults.map(({ message }) => message).join('; ');
    } catch (error) {
      if (mine === asked) problem.value = (error as Error).message;
    } finally {
      if (mine === asked) isPlanning.value = false;
    }
  }

  /** Opens a service as it is on the server now. */
  async function open(id: string): Promise<void> {
    await saving.flush();
    if (saving.openId.value !== id) {
      eaten.value = null;
      plan.value = null;
      changes.value = null;
    }
    saving.show(await services.find(id));
    await work();
  }

  function change(fields: Partial<SavedServiceTold>): void {
    if (saving.draft.value) saving.change({ ...saving.draft.value, ...fields });
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
    status: saving.status,
    message: saving.message,
    canUndo: saving.canUndo,
    canRedo: saving.canRedo,
    open,
    work,
    change,
    undo: saving.undo,
    redo: saving.redo,
    flush: saving.flush,
    hasUnsaved: saving.hasUnsaved,
    takeTheirs: saving.takeTheirs,
    putMineOver: saving.putMineOver,
  };
});
