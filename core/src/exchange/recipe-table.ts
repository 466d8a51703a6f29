/** Recipes as the rows of one table: a row for each recipe, each line, each step. */
import { safeCell, safeCellText } from './cells';
import { answersFrom, applyKept, plainTold, type ToldRecipe } from './told';

export const RECIPE_COLUMNS = [
  'recipe_id',
  'recipe',
  'kind',
  'part',
  'text',
  'id',
  'food_id',
  'grams',
  'grams_origin',
  'cooked_apart',
  'technique',
  'bath',
  'portions',
  'portion_g',
  'finished_g',
  'component',
  'more',
] as const;
export type RecipeRow = Partial<Record<(typeof RECIPE_COLUMNS)[number], string>>;

const cell = (value: number | null | undefined): string =>
  value === null || value === undefined ? '' : String(value);

/** The rows of one recipe. */
export function rowsFromRecipe(told: ToldRecipe): RecipeRow[] {
  const own = { recipe_id: told.id, recipe: safeCell(told.name) };
  const { parentId, swaps, freeFrom, apart, target, notes, notIn, confirmed, packed } = told;
  return [
    {
      ...own,
      kind: 'recipe',
      portions: cell(told.portions),
      portion_g: cell(told.portionGrams),
      finished_g: cell(told.measuredYieldGrams),
      component: told.isComponent ? 'yes' : 'no',
      more: JSON.stringify({ parentId, swaps, freeFrom, apart, target, notes, notIn, confirmed, packed }),
    },
    ...told.lines.map(({ id, text, part, answers }) => ({
      ...own,
      kind: 'line',
      part: safeCell(part),
      text: safeCell(text),
      id,
      food_id: answers.foodId ?? '',
      grams: cell(answers.grams),
      grams_origin: answers.gramsOrigin ?? '',
      cooked_apart: answers.isCookedApart ? 'yes' : '',
      technique: answers.technique ?? '',
      bath: answers.bath ?? '',
    })),
    ...told.steps.map(({ id, text }) => ({ ...own, kind: 'step', text: safeCell(text), id })),
  ];
}

const figure = (text: string | undefined): number | null => {
  const value = Number(text);
  return text !== undefined && text.trim() !== '' && value > 0 ? value : null;
};

function parsed(text: string | undefined): Record<string, unknown> {
  try {
    const value: unknown = JSON.parse(text ?? '{}');
    return typeof value === 'object' && value !== null ? (value as Record<string, unknown>) : {};
  } catch {
    return {};
  }
}

function fromRows(rows: readonly RecipeRow[]): ToldRecipe {
  const head = rows.find(({ kind }) => kind === 'recipe');
  const lineRows = rows.filter(({ kind }) => kind === 'line' || kind === undefined || kind === '');
  const stepRows = rows.filter(({ kind }) => kind === 'step');
  const text = (row: RecipeRow): string => safeCellText(row.text ?? '');
  const told = plainTold(safeCellText(rows[0]?.recipe ?? ''), lineRows.map(text), stepRows.map(text));
  return applyKept(told, {
    id: rows[0]?.recipe_id ?? '',
    portions: figure(head?.portions ?? rows[0]?.portions),
    portionGrams: figure(head?.portion_g),
    measuredYieldGrams: figure(head?.finished_g),
    isComponent: head?.component === 'yes',
    lines: lineRows.map((row, index) => ({
      id: row.id ?? `l${index + 1}`,
      part: safeCellText(row.part ?? ''),
      answers: answersFrom({
        foodId: row.food_id,
        grams: figure(row.grams) ?? undefined,
        gramsOrigin: row.grams_origin,
        isCookedApart: row.cooked_apart === 'yes',
        technique: row.technique,
        bath: row.bath,
      }),
    })),
    steps: stepRows.map((row, index) => row.id ?? `s${index + 1}`),
    ...parsed(head?.more),
  });
}

const HEADERS: Readonly<Record<'name' | 'ingredients' | 'steps' | 'portions', RegExp>> = {
  name: /^(?:name|title|recipe|dish)$/i,
  ingredients: /^(?:ingredients?|recipe ?ingredients?)$/i,
  steps: /^(?:steps?|method|instructions?|directions?|recipe ?instructions?)$/i,
  portions: /^(?:portions?|servings?|serves|yield|recipe ?yield)$/i,
};

/** Others' tables: a recipe a row, its lines and steps in one cell each, parted by line breaks, bars or semicolons. */
function fromWideRows(rows: readonly Readonly<Record<string, string>>[]): ToldRecipe[] {
  const headers = Object.keys(rows[0] ?? {});
  const column = (what: keyof typeof HEADERS): string | undefined =>
    headers.find((each) => HEADERS[what].test(each.trim()));
  const [name, ingredients, steps, portions] = [
    column('name'),
    column('ingredients'),
    column('steps'),
    column('portions'),
  ];
  if (ingredients === undefined) return [];
  const parts = (text: string | undefined): string[] =>
    (text ?? '')
      .split(/\r?\n|\s*\|\s*|;\s+/)
      .map((part) => safeCellText(part.trim()))
      .filter(Boolean);
  return rows
    .filter((row) => (row[ingredients] ?? '').trim() !== '')
    .map((row) => ({
      ...plainTold((name && row[name]) || '', parts(row[ingredients]), parts(steps && row[steps])),
      portions: figure(/\d+/.exec((portions && row[portions]) || '')?.[0]),
    }));
}

/** The recipes of a table's rows, ours or others'; empty when it holds none. */
export function recipesFromRows(rows: readonly Readonly<Record<string, string>>[]): ToldRecipe[] {
  if (rows.length === 0) return [];
  if (!('kind' in rows[0]!) && !('text' in rows[0]!)) return fromWideRows(rows);
  const groups = new Map<string, RecipeRow[]>();
  for (const row of rows) {
    const key = row['recipe_id'] || row['recipe'] || '';
    const group = groups.get(key);
    if (group) group.push(row as RecipeRow);
    else groups.set(key, [row as RecipeRow]);
  }
  return [...groups.values()].map(fromRows).filter(({ lines }) => lines.length > 0);
}
