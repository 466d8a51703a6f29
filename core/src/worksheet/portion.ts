/** One portion looked at as food: what is on the plate, what to watch, what a school may credit, texture. */
import { type Batch, factorFor, planBatch } from '../batch';
import { compose, type Composed, foodFollows } from '../dish';
import type { Kitchen } from '../kitchen';
import {
  type BandCredits,
  bandCredits,
  HOSPITAL_NUTRIENTS,
  type PlateCheck,
  plateCheck,
  type PortionFood,
  WATCH_NUTRIENTS,
  type WatchFigure,
  watchFigures,
} from '../nutrition';
import { type Book, stagesOf } from '../recipe';
import { worksheet, type WorksheetInput } from './worksheet';

/** Foods of `share` of a composed recipe at its own size, components opened. */
function opened(composed: Composed, share: number, into: Map<string, PortionFood>): void {
  for (const { weight, inner, food, takenUp, technique } of composed.lines) {
    if (!weight || technique) continue;
    const grams = weight.grams * takenUp * share;
    if (inner) opened(inner, inner.finishedGrams > 0 ? grams / inner.finishedGrams : 0, into);
    else if (food) into.set(food.id, { food, grams: (into.get(food.id)?.grams ?? 0) + grams });
  }
}

/** Edible grams of every food in one portion, as put in. */
export function portionFoods(composed: Composed, batch: Batch): PortionFood[] {
  const foods = new Map<string, PortionFood>();
  const share = batch.finishedGrams > 0 ? batch.portionGrams / batch.finishedGrams : 0;
  for (const line of composed.lines)
    opened({ ...composed, lines: [line] }, factorFor(foodFollows(line), batch) * share, foods);
  return [...foods.values()].sort((one, other) => other.grams - one.grams);
}

/** Names that stay hard, stringy or of two textures where nothing blends them (kitchen practice). */
/** A pinch of these changes no texture. */
const NO_TEXTURE = new Set(['spice', 'herb', 'seasoning', 'oil', 'starch', 'leavening']);

const TEXTURES: readonly { words: RegExp; says: string }[] = [
  {
    words:
      /\b(?:almond|hazelnut|walnut|cashew|pecan|pistachio|peanut|brazil|macadamia)s?\b(?! butter| milk)/i,
    says: 'whole or chopped nuts',
  },
  { words: /\b(?:sunflower|pumpkin|sesame|flax|chia|poppy) seeds?\b/i, says: 'seeds' },
  { words: /\b(?:celery|leek|rhubarb|asparagus|kale|chard|cabbage)\b/i, says: 'strings or tough leaf' },
  {
    words: /\b(?:sweetcorn|peas?|broad beans?|kidney beans?|chickpeas?|grapes?|tomato(?:es)?|peppers?)\b/i,
    says: 'skins',
  },
  { words: /\b(?:crumbs?|crouton|toast|crisp|flatbread|bread)\b/i, says: 'dry or crumbly parts' },
];

export interface TextureNote {
  says: string;
  foods: string[];
}

/** What a person who cannot chew or swallow well would meet; a blended dish is said to be one. */
export function textureNotes(
  composed: Composed,
  foods: readonly PortionFood[],
): { isBlended: boolean; notes: TextureNote[] } {
  const blend = stagesOf(composed.recipe).find(({ kind }) => kind === 'blend');
  const isBlended = blend !== undefined && blend.lineIds === null;
  const notes = TEXTURES.map(({ words, says }) => ({
    says,
    foods: foods
      .filter(
        ({ food }) =>
          !NO_TEXTURE.has(food.category) &&
          words.test(food.name) &&
          !/powder|ground|paste|oil/i.test(food.name),
      )
      .map(({ food }) => food.name),
  })).filter((note) => note.foods.length > 0);
  return { isBlended, notes };
}

export interface PortionReview {
  plate: PlateCheck;
  watch: WatchFigure[];
  /** Empty unless the kitchen serves a hospital or school. */
  hospital: WatchFigure[];
  texture: { isBlended: boolean; notes: TextureNote[] } | null;
  credits: { asMeatAlternate: BandCredits[]; asVegetable: BandCredits[] } | null;
}

/** Everything about one portion that is information and no figure of the label. */
export function portionReview(input: WorksheetInput, book: Book): PortionReview {
  const { recipe, kitchen, target, vesselIds = [] } = input;
  const sheet = worksheet(input, book);
  const composed = compose(recipe, book, kitchen);
  const batch = planBatch(composed, target, kitchen, vesselIds);
  const foods = portionFoods(composed, batch);
  const missing = new Set<string>(sheet.nutrition.missing.map(({ id }) => id));
  const watched = (list: typeof WATCH_NUTRIENTS): WatchFigure[] =>
    watchFigures(list, sheet.nutrition.perPortion, missing, kitchen.regime);
  const { isHospital, isUsSchool, bandShares }: Kitchen['service'] = kitchen.service;
  const credited = (as: 'meat alternate' | 'vegetable'): BandCredits[] =>
    bandCredits(foods, batch.portionGrams, bandShares, as);
  return {
    plate: plateCheck(foods),
    watch: watched(WATCH_NUTRIENTS),
    hospital: isHospital ? watched(HOSPITAL_NUTRIENTS) : [],
    texture: isHospital ? textureNotes(composed, foods) : null,
    credits: isUsSchool
      ? { asMeatAlternate: credited('meat alternate'), asVegetable: credited('vegetable') }
      : null,
  };
}
