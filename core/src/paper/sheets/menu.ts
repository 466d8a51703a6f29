/** The menu against the allergens: one row a dish, and the answer to "can she have this?" in words. */
import type { PortionEnergy } from '../../declaration';
import { type AllergenStatus, inSentence, STATUS_WORDS, worse } from '../../food';
import { type FreeFromPolicy, passes } from '../../kitchen';
import type { Recipe } from '../../recipe';
import type { Worksheet } from '../../worksheet';

export interface MenuCell {
  allergenId: string;
  name: string;
  status: AllergenStatus;
  /** The kinds found at that status: "almond, hazelnut". */
  kinds: readonly string[];
  /** Where it comes from: "green dressing > almond"; of a check, the packs nobody has read. */
  paths: readonly string[];
  /** What this kitchen counts in and what not. */
  scope: string;
  isDeclared: boolean;
  /** A pack nobody has read stands behind what is known. */
  isAlsoUnchecked: boolean;
}

export interface MenuRow {
  recipeId: string;
  name: string;
  /** The dish this one is a variant of. */
  parentId: string | null;
  /** Energy of a portion. */
  energy: PortionEnergy;
  cells: MenuCell[];
}

/** A dish's row, from its worksheet like every other figure. */
export function menuRow(sheet: Worksheet, recipe: Recipe): MenuRow {
  return {
    recipeId: recipe.id,
    name: recipe.name,
    parentId: recipe.parentId,
    energy: {
      kcal: sheet.nutrition.perPortion.energyKcal,
      isIncomplete: sheet.nutrition.missing.some(({ id }) => id === 'energyKcal'),
      portionGrams: sheet.portionGrams,
    },
    // The standards are asked like allergens: who must not have animal food, or only whole food.
    cells: [...sheet.allergens, ...sheet.standards].map(
      ({ id, name, scope, status, kinds, paths, isDeclared, isAlsoUnchecked }): MenuCell => ({
        allergenId: id,
        name,
        status,
        kinds,
        paths,
        scope,
        isDeclared,
        isAlsoUnchecked,
      }),
    ),
  };
}

/**
 * Whether a dish can be served to somebody who must not have some things. `yes`: every line was checked. `policy`: only
 * because this kitchen lets a status pass. `no`: it is in it. `may`: a pack says it may be. `unknown`: nobody has checked.
 */
export type Verdict = 'yes' | 'policy' | 'unknown' | 'may' | 'no';

export interface MenuAnswer {
  recipeId: string;
  name: string;
  parentId: string | null;
  verdict: Verdict;
  /** The answer as a cook gives it out loud. */
  words: string;
}

const MOST_PATHS = 3;

const pathText = (path: string): string => path.split(' > ').map(inSentence).join(' > ');

function pathsText(paths: readonly string[]): string {
  const shown = [...new Set(paths)].slice(0, MOST_PATHS).map(pathText).join('; ');
  const more = new Set(paths).size - MOST_PATHS;
  return more > 0 ? `${shown}; ${more} more` : shown;
}

/** "contains gluten (barley): pearl barley". */
function cellText({ name, status, kinds, paths }: MenuCell): string {
  const told = kinds.join(', ').toLowerCase();
  // Many kinds say no more than the name, and neither does one that is called the same.
  const kind = kinds.length > 0 && kinds.length <= 4 && told !== name.toLowerCase() ? ` (${told})` : '';
  return `${STATUS_WORDS[status]} ${name.toLowerCase()}${kind}${paths.length > 0 ? `: ${pathsText(paths)}` : ''}`;
}

/** What is not clear, worst first; what nobody has checked is said once, with the packs to read. */
function foundText(cells: readonly MenuCell[]): string {
  const unread = cells.filter(({ status }) => status === 'check');
  const paths = unread.flatMap((cell) => cell.paths);
  const where = paths.length > 0 ? `: ${pathsText(paths)}` : '';
  return [
    ...cells.filter(({ status }) => status === 'contains').map(cellText),
    ...cells.filter(({ status }) => status === 'may-contain').map(cellText),
    ...(unread.length > 0
      ? [`nobody has checked ${list(unread.map(({ name }) => name.toLowerCase()))}${where}`]
      : []),
  ]
    .map((part, index) => (index === 0 ? part : part.charAt(0).toUpperCase() + part.slice(1)))
    .join('. ');
}

const list = (names: readonly string[]): string =>
  names.length < 2 ? (names[0] ?? '') : `${names.slice(0, -1).join(', ')} and ${names[names.length - 1]}`;

const VERDICT_OF: Readonly<Record<AllergenStatus, Verdict>> = {
  contains: 'no',
  'may-contain': 'may',
  check: 'unknown',
  clear: 'yes',
};

const OPENINGS: Readonly<Record<Verdict, string>> = {
  yes: 'Yes',
  policy: "Only by this kitchen's policy",
  unknown: 'Not yet',
  may: 'No',
  no: 'No',
};

/** The answer for one dish. An allergen the dish says nothing of is unknown, never clear. */
export function menuAnswer(row: MenuRow, exclude: readonly string[], policy: FreeFromPolicy): MenuAnswer {
  const cells = exclude.map(
    (id): MenuCell =>
      row.cells.find(({ allergenId }) => allergenId === id) ?? {
        allergenId: id,
        name: id,
        status: 'check',
        kinds: [],
        paths: [],
        scope: '',
        isDeclared: false,
        isAlsoUnchecked: true,
      },
  );
  const worst = cells.reduce<AllergenStatus>((status, cell) => worse(status, cell.status), 'clear');
  const isPassed = cells.every(
    ({ status, isAlsoUnchecked }) => passes(status, policy) && (!isAlsoUnchecked || passes('check', policy)),
  );
  const verdict = worst !== 'clear' && isPassed ? 'policy' : VERDICT_OF[worst];
  const words =
    verdict === 'yes'
      ? `${list(cells.map(({ name, scope }) => `no ${name.toLowerCase()}${scope ? ` (${scope})` : ''}`))} by any line: each was checked`
      : foundText(cells);
  return {
    recipeId: row.recipeId,
    name: row.name,
    parentId: row.parentId,
    verdict,
    words: `${OPENINGS[verdict]}: ${words}.`,
  };
}

/** Everything on the menu for somebody who must not have some things. */
export const menuAnswers = (
  rows: readonly MenuRow[],
  exclude: readonly string[],
  policy: FreeFromPolicy,
): MenuAnswer[] => rows.map((row) => menuAnswer(row, exclude, policy));
