export * from './demand.js';
export * from './makings.js';
export * from './plan.js';
export * from './shopping.js';
export * from './windows.js';
export * from './promise.js';
