/** The menu as it hangs out: day by day, each dish with its allergens in words; what nobody has checked is said, never left blank. */
import { VEGAN, WHOLE_FOOD } from '../food';
import type { MenuRow } from '../paper';
import { type ServiceList } from '../service';
import { type Cycle, datesBetween, dayOfCycle, DAYS_OF_WEEK, dishesAt } from './cycle';

export interface MenuDish {
  name: string;
  course: string;
  /** "contains soya; may contain sesame; not checked: celery". */
  allergens: string;
}

export interface MenuDay {
  date: string;
  /** "Monday". */
  weekday: string;
  meals: { name: string; dishes: MenuDish[] }[];
}

/** Cells that repeat others, or are no allergens: who must not have nuts reads peanut and tree nut. */
const NOT_NAMED = new Set(['nut', VEGAN, WHOLE_FOOD]);

/**
 * A dish's allergens in words: those the law names, gluten of every grain whatever the law (rye is none to the US rule and makes
 * a coeliac ill), and whatever else it is known to hold. Nothing is called free of anything.
 */
export function allergenWords({ cells }: MenuRow): string {
  const named = (status: string): string =>
    cells
      .filter(
        (cell) =>
          cell.status === status &&
          !NOT_NAMED.has(cell.allergenId) &&
          (cell.isDeclared || cell.allergenId === 'gluten' || status !== 'check'),
      )
      .map(({ name, kinds }) =>
        kinds.some((kind) => kind.toLowerCase() !== name.toLowerCase())
          ? `${name} (${kinds.join(', ')})`
          : name,
      )
      .join(', ')
      .toLowerCase();
  const parts = [
    ['contains', 'contains'],
    ['may contain', 'may-contain'],
    ['not checked yet, ask us', 'check'],
  ].flatMap(([words, status]) => (named(status!) === '' ? [] : [`${words}: ${named(status!)}`]));
  return parts.length === 0 ? 'none of the listed allergens on record; ask us' : parts.join('; ');
}

/** The days of a cycle from a date to another. */
export function menuDays(
  cycle: Cycle,
  rows: ReadonlyMap<string, MenuRow>,
  from: string,
  to: string,
): MenuDay[] {
  return datesBetween(from, to).flatMap((date) => {
    const at = dayOfCycle(cycle, date);
    const meals = cycle.meals.flatMap(({ name }) => {
      const dishes = dishesAt(cycle, { ...at, meal: name }).flatMap(({ recipeId, course }) => {
        const row = rows.get(recipeId);
        return row ? [{ name: row.name, course, allergens: allergenWords(row) }] : [];
      });
      return dishes.length === 0 ? [] : [{ name, dishes }];
    });
    return meals.length === 0 ? [] : [{ date, weekday: DAYS_OF_WEEK[at.day - 1]!, meals }];
  });
}

export const MENU_NOTE =
  'Allergens are those of the dish as it is usually made. Tell us what you must not have before you order: we make other versions, and everything is cooked in one kitchen.';

/** The menu as pages. */
export const menuList = (days: readonly MenuDay[], title: string): ServiceList => ({
  title,
  notes: [MENU_NOTE],
  columns: [
    { name: 'Dish', share: 0.4 },
    { name: 'Allergens', share: 0.6 },
  ],
  sections: days.map(({ weekday, date, meals }) => ({
    heading: `${weekday}, ${date}`,
    rows: meals.flatMap(({ name, dishes }) =>
      dishes.map((dish) => [`${dish.name}${meals.length > 1 ? ` (${name})` : ''}`, dish.allergens]),
    ),
  })),
});
