/** A service: one meal of a kitchen on a day, for how many of which groups, with what on the menu, by whom and with which machines. */
import { keptDays } from '../../declaration';
import type { Kitchen } from '../../kitchen';
import type { Recipe } from '../../recipe';
import type { StandIn } from './stand-ins';

/** The dishes that can be served, by id. */
export type Dishes = ReadonlyMap<string, Recipe>;

/** Heads of one group at one site. */
export interface ServiceHeads {
  groupId: string;
  heads: number;
  /** The size of their portion in grams; null for the dish's own. */
  portionGrams: number | null;
  /** Where they eat; empty where there is one place only. */
  site: string;
  /** Beds, seats or classes: a code for each, no names; empty where nobody listed them. */
  codes: readonly string[];
}

export interface ServiceDish {
  recipeId: string;
  /** Share of the heads that take it, above 0 to 1: one of two mains may be 0.4. */
  share: number;
  /** "main", "side"; free words, empty where nobody said. */
  course: string;
}

/** Minutes of a day, from midnight. */
export interface Stretch {
  from: number;
  to: number;
}

/** Who works, from when to when, and their breaks. */
export interface Team {
  people: number;
  shift: Stretch;
  breaks: readonly Stretch[];
}

export interface Service {
  id: string;
  kitchenId: string;
  /** ISO date. */
  date: string;
  /** "lunch". */
  meal: string;
  /** Minutes from midnight at which everything is ready. */
  readyMinute: number;
  heads: readonly ServiceHeads[];
  dishes: readonly ServiceDish[];
  /** Portions made above the heads, as a share of them. */
  overShare: number;
  team: Team;
  /** Machines that are not there that day, by id: the oven that broke. */
  without: readonly string[];
  /** Places that food is carried to, and how long that takes. */
  sites: readonly ServiceSite[];
  /** What is made on a day before. */
  ahead: readonly Ahead[];
  /** Leftovers that stand in for lines. */
  standIns: readonly StandIn[];
  /** Tasks that somebody put where they are, by id. */
  pins: readonly Pin[];
  /** Tasks in the order in which a better plan takes them up, the last first; empty where none was kept. */
  order: readonly string[];
  /** Tasks that are ticked off, by id. */
  done: readonly string[];
  /** What was taken out of store for it already. */
  taken: readonly TakenOut[];
}

export interface TakenOut {
  stockId: string;
  grams: number;
}

export interface ServiceSite {
  name: string;
  travelMinutes: number;
}

/** A dish or a component that is made so many days before. */
export interface Ahead {
  recipeId: string;
  daysBefore: number;
}

/** A task that stays at its minute, counted from midnight of the day of the service. */
export interface Pin {
  task: string;
  start: number;
}

/** What a service is where nobody said. */
export const SERVICE_DEFAULTS: Pick<
  Service,
  'without' | 'sites' | 'ahead' | 'standIns' | 'pins' | 'order' | 'done' | 'taken'
> = { without: [], sites: [], ahead: [], standIns: [], pins: [], order: [], done: [], taken: [] };

/** Portions above the heads: 3 to 5 % are usual until a kitchen's own counts say (convention). */
export const OVER_SHARE = 0.04;
/** Three people from half past six to three, with half an hour of rest (convention). */
export const PLAIN_TEAM: Team = {
  people: 3,
  shift: { from: 390, to: 900 },
  breaks: [{ from: 570, to: 600 }],
};
/** Most heads of one group, dishes of one service, codes of one group. */
export const MOST_HEADS = 20_000;
export const MOST_DISHES = 12;

/** What is wrong with a service, by the row it stands in: heads and dishes are counted from 1. */
export type ServiceFault =
  | { code: 'group-unknown'; row: number; named: string }
  | { code: 'group-twice'; row: number; named: string }
  | { code: 'code-twice'; row: number; named: string }
  | { code: 'codes-count'; row: number; codes: number; heads: number }
  | { code: 'dish-unknown'; row: number; named: string }
  | { code: 'dish-twice'; row: number; named: string }
  | { code: 'machine-unknown'; named: string }
  | { code: 'site-twice'; named: string }
  | { code: 'ahead-unknown'; named: string }
  | { code: 'ahead-too-long'; named: string; daysBefore: number; keepsDays: number }
  | { code: 'shift'; named: string };

