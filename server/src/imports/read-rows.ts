/** From a row of somebody's table to a food or a product, or every reason why not. */
import {
  answersOf,
  type Food,
  foodFromRow,
  type FoodSet,
  idFromName,
  loosened,
  matchFood,
  type Pack,
  PACK_DEFAULTS,
  PACK_SIZE_FORMS,
  type PackAnswer,
  plainText,
  readFigureCell,
  readPackSize,
  readStatement,
  rowFromFood,
  type RowProblem,
  safeCellText,
  SUBSTANCES,
  unitFactor,
} from '@hand-ladle/core';
import { BESIDE, isSheetField, SheetMarks } from './marks';

export type RowResult<T> = { value: T; isNew: boolean } | { reasons: RowProblem[] };

/** What no table holds of a food that is known stays as it was; its names in other languages while its name is the same. */
function withWhatTablesLack(food: Food, { measures, cookingYields, labelName, labelNames }: Food): Food {
  const isNamedAlike = labelNames !== undefined && food.labelName === labelName;
  return { ...food, measures, cookingYields, ...(isNamedAlike ? { labelNames } : {}) };
}

/** A US cup, in which the larder measures volumes. */
const US_CUP_ML = 236.588;

/** Heading to field; an empty field leaves the column out. */
export type Mapping = Readonly<Record<string, string>>;

interface Reading {
  headers: readonly string[];
  mapping: Mapping;
  hasDecimalComma: boolean;
}

/** A mapping made ready: each column that is taken, its field, and by what its figures are multiplied. */
type Plan = readonly { at: number; field: string; factor: number }[];

const planOf = ({ headers, mapping }: Reading): Plan =>
  headers.flatMap((header, at) => {
    const field = mapping[header] ?? '';
    return field === '' ? [] : [{ at, field, factor: unitFactor(header, field) }];
  });

/** The mapped cells of a row under our own column names, figures in our units. */
function mappedCells(cells: readonly string[], plan: Plan, hasDecimalComma: boolean): Record<string, string> {
  const own: Record<string, string> = {};
  for (const { at, field, factor } of plan) {
    const cell = cells[at];
    if (cell === undefined) continue;
    const value = factor === 1 ? null : readFigureCell(cell, hasDecimalComma);
    if (typeof value === 'number')
      own[field] = (value * factor).toString().replace('.', hasDecimalComma ? ',' : '.');
    else
      own[field] =
        own[field] !== undefined && isSheetField(field)
          ? own[field] + BESIDE + safeCellText(cell)
          : safeCellText(cell);
  }
  return own;
}

const nameKey = (name: string): string => plainText(name).trim();

/** Reads the rows of a table of foods against the larder as it was when the import began. */
export class FoodRows {
  private readonly byId: Map<string, Food>;
  private readonly byName: Map<string, string>;
  private readonly seen = new Map<string, number>();
  private readonly plan: Plan;

  constructor(
    foods: readonly Food[],
    private readonly reading: Reading,
    private readonly existing: 'update' | 'refuse',
  ) {
    this.plan = planOf(reading);
    this.byId = new Map(foods.map((food) => [food.id, food]));
    this.byName = new Map(foods.map((food) => [nameKey(food.name), food.id]));
  }

  /** The id a row is about: its own, one made of letters from its code and name, or that of a food of its name. */
  private idOf(own: Record<string, string>): string {
    const id = own['id']?.trim() ?? '';
    if (/^[a-z0-9][a-z0-9-]{0,79}$/.test(id) && (this.byId.has(id) || /[a-z]/.test(id))) return id;
    const known = this.byName.get(nameKey(own['name'] ?? ''));
    return known ?? (idFromName(own['name'] ?? '') || (id === '' ? '' : idFromName(`food ${id}`)));
  }

