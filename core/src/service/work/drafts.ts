/** What has to be done for one thing that is made, piece by piece: weighing, each step, loads, cooling, dishing up. */
import { type ComponentBatch, HEAT_LIMITS, type StageView, type StepTime } from '../../batch';
import type { WorkKind } from '../../kitchen';
import { timesIn } from '../../recipe';
import type { ServiceGround } from '../eaten';
import {
  CHECK_MINUTES,
  COOLING_SETTING_MINUTES,
  HAND_STEP_MINUTES,
  isWaiting,
  MACHINE_MINUTES,
  minutesInWords,
  MOST_HAND_MINUTES,
  MOST_PIECES,
  PORTIONS_A_MINUTE,
  REHEAT_MINUTES,
  REHEAT_OVEN_CELSIUS,
  SETTING_UP_MINUTES,
  STOOD_AT,
  TRIMMING_MINUTES_A_KG,
  WAIT_SETTING_MINUTES,
  WEIGHING_MINUTES_A_LINE,
} from './minutes';

/**
 * `weigh`: weighing and cutting. `hands`: a step of the hands. `cook`: in a machine. `wait`: nobody does anything. `cool`: what
 * was made ahead, within the law's limits. `carry`: to where it is eaten.
 */
export type TaskKind = 'weigh' | 'hands' | 'cook' | 'wait' | 'cool' | 'portion' | 'carry' | 'clean';

/** What is made, and what its tasks come from. */
export interface Plan {
  key: string;
  /** What its tasks are numbered by: stays the same when other dishes come and go. */
  idBase: string;
  recipeId: string;
  name: string;
  times: readonly StepTime[];
  stages: readonly StageView[];
  lines: ComponentBatch['lines'];
  portions: number;
  daysBefore: number | null;
  /** It comes to the table: what was made ahead is brought back to heat. */
  isServed: boolean;
}

export const whole = (minutes: number): number => Math.max(1, Math.ceil(minutes - 1e-9));
const counted = (count: number, thing: string): string => `${count} ${thing}${count === 1 ? '' : 's'}`;

/** A task before it has its place among the others. */
export interface Draft {
  what: string;
  kind: TaskKind;
  minutes: number;
  because: string;
  isConvention: boolean;
  people: number;
  /** All of them where nobody says. */
  handMinutes?: number;
  checks?: number[];
  lacks?: WorkKind;
  machine?: { id: string; amount: number; setCelsius: number | null };
}

/** Weighing and cutting, in pieces that several can share. */
export function weighing({ lines }: Plan): Draft[] {
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

/** "every 20 minutes", in minutes; null where a step says nothing like it. */
function everyMinutes(text: string): number | null {
  const said = timesIn(text).find(({ from }) =>
    /\bevery (?:about |few )?$/i.test(text.slice(Math.max(0, from - 14), from)),
  );
  return said && said.low >= 1 ? Math.round(said.low) : null;
}

/** When somebody looks, after the hands have left and before it ends. */
function checksOf(text: string, hands: number, minutes: number): number[] {
  const every = everyMinutes(text);
  if (every === null) return [];
  const checks: number[] = [];
  for (let at = hands + every; at + CHECK_MINUTES <= minutes; at += Math.max(every, CHECK_MINUTES))
    checks.push(at);
  return checks;
}

/** One step as tasks: the hands that set it up, then the machine; or the hands alone; or only time. */
export function stepDrafts(time: StepTime, plan: Plan, { kitchen }: ServiceGround): Draft[] {
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
    const minutes = setting + whole(one + heat);
    const checks = checksOf(text, setting, minutes);
    const draft = { kind: 'cook' as const, because, isConvention, people: 1, machine, checks };
    if (STOOD_AT.has(work)) {
      const loads = rounds > 1 ? `${counted(rounds, 'load')}, each ` : '';
      return [{ ...draft, checks: [], what, minutes: rounds * minutes, because: `${loads}${because}` }];
    }
    if (rounds > MOST_PIECES) {
      const loads = `${counted(rounds, 'load')}, each ${because}`;
      const hands = { handMinutes: setting * rounds, checks: [] };
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
        checks: checksOf(text, WAIT_SETTING_MINUTES, WAIT_SETTING_MINUTES + whole(told)),
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

export function portioning({ portions }: Plan): Draft[] {
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

/** What was cooked ahead is cooled within the law's limits, each of which somebody reads. */
export function cooling({ stages }: Plan, { kitchen }: ServiceGround): Draft[] {
  if (!stages.some(({ work }) => work !== 'blend' && work !== 'mix')) return [];
  const { cooling: limits, coolingText } = HEAT_LIMITS[kitchen.regime];
  const last = limits.at(-1)!.withinMinutes;
  return [
    {
      what: `Cool ${coolingText}`,
      kind: 'cool',
      minutes: COOLING_SETTING_MINUTES + last,
      because: `${COOLING_SETTING_MINUTES} min to spread it out (convention), then the longest that the law gives`,
      isConvention: true,
      people: 1,
      handMinutes: COOLING_SETTING_MINUTES,
      checks: limits.map(({ withinMinutes }) => COOLING_SETTING_MINUTES + withinMinutes - CHECK_MINUTES),
    },
  ];
}

/** On the day, what was cooked ahead is brought back to heat where it was cooked last. */
export function reheating({ stages }: Plan, { kitchen }: ServiceGround): Draft[] {
  const stage = [...stages]
    .reverse()
    .find(({ work, machine }) => machine && (work === 'oven' || work === 'simmer'));
  if (!stage?.machine) return [];
  const vessel = kitchen.vessels.find(({ id }) => id === stage.machine!.id)!;
  const setting = SETTING_UP_MINUTES[stage.work];
  const rounds = vessel.kind === 'oven' ? stage.loads : stage.rounds;
  return [
    {
      what: `Reheat to ${HEAT_LIMITS[kitchen.regime].coreCelsius} °C at the core${rounds > 1 ? `, ${counted(rounds, 'load')}` : ''}`,
      kind: 'cook',
      minutes: rounds * (setting + REHEAT_MINUTES),
      because: `${counted(rounds, 'load')}, each ${setting} min to set up and ${REHEAT_MINUTES} min: convention`,
      isConvention: true,
      people: 1,
      handMinutes: setting * rounds,
      machine: {
        id: vessel.id,
        amount: amountOf(stage, vessel.levels),
        setCelsius: vessel.kind === 'oven' ? REHEAT_OVEN_CELSIUS : null,
      },
    },
  ];
}
