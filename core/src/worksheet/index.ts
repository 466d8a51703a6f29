export * from './worksheet';
export * from './explain';
export { homePortionGrams, homeTarget } from './batch';
