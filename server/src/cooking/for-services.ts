/** What services and the store ask of batches, answered by their records. */
import { cookedSheet, groundOfBatch, type ServedBatch, standing } from '@hand-ladle/core';
import { ApiError } from '../http/errors';
import type { CookedForServices } from '../serving/cooked';
import type { CookStore } from './store';

export const forServices = (cooking: CookStore): CookedForServices => ({
  async served({ id, kitchenId, date }) {
    const batches: ServedBatch[] = [];
    const own = await cooking.list({ kitchenId, serviceId: id });
    const loose = (await cooking.list({ kitchenId, date })).filter(({ serviceId }) => serviceId === null);
    for (const { code, serviceId } of [...own, ...loose]) {
      const { opened, counted } = await cooking.mustRecord(code);
      const { name, recipeId, claim, groups } = opened;
      const record = standing(counted);
      const said = new Set(
        record.flatMap(({ body }) =>
          body.kind === 'weighed' && body.from.trim() !== '' ? [body.lineId] : [],
        ),
      );
      const unsaid = groundOfBatch(opened).planned.lines.flatMap(({ id: lineId, componentId }) =>
        componentId === null || said.has(lineId) ? [] : [componentId],
      );
      const sheet = cookedSheet(opened, record);
      const isOfService = serviceId !== null;
      batches.push({ code, name, recipeId, claim, groups, isOfService, unsaid, sheet });
    }
    return batches;
  },
  codesOf: async (asked) => (await cooking.list(asked)).map(({ code }) => code),
  async isCooked(code) {
    try {
      return (await cooking.record(code)) !== null;
    } catch (error) {
      if (error instanceof ApiError) return false;
      throw error;
    }
  },
});
