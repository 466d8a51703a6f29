/** What a kitchen measures for safety: limits of its own where they are stricter than the law, its cold places, its corrective acts. */

export interface KitchenSafety {
  /** Stricter than the law, °C; null for the law's own. A laxer figure is not taken. */
  coreCelsius: number | null;
  hotHoldCelsius: number | null;
  coldHoldCelsius: number | null;
  /** Highest temperature of frying oil, °C (convention: hot oil is 160 to 180 °C). */
  oilMostCelsius: number;
  /** Fridges and cold rooms that are read on a round. */
  coldPlaces: readonly string[];
  /** What is done when a reading is out of its limit. */
  actions: readonly string[];
  /** Months that records are kept at least (kitchen policy; the law may ask for longer). */
  recordMonths: number;
}

/** Usual corrective acts, in the order in which they are thought of (convention). */
export const PLAIN_SAFETY: KitchenSafety = {
  coreCelsius: null,
  hotHoldCelsius: null,
  coldHoldCelsius: null,
  oilMostCelsius: 180,
  coldPlaces: ['Cold room', 'Freezer'],
  actions: [
    'Cooked on and measured again',
    'Reheated once to the core limit',
    'Moved to another unit',
    'Split into shallow pans, on ice',
    'Refused and sent back',
    'Thrown away',
    'Called the person in charge',
  ],
  recordMonths: 12,
};
