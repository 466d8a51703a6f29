export * from './kitchen';
export * from './equipment';
export * from './pans';
export * from './standard';
export * from './shared';
export * from './diners';
export * from './price';
export * from './conventions';
