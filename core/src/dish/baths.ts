/** What each bath of a dish takes and leaves, in grams: marked on its lines, and said. The rules stand in core/matter. */
import { type Finding, finding } from '../finding';
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

/** What stands in a bath: what is lifted out of it, what it is, and how much of that there is. */
interface Filled {
  bath: Bath;
  foods: readonly ComposedLine[];
  liquid: readonly ComposedLine[];
  grams: number;
}

const pouredOff = (liquid: readonly ComposedLine[], grams: number, taken: number): Finding =>
  finding('water-poured-off', liquid[0]!.id, {
    grams: figureText(grams - taken, 0),
    drunk: figureText(taken, 0),
  });

/** The marks of a dish's baths, made bath by bath. */
class BathMarks {
  readonly steps = new Set<RecipeStep>();
  readonly drunk = new Map<string, { grams: number; unlisted: number }>();
  readonly soaked = new Set<string>();
  readonly boiled = new Set<string>();
  friedSteamGrams = 0;
  private readonly byId: ReadonlyMap<string, ComposedLine>;

  constructor(
    private readonly recipe: Recipe,
    private readonly lines: readonly ComposedLine[],
    private readonly findings: Finding[],
  ) {
    this.byId = new Map(lines.map((line) => [line.id, line]));
  }

  private linesOf(ids: readonly string[]): ComposedLine[] {
    return ids.flatMap((id) => this.byId.get(id) ?? []);
  }

  private drink(line: ComposedLine, grams: number, isListed: boolean): void {
    const before = this.drunk.get(line.id) ?? { grams: 0, unlisted: 0 };
    this.drunk.set(line.id, {
      grams: before.grams + grams,
      unlisted: before.unlisted + (isListed ? 0 : grams),
    });
  }

  /** Of these lines only so much is eaten. */
  private leave(lines: readonly ComposedLine[], eaten: number, kind: BathKind): void {
    const grams = gramsOf(lines);
    for (const line of lines) {
      line.takenUp = grams > 0 ? Math.min(1, eaten / grams) : 1;
      // A pan of oil goes by the pan; any other bath by the food in it.
      if (kind !== 'frying') line.follows = 'batch';
      line.bath = kind;
    }
  }

  mark(bath: Bath): void {
    const liquid = this.linesOf(bath.liquidIds).filter(({ takenUp }) => takenUp === 1);
    const filled: Filled = { bath, foods: this.linesOf(bath.foodIds), liquid, grams: gramsOf(liquid) };
    const answers = liquid.map((line) => isLeft(line, bath));
    if (answers.includes(false)) return;
    if (answers.includes(null)) this.ask(filled);
    else this[bath.kind](filled);
  }

  /** It is asked where it stands. */
  private ask({ bath, foods, liquid, grams }: Filled): void {
    const first = liquid[0]!;
    const figures = {
      grams: gramsText(grams),
      name: inSentence(first.name),
      food: foods.map(({ name }) => inSentence(name)).join(', '),
      where: bath.kind === 'frying' ? 'stay in the pan' : 'go down the sink',
    };
    first.findings = [...first.findings, finding('bath-open', first.id, figures)];
  }

  private soaking({ bath, foods, liquid, grams }: Filled): void {
    let taken = bath.draining?.keptGrams ?? 0;
    for (const line of foods) {
      this.soaked.add(line.id);
      const uptake = (line.weight?.grams ?? 0) * uptakeOf(line.food, bath);
      taken += uptake;
      this.drink(line, uptake, liquid.length > 0);
    }
    if (liquid.length === 0 || taken >= grams) return;
    this.leave(liquid, taken, bath.kind);
    this.findings.push(pouredOff(liquid, grams, taken));
  }

  /** Boiled in plenty of water: dry food drinks to its yield, and salt goes with the water. */
  private boiling({ bath, foods, liquid }: Filled): void {
    if (bath.moment) this.steps.add(bath.moment.step);
    const isListed = liquid.length > 0;
    let taken = 0;
    let salted = 0;
    let plenty = 0;
    for (const line of foods) {
      const own = line.weight?.grams ?? 0;
      const drinks = this.stillDrunkBy(line);
      taken += drinks;
      // What drinks nothing still takes up salt.
      salted += Math.max(drinks, SALT_EXCHANGE * own);
      plenty += own * (line.food && isDry(line.food) ? PLENTY_OF_WATER.dry : PLENTY_OF_WATER.otherwise);
    }
    // Stock, wine and the like cling and soak in where nothing drinks them.
    if (isListed && !liquid.some(({ food }) => isWater(food)))
      taken = Math.max(taken, gramsOf(foods) * MARINADE_UPTAKE);
    if (isListed) taken += bath.draining?.keptGrams ?? 0;
    const grams = isListed ? gramsOf(liquid) : plenty;
    if (grams <= 0 || taken >= grams) return;
    for (const line of foods) {
      line.isPouredOff = true;
      if (!line.food || !isDry(line.food)) continue;
      this.boiled.add(line.id);
      this.drink(line, this.stillDrunkBy(line), isListed);
    }
    if (isListed) {
      this.leave(liquid, taken, 'boiling');
      this.findings.push(pouredOff(liquid, grams, taken));
    }
    const salts = saltOfWater(this.recipe, this.lines, foods, isListed);
    if (salts.length > 0) this.leave(salts, gramsOf(salts) * Math.min(1, salted / grams), 'boiling');
  }

