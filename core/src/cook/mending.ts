/**
 * Too thin, too thick, too salty, too little: the best next move, computed from what is in the pot. What the record says decides
 * how much is wrong; where it says that all is as planned, the cook's own word does, in three steps.
 */
import { HEAT_LIMITS } from '../batch';
import { WATER_ID } from '../food';
import type { Heat } from '../kitchen';
import { minutesFor } from '../matter';
import { figureText, gramsText, roundToDecimals } from '../quantity';
import { cookingsIn } from '../recipe';
import type { Worksheet } from '../worksheet';
import { cookedSheet } from './as-cooked';
import type { AddedBecause, EntryBody, Standing } from './log';
import { groundOfBatch, type OpenedBatch, THICKENERS } from './opened';
import { asStanding, type Effect, effectBetween, type Outlook, outlookOf } from './outlook';

export const TROUBLES = ['too thin', 'too thick', 'too salty', 'too little'] as const;
export type Trouble = (typeof TROUBLES)[number];
export const DEGREES = ['a little', 'clearly', 'much'] as const;
export type Degree = (typeof DEGREES)[number];

/** Share of the finished weight that is too much or too little water, by the cook's word (convention). */
export const WATER_OFF: Readonly<Record<Degree, number>> = { 'a little': 0.04, clearly: 0.08, much: 0.15 };
/** Share of the salt that is too much, by the cook's word (convention). */
export const SALT_OFF: Readonly<Record<Degree, number>> = { 'a little': 0.1, clearly: 0.2, much: 0.35 };
/** Starch that binds one per cent of the pot as water that is too much, grams for each kilogram in the pot (convention). */
export const STARCH_PER_KG_AND_PERCENT = 0.8;
/** More starch than this in the liquid sets to a pudding, share (the ratio watch's own band). */
export const MOST_STARCH_SHARE = 0.07;
/** Cold water that starch is slaked in, by weight (convention). */
export const SLAKING = 2;
/** A dish may be stretched with water by this share of its weight before it is thin (convention). */
export const MOST_STRETCH = 0.05;
/** A portion may be this much smaller before it is another portion (convention). */
export const LEAST_PORTION_SHARE = 0.9;

/** One move, with what is written when it is made and what it does. */
export interface Move {
  id: string;
  /** "Simmer it gently, uncovered, for about 12 min". */
  words: string;
  why: string;
  /** What goes in; empty where nothing does. */
  additions: { foodId: string; name: string; grams: number; because: AddedBecause }[];
  minutes: number | null;
  /** What the batch will weigh then. */
  finishedGrams: number;
  /** Against the batch as it is. */
  effect: Effect;
}

export interface Mending {
  trouble: Trouble;
  /** What the record itself says: "By the record 1.2 kg of water is too much." */
  words: string;
  moves: Move[];
}

interface Ground {
  opened: OpenedBatch;
  record: readonly Standing[];
  stepId: string;
  sheet: Worksheet;
  now: Outlook;
  planned: Outlook;
}

const whole = (grams: number): number => Math.max(1, Math.round(grams));

function withAdded(ground: Ground, additions: Move['additions']): Outlook {
  const { opened, record, stepId } = ground;
  const bodies = additions.map(({ foodId, grams, because }): Standing['body'] & EntryBody => ({
    kind: 'added',
    foodId,
    grams,
    way: 'scale',
    because,
    stepId,
    load: 1,
  }));
  return outlookOf(cookedSheet(opened, [...record, ...bodies.map(asStanding)], 'as planned'), opened);
}

function addingMove(
  ground: Ground,
  move: Pick<Move, 'id' | 'words' | 'why' | 'additions'> & { minutes?: number },
): Move {
  const after = withAdded(ground, move.additions);
  return {
    ...move,
    minutes: move.minutes ?? null,
    finishedGrams: after.finishedGrams,
    effect: effectBetween(ground.now, after),
  };
}

/** Heats at which a pot is boiled down, the gentlest first. */
const REDUCING: readonly { heat: Heat; words: string }[] = [
  { heat: 'gentle simmer', words: 'Simmer it gently, uncovered' },
  { heat: 'rolling boil', words: 'Boil it hard, uncovered, stirring' },
];

