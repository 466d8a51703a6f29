export * from './app';
