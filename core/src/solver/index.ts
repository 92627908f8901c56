export * from './highs.js';
export * from './model.js';
