export { type PromiseCheck, PromiseDesk, type PromiseGround } from './promise.js';
