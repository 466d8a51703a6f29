export * from './face';
export * from './drawing';
export * from './setter';
export * from './svg';
export * from './stock';
