/**
 * Serving pans and trays: EN 631 gastronorm sizes and US steam-table pans with their brim litres, baking trays by size.
 * Base areas are the nominal outer sizes (EN 631: 1/1 is 530 x 325 mm; US full pan 20 3/4 x 12 3/4 in).
 */
export interface Pan {
  /** The size, whatever the depth. */
  type: string;
  name: string;
  depthMm: number;
  /** Brim litres. */
  litres: number;
  /** Base area in square metres. */
  areaM2: number;
}

const GN11 = 0.172;
const US_FULL = 0.171;

export const PANS = {
  'gn-1/1-65': { type: 'GN 1/1', name: 'GN 1/1, 65 mm', depthMm: 65, litres: 9, areaM2: GN11 },
  'gn-1/1-100': { type: 'GN 1/1', name: 'GN 1/1, 100 mm', depthMm: 100, litres: 14, areaM2: GN11 },
  'gn-1/1-150': { type: 'GN 1/1', name: 'GN 1/1, 150 mm', depthMm: 150, litres: 21, areaM2: GN11 },
  'gn-1/2-65': { type: 'GN 1/2', name: 'GN 1/2, 65 mm', depthMm: 65, litres: 4, areaM2: 0.086 },
  'gn-1/2-100': { type: 'GN 1/2', name: 'GN 1/2, 100 mm', depthMm: 100, litres: 6.5, areaM2: 0.086 },
  'gn-1/3-65': { type: 'GN 1/3', name: 'GN 1/3, 65 mm', depthMm: 65, litres: 2.5, areaM2: 0.057 },
  'gn-1/3-100': { type: 'GN 1/3', name: 'GN 1/3, 100 mm', depthMm: 100, litres: 4, areaM2: 0.057 },
  'us-full-2.5': {
    type: 'US full pan',
    name: 'US full pan, 2.5 in',
    depthMm: 64,
    litres: 8,
    areaM2: US_FULL,
  },
  'us-full-4': { type: 'US full pan', name: 'US full pan, 4 in', depthMm: 102, litres: 13, areaM2: US_FULL },
  'us-full-6': { type: 'US full pan', name: 'US full pan, 6 in', depthMm: 152, litres: 19, areaM2: US_FULL },
  'tray-600x400': {
    type: 'Tray 600 x 400',
    name: 'Tray 600 x 400, 20 mm',
    depthMm: 20,
    litres: 4.8,
    areaM2: 0.24,
  },
  'tray-18x26': {
    type: 'Tray 18 x 26 in',
    name: 'Tray 18 x 26 in, 1 in',
    depthMm: 25,
    litres: 7.5,
    areaM2: 0.302,
  },
  'tray-13x18': {
    type: 'Tray 13 x 18 in',
    name: 'Tray 13 x 18 in, 1 in',
    depthMm: 25,
    litres: 3.8,
    areaM2: 0.151,
  },
} as const satisfies Record<string, Pan>;
export type PanId = keyof typeof PANS;

/** Sizes of pan, each with its depths, in the order of the table. */
export const PAN_TYPES: readonly { type: string; pans: readonly PanId[] }[] = [
  ...new Set(Object.values(PANS).map(({ type }) => type)),
].map((type) => ({
  type,
  pans: (Object.keys(PANS) as PanId[]).filter((id) => PANS[id].type === type),
}));

/** Working fill of a serving pan (convention). */
export const PAN_FILL = 0.85;
