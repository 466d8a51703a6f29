export * from './substances';
export * from './status';
export * from './standing';
export * from './flags';
export * from './free';
export * from './traps';
export * from './cross-contact';
export * from './read-statement';
