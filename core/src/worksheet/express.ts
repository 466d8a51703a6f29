/** The batch at hand, said in another way: the same finished weight and portions, whatever the words. */
import { type Batch, homeDemand, planBatch, type Target } from '../batch';
import { compose, type Composed } from '../dish';
import { type Kitchen, PAN_FILL, type PanId, PANS } from '../kitchen';
import type { Book } from '../recipe';
import type { WorksheetInput } from './worksheet';

/** A pan to start from where the target names none and the kitchen has it, or has noted no pans at all. */
const USUAL_PAN: PanId = 'gn-1/1-100';

/** The usual pan, or what this kitchen has most of to serve from. */
function panOf({ pans }: Kitchen): PanId {
  const owned = pans.filter(({ pan, count }) => count > 0 && pan in PANS && !pan.startsWith('tray'));
  if (owned.length === 0 || owned.some(({ pan }) => pan === USUAL_PAN)) return USUAL_PAN;
  return owned.reduce((most, each) => (each.count > most.count ? each : most)).pan as PanId;
}

/** The line of which most is bought: what is likely to be short. */
function mostBought(composed: Composed): string | null {
  let best: { id: string; grams: number } | null = null;
  for (const { id, source } of composed.lines) {
    const grams = id === source.id ? homeDemand(composed, id) : 0;
    const line = composed.lines.find((each) => each.id === id)!;
    if (line.follows === 'batch' && line.food && grams > (best?.grams ?? 0)) best = { id, grams };
  }
  return best?.id ?? null;
}

/** The portions asked for: several sizes as counted, else by their size. */
const askedPortions = ({ servings, portions, askedGrams, portionGrams }: Batch): number =>
  servings.length > 0 || !(portionGrams > 0) ? portions : askedGrams / portionGrams;

function saidAs(kind: Target['kind'], composed: Composed, batch: Batch, kitchen: Kitchen): Target | null {
  const grams = batch.askedGrams;
  const portions = askedPortions(batch);
  // The size that keeps the number of portions the batch is counted for.
  const portionGrams = portions > 0 ? grams / portions : batch.portionGrams;
  switch (kind) {
    case 'portions':
      return { kind, portions, portionGrams };
    case 'sizes':
      return { kind, sizes: [{ name: 'Adult', portions, portionGrams }] };
    case 'weight':
      return { kind, grams, portionGrams };
    case 'pans': {
      const pan = panOf(kitchen);
      return { kind, pan, count: grams / 1000 / (PANS[pan].litres * PAN_FILL), fill: PAN_FILL, portionGrams };
    }
    case 'store': {
      const lineId = mostBought(composed);
      return lineId === null
        ? null
        : { kind, lineId, grams: homeDemand(composed, lineId) * batch.factor, portionGrams };
    }
    case 'load': {
      const at = batch.stages.find(({ vessel }) => vessel !== null && vessel === batch.vessel);
      if (!at?.vessel || !(at.holdsGrams > 0)) return null;
      return { kind, vesselId: at.vessel.id, loads: at.grams / at.holdsGrams, portionGrams };
    }
  }
}

/** How far the batch may be from the one that was said, as a share. */
const SAME_BATCH = 1e-7;

/**
 * Says a batch in another way. The answer planned again gives the same batch. Null where it cannot be said so: no machine
 * of the kitchen is used, no line is bought by weight, or a batch so small that what is in store fits several.
 */
export function expressTarget(input: WorksheetInput, kind: Target['kind'], book: Book): Target | null {
  const { recipe, kitchen, target, vesselIds = [] } = input;
  if (target.kind === kind) return target;
  const composed = compose(recipe, book, kitchen);
  const batch = planBatch(composed, target, kitchen, vesselIds);
  const said = saidAs(kind, composed, batch, kitchen);
  if (said === null || !(batch.finishedGrams > 0)) return said;
  const again = planBatch(composed, said, kitchen, vesselIds).finishedGrams;
  return Math.abs(again / batch.finishedGrams - 1) <= SAME_BATCH ? said : null;
}
