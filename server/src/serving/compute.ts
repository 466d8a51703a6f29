/** From a service to its versions, demand, plan and lists: finds the kitchen and the book, and calls core. */
import {
  daySheet,
  demandOf,
  eatenTold,
  eatersSteps,
  helpSteps,
  kitchenThatDay,
  madeFor,
  planServiceSteps,
  prepList,
  pullList,
  scheduleSteps,
  serviceFaults,
  serviceFaultText,
  shoppingList,
  type Demand,
  type Dishes,
  type EatenTold,
  type EatenDish,
  type Help,
  type Schedule,
  type ScheduleProblem,
  type Service,
  type ServiceFault,
  type ServiceGround,
  type ServiceList,
  type ServicePlan,
} from '@hand-ladle/core';
import { ApiError } from '../http/errors';
import type { Store } from '../store';

/** The longest that is looked where nobody says how long; most plans are found in a tenth of it. */
const USUAL_SECONDS = 6;

/** Others are answered between two steps of a long computation. */
const breathe = (): Promise<void> => new Promise((done) => setImmediate(done));

/** Takes steps until it is done, or until a moment has come and there is something to stop with. */
async function taken<Step, Answer>(
  steps: Generator<Step, Answer, void>,
  until: number,
  stopWith: (step: Step) => Answer,
): Promise<Answer> {
  for (;;) {
    const { value, done } = steps.next();
    if (done) return value;
    if (Date.now() >= until) return stopWith(value);
    await breathe();
  }
}

async function dishesOf(store: Store): Promise<Dishes> {
  const all = await store.recipes.all();
  return new Map(all.filter(({ recipe }) => !recipe.isComponent).map(({ recipe }) => [recipe.id, recipe]));
}

/** A fault with its sentence. */
export type ToldFault = ServiceFault & { message: string };

async function faultsOf(service: Service, store: Store): Promise<ToldFault[]> {
  const kitchen = await store.kitchens.kitchen(service.kitchenId);
  return serviceFaults(service, kitchen, await dishesOf(store)).map((fault) => ({
    ...fault,
    message: serviceFaultText(fault),
  }));
}

/** Refuses a service that cannot be, with every fault by its row. */
export async function mustStand(service: Service, store: Store): Promise<void> {
  const faults = await faultsOf(service, store);
  if (faults.length > 0) throw new ApiError('service-refused', faults);
}

/** What a kept service is worked out with; refused where a group or dish of it is gone since. */
export async function groundOf(service: Service, store: Store): Promise<ServiceGround> {
  await mustStand(service, store);
  const kitchen = await store.kitchens.kitchen(service.kitchenId);
  return {
    service,
    kitchen: kitchenThatDay(kitchen, service),
    book: await store.recipes.book(),
    dishes: await dishesOf(store),
  };
}

/** Who eats which; where a group, a dish or a machine of it is gone since, that is told, and nothing is worked out. */
export async function viewOf(
  service: Service,
  store: Store,
): Promise<{ eaten: EatenTold; faults: ToldFault[] }> {
  const faults = await faultsOf(service, store);
  return { faults, eaten: faults.length > 0 ? [] : eatenTold(await eatenIn(await groundOf(service, store))) };
}

export async function eatenIn(ground: ServiceGround): Promise<EatenDish[]> {
  const steps = eatersSteps(ground);
  for (;;) {
    const { value, done } = steps.next();
    if (done) return value;
    await breathe();
  }
}

/** The plan of a service; with `seconds`, the best that is found in so long. */
export function plannedIn(
  eaten: readonly EatenDish[],
  ground: ServiceGround,
  seconds: number | undefined,
): Promise<ServicePlan> {
  const steps = planServiceSteps(eaten, ground, seconds === undefined ? {} : { plans: Infinity });
  return taken(steps, Date.now() + (seconds ?? USUAL_SECONDS) * 1000, (step) => step.stopped());
}

/** The plan of a problem as it was sent. */
export function scheduledIn(problem: ScheduleProblem, seconds: number | undefined): Promise<Schedule> {
  const steps = scheduleSteps(problem, seconds === undefined ? {} : { plans: Infinity });
  return taken(steps, Date.now() + (seconds ?? USUAL_SECONDS) * 1000, (step) => step.stopped());
}

export const LISTS = ['pull', 'prep', 'shopping', 'day'] as const;
export type ListId = (typeof LISTS)[number];

/** Lines of everything that is made, by key: versions as on their worksheets, components as they are made once for all. */
function linesOf(eaten: readonly EatenDish[], { components }: Demand) {
  return new Map([
    ...eaten.flatMap(({ versions }) => versions.map(({ key, sheet }) => [key, sheet.lines] as const)),
    ...components.map(({ key, lines }) => [key, lines] as const),
  ]);
}

export async function listOfService(id: ListId, ground: ServiceGround): Promise<ServiceList> {
  const eaten = await eatenIn(ground);
  const demand = demandOf(eaten, ground);
  if (id === 'pull') return pullList(demand, eaten);
  if (id === 'shopping') return shoppingList(demand);
  const plan = await plannedIn(eaten, ground, undefined);
  return id === 'prep'
    ? prepList(madeFor(eaten, ground), linesOf(eaten, demand), plan)
    : daySheet(plan, ground.kitchen);
}

/** What would help a service that cannot be ready, one thing at a time. */
export async function helpsFor(ground: ServiceGround, store: Store): Promise<Help[]> {
  const asItIs = await store.kitchens.kitchen(ground.service.kitchenId);
  const plan = await plannedIn(await eatenIn(ground), ground, undefined);
  const steps = helpSteps(plan, ground, asItIs);
  for (;;) {
    const { value, done } = steps.next();
    if (done) return value;
    await breathe();
  }
}