  read(cells: readonly string[], line: number): RowResult<Food> {
    const own = mappedCells(cells, this.plan, this.reading.hasDecimalComma);
    const id = this.idOf(own);
    const before = this.byId.get(id);
    const twin = this.seen.get(id);
    if (twin !== undefined)
      return { reasons: [{ column: 'name', message: `the same food as in line ${twin}` }] };
    if (before && this.existing === 'refuse')
      return { reasons: [{ column: 'name', message: `${before.name} is in the larder already` }] };
    // What the table does not speak of stays as the larder has it.
    const kept = before ? this.inTableStyle(rowFromFood(before), own) : {};
    const { food, problems } = foodFromRow(
      { ...kept, ...own, id },
      { hasDecimalComma: this.reading.hasDecimalComma },
    );
    if (!food) return { reasons: problems };
    const less = before ? loosened(before, food) : [];
    if (less.length > 0)
      return {
        reasons: [
          { column: 'allergens', message: `it would take away what the larder says (${less.join(', ')})` },
        ],
      };
    this.seen.set(id, line);
    const value = before ? withWhatTablesLack(food, before) : food;
    return { value, isNew: !before };
  }

  /** Our own cells have decimal points; beside a table with decimal commas they are written its way. */
  private inTableStyle(
    row: Readonly<Record<string, string>>,
    own: Record<string, string>,
  ): Record<string, string> {
    const kept = { ...row };
    if ('available_carbohydrate_g' in own && !('carbohydrate_g' in own)) delete kept['carbohydrate_g'];
    if ('salt_g' in own && !('sodium_mg' in own)) delete kept['sodium_mg'];
    if ('energy_kj' in own && !('energy_kcal' in own)) delete kept['energy_kcal'];
    if (!this.reading.hasDecimalComma) return kept;
    for (const [column, cell] of Object.entries(kept))
      if (/^\d+\.\d+$/.test(cell)) kept[column] = cell.replace('.', ',');
    return kept;
  }
}

const NOTHING = /^(?:no|none|nil|n\/a|-|–)\.?$/i;
const YES = /^(?:y|yes|true|1|x|ja|oui|certified|gf)$/i;

/** Reads the rows of a supplier's list: each a product for a food of the larder, read by nobody yet. */
export class ProductRows {
  private readonly seen = new Map<string, number>();
  private readonly plan: Plan;
  readonly marks: SheetMarks;

  constructor(
    private readonly larder: FoodSet,
    private readonly reading: Reading,
    private readonly today: string,
    told: Readonly<Record<string, PackAnswer>> = {},
  ) {
    this.plan = planOf(reading);
    this.marks = new SheetMarks(told);
  }

  private foodOf(own: Record<string, string>): { food: Food } | { reason: RowProblem } {
    const named = own['food']?.trim() || own['product_name']?.trim() || '';
    const direct = this.larder.foods.get(named);
    if (direct) return { food: direct };
    const column = own['food'] ? 'food' : 'product_name';
    const match = matchFood(named, this.larder);
    const [id] = match?.ids ?? [];
    const food = id === undefined ? undefined : this.larder.foods.get(id);
    if (!match || !food)
      return { reason: { column, message: `"${named.slice(0, 60)}" is no food of the larder` } };
    if (match.confidence < 1)
      return {
        reason: {
          column,
          message: `"${named.slice(0, 60)}" is not surely ${food.name}: name the food as the larder does`,
        },
      };
    return { food };
  }

  /** What the table itself calls a field of ours. */
  private headingOf(field: string): string {
    return this.reading.headers.find((header) => this.reading.mapping[header] === field) ?? field;
  }

  /** Grams of one pack: a figure, or a size as suppliers write it; a volume goes by the food's own density. */
  private size(
    own: Record<string, string>,
    column: string,
    food: Food | null,
    reasons: RowProblem[],
  ): number | null {
    const text = (own[column] ?? '').trim();
    const value = readFigureCell(text, this.reading.hasDecimalComma);
    if (value === null) return null;
    const size = value === undefined ? readPackSize(text) : null;
    const cup = food?.measures.find(({ unit, form }) => unit === 'cup' && form === '')?.grams;
    const grams =
      value ??
      size?.grams ??
      (size?.millilitres ? (size.millilitres * (cup ?? US_CUP_ML)) / US_CUP_ML : null);
    if (grams !== null && grams > 0 && grams < 1e7) return grams;
    // A count of packs says nothing of what one weighs.
    if (size !== null && size.millilitres === null && size.grams === null) return null;
    reasons.push({
      column: this.headingOf(column),
      message: `"${text.slice(0, 40)}" is no weight: write it like ${PACK_SIZE_FORMS}`,
    });
    return null;
  }

