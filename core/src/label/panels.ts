/** The nutrition table as each law lays it out: US upright, tabular and in a line; EU as a table and in a line. */
import { roundToDecimals } from '../quantity';
import { widthOf, type Run, type Setter } from '../print';
import type { LabelContent, PanelFigure } from './content';
import { US_BARS, type PanelForm, type PanelTypeUs } from './type-rules';
import { LABEL_WORDS } from './words';

/** Said under the US panel (21 CFR 101.9(d)(9)). */
export const US_FOOTNOTE =
  '* The % Daily Value (DV) tells you how much a nutrient in a serving of food contributes to a daily diet. 2,000 calories a day is used for general nutrition advice.';
/** The footnote small packs may carry in its place (101.9(j)(13)(ii)(C)). */
export const US_SHORT_FOOTNOTE = '%DV = %Daily Value';
/** Figures below the second thick bar. */
const MINERALS = 4;

const run = (text: string, size: number, weight: Run['weight'] = 'regular'): Run => ({ text, size, weight });
const servingSize = ({ portionGrams }: LabelContent): string =>
  `1 portion (${roundToDecimals(portionGrams, 0)}g)`;

/** "Includes 3g Added Sugars": the one row that says its amount first (101.9(c)(6)(iii)). */
function nutrientRuns({ id, name, text, indent }: PanelFigure, size: number): Run[] {
  if (id === 'addedSugarsG') return [run(`Includes ${text} ${name}`, size)];
  return indent === 0 ? [run(`${name} `, size, 'bold'), run(text, size)] : [run(`${name} ${text}`, size)];
}

/** Added sugars say their amount before their name; a reader of the plain text hears the same. */
export const figureInWords = (figure: PanelFigure): string =>
  [
    figure.id === 'addedSugarsG' ? `Includes ${figure.text} ${figure.name}` : `${figure.name} ${figure.text}`,
    figure.dailyValueText,
  ]
    .filter((part) => part !== '')
    .join(' ');

const INDENT = 9;

function uprightUs(set: Setter, content: LabelContent, type: PanelTypeUs): void {
  const [calories, ...others] = content.figures;
  const nutrients = others.slice(0, -MINERALS);
  const minerals = others.slice(-MINERALS);
  // The heading fills the width, and is larger than all but the figure of the calories (101.9(d)(2)).
  const widest = set.width / widthOf('Nutrition Facts', 1, 'black');
  set.text('Nutrition Facts', Math.min(Math.max(widest, type.heading), 32), 'black');
  set.rule(US_BARS.hairline);
  set.text('1 serving per container', type.servings);
  set.row([run('Serving size', type.servings, 'bold')], run(servingSize(content), type.servings, 'bold'));
  set.rule(US_BARS.thick, 1, 2);
  set.text('Amount per serving', type.small, 'bold');
  set.row([run('Calories', type.caloriesName, 'black')], run(calories!.text, type.caloriesFigure, 'black'));
  set.rule(US_BARS.thin, 0, 1);
  set.text('% Daily Value*', type.small, 'bold', { align: 'right' });
  for (const figure of nutrients) {
    set.rule(US_BARS.hairline, 0.4, 0.4);
    set.row(
      nutrientRuns(figure, type.nutrient),
      run(figure.dailyValueText, type.nutrient, 'bold'),
      figure.indent * INDENT,
    );
  }
  set.rule(US_BARS.thick, 1, 1);
  minerals.forEach((figure, index) => {
    if (index > 0) set.rule(US_BARS.hairline, 0.4, 0.4);
    set.row([run(`${figure.name} ${figure.text}`, type.nutrient)], run(figure.dailyValueText, type.nutrient));
  });
  set.rule(US_BARS.thin, 1, 2);
  set.text(US_FOOTNOTE, type.small);
}

