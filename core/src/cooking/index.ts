export * from './alcohol.js';
export * from './balance.js';
export * from './boiling.js';
export * from './pot.js';
export * from './syrup.js';
export * from './tempering.js';
export * from './water-activity.js';
