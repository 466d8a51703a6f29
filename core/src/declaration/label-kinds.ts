/** The kinds of label that leave a kitchen. */

/** Kinds of labels a kitchen prints; the menu sheet is a table of its own. */
export const LABEL_KINDS = ['serving', 'retail', 'prepacked', 'component', 'counter', 'tray'] as const;

export type LabelKind = (typeof LABEL_KINDS)[number];

export const LABEL_KIND_NAMES: Readonly<Record<LabelKind, string>> = {
  serving: 'Nutrition and allergens of a portion',
  retail: 'Packed for sale: the whole label',
  prepacked: 'Packed here, sold here: ingredients and allergens',
  component: 'Fridge label of a component',
  counter: 'Counter card',
  tray: 'Ward tray slip',
};

/** Kinds that go on a pack, with what the law asks of one. */
export const isOnPack = (kind: LabelKind): kind is 'retail' | 'prepacked' =>
  kind === 'retail' || kind === 'prepacked';

/** Kinds that print the nutrition table. */
export const hasPanel = (kind: LabelKind): kind is 'retail' | 'serving' =>
  kind === 'retail' || kind === 'serving';
