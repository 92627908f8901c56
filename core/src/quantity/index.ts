export * from './day.js';
export * from './format.js';
export * from './money.js';
export * from './fraction.js';
export * from './schema.js';
export * from './temperature.js';
export * from './units.js';
