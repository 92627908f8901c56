export { MOST_AHEAD, MOST_WEEKS, type WeekAhead } from './ahead.js';
export { gainOf, type Offer } from './offers.js';
export { type PromiseCheck, PromiseDesk, type PromiseGround, type PromiseOptions } from './promise.js';
