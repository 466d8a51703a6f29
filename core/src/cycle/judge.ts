/**
 * A cycle looked at as a whole: what comes back too soon, who has no choice, what a day and a week hold. It informs and forbids
 * nothing.
 */
import { planBatch } from '../batch';
import { compose } from '../dish';
import { FACT_IDS, type FactId, type Facts } from '../food';
import { versionsFor } from '../free-from';
import { BAND_IDS, type Kitchen, priceOf, type TargetStanding, targetStanding } from '../kitchen';
import { type PlateCheck, plateCheck, type PortionFood } from '../nutrition';
import type { Book, Recipe } from '../recipe';
import type { Dishes, ServiceDish } from '../service';
import { portionFoods, worksheet } from '../worksheet';
import { type Cycle, type CyclePlace, DAYS_OF_WEEK, dishesAt, placeText } from './cycle';

/** A dish is not served again within so many days; bread may be (convention). */
export const REPEAT_DAYS = 5;

/** A course that may come every day. */
const EVERY_DAY = 'bread';

/** What is known of one portion of a dish, worked out once for a whole cycle. */
export interface DishFacts {
  recipeId: string;
  name: string;
  perPortion: Facts;
  missing: ReadonlySet<string>;
  foods: PortionFood[];
  /** Of one portion, in the kitchen's own money; null where a food has no price or no weight. */
  price: number | null;
  isPriceGuessed: boolean;
  /** Groups that no version of it feeds, by id. */
  unserved: ReadonlySet<string>;
}

export function dishFacts(recipe: Recipe, kitchen: Kitchen, book: Book): DishFacts {
  const plain = worksheet(
    { recipe, kitchen, target: { kind: 'portions', portions: 1, portionGrams: 1 } },
    book,
  );
  const portionGrams = recipe.portionGrams ?? plain.basePortionGrams;
  const target = { kind: 'portions' as const, portions: Math.max(1, recipe.portions), portionGrams };
  const sheet = worksheet({ recipe, kitchen, target }, book);
  const composed = compose(recipe, book, kitchen);
  const foods = portionFoods(composed, planBatch(composed, target, kitchen, []));
  const prices = foods.map(({ food, grams }) => {
    const price = priceOf(food, kitchen);
    return price && { money: price.perGram * grams, origin: price.origin, category: food.category };
  });
  const isWhole =
    prices.every((each) => each !== null) && composed.lines.every(({ weight }) => weight !== null);
  const groups = kitchen.diners.map((group) => ({ ...group, portions: Math.max(1, group.portions ?? 1) }));
  const { unserved } = versionsFor({ recipe, kitchen, target, groups }, book);
  return {
    recipeId: recipe.id,
    name: recipe.name,
    perPortion: sheet.nutrition.perPortion,
    missing: new Set(sheet.nutrition.missing.map(({ id }) => id)),
    foods,
    price: isWhole ? prices.reduce((sum, each) => sum + each!.money, 0) : null,
    isPriceGuessed: prices.some((each) => each?.origin === 'convention' && each.category !== 'water'),
    unserved: new Set(unserved.map(({ groupId }) => groupId)),
  };
}

export type CycleFinding = CyclePlace & {
  code: 'repeats' | 'no-choice' | 'one-choice' | 'no-pulse' | 'few-colours' | 'no-green';
  message: string;
};

/** What a head gets in a day: every dish by the share of heads that take it. */
export interface CycleDay {
  week: number;
  day: number;
  dishes: string[];
  plate: PlateCheck;
  energyKcal: number;
  proteinG: number;
  isAtLeast: boolean;
  /** Money for all of it; null where a dish has no price. */
  price: number | null;
  isPriceGuessed: boolean;
}

export interface WeekTarget {
  figure: FactId;
  min: number | null;
  max: number | null;
  dinerId: string | null;
  average: number;
  standing: TargetStanding;
}

export interface CycleWeek {
  week: number;
  days: CycleDay[];
  /** Average of a meal as it is eaten, over the meals of the week; nothing where the week is empty. */
  perMeal: Partial<Record<FactId, number>>;
  missing: string[];
  /** Average of a day, for each band of ages where the kitchen is a school. */
  perDayByAge: { age: string; energyKcal: number; proteinG: number; sodiumMg: number }[];
  targets: WeekTarget[];
  price: number | null;
}

export interface CycleJudgement {
  weeks: CycleWeek[];
  findings: CycleFinding[];
}

interface Meal extends CyclePlace {
  dishes: { dish: ServiceDish; facts: DishFacts }[];
}

