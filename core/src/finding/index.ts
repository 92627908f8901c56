export {
  type Finding,
  finding,
  gravestFirst,
  openWayOut,
  type Severity,
  type Subject,
  type WayOut,
  type WayOutAction,
} from './finding.js';
