export * from './check.js';
export * from './findings.js';
export * from './schema.js';
