export * from './tables';
export * from './demo';
