export * from './substances';
export * from './status';
export * from './flags';
export * from './read-statement';
