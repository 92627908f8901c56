export * from './allergen.js';
export * from './check.js';
export * from './composition.js';
export * from './pack.js';
export * from './parts.js';
export * from './prices.js';
export * from './schema.js';
export * from './stock.js';
