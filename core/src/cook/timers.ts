/** Timers of a batch, out of its record and a clock: they run on through a reload, a closed browser and a night's sleep. */
import { type Standing, writtenAt } from './log';

export interface Timer {
  timer: string;
  code: string;
  name: string;
  stepId: string;
  load: number;
  /** Every so many minutes again until it is stopped; null for once. */
  everyMinutes: number | null;
  /** When it rings next, milliseconds since 1970. */
  dueAt: number;
  startedAt: number;
  /** How often it was answered. */
  answered: number;
  standing: 'running' | 'ringing';
  /** How loud: 0 running, 1 rings, 2 louder, 3 loudest and on every screen. */
  urgency: 0 | 1 | 2 | 3;
  secondsLeft: number;
}

/** Unanswered for so many seconds it gets louder (convention). */
export const LOUDER_AFTER_SECONDS = [0, 60, 180] as const;

const urgencyAt = (lateSeconds: number): Timer['urgency'] =>
  lateSeconds < 0
    ? 0
    : ((LOUDER_AFTER_SECONDS.filter((after) => lateSeconds >= after).length || 1) as 1 | 2 | 3);

/** Timers that run or ring at a moment, the most urgent first. */
export function timersAt(code: string, record: readonly Standing[], now: number): Timer[] {
  const timers = new Map<string, Timer>();
  for (const { entry, body } of record) {
    if (body.kind === 'timer-started') {
      const startedAt = writtenAt(entry);
      const { timer, name, stepId, load, everyMinutes } = body;
      timers.set(timer, {
        timer,
        code,
        name,
        stepId,
        load,
        everyMinutes,
        startedAt,
        dueAt: startedAt + Math.round(body.minutes * 60_000),
        answered: 0,
        standing: 'running',
        urgency: 0,
        secondsLeft: 0,
      });
    } else if (body.kind === 'timer-answered') {
      const timer = timers.get(body.timer);
      if (!timer) continue;
      if (timer.everyMinutes === null) timers.delete(body.timer);
      else {
        timer.answered += 1;
        // From the look, not from the ring: who looked five minutes late looks again a whole turn later.
        timer.dueAt = writtenAt(entry) + Math.round(timer.everyMinutes * 60_000);
      }
    } else if (body.kind === 'timer-stopped') timers.delete(body.timer);
    else if (body.kind === 'closed') timers.clear();
  }
  return [...timers.values()]
    .map((timer): Timer => {
      const secondsLeft = Math.ceil((timer.dueAt - now) / 1000);
      const urgency = urgencyAt((now - timer.dueAt) / 1000);
      return { ...timer, secondsLeft, urgency, standing: urgency === 0 ? 'running' : 'ringing' };
    })
    .sort((one, other) => one.dueAt - other.dueAt || (one.timer < other.timer ? -1 : 1));
}
