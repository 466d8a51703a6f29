/** What a label says of its pack: worked out from the dish, the kitchen and the portion, and frozen with them. */
import type { Regime } from '../food';
import { type Country, type KitchenService, PLAIN_SERVICE } from '../kitchen';
import { type Household, type Keeping, type PackedPortion, UNPACKED } from '../recipe';
import { checkReference, householdOf, type ReferenceCheck } from './serving-size';
import { keptDays } from './use-by';

export interface LabelPack {
  /** Net weight of a pack; null while nobody said what is in one. */
  netGrams: number | null;
  portions: number | null;
  /** What it is packed in holds so much; null where nobody said. */
  containerMl: number | null;
  keeping: Keeping | null;
  /** Days it keeps under policy and law; null where nobody said. */
  keepsDays: number | null;
  size: PackSize;
  household: Household | null;
  /** The US check against the reference amount; null without a net weight. */
  reference: ReferenceCheck | null;
  /** The whole container's figures stand beside the serving's. */
  showsWhole: boolean;
  business: { name: string; address: string };
  country: Country;
}

/** Labels frozen before packs were told. */
export const NO_LABEL_PACK: LabelPack = {
  netGrams: null,
  portions: null,
  containerMl: null,
  keeping: null,
  keepsDays: null,
  size: { largestSurfaceCm2: null, labelAreaCm2: null },
  household: null,
  reference: null,
  showsWhole: false,
  business: { name: '', address: '' },
  country: 'gb',
};

/**
 * Days a pack keeps: chilled, the least of the dish's own, the kitchen's policy and the law's cap; frozen or dry, the dish's own,
 * which nobody else knows.
 */
export function shelfDays(
  { keeping, keepsDays }: Pick<PackedPortion, 'keeping' | 'keepsDays'>,
  service: Pick<KitchenService, 'keepsDays'>,
  regime: Regime,
): number | null {
  if (keeping === 'frozen' || keeping === 'ambient') return keepsDays;
  return keptDays(Math.min(keepsDays ?? service.keepsDays, service.keepsDays), regime);
}

/** The pack of a label. A pack of one portion is a container to the US law. */
export function labelPack(
  said: PackedPortion | null | undefined,
  service: KitchenService,
  regime: Regime,
  portionGrams: number,
): LabelPack {
  const packed = said ?? UNPACKED;
  const { portions, keeping, referenceId, largestSurfaceCm2, labelAreaCm2 } = packed;
  const netGrams = packed.netGrams ?? (portions === null ? null : portions * portionGrams);
  const isOne = netGrams !== null && Math.abs(netGrams / portionGrams - 1) < 0.05;
  const household =
    householdOf(packed.household, portionGrams) ??
    (isOne ? { amount: 1, measure: 'container' as const, grams: null } : null);
  const reference =
    regime === 'us' && netGrams !== null && portionGrams > 0
      ? checkReference(referenceId, household, portionGrams, netGrams)
      : null;
  return {
    netGrams,
    portions,
    containerMl: packed.containerMl,
    keeping,
    keepsDays: shelfDays(packed, service, regime),
    size: { largestSurfaceCm2, labelAreaCm2 },
    household,
    reference,
    showsWhole:
      regime === 'us' &&
      !isOne &&
      netGrams !== null &&
      (packed.showsWhole || reference?.isWholeAsked === true),
    // Kitchens that were frozen before they said who answers for the food lack these words.
    business: { name: service.businessName ?? '', address: service.businessAddress ?? '' },
    country: service.country ?? PLAIN_SERVICE.country,
  };
}

/** The pack a label goes on; null where nobody says, which is held to the larger type. */
export interface PackSize {
  /** Largest surface, cm2 (EU: below 80 a smaller type may be used). */
  largestSurfaceCm2: number | null;
  /** All surface that could carry a label, cm2 (US: 40 square inches or less is a small pack). */
  labelAreaCm2: number | null;
}
