/** What a kitchen cooks, blends, mixes and weighs with, and how much of it may be filled. */

import type { PanId } from './pans';

/** Kinds of machine. What a batch is split by is the machine it must pass through. */
export const VESSEL_KINDS = [
  'pot',
  'kettle',
  'bratt pan',
  'frying pan',
  'griddle',
  'oven',
  'blender',
  'mixer',
] as const;
export type VesselKind = (typeof VESSEL_KINDS)[number];

/** What is done in a machine. A stage of the method belongs to one of these. */
export const WORK_KINDS = ['simmer', 'fry', 'oven', 'blend', 'mix'] as const;
export type WorkKind = (typeof WORK_KINDS)[number];

/** Machines that can do a kind of work, the usual one first. */
export const MACHINES_FOR: Readonly<Record<WorkKind, readonly VesselKind[]>> = {
  simmer: ['kettle', 'pot', 'bratt pan'],
  fry: ['frying pan', 'griddle', 'bratt pan'],
  oven: ['oven'],
  blend: ['blender'],
  mix: ['mixer'],
};

export interface Vessel {
  id: string;
  name: string;
  kind: VesselKind;
  /** How many of it the kitchen has; they work side by side. */
  count: number;
  /** Brim volume in litres; of an oven, the pans of all its levels together. Griddles have none: 0. */
  litres: number;
  /** Share of the brim volume that may be filled; of a blender, when what is in it is cold. */
  fill: number;
  /** Free surface in square metres; of an oven, the pans of all its levels together. */
  surfaceM2: number;
  /** Levels of an oven that are filled one by one; 1 for every other machine. */
  levels: number;
  /** What an oven takes on each level; null where nobody said, and for every other machine. */
  pan: PanId | null;
  /** Heating power in kilowatts; null where nobody read the plate on it. */
  powerKw: number | null;
  /** An oven that is set with its fan on. */
  isFan: boolean;
}

/** Share of the brim that may be filled, by kind (kettle 0.8, blender cold 0.75, mixer 0.6, pan 0.85: convention). */
export const WORKING_FILL: Readonly<Record<VesselKind, number>> = {
  pot: 0.85,
  kettle: 0.8,
  'bratt pan': 0.7,
  'frying pan': 0.5,
  griddle: 1,
  oven: 0.5,
  blender: 0.75,
  mixer: 0.6,
};

/** A blender with hot food in it is filled to here, and vented: steam throws the lid (convention). */
export const HOT_BLENDER_FILL = 0.5;

/** Food in one layer on a tray, a griddle or a frying pan, kilograms per square metre (convention). */
export const LAYER_KG_PER_M2 = 13;

/** Share of the heating power that ends in the food, by kind (convention; a pot stands on a hob). */
export const HEATING_EFFICIENCY: Readonly<Record<VesselKind, number>> = {
  pot: 0.5,
  kettle: 0.75,
  'bratt pan': 0.65,
  'frying pan': 0.5,
  griddle: 0.6,
  oven: 0.4,
  blender: 0,
  mixer: 0,
};

/** What a vessel is when only its name, kind and size are known: older settings lack the rest. */
export const VESSEL_DEFAULTS: Pick<Vessel, 'count' | 'levels' | 'pan' | 'powerKw' | 'isFan'> = {
  count: 1,
  levels: 1,
  pan: null,
  powerKw: null,
  isFan: false,
};

/** A scale: what it carries, and its step by weight. */
export interface Scale {
  id: string;
  name: string;
  /** The most it carries, in grams. */
  capacityGrams: number;
  /** The first entry whose `belowGrams` is above the weight holds. */
  bands: readonly { belowGrams: number; stepGrams: number }[];
}

/** The step a scale shows at a weight. */
export function stepOf(scale: Scale, grams: number): number {
  let step = 1;
  for (const band of scale.bands) {
    step = band.stepGrams;
    if (grams < band.belowGrams) break;
  }
  return step;
}

/** A set of machines to start a kitchen from. */
export interface EquipmentSet {
  id: string;
  name: string;
  vessels: readonly Vessel[];
  scales: readonly Scale[];
  pans: readonly OwnedPans[];
}

/** Serving pans or trays of one size in the cupboard. */
export interface OwnedPans {
  pan: string;
  count: number;
}