  /** Grams of water that dry food drinks to its cooking yield, less what it has drunk. */
  private stillDrunkBy({ id, food, weight }: ComposedLine): number {
    if (!food || !isDry(food)) return 0;
    const before = this.drunk.get(id)?.grams ?? 0;
    return Math.max(0, (weight?.grams ?? 0) * (food.cookingYield! - 1) - before);
  }

  private steaming({ bath, liquid, grams }: Filled): void {
    this.leave(liquid, 0, bath.kind);
    this.findings.push(pouredOff(liquid, grams, 0));
  }

  private marinating({ bath, foods, liquid, grams }: Filled): void {
    const taken = gramsOf(foods) * MARINADE_UPTAKE;
    if (taken >= grams) return;
    // In days, or in vinegar, salt and sugar are as strong in the food's own water as in the liquid.
    const isSolute = ({ role, food }: ComposedLine): boolean =>
      role === 'salt' || food?.category === 'sweetener';
    const solutes = bath.isLong ? liquid.filter(isSolute) : [];
    const inFood = waterOf(foods);
    const inAll = inFood + waterOf(liquid);
    this.leave(
      liquid.filter((line) => !solutes.includes(line)),
      taken,
      bath.kind,
    );
    if (solutes.length > 0)
      this.leave(solutes, inAll > 0 ? (gramsOf(solutes) * inFood) / inAll : 0, bath.kind);
    const figures = { taken: figureText(taken, 0), left: figureText(grams - taken, 0) };
    this.findings.push(finding('marinade-left', liquid[0]!.id, figures));
  }

  private salting({ bath, liquid, grams }: Filled): void {
    this.leave(liquid, grams * SALTED_AND_RINSED, bath.kind);
    const figures = { left: figureText(grams * (1 - SALTED_AND_RINSED), 0) };
    this.findings.push(finding('salt-rinsed', liquid[0]!.id, figures));
  }

  /** Of the fat something is fried in, what the food takes up is eaten. */
  private frying({ bath, foods, liquid: fats, grams }: Filled): void {
    const { name, steps } = this.recipe;
    const method = [name, ...steps.map(({ text }) => text)].join(' ').toLowerCase();
    const fried = foods.map((line) => ({
      name: line.name,
      category: line.food?.category ?? '',
      grams: (line.weight?.grams ?? 0) * line.takenUp + (this.drunk.get(line.id)?.grams ?? 0),
    }));
    const taken = oilTakenUp(fried, method);
    if (grams <= taken) return;
    this.leave(fats, taken, bath.kind);
    for (const line of fats) {
      const own = (line.weight?.grams ?? 0) * line.takenUp;
      const figures = {
        name: line.name,
        taken: figureText(own, 0),
        left: figureText((line.weight?.grams ?? 0) - own, 0),
      };
      this.findings.push(finding('oil-taken-up', line.id, figures));
    }
    this.friedSteamGrams += fryingSteam(fried, method);
  }

  /** Of what is strained out only what passes the cloth is eaten. */
  private straining({ liquid: held }: Filled): void {
    const isBlended = this.recipe.steps.some(({ text }) => /\bblend|\bgrind|\bwhizz|\bpur[ée]e/i.test(text));
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
      this.findings.push(finding(how === 'blended' ? 'sieved' : 'strained-off', lines[0]!.id, figures));
    }
  }
}

/** Grams of water in lines of known foods. */
const waterOf = (lines: readonly ComposedLine[]): number =>
  lines.reduce((sum, { weight, food }) => sum + (weight?.grams ?? 0) * (food ? waterShareOf(food) : 0), 0);

/** Marks every line that is only partly eaten, adds what must be said, and returns what the foods drank. */
export function markBaths(recipe: Recipe, lines: readonly ComposedLine[], findings: Finding[]): Baths {
  const marks = new BathMarks(recipe, lines, findings);
  for (const bath of bathsOf(recipe, lines.map(asActLine))) marks.mark(bath);
  const { steps, drunk, soaked, boiled, friedSteamGrams } = marks;
  return { steps, drunk, soaked, boiled, friedSteamGrams };
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
