/** Recipes out of whatever a cook has: a web page, JSON, Markdown, a table, plain text; and back into files. */
import { load } from 'cheerio';
import Papa from 'papaparse';
import {
  type FoodSet,
  plainTold,
  readRecipe,
  type Recipe,
  RECIPE_COLUMNS,
  recipeFromMarkdown,
  recipeFromReading,
  recipeFromTold,
  recipesFromJsonLd,
  recipesFromRows,
  recipeToJsonLd,
  recipeToMarkdown,
  rowsFromRecipe,
  splitRecipes,
  type Target,
  toldFrom,
  type ToldRecipe,
} from '@hand-ladle/core';

export type DocumentFormat = 'json' | 'html' | 'markdown' | 'csv' | 'text';

/** One recipe found in a document, with what its text left open. */
export interface ReadRecipe {
  recipe: Recipe;
  target: Target | null;
  /** Its portions were not told. */
  needsPortions: boolean;
  /** It came from our own export, with answers and all. */
  isOwn: boolean;
}

/** What kind of document a text is, by its name or its beginning. */
export function formatOf(text: string, fileName = ''): DocumentFormat {
  const end = /\.(json|html?|md|markdown|csv|tsv|txt)$/i.exec(fileName)?.[1]?.toLowerCase();
  if (end === 'json') return 'json';
  if (end === 'csv' || end === 'tsv') return 'csv';
  const start = text
    .replace(/^\ufeff/, '')
    .trimStart()
    .slice(0, 600);
  if (
    /^(?:<!doctype html|<html|<head|<script|<body)/i.test(start) ||
    ((end === 'html' || end === 'htm') && start.includes('<'))
  )
    return 'html';
  if (/^[[{]/.test(start) && /"(?:@type|@graph|@context|recipeIngredient|name)"/.test(text.slice(0, 20_000)))
    return 'json';
  if (end === 'md' || end === 'markdown' || /<!-- hand-ladle \{/.test(text)) return 'markdown';
  const [first = ''] = start.split(/\r?\n/);
  if (/^"?(?:recipe_id|recipe|title|name)"?[,;\t]/i.test(first) && /(?:ingredients?|text)/i.test(first))
    return 'csv';
  return 'text';
}

const found = (told: ToldRecipe, larder: FoodSet, isOwn = told.id !== ''): ReadRecipe => ({
  recipe: recipeFromTold(told, larder),
  target: told.target,
  needsPortions: told.portions === null && !told.isComponent,
  isOwn,
});

function fromJson(text: string, larder: FoodSet): ReadRecipe[] {
  let value: unknown;
  try {
    value = JSON.parse(text.replace(/^\ufeff/, ''));
  } catch {
    return [];
  }
  return recipesFromJsonLd(value)
    .filter(({ lines }) => lines.length > 0)
    .map((told) => found(told, larder));
}

/** Microdata of a page, for pages that mark recipes in their elements. */
function fromMicrodata(page: ReturnType<typeof load>): ToldRecipe[] {
  return page('[itemtype$="/Recipe"]')
    .toArray()
    .map((element) => {
      const texts = (name: string): string[] =>
        page(element)
          .find(`[itemprop="${name}"]`)
          .toArray()
          .map((each) => page(each).attr('content') ?? page(each).text())
          .map((text) => text.replace(/\s+/g, ' ').trim())
          .filter(Boolean);
      const lines = [...texts('recipeIngredient'), ...texts('ingredients')];
      const portions = Number(/\d+/.exec(texts('recipeYield')[0] ?? '')?.[0] ?? NaN);
      return {
        ...plainTold(texts('name')[0] ?? '', lines, texts('recipeInstructions')),
        portions: portions > 0 ? portions : null,
      };
    });
}

/** The words of a page as a text of lines, without what is no content. */
function wordsOf(page: ReturnType<typeof load>): string {
  page('script, style, nav, footer, header, aside, form, noscript, svg').remove();
  page('br').replaceWith('\n');
  page('p, li, h1, h2, h3, h4, h5, h6, tr, div, section, article, ul, ol, dt, dd').append('\n');
  page('h1').first().prepend('# ');
  return (page('main').length > 0 ? page('main').text() : page('body').text())
    .split('\n')
    .map((line) => line.replace(/\s+/g, ' ').trim())
    .filter(Boolean)
    .join('\n');
}

function fromHtml(text: string, larder: FoodSet): ReadRecipe[] {
  const page = load(text);
  const marked = page('script[type="application/ld+json"]')
    .toArray()
    .flatMap((script) => fromJson(page(script).text(), larder));
  if (marked.length > 0) return marked;
  const micro = fromMicrodata(page).filter(({ lines }) => lines.length > 0);
  if (micro.length > 0) return micro.map((told) => found(told, larder));
  const words = wordsOf(page);
  // A page without marks is a recipe only if it has a list and a method: else any page would be one.
  return fromText(words, larder).filter(
    ({ recipe }) =>
      recipe.steps.length > 0 &&
      recipe.lines.filter(({ reading }) => reading.foodId && reading.amountKind !== 'none').length >= 3,
  );
}

function fromText(text: string, larder: FoodSet): ReadRecipe[] {
  return splitRecipes(text).flatMap((part): ReadRecipe[] => {
    const told = recipeFromMarkdown(part);
    if (told) return [found(told, larder)];
    const reading = readRecipe(part, larder);
    if (reading.lines.length === 0) return [];
    const recipe = recipeFromReading(reading, '');
    return [{ recipe, target: null, needsPortions: reading.portions === null, isOwn: false }];
  });
}

function fromCsv(text: string, larder: FoodSet): ReadRecipe[] {
  const { data } = Papa.parse<Record<string, string>>(text.replace(/^\ufeff/, ''), {
    header: true,
    skipEmptyLines: true,
  });
  return recipesFromRows(data).map((told) => found(told, larder));
}

/** Every recipe in a document; empty when it holds none. */
export function recipesIn(text: string, format: DocumentFormat, larder: FoodSet): ReadRecipe[] {
  if (format === 'json') return fromJson(text, larder);
  if (format === 'html') return fromHtml(text, larder);
  if (format === 'csv') return fromCsv(text, larder);
  return fromText(text, larder);
}

interface Saved {
  recipe: Recipe;
  target: Target | null;
}

/** Recipes as a file: several are parted so that the import parts them again. */
export function documentOf(saved: readonly Saved[], format: 'json' | 'markdown' | 'csv'): string {
  const told = saved.map(({ recipe, target }) => toldFrom(recipe, target));
  if (format === 'markdown') return told.map(recipeToMarkdown).join('\n---\n\n');
  if (format === 'csv') return Papa.unparse(told.flatMap(rowsFromRecipe), { columns: [...RECIPE_COLUMNS] });
  const objects = told.map(recipeToJsonLd);
  return JSON.stringify(objects.length === 1 ? objects[0] : objects, null, 2);
}
