/** What each bath of a dish takes and leaves, in grams: marked on its lines, and said. The rules stand in core/matter. */
import { finding, type Finding } from '../finding';
import { type Food, inSentence, isFat, isLiquid, isWater, nameWords, soakUptake } from '../food';
import {
  type ActLine,
  type Bath,
  type BathKind,
  bathsOf,
  fryingSteam,
  MARINADE_UPTAKE,
  oilTakenUp,
  PLENTY_OF_WATER,
  SALT_EXCHANGE,
  SALTED_AND_RINSED,
  STRAINED,
  waterShareOf,
} from '../matter';
import { figureText, gramsText } from '../quantity';
import type { Recipe, RecipeStep } from '../recipe';
import type { ComposedLine } from './composed';

/** What the baths of a recipe come to. */
export interface Baths {
  /** Steps whose steam is a bath's, not the food's. */
  steps: ReadonlySet<RecipeStep>;
  /** Water that lines have taken up: in all, and of it what no line of the list gave. */
  drunk: ReadonlyMap<string, { grams: number; unlisted: number }>;
  /** Lines that went soaked, or that are boiled in water of a bath. */
  soaked: ReadonlySet<string>;
  boiled: ReadonlySet<string>;
  /** Steam that a fryer drives out of its food. */
  friedSteamGrams: number;
}

const SOLUBLE = new Set([
  'sweetener',
  'acid',
  'seasoning sauce',
  'condiment',
  'sauce',
  'stock base',
  'seasoning',
]);
const MILKED = new Set(['nut', 'seed', 'grain', 'soya']);

/** Water a food takes up in a soak; boiling water, or one that leaves only an excess, soaks dry grain and noodles through. */
function uptakeOf(food: Food | null, { isHot, draining }: Bath): number {
  if (!food) return 0;
  const isThrough =
    (isHot || draining?.isExcess === true) && (food.category === 'noodle' || food.category === 'grain');
  return isThrough && food.cookingYield !== null ? food.cookingYield - 1 : soakUptake(food);
}

const isDry = (food: Food): boolean => food.state === 'dry' && food.cookingYield !== null;

const CALLED = new WeakMap<Food, readonly string[]>();
const longWords = (text: string): string[] => nameWords(text).filter((word) => word.length > 2);

/** Every word a food is called by. */
function calledBy(food: Food): readonly string[] {
  let words = CALLED.get(food);
  if (!words) CALLED.set(food, (words = [food.name, ...food.synonyms].flatMap(longWords)));
  return words;
}

function asActLine({ id, source, food, weight, role, inner, name }: ComposedLine): ActLine {
  return {
    id,
    text: source.text.toLowerCase(),
    amountText: source.reading.amountText,
    calls: [...(food ? calledBy(food) : longWords(name)), ...longWords(source.reading.foodText)],
    grams: weight?.grams ?? 0,
    isFat: isFat(food),
    isWater: isWater(food),
    isLiquid: isLiquid(food),
    isSalt: role === 'salt',
    isSoluble: food !== null && SOLUBLE.has(food.category),
    isDrinker: food !== null && !source.answers.isCookedApart && soakUptake(food) > 0,
    isNoodle: food?.category === 'noodle',
    isBoilable:
      food !== null &&
      inner === null &&
      (isDry(food) || food.category === 'vegetable' || food.category === 'green'),
  };
}

const gramsOf = (lines: readonly ComposedLine[]): number =>
  lines.reduce((sum, { weight }) => sum + (weight?.grams ?? 0), 0);

/** The cook's word on a line of a bath, else what the method says; null while it is open. */
function isLeft({ source }: ComposedLine, bath: Bath): boolean | null {
  const said = source.answers.bath;
  if (said !== undefined) return said === 'left';
  return bath.isSaid ? true : null;
}

