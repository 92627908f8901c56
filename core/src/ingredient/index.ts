export * from './allergen.js';
export * from './pack.js';
export * from './schema.js';
