/** Whether something is free from what is looked for, by a policy. */
import type { AllergenStatus, Wanted } from '../food';
import { type FreeFromPolicy, passes } from '../kitchen';
import { touches } from './flags';

/** Every trace must pass: a worse one that is let pass does not cover one that is not, as an unread pack. */
export const isFree = (
  traces: readonly (Wanted & { status: AllergenStatus })[],
  wanted: Wanted,
  policy: FreeFromPolicy,
): boolean => traces.every((trace) => !touches(trace, wanted) || passes(trace.status, policy));
