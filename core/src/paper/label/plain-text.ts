/** A label as plain text, in the order it is read: for screen readers and for pasting. */
import { hasPanel, isOnPack, LABEL_WORDS } from '../../declaration';
import { printable } from '../print';
import {
  businessLines,
  factRows,
  keepText,
  type LabelContent,
  netText,
  portionsText,
  portionText,
  servingSizeText,
  servingsOf,
} from './content';
import { figureInWords } from './panels';

function tableWords(content: LabelContent): string[] {
  const { language, figures } = content;
  const words = LABEL_WORDS[language];
  if (content.regime === 'us') {
    const { text, isOne } = servingsOf(content);
    return [
      words.panel.title.join(' '),
      words.panel.servings(text, isOne),
      `${words.panel.servingSize} ${servingSizeText(content)}`,
      ...figures.map((figure) => figureInWords(figure, language)),
      ...(figures.some(({ wholeText }) => wholeText !== '')
        ? [
            words.panel.perContainer,
            ...figures.map((figure) =>
              figureInWords(
                { ...figure, text: figure.wholeText, dailyValueText: figure.wholeDailyText },
                language,
              ),
            ),
          ]
        : []),
    ];
  }
  return [
    `${words.nutrition}: ${words.per100g}; ${words.perPortion(portionText(content))}`,
    ...figures.map(
      ({ name, per100gText, text, dailyValueText }) =>
        `${name}: ${per100gText}; ${text}${dailyValueText === '' ? '' : `; ${dailyValueText}`}`,
    ),
  ];
}

export function labelText(content: LabelContent): string {
  const { kind, language } = content;
  const words = LABEL_WORDS[language];
  const lines: string[] = [];
  if (content.isDraft) lines.push(words.openPoints(content.openPoints));
  if (kind === 'tray' && content.facts.group) lines.push(`${words.forWhom} ${content.facts.group}`);
  lines.push(content.title);
  if (isOnPack(kind)) lines.push(netText(content));
  if (kind === 'serving') lines.push(words.portion(portionText(content)));
  if (hasPanel(kind)) lines.push(...tableWords(content));
  if (hasPanel(kind) || kind === 'prepacked') {
    lines.push(`${words.ingredients}: ${content.ingredients.map(({ text }) => text).join('')}.`);
    lines.push(content.contains, content.mayContain, content.isDraft ? content.unconfirmed : '');
  } else {
    const { contains, mayContain } = content.named;
    if (contains.length > 0) lines.push(`${words.contains}: ${contains.join(', ')}`);
    else if (content.unconfirmed === '') lines.push(words.noneDeclared);
    if (mayContain.length > 0) lines.push(`${words.mayContain}: ${mayContain.join(', ')}`);
    lines.push(content.unconfirmed);
  }
  const [energy] = content.figures;
  if (kind === 'counter' && energy)
    lines.push(`${words.portion(portionText(content))}: ${energy.name} ${energy.text}`);
  if (kind === 'retail' && content.regime === 'eu') lines.push(portionsText(content));
  lines.push(...content.claims, ...content.watch.map(({ name, text }) => `${name}: ${text}`));
  // A card on the counter stands for every batch.
  if (kind !== 'counter') lines.push(...factRows(content).map(({ name, text }) => `${name}: ${text}`));
  if (kind === 'counter') lines.push(words.ask);
  if (kind === 'tray' && content.facts.texture) lines.push(`${words.texture}: ${content.facts.texture}`);
  if (kind === 'tray') lines.push(words.askDietitian);
  if (hasPanel(kind) || isOnPack(kind)) lines.push(keepText(content), ...businessLines(content));
  const said = lines
    .map((line) => printable(line).trim())
    .filter((line) => line !== '')
    .join('\n');
  return content.beside ? `${said}\n\n${labelText(content.beside)}` : said;
}
