/** The demo world's cooked day, written as a tablet writes it. */
import { dayIn, type EntryBody, groundOfBatch } from '@hand-ladle/core';
import { loadCooked } from '@hand-ladle/data';
import type { People } from '../accounts/people';
import type { StockStore } from '../stock/store';
import type { Store } from '../store';
import type { SentEntries } from './schemas';
import { type CookStore, dayLogOf } from './store';
import { Recorder } from './write';

const MINUTE = 60_000;

export async function seedCooked(
  { cooking, stock, people, now }: { cooking: CookStore; stock: StockStore; people: People; now: () => Date },
  store: Store,
): Promise<void> {
  const { batches, days } = loadCooked();
  // Each entry came to the server as it was written.
  let clock = now();
  const recorder = new Recorder(cooking, store, stock, people, () => clock);
  const write = async (
    log: { code: string } | { day: string },
    entries: SentEntries['entries'],
  ): Promise<void> => {
    for (const each of entries) {
      clock = new Date(each['at'] as string);
      await recorder.write(log, { entries: [each] }, each['by'] as string);
    }
  };
  const device = 'demo';
  let order = 0;
  const entry = (body: EntryBody, minutesAgo: number, by: string): SentEntries['entries'][number] => {
    order += 1;
    const at = new Date(now().getTime() - minutesAgo * MINUTE).toISOString();
    return { id: `demo-${order}`, at, by, device, order, ...body };
  };
  const told = ({ minutesAgo, ...body }: EntryBody & { minutesAgo: number }, by: string) =>
    entry(body as EntryBody, minutesAgo, by);
  for (const each of batches) {
    const kitchen = await store.kitchens.kitchen(each.kitchenId);
    const { recipe } = await store.recipes.recipe(each.recipeId);
    const book = await store.recipes.book();
    const firstAgo = Math.max(
      each.weighedMinutesAgo ?? 0,
      ...each.entries.map(({ minutesAgo }) => minutesAgo),
    );
    const { code } = await cooking.open({
      input: { recipe, kitchen, target: each.target },
      book,
      clientId: null,
      serviceId: null,
      serviceName: '',
      groups: [],
      claim: recipe.freeFrom,
      policy: kitchen.policy,
      heads: null,
      openedBy: each.by,
      madeOn: dayIn(kitchen.service.timeZone, now().getTime() - firstAgo * MINUTE),
    });
    const { planned } = groundOfBatch((await cooking.mustRecord(code)).opened);
    const weighed =
      each.weighedMinutesAgo === null
        ? []
        : planned.lines.flatMap((line, index) => {
            if (line.technique) return [];
            const loads = line.loads.length > 1 ? line.loads : [line.scaleGrams ?? each.toTasteGrams];
            return loads.map((grams, load) =>
              entry(
                {
                  kind: 'weighed',
                  lineId: line.id,
                  load: load + 1,
                  grams,
                  way: 'scale',
                  isAfterTasting: false,
                  from: '',
                },
                each.weighedMinutesAgo! - index,
                each.by,
              ),
            );
          });
    const before = each.entries.filter(({ kind }) => kind !== 'left-over' && kind !== 'closed');
    const own = each.entries.map((one) => [one, told(one, each.by)] as const);
    const actions = each.actions.map(({ minutesAgo, on, action, words }) =>
      entry({ kind: 'action', of: own[on]![1].id, action, words }, minutesAgo, each.by),
    );
    // What is left over takes along what went in: that is written first.
    const first = own.filter(([one]) => before.includes(one)).map(([, sent]) => sent);
    const last = own.filter(([one]) => !before.includes(one)).map(([, sent]) => sent);
    await write({ code }, [...weighed, ...first, ...actions, ...last]);
  }
  for (const { kitchenId, by, entries } of days) {
    const kitchen = await store.kitchens.kitchen(kitchenId);
    const [{ minutesAgo }] = entries as [(typeof entries)[number]];
    const date = dayIn(kitchen.service.timeZone, now().getTime() - minutesAgo * MINUTE);
    await write(
      { day: dayLogOf(kitchenId, date) },
      entries.map((each) => told(each, by)),
    );
  }
}
