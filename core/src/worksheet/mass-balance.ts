/**
 * Where every gram goes, from the store to the portions: the whole, its water, dry matter, fat and salt. What comes in equals what
 * goes out, for each of them.
 */
import { type Batch, factorFor, lineFactor } from '../batch';
import { beforeLoss, type Composed, type ComposedLine, foodFollows, LIQUOR_ID, waterIn } from '../dish';
import { type Food, isWater, NUTRIENTS } from '../food';
import type { Kitchen } from '../kitchen';
import { type BathKind, waterShareOf } from '../matter';
import { keptShares, vectorHere } from '../nutrition';
import type { Book } from '../recipe';

/** Grams of a flow and of what it is made of; salt is sodium x 2.5. What the larder does not know counts as none. */
export interface Matter {
  grams: number;
  waterGrams: number;
  dryGrams: number;
  fatGrams: number;
  saltGrams: number;
}

/** Ways in: from the store, made before, from the tap. Ways out: peel, tin liquid, soaking liquor, other baths, the sieve, steam, pots, the plate. */
export const MATTER_FLOWS = [
  'store',
  'components',
  'water',
  'trimmed',
  'drained',
  'soaking-water',
  'poured-off',
  'left-in-pan',
  'strained-out',
  'steam',
  'lost',
  'finished',
] as const;
export type MatterFlow = (typeof MATTER_FLOWS)[number];
const WAYS_IN: ReadonlySet<MatterFlow> = new Set(['store', 'components', 'water']);

export interface MatterRow extends Matter {
  flow: MatterFlow;
  isIn: boolean;
}

export interface MassBalance {
  /** From the store, as purchased; components that were made before; water from the tap, absorbed water with it. */
  purchasedGrams: number;
  componentGrams: number;
  waterGrams: number;
  /** Peel and stalks; liquid of tins. */
  trimmedGrams: number;
  drainedGrams: number;
  /** Frying oil that no food takes up. */
  leftInPanGrams: number;
  /** Soaking, boiling and steaming water, marinades, what is pressed and rinsed out; solids that stay in the sieve. */
  pouredOffGrams: number;
  strainedGrams: number;
  /** Everything in the pot, absorbed water too. */
  putInGrams: number;
  steamGrams: number;
  /** What sticks to pots and spoons. Below zero where a weighed yield is more than went in: something is not written. */
  lostGrams: number;
  finishedGrams: number;
  /** The same with what each flow is made of. */
  rows: MatterRow[];
}

const FAT = NUTRIENTS.indexOf('fatG');
const SODIUM = NUTRIENTS.indexOf('sodiumMg');
const SALT_PER_SODIUM_MG = 2.5 / 1000;

/** What a gram holds, as shares. */
type Shares = Pick<Matter, 'waterGrams' | 'fatGrams' | 'saltGrams'>;
const NOTHING: Shares = { waterGrams: 0, fatGrams: 0, saltGrams: 0 };
const WATER: Shares = { waterGrams: 1, fatGrams: 0, saltGrams: 0 };

const orNone = (value: number): number => (Number.isNaN(value) ? 0 : value);

function sharesOfFood(food: Food, book: Book, kitchen: Kitchen): Shares {
  const vector = vectorHere(food, book.foods, kitchen);
  return {
    waterGrams: waterShareOf(food),
    fatGrams: orNone(vector?.[FAT] ?? 0),
    saltGrams: orNone(vector?.[SODIUM] ?? 0) * SALT_PER_SODIUM_MG,
  };
}

function sharesOf(line: ComposedLine, book: Book, kitchen: Kitchen): Shares {
  const { food, inner } = line;
  if (food) return sharesOfFood(food, book, kitchen);
  const whole = inner ? beforeLoss(inner) : 0;
  if (!inner || !(whole > 0)) return NOTHING;
  return {
    waterGrams: waterIn(line),
    fatGrams: inner.nutrients.amounts[FAT]! / whole,
    saltGrams: (inner.nutrients.amounts[SODIUM]! / whole) * SALT_PER_SODIUM_MG,
  };
}

/** Where the part of a line that no food takes up stays. */
const LEFT_AS: Readonly<Partial<Record<BathKind, MatterFlow>>> = {
  frying: 'left-in-pan',
  straining: 'strained-out',
  soaking: 'soaking-water',
};
const leftAs = ({ bath }: ComposedLine): MatterFlow => (bath && LEFT_AS[bath]) ?? 'poured-off';

