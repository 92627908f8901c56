export * from './check.js';
export * from './edits.js';
export * from './findings.js';
export * from './packed.js';
export * from './schema.js';
export * from './doubles.js';
