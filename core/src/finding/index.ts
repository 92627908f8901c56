export { blocks, catalogue, findingCodes, type Block, type FindingCode } from './catalogue.js';
export { byCause, sayCause, type Cause } from './causes.js';
export { finding, gravestFirst, type Finding } from './finding.js';
export {
  openWayOut,
  severities,
  type Noun,
  type Severity,
  type Subject,
  type WayOut,
  type WayOutAction,
} from './way-out.js';
