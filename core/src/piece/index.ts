export * from './cavity.js';
export * from './check.js';
export * from './composition.js';
export * from './grid.js';
export * from './makeup.js';
export * from './part.js';
export * from './scaling.js';
export * from './schema.js';
