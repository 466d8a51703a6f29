/**
 * A service serves what was cooked, not what was planned: where a batch was cooked for it, that batch says who may have of it. A
 * group that it does not suit stands without the dish, with the batch and the reason.
 */
import type { WorksheetLine } from '../../batch';
import { exclusionName, isWorse, STATUS_WORDS } from '../../food';
import type { Blocker } from '../../free-from';
import { type FreeFromPolicy, type Kitchen, passes } from '../../kitchen';
import type { Worksheet } from '../../worksheet';
import type { DishVersion, EatenDish, Unserved } from './eaters';

/** A batch that was cooked for a service, as it really is. */
export interface ServedBatch {
  code: string;
  name: string;
  recipeId: string;
  /** What it is to be free from: that of the version it was opened for. */
  claim: readonly string[];
  /** Names of the groups it was opened for; none where nobody said. */
  groups: readonly string[];
  /** Opened for this service; else it was cooked in the same kitchen on the same day for nobody in particular. */
  isOfService: boolean;
  /** Components of which its record does not say what batch they came of. */
  unsaid: readonly string[];
  sheet: Pick<Worksheet, 'allergens' | 'standards'>;
}

const isSame = (one: readonly string[], other: readonly string[]): boolean =>
  [...one].sort().join() === [...other].sort().join();

/** Components of a version, at any depth. */
function componentsOf(lines: readonly WorksheetLine[], found: Set<string> = new Set()): Set<string> {
  for (const { componentId, children } of lines) {
    if (componentId !== null) found.add(componentId);
    componentsOf(children, found);
  }
  return found;
}

/**
 * Batches that are on the plates of a version: those that were opened for it. One that was opened for a version which is planned
 * otherwise by now is on the plates of all whose groups it was opened for; a component that was cooked for the service may be in every
 * dish that is made of it, till the record of the dish's own batch says which one went in.
 */
function batchesOf(version: DishVersion, dish: EatenDish, batches: readonly ServedBatch[]): ServedBatch[] {
  const all = batches.filter(({ recipeId }) => recipeId === dish.recipeId);
  const ofDish = all.filter(({ isOfService }) => isOfService);
  const own = ofDish.filter(({ claim }) => isSame(claim, version.exclude));
  const groups = new Set(version.servings.map(({ groupName }) => groupName));
  const astray = ofDish.filter(
    ({ claim, groups: opened }) =>
      !dish.versions.some(({ exclude }) => isSame(claim, exclude)) &&
      (opened.length === 0 || opened.some((name) => groups.has(name))),
  );
  const cooked = [...own, ...astray];
  const unsaid = new Set(cooked.flatMap((batch) => batch.unsaid));
  if (cooked.length > 0) return [...cooked, ...batches.filter(({ recipeId }) => unsaid.has(recipeId))];
  // Nobody opened one for it: what was cooked of the dish that day may be what is served, and so may its components.
  const inside = componentsOf(version.sheet.lines);
  return [...all, ...batches.filter(({ recipeId }) => inside.has(recipeId))];
}

/** What of some exclusions a batch does not keep, in words. */
function brokenBy(
  { sheet }: ServedBatch,
  exclude: readonly string[],
  policy: FreeFromPolicy,
  kitchen: Kitchen,
): string[] {
  const flags = [...sheet.allergens, ...sheet.standards];
  return exclude.flatMap((id) => {
    const flag = flags.find((each) => each.id === id);
    if (flag && flag.traces.every(({ status }) => passes(status, policy))) return [];
    return [`${exclusionName(id, kitchen)}: ${STATUS_WORDS[flag?.status ?? 'check']}`];
  });
}

/** Why a batch does not suit a group, in words; empty where it does. */
function against(batch: ServedBatch, groupId: string, kitchen: Kitchen): string {
  const group = kitchen.diners.find(({ id }) => id === groupId);
  return brokenBy(batch, group?.exclude ?? [], group?.policy ?? kitchen.policy, kitchen).join(', ');
}

/** The flags of a version with those of its batches: the worst of each counts. */
function worstFlags(version: DishVersion, batches: readonly ServedBatch[]): Worksheet['allergens'] {
  return version.sheet.allergens.map((planned) =>
    batches.reduce((worst, { sheet }) => {
      const cooked = sheet.allergens.find(({ id }) => id === planned.id);
      return cooked && isWorse(cooked.status, worst.status) ? cooked : worst;
    }, planned),
  );
}

/** Dishes as they are really served: each version with its batches, and without the groups that they do not suit. */
export function asServed(
  eaten: readonly EatenDish[],
  batches: readonly ServedBatch[],
  kitchen: Kitchen,
): EatenDish[] {
  if (batches.length === 0) return [...eaten];
  return eaten.map((dish) => {
    const unserved: Unserved[] = [...dish.unserved];
    const versions = dish.versions.map((version): DishVersion => {
      const cooked = batchesOf(version, dish, batches);
      if (cooked.length === 0) return version;
      const blocked = new Map<string, Blocker[]>();
      for (const { groupId } of version.servings)
        if (!blocked.has(groupId))
          blocked.set(
            groupId,
            cooked.flatMap((batch): Blocker[] => {
              const reason = against(batch, groupId, kitchen);
              const name = `${batch.name}, cooked as ${batch.code}`;
              return reason === ''
                ? []
                : [{ lineId: '', path: [name], name, functions: [], reason, refused: [], asks: [] }];
            }),
          );
      const isOut = (groupId: string): boolean => (blocked.get(groupId) ?? []).length > 0;
      for (const groupId of new Set(version.servings.map((each) => each.groupId)))
        if (isOut(groupId)) {
          const own = version.servings.filter((each) => each.groupId === groupId);
          unserved.push({
            groupId,
            groupName: own[0]!.groupName,
            heads: own.reduce((sum, { portions }) => sum + portions, 0),
            blockedBy: blocked.get(groupId)!,
            nearest: [],
          });
        }
      return {
        ...version,
        servings: version.servings.filter(({ groupId }) => !isOut(groupId)),
        sheet: { ...version.sheet, allergens: worstFlags(version, cooked) },
        // What is left of it is of its own batches: a component is not the dish.
        batches: cooked.filter(({ recipeId }) => recipeId === dish.recipeId).map(({ code }) => code),
        notKept: [
          ...new Set(cooked.flatMap((batch) => brokenBy(batch, version.exclude, kitchen.policy, kitchen))),
        ],
      };
    });
    return { ...dish, versions, unserved };
  });
}
