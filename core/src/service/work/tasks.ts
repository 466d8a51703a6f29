/**
 * The tasks of a service, from the steps of its worksheets: weighing and cutting, each step with its machine and its hands, loads
 * one after the other, dishing up. Minutes are those of the batch; what no recipe says is a convention and marked so.
 */
import { componentBatch, planBatch, planComponents, stepTimes } from '../../batch';
import { componentKey, compose, type Composed } from '../../dish';
import type { WorkKind } from '../../kitchen';
import { type DishVersion, type EatenDish, MadeAhead, type ServiceGround } from '../eaten';
import {
  cooling,
  type Draft,
  type Plan,
  portioning,
  reheating,
  stepDrafts,
  type TaskKind,
  weighing,
  whole,
} from './drafts';

export interface ServiceTask {
  id: string;
  /** The dish or component and what is done. */
  name: string;
  /** What it belongs to, by name: a dish, a component, a machine that is cleaned. */
  dish: string;
  /** What is done. */
  what: string;
  kind: TaskKind;
  /** What it belongs to: a version of a dish, or a component; null for a clean-down. */
  madeKey: string | null;
  recipeId: string | null;
  minutes: number;
  /** Vessel id; null where none is held. */
  machine: string | null;
  /** How much of it: levels of an oven, else machines. */
  amount: number;
  setCelsius: number | null;
  people: number;
  /** Minutes at its beginning that the people stand at it; then it goes on alone. */
  handMinutes: number;
  /** Minutes from its start at which somebody looks at it: "every 20 minutes", the two readings of a cooling. */
  checks: number[];
  /** Days before the service on which it has to be done; null where it may be done as late as that goes. */
  daysBefore: number | null;
  after: string[];
  /** The work of a machine that this kitchen does not have that day; null where nothing lacks. */
  lacks: WorkKind | null;
  /** The minutes are a convention, not the recipe's. */
  isConvention: boolean;
  /** How the minutes come about. */
  because: string;
}

/** Something that is made: a version of a dish, or a component once for all. */
export interface Made {
  key: string;
  recipeId: string;
  name: string;
  isComponent: boolean;
  /** What it must be free from, and what is not clear of it, by allergen id. */
  exclude: ReadonlySet<string>;
  holds: ReadonlySet<string>;
  /** Keys of the components it is made with. */
  uses: readonly string[];
  tasks: ServiceTask[];
}

/** A plan's tasks: pieces of weighing beside each other, then step after step, then pieces of dishing up. */
function tasksOf(plan: Plan, ground: ServiceGround): ServiceTask[] {
  const tasks: ServiceTask[] = [];
  let daysBefore = plan.daysBefore;
  const add = ({ machine, ...draft }: Draft, after: string[]): string => {
    const id = `${plan.idBase} ${tasks.length + 1}`;
    tasks.push({
      id,
      name: `${plan.name}: ${draft.what}`,
      dish: plan.name,
      ...draft,
      lacks: draft.lacks ?? null,
      checks: draft.checks ?? [],
      daysBefore,
      handMinutes: draft.people === 0 ? 0 : (draft.handMinutes ?? draft.minutes),
      madeKey: plan.key,
      recipeId: plan.recipeId,
      machine: machine?.id ?? null,
      amount: machine?.amount ?? 0,
      setCelsius: machine?.setCelsius ?? null,
      after,
    });
    return id;
  };
  let last = weighing(plan).map((draft) => add(draft, []));
  for (const time of plan.times)
    for (const draft of stepDrafts(time, plan, ground)) last = [add(draft, last)];
  if (daysBefore !== null) {
    for (const draft of cooling(plan, ground)) last = [add(draft, last)];
    daysBefore = null;
    if (plan.isServed) for (const draft of reheating(plan, ground)) last = [add(draft, last)];
  }
  for (const draft of portioning(plan)) add(draft, last);
  return tasks;
}

const holdsOf = (lines: Plan['lines']): Set<string> =>
  new Set(
    lines.flatMap((line): string[] => [...line.allergens.map(({ id }) => id), ...holdsOf(line.children)]),
  );

/** Ids of the components a dish is made with. */
const usesOf = ({ lines }: Composed): string[] => [
  ...new Set(lines.flatMap(({ inner }) => (inner ? [componentKey(inner)] : []))),
];

