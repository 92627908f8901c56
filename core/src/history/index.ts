export {
  type Difference,
  differenceOf,
  type Fields,
  fieldsOf,
  takeBack,
  type TakenBack,
  turned,
} from './difference.js';
export { type RecordChange, sayChange } from './say.js';
