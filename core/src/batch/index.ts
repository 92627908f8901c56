export * from './batch.js';
export * from './schema.js';
