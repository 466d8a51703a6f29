/** A cycle menu: what a kitchen serves at each meal of 1 to 8 weeks, over and over, from a Monday on. */
import { daysBetween } from '../declaration';
import type { Kitchen } from '../kitchen';
import type { ToldService } from '../service';
import { dateFrom, type Dishes, MOST_DISHES, type ServiceDish, type ServiceHeads } from '../service';

export interface CycleMeal {
  /** "Lunch". */
  name: string;
  /** "12:00". */
  readyAt: string;
}

/** One meal of one day; days count from Monday, 1 to 7, weeks from 1. */
export interface CycleSlot {
  week: number;
  day: number;
  meal: string;
  dishes: readonly ServiceDish[];
}

export interface Cycle {
  kitchenId: string;
  name: string;
  weeks: number;
  /** ISO date of a Monday on which its first week begins. */
  startsOn: string;
  meals: readonly CycleMeal[];
  slots: readonly CycleSlot[];
}

/** Where a meal stands in a cycle. */
export type CyclePlace = Pick<CycleSlot, 'week' | 'day' | 'meal'>;

export const MOST_WEEKS = 8;
export const MOST_MEALS = 6;
export const DAYS_OF_WEEK = [
  'Monday',
  'Tuesday',
  'Wednesday',
  'Thursday',
  'Friday',
  'Saturday',
  'Sunday',
] as const;

/** "Week 2, Tuesday, Lunch". */
export const placeText = ({ week, day, meal }: CyclePlace): string =>
  `Week ${week}, ${DAYS_OF_WEEK[day - 1]}, ${meal}`;

export const isSamePlace = (one: CyclePlace, other: CyclePlace): boolean =>
  one.week === other.week && one.day === other.day && one.meal === other.meal;

/** What is wrong with a cycle as it was written. */
export type CycleFault =
  | { code: 'starts-on'; named: string }
  | { code: 'meal-twice'; named: string }
  | { code: 'slot-outside'; named: string }
  | { code: 'slot-twice'; named: string }
  | { code: 'cycle-dish-unknown'; named: string; place: string }
  | { code: 'cycle-dish-twice'; named: string; place: string }
  | { code: 'cycle-dishes'; place: string };

export function cycleFaultText(fault: CycleFault): string {
  switch (fault.code) {
    case 'starts-on':
      return `${fault.named} is no Monday`;
    case 'meal-twice':
      return `the meal "${fault.named}" stands there twice`;
    case 'slot-outside':
      return `${fault.named} is not in this cycle`;
    case 'slot-twice':
      return `${fault.named} stands there twice`;
    case 'cycle-dish-unknown':
      return `${fault.place}: "${fault.named}" is not in the book`;
    case 'cycle-dish-twice':
      return `${fault.place}: "${fault.named}" is on already`;
    case 'cycle-dishes':
      return `${fault.place}: more than ${MOST_DISHES} dishes`;
  }
}

const MONDAY = 1;
/** Day of the week of an ISO date, Monday 1 to Sunday 7. */
export const weekdayOf = (date: string): number => new Date(`${date}T00:00:00Z`).getUTCDay() || 7;

const doubled = (names: readonly string[]): string[] => names.filter((name, at) => names.indexOf(name) < at);

/** Everything wrong with a cycle; empty where nothing is. */
export function cycleFaults({ startsOn, meals, slots, weeks }: Cycle, book: Dishes): CycleFault[] {
  const names = meals.map(({ name }) => name);
  return [
    ...(weekdayOf(startsOn) === MONDAY ? [] : [{ code: 'starts-on' as const, named: startsOn }]),
    ...doubled(names).map((named): CycleFault => ({ code: 'meal-twice', named })),
    ...doubled(slots.map(placeText)).map((named): CycleFault => ({ code: 'slot-twice', named })),
    ...slots.flatMap((slot): CycleFault[] => {
      const place = placeText(slot);
      const ids = slot.dishes.map(({ recipeId }) => recipeId);
      return [
        ...(slot.week > weeks || !names.includes(slot.meal)
          ? [{ code: 'slot-outside' as const, named: place }]
          : []),
        ...(ids.length > MOST_DISHES ? [{ code: 'cycle-dishes' as const, place }] : []),
        ...ids
          .filter((id) => !book.has(id))
          .map((named): CycleFault => ({ code: 'cycle-dish-unknown', named, place })),
        ...doubled(ids).map((named): CycleFault => ({ code: 'cycle-dish-twice', named, place })),
      ];
    }),
  ];
}

