/** What the stove shows of a batch: the step that is on, what goes in now, what comes next; and which batch needs a hand first. */
import type { Serving } from '../batch';
import { ovenText, timeText } from '../paper';
import { type RecipeStep, timesIn, workOf } from '../recipe';
import type { KeptEntry } from './log';
import { standing } from './log';
import { groundOfBatch, type OpenedBatch } from './opened';
import { loadsOf, type PutIn } from './put-in';
import { type LineAt, linesAt, unnamedLines } from './slips';
import type { BatchState } from './state';

export interface StoveLine {
  lineId: string;
  load: number;
  name: string;
  form: string;
  /** Where it comes from, where it is a component: "made apart", its place in store. */
  whereFrom: string;
  componentId: string | null;
  foodId: string | null;
  put: PutIn;
  /** A part of it: the rest goes in with a later step. */
  isPart: boolean;
  /** Allergens in words: "SOY", "check celery". */
  allergens: string[];
}

export interface StoveStep {
  stepId: string;
  load: number;
  /** Loads it is done in; 1 where it is done once for the whole batch. */
  loads: number;
  number: number;
  text: string;
  /** Where it is done, by its machine: "Kettle 60 L"; empty where no machine is known. */
  station: string;
  lines: StoveLine[];
  /** "until a fork goes in". */
  lookTest: string;
  /** "35 min", "look from 58 min on". */
  time: string;
  minutes: number | null;
  /** Look every so many minutes, where the step says so. */
  everyMinutes: number | null;
  oven: string;
  coreCelsius: number | null;
  isDone: boolean;
}

export interface StoveView {
  code: string;
  name: string;
  portions: number;
  servings: Serving[];
  /** Steps in the order in which they are done: each load goes through what its machine takes. */
  steps: StoveStep[];
  /** Index of the step that is on; null where all are done. */
  at: number | null;
}

const EVERY = /\b(?:every|each)\s+(?:about\s+)?/i;

/** "look every 20 minutes": minutes from one look to the next; null where the step does not say. */
export function everyMinutesOf({ text }: Pick<RecipeStep, 'text'>): number | null {
  const found = timesIn(text).find(
    ({ from, isWithin }) => isWithin && EVERY.test(text.slice(Math.max(0, from - 14), from)),
  );
  return found?.minutes ?? null;
}

/** A time at the end of a look-test stands under the time already: "they bend, 8 minutes". */
const TIME_AT_END =
  /,?\s*(?:for\s+|about\s+)*\d[\d\s.,/½¼¾–-]*(?:to\s+\d+\s*)?(?:minutes?|mins?|hours?|h)\b.*$/i;

/** "until they bend"; empty where the step has no look-test. */
export function lookTestOf({ reading }: Pick<RecipeStep, 'reading'>): string {
  const plain = reading.lookTest.replace(TIME_AT_END, '').trim();
  return plain === '' ? '' : `until ${plain}`;
}

/** Loads a step is done in: those of its machine, and of what goes in with it; else one for the whole batch. */
function loadsAt(opened: OpenedBatch, step: RecipeStep): number {
  const { planned } = groundOfBatch(opened);
  const { kinds } = workOf(step);
  const named = new Set(step.reading.lineIds);
  return Math.max(
    1,
    ...planned.stages.filter(({ work }) => kinds.includes(work)).map(({ loads }) => loads),
    ...planned.lines.filter(({ sourceId }) => named.has(sourceId)).map(loadsOf),
  );
}

/** The steps of a batch in the order in which they are done: load by load through the steps that follow each other in one machine. */
export function stepsInOrder(opened: OpenedBatch): { step: RecipeStep; load: number }[] {
  const { steps } = groundOfBatch(opened);
  const order: { step: RecipeStep; load: number }[] = [];
  for (let from = 0; from < steps.length;) {
    const loads = loadsAt(opened, steps[from]!);
    let to = from + 1;
    while (loads > 1 && to < steps.length && loadsAt(opened, steps[to]!) === loads) to += 1;
    for (let load = 1; load <= loads; load += 1)
      for (const step of steps.slice(from, to)) order.push({ step, load });
    from = to;
  }
  return order;
}

