/**
 * How much water heat takes out of food. While the surface is wet, steam follows the vessel and the clock; once half of what can
 * leave has left, the surface dries and the rest follows a falling rate (constant-rate and falling-rate periods of drying; the
 * half is a convention). The water left tends to a residual and never falls below it, so steam never exceeds the water.
 */

/** What dries food: a pot that stays wet, an oven that dries the surface, an oven that dries what is thin throughout. */
export type Drying = 'pot' | 'oven' | 'crisp';

/**
 * Water left in a finished dry food, as a share of its weight, by the water it began with (convention): nuts 2 %, biscuits and
 * granola 4 %, cakes 20 %, breads 35 %, bakes, stews and roast vegetables 65 %; what is rolled thin and baked crisp 4 %. Between
 * these it goes in a line, so that no gram more of anything makes a finished dish lighter.
 */
const RESIDUALS: readonly (readonly [waterShare: number, leftShare: number])[] = [
  [0, 0],
  [0.08, 0.02],
  [0.2, 0.04],
  [0.33, 0.2],
  [0.42, 0.33],
  [0.5, 0.38],
  [0.8, 0.65],
  [1, 0.65],
];
const CRISP_RESIDUALS: typeof RESIDUALS = [
  [0, 0],
  [0.08, 0.02],
  [1, 0.06],
];
/** Share of the water that can leave before the surface is dry: half of it in an oven, nearly all of it in a pot. */
const WET_SURFACE_SHARE: Readonly<Record<Drying, number>> = { oven: 0.5, crisp: 0.5, pot: 0.95 };

const CRISP =
  /\b(?:crackers?|crisps|crispbreads?|oatcakes?|biscuits?|cookies?|brittle|granola|rusks?|croutons?|dehydrat\w*|dry(?:ing)? out|(?:dry|dried)(?: \w+){0,2} in (?:the|a)(?: \w+)? oven)\b|\broll(?:ed)? (?:it |them |out |the dough )*(?:very |paper )?thin\b|\bcrisp (?:all )?through/i;

/** What dries a dish: whether it goes into an oven, and whether its name or method makes it crisp throughout. */
export const dryingOf = (isOven: boolean, name: string, steps: readonly string[]): Drying => {
  if (!isOven) return 'pot';
  return CRISP.test(name) || steps.some((text) => CRISP.test(text)) ? 'crisp' : 'oven';
};

/** The least water, as a share of the finished weight, that heat leaves in food of some water to begin with. */
export function residualShare(waterShare: number, where: Drying = 'oven'): number {
  const curve = where === 'crisp' ? CRISP_RESIDUALS : RESIDUALS;
  const at = Math.max(
    1,
    curve.findIndex(([share]) => waterShare <= share),
  );
  const [from, low] = curve[at - 1]!;
  const [to, high] = curve[at]!;
  return low + ((high - low) * (waterShare - from)) / (to - from);
}

/**
 * Grams of steam that leave food, of what the vessel and the clock would drive off.
 * @param driven rate x surface x time, grams
 * @param water grams of water in the food; `dry` grams of all else in it
 * @param where an oven dries the surface, a pot keeps it wet
 */
export function steamFrom(driven: number, water: number, dry: number, where: Drying): number {
  const share = residualShare(water + dry > 0 ? water / (water + dry) : 0, where);
  const available = Math.max(0, water - (dry * share) / (1 - share));
  const wet = available * WET_SURFACE_SHARE[where];
  if (driven <= wet) return Math.max(0, driven);
  const rest = available - wet;
  return rest <= 0 ? wet : wet + rest * (1 - Math.exp(-(driven - wet) / rest));
}
