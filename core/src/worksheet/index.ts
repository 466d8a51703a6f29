export * from './worksheet';
export * from './explain';
export { homePortionGrams, homeTarget } from './batch';
export * from './decisions';