/** What is on at a place; nothing where nobody planned it. */
export const dishesAt = ({ slots }: Pick<Cycle, 'slots'>, place: CyclePlace): readonly ServiceDish[] =>
  slots.find((slot) => isSamePlace(slot, place))?.dishes ?? [];

/** The cycle with other dishes at a place; a place without dishes is none. */
export function withDishesAt(cycle: Cycle, place: CyclePlace, dishes: readonly ServiceDish[]): Cycle {
  const rest = cycle.slots.filter((slot) => !isSamePlace(slot, place));
  const { week, day, meal } = place;
  return { ...cycle, slots: dishes.length === 0 ? rest : [...rest, { week, day, meal, dishes }] };
}

/** A dish taken from one place to another; where it stands there already, the two are one. */
export function movedDish(cycle: Cycle, recipeId: string, from: CyclePlace, to: CyclePlace): Cycle {
  const dish = dishesAt(cycle, from).find((each) => each.recipeId === recipeId);
  if (!dish || isSamePlace(from, to)) return cycle;
  const taken = withDishesAt(
    cycle,
    from,
    dishesAt(cycle, from).filter((each) => each !== dish),
  );
  const there = dishesAt(taken, to);
  return there.some((each) => each.recipeId === recipeId) ? taken : withDishesAt(taken, to, [...there, dish]);
}

/** A week as it stands, put over another. */
export function copiedWeek(cycle: Cycle, from: number, to: number): Cycle {
  if (from === to) return cycle;
  return {
    ...cycle,
    slots: [
      ...cycle.slots.filter(({ week }) => week !== to),
      ...cycle.slots.filter(({ week }) => week === from).map((slot) => ({ ...slot, week: to })),
    ],
  };
}

/** The week and day of a cycle on a date; before it begins it runs backwards, as if it always had. */
export function dayOfCycle(
  { startsOn, weeks }: Pick<Cycle, 'startsOn' | 'weeks'>,
  date: string,
): { week: number; day: number } {
  const length = weeks * 7;
  const day = ((daysBetween(startsOn, date) % length) + length) % length;
  return { week: Math.floor(day / 7) + 1, day: (day % 7) + 1 };
}

/** The dates from one to another, both counted. */
export function datesBetween(from: string, to: string): string[] {
  return Array.from({ length: Math.max(0, daysBetween(from, to) + 1) }, (_, index) => dateFrom(from, index));
}

/** The heads a kitchen usually has: each group with its usual portions. */
export const usualHeads = ({ diners }: Kitchen): ServiceHeads[] =>
  diners.map(({ id, portions }) => ({
    groupId: id,
    heads: portions ?? 0,
    portionGrams: null,
    site: '',
    codes: [],
  }));

/** The services of a cycle on some days, with the usual heads of the kitchen; a meal without dishes is none. */
export function servicesFrom(cycle: Cycle, kitchen: Kitchen, from: string, to: string): ToldService[] {
  const heads = usualHeads(kitchen).map((each) => ({ ...each, codes: [...each.codes] }));
  return datesBetween(from, to).flatMap((date) => {
    const at = dayOfCycle(cycle, date);
    return cycle.meals.flatMap(({ name, readyAt }): ToldService[] => {
      const dishes = dishesAt(cycle, { ...at, meal: name });
      if (dishes.length === 0) return [];
      return [
        {
          kitchenId: kitchen.id,
          date,
          meal: name,
          readyAt,
          heads,
          dishes: dishes.map((each) => ({ ...each })),
        },
      ];
    });
  });
}