export function stoveView(opening: OpenedBatch, entries: readonly KeptEntry[], state: BatchState): StoveView {
  const ground = groundOfBatch(opening);
  const { opened, planned, steps: told } = ground;
  const done = new Set(state.done.map(({ stepId, load }) => `${stepId} ${load}`));
  const times = new Map(planned.times.map((time) => [time.stepId, time]));
  const from = new Map(
    standing(entries).flatMap(({ body }) =>
      body.kind === 'weighed' && body.from !== '' ? [[body.lineId, body.from] as const] : [],
    ),
  );
  const ordered = stepsInOrder(opening);
  const lineOf = ({ line, put, isPart }: LineAt): StoveLine => {
    const component = planned.components.find(({ componentId }) => componentId === line.componentId);
    const made = from.get(line.id);
    return {
      lineId: line.id,
      load: put.load,
      name: line.name,
      form: line.form || line.hint,
      whereFrom:
        line.componentId === null
          ? ''
          : made
            ? `batch ${made}`
            : component && component.storeGrams > 0
              ? 'in store'
              : 'made apart: weigh it in from its own batch',
      componentId: line.componentId,
      foodId: line.foodId,
      put,
      isPart,
      allergens: line.allergens
        .filter(({ isNamed }) => isNamed)
        .map(({ name, status }) =>
          status === 'contains'
            ? name.toUpperCase()
            : `${status === 'check' ? 'check' : 'may contain'} ${name.toLowerCase()}`,
        ),
    };
  };
  const steps = ordered.map(({ step, load }, index): StoveStep => {
    const time = times.get(step.id);
    const { kinds } = workOf(step);
    const isLast = !ordered.slice(index + 1).some((later) => later.load === load);
    return {
      stepId: step.id,
      load,
      loads: loadsAt(opened, step),
      number: told.indexOf(step) + 1,
      text: step.text,
      station: planned.stages.find(({ work }) => kinds.includes(work))?.machine?.name ?? '',
      lines: [
        ...linesAt(ground, state.puts, step, told, load),
        ...(isLast ? unnamedLines(ground, state.puts, load) : []),
      ].map(lineOf),
      lookTest: lookTestOf(step),
      time: time ? timeText(time) : '',
      minutes: time?.minutes ?? null,
      everyMinutes: everyMinutesOf(step),
      oven: time ? ovenText(time) : '',
      coreCelsius: time?.coreCelsius ?? null,
      isDone: done.has(`${step.id} ${load}`),
    };
  });
  const at = steps.findIndex(({ isDone }) => !isDone);
  return {
    code: opened.code,
    name: opened.name,
    portions: planned.portions,
    servings: planned.servings,
    steps,
    at: at < 0 ? null : at,
  };
}

/** How soon a batch needs a hand: what rings first, then what is wrong, then what is due next. Lower is sooner. */
export function handFirst({ timers, breaches, coolings, phase }: BatchState, now: number): number {
  if (phase === 'closed') return Infinity;
  const ringing = timers.filter(({ standing: how }) => how === 'ringing');
  if (ringing.length > 0) return -1e6 - Math.max(...ringing.map(({ dueAt }) => now - dueAt)) / 1000;
  if (breaches.length > 0) return -1e5;
  const due = [
    ...timers.map(({ dueAt }) => dueAt),
    ...coolings.flatMap(({ watch }) => (watch.nextAt === null ? [] : [watch.nextAt])),
  ];
  // Nothing waits in a pot: its next step can be done now.
  if (due.length === 0) return phase === 'finished' ? 1e6 : 0;
  return Math.max(0, Math.min(...due) - now) / 1000;
}
