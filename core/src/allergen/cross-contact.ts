/** What shared equipment may pass on to a dish: "may contain", with the piece of equipment and the food named. */
import { bitsOf, type Food, SUBSTANCES } from '../food';
import type { Kitchen, SharedEquipment } from '../kitchen';
import type { Trace } from './flags';
import { type Evidence, lineFoodTraces } from './standing';

/** Allergens cling to steel; that a food is an oil or refined does not. */
const CLINGING = bitsOf(SUBSTANCES);

/**
 * The traces of one piece of equipment. What it surely was in contact with may be in the dish; what is unread stays so.
 * Where it is not known whether the dish goes through it (`isUsed` false) everything is to be checked.
 */
export function equipmentTraces(
  equipment: SharedEquipment,
  foods: ReadonlyMap<string, Food>,
  kitchen: Kitchen,
  isUsed = true,
): Trace[] {
  return equipment.alsoFor.flatMap((foodId) => {
    const food = foods.get(foodId) ?? null;
    const name = food?.name ?? foodId;
    return lineFoodTraces(food, kitchen, true).flatMap(
      ({ status, isNamed, bits, own, evidence }): Trace[] => {
        if ((bits & CLINGING) === 0 && own === 0) return [];
        const used = `${equipment.name} is also used for ${name.toLowerCase()} (${evidence.words})`;
        const words = isUsed ? used : `The recipe has no steps: is it used? ${used}`;
        const told: Evidence = { ...evidence, kind: 'equipment', words };
        return [
          {
            status: status === 'check' || !isUsed ? 'check' : 'may-contain',
            isNamed,
            bits: bits & CLINGING,
            own,
            evidence: told,
            lineId: null,
            path: [equipment.name, name],
            route: `${equipment.name} > ${name}`,
          },
        ];
      },
    );
  });
}
