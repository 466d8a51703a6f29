/** Temperatures a kitchen is held to. Local food law goes first; the screen says so. */
import type { Regime } from '../../food';

/** A stage of cooling: from one core temperature to another within so many minutes of the clock's start. */
export interface CoolingLimit {
  fromCelsius: number;
  toCelsius: number;
  withinMinutes: number;
}

export interface HeatLimits {
  /** Hot food is held at this or above. */
  hotHoldCelsius: number;
  coldHoldCelsius: number;
  /** The core of reheated food, and of food cooked through, reads this. */
  coreCelsius: number;
  /** The cooling clock starts when the core falls to this. */
  coolingStartCelsius: number;
  cooling: readonly CoolingLimit[];
  coolingText: string;
}

/**
 * US Food Code 3-501.14 (cooling), 3-501.16 (holding), 3-403.11 (reheating to 74 °C). UK: Food Safety and Hygiene
 * Regulations 2013 schedule 4 (63 °C, 8 °C), guidance of 90 minutes to 8 °C, 75 °C core.
 */
export const HEAT_LIMITS: Readonly<Record<Regime, HeatLimits>> = {
  us: {
    hotHoldCelsius: 57,
    coldHoldCelsius: 5,
    coreCelsius: 74,
    coolingStartCelsius: 57,
    cooling: [
      { fromCelsius: 57, toCelsius: 21, withinMinutes: 120 },
      { fromCelsius: 57, toCelsius: 5, withinMinutes: 360 },
    ],
    coolingText: '57 to 21 °C within 2 h, to 5 °C within 6 h in all',
  },
  eu: {
    hotHoldCelsius: 63,
    coldHoldCelsius: 5,
    coreCelsius: 75,
    coolingStartCelsius: 63,
    cooling: [{ fromCelsius: 63, toCelsius: 8, withinMinutes: 90 }],
    coolingText: 'to 8 °C within 90 min',
  },
};

/** A fan oven is set this much lower for the same heat (common kitchen reference). */
export const FAN_LOWER_CELSIUS = 20;
