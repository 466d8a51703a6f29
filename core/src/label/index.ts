export * from './rounding';
export * from './figures';
export * from './allergen-words';
export * from './statement';
export * from './label';
