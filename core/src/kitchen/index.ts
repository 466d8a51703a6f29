export * from './kitchen';
export * from './equipment';
export * from './pans';
export * from './standard';
export * from './conventions';
