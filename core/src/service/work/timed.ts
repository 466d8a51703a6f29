/** A task once it has its time. */
import type { ServiceTask } from './tasks';

/** A look into a pot in the middle of a task. */
export interface Look {
  start: number;
  end: number;
  person: number | null;
}

/** A task with its time: minutes from midnight of the day of the service, negative on the days before. */
export interface TimedTask extends ServiceTask {
  start: number;
  end: number;
  /** Which oven, of several of a kind: the resource it was planned on. */
  resource: string | null;
  /** Who does it, counted from 1; null where nobody stands at it. */
  person: number | null;
  /** Looks in between, each with who has it. */
  looks: Look[];
  isPinned: boolean;
}
