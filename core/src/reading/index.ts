export * from './json-ld.js';
export * from './line.js';
export * from './measure.js';
export * from './number.js';
export * from './names.js';
export * from './spelling.js';
export * from './steps.js';
