/** The label of a worksheet: its statement at batch size, its figures, and what keeps it a draft. */
import { type Batch, factorFor } from '../batch';
import {
  allergenStatement,
  type FigureTolerance,
  ingredientStatement,
  type Label,
  labelFigures,
  labelPack,
  proteinDailyUs,
  type StatementStyle,
  timesFacts,
  withShares,
} from '../declaration';
import {
  type Composed,
  gathered,
  inOrder,
  type Narrowing,
  narrowings,
  type RangeScope,
  type StatementItem,
} from '../dish';
import type { Finding } from '../finding';
import type { Facts } from '../food';
import type { Kitchen } from '../kitchen';
import type { Book, Recipe } from '../recipe';
import { scopeOfRange, type WorksheetNutrition } from './nutrition';

/** The statement at batch size: water follows the vessel, so its place in the list may move. */
function batchStatement(composed: Composed, batch: Batch, kitchen: Kitchen): StatementItem[] {
  const scaled = composed.statementItems.map((item): StatementItem => ({
    name: item.name,
    foodId: item.foodId,
    names: item.names,
    grams: item.grams * factorFor(item.follows, batch),
    substances: item.substances,
    parts: item.parts,
    statementText: item.statementText,
    isWater: item.isWater,
    follows: item.follows,
    isUnrecorded: item.isUnrecorded,
  }));
  return inOrder(gathered(scaled), batch.finishedGrams, kitchen);
}

/** What would narrow the figures that are not safely inside their band; all figures, where each is. */
function narrowingsOf(
  tolerances: readonly FigureTolerance[],
  perPortion: Facts,
  scope: RangeScope,
): Narrowing[] {
  const banded = tolerances.filter(({ band }) => band !== null);
  const loose = banded.filter(({ standing }) => standing !== 'inside');
  const ids = (loose.length > 0 ? loose : banded).map(({ id }) => id);
  return narrowings(ids, perPortion, scope);
}

interface LabelGround {
  composed: Composed;
  batch: Batch;
  book: Book;
  kitchen: Kitchen;
  facts: WorksheetNutrition;
  quality: number;
  tolerances: FigureTolerance[];
  open: readonly Finding[];
}

/** EU: what the name or a picture stresses carries its quantity; the US asks for none. */
function quantified(
  items: StatementItem[],
  { composed, batch, book, kitchen }: LabelGround,
): StatementItem[] {
  if (kitchen.regime !== 'eu') return items;
  const { name, packed } = composed.recipe;
  const food = (id: string) => {
    const known = book.foods.foods.get(id);
    return known
      ? { names: [known.labelName, known.name, ...known.synonyms], category: known.category }
      : null;
  };
  const asked = { title: packed?.names.en || name, stressed: new Set(packed?.stressed ?? []), food };
  // What is finished, before any of it stuck to pots: never more than went in, for no ingredient is more than all of them.
  const whole = Math.min(
    composed.putInGrams * batch.factor,
    batch.finishedGrams / (1 - kitchen.transferLoss),
  );
  return withShares(items, asked, whole);
}

/** What the dish is called on a label in a language; in English its own name where nobody says otherwise. */
function titleIn(
  { name, packed }: Recipe,
  language: StatementStyle['language'],
): { title: string; untranslated: string[] } {
  const said = packed?.names[language]?.trim() || (language === 'en' ? name : '');
  return said ? { title: said, untranslated: [] } : { title: name, untranslated: [name] };
}

export function labelOf(ground: LabelGround, style: StatementStyle): Label {
  const { composed, batch, book, kitchen, facts, quality, tolerances, open } = ground;
  const { regime } = kitchen;
  const missing = new Set<string>(facts.missing.map(({ id }) => id));
  const { title, untranslated: untitled } = titleIn(composed.recipe, style.language);
  const { segments, untranslated } = ingredientStatement(
    quantified(batchStatement(composed, batch, kitchen), ground),
    kitchen,
    style,
  );
  const { named, ...statement } = allergenStatement(composed.traces, kitchen, style.language);
  const { perPortion, per100g } = facts;
  const pack = labelPack(composed.recipe.packed, kitchen.service, regime, batch.portionGrams);
  const whole = pack.showsWhole && pack.netGrams !== null ? timesFacts(per100g, pack.netGrams / 100) : null;
  return {
    regime,
    title,
    portionGrams: batch.portionGrams,
    figures: labelFigures({ perPortion, per100g, whole, missing }, regime),
    ingredients: segments.map(({ text }) => text).join(''),
    ingredientSegments: segments,
    ...statement,
    named,
    language: style.language,
    pack,
    waterGrams: missing.has('waterG') ? null : per100g.waterG,
    proteinDailyText: regime === 'us' && quality > 0 ? proteinDailyUs(perPortion.proteinG * quality) : null,
    beside: regime === 'us' && style.language !== 'en' ? labelOf(ground, { ...style, language: 'en' }) : null,
    untranslated: [...untitled, ...untranslated],
    tolerances,
    narrowings: narrowingsOf(tolerances, perPortion, scopeOfRange(composed, batch, book, kitchen)),
    isDraft: open.length > 0,
    draftReasons: open.map(({ message }) => message),
  };
}
