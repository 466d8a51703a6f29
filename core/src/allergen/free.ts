/** Whether something is free from what is looked for, by a policy. */
import { passes, type FreeFromPolicy } from '../kitchen/policy';
import { touches } from './flags';
import type { AllergenStatus } from './status';
import type { Wanted } from './substances';

/** Every trace must pass: a worse one that is let pass does not cover one that is not, as an unread pack. */
export const isFree = (
  traces: readonly (Wanted & { status: AllergenStatus })[],
  wanted: Wanted,
  policy: FreeFromPolicy,
): boolean => traces.every((trace) => !touches(trace, wanted) || passes(trace.status, policy));
