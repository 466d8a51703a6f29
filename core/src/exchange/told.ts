/**
 * A recipe as words and answers, without its readings: what every export carries and every import brings. Reading it
 * again with the same larder gives the same recipe.
 */
import type { Target } from '../batch';
import type { FoodSet } from '../food';
import {
  type AppliedSwap,
  BATH_ANSWERS,
  type Confirmed,
  type LineAnswers,
  type NotIn,
  packedFrom,
  type PackedPortion,
  readLine,
  type Recipe,
  type RecipeLine,
  stepsFromTexts,
  TECHNIQUES,
} from '../recipe';

export interface ToldLine {
  id: string;
  text: string;
  part: string;
  answers: LineAnswers;
}

export interface ToldRecipe {
  id: string;
  name: string;
  portions: number | null;
  portionGrams: number | null;
  measuredYieldGrams: number | null;
  isComponent: boolean;
  lines: ToldLine[];
  steps: { id: string; text: string }[];
  notes: string[];
  notIn: NotIn[];
  confirmed: Confirmed[];
  packed: PackedPortion | null;
  parentId: string | null;
  swaps: AppliedSwap[];
  freeFrom: string[];
  apart: string[];
  target: Target | null;
}

/** The words and answers of a recipe. */
export function toldFrom(recipe: Recipe, target: Target | null = null): ToldRecipe {
  return {
    id: recipe.id,
    name: recipe.name,
    portions: recipe.portions,
    portionGrams: recipe.portionGrams,
    measuredYieldGrams: recipe.measuredYieldGrams,
    isComponent: recipe.isComponent,
    lines: recipe.lines.map(({ id, text, reading, answers }) => ({ id, text, part: reading.part, answers })),
    steps: recipe.steps.map(({ id, text }) => ({ id, text })),
    notes: [...recipe.notes],
    notIn: recipe.notIn.map((each) => ({ ...each })),
    confirmed: recipe.confirmed.map((each) => ({ ...each })),
    packed: recipe.packed ?? null,
    parentId: recipe.parentId,
    swaps: [...recipe.swaps],
    freeFrom: [...recipe.freeFrom],
    apart: [...recipe.apart],
    target,
  };
}

/** A recipe read from its words, with the answers that came with them. */
export function recipeFromTold(told: ToldRecipe, larder: FoodSet): Recipe {
  const lines: RecipeLine[] = told.lines.map(({ id, text, part, answers }) => ({
    id,
    text,
    reading: readLine(text, larder, id, part),
    answers,
  }));
  const texts = told.steps.map(({ text }) => text);
  const steps = stepsFromTexts(texts, lines, larder).map((step, index) => ({
    ...step,
    id: told.steps[index]!.id,
  }));
  return {
    id: told.id,
    name: told.name || 'Untitled dish',
    portions: told.portions ?? 1,
    portionGrams: told.portionGrams,
    measuredYieldGrams: told.measuredYieldGrams,
    lines,
    steps,
    notes: told.notes,
    notIn: told.notIn,
    confirmed: told.confirmed,
    packed: told.packed,
    parentId: told.parentId,
    swaps: told.swaps,
    freeFrom: told.freeFrom,
    apart: told.apart,
    isComponent: told.isComponent,
  };
}

/** A told recipe of a name, lines and steps only. */
export function plainTold(name: string, lines: readonly string[], steps: readonly string[]): ToldRecipe {
  return {
    id: '',
    name,
    portions: null,
    portionGrams: null,
    measuredYieldGrams: null,
    isComponent: false,
    lines: lines.map((text, index) => ({ id: `l${index + 1}`, text, part: '', answers: {} })),
    steps: steps.map((text, index) => ({ id: `s${index + 1}`, text })),
    notes: [],
    notIn: [],
    confirmed: [],
    packed: null,
    parentId: null,
    swaps: [],
    freeFrom: [],
    apart: [],
    target: null,
  };
}

const isObject = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
const positive = (value: unknown): number | null => (typeof value === 'number' && value > 0 ? value : null);
const text = (value: unknown): string => (typeof value === 'string' ? value : '');

/** Answers as they came from outside: only what answers may hold, in range. */
export function answersFrom(value: unknown): LineAnswers {
  if (!isObject(value)) return {};
  const foodId = /^[a-z0-9][a-z0-9-]{0,79}$/.test(text(value['foodId'])) ? text(value['foodId']) : null;
  const grams = positive(value['grams']);
  const origin =
    value['gramsOrigin'] === 'weighed here' || value['gramsOrigin'] === 'convention'
      ? value['gramsOrigin']
      : null;
  const technique = TECHNIQUES.find((each) => each === value['technique']);
  const bath = BATH_ANSWERS.find((each) => each === value['bath']);
  return {
    ...(foodId === null ? {} : { foodId }),
    ...(grams === null ? {} : { grams }),
    ...(grams === null || origin === null ? {} : { gramsOrigin: origin }),
    ...(value['isCookedApart'] === true ? { isCookedApart: true } : {}),
    ...(technique === undefined ? {} : { technique }),
    ...(bath === undefined ? {} : { bath }),
  };
}

