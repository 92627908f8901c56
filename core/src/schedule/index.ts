export * from './best.js';
export * from './bounds.js';
export * from './project.js';
export * from './serial.js';
