export * from './cost.js';
