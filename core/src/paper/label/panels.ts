/** The nutrition table as each law lays it out: US upright, tabular and in a line; EU as a table and in a line. */
import { LABEL_WORDS, type Language } from '../../declaration';
import { type Run, type Setter, widthOf } from '../print';
import { type LabelContent, type PanelFigure, portionText, servingSizeText, servingsOf } from './content';
import { type PanelForm, type PanelTypeUs, US_BARS } from './type-rules';

/** Figures below the second thick bar. */
const MINERALS = 4;

const run = (text: string, size: number, weight: Run['weight'] = 'regular'): Run => ({ text, size, weight });

/** What the law says of a small pack and a line stands here once: sugar is told by amount, then name (101.9(c)(6)(iii)). */
function nutrientRuns({ id, name, text, indent }: PanelFigure, size: number, language: Language): Run[] {
  if (id === 'addedSugarsG') return [run(LABEL_WORDS[language].panel.includes(text), size)];
  return indent === 0 ? [run(`${name} `, size, 'bold'), run(text, size)] : [run(`${name} ${text}`, size)];
}

/** Added sugars say their amount before their name; a reader of the plain text hears the same. */
export const figureInWords = (figure: PanelFigure, language: Language): string =>
  [
    figure.id === 'addedSugarsG'
      ? LABEL_WORDS[language].panel.includes(figure.text)
      : `${figure.name} ${figure.text}`,
    figure.dailyValueText,
  ]
    .filter((part) => part !== '')
    .join(' ');

const INDENT = 9;
const hasWhole = ({ figures }: LabelContent): boolean => figures.some(({ wholeText }) => wholeText !== '');
const partsOf = ({ figures }: LabelContent) => {
  const [calories, ...others] = figures;
  return { calories: calories!, nutrients: others.slice(0, -MINERALS), minerals: others.slice(-MINERALS) };
};

/** Serving and container side by side (101.9(e)(6)(i)): each with its amount and its %DV. */
function twoColumns(set: Setter, content: LabelContent, type: PanelTypeUs): void {
  const { calories, nutrients, minerals } = partsOf(content);
  const { panel } = LABEL_WORDS[content.language];
  const columns = [0.4, 0.68, 1] as const;
  const name = set.width * columns[0];
  const cells: readonly [number, number][] = [
    [name, set.width * (columns[1] - columns[0])],
    [set.width * columns[1], set.width * (columns[2] - columns[1])],
  ];
  const row = (first: Run[], texts: readonly Run[], indent = 0): void => {
    const top = set.y;
    const left = set.column(set.x, name - 2, top);
    left.paragraph(first, { indent });
    const ends = cells.map(([from, width], index) => {
      const column = set.column(set.x + from + 2, width - 2, top);
      column.paragraph([texts[index]!], { align: 'right' });
      return column.y;
    });
    set.y = Math.max(left.y, ...ends);
  };
  const both = ({ text, dailyValueText, wholeText, wholeDailyText }: PanelFigure, size: number): Run[] => [
    run(`${text}${dailyValueText === '' ? '' : `  ${dailyValueText}`}`, size),
    run(`${wholeText}${wholeDailyText === '' ? '' : `  ${wholeDailyText}`}`, size),
  ];
  row(
    [run('', type.small)],
    [run(panel.perServing, type.small, 'bold'), run(panel.perContainer, type.small, 'bold')],
  );
  row(
    [run(calories.name, type.caloriesName, 'black')],
    [run(calories.text, type.caloriesFigure, 'black'), run(calories.wholeText, type.caloriesFigure, 'black')],
  );
  set.rule(US_BARS.thin, 0, 1);
  row(
    [run('', type.small)],
    [run(panel.dailyShort, type.small, 'bold'), run(panel.dailyShort, type.small, 'bold')],
  );
  for (const figure of nutrients) {
    set.rule(US_BARS.hairline, 0.4, 0.4);
    row(
      [run(figure.name, type.nutrient, figure.indent === 0 ? 'bold' : 'regular')],
      both(figure, type.nutrient),
      figure.indent * INDENT,
    );
  }
  set.rule(US_BARS.thick, 1, 1);
  minerals.forEach((figure, index) => {
    if (index > 0) set.rule(US_BARS.hairline, 0.4, 0.4);
    row([run(figure.name, type.nutrient)], both(figure, type.nutrient));
  });
}