/** The same batch with some of its water gone. */
const without = (outlook: Outlook, waterGrams: number): Outlook => {
  const finishedGrams = outlook.finishedGrams - waterGrams;
  const ratio = finishedGrams > 0 ? finishedGrams / outlook.finishedGrams : 1;
  return {
    ...outlook,
    finishedGrams,
    portions: outlook.portions * ratio,
    saltGramsAPortion: outlook.saltGramsAPortion / ratio,
    waterShare: (outlook.waterShare * outlook.finishedGrams - waterGrams) / finishedGrams,
  };
};

/** Water that is too much (or, below zero, that lacks) for the dish to be as thick as it was planned, in grams. */
function surplusOf({ now, planned }: Ground): number {
  const dry = now.finishedGrams * (1 - now.waterShare);
  const share = Math.min(0.99, planned.waterShare);
  return now.finishedGrams - dry / (1 - share);
}

function surplusAt(ground: Ground, degree: Degree, sign: 1 | -1): { grams: number; words: string } {
  const byRecord = surplusOf(ground) * sign;
  const told = WATER_OFF[degree] * ground.now.finishedGrams;
  const isTold = byRecord > 0.01 * ground.now.finishedGrams;
  const grams = isTold ? byRecord : told;
  const what = sign > 0 ? 'too much' : 'too little';
  const said = `${degree.charAt(0).toUpperCase()}${degree.slice(1)}`;
  const stands = Math.abs(byRecord) <= 0.01 * ground.now.finishedGrams;
  const other = `By the record it has ${gramsText(-byRecord)} of water ${sign > 0 ? 'less' : 'more'} than planned: taste again, or look what was not written down.`;
  return {
    grams,
    words: isTold
      ? `By the record ${gramsText(grams)} of water is ${what}.`
      : `${stands ? 'By the record it is as planned.' : other} ${said} is taken for ${gramsText(grams)} of water ${what} (convention).`,
  };
}

function tooThin(ground: Ground, degree: Degree): Mending {
  const { grams, words } = surplusAt(ground, degree, 1);
  const { opened, sheet, now } = ground;
  const pot = sheet.stages.find(({ work }) => work === 'simmer');
  const moves: Move[] = [];
  const gone = Math.min(grams, now.waterShare * now.finishedGrams * 0.9);
  for (const { heat, words: how } of pot ? REDUCING : []) {
    if (!pot || !(pot.surfaceM2 > 0)) continue;
    const minutes = minutesFor(gone / pot.loads, { heat, covered: false }, pot.surfaceM2);
    moves.push({
      id: `reduce-${heat}`,
      words: `${how}, for about ${Math.max(1, Math.round(minutes))} min`,
      why: `${gramsText(gone)} of steam from ${figureText(pot.surfaceM2, 2)} m2${pot.loads > 1 ? ` in each of ${pot.loads} loads` : ''}`,
      additions: [],
      minutes,
      finishedGrams: now.finishedGrams - gone,
      effect: effectBetween(now, without(now, gone)),
    });
  }
  const kilograms = now.finishedGrams / 1000;
  const percent = (grams / now.finishedGrams) * 100;
  const most = MOST_STARCH_SHARE * now.waterShare * now.finishedGrams;
  const starch = whole(Math.min(most, STARCH_PER_KG_AND_PERCENT * kilograms * percent));
  const { book } = groundOfBatch(opened);
  const starches = THICKENERS.flatMap((id) => book.foods.foods.get(id) ?? []);
  for (const food of starches)
    moves.push(
      addingMove(ground, {
        id: `starch-${food.id}`,
        words: `Stir in ${gramsText(starch)} of ${food.name.toLowerCase()}, slaked in ${gramsText(starch * SLAKING)} of cold water; bring it back to the boil`,
        why: `${figureText(STARCH_PER_KG_AND_PERCENT, 1)} g for each kilogram and per cent of water too much (convention)`,
        additions: [
          { foodId: food.id, name: food.name, grams: starch, because: 'to thicken' },
          { foodId: WATER_ID, name: 'Water', grams: whole(starch * SLAKING), because: 'water' },
        ],
      }),
    );
  return { trouble: 'too thin', words, moves };
}

