import { isSettled, receivedOf, withPayment, type OrderDraft } from '../order/index.js';
import { minorDigits, minorPerUnit, type Day } from '../quantity/index.js';

/** An amount of money such as `12`, `$12.50` or `12,50`, in minor units; NaN for what may be read in two ways. */
export function readDeposit(text: string, currency: string): number {
  if (text === '') return 0;
  const plain = text.replace(/^[\s\p{Sc}]+|[\s\p{Sc}]+$/gu, '').replace(/^[A-Z]{3}\s*|\s*[A-Z]{3}$/g, '');
  const fraction = /^\d+(?:([.,])(\d+))?$/.exec(plain);
  if (!fraction) return NaN;
  const [, sign, behind = ''] = fraction;
  // Three digits behind a comma may be thousands; behind a point they are thousandths only where the currency has them.
  const isGroup = behind.length === 3 && (sign === ',' || minorDigits(currency) < 3);
  if (isGroup || behind.length > minorDigits(currency)) return NaN;
  return Math.round(Number(plain.replace(',', '.')) * minorPerUnit(currency));
}

/** What is paid: an amount, or all of it; null for what is neither. */
export function readPaid(text: string, currency: string): number | 'all' | null {
  if (/^(?:y|yes|all|true|x|paid|full|paid in full|in full|✓)$/i.test(text)) return 'all';
  if (/^(?:n|no|none|false|unpaid|-)$/i.test(text)) return 0;
  const amount = readDeposit(text, currency);
  return amount >= 0 ? amount : null;
}

/** What was paid beside the deposit, minor units. */
const paidLater = ({ payments }: Pick<OrderDraft, 'payments'>): number => receivedOf({ depositMinor: 0, payments });

/** What a file says is paid beside the deposit; nothing that it does not say takes a payment away. */
export function withPaid<Order extends Pick<OrderDraft, 'depositMinor' | 'payments'>>(
  order: Order,
  paid: number | 'all',
  today: Day,
): Order {
  if (paid === 'all') return isSettled(order) ? order : withPayment(order, paymentOn(today, null));
  const there = paidLater(order);
  return paid === 0 || paid === there ? order : withPayment(order, paymentOn(today, paid - there));
}

const paymentOn = (on: Day, minor: number | null) => ({ on, minor, way: 'other' as const, note: '' });

/** Writes what is paid beside the deposit as {@link readPaid} reads it. */
export const sayPaid = (order: Pick<OrderDraft, 'depositMinor' | 'payments'>, currency: string): string =>
  isSettled(order) ? 'yes' : sayPlain(paidLater(order), currency);

/** Writes an amount as a file has it: figures alone. */
export const sayPlain = (minor: number, currency: string): string =>
  (minor / minorPerUnit(currency)).toFixed(minorDigits(currency));
