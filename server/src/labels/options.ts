/** What may be typed onto a label. */
import {
  claimInText,
  type Kitchen,
  type LabelOptions,
  menuAnswer,
  menuRow,
  type Recipe,
  type Worksheet,
} from '@hand-ladle/core';
import { ApiError } from '../http/errors';

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
