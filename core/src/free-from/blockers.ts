/** What stands against a plan, in words: lines no swap frees, mixes that would not hold, equipment, words nobody knows. */
import { animalStateOf, foodTraces, touches, type Trace, worstStatus } from '../allergen';
import { mentionsOf } from '../audit';
import type { Composed } from '../dish';
import { packOf, passes } from '../kitchen';
import { type Asked, type Leaf, mustSet } from '../swap';
import { type BlockedLeaf, type Choice, isUnsettled, type RefusedSwap } from './problem';

export interface Blocker {
  /** Empty where it is not a line. */
  lineId: string;
  path: string[];
  name: string;
  /** What the food does in the dish, by the swaps on file; empty where none is. */
  functions: string[];
  reason: string;
  /** Every swap on file for it, and why it is not taken. */
  refused: RefusedSwap[];
  /** Words of the text that a cook can say are not in the dish, with the whole text they stand in. */
  asks: { name: string; text: string }[];
}

function reasonOf({ leaf, refused }: BlockedLeaf, asked: Asked): string {
  const { food } = leaf.line;
  if (leaf.id === null) return 'nobody knows which food this is';
  if (isUnsettled(leaf)) return 'it is not settled yet which food this is: decide it first';
  const isRead = food !== null && packOf(asked.kitchen, food.id) !== null;
  const isContained =
    food === null || worstStatus(foodTraces(food, asked.kitchen), asked.wanted) === 'contains';
  const isUnread = !isContained && !isRead;
  const ask = isUnread
    ? 'nobody has checked its pack: record the pack, or find a swap that is checked. '
    : '';
  if (refused.length === 0) {
    const isAnimal = food !== null && animalStateOf(food, asked.kitchen) === 'animal';
    return isUnread
      ? ask.replace(/\. $/, '')
      : isAnimal
        ? 'it comes from an animal and no plant swap is on file'
        : 'no swap is on file that does its work in a dish';
  }
  const few = [...new Set(refused.map((each) => `${each.to}: ${each.reason}`))];
  const reasons = few.slice(0, MOST_REASONS).join('; ');
  const more = few.length > MOST_REASONS ? `; ${few.length - MOST_REASONS} more` : '';
  return `${ask}none of the swaps on file for it will do here. ${reasons}${more}`;
}

/** Reasons told with a blocked line; the rest stand in the list of what was refused. */
const MOST_REASONS = 2;

/** What a food does in a dish: by the larder, else by the swaps that would take it out. */
const workOfFood = ({ line }: Leaf, refused: readonly RefusedSwap[]): string[] =>
  line.food && line.food.functions.length > 0
    ? [...line.food.functions]
    : [...new Set(refused.map((each) => each.function))];

function blockerOf(blocked: BlockedLeaf, asked: Asked): Blocker {
  const { leaf, refused } = blocked;
  return {
    lineId: leaf.lineId,
    path: leaf.path,
    name: leaf.line.name,
    functions: workOfFood(leaf, refused),
    reason: reasonOf(blocked, asked),
    refused,
    asks: [],
  };
}

const plain = (reason: string, name: string, path: string[] = [], asks: Blocker['asks'] = []): Blocker => ({
  lineId: '',
  path,
  name,
  functions: [],
  reason,
  refused: [],
  asks,
});

/** Every single choice has a swap, but no combination keeps the mix together or its shares. */
export function combinationBlockers(choices: readonly Choice[]): Blocker[] {
  return choices
    .filter(
      ({ leaves, entries }) =>
        leaves.some(({ scope }) => mustSet(scope.recipe)) ||
        entries.some(({ limits }) => limits.mostShare !== null),
    )
    .map(({ leaves, entries }) => {
      const leaf = leaves[0]!;
      const isShaped = leaves.some(({ scope }) => mustSet(scope.recipe));
      return {
        lineId: leaf.lineId,
        path: leaf.path,
        name: leaf.line.name,
        functions: isShaped ? ['binder'] : [...new Set(entries.map((each) => each.function))],
        reason: isShaped
          ? `the mix of ${leaf.scope.recipe.name} is shaped or rolled: with any swap on file too little is left that binds it, so it would not hold`
          : 'any swap on file would be more of the mix than it can carry',
        refused: [],
        asks: [],
      };
    });
}

export const isAgainst = (trace: Trace, asked: Asked): boolean =>
  touches(trace, asked.wanted) && !passes(trace.status, asked.policy);

/** The shared equipment that brings what is excluded. */
export function offendingEquipment(
  composed: Composed,
  asked: Asked,
): { id: string; name: string; route: string }[] {
  const routes = composed.traces.filter(
    (each) => each.evidence.kind === 'equipment' && isAgainst(each, asked),
  );
  return asked.kitchen.shared.flatMap(({ id, name }) => {
    const trace = routes.find(({ path }) => path[path.length - 2] === name);
    return trace ? [{ id, name, route: trace.route }] : [];
  });
}

/** Words of a text that name what is excluded, each once with every place it stands in. */
function namedBlockers(composed: Composed, asked: Asked, reason: string): Blocker[] {
  const open = mentionsOf(composed.recipe, asked.book, asked.kitchen).filter(({ end }) => end === 'open');
  const routes = composed.traces.filter((trace) => trace.mention && isAgainst(trace, asked));
  return [...new Set(routes.map(({ route }) => route))].map((route) => {
    const words = routes.filter((each) => each.route === route).map(({ mention }) => mention!.text);
    const asks = open
      .filter(({ text }) => words.includes(text))
      .map(({ name, place }) => ({ name, text: place.text }));
    return plain(reason, route, route.split(' > '), asks);
  });
}

/** Why a combination that was found still holds what is excluded: the text names it, or it comes by another way. */
export function blockedWhole(composed: Composed, asked: Asked): Blocker[] {
  const named = namedBlockers(
    composed,
    asked,
    'the text still names it when it is swapped: say whether that is more than a name',
  );
  const others = composed.traces.filter((trace) => !trace.mention && isAgainst(trace, asked));
  const reason = 'every swap on file brings it back by another way';
  const routes = [...new Set(others.map(({ route }) => route))].slice(0, 5);
  return [...named, ...routes.map((route) => plain(reason, route, route.split(' > ')))];
}

/** What blocks a question before any search: lines without a swap, equipment, words nobody knows. */
export function blockersOf(
  composed: Composed,
  blocked: readonly BlockedLeaf[],
  asked: Asked,
  isApart: boolean,
): Blocker[] {
  const equipment = isApart ? [] : offendingEquipment(composed, asked);
  return [
    ...namedBlockers(composed, asked, 'no line of the list holds it: say first whether it is in the dish'),
    ...asked.unknown.map((each) => plain('nobody knows in this kitchen what that is', each)),
    ...blocked.map((each) => blockerOf(each, asked)),
    ...equipment.map(({ name, route }) =>
      plain(
        `it goes through the ${name.toLowerCase()}, which is shared: cook it apart, on clean equipment`,
        name,
        route.split(' > '),
      ),
    ),
  ];
}
