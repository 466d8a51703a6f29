export * from './target';
export * from './rounding';
export * from './evaporation';
export * from './seasoning';