  private figure(own: Record<string, string>, column: string, reasons: RowProblem[]): number | null {
    const value = readFigureCell(own[column] ?? '', this.reading.hasDecimalComma);
    if (value === undefined || (value !== null && !(value > 0 && value < 1e7))) {
      reasons.push({
        column: this.headingOf(column),
        message: `"${(own[column] ?? '').slice(0, 40)}" is not a figure above zero`,
      });
      return null;
    }
    return value;
  }

  read(cells: readonly string[], line: number): RowResult<Pack> {
    const own = mappedCells(cells, this.plan, this.reading.hasDecimalComma);
    const reasons: RowProblem[] = [];
    for (const [column, text] of Object.entries(own))
      if (/^[=@]/.test(text))
        reasons.push({ column, message: `"${text.slice(0, 40)}" is a formula, not a text` });
    const productName = (own['product_name'] ?? '').trim();
    if (productName === '') reasons.push({ column: 'product_name', message: 'the product has no name' });
    const found = this.foodOf(own);
    if ('reason' in found) reasons.push(found.reason);
    const food = 'food' in found ? found.food : null;
    const netGrams = this.size(own, 'net_g', food, reasons);
    const drainedGrams = this.size(own, 'drained_g', food, reasons);
    const price = this.figure(own, 'price', reasons);
    if (netGrams !== null && drainedGrams !== null && drainedGrams > netGrams)
      reasons.push({ column: 'drained_g', message: 'drained weighs more than net' });
    if (reasons.length > 0 || 'reason' in found) return { reasons };
    const twin = this.seen.get(found.food.id);
    if (twin !== undefined)
      return {
        reasons: [
          { column: 'food', message: `line ${twin} is a product for ${found.food.name} too: choose one` },
        ],
      };
    this.seen.set(found.food.id, line);
    const statement = this.statementOf(own);
    const said = readStatement(statement);
    const named = new Set(
      said.mentions.filter(({ status }) => status !== 'check').map((each) => each.substance),
    );
    for (const each of SUBSTANCES) if (found.food.allergens[each] === 'contains') named.add(each);
    const sheet = this.marks.read(own, named);
    const value: Pack = {
      ...PACK_DEFAULTS,
      foodId: found.food.id,
      productName: productName.slice(0, 200),
      supplier: (own['supplier'] ?? '').trim().slice(0, 120),
      netGrams,
      drainedGrams,
      price,
      statement,
      sheet,
      allergens: answersOf(said.mentions, statement !== '', sheet),
      // Like all of the list it counts for nothing until a person confirms it.
      certifiedGlutenFree: YES.test((own['certified_gluten_free'] ?? '').trim()),
      animal: said.animal?.state === 'animal' ? 'animal' : null,
      checkedBy: 'supplier list',
      checkedOn: this.today,
      // Nobody has read it: a list is no pack.
      isConfirmed: false,
    };
    return { value, isNew: true };
  }

  /** The statement with what other columns say is and may be in it. */
  private statementOf(own: Record<string, string>): string {
    const said = (field: string, lead: string): string => {
      const text = (own[field] ?? '').trim();
      if (text === '' || NOTHING.test(text)) return '';
      return new RegExp(`^${lead}`, 'i').test(text) ? text : `${lead}: ${text}`;
    };
    return [(own['statement'] ?? '').trim(), said('contains', 'Contains'), said('may_contain', 'May contain')]
      .filter((part) => part !== '')
      .map((part, index, all) => (index === all.length - 1 || /[.!]$/.test(part) ? part : `${part}.`))
      .join(' ')
      .slice(0, 4000);
  }
}
