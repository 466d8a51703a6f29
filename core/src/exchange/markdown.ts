/** A recipe as Markdown that people read, with what our own import needs in comments that no reader shows. */
import { applyKept, keptOf, plainTold, type ToldRecipe } from './told';

const KEPT = /^<!-- hand-ladle (\{.*\}) -->$/;

/** A text that would read as a mark, or as several lines, is kept by a backslash. */
const escaped = (text: string): string =>
  text.replace(/\\/g, '\\\\').replace(/\r/g, '\\r').replace(/\n/g, '\\n');
const unescaped = (text: string): string =>
  text.replace(/\\([\\rn])/g, (_, sign: string) => (sign === 'n' ? '\n' : sign === 'r' ? '\r' : '\\'));

/** The recipe as Markdown: title, portions, ingredients under their headings, numbered method. */
export function recipeToMarkdown(told: ToldRecipe): string {
  const lines: string[] = [`# ${escaped(told.name)}`, ''];
  if (told.portions !== null)
    lines.push(
      `Serves ${told.portions}${told.portionGrams === null ? '' : `, portions of ${told.portionGrams} g`}`,
      '',
    );
  lines.push('## Ingredients', '');
  let part = '';
  for (const line of told.lines) {
    if (line.part !== part) lines.push('', `### ${escaped(line.part || 'For the rest')}`, '');
    part = line.part;
    lines.push(`- ${escaped(line.text)}`);
  }
  lines.push('', '## Method', '');
  told.steps.forEach(({ text }, index) => lines.push(`${index + 1}. ${escaped(text)}`));
  if (told.notes.length > 0)
    lines.push('', '## Notes', '', ...told.notes.map((note) => `> ${escaped(note)}`));
  // In a comment "--" would end it, so dashes are written as JSON escapes.
  lines.push('', `<!-- hand-ladle ${JSON.stringify(keptOf(told)).replace(/-/g, '\\u002d')} -->`, '');
  return lines.join('\n');
}

/** One recipe of our own Markdown; null when the text is not ours, and is then read like any text. */
export function recipeFromMarkdown(text: string): ToldRecipe | null {
  const rows = text.split('\n').map((row) => row.replace(/\r$/, ''));
  const kept = rows.map((row) => KEPT.exec(row)).find((found) => found !== null);
  if (!kept) return null;
  let value: unknown;
  try {
    value = JSON.parse(kept[1]!);
  } catch {
    return null;
  }
  const name = rows.find((row) => row.startsWith('# '))?.slice(2) ?? '';
  const lines = rows.filter((row) => row.startsWith('- ')).map((row) => unescaped(row.slice(2)));
  const steps = rows.flatMap((row) => {
    const found = /^\d+\. (.*)$/.exec(row);
    return found ? [unescaped(found[1]!)] : [];
  });
  return applyKept(plainTold(unescaped(name), lines, steps), value);
}
