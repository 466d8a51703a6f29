/** Equipment that other food goes through too: what may cling to it, and which steps use it. */

export const SHARED_KINDS = [
  'fryer',
  'toaster',
  'griddle',
  'frying pan',
  'blender',
  'mixer',
  'oven',
  'mill',
] as const;
export type SharedKind = (typeof SHARED_KINDS)[number];

/** A piece of equipment that is not kept for free-from cooking. What it may pass on is derived from the foods. */
export interface SharedEquipment {
  id: string;
  name: string;
  kind: SharedKind;
  /** Foods that also go through it. */
  alsoFor: readonly string[];
}
