/** What the pages of the services ask the server. */
import type {
  BuiltPlate,
  Demand,
  HeadsTable,
  Help,
  Pin,
  PlanTold,
  SavedServiceTold,
  ServiceList,
  ServiceView,
  ServiceWork,
  ToldService,
} from '@hand-ladle/core';
import { call } from '../api/client';

const at = (id: string): string => `/api/services/${encodeURIComponent(id)}`;

/** What is sent of a service: what a person says of it, nothing that is worked out. */
export const sentOf = (saved: SavedServiceTold): ToldService => {
  const { kitchenId, date, meal, readyAt, heads, dishes, overShare, team, without } = saved;
  const { sites, ahead, standIns, pins, order, done } = saved;
  const plain = { kitchenId, date, meal, readyAt, heads, dishes, overShare, team, without };
  return { ...plain, sites, ahead, standIns, pins, order, done };
};

export const LIST_NAMES = {
  day: 'Day sheet',
  pull: 'Pull list',
  prep: 'Prep list',
  shopping: 'Shopping list',
  slips: 'Tray slips',
} as const;
export type ListId = keyof typeof LIST_NAMES;

export const services = {
  list: (kitchenId: string) =>
    call<SavedServiceTold[]>(`/api/services?kitchenId=${encodeURIComponent(kitchenId)}`),
  create: (told: ToldService) => call<SavedServiceTold>('/api/services', 'POST', told),
  save: (id: string, told: ToldService, version: number) =>
    call<SavedServiceTold>(at(id), 'PUT', { ...told, version }),
  find: (id: string) => call<ServiceView>(at(id)),
  plan: (id: string, pins?: Pin[]) => call<PlanTold>(`${at(id)}/plan`, 'POST', pins ? { pins } : {}),
  work: (id: string) => call<ServiceWork>(`${at(id)}/work`),
  demand: (id: string) => call<Demand>(`${at(id)}/demand`),
  plates: (id: string) => call<(BuiltPlate & { text: string })[]>(`${at(id)}/plates`),
  takeOut: (id: string) => call<SavedServiceTold>(`${at(id)}/take-out`, 'POST'),
  putBack: (id: string) => call<SavedServiceTold>(`${at(id)}/put-back`, 'POST'),
  helps: (id: string) => call<Help[]>(`${at(id)}/helps`, 'POST'),
  readHeads: (kitchenId: string, text: string) =>
    call<HeadsTable>('/api/services/heads', 'POST', { kitchenId, text }),
  remove: (id: string) => call<{ id: string }>(at(id), 'DELETE'),
  shown: (id: string, list: ListId) => call<ServiceList>(`${at(id)}/${list}`),
  fileAt: (id: string, ending: string): string => `${at(id)}${ending}`,
};