const mealsOf = (cycle: Cycle, facts: ReadonlyMap<string, DishFacts>): Meal[] =>
  Array.from({ length: cycle.weeks * 7 }, (_, index) => index).flatMap((index) =>
    cycle.meals.map(({ name }) => {
      const place = { week: Math.floor(index / 7) + 1, day: (index % 7) + 1, meal: name };
      return {
        ...place,
        dishes: dishesAt(cycle, place).flatMap((dish) => {
          const known = facts.get(dish.recipeId);
          return known ? [{ dish, facts: known }] : [];
        }),
      };
    }),
  );

const dayIndex = ({ week, day }: CyclePlace): number => (week - 1) * 7 + day - 1;

/** Dishes that come back within a few days; the cycle begins anew after its last day. */
function repeatsIn(meals: readonly Meal[], weeks: number): CycleFinding[] {
  const length = weeks * 7;
  const on = new Map<string, Meal[]>();
  for (const meal of meals)
    for (const { facts } of meal.dishes) on.set(facts.recipeId, [...(on.get(facts.recipeId) ?? []), meal]);
  return [...on].flatMap(([id, places]) =>
    places.flatMap((meal, index): CycleFinding[] => {
      const next = places[(index + 1) % places.length]!;
      // After its last place a dish comes back in the next round.
      const isNextRound = index === places.length - 1;
      const days = dayIndex(next) - dayIndex(meal) + (isNextRound ? length : 0);
      if (days >= REPEAT_DAYS) return [];
      const { week, day, meal: name } = next;
      const { dish, facts } = next.dishes.find((each) => each.facts.recipeId === id)!;
      if (dish.course === EVERY_DAY) return [];
      const when = days === 0 ? 'twice on one day' : `again after ${days === 1 ? 'a day' : `${days} days`}`;
      return [{ code: 'repeats', week, day, meal: name, message: `${facts.name} is on ${when}` }];
    }),
  );
}

/** Groups that a course of a meal leaves without a dish, or with one where the others have more. */
function choicesIn(meal: Meal, kitchen: Kitchen): CycleFinding[] {
  const courses = new Map<string, Meal['dishes']>();
  for (const each of meal.dishes)
    courses.set(each.dish.course, [...(courses.get(each.dish.course) ?? []), each]);
  const { week, day, meal: name } = meal;
  return [...courses].flatMap(([course, dishes]) =>
    kitchen.diners.flatMap((group): CycleFinding[] => {
      const free = dishes.filter(({ facts }) => !facts.unserved.has(group.id));
      const of = course === '' ? 'dish' : course;
      if (free.length === 0)
        return [{ code: 'no-choice', week, day, meal: name, message: `${group.name}: no ${of} for them` }];
      return free.length === 1 && dishes.length > 1
        ? [
            {
              code: 'one-choice',
              week,
              day,
              meal: name,
              message: `${group.name}: only ${free[0]!.facts.name} of ${dishes.length} (${of})`,
            },
          ]
        : [];
    }),
  );
}

/** All foods that a head gets, by share of the dishes. */
function foodsOf(meals: readonly Meal[]): PortionFood[] {
  const foods = new Map<string, PortionFood>();
  for (const { dishes } of meals)
    for (const { dish, facts } of dishes)
      for (const { food, grams } of facts.foods)
        foods.set(food.id, { food, grams: (foods.get(food.id)?.grams ?? 0) + grams * dish.share });
  return [...foods.values()];
}

const sumOf = (meals: readonly Meal[], of: (facts: DishFacts) => number): number =>
  meals.reduce(
    (sum, { dishes }) => sum + dishes.reduce((all, { dish, facts }) => all + of(facts) * dish.share, 0),
    0,
  );

function dayIn(week: number, day: number, meals: readonly Meal[]): CycleDay {
  const dishes = meals.flatMap((meal) => meal.dishes);
  const isPriced = dishes.length > 0 && dishes.every(({ facts }) => facts.price !== null);
  return {
    week,
    day,
    dishes: [...new Set(dishes.map(({ facts }) => facts.name))],
    plate: plateCheck(foodsOf(meals)),
    energyKcal: sumOf(meals, ({ perPortion }) => perPortion.energyKcal),
    proteinG: sumOf(meals, ({ perPortion }) => perPortion.proteinG),
    isAtLeast: dishes.some(({ facts }) => facts.missing.has('energyKcal') || facts.missing.has('proteinG')),
    price: isPriced ? sumOf(meals, ({ price }) => price!) : null,
    isPriceGuessed: dishes.some(({ facts }) => facts.isPriceGuessed),
  };
}

