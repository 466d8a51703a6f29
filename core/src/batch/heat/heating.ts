/** How long a machine takes to bring its load up to heat, and what a deeper dish asks of the oven. */
import { HEATING_EFFICIENCY, type Vessel } from '../../kitchen';
import { fahrenheitFromCelsius, roundToStep } from '../../quantity';
import { FAN_LOWER_CELSIUS } from './limits';

/** Heat capacity of watery food, kJ/kg/K, and the temperatures heat-up is counted between, °C (convention). */
export const HEAT_UP = { heatCapacity: 3.8, fromCelsius: 15, toCelsius: 98 } as const;

/** Minutes until a load simmers: t = m c dT / (P x efficiency); null where nobody noted the power. */
export function heatUpMinutes(grams: number, vessel: Vessel): number | null {
  const efficiency = HEATING_EFFICIENCY[vessel.kind];
  if (vessel.powerKw === null || vessel.powerKw <= 0 || efficiency <= 0) return null;
  const kilojoules = (grams / 1000) * HEAT_UP.heatCapacity * (HEAT_UP.toCelsius - HEAT_UP.fromCelsius);
  return kilojoules / (vessel.powerKw * efficiency) / 60;
}

/** Relative spread of a time that was worked out from depth: dishes differ (convention). */
export const DEPTH_SPREAD = 0.25;

/** Minutes through a deeper or shallower block: conduction, t ~ depth squared. */
export const minutesAtDepth = (homeMinutes: number, homeDepth: number, depth: number): number =>
  homeMinutes * (depth / homeDepth) ** 2;

/** An oven's setting in all the ways it is dialled. */
export interface OvenSetting {
  conventionalCelsius: number;
  fanCelsius: number;
  conventionalFahrenheit: number;
  fanFahrenheit: number;
}

/** From what a step says, in degrees Celsius of its own kind of oven, to every dial; Fahrenheit by fives. */
export function ovenSetting(celsius: number, isFan: boolean): OvenSetting {
  const conventionalCelsius = isFan ? celsius + FAN_LOWER_CELSIUS : celsius;
  const fanCelsius = conventionalCelsius - FAN_LOWER_CELSIUS;
  return {
    conventionalCelsius,
    fanCelsius,
    conventionalFahrenheit: roundToStep(fahrenheitFromCelsius(conventionalCelsius), 5),
    fanFahrenheit: roundToStep(fahrenheitFromCelsius(fanCelsius), 5),
  };
}
