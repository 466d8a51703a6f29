/**
 * The tasks of a service, from the steps of its worksheets: weighing and cutting, each step with its machine and its hands, loads
 * one after the other, dishing up. Minutes are those of the batch; what no recipe says is a convention and marked so.
 */
import {
  componentBatch,
  type ComponentBatch,
  planBatch,
  planComponents,
  type StageView,
  type StepTime,
  stepTimes,
} from '../batch';
import { compose, componentKey, type Composed } from '../dish';
import type { WorkKind } from '../kitchen';
import type { DishVersion, EatenDish, ServiceGround } from './eaters';
import {
  HAND_STEP_MINUTES,
  isWaiting,
  MACHINE_MINUTES,
  minutesInWords,
  MOST_HAND_MINUTES,
  MOST_PIECES,
  PORTIONS_A_MINUTE,
  SETTING_UP_MINUTES,
  STOOD_AT,
  TRIMMING_MINUTES_A_KG,
  WAIT_SETTING_MINUTES,
  WEIGHING_MINUTES_A_LINE,
} from './minutes';

/** `weigh`: weighing and cutting. `hands`: a step of the hands. `cook`: in a machine. `wait`: nobody does anything. */
export type TaskKind = 'weigh' | 'hands' | 'cook' | 'wait' | 'portion' | 'clean';

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

interface Plan {
  key: string;
  recipeId: string;
  name: string;
  times: readonly StepTime[];
  stages: readonly StageView[];
  lines: ComponentBatch['lines'];
  portions: number;
}

const whole = (minutes: number): number => Math.max(1, Math.ceil(minutes - 1e-9));
const counted = (count: number, thing: string): string => `${count} ${thing}${count === 1 ? '' : 's'}`;

interface Draft {
  what: string;
  kind: TaskKind;
  minutes: number;
  because: string;
  isConvention: boolean;
  people: number;
  /** All of them where nobody says. */
  handMinutes?: number;
  lacks?: WorkKind;
  machine?: { id: string; amount: number; setCelsius: number | null };
}

/** Weighing and cutting, in pieces that several can share. */
function weighing({ lines }: Plan): Draft[] {
  const trimmed = lines.reduce((sum, { purchasedGrams, batchGrams, isDrained }) => {
    const off =
      !isDrained && purchasedGrams !== null && batchGrams !== null && purchasedGrams > batchGrams * 1.001;
    return off ? sum + purchasedGrams / 1000 : sum;
  }, 0);
  const minutes = whole(lines.length * WEIGHING_MINUTES_A_LINE + trimmed * TRIMMING_MINUTES_A_KG);
  const pieces = Math.min(MOST_PIECES, Math.ceil(minutes / MOST_HAND_MINUTES));
  const because = `${counted(lines.length, 'line')} at ${WEIGHING_MINUTES_A_LINE} min, ${trimmed.toFixed(1)} kg to trim and cut at ${TRIMMING_MINUTES_A_KG} min: convention`;
  return Array.from({ length: pieces }, (_, index) => ({
    what: `Weigh and cut${pieces > 1 ? ` (${index + 1} of ${pieces})` : ''}`,
    kind: 'weigh' as const,
    minutes: whole(minutes / pieces),
    because,
    isConvention: true,
    people: 1,
  }));
}

/** The stage a step's work is done in. Softening in the pot that simmers afterwards is the pot's. */
const stageFor = (work: WorkKind, stages: readonly StageView[]): StageView | undefined =>
  stages.find((stage) => stage.work === work) ??
  (work === 'fry' ? stages.find((stage) => stage.work === 'simmer') : undefined);

/** How much of its machine a stage holds while one round runs. */
function amountOf({ machine, pans, loads, loadGrams, holdsGrams }: StageView, levels: number): number {
  if (!machine) return 0;
  if (machine.kind !== 'oven') return Math.min(machine.count, loads);
  const used = pans && holdsGrams > 0 ? Math.ceil((levels * loadGrams) / holdsGrams - 1e-9) : levels;
  return Math.max(1, Math.min(levels, used));
}

