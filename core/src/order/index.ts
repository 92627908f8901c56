export * from './findings.js';
export * from './schema.js';
