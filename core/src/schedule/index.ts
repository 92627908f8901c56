export { bestSchedule, type BestSchedule } from './best.js';
export { boundsOf } from './bounds.js';
export type { Activity, ChangedOver, Changeover, PlacedUse, Project, Resource, Schedule, Use } from './project.js';