/** Everything a service makes, components before what uses them, each with its tasks. What comes from store is not made. */
export function madeFor(eaten: readonly EatenDish[], ground: ServiceGround): Made[] {
  const { kitchen, book, service } = ground;
  const versions = eaten.flatMap((dish): DishVersion[] => dish.versions);
  const askers = versions.map(({ recipe, sheet }) => {
    const composed = compose(recipe, book, kitchen);
    return { composed, batch: planBatch(composed, sheet.target, kitchen, []) };
  });
  const planned = planComponents(askers, kitchen, [], new MadeAhead(ground).gramsOf);
  const batches = new Map(planned.map((each) => [componentKey(each.composed), each.batch]));
  const daysBefore = (id: string): number | null =>
    service.ahead.find(({ recipeId }) => recipeId === id)?.daysBefore ?? null;
  const made: Made[] = versions.map(
    ({ key, recipe, name, exclude, sheet, portions, extraPortions }, index) => ({
      key,
      recipeId: recipe.id,
      name,
      isComponent: false,
      exclude: new Set(exclude),
      holds: new Set(sheet.allergens.filter(({ status }) => status !== 'clear').map(({ id }) => id)),
      uses: usesOf(askers[index]!.composed),
      tasks: tasksOf(
        {
          key,
          idBase: key,
          recipeId: recipe.id,
          name,
          times: sheet.times,
          stages: sheet.stages,
          lines: sheet.lines,
          portions: portions + extraPortions,
          daysBefore: daysBefore(recipe.id),
          isServed: true,
        },
        ground,
      ),
    }),
  );
  const times = new Map<string, number>();
  for (const each of planned) {
    const { composed, batch, madeGrams } = each;
    if (madeGrams === 0) continue;
    const part = componentBatch(each, kitchen, batches);
    const { key, componentId: recipeId, name, stages, lines } = part;
    const users = made.filter(({ uses }) => uses.includes(key));
    times.set(recipeId, (times.get(recipeId) ?? 0) + 1);
    made.push({
      key,
      recipeId,
      name,
      isComponent: true,
      // It goes into all of them, so it must be free from whatever one of them is.
      exclude: new Set(users.flatMap(({ exclude }) => [...exclude])),
      holds: holdsOf(lines),
      uses: usesOf(composed),
      tasks: tasksOf(
        {
          key,
          idBase: times.get(recipeId) === 1 ? recipeId : `${recipeId} (${times.get(recipeId)})`,
          recipeId,
          name,
          times: stepTimes(composed, batch, { kind: 'weight', grams: madeGrams }, kitchen),
          stages,
          lines,
          portions: 0,
          daysBefore: daysBefore(recipeId),
          isServed: false,
        },
        ground,
      ),
    });
  }
  return waiting(made);
}

/** One way to each place that is away: it begins when all that goes there is dished up. */
export function carryTasks(
  made: readonly Made[],
  eaten: readonly EatenDish[],
  { service }: ServiceGround,
): ServiceTask[] {
  const versions = eaten.flatMap((dish): DishVersion[] => dish.versions);
  return service.sites.flatMap(({ name: site, travelMinutes }): ServiceTask[] => {
    const going = versions.filter(({ servings }) => servings.some((each) => each.site === site));
    if (travelMinutes === 0 || going.length === 0) return [];
    const keys = new Set(going.map(({ key }) => key));
    return [
      {
        id: `carry to ${site}`,
        name: `Carry to ${site}`,
        dish: site,
        what: `Carry to ${site}`,
        kind: 'carry',
        madeKey: null,
        recipeId: null,
        minutes: whole(travelMinutes),
        machine: null,
        amount: 0,
        setCelsius: null,
        people: 1,
        handMinutes: whole(travelMinutes),
        checks: [],
        daysBefore: null,
        after: made
          .filter(({ key }) => keys.has(key))
          .flatMap(({ tasks }) => tasks.filter(({ kind }) => kind === 'portion').map(({ id }) => id)),
        lacks: null,
        isConvention: false,
        because: 'as this service says',
      },
    ];
  });
}

/** What uses a component does not begin its method before the component is made. */
function waiting(made: readonly Made[]): Made[] {
  const lastOf = new Map(made.map(({ key, tasks }) => [key, tasks.at(-1)?.id]));
  return made.map((each) => {
    const parts = each.uses.flatMap((key) => lastOf.get(key) ?? []);
    let isFirst = true;
    const tasks = each.tasks.map((task) => {
      if (task.kind === 'weigh' || !isFirst) return task;
      isFirst = false;
      return { ...task, after: [...task.after, ...parts] };
    });
    return { ...each, tasks };
  });
}