/** Marks every line that is only partly eaten, adds what must be said, and returns what the foods drank. */
export function markBaths(recipe: Recipe, lines: readonly ComposedLine[], findings: Finding[]): Baths {
  const steps = new Set<RecipeStep>();
  const drunk = new Map<string, { grams: number; unlisted: number }>();
  const soaked = new Set<string>();
  const boiled = new Set<string>();
  let friedSteamGrams = 0;
  const drink = (line: ComposedLine, grams: number, isListed: boolean): void => {
    const before = drunk.get(line.id) ?? { grams: 0, unlisted: 0 };
    drunk.set(line.id, { grams: before.grams + grams, unlisted: before.unlisted + (isListed ? 0 : grams) });
  };
  const byId = new Map(lines.map((line) => [line.id, line]));
  const all = (ids: readonly string[]): ComposedLine[] => ids.flatMap((id) => byId.get(id) ?? []);
  const leave = (bathLines: readonly ComposedLine[], eaten: number, kind: BathKind): void => {
    const grams = gramsOf(bathLines);
    for (const line of bathLines) {
      line.takenUp = grams > 0 ? Math.min(1, eaten / grams) : 1;
      // A pan of oil goes by the pan; any other bath by the food in it.
      if (kind !== 'frying') line.follows = 'batch';
      line.bath = kind;
    }
  };

  for (const bath of bathsOf(recipe, lines.map(asActLine))) {
    const liquid = all(bath.liquidIds).filter(({ takenUp }) => takenUp === 1);
    const foods = all(bath.foodIds);
    const grams = gramsOf(liquid);
    const answers = liquid.map((line) => isLeft(line, bath));
    if (answers.includes(false)) continue;
    if (answers.includes(null)) {
      const [first] = liquid;
      const figures = {
        grams: gramsText(grams),
        name: inSentence(first!.name),
        food: foods.map(({ name }) => inSentence(name)).join(', '),
        where: bath.kind === 'frying' ? 'stay in the pan' : 'go down the sink',
      };
      // It is asked where it stands.
      first!.findings = [...first!.findings, finding('bath-open', first!.id, figures)];
      continue;
    }
    switch (bath.kind) {
      case 'soaking': {
        let taken = 0;
        for (const line of foods) {
          soaked.add(line.id);
          const uptake = (line.weight?.grams ?? 0) * uptakeOf(line.food, bath);
          taken += uptake;
          drink(line, uptake, liquid.length > 0);
        }
        taken += bath.draining?.keptGrams ?? 0;
        if (liquid.length > 0 && taken < grams) {
          leave(liquid, taken, bath.kind);
          findings.push(pouredOff(liquid, grams, taken));
        }
        break;
      }
      case 'boiling': {
        if (bath.moment) steps.add(bath.moment.step);
        boil(recipe, lines, foods, liquid, bath.draining?.keptGrams ?? 0, {
          drink,
          drunk,
          boiled,
          findings,
          leave,
        });
        break;
      }
      case 'steaming':
        leave(liquid, 0, bath.kind);
        findings.push(pouredOff(liquid, grams, 0));
        break;
      case 'marinating': {
        const taken = gramsOf(foods) * MARINADE_UPTAKE;
        if (taken >= grams) break;
        // In days, or in vinegar, salt and sugar are as strong in the food's own water as in the liquid.
        const isSolute = ({ role, food }: ComposedLine): boolean =>
          role === 'salt' || food?.category === 'sweetener';
        const solutes = bath.isLong ? liquid.filter(isSolute) : [];
        const wet = (each: readonly ComposedLine[]): number =>
          each.reduce(
            (sum, { weight, food }) => sum + (weight?.grams ?? 0) * (food ? waterShareOf(food) : 0),
            0,
          );
        const inFood = wet(foods);
        const inAll = inFood + wet(liquid);
        leave(
          liquid.filter((line) => !solutes.includes(line)),
          taken,
          bath.kind,
        );
        if (solutes.length > 0)
          leave(solutes, inAll > 0 ? (gramsOf(solutes) * inFood) / inAll : 0, bath.kind);
        findings.push(
          finding('marinade-left', liquid[0]!.id, {
            taken: figureText(taken, 0),
            left: figureText(grams - taken, 0),
          }),
        );
        break;
      }
      case 'salting':
        leave(liquid, grams * SALTED_AND_RINSED, bath.kind);
        findings.push(
          finding('salt-rinsed', liquid[0]!.id, { left: figureText(grams * (1 - SALTED_AND_RINSED), 0) }),
        );
        break;
      case 'frying':
        friedSteamGrams += fry(recipe, foods, liquid, bath, drunk, leave, findings);
        break;
      case 'straining':
        strain(recipe, liquid, findings);
        break;
    }
  }
  return { steps, drunk, soaked, boiled, friedSteamGrams };
}

const pouredOff = (liquid: readonly ComposedLine[], grams: number, taken: number): Finding =>
  finding('water-poured-off', liquid[0]!.id, {
    grams: figureText(grams - taken, 0),
    drunk: figureText(taken, 0),
  });

interface Marks {
  drink: (line: ComposedLine, grams: number, isListed: boolean) => void;
  drunk: ReadonlyMap<string, { grams: number; unlisted: number }>;
  boiled: Set<string>;
  findings: Finding[];
  leave: (lines: readonly ComposedLine[], eaten: number, kind: BathKind) => void;
}

