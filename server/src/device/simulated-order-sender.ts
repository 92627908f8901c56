import { randomUUID } from 'node:crypto';
import type { TestMessage } from '@usual-pantry/core/api';
import type { ShopMessage } from '@usual-pantry/core/intake';
import type { Delivery, OrderSender } from './order-sender.js';
import { sign, UNSIGNED } from './signature.js';

/** The stand-in for a shop: sends a test order well or badly, signed by the shop’s key. */
export class SimulatedOrderSender implements OrderSender {
  deliveries(order: TestMessage['order'], manner: TestMessage['manner'], key: string): Delivery[] {
    const reference = `test-${randomUUID().slice(0, 8)}`;
    const first: ShopMessage = { id: randomUUID(), reference, revision: 1, order };
    const more = order.lines.map((line, index) => (index === 0 ? { ...line, count: line.count + 1 } : line));
    const second: ShopMessage = { id: randomUUID(), reference, revision: 2, order: { ...order, lines: more } };
    const sent = { once: [first], twice: [first, first], 'out of order': [second, first], unsigned: [first] }[manner];
    return sent.map((message) => {
      const body = JSON.stringify(message);
      return { body, by: manner === 'unsigned' ? UNSIGNED : sign(key, message.id, new Date(), body) };
    });
  }
}
