/** What somebody must not have, as a cook names it: the kitchen's allergens, the whole-food standard, its diner groups. */
import { computed, type Ref } from 'vue';
import { allergensOf, type DinerGroup, exclusionName, TOLD_WITH_ANOTHER, WHOLE_FOOD } from '@hand-ladle/core';
import { useBook } from './book';

export const inWords = (names: readonly string[]): string =>
  names.length < 2 ? (names[0] ?? '') : `${names.slice(0, -1).join(', ')} and ${names[names.length - 1]}`;

export function useExclusions() {
  const book = useBook();
  const choices = computed(() => {
    if (!book.kitchen) return [];
    const named = allergensOf(book.kitchen).filter(({ id }) => !TOLD_WITH_ANOTHER.has(id));
    return [...named.map(({ id, name }) => ({ id, name })), { id: WHOLE_FOOD, name: 'Whole food only' }];
  });
  const diners = computed(() => (book.kitchen?.diners ?? []).filter(({ exclude }) => exclude.length > 0));
  /** "nut and soy", "whole food". */
  const said = (ids: readonly string[]): string =>
    book.kitchen
      ? inWords(
          ids.map((id) => (id === WHOLE_FOOD ? 'anything not whole food' : exclusionName(id, book.kitchen!))),
        )
      : '';
  return { choices, diners, said };
}

/** A group is chosen where exactly what it must not have is asked for; a second tap asks for nothing. */
export function useGroups(
  diners: Readonly<Ref<readonly DinerGroup[]>>,
  chosen: Readonly<Ref<readonly string[]>>,
) {
  const isAsked = ({ exclude }: DinerGroup): boolean =>
    exclude.length === chosen.value.length && exclude.every((id) => chosen.value.includes(id));
  const groupsChosen = computed(() => diners.value.filter(isAsked).map(({ id }) => id));
  const exclusionsOf = (groupId: string): string[] => {
    const group = diners.value.find(({ id }) => id === groupId);
    return !group || isAsked(group) ? [] : [...group.exclude];
  };
  return { groupsChosen, exclusionsOf };
}
