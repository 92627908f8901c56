export { wrongInOrder, wrongInOrderEdit } from './check.js';
export { doubleFindings } from './doubles.js';
export { afterWayOut, changesOrder, filedOrder, unsaidOf, type OrderAction, sealOrder } from './edits.js';
export {
  type Breach,
  breachesOf,
  findingsOfOrder,
  sayBreach,
  findingsWhenever,
  handOverOutOfReach,
} from './findings.js';
export { dueOf, isSettled, moneyOf, payDue, receivedOf, sayOwed, withPayment, type OrderMoney } from './payments.js';
export { isTooFarAhead, whyNoHandOver, whyTooFarAhead } from './horizon.js';
export { moreBoxes } from './more-boxes.js';
export { ordersYearLater } from './year-later.js';
export {
  AS_IT_IS,
  boxFor,
  changesOf,
  contentsFor,
  isOpen,
  packBox,
  packedAs,
  type PackedAs,
  packedKey,
  packingOf,
  priceOfOrder,
  reallyIn,
  ruledOutOf,
  unitPrice,
} from './packed.js';

export {
  exclusionSchema,
  lineKey,
  type Order,
  type OrderDraft,
  orderDraftSchema,
  type OrderFiled,
  orderFiledSchema,
  type OrderLine,
  orderSchema,
  type OrderState,
  orderStates,
  type Payment,
  paymentSchema,
  type PayWay,
  payWays,
} from './schema.js';
