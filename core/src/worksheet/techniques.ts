/**
 * What can be done otherwise with a line, in one tap: the same food in another state, and what this kitchen's standard
 * asks for (water instead of oil, less salt). Nothing is changed until a cook takes it.
 */
import { factorFor, planBatch } from '../batch';
import {
  compose,
  type Composed,
  type ComposedLine,
  type StandardLine,
  stateExchanges,
  sweatingWater,
  withState,
} from '../dish';
import { inSentence } from '../food';
import { HOME_FRYING_PAN, type Kitchen, LOW_SALT_SHARE, OIL_FILM_G_PER_M2 } from '../kitchen';
import { figureText, gramsText, roundToDecimals } from '../quantity';
import type { Book, LineAnswers, Recipe } from '../recipe';
import { isFatLine } from './findings';
import type { WorksheetInput } from './worksheet';

export interface Offer {
  /** Unique in a worksheet: "l3 water". */
  id: string;
  lineId: string;
  /** "Water for the pan, 1.15 kg by the splash". */
  words: string;
  why: string;
  /** The kitchen's standard asks for it. */
  isAsked: boolean;
}

interface Taking extends Offer {
  take: (recipe: Recipe) => Recipe;
}

function withAnswers(recipe: Recipe, lineId: string, change: (answers: LineAnswers) => LineAnswers): Recipe {
  const lines = recipe.lines.map((line) =>
    line.id === lineId ? { ...line, answers: change(line.answers) } : line,
  );
  return { ...recipe, lines };
}

function fatOffers(line: StandardLine, composed: Composed, panFactor: number, kitchen: Kitchen): Taking[] {
  const { fryingFat, isWholeFood } = kitchen.standard;
  const lineId = line.source.id;
  if (line.technique) {
    const name = line.technique.fromName;
    return [
      {
        id: `${lineId} fat`,
        lineId,
        words: `Fry in ${inSentence(name)} again`,
        why: 'as the recipe is written',
        isAsked: false,
        take: (recipe) => withAnswers(recipe, lineId, ({ technique: _, ...kept }) => kept),
      },
    ];
  }
  if (!isFatLine(line)) return [];
  const water = sweatingWater(lineId, composed.recipe.steps);
  const film = roundToDecimals(OIL_FILM_G_PER_M2 * HOME_FRYING_PAN.surfaceM2, 1);
  const technique = (kind: 'water' | 'dry', words: string, why: string, isAsked: boolean): Taking => ({
    id: `${lineId} ${kind}`,
    lineId,
    words,
    why,
    isAsked,
    take: (recipe) => withAnswers(recipe, lineId, (answers) => ({ ...answers, technique: kind })),
  });
  const isLittleAsked = fryingFat === 'a little oil' && (line.weight?.grams ?? 0) > film * 1.2;
  return [
    technique(
      'water',
      `Water instead, ${gramsText(water.grams * panFactor)} by the splash`,
      water.because,
      fryingFat === 'water or stock' || (isWholeFood && fryingFat === 'as written'),
    ),
    technique(
      'dry',
      'A dry hot pan',
      'nothing goes in; stir, and splash water when it catches',
      fryingFat === 'dry hot pan',
    ),
    ...(isLittleAsked
      ? [
          {
            id: `${lineId} film`,
            lineId,
            words: `A film of oil, ${figureText(film)} g at home`,
            why: `${OIL_FILM_G_PER_M2} g/m2 x ${HOME_FRYING_PAN.surfaceM2} m2 (convention)`,
            isAsked: true,
            take: (recipe: Recipe) =>
              withAnswers(recipe, lineId, (answers) => ({
                ...answers,
                grams: film,
                gramsOrigin: 'convention',
              })),
          },
        ]
      : []),
  ];
}

