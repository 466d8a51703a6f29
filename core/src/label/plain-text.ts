/** A label as plain text, in the order it is read: for screen readers and for pasting. */
import { printable } from '../print';
import { roundToDecimals } from '../quantity';
import { factRows, type LabelContent } from './content';
import { figureInWords } from './panels';
import { LABEL_WORDS } from './words';

export function labelText(content: LabelContent): string {
  const words = LABEL_WORDS[content.language];
  const grams = String(roundToDecimals(content.portionGrams, 0));
  const lines: string[] = [];
  if (content.isDraft) lines.push(words.openPoints(content.openPoints));
  if (content.kind === 'tray' && content.facts.group) lines.push(`${words.forWhom} ${content.facts.group}`);
  lines.push(content.title);
  if (content.kind === 'serving') {
    lines.push(words.portion(grams));
    if (content.regime === 'us') lines.push('Nutrition Facts', ...content.figures.map(figureInWords));
    else {
      lines.push(`${words.nutrition}: ${words.per100g}; ${words.perPortion(grams)}`);
      for (const { name, per100gText, text, dailyValueText } of content.figures)
        lines.push(`${name}: ${per100gText}; ${text}${dailyValueText === '' ? '' : `; ${dailyValueText}`}`);
    }
  }
  if (content.kind === 'serving' || content.kind === 'prepacked') {
    lines.push(`${words.ingredients}: ${content.ingredients.map(({ text }) => text).join('')}.`);
    lines.push(content.contains, content.mayContain, content.isDraft ? content.unconfirmed : '');
  } else {
    const { contains, mayContain } = content.named;
    if (contains.length > 0) lines.push(`${words.contains}: ${contains.join(', ')}`);
    if (mayContain.length > 0) lines.push(`${words.mayContain}: ${mayContain.join(', ')}`);
    lines.push(content.unconfirmed);
  }
  lines.push(...content.claims, ...content.watch.map(({ name, text }) => `${name}: ${text}`));
  lines.push(...factRows(content).map(({ name, text }) => `${name}: ${text}`));
  return lines
    .map((line) => printable(line).trim())
    .filter((line) => line !== '')
    .join('\n');
}
