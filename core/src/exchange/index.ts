export * from './told';
export * from './schema-org';
export * from './markdown';
export * from './recipe-table';
export * from './cells';
export * from './table-mapping';
export * from './pack-size';
export * from './import-view';