function oneColumn(set: Setter, content: LabelContent, type: PanelTypeUs): void {
  const { calories, nutrients, minerals } = partsOf(content);
  const { panel } = LABEL_WORDS[content.language];
  set.text(panel.amount, type.small, 'bold');
  set.row([run(calories.name, type.caloriesName, 'black')], run(calories.text, type.caloriesFigure, 'black'));
  set.rule(US_BARS.thin, 0, 1);
  set.text(panel.dailyValue, type.small, 'bold', { align: 'right' });
  for (const figure of nutrients) {
    set.rule(US_BARS.hairline, 0.4, 0.4);
    set.row(
      nutrientRuns(figure, type.nutrient, content.language),
      run(figure.dailyValueText, type.nutrient, 'bold'),
      figure.indent * INDENT,
    );
  }
  set.rule(US_BARS.thick, 1, 1);
  minerals.forEach((figure, index) => {
    if (index > 0) set.rule(US_BARS.hairline, 0.4, 0.4);
    set.row([run(`${figure.name} ${figure.text}`, type.nutrient)], run(figure.dailyValueText, type.nutrient));
  });
}

function uprightUs(set: Setter, content: LabelContent, type: PanelTypeUs): void {
  const { panel } = LABEL_WORDS[content.language];
  const title = panel.title.join(' ');
  // The heading fills the width, and is larger than all but the figure of the calories (101.9(d)(2)).
  set.text(title, Math.min(Math.max(set.width / widthOf(title, 1, 'black'), type.heading), 32), 'black');
  set.rule(US_BARS.hairline);
  const { text, isOne } = servingsOf(content);
  set.text(panel.servings(text, isOne), type.servings);
  set.row(
    [run(panel.servingSize, type.servings, 'bold')],
    run(unbroken(servingSizeText(content)), type.servings, 'bold'),
  );
  set.rule(US_BARS.thick, 1, 2);
  if (hasWhole(content)) twoColumns(set, content, type);
  else oneColumn(set, content, type);
  set.rule(US_BARS.thin, 1, 2);
  set.text(panel.footnote, type.small);
}

/** Side by side (101.9(d)(11)(iii)): what it is and the calories at the left, the nutrients in two columns. */
function tabularUs(set: Setter, content: LabelContent, type: PanelTypeUs): void {
  const { calories, nutrients, minerals } = partsOf(content);
  const { panel } = LABEL_WORDS[content.language];
  const top = set.y;
  const leftWidth = set.width * 0.3;
  const gap = 6;
  const columnWidth = (set.width - leftWidth - 2 * gap) / 2;
  const left = set.column(set.x, leftWidth, top);
  const widest = Math.max(...panel.title.map((word) => widthOf(word, 1, 'black')));
  for (const word of panel.title) left.text(word, Math.min(leftWidth / widest, 18), 'black');
  const { text, isOne } = servingsOf(content);
  left.text(panel.servings(text, isOne), type.servings);
  left.text(panel.servingSize, type.servings, 'bold');
  left.text(servingSizeText(content), type.servings, 'bold');
  left.row(
    [run(calories.name, type.caloriesName, 'black')],
    run(calories.text, type.caloriesFigure, 'black'),
  );
  left.text(panel.perServing, type.small);
  const half = Math.ceil(nutrients.length / 2);
  const bottoms = [nutrients.slice(0, half), nutrients.slice(half)].map((part, index) => {
    const column = set.column(set.x + leftWidth + gap + index * (columnWidth + gap), columnWidth, top);
    column.row([run(panel.amount, type.small, 'bold')], run(panel.dailyShort, type.small, 'bold'));
    column.rule(US_BARS.thin, 0, 0.5);
    part.forEach((figure, at) => {
      if (at > 0) column.rule(US_BARS.hairline, 0.3, 0.3);
      column.row(
        nutrientRuns(figure, type.nutrient, content.language),
        run(figure.dailyValueText, type.nutrient, 'bold'),
        figure.indent * 5,
      );
    });
    return column.y;
  });
  set.y = Math.max(left.y, ...bottoms);
  set.rule(US_BARS.thin, 1, 1);
  set.text(minerals.map((figure) => figureInWords(figure, content.language)).join(' • '), type.nutrient);
  set.text(panel.shortFootnote, type.small);
}

/** Short names a linear label may use (101.9(j)(13)(ii)(B)). */
const SHORT_NAMES: Readonly<Record<string, string>> = {
  'Saturated Fat': 'Sat. Fat',
  Cholesterol: 'Cholest.',
  'Total Carbohydrate': 'Total Carb.',
  'Dietary Fiber': 'Fiber',
  'Vitamin D': 'Vit. D',
  Potassium: 'Potas.',
};

