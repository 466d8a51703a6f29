/**
 * The allergen table of a specification sheet: a column an allergen, a mark a product. What a column speaks of is read
 * by the words of the statement reader, so that both have one source; what a mark means a person can correct.
 */
import { EU_TREE_NUTS, plainText, type Substance, SUBSTANCE_NAMES, SUBSTANCES, US_TREE_NUTS } from '../food';
import type { Pack, PackAnswer } from '../kitchen';
import { readStatement, type StatementMention } from './statement';

/** A column of a sheet: `trace` speaks of what may be in it only. */
export interface SheetColumn {
  id: string;
  name: string;
  substances: readonly Substance[];
  isTrace: boolean;
}

const GRAINS: readonly Substance[] = ['wheat', 'rye', 'barley', 'oats'];
const GROUPS: readonly { id: string; name: string; substances: readonly Substance[] }[] = [
  { id: 'gluten', name: 'cereals with gluten', substances: GRAINS },
  { id: 'nuts', name: 'tree nuts', substances: US_TREE_NUTS },
  ...SUBSTANCES.map((each) => ({ id: each, name: SUBSTANCE_NAMES[each], substances: [each] })),
];

/** Every column a sheet can have: each group and substance, once as what is in it and once as what may be. */
export const SHEET_COLUMNS: readonly SheetColumn[] = GROUPS.flatMap(({ id, name, substances }) => [
  { id: `sheet_${id}`, name: `Allergen: ${name}`, substances, isTrace: false },
  { id: `trace_${id}`, name: `Traces of: ${name}`, substances, isTrace: true },
]);
const BY_ID = new Map(SHEET_COLUMNS.map((column) => [column.id, column]));

/** A heading is one word, which is read behind the first of these that makes sense of it: English, German, French, Spanish, Italian. */
const LEADS = ['Contains:', 'Enthält:', 'Contient :', 'Contiene:', 'Contiene traccia, ingredienti:'];
const HAS_FREE = /\b(?:free|frei|sans|sin|senza|suitable)\b/i;
const IS_TRACE = /\b(?:may|traces?|cross|precautionary|spuren|trazas|tracce|peut|puede|può)\b/i;

/** The column a heading is, or null: "Soybeans", "May contain nuts", "SO2 > 10 mg/kg". A promise of freedom is none. */
export function sheetColumnOf(heading: string): SheetColumn | null {
  if (heading.trim() === '' || heading.length > 80 || HAS_FREE.test(heading)) return null;
  const isTrace = IS_TRACE.test(heading);
  const plain = heading.replace(/\([^)]*\)|_/g, ' ');
  const substances =
    LEADS.map((lead) =>
      readStatement(`${lead} ${plain}`)
        .mentions.filter(({ status }) => status !== 'check')
        .map(({ substance }) => substance),
    ).find((each) => each.length > 0) ?? [];
  const group = /gl[uú]ten/i.test(heading)
    ? 'gluten'
    : substances.length >= EU_TREE_NUTS.length
      ? 'nuts'
      : substances.length === 1
        ? substances[0]
        : null;
  return group ? (BY_ID.get(`${isTrace ? 'trace' : 'sheet'}_${group}`) ?? null) : null;
}

const words = (text: string): ReadonlySet<string> => new Set(text.split('|'));
const CONTAINS = words(
  'y|yes|x|c|contains|contain|present|in|1|+|++|✓|✔|☑|●|•|true|ja|j|oui|o|si|sì|s|enthält|enthalten|contient|contiene|presente|yes contains',
);
const MAY = words(
  'm|mc|may|may contain|may contains|t|tr|trace|traces|possible|possibly|cross contamination|cross contact|risk|+/-|±|(x)|(✓)|(+)|~|spuren|kann|kann enthalten|kann spuren enthalten|peut contenir|puede contener|può contenere|trazas|tracce|eventuell|möglich',
);
const NONE = words(
  'n|no|none|0|-|–|—|−|absent|free|false|✗|✘|✕|☐|○|not present|not in|does not contain|not contained|contains none|nein|nicht enthalten|frei|non|absente|ausente|assente|n contains',
);

const WARNS = /\b(?:may|traces?|possibl[ey]|cross|risk|shared|spuren|trazas|tracce)\b/;
/** A denial of the thing itself; any other word after "no" or "not" is none. */
const DENIES =
  /^(?:not present|not contained|not an ingredient|does not contain|doesnt contain|free (?:from|of)|absent)(?: |$)/;

/** What a mark of a sheet usually means; null where nobody can know, which then stays open. */
export function readMark(cell: string): PackAnswer | null {
  const mark = cell.trim().toLowerCase().replace(/\s+/g, ' ').replace(/[.!]$/, '');
  if (mark === '') return 'check';
  if (MAY.has(mark)) return 'may-contain';
  if (CONTAINS.has(mark)) return 'contains';
  if (NONE.has(mark)) return 'none';
  const plain = plainText(mark).trim();
  // "No, may contain traces" warns; "not known" and "no data" say nothing.
  if (WARNS.test(plain)) return 'may-contain';
  if (DENIES.test(plain)) return 'none';
  return /^(?:yes|contains|present)\b/.test(plain) ? 'contains' : null;
}

