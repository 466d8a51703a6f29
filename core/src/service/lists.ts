/** What comes out of the store when, what is cut and weighed where, what is bought, what is done when: lists, as tables of words. */
import type { WorksheetLine } from '../batch';
import type { Kitchen } from '../kitchen';
import { gramsText } from '../quantity';
import { gramsTaken, PLACE_NAMES, PLACES, type Taken } from '../stock';
import type { Demand, DemandLine } from './demand';
import type { DishVersion, EatenDish } from './eaten';
import { clockText, dayText } from './eaten';
import type { ServicePlan, TimedTask } from './work';
import type { Made } from './work';

export interface ListColumn {
  name: string;
  /** Share of the width. */
  share: number;
  isNumber?: boolean;
}

export interface ListSection {
  heading: string;
  rows: string[][];
}

/** A list that is printed or read as it stands. */
export interface ServiceList {
  title: string;
  /** What has to be known before it is used. */
  notes: string[];
  columns: ListColumn[];
  sections: ListSection[];
}

const filled = (sections: readonly ListSection[]): ListSection[] =>
  sections.filter(({ rows }) => rows.length > 0);

/** Frozen food comes out this long before (convention; in the cold room, never on the bench). */
export const THAW_DAYS = 2;

/** Ids of dry foods that are soaked the evening before. */
function soakedIn(versions: readonly DishVersion[]): Set<string> {
  const soaked = new Set<string>();
  const look = (line: WorksheetLine): void => {
    if (line.isCookedApart && line.foodId !== null) soaked.add(line.foodId);
    line.children.forEach(look);
  };
  for (const { sheet } of versions) sheet.lines.forEach(look);
  return soaked;
}

const packsText = ({ packs }: DemandLine): string =>
  packs ? `${packs.count} x ${gramsText(packs.netGrams)}` : 'no pack size on record';

/** "800 g, use by 2026-12-02, lot A7"; one after the other, first to expire first. */
const storeText = (taken: readonly Taken[]): string =>
  taken
    .map(({ grams, useBy, lot, name }) =>
      [
        `${gramsText(grams)} ${name}`,
        useBy === null ? 'no date noted' : `use by ${useBy}`,
        lot && `lot ${lot}`,
      ]
        .filter(Boolean)
        .join(', '),
    )
    .join('; ');

/** The pull list: what comes out, when, from where. */
export function pullList(demand: Demand, eaten: readonly EatenDish[]): ServiceList {
  const soaked = soakedIn(eaten.flatMap(({ versions }) => versions));
  const when = ({ place, foodId }: DemandLine): string =>
    place === 'frozen' ? 'two days before' : soaked.has(foodId) ? 'the evening before' : 'on the day';
  const sectionsOf = (time: string): ListSection[] =>
    PLACES.filter((place) => place !== 'tap').map((place) => ({
      heading: `${PLACE_NAMES[place]}, ${time}`,
      rows: demand.lines
        .filter((line) => line.place === place && when(line) === time)
        .map((line) => [
          line.name,
          gramsText(line.asPurchasedGrams),
          [storeText(line.fromStock), line.toBuyGrams > 0 ? packsText(line) : ''].filter(Boolean).join('; '),
          line.askedBy.join('; '),
        ]),
    }));
  const made = demand.components
    .filter(({ fromStock }) => fromStock.length > 0)
    .map(({ name, storeGrams, fromStock, askedBy }) => [
      name,
      gramsText(storeGrams),
      storeText(fromStock),
      askedBy.map((each) => each.name).join('; '),
    ]);
  const thawing = [...demand.lines, ...demand.components].flatMap(({ fromStock }) =>
    fromStock.filter(({ isFrozen }) => isFrozen),
  );
  return {
    title: 'Pull list',
    notes: [
      'Thaw in the cold room, below 5 °C, never on the bench. Places and days are conventions of this list.',
      ...unknownNotes(demand),
    ],
    columns: [
      { name: 'Food', share: 0.3 },
      { name: 'As purchased', share: 0.15, isNumber: true },
      { name: 'From store, or packs', share: 0.27 },
      { name: 'For', share: 0.28 },
    ],
    sections: filled([
      {
        heading: 'Out of the freezer, two days before',
        rows: thawing.map((each) => [each.name, gramsText(each.grams), storeText([each]), '']),
      },
      ...sectionsOf('two days before'),
      ...sectionsOf('the evening before'),
      ...sectionsOf('on the day'),
      { heading: 'Made ahead, from the cold room', rows: made },
    ]),
  };
}

/** What is in no sum of a list, said on it. */
const unknownNotes = ({ unknown }: Demand): string[] =>
  unknown.length === 0
    ? []
    : [
        `Not in this list, for nobody knows how much: ${unknown.map(({ text, in: of }) => `${text} (${of})`).join('; ')}.`,
      ];

