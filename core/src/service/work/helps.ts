/** What would help a service that cannot be ready: one thing more or otherwise at a time, planned anew, and told where it is enough. */
import type { Kitchen, Vessel } from '../../kitchen';
import { eatersOf, type ServiceGround } from '../eaten';
import { kitchenThatDay, type Service } from '../eaten';
import { planService, type ServicePlan } from './plan';
import { HANDS } from './stations';

export interface Help {
  /** "a pair of hands more". */
  text: string;
  /** The minute at which the day begins with it. */
  begins: number;
}

export interface HelpProgress {
  done: number;
  of: number;
}

/** Plans tried for each thing: enough to see whether it is possible. */
const PLANS_FOR_HELP = 240;

interface Trial {
  text: string;
  service: Service;
  kitchen: Kitchen;
}

const withOneMore = (kitchen: Kitchen, id: string): Kitchen => ({
  ...kitchen,
  vessels: kitchen.vessels.map((vessel): Vessel =>
    vessel.id === id ? { ...vessel, count: vessel.count + 1 } : vessel,
  ),
});

/** What is tried: hands and hours, the machines that are short, those that are out of use, and a later bell. */
function trialsFor(plan: ServicePlan, service: Service, kitchen: Kitchen): Trial[] {
  const { team } = service;
  const withTeam = (fields: Partial<Service['team']>): Service => ({
    ...service,
    team: { ...team, ...fields },
  });
  const short = new Set(plan.shortOf.map(({ resource }) => resource.replace(/, \d+$/, '')));
  const from = Math.max(0, team.shift.from - 60);
  return [
    ...service.without.flatMap((id): Trial[] => {
      const name = kitchen.vessels.find((vessel) => vessel.id === id)?.name;
      const back = { ...service, without: service.without.filter((each) => each !== id) };
      return name === undefined ? [] : [{ text: `the ${name} back in use`, service: back, kitchen }];
    }),
    { text: 'a pair of hands more', service: withTeam({ people: team.people + 1 }), kitchen },
    { text: 'two pairs of hands more', service: withTeam({ people: team.people + 2 }), kitchen },
    ...(from < team.shift.from
      ? [
          {
            text: 'a shift that begins an hour earlier',
            service: withTeam({ shift: { ...team.shift, from } }),
            kitchen,
          },
        ]
      : []),
    ...kitchen.vessels
      .filter(({ id }) => short.has(id) && id !== HANDS)
      .map(({ id, name }) => ({ text: `one more ${name}`, service, kitchen: withOneMore(kitchen, id) })),
    ...[30, 60]
      .filter((minutes) => service.readyMinute + minutes < 1440)
      .map((minutes) => ({
        text: `ready ${minutes} minutes later`,
        service: { ...service, readyMinute: service.readyMinute + minutes },
        kitchen,
      })),
  ];
}

/** Tries one thing after the other; `asItIs` is the kitchen with all its machines. Empty where no single thing is enough. */
export function* helpSteps(
  plan: ServicePlan,
  ground: ServiceGround,
  asItIs: Kitchen,
): Generator<HelpProgress, Help[], void> {
  if (plan.feasible) return [];
  const trials = trialsFor(plan, ground.service, asItIs);
  const helps: Help[] = [];
  for (const [done, { text, service, kitchen }] of trials.entries()) {
    yield { done, of: trials.length };
    const tried: ServiceGround = { ...ground, service, kitchen: kitchenThatDay(kitchen, service) };
    const found = planService(eatersOf(tried), tried, { plans: PLANS_FOR_HELP });
    if (found.feasible) helps.push({ text, begins: found.tasks[0]?.start ?? service.readyMinute });
  }
  return helps;
}
