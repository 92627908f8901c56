import type { TestMessage } from '@usual-pantry/core/api';
import type { SignedBy } from './signature.js';

/** Injection token of the {@link OrderSender}. */
export const ORDER_SENDER = Symbol('ORDER_SENDER');

/** What comes in with one delivery of a message. */
export interface Delivery {
  readonly body: string;
  readonly by: SignedBy;
}

/** Something that sends an order as a shop does: it may come twice, late, or without a signature. */
export interface OrderSender {
  /** @param key that the shop signs with */
  deliveries: (order: TestMessage['order'], manner: TestMessage['manner'], key: string) => readonly Delivery[];
}