/** The prep list: every dish and component with its lines, as purchased and ready to cook, by the time it is begun. */
export function prepList(
  made: readonly Made[],
  linesOf: ReadonlyMap<string, readonly WorksheetLine[]>,
  plan: ServicePlan,
): ServiceList {
  const firstOf = (key: string): TimedTask | undefined => plan.tasks.find(({ madeKey }) => madeKey === key);
  const begun = made
    .map((each) => ({ each, first: firstOf(each.key) }))
    .sort((one, other) => (one.first?.start ?? 0) - (other.first?.start ?? 0));
  return {
    title: 'Prep list',
    notes: [
      'As purchased is what is taken from the store; ready is what goes in after trimming and draining.',
    ],
    columns: [
      { name: 'Line', share: 0.4 },
      { name: 'As purchased', share: 0.15, isNumber: true },
      { name: 'Ready', share: 0.15, isNumber: true },
      { name: 'As written', share: 0.3 },
    ],
    sections: filled(
      begun.map(({ each, first }) => ({
        heading: `${each.name}${first ? `, from ${clockText(first.start)} ${dayText(first.start)}` : ''}`,
        rows: (linesOf.get(each.key) ?? []).map((line) => [
          line.form === '' ? line.name : `${line.name}, ${line.form}`,
          line.purchasedGrams === null ? 'not known' : gramsText(line.purchasedGrams),
          line.batchGrams === null ? 'not known' : gramsText(line.batchGrams),
          line.text,
        ]),
      })),
    ),
  };
}

const moneyText = (amount: number): string => amount.toFixed(2);

function priceText({ packs, price, isPriceGuessed }: DemandLine): string {
  if (packs?.price != null) return moneyText(packs.price);
  if (price === null) return 'no price';
  return isPriceGuessed ? `about ${moneyText(price)}` : moneyText(price);
}

/** The shopping list: whole packs by supplier, surplus and price said. */
export function shoppingList(demand: Demand): ServiceList {
  const bought = demand.lines.filter(({ place, toBuyGrams }) => place !== 'tap' && toBuyGrams > 0);
  const stored = demand.lines.filter(({ fromStock }) => fromStock.length > 0);
  const supplierOf = ({ packs }: DemandLine): string => packs?.supplier || 'No supplier on record';
  const suppliers = [...new Set(bought.map(supplierOf))].sort(
    (one, other) =>
      Number(one.startsWith('No supplier')) - Number(other.startsWith('No supplier')) ||
      one.localeCompare(other),
  );
  const perPortion =
    demand.pricePerPortion === null
      ? 'A price per portion cannot be told: a line has no price or no weight.'
      : `Food for a portion: ${moneyText(demand.pricePerPortion)}.`;
  return {
    title: 'Shopping list',
    notes: [
      `Prices in the kitchen's own money, without VAT. "About" is a price class of the reference, not a price of a pack. ${perPortion}`,
      ...(stored.length > 0
        ? [
            `Taken off, for it stands in store: ${stored.map(({ name, fromStock }) => `${name} ${gramsText(gramsTaken(fromStock))}`).join(', ')}.`,
          ]
        : []),
      ...(demand.unpriced.length > 0
        ? [`Without a price, and in no sum: ${demand.unpriced.join(', ')}.`]
        : []),
      ...unknownNotes(demand),
    ],
    columns: [
      { name: 'Food', share: 0.28 },
      { name: 'Needed', share: 0.13, isNumber: true },
      { name: 'To buy', share: 0.24 },
      { name: 'Left over', share: 0.15, isNumber: true },
      { name: 'Price', share: 0.2, isNumber: true },
    ],
    sections: suppliers.map((supplier) => ({
      heading: supplier,
      rows: bought
        .filter((line) => supplierOf(line) === supplier)
        .map((line) => [
          line.packs ? `${line.name}: ${line.packs.productName}` : line.name,
          gramsText(line.toBuyGrams),
          packsText(line),
          line.packs ? gramsText(line.packs.surplusGrams) : '',
          priceText(line),
        ]),
    })),
  };
}

/** The day sheet: everything in order of time, with who and where. */
export function daySheet(plan: ServicePlan, kitchen: Kitchen): ServiceList {
  const names = new Map(kitchen.vessels.map(({ id, name }) => [id, name]));
  const days = [...new Set(plan.tasks.map(({ start }) => dayText(start)))];
  return {
    title: 'Day sheet',
    notes: [
      ...(plan.feasible ? [] : ['THIS PLAN CANNOT BE KEPT: something is short. See the plan on screen.']),
      'Minutes marked * are conventions, not the recipe’s. Cook to the look-test and the core temperature, not to the clock.',
    ],
    columns: [
      { name: 'From', share: 0.08 },
      { name: 'To', share: 0.08 },
      { name: 'What', share: 0.52 },
      { name: 'Where', share: 0.22 },
      { name: 'Who', share: 0.1 },
    ],
    sections: days.map((day) => ({
      heading: day,
      rows: plan.tasks
        .filter(({ start }) => dayText(start) === day)
        .map(({ start, end, name, machine, setCelsius, person, isConvention }) => [
          clockText(start),
          `${clockText(end)}${isConvention ? ' *' : ''}`,
          name,
          machine === null
            ? ''
            : `${names.get(machine) ?? machine}${setCelsius === null ? '' : `, ${setCelsius} °C`}`,
          person === null ? '' : `person ${person}`,
        ]),
    })),
  };
}

/** The same with every group that a dish has nothing for, at its top. */
export function withUnserved(list: ServiceList, eaten: readonly EatenDish[]): ServiceList {
  const without = eaten.flatMap(({ name, unserved }) =>
    unserved.map(({ groupName, heads, blockedBy }) => {
      const why = blockedBy.map((each) => (each.reason === '' ? each.name : `${each.name} (${each.reason})`));
      return `NOT FOR ${groupName.toUpperCase()} (${heads}): ${name}. ${why.join('; ')}`;
    }),
  );
  return { ...list, notes: [...without, ...list.notes] };
}
