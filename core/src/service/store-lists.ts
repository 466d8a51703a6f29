/** What stands in store as a sheet to count by, and a slip for each tray. */
import { exclusionName } from '../food';
import type { Kitchen } from '../kitchen';
import { gramsText } from '../quantity';
import { firstToExpire, isUsable, PLACE_NAMES, PLACES, STOCK_KIND_WORDS, type StockItem } from '../stock';
import type { EatenDish, Service } from './eaten';
import type { ServiceList } from './lists';

/** The count sheet: place by place, first to expire first, with room to write what is there. */
export function countSheet(items: readonly StockItem[], on: string): ServiceList {
  const sorted = [...items].sort(firstToExpire);
  return {
    title: 'Count sheet',
    notes: [
      `As of ${on}. Count, write what is there, and type it in. What is past its date is thrown away and written down; it is in no plan.`,
    ],
    columns: [
      { name: 'What', share: 0.36 },
      { name: 'Kind', share: 0.12 },
      { name: 'Lot', share: 0.14 },
      { name: 'Use by', share: 0.14 },
      { name: 'On record', share: 0.12, isNumber: true },
      { name: 'Counted', share: 0.12 },
    ],
    sections: PLACES.map((place) => ({
      heading: PLACE_NAMES[place],
      rows: sorted
        .filter((item) => item.place === place)
        .map((item) => [
          item.name,
          STOCK_KIND_WORDS[item.kind],
          item.lot || 'none noted',
          item.useBy === null
            ? 'none noted'
            : isUsable({ ...item, grams: 1 }, on)
              ? item.useBy
              : `${item.useBy}, PAST`,
          gramsText(item.grams),
          '',
        ]),
    })).filter(({ rows }) => rows.length > 0),
  };
}

/** What one tray holds: a bed, seat or class by its code, and no name. */
export interface TraySlip {
  site: string;
  code: string;
  groupName: string;
  /** "no gluten", as the group must not have it. */
  needs: string;
  dishes: { name: string; portionGrams: number }[];
  /** Dishes that have nothing for it, said on the slip. */
  without: string[];
}

/** A slip for every code of a service, place by place. */
export function traySlips(eaten: readonly EatenDish[], { heads }: Service, kitchen: Kitchen): TraySlip[] {
  return heads.flatMap(({ groupId, site, codes }) => {
    const group = kitchen.diners.find(({ id }) => id === groupId);
    if (!group) return [];
    const needs =
      group.exclude.length === 0
        ? 'eats everything'
        : group.exclude.map((each) => `no ${exclusionName(each, kitchen)}`).join(', ');
    const served = eaten.map((dish) => {
      const version = dish.versions.find(({ servings }) =>
        servings.some((each) => each.groupId === groupId && each.site === site),
      );
      const serving = version?.servings.find((each) => each.groupId === groupId && each.site === site);
      return { dish, version, portionGrams: serving?.portionGrams ?? null };
    });
    const dishes = served.flatMap(({ version, portionGrams, dish }) =>
      version && portionGrams !== null
        ? [{ name: dish.share < 1 ? `${version.name} (if chosen)` : version.name, portionGrams }]
        : [],
    );
    const without = served.flatMap(({ version, dish }) => (version ? [] : [dish.name]));
    return codes.map((code) => ({ site, code, groupName: group.name, needs, dishes, without }));
  });
}

/** The slips as a list that is cut: one section a tray. */
export function slipsList(slips: readonly TraySlip[]): ServiceList {
  return {
    title: 'Tray slips',
    notes: [
      'By code, with no names. Read the slip against the tray; what a tray must not have is by what is on record, not by a test.',
      ...(slips.length === 0
        ? ['No group of this service has codes: paste its heads with a code for each bed or seat.']
        : []),
    ],
    columns: [
      { name: 'On the tray', share: 0.75 },
      { name: 'Portion', share: 0.25, isNumber: true },
    ],
    sections: slips.map(({ site, code, groupName, needs, dishes, without }) => ({
      heading: `${[site, code].filter(Boolean).join(', ')}: ${groupName} (${needs})`,
      rows: [
        ...dishes.map(({ name, portionGrams }) => [name, gramsText(portionGrams)]),
        ...without.map((name) => [`NOT for this tray: ${name}`, '']),
      ],
    })),
  };
}