/** Two marks of one table that cannot both be what they look like: a cross beside a tick may mean no. */
export const isDoubtfulMark = (mark: string, all: readonly string[]): boolean =>
  /^x$/i.test(mark.trim()) && all.some((each) => /^[✓✔☑y]$|^yes$/i.test(each.trim()));

const WORST: readonly PackAnswer[] = ['contains', 'may-contain', 'check', 'none'];
const worst = (answers: readonly PackAnswer[]): PackAnswer =>
  WORST.find((each) => answers.includes(each)) ?? 'check';

/**
 * What a sheet's row says, substance by substance. A column of one substance overrules that of its group; a yes to a group of
 * which the statement or the food names a kind says no more of the others than they do.
 * @param named what the statement or the food itself names
 */
export function sheetAnswers(
  row: readonly { columnId: string; answer: PackAnswer }[],
  named: ReadonlySet<Substance> = new Set(),
): Partial<Record<Substance, PackAnswer>> {
  const said: Partial<Record<Substance, PackAnswer>> = {};
  const columns = row.flatMap(({ columnId, answer }) => {
    const column = BY_ID.get(columnId);
    // In a column of traces a yes means that there may be some.
    const means = column?.isTrace && answer === 'contains' ? 'may-contain' : answer;
    return column ? [{ column, answer: means }] : [];
  });
  for (const substance of SUBSTANCES) {
    const about = columns.filter(({ column }) => column.substances.includes(substance));
    if (about.length === 0) continue;
    const own = about.filter(({ column }) => column.substances.length === 1);
    const group = about.filter(({ column }) => column.substances.length > 1);
    const from = own.length > 0 ? own : group.filter((each) => !isNamedElsewhere(each, substance, named));
    if (from.length > 0) said[substance] = worst(from.map(({ answer }) => answer));
  }
  openWhatNoOneOwns(said, columns, named);
  return said;
}

/** A yes to a group that another of its kinds accounts for. */
const isNamedElsewhere = (
  { column, answer }: { column: SheetColumn; answer: PackAnswer },
  substance: Substance,
  named: ReadonlySet<Substance>,
): boolean =>
  answer === 'contains' && !named.has(substance) && column.substances.some((each) => named.has(each));

/** A group said to be in it, of which every single one is said not to be: then none of the single answers is believed. */
function openWhatNoOneOwns(
  said: Partial<Record<Substance, PackAnswer>>,
  columns: readonly { column: SheetColumn; answer: PackAnswer }[],
  named: ReadonlySet<Substance>,
): void {
  for (const { column, answer } of columns) {
    if (column.substances.length === 1 || (answer !== 'contains' && answer !== 'may-contain')) continue;
    if (answer === 'contains' && column.substances.some((each) => named.has(each))) continue;
    const known = column.substances.map((each) => said[each]);
    if (known.some((each) => each === 'contains' || (each === 'may-contain' && answer === 'may-contain')))
      continue;
    for (const each of column.substances) said[each] = answer;
  }
}

/** A substance on which a pack's statement and its sheet do not say the same. */
export interface Disagreement {
  substance: Substance;
  statement: 'contains' | 'may-contain' | 'not named';
  /** The words of the statement, empty where it names nothing. */
  words: string;
  sheet: Exclude<PackAnswer, 'check'>;
}

/** Where statement and sheet disagree. An empty statement says nothing, and an open answer contradicts nothing. */
export function disagreementsOf(pack: Pick<Pack, 'statement' | 'sheet'>): Disagreement[] {
  const { statement, sheet } = pack;
  if (sheet === null || statement.trim() === '') return [];
  const { mentions } = readStatement(statement);
  return SUBSTANCES.flatMap((substance): Disagreement[] => {
    const said = sheet[substance];
    const mention = mentions.find((each) => each.substance === substance);
    if (said === undefined || said === 'check' || mention?.status === 'check') return [];
    const printed = mention ? (mention.status as 'contains' | 'may-contain') : 'not named';
    if (said === printed || (said === 'none' && printed === 'not named')) return [];
    return [{ substance, statement: printed, words: mention?.words ?? '', sheet: said }];
  });
}

/**
 * What a supplier's row says of a pack: the worse of statement and sheet. What neither speaks of stays open, unless a
 * statement was given, which names what is in it.
 */
export function answersOf(
  mentions: readonly StatementMention[],
  hasStatement: boolean,
  sheet: Pack['sheet'],
): Pack['allergens'] {
  const answers: Partial<Record<Substance, PackAnswer>> = {};
  for (const substance of SUBSTANCES) {
    const mention = mentions.find((each) => each.substance === substance);
    const said = sheet?.[substance];
    const printed = mention && mention.status !== 'check' ? mention.status : undefined;
    if (printed || said === 'contains' || said === 'may-contain')
      answers[substance] = printed === 'contains' || said === 'contains' ? 'contains' : 'may-contain';
    else if (said !== undefined) answers[substance] = said;
    else if (!hasStatement) answers[substance] = 'check';
  }
  return answers;
}