function plateFindings({ week, day, plate }: CycleDay, meal: string): CycleFinding[] {
  const isThere = (part: string): boolean => plate.parts.some((each) => each.part === part && each.isThere);
  const place = { week, day, meal };
  const on = DAYS_OF_WEEK[day - 1]!;
  return [
    ...(isThere('bean') ? [] : [{ ...place, code: 'no-pulse' as const, message: `${on}: no pulses` }]),
    ...(isThere('green') ? [] : [{ ...place, code: 'no-green' as const, message: `${on}: nothing green` }]),
    ...(plate.hasColours
      ? []
      : [
          {
            ...place,
            code: 'few-colours' as const,
            message: `${on}: ${plate.colours.length === 1 ? 'one colour' : `${plate.colours.length} colours`}`,
          },
        ]),
  ];
}

function weekIn(week: number, meals: readonly Meal[], { targets, service }: Kitchen): CycleWeek {
  const served = meals.filter(({ dishes }) => dishes.length > 0);
  const days = [...new Set(served.map(({ day }) => day))].map((day) =>
    dayIn(
      week,
      day,
      served.filter((meal) => meal.day === day),
    ),
  );
  const missing = new Set(served.flatMap(({ dishes }) => dishes.flatMap(({ facts }) => [...facts.missing])));
  const averageOf = (id: FactId): number => sumOf(served, ({ perPortion }) => perPortion[id]) / served.length;
  const perMeal =
    served.length === 0 ? {} : Object.fromEntries(FACT_IDS.map((id) => [id, averageOf(id)] as const));
  const perDay = (id: FactId): number => sumOf(served, ({ perPortion }) => perPortion[id]) / days.length;
  const ages = service.isUsSchool
    ? BAND_IDS.map((id) => ({ age: id, share: service.bandShares[id] }))
    : [{ age: 'everybody', share: 1 }];
  const prices = days.map(({ price }) => price);
  return {
    week,
    days,
    perMeal,
    missing: [...missing].sort(),
    perDayByAge:
      days.length === 0
        ? []
        : ages.map(({ age, share }) => ({
            age,
            energyKcal: perDay('energyKcal') * share,
            proteinG: perDay('proteinG') * share,
            sodiumMg: perDay('sodiumMg') * share,
          })),
    targets:
      served.length === 0
        ? []
        : targets.map((target) => ({
            ...target,
            average: perMeal[target.figure]!,
            standing: targetStanding(target, perMeal as Facts, missing),
          })),
    price:
      prices.length > 0 && prices.every((each) => each !== null)
        ? prices.reduce((sum: number, each) => sum + each!, 0)
        : null,
  };
}

/** Works out every dish of a cycle once, then the cycle; told dish by dish, for it takes a while. */
export function* judgeSteps(
  cycle: Cycle,
  kitchen: Kitchen,
  { book, dishes }: { book: Book; dishes: Dishes },
): Generator<{ done: number; of: number }, CycleJudgement, void> {
  const ids = [...new Set(cycle.slots.flatMap((slot) => slot.dishes.map(({ recipeId }) => recipeId)))];
  const facts = new Map<string, DishFacts>();
  for (const id of ids) {
    const recipe = dishes.get(id);
    if (recipe) facts.set(id, dishFacts(recipe, kitchen, book));
    yield { done: facts.size, of: ids.length };
  }
  const meals = mealsOf(cycle, facts);
  const weeks = Array.from({ length: cycle.weeks }, (_, index) =>
    weekIn(
      index + 1,
      meals.filter(({ week }) => week === index + 1),
      kitchen,
    ),
  );
  const findings = [
    ...meals.flatMap((meal) => choicesIn(meal, kitchen)),
    ...repeatsIn(meals, cycle.weeks),
    ...weeks.flatMap(({ days }) => days.flatMap((day) => plateFindings(day, cycle.meals[0]!.name))),
  ];
  const order = (each: CycleFinding): number => dayIndex(each);
  return { weeks, findings: findings.sort((one, other) => order(one) - order(other)) };
}

export function judgeCycle(
  cycle: Cycle,
  kitchen: Kitchen,
  ground: { book: Book; dishes: Dishes },
): CycleJudgement {
  const steps = judgeSteps(cycle, kitchen, ground);
  for (;;) {
    const { value, done } = steps.next();
    if (done) return value;
  }
}

/** A finding with the place it stands at. */
export const findingText = (each: CycleFinding): string =>
  each.code === 'repeats' || each.code.endsWith('choice')
    ? `${placeText(each)}: ${each.message}`
    : `Week ${each.week}, ${each.message}`;
