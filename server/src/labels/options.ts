/** How a label is set: the kind, the paper, the pack, and what is known only when it is printed. */
import {
  claimInText,
  claimsOn,
  labelContent,
  menuAnswer,
  menuRow,
  setLabel,
  type Claim,
  type CodeImage,
  type Kitchen,
  type Label,
  type LabelContent,
  type LabelOptions,
  type Recipe,
  type SetLabel,
  type Worksheet,
} from '@hand-ladle/core';
import { codeImage } from '../codes';
import { ApiError } from '../errors';

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

/**
 * What is typed onto a label names a group or a texture and promises nothing. A group of the kitchen's diners may be named
 * where the dish is theirs to eat.
 */
export function mustNotPromise(
  { kind, group, texture }: LabelOptions,
  { diners, policy }: Kitchen,
  sheet: () => { worksheet: Worksheet; recipe: Recipe },
): void {
  if (kind !== 'tray') return;
  const diner = diners.find(({ name }) => name === group);
  if (diner) {
    const { worksheet, recipe } = sheet();
    const { verdict, words } = menuAnswer(menuRow(worksheet, recipe), diner.exclude, diner.policy ?? policy);
    if (verdict !== 'yes' && verdict !== 'policy')
      throw new ApiError('tray-not-free', [{ message: `${diner.name}: ${words}` }]);
  }
  for (const text of [diner ? null : group, texture]) {
    const claim = text === null ? null : claimInText(text);
    if (claim !== null)
      throw new ApiError('claim-typed', [{ message: `"${claim}" is a claim, and nobody has confirmed it.` }]);
  }
}