function tooThick(ground: Ground, degree: Degree): Mending {
  const { grams, words } = surplusAt(ground, degree, -1);
  const half = whole(grams / 2);
  const all = whole(grams);
  const water = (amount: number): Move['additions'] => [
    { foodId: WATER_ID, name: 'Water', grams: amount, because: 'water' },
  ];
  return {
    trouble: 'too thick',
    words,
    moves: [
      addingMove(ground, {
        id: 'water-half',
        words: `Stir in ${gramsText(half)} of hot water, look, then the other half`,
        why: 'half first: what is in cannot be taken out again',
        additions: water(half),
      }),
      addingMove(ground, {
        id: 'water',
        words: `Stir in ${gramsText(all)} of hot water`,
        why: 'as much water as the dish was planned with',
        additions: water(all),
      }),
    ],
  };
}

const saltIn = (outlook: Outlook): number =>
  outlook.portions > 0 ? outlook.saltGramsAPortion * outlook.portions : 0;

/** Lines of a dish without salt in them, as shares of what they weigh together: more of the same, unsalted. */
function unsaltedBulk(
  sheet: Worksheet,
  saltless: (foodId: string) => boolean,
): { foodId: string; name: string; share: number }[] {
  const lines = sheet.lines.flatMap(({ foodId, name, batchGrams, role, follows }) =>
    foodId !== null &&
    batchGrams !== null &&
    batchGrams > 0 &&
    role === 'linear' &&
    follows !== 'pan' &&
    saltless(foodId)
      ? [{ foodId, name, grams: batchGrams }]
      : [],
  );
  const all = lines.reduce((sum, { grams }) => sum + grams, 0);
  return lines
    .map(({ foodId, name, grams }) => ({ foodId, name, share: grams / all }))
    .sort((one, other) => other.share - one.share)
    .slice(0, 4);
}

/** A food with less salt than this in 100 g dilutes, mg of sodium (convention). */
const UNSALTED_MG = 60;

function tooSalty(ground: Ground, degree: Degree): Mending {
  const { opened, now, planned, sheet } = ground;
  const per = (each: Outlook): number => (each.finishedGrams > 0 ? saltIn(each) / each.finishedGrams : 0);
  const isTold = per(now) > per(planned) * 1.02;
  const wanted = isTold ? per(planned) : per(now) * (1 - SALT_OFF[degree]);
  const { book } = groundOfBatch(opened);
  const grams = wanted > 0 ? saltIn(now) / wanted - now.finishedGrams : 0;
  const words = isTold
    ? `By the record there is ${figureText((per(now) / per(planned) - 1) * 100, 0)} % more salt in it than planned.`
    : `By the record the salt is as planned. ${degree.charAt(0).toUpperCase()}${degree.slice(1)} is taken for ${figureText(SALT_OFF[degree] * 100, 0)} % too much (convention).`;
  if (!(grams > 0))
    return { trouble: 'too salty', words: `${words} Nobody knows how much salt is in it.`, moves: [] };
  const moves: Move[] = [
    addingMove(ground, {
      id: 'water',
      words: `Stir in ${gramsText(whole(grams))} of water; thicken it again where it turns thin`,
      why: 'the same salt in more of the dish',
      additions: [{ foodId: WATER_ID, name: 'Water', grams: whole(grams), because: 'to mend' }],
    }),
  ];
  const bulk = unsaltedBulk(
    sheet,
    (id) => (book.foods.foods.get(id)?.composition.sodiumMg ?? Infinity) < UNSALTED_MG,
  );
  if (bulk.length > 0) {
    const of = bulk.reduce((sum, { share }) => sum + share, 0);
    const additions = bulk.map(({ foodId, name, share }) => ({
      foodId,
      name,
      grams: whole((grams * share) / of),
      because: 'to mend' as const,
    }));
    moves.push(
      addingMove(ground, {
        id: 'more',
        words: `More of the same without salt: ${additions.map(({ name, grams: each }) => `${gramsText(each)} ${name.toLowerCase()}`).join(', ')}`,
        why: 'thickness and taste stay, and there is more of it; cook it through',
        additions,
      }),
    );
  }
  return { trouble: 'too salty', words, moves };
}

