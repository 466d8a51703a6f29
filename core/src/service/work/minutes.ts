/**
 * Minutes that a recipe does not say. None of them is a standard: all are conventions of kitchens, marked so wherever they are
 * shown, until a kitchen's own are known. To change one, change it here.
 */
import type { VesselKind, WorkKind } from '../../kitchen';

/** What a machine takes for one load where the step says no time (convention). */
export const MACHINE_MINUTES: Readonly<Record<WorkKind, number>> = {
  simmer: 20,
  oven: 30,
  fry: 8,
  blend: 3,
  mix: 8,
};
/** Hands at the beginning of a load: filling, lighting, trays in (convention). */
export const SETTING_UP_MINUTES: Readonly<Record<WorkKind, number>> = {
  simmer: 4,
  oven: 4,
  fry: 3,
  blend: 2,
  mix: 3,
};
/** Covering with water, putting into the cold: hands at the beginning of a wait (convention). */
export const WAIT_SETTING_MINUTES = 3;
/** Work that somebody stands at from beginning to end. */
export const STOOD_AT: ReadonlySet<WorkKind> = new Set<WorkKind>(['fry', 'blend', 'mix']);

/** A step of the hands that says no time (convention). */
export const HAND_STEP_MINUTES = 5;
/** "Overnight", in minutes: ten hours (convention). */
export const OVERNIGHT_MINUTES = 600;
/** Weighing one line out (convention). */
export const WEIGHING_MINUTES_A_LINE = 1;
/** Washing, trimming and cutting a kilogram of what has something to trim off (convention). */
export const TRIMMING_MINUTES_A_KG = 2.5;
/** Portions dished up or boxed in a minute by one person (convention). */
export const PORTIONS_A_MINUTE = 8;
/** Work of the hands is split into pieces of at most this, so that several can share it (convention). */
export const MOST_HAND_MINUTES = 60;
/** Pieces of one work, and loads of one step, that are planned one by one; more are one long task (convention). */
export const MOST_PIECES = 12;
/** Hot food is held no longer than this before it is served (convention; the time rule of the law comes first). */
export const HOT_HOLD_MINUTES = 120;

/** Taking a piece apart, washing, drying: 5 to 15 minutes by what it is (convention). */
export const CLEAN_DOWN_MINUTES: Readonly<Record<VesselKind, number>> = {
  pot: 5,
  kettle: 10,
  'bratt pan': 15,
  'frying pan': 5,
  griddle: 12,
  oven: 10,
  blender: 8,
  mixer: 10,
};

/** Looking into a pot and stirring, where a step says "every 20 minutes" (convention). */
export const CHECK_MINUTES = 2;
/** Spreading into shallow pans, into the blast chiller or an ice bath (convention); the time to cool is the law's limit. */
export const COOLING_SETTING_MINUTES = 10;
/** Bringing what was made ahead back to its core temperature (convention; the core reading decides). */
export const REHEAT_MINUTES = 30;

/** What an oven stands at for it (convention). */
export const REHEAT_OVEN_CELSIUS = 160;

const WAITING =
  /\b(?:soak|rest|chill|stand|cool|prove|proof|rise|marinate|steep|press|set aside|leave|refrigerate|freeze|drain)\b/i;
const OVERNIGHT = /\bovernight\b|\bthe (?:evening|day|night) before\b/i;

/** A step in which nobody does anything: soaking, resting, chilling. */
export const isWaiting = (text: string): boolean => WAITING.test(text);

/** Minutes that a step without a figure names by a word; null where it names none. */
export const minutesInWords = (text: string): number | null =>
  OVERNIGHT.test(text) ? OVERNIGHT_MINUTES : null;
