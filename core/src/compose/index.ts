export * from './compose.js';
