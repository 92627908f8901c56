export * from './csv.js';
export * from './inbox.js';
export * from './day.js';
export * from './quick.js';
export * from './words.js';
