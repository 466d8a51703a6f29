/** The stages of a batch as the screen and the batch sheet show them: machine, loads, what a load holds, heat-up. */
import { PANS, type WorkKind } from '../kitchen';
import type { Batch } from './batch';
import { heatUpMinutes } from './heat';

export interface StageView {
  work: WorkKind;
  /** Null where the kitchen has no such machine. */
  machine: { id: string; name: string; kind: string; count: number; litres: number } | null;
  /** Food in the stage, all loads together, and in one load. */
  grams: number;
  loadGrams: number;
  /** The most one load may be. */
  holdsGrams: number;
  loads: number;
  /** Turns, where several machines work side by side. */
  rounds: number;
  surfaceM2: number;
  steamGrams: number;
  /** Pans or trays of one load, where the machine says what it takes: 5 of "GN 1/1, 65 mm". */
  pans: { name: string; count: number } | null;
  isHot: boolean;
  isLayer: boolean;
  heatUpMinutes: number | null;
  /** Ids of the written lines that go into it; null for everything. */
  lineIds: string[] | null;
}

const HEATED = new Set<WorkKind>(['simmer']);

export function stageViews(batch: Batch): StageView[] {
  return batch.stages.map(({ stage, vessel, grams, holdsGrams, loads, surfaceM2, steamGrams }): StageView => {
    const loadGrams = grams / loads;
    return {
      work: stage.kind,
      machine: vessel && {
        id: vessel.id,
        name: vessel.name,
        kind: vessel.kind,
        count: vessel.count,
        litres: vessel.litres,
      },
      grams,
      loadGrams,
      holdsGrams,
      loads,
      rounds: Math.ceil(loads / Math.max(1, vessel?.count ?? 1)),
      surfaceM2,
      steamGrams,
      pans:
        vessel?.pan && holdsGrams > 0
          ? {
              name: PANS[vessel.pan].name,
              count: Math.ceil((vessel.levels * loadGrams) / holdsGrams - 1e-9),
            }
          : null,
      isHot: stage.isHot,
      isLayer: stage.isLayer,
      heatUpMinutes: vessel && HEATED.has(stage.kind) ? heatUpMinutes(loadGrams, vessel) : null,
      lineIds: stage.lineIds && [...stage.lineIds],
    };
  });
}