/** One step as tasks: the hands that set it up, then the machine; or the hands alone; or only time. */
function stepDrafts(time: StepTime, plan: Plan, { kitchen }: ServiceGround): Draft[] {
  const { text, work } = time;
  // The longest it may take: what is ready early can be held, what is late cannot be served.
  const told = time.highMinutes ?? time.minutes ?? minutesInWords(text);
  const what = text.length > 80 ? `${text.slice(0, 77)}...` : text;
  const stage = work ? stageFor(work, plan.stages) : undefined;
  if (work && stage?.machine) {
    const vessel = kitchen.vessels.find(({ id }) => id === stage.machine!.id)!;
    const machine = {
      id: vessel.id,
      amount: amountOf(stage, vessel.levels),
      setCelsius: time.oven?.setCelsius ?? null,
    };
    // A temperature stays in one oven, so its loads go one after the other; other machines of a kind work side by side.
    const rounds = vessel.kind === 'oven' ? stage.loads : stage.rounds;
    const one = told ?? MACHINE_MINUTES[work];
    const heat = stage.heatUpMinutes ?? 0;
    const setting = SETTING_UP_MINUTES[work];
    const isConvention = told === null;
    const because = `${setting} min to set up (convention), ${Math.ceil(one)} min${isConvention ? ' (convention)' : ''}${heat > 0 ? ` and ${Math.ceil(heat)} min to come to heat` : ''} in the ${stage.machine.name}`;
    const draft = { kind: 'cook' as const, because, isConvention, people: 1, machine };
    const minutes = setting + whole(one + heat);
    if (STOOD_AT.has(work)) {
      const loads = rounds > 1 ? `${counted(rounds, 'load')}, each ` : '';
      return [{ ...draft, what, minutes: rounds * minutes, because: `${loads}${because}` }];
    }
    if (rounds > MOST_PIECES) {
      const loads = `${counted(rounds, 'load')}, each ${because}`;
      const hands = { handMinutes: setting * rounds };
      return [{ ...draft, ...hands, what, minutes: rounds * minutes, because: loads }];
    }
    // Loads go one after the other, each with hands at its beginning.
    return Array.from({ length: rounds }, (_, round) => ({
      ...draft,
      what: rounds > 1 ? `${what} (load ${round + 1} of ${rounds})` : what,
      minutes,
      handMinutes: setting,
    }));
  }
  // A dough is kneaded by hand where there is no mixer; nothing simmers, bakes, fries or blends without its machine.
  const lacks = work && work !== 'mix' ? work : undefined;
  const isWait = lacks === undefined && (isWaiting(text) || minutesInWords(text) !== null);
  if (isWait && told !== null)
    return [
      {
        what,
        kind: 'wait',
        minutes: WAIT_SETTING_MINUTES + whole(told),
        because: time.minutes === null ? 'overnight: convention' : 'as told, and somebody to begin it',
        isConvention: time.minutes === null,
        people: 1,
        handMinutes: WAIT_SETTING_MINUTES,
      },
    ];
  return [
    {
      what,
      kind: 'hands',
      minutes: whole(Math.min(told ?? HAND_STEP_MINUTES, 8 * MOST_HAND_MINUTES)),
      because: told === null ? 'the step says no time: convention' : 'as told',
      isConvention: told === null,
      people: 1,
      ...(lacks === undefined ? {} : { lacks }),
    },
  ];
}

function portioning({ portions }: Plan): Draft[] {
  if (portions === 0) return [];
  const minutes = whole(portions / PORTIONS_A_MINUTE);
  const pieces = Math.min(MOST_PIECES, Math.ceil(minutes / MOST_HAND_MINUTES));
  return Array.from({ length: pieces }, (_, index) => ({
    what: `Portion${pieces > 1 ? ` (${index + 1} of ${pieces})` : ''}`,
    kind: 'portion' as const,
    minutes: whole(minutes / pieces),
    because: `${counted(portions, 'portion')} at ${PORTIONS_A_MINUTE} a minute: convention`,
    isConvention: true,
    people: 1,
  }));
}

/** A plan's tasks: pieces of weighing beside each other, then step after step, then pieces of dishing up. */
function tasksOf(plan: Plan, number: number, ground: ServiceGround): ServiceTask[] {
  const tasks: ServiceTask[] = [];
  const add = ({ machine, ...draft }: Draft, after: string[]): string => {
    const id = `${number + 1}.${tasks.length + 1}`;
    tasks.push({
      id,
      name: `${plan.name}: ${draft.what}`,
      dish: plan.name,
      ...draft,
      lacks: draft.lacks ?? null,
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

/** Everything a service makes, components before what uses them, each with its tasks. */
export function madeFor(eaten: readonly EatenDish[], ground: ServiceGround): Made[] {
  const { kitchen, book } = ground;
  const versions = eaten.flatMap((dish): DishVersion[] => dish.versions);
  const askers = versions.map(({ recipe, sheet }) => {
    const composed = compose(recipe, book, kitchen);
    return { composed, batch: planBatch(composed, sheet.target, kitchen, []) };
  });
  const planned = planComponents(askers, kitchen, []);
  const batches = new Map(planned.map((each) => [componentKey(each.composed), each.batch]));
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
          recipeId: recipe.id,
          name,
          times: sheet.times,
          stages: sheet.stages,
          lines: sheet.lines,
          portions: portions + extraPortions,
        },
        index,
        ground,
      ),
    }),
  );
  planned.forEach((each, index) => {
    const { composed, batch, madeGrams } = each;
    const part = componentBatch(each, kitchen, batches);
    const { key, componentId: recipeId, name, stages, lines } = part;
    const times = stepTimes(composed, batch, { kind: 'weight', grams: madeGrams }, kitchen);
    const users = made.filter(({ uses }) => uses.includes(key));
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
        { key, recipeId, name, times, stages, lines, portions: 0 },
        versions.length + index,
        ground,
      ),
    });
  });
  return waiting(made);
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
