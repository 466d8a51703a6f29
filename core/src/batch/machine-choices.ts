/** What each machine of the kitchen would make of the batch: loads, water and steam. */
import type { Composed } from '../dish';
import type { Kitchen, WorkKind } from '../kitchen';
import { type Batch, planBatch } from './batch';
import { machinesFor, vesselFor } from './machines';
import type { BatchTarget } from './target';

/** What another machine would make of the batch. */
export interface MachineChoice {
  work: WorkKind;
  vesselId: string;
  name: string;
  loads: number;
  waterGrams: number;
  steamGrams: number;
  surfaceM2: number;
  isChosen: boolean;
  /** What is taken where nobody asks for a machine. */
  isUsual: boolean;
}

/** Every machine that could do a stage of the dish, with the loads, water and steam it would make. */
export function machineChoices(
  composed: Composed,
  target: BatchTarget,
  kitchen: Kitchen,
  vesselIds: readonly string[],
  batch: Batch,
): MachineChoice[] {
  return batch.stages.flatMap((now) => {
    const able = machinesFor(now.stage.kind, kitchen);
    const others = vesselIds.filter((id) => !able.some((vessel) => vessel.id === id));
    const usual = vesselFor(now.stage, now.grams, kitchen, []);
    return able.map((vessel): MachineChoice => {
      const isChosen = vessel.id === now.vessel?.id;
      const plan = isChosen ? batch : planBatch(composed, target, kitchen, [...others, vessel.id]);
      const at = plan.stages.find(({ stage }) => stage.kind === now.stage.kind)!;
      return {
        work: now.stage.kind,
        vesselId: vessel.id,
        name: vessel.name,
        loads: at.loads,
        waterGrams: composed.waterGrams * plan.waterFactor,
        steamGrams: plan.steamGrams,
        surfaceM2: at.surfaceM2,
        isChosen,
        isUsual: vessel.id === usual?.id,
      };
    });
  });
}
