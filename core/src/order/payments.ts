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

/** Sums the deposit and every payment, minor units; what was given back counts below zero. */
export const receivedOf = ({ depositMinor, payments }: Paid): number =>
  payments.reduce((sum, { minor }) => sum + (minor ?? 0), depositMinor);

/** Works out what was paid of an order and what is due. Its state says nothing of it: what is packed or handed over may still be owed. */
export function moneyOf(order: Owing, book: Book): OrderMoney {
  const price = priceOfOrder(order, book);
  const received = receivedOf(order);
  const paid = isSettled(order) ? Math.max(price, received) : received;
  if (order.state === 'cancelled') return { price, paid: received, due: 0, over: Math.max(0, received) };
  return { price, paid, due: Math.max(0, price - paid), over: Math.max(0, paid - price) };
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

/** Says in a few words how an order's money stands: `$18.00 due`, `paid`, `$4.00 too much`. */
export function sayOwed(
  { due, over }: Pick<OrderMoney, 'due' | 'over'>,
  isCancelled: boolean,
  currency: string,
): string {
  if (over > 0)
    return isCancelled ? `${sayMoney(over, currency)} was paid` : `${sayMoney(over, currency)} too much paid`;
  if (due > 0) return `${sayMoney(due, currency)} due`;
  return isCancelled ? 'nothing was paid' : 'paid';
}