/** Side by side (101.9(d)(11)(iii)): what it is and the calories at the left, the nutrients in two columns. */
function tabularUs(set: Setter, content: LabelContent, type: PanelTypeUs): void {
  const [calories, ...others] = content.figures;
  const nutrients = others.slice(0, -MINERALS);
  const minerals = others.slice(-MINERALS);
  const top = set.y;
  const leftWidth = set.width * 0.3;
  const gap = 6;
  const columnWidth = (set.width - leftWidth - 2 * gap) / 2;
  const left = set.column(set.x, leftWidth, top);
  for (const word of ['Nutrition', 'Facts'])
    left.text(word, Math.min(leftWidth / widthOf('Nutrition', 1, 'black'), 18), 'black');
  left.text('1 serving per container', type.servings);
  left.text('Serving size', type.servings, 'bold');
  left.text(servingSize(content), type.servings, 'bold');
  left.row([run('Calories', type.caloriesName, 'black')], run(calories!.text, type.caloriesFigure, 'black'));
  left.text('per serving', type.small);
  const half = Math.ceil(nutrients.length / 2);
  const bottoms = [nutrients.slice(0, half), nutrients.slice(half)].map((part, index) => {
    const column = set.column(set.x + leftWidth + gap + index * (columnWidth + gap), columnWidth, top);
    column.row([run('Amount per serving', type.small, 'bold')], run('% DV*', type.small, 'bold'));
    column.rule(US_BARS.thin, 0, 0.5);
    part.forEach((figure, at) => {
      if (at > 0) column.rule(US_BARS.hairline, 0.3, 0.3);
      column.row(
        nutrientRuns(figure, type.nutrient),
        run(figure.dailyValueText, type.nutrient, 'bold'),
        figure.indent * 5,
      );
    });
    return column.y;
  });
  set.y = Math.max(left.y, ...bottoms);
  set.rule(US_BARS.thin, 1, 1);
  set.text(minerals.map(figureInWords).join(' • '), type.nutrient);
  set.text(US_SHORT_FOOTNOTE, type.small);
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

function linearUs(set: Setter, content: LabelContent, type: PanelTypeUs): void {
  const [calories, ...others] = content.figures;
  const size = type.small;
  const told = others.map((figure) => {
    const { id, name, text, dailyValueText } = figure;
    const daily = dailyValueText === '' ? '' : ` (${dailyValueText} DV)`;
    return id === 'addedSugarsG'
      ? `Incl. ${text} Added Sugars${daily}`
      : `${SHORT_NAMES[name] ?? name} ${text}${daily}`;
  });
  set.paragraph([
    run('Nutrition Facts ', type.heading, 'black'),
    run(`Servings: 1, Serv. size: ${servingSize(content)}, Amount per serving: `, size),
    run('Calories ', type.caloriesName, 'black'),
    run(calories!.text, type.caloriesFigure, 'black'),
    run(`, ${told.join(', ')}. ${US_SHORT_FOOTNOTE}.`, size),
  ]);
}

/** A narrow column may break a line, but never between a figure and its unit. */
const unbroken = (text: string): string => text.replace(/(\d) (?=kJ|kcal|g|mg)/g, '$1\u00a0');

function tableEu(set: Setter, content: LabelContent, size: number): void {
  const words = LABEL_WORDS[content.language];
  const width = set.width;
  // The intake column is as wide as what stands in it, so that no figure breaks; the rest is shared.
  const dailies = [words.referenceIntake, ...content.figures.map(({ dailyValueText }) => dailyValueText)];
  const daily = Math.max(...dailies.map((text) => widthOf(text, size, 'bold'))) + 4;
  const rest = width - daily;
  const widths = [rest * 0.4, rest * 0.3, rest * 0.3, daily] as const;
  const starts = [0, rest * 0.4, rest * 0.7, rest] as const;
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
  cells(
    [
      '',
      words.per100g,
      words.perPortion(String(roundToDecimals(content.portionGrams, 0))),
      words.referenceIntake,
    ],
    'bold',
  );
  for (const { name, per100gText, text, dailyValueText, indent } of content.figures) {
    set.rule(0.25, 0.3, 0.3);
    cells([name, per100gText, text, dailyValueText], indent === 0 ? 'bold' : 'regular', indent === 0 ? 0 : 6);
  }
  set.rule(1, 0.5, 1);
  set.text(words.referenceIntakeNote, size);
}

function linearEu(set: Setter, content: LabelContent, size: number): void {
  const words = LABEL_WORDS[content.language];
  const grams = String(roundToDecimals(content.portionGrams, 0));
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