/** Boiled in plenty of water: dry food drinks to its yield, and salt goes with the water. */
function boil(
  recipe: Recipe,
  lines: readonly ComposedLine[],
  foods: readonly ComposedLine[],
  liquid: readonly ComposedLine[],
  keptGrams: number,
  { drink, drunk, boiled, findings, leave }: Marks,
): void {
  const isListed = liquid.length > 0;
  let taken = 0;
  let salted = 0;
  let plenty = 0;
  for (const line of foods) {
    const own = line.weight?.grams ?? 0;
    const { food } = line;
    const before = drunk.get(line.id)?.grams ?? 0;
    const drinks = food && isDry(food) ? Math.max(0, own * (food.cookingYield! - 1) - before) : 0;
    taken += drinks;
    // What drinks nothing still takes up salt.
    salted += Math.max(drinks, SALT_EXCHANGE * own);
    plenty += own * (food && isDry(food) ? PLENTY_OF_WATER.dry : PLENTY_OF_WATER.otherwise);
  }
  // Stock, wine and the like cling and soak in where nothing drinks them.
  if (isListed && !liquid.some(({ food }) => isWater(food)))
    taken = Math.max(taken, gramsOf(foods) * MARINADE_UPTAKE);
  if (isListed) taken += keptGrams;
  const grams = isListed ? gramsOf(liquid) : plenty;
  if (grams <= 0 || taken >= grams) return;
  for (const line of foods) {
    const { food, weight } = line;
    line.isPouredOff = true;
    if (!food || !isDry(food)) continue;
    boiled.add(line.id);
    drink(
      line,
      Math.max(0, (weight?.grams ?? 0) * (food.cookingYield! - 1) - (drunk.get(line.id)?.grams ?? 0)),
      isListed,
    );
  }
  if (isListed) {
    leave(liquid, taken, 'boiling');
    findings.push(pouredOff(liquid, grams, taken));
  }
  const salts = saltOfWater(recipe, lines, foods, isListed);
  if (salts.length > 0) leave(salts, gramsOf(salts) * Math.min(1, salted / grams), 'boiling');
}

/** Salt that goes into the boiling water: its step names it or says "salted"; where the water is listed, also what no step names. */
function saltOfWater(
  { steps }: Recipe,
  lines: readonly ComposedLine[],
  foods: readonly ComposedLine[],
  isListed: boolean,
): ComposedLine[] {
  const ids = new Set(foods.map(({ source }) => source.id));
  const isBoilingStep = ({ text, reading }: RecipeStep): boolean =>
    /\bboil|\bsalted\b|\bblanch|\bcook/i.test(text) && reading.lineIds.some((id) => ids.has(id));
  const saltedHere = steps.some((step) => isBoilingStep(step) && /\bsalt(?:ed)?\b/i.test(step.text));
  const elsewhere = new Set(
    steps
      .filter((step) => !isBoilingStep(step) && !/\bboil/i.test(step.text))
      .flatMap(({ reading }) => reading.lineIds),
  );
  return lines.filter(
    (line) =>
      line.role === 'salt' &&
      line.takenUp === 1 &&
      !elsewhere.has(line.source.id) &&
      (isListed || saltedHere),
  );
}

/** Of the fat something is fried in, what the food takes up is eaten. Returns the steam of the fryer. */
function fry(
  { name, steps }: Recipe,
  foods: readonly ComposedLine[],
  fats: readonly ComposedLine[],
  bath: Bath,
  drunk: ReadonlyMap<string, { grams: number }>,
  leave: Marks['leave'],
  findings: Finding[],
): number {
  const method = [name, ...steps.map(({ text }) => text)].join(' ').toLowerCase();
  const fried = foods.map((line) => ({
    name: line.name,
    category: line.food?.category ?? '',
    grams: (line.weight?.grams ?? 0) * line.takenUp + (drunk.get(line.id)?.grams ?? 0),
  }));
  const taken = oilTakenUp(fried, method);
  const grams = gramsOf(fats);
  if (grams <= taken) return 0;
  leave(fats, taken, bath.kind);
  for (const line of fats) {
    const own = (line.weight?.grams ?? 0) * line.takenUp;
    const figures = {
      name: line.name,
      taken: figureText(own, 0),
      left: figureText((line.weight?.grams ?? 0) - own, 0),
    };
    findings.push(finding('oil-taken-up', line.id, figures));
  }
  return fryingSteam(fried, method);
}

/** Of what is strained out only what passes the cloth is eaten. */
function strain({ steps }: Recipe, held: readonly ComposedLine[], findings: Finding[]): void {
  const isBlended = steps.some(({ text }) => /\bblend|\bgrind|\bwhizz|\bpur[ée]e/i.test(text));
  const passing = (line: ComposedLine): keyof typeof STRAINED => {
    if (!isBlended) return 'steeped';
    return line.food !== null && MILKED.has(line.food.category) ? 'milked' : 'blended';
  };
  for (const how of ['steeped', 'milked', 'blended'] as const) {
    const lines = held.filter((line) => passing(line) === how);
    for (const line of lines) {
      line.takenUp = STRAINED[how];
      line.bath = 'straining';
    }
    if (lines.length === 0) continue;
    const names = lines.map(({ name }) => name).join(', ');
    const figures = { names, percent: figureText(STRAINED[how] * 100, 0) };
    findings.push(finding(how === 'blended' ? 'sieved' : 'strained-off', lines[0]!.id, figures));
  }
}
