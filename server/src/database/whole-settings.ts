/**
 * Brings what older versions kept up to the form of this one, once: settings of kitchens from before machines had kinds and
 * scales had names, and readings of steps from before they told equipment and temperature.
 */
import { type QueryInterface, QueryTypes } from 'sequelize';
import {
  EMPTY_STEP_READING,
  type Kitchen,
  KITCHEN_DEFAULTS,
  type KitchenSettings,
  PLAIN_STANDARD,
  SERVICE_DEFAULTS,
  VESSEL_DEFAULTS,
} from '@hand-ladle/core';

/** Settings as they were kept before machines had kinds, and scales names. */
interface KeptSettings extends Omit<
  KitchenSettings,
  'name' | 'scales' | 'pans' | 'standard' | keyof typeof KITCHEN_DEFAULTS
> {
  scales?: Kitchen['scales'];
  pans?: Kitchen['pans'];
  standard?: Kitchen['standard'];
  scaleSteps?: Kitchen['scales'][number]['bands'];
}

/** More than anyone weighs, in grams: a scale whose capacity nobody noted. */
const ANY_WEIGHT = 1_000_000_000;

export function wholeSettings({ scaleSteps, ...kept }: KeptSettings): Omit<KitchenSettings, 'name'> {
  const scales = kept.scales ?? [
    { id: 'bench', name: 'Bench scale', capacityGrams: ANY_WEIGHT, bands: scaleSteps ?? [] },
    {
      id: 'fine',
      name: 'Fine scale',
      capacityGrams: 500,
      bands: [{ belowGrams: ANY_WEIGHT, stepGrams: 0.1 }],
    },
  ];
  const { ownAllergens, shared, diners, targets, service, safety } = KITCHEN_DEFAULTS;
  return {
    ownAllergens,
    shared,
    diners,
    targets,
    ...kept,
    service: { ...service, ...(kept as { service?: object }).service },
    safety: { ...safety, ...(kept as { safety?: object }).safety },
    vessels: kept.vessels.map((vessel) => ({ ...VESSEL_DEFAULTS, ...vessel })),
    scales,
    pans: kept.pans ?? [],
    standard: { ...PLAIN_STANDARD, ...kept.standard },
  };
}

/** Rewrites a column of JSON texts where the rewriting changes it. */
async function rewrite(
  { sequelize }: QueryInterface,
  table: string,
  column: string,
  whole: (kept: never) => unknown,
): Promise<void> {
  const rows = await sequelize.query<{ id: string | number; kept: string }>(
    `SELECT id, ${column} AS kept FROM ${table}`,
    { type: QueryTypes.SELECT },
  );
  for (const { id, kept } of rows) {
    const text = JSON.stringify(whole(JSON.parse(kept) as never));
    if (text !== kept)
      await sequelize.query(`UPDATE ${table} SET ${column} = ? WHERE id = ?`, { replacements: [text, id] });
  }
}

export async function makeWhole(q: QueryInterface): Promise<void> {
  await rewrite(q, 'kitchens', 'settings', wholeSettings);
  await rewrite(q, 'recipe_steps', 'reading', (reading: object) => ({ ...EMPTY_STEP_READING, ...reading }));
}

/** Kitchens of before the freezer had a policy, or safety limits of their own, keep what is usual. */
export const makeKitchensWhole = (q: QueryInterface): Promise<void> =>
  rewrite(q, 'kitchens', 'settings', wholeSettings);

/** Services of before pins, parts made ahead and leftovers say that they have none. */
export const makeServicesWhole = (q: QueryInterface): Promise<void> =>
  rewrite(q, 'services', 'data', (service: object) => ({ ...SERVICE_DEFAULTS, ...service }));
