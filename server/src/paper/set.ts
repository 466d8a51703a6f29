/** How a label is set: the kind, the paper, the pack, and what is known only when it is printed. */
import {
  type Claim,
  claimsOn,
  type CodeImage,
  type Label,
  type LabelContent,
  labelContent,
  type LabelOptions,
  type SetLabel,
  setLabel,
} from '@hand-ladle/core';
import { codeImage } from './codes';

/** What a batch adds to a label. */
export interface BatchFacts {
  code: string;
  useBy: string;
  /** The address its QR code opens. */
  address: string;
}

/** What is known of a draft: the dates it would carry, and no batch, for none was made. */
export interface DraftFacts {
  code: null;
  useBy: string | null;
}

/** A code as the label carries it: QR opens the batch's page, Code 128 is typed into the search by a scanner. */
const codeOf = (options: LabelOptions, batch: BatchFacts): CodeImage | null =>
  options.symbology === null
    ? null
    : codeImage(options.symbology, options.symbology === 'qr' ? batch.address : batch.code);

export interface Told {
  claims: readonly Pick<Claim, 'id' | 'text' | 'english'>[];
  watch: readonly { name: string; text: string }[];
}

/** The content of a label by its options. Only a released one is no draft. */
export function contentOf(
  label: Label,
  options: LabelOptions,
  told: Told,
  batch: BatchFacts | DraftFacts | null,
  isReleased: boolean,
): LabelContent {
  const { kind, madeOn, grams, group, texture } = options;
  const isDated = batch !== null;
  const content = labelContent(label, kind, {
    claims: claimsOn(kind, told.claims),
    watch: kind === 'tray' ? told.watch : [],
    facts: {
      madeOn: isDated ? madeOn : null,
      useBy: batch?.useBy ?? null,
      batchCode: batch?.code ?? null,
      grams,
      group: kind === 'tray' ? group : null,
      texture: kind === 'tray' ? texture : null,
      code: batch?.code && kind !== 'tray' && kind !== 'counter' ? codeOf(options, batch) : null,
    },
  });
  return { ...content, isDraft: !isReleased };
}

export function setBy(
  content: LabelContent,
  { stock, form }: Pick<LabelOptions, 'stock' | 'form'>,
): SetLabel {
  const { widthMm, heightMm } = stock;
  return setLabel(content, { paper: { widthMm, heightMm }, form });
}
