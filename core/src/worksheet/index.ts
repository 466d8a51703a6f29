export * from './worksheet';
export * from './explain';
export { homePortionGrams } from './batch';
