/** Random services of the demo world, and a checker of their plans that knows nothing of how they are made. */
import {
  type Kitchen,
  kitchenThatDay,
  PLAIN_TEAM,
  randomFrom,
  type Service,
  SERVICE_DEFAULTS,
  type ServiceGround,
  type TimedTask,
} from '@hand-ladle/core';
import { book, cafe, demo, school, wardAsIs } from '../world';

export const dishes = new Map(
  demo.filter(({ recipe }) => !recipe.isComponent).map(({ recipe }) => [recipe.id, recipe]),
);
export const KITCHENS = [wardAsIs, school, cafe];

export const groundFor = (service: Service, kitchen: Kitchen): ServiceGround => ({
  service,
  kitchen: kitchenThatDay(kitchen, service),
  book,
  dishes,
  stock: [],
});

/** A service of some dishes for all groups of a kitchen, by chance. */
export function randomService(seed: number, least = 1, most = 5): { service: Service; kitchen: Kitchen } {
  const random = randomFrom(seed);
  const whole = (low: number, high: number): number => low + Math.floor(random() * (high - low + 1));
  const kitchen = KITCHENS[seed % 3]!;
  const ids = [...dishes.keys()].sort(() => random() - 0.5).slice(0, whole(least, most));
  return {
    kitchen,
    service: {
      id: 'random',
      kitchenId: kitchen.id,
      date: '2026-12-01',
      meal: 'Lunch',
      readyMinute: whole(660, 800),
      heads: kitchen.diners.map(({ id }) => ({
        groupId: id,
        heads: whole(0, 60),
        portionGrams: random() < 0.3 ? whole(80, 400) : null,
        site: '',
        codes: [],
      })),
      dishes: ids.map((recipeId) => ({ recipeId, share: random() < 0.3 ? 0.5 : 1, course: '' })),
      overShare: random() < 0.5 ? 0 : 0.05,
      team: { ...PLAIN_TEAM, people: whole(2, 5) },
      ...SERVICE_DEFAULTS,
    },
  };
}
/** What is wrong with a plan, minute by minute, by the kitchen alone. */
export function faultsOfPlan(tasks: readonly TimedTask[], { service, kitchen }: ServiceGround): string[] {
  const faults: string[] = [];
  const byId = new Map(tasks.map((task) => [task.id, task]));
  const first = Math.min(...tasks.map(({ start }) => start));
  for (const { name, start, end, after, daysBefore, id } of tasks) {
    const pin = service.pins.find(({ task }) => task === id);
    if (pin && pin.start !== start) faults.push(`${name} is not where it was put`);
    if (daysBefore !== null && end > service.team.shift.to - daysBefore * 1440)
      faults.push(`${name} is not made ${daysBefore} days before`);
    if (end > service.readyMinute) faults.push(`${name} ends after the bell`);
    for (const id of after)
      if (byId.get(id)!.end > start) faults.push(`${name} begins before ${byId.get(id)!.name} ends`);
  }
  for (let minute = first; minute < service.readyMinute; minute += 1) {
    const on = tasks.filter(({ start, end }) => start <= minute && minute < end);
    const standing = on.filter(({ start, handMinutes }) => minute < start + handMinutes);
    const looking = tasks.flatMap(({ looks }) =>
      looks.filter((each) => each.start <= minute && minute < each.end),
    );
    const people = standing.reduce((sum, task) => sum + task.people, looking.length);
    const within = ((minute % 1440) + 1440) % 1440;
    const { shift, breaks, people: there } = service.team;
    const isOpen =
      within >= shift.from &&
      within < shift.to &&
      !breaks.some(({ from, to }) => within >= from && within < to);
    if (people > (isOpen ? there : 0)) faults.push(`${people} at work at ${minute}`);
    const persons = [...standing, ...looking].map(({ person }) => person);
    if (new Set(persons).size < persons.length) faults.push(`somebody at two things at ${minute}`);
    for (const vessel of kitchen.vessels) {
      const users = on.filter(({ machine }) => machine === vessel.id);
      const most = vessel.kind === 'oven' ? vessel.count * vessel.levels : vessel.count;
      if (users.reduce((sum, { amount }) => sum + amount, 0) > most)
        faults.push(`${vessel.name} is over at ${minute}`);
      const heats = new Set(users.flatMap(({ setCelsius }) => setCelsius ?? []));
      if (heats.size > vessel.count)
        faults.push(`${vessel.name} at ${[...heats].join(' and ')} at ${minute}`);
    }
  }
  return faults;
}