/** Everything that came in and went out of a batch. `per100g` is the worksheet's, so that figures and flows are held together. */
export function massBalance(
  composed: Composed,
  batch: Batch,
  per100g: { fatG: number; sodiumMg: number },
  book: Book,
  kitchen: Kitchen,
): MassBalance {
  const flows = new Map<MatterFlow, Matter>(
    MATTER_FLOWS.map((flow) => [flow, { grams: 0, waterGrams: 0, dryGrams: 0, fatGrams: 0, saltGrams: 0 }]),
  );
  const add = (flow: MatterFlow, grams: number, shares: Shares): void => {
    const row = flows.get(flow)!;
    row.grams += grams;
    row.waterGrams += grams * shares.waterGrams;
    row.dryGrams += grams * (1 - shares.waterGrams);
    row.fatGrams += grams * shares.fatGrams;
    row.saltGrams += grams * shares.saltGrams;
  };
  const liquor = book.foods.foods.get(LIQUOR_ID);
  const liquorShares = liquor ? sharesOfFood(liquor, book, kitchen) : WATER;
  let putIn = composed.absorbedGrams * factorFor('batch', batch);
  let eatenWater = (composed.absorbedGrams - composed.pressedGrams) * factorFor('batch', batch);
  add('water', composed.absorbedGrams * factorFor('batch', batch), WATER);
  add('poured-off', composed.pressedGrams * factorFor('batch', batch), WATER);
  for (const line of composed.lines) {
    const { weight, food, purchasedPerEdible, technique, takenUp } = line;
    if (!weight) continue;
    const put = weight.grams * lineFactor(line, batch);
    const eaten = weight.grams * takenUp * factorFor(foodFollows(line), batch);
    const shares = sharesOf(line, book, kitchen);
    putIn += put;
    if (technique || isWater(food)) add('water', put, technique ? WATER : shares);
    else if (line.component) add('components', put, shares);
    else {
      const isTin = food?.state === 'tinned' && purchasedPerEdible > 1;
      const other = put * (purchasedPerEdible - 1);
      const isLiquor = food?.id === LIQUOR_ID;
      add('store', put, shares);
      add('store', other, isTin || isLiquor ? liquorShares : shares);
      add(isTin || isLiquor ? 'drained' : 'trimmed', other, isTin || isLiquor ? liquorShares : shares);
    }
    if (technique) continue;
    add(leftAs(line), put - eaten, shares);
    eatenWater += eaten * shares.waterGrams;
    // Salt that is rinsed or boiled out of what is eaten.
    const kept = food ? keptShares(line.source, food, composed.recipe.steps, line.isPouredOff) : null;
    if (kept) flows.get('poured-off')!.saltGrams += eaten * shares.saltGrams * (1 - kept[SODIUM]!);
  }
  add('steam', batch.steamGrams, WATER);
  const finished = flows.get('finished')!;
  const sweat = composed.sweatGrams * factorFor('pan', batch);
  const leftWater = Math.max(0, eatenWater - (batch.steamGrams - sweat));
  finished.grams = batch.finishedGrams;
  finished.fatGrams = (per100g.fatG * batch.finishedGrams) / 100;
  finished.saltGrams = (per100g.sodiumMg * SALT_PER_SODIUM_MG * batch.finishedGrams) / 100;
  const of = (flow: MatterFlow): Matter => flows.get(flow)!;
  const gone = (['left-in-pan', 'soaking-water', 'poured-off', 'strained-out', 'steam'] as const).reduce(
    (sum, flow) => sum + of(flow).grams,
    0,
  );
  const lost = of('lost');
  lost.grams = putIn - gone - batch.finishedGrams;
  // What sticks to pots takes all in proportion; a weighed yield knows only the whole, and its difference is taken for water.
  const stuck = composed.isMeasured ? 0 : 1 / composed.keptShare - 1;
  lost.fatGrams = finished.fatGrams * stuck;
  lost.saltGrams = finished.saltGrams * stuck;
  lost.waterGrams = composed.isMeasured ? lost.grams : leftWater * (1 - composed.keptShare);
  lost.dryGrams = lost.grams - lost.waterGrams;
  finished.waterGrams = leftWater - lost.waterGrams;
  finished.dryGrams = finished.grams - finished.waterGrams;
  return {
    purchasedGrams: of('store').grams,
    componentGrams: of('components').grams,
    waterGrams: of('water').grams,
    trimmedGrams: of('trimmed').grams,
    drainedGrams: of('drained').grams,
    leftInPanGrams: of('left-in-pan').grams,
    pouredOffGrams: of('poured-off').grams + of('soaking-water').grams,
    strainedGrams: of('strained-out').grams,
    putInGrams: putIn,
    steamGrams: batch.steamGrams,
    lostGrams: lost.grams,
    finishedGrams: batch.finishedGrams,
    rows: MATTER_FLOWS.map((flow) => ({ flow, isIn: WAYS_IN.has(flow), ...of(flow) })),
  };
}