/** In a line, with what the upright form has in bold in bold here too (101.9(j)(13)(ii)(A)(2)). */
function linearUs(set: Setter, content: LabelContent, type: PanelTypeUs): void {
  const { calories, nutrients, minerals } = partsOf(content);
  const { language } = content;
  const { panel } = LABEL_WORDS[language];
  const size = type.small;
  const told = [...nutrients, ...minerals].flatMap((figure, index): Run[] => {
    const { id, name, text, dailyValueText, indent } = figure;
    const daily = dailyValueText === '' ? '' : ` (${dailyValueText} DV)`;
    if (id === 'addedSugarsG') return [run(`, ${unbroken(panel.includes(text))}${daily}`, size)];
    const isBold = indent === 0 && index < nutrients.length;
    return [
      run(', ', size),
      run(`${SHORT_NAMES[name] ?? name} `, size, isBold ? 'bold' : 'regular'),
      run(`${text}${daily}`, size),
    ];
  });
  set.paragraph([
    run(`${panel.title.join(' ')} `, type.heading, 'black'),
    run(`${panel.linear(servingsOf(content).text, unbroken(servingSizeText(content)))} `, size),
    run(`${calories.name} `, type.caloriesName, 'black'),
    run(calories.text, type.caloriesFigure, 'black'),
    ...told,
    run(`. ${panel.shortFootnote}.`, size),
  ]);
}

/** A narrow column may break a line, but never between a figure and its unit. */
const unbroken = (text: string): string =>
  text.replace(/(\d) (?=kJ|kcal|g|mg)/g, '$1\u00a0').replace(/(\d) (?=\S+ \(\d+g\)$)/, '$1\u00a0');

/** Most of the table beside its intake column that one column of values may take. */
const VALUE_COLUMN = 0.34;

function tableEu(set: Setter, content: LabelContent, size: number): void {
  const words = LABEL_WORDS[content.language];
  const width = set.width;
  // Columns are as wide as what stands in them, so that no figure breaks, while a third is left for the names.
  const { figures } = content;
  const widest = (texts: readonly string[]): number =>
    Math.max(...texts.map((text) => widthOf(text, size, 'bold'))) + 4;
  const daily = widest([words.referenceIntake, ...figures.map(({ dailyValueText }) => dailyValueText)]);
  const rest = width - daily;
  const most = rest * VALUE_COLUMN;
  const per100 = Math.min(most, widest(figures.map(({ per100gText }) => per100gText)));
  const perPortion = Math.min(most, widest(figures.map(({ text }) => text)));
  const names = rest - per100 - perPortion;
  const widths = [names, per100, perPortion, daily] as const;
  const starts = [0, names, names + per100, rest] as const;
  const cells = (
    texts: readonly [string, string, string, string],
    weight: Run['weight'],
    indent = 0,
  ): void => {
    const top = set.y;
    const bottoms = texts.map((text, index) => {
      const gap = index === 0 ? 0 : 2;
      const column = set.column(set.x + starts[index]! + gap, widths[index]! - gap, top);
      column.text(unbroken(text), size, weight, index === 0 ? { indent } : { align: 'right' });
      return column.y;
    });
    set.y = Math.max(top + size, ...bottoms);
  };
  set.text(words.nutrition, size * 1.3, 'bold');
  set.rule(1, 1, 0.5);
  cells(['', words.per100g, words.perPortion(portionText(content)), words.referenceIntake], 'bold');
  for (const { name, per100gText, text, dailyValueText, indent } of content.figures) {
    set.rule(0.25, 0.3, 0.3);
    cells([name, per100gText, text, dailyValueText], indent === 0 ? 'bold' : 'regular', indent === 0 ? 0 : 6);
  }
  set.rule(1, 0.5, 1);
  set.text(words.referenceIntakeNote, size);
}

function linearEu(set: Setter, content: LabelContent, size: number): void {
  const words = LABEL_WORDS[content.language];
  const grams = portionText(content);
  const told = content.figures.map(
    ({ name, per100gText, text }) => `${name} ${unbroken(per100gText)} (${unbroken(text)})`,
  );
  set.paragraph([
    run(`${words.nutrition} `, size, 'bold'),
    run(`${words.per100g} (${words.perPortion(grams)}): ${told.join(', ')}.`, size),
  ]);
}

/** Least width an upright US panel needs so that its rows do not break, points. */
export const US_UPRIGHT_WIDTH = 130;

/** Sets the nutrition table of a label in a form; US tables stand in a hairline box. */
export function setPanel(
  set: Setter,
  content: LabelContent,
  form: PanelForm,
  text: number,
  type: PanelTypeUs,
): void {
  if (content.regime === 'eu') {
    if (form === 'linear') linearEu(set, content, text);
    else tableEu(set, content, text);
    return;
  }
  if (form === 'linear') {
    linearUs(set, content, type);
    return;
  }
  const top = set.y;
  const pad = 3;
  const inner = set.column(set.x + pad, set.width - 2 * pad, top + pad);
  if (form === 'vertical') uprightUs(inner, content, type);
  else tabularUs(inner, content, type);
  inner.y += pad;
  inner.frame(top, 0.5, pad);
  set.y = inner.y;
}
