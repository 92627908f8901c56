export * from './schema.js';
export * from './wrong.js';
