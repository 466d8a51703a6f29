/** What a kitchen lets pass for guests who must be free from something. */
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
