import type { Book } from '../book/index.js';
import { sayMoney, type Day } from '../quantity/index.js';
import { priceOfOrder } from './packed.js';
import type { OrderDraft, Payment, PayWay } from './schema.js';

type Paid = Pick<OrderDraft, 'depositMinor' | 'payments'>;
type Owing = Parameters<typeof priceOfOrder>[0] & Paid & Pick<OrderDraft, 'state'>;

/** What is known of an order's money, minor units. */
export interface OrderMoney {
  readonly price: number;
  /** What came in, less what was given back; all of the price where it is only known that it was paid. */
  readonly paid: number;
  readonly due: number;
  /** What was paid beyond the price; of a cancelled order, all that was paid. */
  readonly over: number;
}

/** Tells whether the maker has noted that an order is paid, without its amount. */
export const isSettled = ({ payments }: Paid): boolean => payments.some(({ minor }) => minor === null);

/** Sums the deposit and every payment of which the amount is known, minor units; what was given back counts below zero. */
export const receivedOf = ({ depositMinor, payments }: Paid): number =>
  payments.reduce((sum, { minor }) => sum + (minor ?? 0), depositMinor);

/** Sums what was paid in the order in which it was: all that was due brings it to the price, and what is given back then counts from there. */
const paidOf = ({ depositMinor, payments }: Paid, price: number): number =>
  payments.reduce((sum, { minor }) => (minor === null ? Math.max(sum, price) : sum + minor), depositMinor);

/** Works out what was paid of an order and what is due. Its state says nothing of it: what is packed or handed over may still be owed. */
export function moneyOf(order: Owing, book: Book): OrderMoney {
  const price = priceOfOrder(order, book);
  const paid = paidOf(order, price);
  // Nothing is due of what is cancelled, and all that was paid may have to be given back.
  const owed = order.state === 'cancelled' ? 0 : price;
  return { price, paid, due: Math.max(0, owed - paid), over: Math.max(0, paid - owed) };
}

/** Works out what is still to be paid of an order, minor units. */
export const dueOf = (order: Owing, book: Book): number => moneyOf(order, book).due;

/** Notes on an order that all that was due is paid; an order of which nothing is due stays as it is. */
export function payDue<Order extends Owing>(order: Order, book: Book, on: Day, way: PayWay): Order {
  const due = dueOf(order, book);
  return due === 0 ? order : withPayment(order, { on, minor: due, way, note: '' });
}

/** Adds a payment to an order; one below zero is money that was given back. */
export const withPayment = <Order extends Paid>(order: Order, payment: Payment): Order => ({
  ...order,
  payments: [...order.payments, payment],
});

/** Says in a few words how an order's money stands: `$18.00 due`, `paid`, `$4.00 overpaid`. */
export function sayOwed(
  { due, over }: Pick<OrderMoney, 'due' | 'over'>,
  isCancelled: boolean,
  currency: string,
): string {
  if (over > 0) return isCancelled ? `${sayMoney(over, currency)} was paid` : `${sayMoney(over, currency)} overpaid`;
  if (due > 0) return `${sayMoney(due, currency)} due`;
  return isCancelled ? 'nothing was paid' : 'paid';
}
