export { benchDay, type BenchDay, type BenchTask, runOf, sayBenchTime } from './bench-day.js';
export { endsLate } from './ends-late.js';
export { equipmentKey, ownedOf } from './operations.js';
export { BenchDays, handOversOf, timelineOf, timelineOfBox, type TimelineStep } from './timeline.js';
export { whileWaiting } from './while-waiting.js';
