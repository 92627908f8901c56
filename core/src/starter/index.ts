export * from './draft.js';
export * from './pantry.js';
