export * from './ingredients.js';
export * from './label.js';
export * from './layout.js';
export * from './net.js';
