export * from './swap';
export * from './plan';
