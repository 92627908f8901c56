import type { Breach, OrderFiled, PackedAs } from '../order/index.js';
import type { Allergen } from '../ingredient/index.js';
import type { Travel } from '../piece/index.js';
import type { Day } from '../quantity/index.js';

/** One order to hand over. */
export interface HandOver {
  readonly orderId: string;
  readonly customer: string;
  readonly way: OrderFiled['handOver']['way'];
  readonly place: string;
  readonly state: OrderFiled['state'];
  readonly boxes: number;
  readonly contents: readonly BoxOfOrder[];
  /** What is still to be paid, minor units: the price of the boxes less the deposit; nothing once it is paid. */
  readonly dueMinor: number;
}

/** A box of an order, as it is packed for it. */
export interface BoxOfOrder extends PackedAs {
  readonly boxName: string;
  readonly count: number;
  /** What lies in it in place of what, and what was left out, in words. */
  readonly changes: readonly string[];
  /** What it contains as it is packed. */
  readonly contains: readonly Allergen[];
  readonly travel: Travel;
  /** Everything that was ruled out of it, whether it is packed in another way for that or not. */
  readonly ruledOut: readonly string[];
  /** What of it is in the box all the same. */
  readonly breaches: readonly Omit<Breach, 'line'>[];
}

/** What is handed over on one day. */
export interface HandOverDay {
  readonly day: Day;
  readonly orders: readonly HandOver[];
}
