export { type PromiseCheck, PromiseDesk } from './promise.js';
