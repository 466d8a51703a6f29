/** How a label is asked for: its kind, its paper, its pack, how many, and what is known only when it is printed. */
import type { LabelKind } from '../../declaration';
import type { CodeImage, Stock } from '../print';
import type { PanelForm } from './type-rules';

export interface LabelOptions {
  kind: LabelKind;
  stock: Stock;
  /** A form somebody chose; null for the first the law allows that fits. */
  form: PanelForm | null;
  /** First label of the first sheet, counted from 1. */
  start: number;
  quantity: number;
  symbology: CodeImage['symbology'] | null;
  /** ISO date; null for today. */
  madeOn: string | null;
  grams: number | null;
  group: string | null;
  texture: string | null;
}

/** The label of a portion on a roll of 102 mm, as long as its text. */
export const DRAFT_ON_ROLL: LabelOptions = {
  kind: 'serving',
  stock: { kind: 'roll', id: 'roll-102', name: 'Roll, 102 mm, any length', widthMm: 102, heightMm: null },
  form: null,
  start: 1,
  quantity: 1,
  symbology: null,
  madeOn: null,
  grams: null,
  group: null,
  texture: null,
};
