export * from './target';
export * from './rounding';
export * from './spoons';
export * from './evaporation';
export * from './machines';
export * from './seasoning';
