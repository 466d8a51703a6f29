export * from './kitchen';
export * from './conventions';
