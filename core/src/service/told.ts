/** A service between the words that are typed, kept and sent ("11:45"), and the figures it is worked out with. */
import type { EatenDish } from './eaten';
import { clockText, momentText } from './eaten';
import {
  type Ahead,
  OVER_SHARE,
  type Pin,
  PLAIN_TEAM,
  type Service,
  SERVICE_DEFAULTS,
  type ServiceSite,
  type StandIn,
  type Stretch,
  type TakenOut,
} from './eaten';
import type { ServicePlan } from './work';

export interface ToldStretch {
  /** "06:30". */
  from: string;
  to: string;
}

/** A service as it is told. */
export interface ToldService {
  kitchenId: string;
  /** ISO date. */
  date: string;
  meal: string;
  readyAt: string;
  heads: { groupId: string; heads: number; portionGrams: number | null; site: string; codes: string[] }[];
  dishes: { recipeId: string; share: number; course: string }[];
  overShare?: number;
  team?: ToldStretch & { people: number; breaks: ToldStretch[] };
  without?: string[];
  sites?: ServiceSite[];
  ahead?: Ahead[];
  standIns?: StandIn[];
  pins?: Pin[];
  order?: string[];
  done?: string[];
  taken?: TakenOut[];
}

/** Minutes from midnight of "11:45". */
function minuteOf(clock: string): number {
  const [hours, minutes] = clock.split(':').map(Number) as [number, number];
  return hours * 60 + minutes;
}

const stretchOf = ({ from, to }: ToldStretch): Stretch => ({ from: minuteOf(from), to: minuteOf(to) });
const stretchTold = ({ from, to }: Stretch): ToldStretch => ({ from: clockText(from), to: clockText(to) });

/** The service of what was told; what nobody said is the convention. */
export function serviceOf(id: string, told: ToldService): Service {
  const { kitchenId, date, meal, readyAt, heads, dishes, overShare = OVER_SHARE, team } = told;
  const { without, sites, ahead, standIns, pins, order, done, taken } = { ...SERVICE_DEFAULTS, ...told };
  return {
    id,
    kitchenId,
    date,
    meal,
    readyMinute: minuteOf(readyAt),
    heads,
    dishes,
    overShare,
    team: team
      ? { people: team.people, shift: stretchOf(team), breaks: team.breaks.map(stretchOf) }
      : PLAIN_TEAM,
    without,
    sites,
    ahead,
    standIns,
    pins,
    order,
    done,
    taken,
  };
}

/** A service as it is told, with everything said. */
export function serviceTold(service: Service) {
  const { id, kitchenId, date, meal, readyMinute, heads, dishes, overShare, team } = service;
  const { without, sites, ahead, standIns, pins, order, done, taken } = service;
  return {
    id,
    kitchenId,
    date,
    meal,
    readyAt: clockText(readyMinute),
    heads: heads.map((each) => ({ ...each, codes: [...each.codes] })),
    dishes: dishes.map((each) => ({ ...each })),
    overShare,
    team: { people: team.people, ...stretchTold(team.shift), breaks: team.breaks.map(stretchTold) },
    without: [...without],
    sites: sites.map((each) => ({ ...each })),
    ahead: ahead.map((each) => ({ ...each })),
    standIns: standIns.map((each) => ({ ...each })),
    pins: pins.map((each) => ({ ...each })),
    order: [...order],
    done: [...done],
    taken: taken.map((each) => ({ ...each })),
  };
}

/** Dishes in their versions, each with what its worksheet says. */
export const eatenTold = (eaten: readonly EatenDish[]) =>
  eaten.map(({ versions, ...dish }) => ({
    ...dish,
    versions: versions.map(({ recipe, sheet, ...version }) => ({
      ...version,
      recipeId: recipe.id,
      finishedGrams: sheet.finishedGrams,
      target: sheet.target,
      allergens: sheet.allergens.map(({ id, name, status }) => ({ id, name, status })),
      nutrition: { perPortion: sheet.nutrition.perPortion, missing: sheet.nutrition.missing },
      openDecisions: sheet.findings.filter(({ severity }) => severity === 'danger' || severity === 'decision')
        .length,
    })),
  }));

/** A plan with its moments in the kitchen's own time beside the minutes of the day. */
export const planTold = (plan: ServicePlan, { date }: Pick<Service, 'date'>) => ({
  ...plan,
  tasks: plan.tasks.map((task) => ({
    ...task,
    startsAt: momentText(date, task.start),
    endsAt: momentText(date, task.end),
  })),
});

export type SavedServiceTold = ReturnType<typeof serviceTold> & { version: number };
export type EatenTold = ReturnType<typeof eatenTold>;
/** A service with who eats which; `faults` where a group, dish or machine of it is gone since it was kept. */
export type ServiceView = SavedServiceTold & { eaten: EatenTold; faults: { message: string }[] };
export type PlanTold = ReturnType<typeof planTold>;
