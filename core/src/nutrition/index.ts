export * from './nutrients';
export * from './sum';
export * from './energy';
export * from './facts';
export * from './vector';
