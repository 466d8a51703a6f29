/** The whole public surface of core, one word of the trade a folder. */
export * from './quantity';
export * from './finding';
export * from './food';
export * from './kitchen';
export * from './recipe';
export * from './allergen';
export * from './nutrition';
export * from './scaling';
export * from './heat';
export * from './print';
export * from './label';
export * from './swap';
export * from './matter';
export * from './assay';
export * from './worksheet';
export * from './exchange';
