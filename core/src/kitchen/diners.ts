/** Who a kitchen cooks for: groups of guests and what each must not have. */
import type { FreeFromPolicy } from './policy';

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
