export * from './recipe';
export { LINE_CHARACTERS, readLine } from './read-line';
export { readStep, unusedLines } from './read-step';
export * from './read-recipe';
export { splitLine } from './split-line';
export * from './weigh';
export * from './book';
export * from './standardize';
