/** From a service to its versions, demand, plan and lists: finds the kitchen and the book, and calls core. */
import { createHash } from 'node:crypto';
import {
  asServed,
  daySheet,
  type Demand,
  demandOf,
  type Dishes,
  type EatenDish,
  type EatenTold,
  eatenTold,
  eatersSteps,
  type Help,
  helpSteps,
  kitchenThatDay,
  madeFor,
  planServiceSteps,
  prepList,
  pullList,
  type Schedule,
  type ScheduleProblem,
  scheduleSteps,
  type Service,
  type ServiceFault,
  serviceFaults,
  serviceFaultText,
  type ServiceGround,
  type ServiceList,
  type ServicePlan,
  shoppingList,
  slipsList,
  stockFor,
  traySlips,
  withCooked,
  withUnserved,
} from '@hand-ladle/core';
import { ApiError } from '../http/errors';
import type { StockStore } from '../stock/store';
import type { Store } from '../store';
import type { CookedForServices } from './cooked';

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

export async function dishesOf(store: Store): Promise<Dishes> {
  const all = await store.recipes.all();
  return new Map(all.filter(({ recipe }) => !recipe.isComponent).map(({ recipe }) => [recipe.id, recipe]));
}

/** A fault with its sentence. */
export type ToldFault = ServiceFault & { message: string };

async function faultsOf(service: Service, store: Store): Promise<ToldFault[]> {
  const kitchen = await store.kitchens.kitchen(service.kitchenId);
  const components = (await store.recipes.components()).map(({ id }) => id);
  return serviceFaults(service, kitchen, await dishesOf(store), components).map((fault) => ({
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
export async function groundOf(service: Service, store: Store, shelves: StockStore): Promise<KeptGround> {
  await mustStand(service, store);
  const plain = await store.kitchens.kitchen(service.kitchenId);
  const stock = stockFor(await shelves.all(plain.id), service);
  const larder = await store.recipes.book();
  const { kitchen, book } = withCooked(
    { book: larder, kitchen: kitchenThatDay(plain, service) },
    stock,
    service.date,
  );
  const dishes = await dishesOf(store);
  const key = JSON.stringify([
    numberOf(larder.foods),
    // What is ticked off changes no figure.
    { ...service, done: [] },
    plain,
    stock,
    [...dishes.values()],
    [...larder.components.values()],
    [...larder.swaps.values()],
  ]);
  return { service, kitchen, book, dishes, stock, key: createHash('sha256').update(key).digest('hex') };
}

const NUMBERS = new WeakMap<object, number>();
let nextNumber = 1;
/** A larder is the same object as long as nobody changed it. */
function numberOf(larder: object): number {
  const known = NUMBERS.get(larder) ?? nextNumber++;
  NUMBERS.set(larder, known);
  return known;
}

/** Answers of the last few services that were worked out: a page asks for versions, plan and lists of one and the same. */
class Kept<Answer> {
  private readonly answers = new Map<string, Promise<Answer>>();

  of(key: string, work: () => Promise<Answer>): Promise<Answer> {
    const known = this.answers.get(key);
    if (known) return known;
    const answer = work();
    this.answers.set(key, answer);
    // What failed is asked for anew.
    answer.catch(() => this.answers.delete(key));
    if (this.answers.size > MOST_KEPT) this.answers.delete(this.answers.keys().next().value!);
    return answer;
  }
}
const MOST_KEPT = 8;
const EATEN = new Kept<EatenDish[]>();
const PLANNED = new Kept<ServicePlan>();

/** A ground with the key under which its answers are kept. */
export type KeptGround = ServiceGround & { key: string };

/** Who eats which; where a group, a dish or a machine of it is gone since, that is told, and nothing is worked out. */
export async function viewOf(
  service: Service,
  store: Store,
  shelves: StockStore,
  cooking: CookedForServices,
): Promise<{ eaten: EatenTold; faults: ToldFault[] }> {
  const faults = await faultsOf(service, store);
  return {
    faults,
    eaten:
      faults.length > 0 ? [] : eatenTold(await servedIn(await groundOf(service, store, shelves), cooking)),
  };
}

/** Who eats which of what was cooked; what is not cooked yet is as it is planned. */
export async function servedIn(ground: KeptGround, cooking: CookedForServices): Promise<EatenDish[]> {
  return asServed(await eatenIn(ground), await cooking.served(ground.service), ground.kitchen);
}

export const eatenIn = (ground: KeptGround): Promise<EatenDish[]> =>
  EATEN.of(ground.key, () => workedOut(ground));

async function workedOut(ground: ServiceGround): Promise<EatenDish[]> {
  const steps = eatersSteps(ground);
  for (;;) {
    const { value, done } = steps.next();
    if (done) return value;
    await breathe();
  }
}

/** The plan of a service; with `seconds`, the best that is found in so long. */
export async function plannedIn(ground: KeptGround, seconds: number | undefined): Promise<ServicePlan> {
  const eaten = await eatenIn(ground);
  return seconds === undefined
    ? PLANNED.of(ground.key, () => searched(eaten, ground, undefined))
    : searched(eaten, ground, seconds);
}

function searched(
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

export const LISTS = ['pull', 'prep', 'shopping', 'day', 'slips'] as const;
export type ListId = (typeof LISTS)[number];

/** Lines of everything that is made, by key: versions as on their worksheets, components as they are made once for all. */
function linesOf(eaten: readonly EatenDish[], { components }: Demand) {
  return new Map([
    ...eaten.flatMap(({ versions }) => versions.map(({ key, sheet }) => [key, sheet.lines] as const)),
    ...components.map(({ key, lines }) => [key, lines] as const),
  ]);
}

export async function listOfService(
  id: ListId,
  ground: KeptGround,
  cooking: CookedForServices,
): Promise<ServiceList> {
  if (id === 'slips')
    return slipsList(traySlips(await servedIn(ground, cooking), ground.service, ground.kitchen));
  const eaten = await eatenIn(ground);
  const demand = demandOf(eaten, ground);
  if (id === 'pull') return pullList(demand, eaten);
  if (id === 'shopping') return shoppingList(demand);
  const plan = await plannedIn(ground, undefined);
  return id === 'prep'
    ? prepList(madeFor(eaten, ground), linesOf(eaten, demand), plan)
    : withUnserved(daySheet(plan, ground.kitchen), await servedIn(ground, cooking));
}

/** What would help a service that cannot be ready, one thing at a time. */
export async function helpsFor(ground: KeptGround, store: Store): Promise<Help[]> {
  const asItIs = await store.kitchens.kitchen(ground.service.kitchenId);
  const plan = await plannedIn(ground, undefined);
  const steps = helpSteps(plan, ground, asItIs);
  for (;;) {
    const { value, done } = steps.next();
    if (done) return value;
    await breathe();
  }
}