/** Salt of a dish against what the kitchen wants. A dough needs its salt to hold, so it is left alone. */
function saltOffers(line: StandardLine, composed: Composed, kitchen: Kitchen): Taking[] {
  const way = kitchen.standard.salt;
  const grams = line.weight?.grams ?? 0;
  const isDough = composed.lines.some(({ role }) => role === 'leavening');
  if (line.role !== 'salt' || way === 'as written' || isDough || grams <= 0) return [];
  const lineId = line.source.id;
  if (way === 'none') {
    return [
      {
        id: `${lineId} no-salt`,
        lineId,
        words: 'Leave the salt out',
        why: 'this kitchen cooks without added salt',
        isAsked: true,
        take: (recipe) => ({ ...recipe, lines: recipe.lines.filter(({ id }) => id !== lineId) }),
      },
    ];
  }
  const low = roundToDecimals(composed.finishedGrams * LOW_SALT_SHARE, 1);
  if (grams <= low || low <= 0) return [];
  return [
    {
      id: `${lineId} low-salt`,
      lineId,
      words: `Less salt: ${figureText(low)} g at home, at the end`,
      why: `${figureText(LOW_SALT_SHARE * 100)} % of ${gramsText(composed.finishedGrams)} (kitchen's standard)`,
      isAsked: true,
      take: (recipe) =>
        withAnswers(recipe, lineId, (answers) => ({ ...answers, grams: low, gramsOrigin: 'convention' })),
    },
  ];
}

function stateOffers(
  line: StandardLine,
  composed: Composed,
  factor: number,
  book: Book,
  kitchen: Kitchen,
): Taking[] {
  // The liquid of a tin goes with its solids.
  if (line.swap || line.technique || line.id !== line.source.id) return [];
  const { pulses } = kitchen.standard;
  return stateExchanges(line, composed.lines, book.foods).map((to): Taking => {
    const water =
      to.waterGrams === 0
        ? ''
        : `, ${gramsText(Math.abs(to.waterGrams) * factor)} ${to.waterGrams > 0 ? 'more' : 'less'} water`;
    const apart = to.isCookedApart ? ', cooked apart' : '';
    const wetter =
      to.wetterGrams > 0
        ? `; ${gramsText(to.wetterGrams)} of liquid at home should go too, take it off by hand`
        : '';
    const isPulse = line.food?.category === 'pulse';
    return {
      id: `${line.source.id} ${to.foodId}`,
      lineId: line.source.id,
      words: `${to.name}, ${gramsText(to.grams * factor)}${apart}${water}`,
      why: `${to.because}${wetter}`,
      isAsked:
        isPulse &&
        ((pulses.startsWith('from dry') && to.state === 'dry') ||
          (pulses === 'tinned and rinsed' && to.state === 'tinned')),
      take: (recipe) => withState(recipe, composed.lines, line.source.id, to),
    };
  });
}

/** Oil or water that is read as a bath, or said to be none: the cook knows better. */
function bathOffers(line: StandardLine & Pick<ComposedLine, 'bath' | 'takenUp'>): Taking[] {
  const lineId = line.source.id;
  const said = line.source.answers.bath;
  if (said !== undefined)
    return [
      {
        id: `${lineId} bath`,
        lineId,
        words: `${line.name}: as the method says`,
        why: said === 'eaten' ? 'it was said to be eaten whole' : 'it was said to stay in the pan',
        isAsked: false,
        take: (recipe) => withAnswers(recipe, lineId, ({ bath: _, ...kept }) => kept),
      },
    ];
  if (line.bath === null || line.bath === 'straining') return [];
  return [
    {
      id: `${lineId} eaten`,
      lineId,
      words: `All of the ${inSentence(line.name)} is eaten`,
      why: `the method is read so that ${figureText(line.takenUp * 100, 0)} % of it is`,
      isAsked: false,
      take: (recipe) => withAnswers(recipe, lineId, (answers) => ({ ...answers, bath: 'eaten' })),
    },
  ];
}

function takingsOf({ recipe, kitchen, target, vesselIds = [] }: WorksheetInput, book: Book): Taking[] {
  // A variant's lines are its parent's: they are changed there.
  if (recipe.parentId !== null) return [];
  const composed = compose(recipe, book, kitchen);
  const batch = planBatch(composed, target, kitchen, vesselIds);
  return composed.lines.flatMap((line) => [
    ...bathOffers(line),
    ...fatOffers(line, composed, batch.panFactor, kitchen),
    ...saltOffers(line, composed, kitchen),
    ...stateOffers(line, composed, factorFor(line.follows, batch), book, kitchen),
  ]);
}

/** Everything that can be done otherwise with the lines of a dish. */
export const offersOf = (input: WorksheetInput, book: Book): Offer[] =>
  takingsOf(input, book).map(({ take: _, ...offer }) => offer);

/** The recipe with an offer taken; the recipe itself where the offer is no longer there. */
export function takeOffer(input: WorksheetInput, offerId: string, book: Book): Recipe {
  const taking = takingsOf(input, book).find(({ id }) => id === offerId);
  return taking ? taking.take(input.recipe) : input.recipe;
}
