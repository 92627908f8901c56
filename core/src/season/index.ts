export * from './read.js';
export * from './schema.js';
