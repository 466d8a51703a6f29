/** What the page of the cycle asks the server. */
import type { Cycle, CycleJudgement, SavedServiceTold } from '@hand-ladle/core';
import { call } from '../api/client';

export type SavedCycle = Cycle & { version: number };
const at = (kitchenId: string): string => `/api/cycles/${encodeURIComponent(kitchenId)}`;

export const cycles = {
  find: (kitchenId: string) => call<SavedCycle>(`/api/cycles?kitchenId=${encodeURIComponent(kitchenId)}`),
  save: ({ kitchenId, name, weeks, startsOn, meals, slots }: Cycle, version: number) =>
    call<SavedCycle>(at(kitchenId), 'PUT', { name, weeks, startsOn, meals, slots, version }),
  judged: (kitchenId: string) => call<CycleJudgement>(`${at(kitchenId)}/judged`),
  fill: (kitchenId: string, from: string, to: string) =>
    call<{ made: SavedServiceTold[]; there: number; gone: string[] }>(`${at(kitchenId)}/services`, 'POST', {
      from,
      to,
    }),
  /** Where the menu of some days is, as a page or a file. */
  menuAt: (kitchenId: string, ending: string, from: string, to: string): string =>
    `${at(kitchenId)}/menu${ending}?from=${from}&to=${to}`,
};
