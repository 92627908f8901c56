export * from './check.js';
export * from './book.js';
export * from './cycle.js';
export * from './scale.js';
export * from './schema.js';
