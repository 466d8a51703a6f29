export * from './units';
export * from './number';
export * from './weight';
export * from './format';