/** A fault in words. */
export function serviceFaultText(fault: ServiceFault): string {
  switch (fault.code) {
    case 'group-unknown':
      return `row ${fault.row} of the heads: this kitchen has no group "${fault.named}"`;
    case 'group-twice':
      return `row ${fault.row} of the heads: "${fault.named}" stands there already for that place`;
    case 'code-twice':
      return `row ${fault.row} of the heads: the code "${fault.named}" stands there twice`;
    case 'codes-count':
      return `row ${fault.row} of the heads: ${fault.codes} codes for ${fault.heads} heads`;
    case 'dish-unknown':
      return `dish ${fault.row}: "${fault.named}" is not in the book`;
    case 'dish-twice':
      return `dish ${fault.row}: "${fault.named}" is on the menu already`;
    case 'machine-unknown':
      return `this kitchen has no machine "${fault.named}"`;
    case 'site-twice':
      return `the place "${fault.named}" stands there twice`;
    case 'ahead-unknown':
      return `"${fault.named}" is made ahead and is not in the book`;
    case 'ahead-too-long':
      return `"${fault.named}" is made ${fault.daysBefore} days before and keeps ${fault.keepsDays} days, the day of making counted`;
    case 'shift':
      return fault.named;
  }
}

function headsFaults({ heads }: Service, kitchen: Kitchen): ServiceFault[] {
  const known = new Set(kitchen.diners.map(({ id }) => id));
  const rows = new Set<string>();
  const codes = new Set<string>();
  return heads.flatMap(({ groupId, site, heads: count, codes: own }, index): ServiceFault[] => {
    const row = index + 1;
    const faults: ServiceFault[] = [];
    if (!known.has(groupId)) faults.push({ code: 'group-unknown', row, named: groupId });
    const key = JSON.stringify([groupId, site]);
    if (rows.size === rows.add(key).size) faults.push({ code: 'group-twice', row, named: groupId });
    for (const code of own) {
      const at = JSON.stringify([site, code]);
      if (codes.size === codes.add(at).size) faults.push({ code: 'code-twice', row, named: code });
    }
    if (own.length > 0 && own.length !== count)
      faults.push({ code: 'codes-count', row, codes: own.length, heads: count });
    return faults;
  });
}

function teamFaults({ team: { shift, breaks } }: Service): ServiceFault[] {
  if (shift.from >= shift.to) return [{ code: 'shift', named: 'the shift ends before it begins' }];
  return breaks.some(({ from, to }) => from >= to || from < shift.from || to > shift.to)
    ? [{ code: 'shift', named: 'a break lies outside the shift, or ends before it begins' }]
    : [];
}

function doubledSites({ sites }: Service): ServiceFault[] {
  const seen = new Set<string>();
  return sites.flatMap(({ name }): ServiceFault[] =>
    seen.size === seen.add(name).size ? [{ code: 'site-twice', named: name }] : [],
  );
}

/** What is made ahead is known, and keeps until it is served: the day of making is day 1. */
function aheadFaults({ ahead }: Service, kitchen: Kitchen, known: ReadonlySet<string>): ServiceFault[] {
  const keepsDays = keptDays(kitchen.service.keepsDays, kitchen.regime);
  return ahead.flatMap(({ recipeId, daysBefore }): ServiceFault[] => {
    if (!known.has(recipeId)) return [{ code: 'ahead-unknown', named: recipeId }];
    return daysBefore + 1 > keepsDays
      ? [{ code: 'ahead-too-long', named: recipeId, daysBefore, keepsDays }]
      : [];
  });
}

/**
 * Everything that keeps a service from being planned, by row; empty where nothing does.
 * @param components ids of what is made once for several dishes
 */
export function serviceFaults(
  service: Service,
  kitchen: Kitchen,
  book: Dishes,
  components: Iterable<string> = [],
): ServiceFault[] {
  const dishes = new Set<string>();
  const machines = new Set(kitchen.vessels.map(({ id }) => id));
  return [
    ...headsFaults(service, kitchen),
    ...service.dishes.flatMap(({ recipeId }, index): ServiceFault[] => {
      const row = index + 1;
      if (dishes.size === dishes.add(recipeId).size) return [{ code: 'dish-twice', row, named: recipeId }];
      return book.has(recipeId) ? [] : [{ code: 'dish-unknown', row, named: recipeId }];
    }),
    ...service.without
      .filter((id) => !machines.has(id))
      .map((named): ServiceFault => ({ code: 'machine-unknown', named })),
    ...doubledSites(service),
    ...aheadFaults(service, kitchen, new Set([...book.keys(), ...components])),
    ...teamFaults(service),
  ];
}

/** The kitchen as it stands that day: without the machines that are away. */
export function kitchenThatDay(kitchen: Kitchen, { without }: Pick<Service, 'without'>): Kitchen {
  return without.length === 0
    ? kitchen
    : { ...kitchen, vessels: kitchen.vessels.filter(({ id }) => !without.includes(id)) };
}
