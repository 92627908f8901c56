export * from './book.js';
export * from './check.js';
export * from './editions.js';
export * from './facts.js';
export * from './fit.js';
export * from './mixing.js';
export * from './schema.js';
export * from './stand-ins.js';
