/** The cycle that is open: changed on the screen, saved quietly, and judged anew after each save. */
import { defineStore } from 'pinia';
import { ref, shallowRef } from 'vue';
import type { Cycle, CycleJudgement } from '@hand-ladle/core';
import { refusalWithField, useSavedDraft } from '../state/saved-draft';
import { cycles, type SavedCycle } from './cycle-server';

const SAVE_AFTER_MS = 600;

export const useOpenCycle = defineStore('open-cycle', () => {
  const judgement = shallowRef<CycleJudgement | null>(null);
  const isJudging = ref(false);
  const problem = ref('');

  const saving = useSavedDraft<SavedCycle, SavedCycle>({
    save: (_, draft, version) => cycles.save(draft, version),
    keptIn: (saved) => ({ id: saved.kitchenId, version: saved.version, draft: saved }),
    conflict: 'cycle-conflict',
    restMs: SAVE_AFTER_MS,
    refusalIn: refusalWithField,
    onKept: (_, isLatest) => (isLatest ? judge() : undefined),
  });

  let asked = 0;
  /** Throws where it fails quietly; else what went wrong is said. */
  async function judge(isQuiet = false): Promise<void> {
    const id = saving.openId.value;
    if (id === null) return;
    const mine = (asked += 1);
    isJudging.value ||= !isQuiet;
    try {
      const found = await cycles.judged(id);
      if (mine !== asked) return;
      judgement.value = found;
      problem.value = '';
    } catch (error) {
      if (isQuiet) throw error;
      if (mine === asked) problem.value = (error as Error).message;
    } finally {
      if (mine === asked) isJudging.value = false;
    }
  }

  async function open(kitchenId: string): Promise<void> {
    await saving.flush();
    if (saving.openId.value !== kitchenId) judgement.value = null;
    saving.show(await cycles.find(kitchenId));
    await judge();
  }

  /** Takes in what another screen made of the cycle, where nothing of this one waits, and judges the dishes as they are by now. */
  async function renew(): Promise<void> {
    const id = saving.openId.value;
    if (id === null) return;
    saving.renew(await cycles.find(id));
    await judge(true);
  }

  /** The cycle after an act of core, or with other fields. */
  function put(cycle: Cycle): void {
    const draft = saving.draft.value;
    if (draft && cycle !== draft) saving.change({ ...draft, ...cycle });
  }

  /** Services of some days, with what was there already left as it is. */
  async function fill(from: string, to: string): ReturnType<typeof cycles.fill> {
    await saving.flush();
    return cycles.fill(saving.openId.value!, from, to);
  }

  return {
    cycle: saving.draft,
    judgement,
    isJudging,
    problem,
    status: saving.status,
    message: saving.message,
    canUndo: saving.canUndo,
    canRedo: saving.canRedo,
    open,
    renew,
    put,
    fill,
    undo: saving.undo,
    redo: saving.redo,
    flush: saving.flush,
    hasUnsaved: saving.hasUnsaved,
    takeTheirs: saving.takeTheirs,
    putMineOver: saving.putMineOver,
  };
});
