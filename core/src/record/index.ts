export * from './group.js';
export * from './schema.js';
export * from './text.js';
export * from './words.js';
export * from './wrong.js';