function tooLittle(ground: Ground): Mending {
  const { opened, now, sheet } = ground;
  const heads = opened.heads ?? Math.round(groundOfBatch(opened).planned.portions);
  const portion = sheet.portionGrams;
  const lacks = heads * portion - now.finishedGrams;
  if (!(lacks > 0.5))
    return {
      trouble: 'too little',
      words: `There is enough for ${heads} portions of ${gramsText(portion)}.`,
      moves: [],
    };
  const words = `${gramsText(lacks)} short of ${heads} portions of ${gramsText(portion)}.`;
  const moves: Move[] = [];
  const stretch = Math.min(lacks, MOST_STRETCH * now.finishedGrams);
  const isSimmered = sheet.stages.some(({ work }) => work === 'simmer');
  if (isSimmered)
    moves.push(
      addingMove(ground, {
        id: 'water',
        words: `Stretch it with ${gramsText(whole(stretch))} of water${stretch < lacks ? `: ${gramsText(lacks - stretch)} are still short` : ''}`,
        why: `no more than ${figureText(MOST_STRETCH * 100, 0)} % of the pot, else it is thin (convention)`,
        additions: [{ foodId: WATER_ID, name: 'Water', grams: whole(stretch), because: 'to mend' }],
      }),
    );
  const additions = sheet.lines.flatMap(({ foodId, componentId, name, batchGrams }) => {
    const id = foodId ?? componentId;
    const grams = batchGrams === null ? 0 : roundToDecimals((batchGrams * lacks) / now.finishedGrams, 0);
    return id !== null && grams >= 1 ? [{ foodId: id, name, grams, because: 'to mend' as const }] : [];
  });
  moves.push(
    addingMove(ground, {
      id: 'more',
      words: `Cook ${gramsText(lacks)} more of it: ${additions
        .slice(0, 6)
        .map(({ name, grams }) => `${gramsText(grams)} ${name.toLowerCase()}`)
        .join(', ')}${additions.length > 6 ? ' and the rest in proportion' : ''}`,
      why: `the same recipe; its core must read ${HEAT_LIMITS[opened.inputs.kitchen.regime].coreCelsius} °C too where it is cooked`,
      additions,
    }),
  );
  const smaller = now.finishedGrams / heads;
  if (smaller >= LEAST_PORTION_SHARE * portion)
    moves.push({
      id: 'smaller',
      words: `Serve ${heads} portions of ${gramsText(smaller)} instead of ${gramsText(portion)}`,
      why: `not below ${figureText(LEAST_PORTION_SHARE * 100, 0)} % of a portion (convention); its label says the smaller one`,
      additions: [],
      minutes: null,
      finishedGrams: now.finishedGrams,
      effect: effectBetween(now, {
        ...now,
        portions: heads,
        saltGramsAPortion: (now.saltGramsAPortion * smaller) / portion,
      }),
    });
  return { trouble: 'too little', words, moves };
}

/** Moves for a trouble of a batch as it stands. */
export function mendingOf(
  opened: OpenedBatch,
  record: readonly Standing[],
  trouble: Trouble,
  degree: Degree,
  stepId = '',
): Mending {
  const sheet = cookedSheet(opened, record, 'as planned');
  const ground: Ground = {
    opened,
    record,
    stepId: stepId || lastHeated(opened),
    sheet,
    now: outlookOf(sheet, opened),
    planned: outlookOf(groundOfBatch(opened).planned, opened),
  };
  switch (trouble) {
    case 'too thin':
      return tooThin(ground, degree);
    case 'too thick':
      return tooThick(ground, degree);
    case 'too salty':
      return tooSalty(ground, degree);
    case 'too little':
      return tooLittle(ground);
  }
}

/** The last step that heats: what mends a pot goes into it there. */
function lastHeated(opened: OpenedBatch): string {
  const { steps } = groundOfBatch(opened).recipe;
  return steps.filter(({ reading }) => cookingsIn(reading).length > 0).at(-1)?.id ?? '';
}