/** A cook's word that something is not in it, as it came from outside: whole or not at all. */
function notInFrom(value: unknown): NotIn[] {
  if (!isObject(value)) return [];
  const [name, where, by, on] = [value['name'], value['text'], value['by'], value['on']].map(text);
  const isWhole = name !== '' && where !== '' && by !== '' && /^\d{4}-\d{2}-\d{2}$/.test(on!);
  return isWhole ? [{ name: name!, text: where!, by: by!, on: on! }] : [];
}

function confirmedFrom(value: unknown): Confirmed[] {
  if (!isObject(value)) return [];
  const [what, by, on] = [value['what'], value['by'], value['on']].map(text);
  const figure = positive(value['figure']);
  const isWhole = what !== '' && by !== '' && figure !== null && /^\d{4}-\d{2}-\d{2}$/.test(on!);
  return isWhole ? [{ what: what!, figure: figure!, by: by!, on: on! }] : [];
}

/** What our own exports keep beside the words, checked; a target is checked where it is saved. */
export function applyKept(told: ToldRecipe, kept: unknown): ToldRecipe {
  if (!isObject(kept)) return told;
  const lines = Array.isArray(kept['lines']) ? (kept['lines'] as unknown[]) : [];
  const stepIds = Array.isArray(kept['steps']) ? (kept['steps'] as unknown[]) : [];
  const swaps = Array.isArray(kept['swaps']) ? (kept['swaps'] as unknown[]) : [];
  const freeFrom = Array.isArray(kept['freeFrom']) ? (kept['freeFrom'] as unknown[]) : [];
  const apart = Array.isArray(kept['apart']) ? (kept['apart'] as unknown[]) : [];
  const notes = Array.isArray(kept['notes']) ? (kept['notes'] as unknown[]) : told.notes;
  const notIn = Array.isArray(kept['notIn']) ? (kept['notIn'] as unknown[]) : [];
  const confirmed = Array.isArray(kept['confirmed']) ? (kept['confirmed'] as unknown[]) : [];
  return {
    ...told,
    id: text(kept['id']) || told.id,
    portions: positive(kept['portions']) ?? told.portions,
    portionGrams: positive(kept['portionGrams']) ?? told.portionGrams,
    measuredYieldGrams: positive(kept['measuredYieldGrams']) ?? told.measuredYieldGrams,
    isComponent: kept['isComponent'] === true,
    lines: told.lines.map((line, index) => {
      const own = lines[index];
      if (!isObject(own) || lines.length !== told.lines.length) return line;
      return {
        ...line,
        id: text(own['id']) || line.id,
        part: text(own['part']) || line.part,
        answers: answersFrom(own['answers']),
      };
    }),
    steps: told.steps.map((step, index) => ({ ...step, id: text(stepIds[index]) || step.id })),
    notes: notes.map(text).filter(Boolean),
    notIn: notIn.flatMap(notInFrom),
    confirmed: confirmed.flatMap(confirmedFrom),
    packed: packedFrom(kept['packed']),
    parentId: text(kept['parentId']) || null,
    swaps: swaps
      .filter(isObject)
      .map((each) => ({ fromId: text(each['fromId']), swapId: text(each['swapId']) })),
    freeFrom: freeFrom.map(text).filter(Boolean),
    apart: apart.map(text).filter(Boolean),
    target: isObject(kept['target']) ? (kept['target'] as unknown as Target) : null,
  };
}

/** What `applyKept` needs to bring a recipe back whole. */
export function keptOf(told: ToldRecipe): Record<string, unknown> {
  return {
    id: told.id,
    portions: told.portions,
    portionGrams: told.portionGrams,
    measuredYieldGrams: told.measuredYieldGrams,
    isComponent: told.isComponent,
    lines: told.lines.map(({ id, part, answers }) => ({ id, part, answers })),
    steps: told.steps.map(({ id }) => id),
    notes: told.notes,
    notIn: told.notIn,
    confirmed: told.confirmed,
    packed: told.packed,
    parentId: told.parentId,
    swaps: told.swaps,
    freeFrom: told.freeFrom,
    apart: told.apart,
    target: told.target,
  };
}
