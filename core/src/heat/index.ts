export * from './limits';
export * from './heating';
export * from './cooling';
