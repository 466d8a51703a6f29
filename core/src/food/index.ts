export * from './food';
export * from './kinds';
export * from './soaking';
export * from './food-row';
export * from './food-set';
export * from './match';
export { nameWords, plainText, singular } from './names';
