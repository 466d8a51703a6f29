/** Heads out of a table that somebody typed, pasted or exported: a row a group, or a row a bed or seat with its code. */
import type { DinerGroup, Kitchen } from '../kitchen';
import { typedFigure } from '../quantity';
import { MOST_HEADS, type ServiceHeads } from './eaten';

export interface RefusedRow {
  /** Counted from 1, the heading too. */
  row: number;
  text: string;
  reason: string;
}

export interface HeadsTable {
  heads: ServiceHeads[];
  taken: number;
  refused: RefusedRow[];
}

type Field = 'group' | 'heads' | 'site' | 'portion' | 'code';
/** What a heading may be called. */
const HEADINGS: Readonly<Record<Field, RegExp>> = {
  group: /^(?:group|diet|diners?|needs?)$/,
  heads: /^(?:heads?|count|number|portions|covers|how many)$/,
  site: /^(?:site|ward|class|place|where)$/,
  portion: /^(?:portion|grams?|g|portion_?g(?:rams)?|size)$/,
  code: /^(?:codes?|bed|seat|tray)$/,
};
const FIELDS = Object.keys(HEADINGS) as Field[];
/** The columns of a table without a heading. */
const PLAIN: readonly (Field | null)[] = ['group', 'heads', 'site', 'portion', 'code'];

const plain = (text: string): string => text.trim().toLowerCase().replace(/\s+/g, ' ');

/** Which column is what; null where the first row is no heading. */
function columnsOf(first: readonly string[]): (Field | null)[] | null {
  const named = first.map((cell) => FIELDS.find((field) => HEADINGS[field].test(plain(cell))) ?? null);
  return named.includes('group') ? named : null;
}

const groupNamed = (written: string, { diners }: Kitchen): DinerGroup | undefined =>
  diners.find(({ id, name }) => plain(name) === plain(written) || id === plain(written));

/** What is wrong with a number of heads; null where nothing is. */
function countProblem(written: string, count: number | null): string | null {
  if (count === null || !Number.isInteger(count) || count < 0)
    return `"${written}" is no whole number of heads`;
  return count > MOST_HEADS ? `${written} is more than ${MOST_HEADS} heads` : null;
}

interface Cells {
  group: string;
  heads: string;
  site: string;
  portion: string;
  code: string;
}

/** Rows of cells as heads; rows of one group, place and size are put together. What cannot be taken is told by its row. */
export function headsFromRows(rows: readonly (readonly string[])[], kitchen: Kitchen): HeadsTable {
  const named = columnsOf(rows[0] ?? []);
  const columns = named ?? PLAIN;
  const gathered = new Map<string, ServiceHeads>();
  const codes = new Set<string>();
  const refused: RefusedRow[] = [];
  let taken = 0;
  rows.forEach((row, index) => {
    if ((named && index === 0) || row.every((cell) => cell.trim() === '')) return;
    const cells: Cells = { group: '', heads: '', site: '', portion: '', code: '' };
    columns.forEach((field, at) => field && (cells[field] = (row[at] ?? '').trim()));
    const refuse = (reason: string): void => {
      refused.push({ row: index + 1, text: row.join(', ').slice(0, 120), reason });
    };
    const group = groupNamed(cells.group, kitchen);
    if (!group) return refuse(`this kitchen has no group "${cells.group.slice(0, 60)}"`);
    // A row with a code and no number is one head.
    const own = cells.code === '' ? [] : cells.code.split(/[\s/|]+/).filter(Boolean);
    const count = cells.heads === '' && own.length > 0 ? own.length : typedFigure(cells.heads);
    const problem = countProblem(cells.heads, count);
    if (problem) return refuse(problem);
    if (own.length > 0 && own.length !== count) return refuse(`${own.length} codes for ${count} heads`);
    const portion = cells.portion === '' ? null : typedFigure(cells.portion);
    if (cells.portion !== '' && (portion === null || portion <= 0 || portion > 5000))
      return refuse(`"${cells.portion}" is no portion in grams`);
    const site = cells.site.slice(0, 60);
    const twice = own.find((code, at) => codes.has(`${site} ${code}`) || own.indexOf(code) !== at);
    if (twice !== undefined) return refuse(`the code "${twice}" stands there twice`);
    const key = JSON.stringify([group.id, site]);
    const known = gathered.get(key);
    if ((known?.heads ?? 0) + count! > MOST_HEADS)
      return refuse(`more than ${MOST_HEADS} heads of ${group.name} with the rows above`);
    if (known && known.portionGrams !== portion)
      return refuse(`${group.name} has another portion size above; one size for a group and place`);
    for (const code of own) codes.add(`${site} ${code}`);
    gathered.set(key, {
      groupId: group.id,
      heads: (known?.heads ?? 0) + count!,
      portionGrams: portion,
      site,
      codes: [...(known?.codes ?? []), ...own],
    });
    taken += 1;
  });
  // Codes are for all of a row's heads or for none: a group counted and listed is only counted.
  const heads = [...gathered.values()].map((each) =>
    each.codes.length === each.heads ? each : { ...each, codes: [] },
  );
  return { heads, taken, refused };
}
