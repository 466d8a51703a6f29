/** Energy from components, by the factors of each law. */
import type { Regime } from './substances';

/** Kilocalories per gram, US general factors (21 CFR 101.9(c)(1)(i)(B): 4, 4, 9), on total carbohydrate; alcohol 7. */
export const US_KCAL_PER_G = { carbohydrate: 4, protein: 4, fat: 9, alcohol: 7 } as const;
/** Regulation (EU) 1169/2011 Annex XIV: kilojoules and kilocalories per gram, on available carbohydrate. */
export const EU_KJ_PER_G = { carbohydrate: 17, protein: 17, fat: 37, fibre: 8, alcohol: 29 } as const;
export const EU_KCAL_PER_G = { carbohydrate: 4, protein: 4, fat: 9, fibre: 2, alcohol: 7 } as const;
/** Kilojoules in a kilocalorie, for the US where no kJ factors are given. */
export const KJ_PER_KCAL = 4.184;
/** Salt is sodium x 2.5 (Regulation (EU) 1169/2011 Annex I). */
export const SALT_PER_SODIUM = 2.5;

export interface EnergyParts {
  proteinG: number;
  fatG: number;
  /** Total carbohydrate, fibre included. */
  carbohydrateG: number;
  fibreG: number;
  alcoholG: number;
}

/** Available carbohydrate: total less fibre, never below zero. */
export const availableCarbohydrate = (parts: Pick<EnergyParts, 'carbohydrateG' | 'fibreG'>): number =>
  Math.max(0, parts.carbohydrateG - parts.fibreG);

/** Energy in kcal and kJ by a regime's factors. */
export function energyOf(parts: EnergyParts, regime: Regime): { energyKcal: number; energyKj: number } {
  const { proteinG, fatG, carbohydrateG, fibreG, alcoholG } = parts;
  if (regime === 'us') {
    const f = US_KCAL_PER_G;
    const energyKcal =
      carbohydrateG * f.carbohydrate + proteinG * f.protein + fatG * f.fat + alcoholG * f.alcohol;
    return { energyKcal, energyKj: energyKcal * KJ_PER_KCAL };
  }
  const available = availableCarbohydrate(parts);
  const by = (f: typeof EU_KJ_PER_G | typeof EU_KCAL_PER_G): number =>
    available * f.carbohydrate +
    proteinG * f.protein +
    fatG * f.fat +
    fibreG * f.fibre +
    alcoholG * f.alcohol;
  return { energyKcal: by(EU_KCAL_PER_G), energyKj: by(EU_KJ_PER_G) };
}
