/** Who a kitchen cooks for: groups of guests, what each must not have, and what passes as free for them. */
import type { AllergenStatus } from '../food';

/** Which statuses count as free when a dish is served free from something. */
export interface FreeFromPolicy {
  mayContain: 'refuse' | 'accept';
  check: 'refuse' | 'accept';
}

/** Whether a status passes as free under a policy. */
export function passes(status: AllergenStatus, policy: FreeFromPolicy): boolean {
  if (status === 'clear') return true;
  if (status === 'check') return policy.check === 'accept';
  return status === 'may-contain' && policy.mayContain === 'accept';
}

export interface DinerGroup {
  id: string;
  name: string;
  /** Allergens, own entries, or a standard, by id: ["nut", "gluten"]; empty for those who eat everything. */
  exclude: readonly string[];
  /** Usual number of portions for this group; null where it differs each day. */
  portions: number | null;
  /** What counts as free for this group; null for the kitchen's own policy. */
  policy: FreeFromPolicy | null;
}
