export * from './food';
export * from './food-row';
export * from './food-set';
export * from './match';
export { nameWords, plainText, singular } from './names';
