export * from './substances';
export * from './status';
export * from './flags';
