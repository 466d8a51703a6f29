/** Batches for tests: opened from the demo world, with entries made as a tablet makes them. */
import {
  type Entry,
  type EntryBody,
  groundOfBatch,
  homeTarget,
  type KeptEntry,
  type Kitchen,
  lastDay,
  mendingFoods,
  type OpenedBatch,
  openingInputs,
  type Recipe,
  type Target,
} from '@hand-ladle/core';
import { book, demoRecipe, wardAsIs } from '../world';

export const OPENED_AT = Date.parse('2026-12-01T08:00:00Z');

export function openedBatch(
  recipe: Recipe | string,
  target: Target | null = null,
  extra: Partial<OpenedBatch> & { kitchen?: Kitchen } = {},
): OpenedBatch {
  const { kitchen = wardAsIs, ...rest } = extra;
  const dish = typeof recipe === 'string' ? demoRecipe(recipe) : recipe;
  return {
    code: '261201-2222',
    kitchenId: kitchen.id,
    recipeId: dish.id,
    name: dish.name,
    serviceId: null,
    serviceName: '',
    groups: [],
    claim: dish.freeFrom,
    policy: kitchen.policy,
    heads: null,
    madeOn: '2026-12-01',
    useBy: lastDay('2026-12-01', 3),
    openedAt: new Date(OPENED_AT).toISOString(),
    openedBy: 'Ilka Reedmace',
    inputs: openingInputs({ recipe: dish, kitchen, target: target ?? homeTarget(dish, book, kitchen) }, book),
    brought: mendingFoods(book, kitchen),
    ...rest,
  };
}

/** A batch into which some foods of the larder may go, as the server adds them when an entry names them. */
export function withFoods(
  opened: OpenedBatch,
  ids: readonly string[],
  kitchen: Kitchen = wardAsIs,
): OpenedBatch {
  const foods = ids.map((id) => book.foods.foods.get(id)!);
  const packs = kitchen.packs.filter(({ foodId }) => ids.includes(foodId));
  return {
    ...opened,
    brought: { foods: [...opened.brought.foods, ...foods], packs: [...opened.brought.packs, ...packs] },
  };
}

/** A tablet that writes entries, a second apart. */
export function tablet(device = 'tablet-a', by = 'Ilka Reedmace', startsAt = OPENED_AT) {
  let order = 0;
  return (body: EntryBody, minutes = 0): Entry => {
    order += 1;
    const at = new Date(startsAt + minutes * 60_000 + order * 1000).toISOString();
    return { id: `${device}-${order}`, at, by, device, order, body };
  };
}

/** An entry as it stands once the server has it. */
export const kept = (entry: Entry, aheadSeconds = 0): KeptEntry => ({
  ...entry,
  receivedAt: new Date(Date.parse(entry.at) - aheadSeconds * 1000).toISOString(),
  aheadSeconds,
  isSigned: true,
});

/** Everything of a batch weighed in as planned. */
export function asPlanned(opened: OpenedBatch, write = tablet()): Entry[] {
  return groundOfBatch(opened).planned.lines.flatMap((line) => {
    if (line.technique || line.scaleGrams === null) return [];
    const loads = line.loads.length > 1 ? line.loads : [line.scaleGrams];
    return loads.map((grams, index) =>
      write({
        kind: 'weighed',
        lineId: line.id,
        load: index + 1,
        grams,
        way: 'scale',
        isAfterTasting: false,
        from: '',
      }),
    );
  });
}
