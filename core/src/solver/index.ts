export * from './held.js';
export * from './highs.js';
export * from './model.js';
