/** Warming up, cooling down, and the temperatures a kitchen is held to. */
export { type Cooling, coolingAnswer, type CoolingAnswer } from './cooling';
export { DEPTH_SPREAD, heatUpMinutes, minutesAtDepth, ovenSetting, type OvenSetting } from './heating';
export { HEAT_LIMITS } from './limits';
