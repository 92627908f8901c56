import { Module } from '@nestjs/common';
import { Parts } from '../book/parts.js';
import { DeviceModule } from '../device/device.module.js';
import { OrderModule } from '../order/order.module.js';
import { InboxController } from './inbox.controller.js';
import { InboxMessageRow } from './inbox.entity.js';
import { InboxService } from './inbox.service.js';

/** What a shop sends. */
@Module({ imports: [DeviceModule, OrderModule], controllers: [InboxController], providers: [InboxService] })
export class InboxModule {
  static readonly entities = [InboxMessageRow];

  constructor(parts: Parts) {
    // Messages stay beside what a file brings: one that comes again is known.
    parts.addToFile('messages', {
      write: async (manager, { orders }) => {
        const versions = new Map(orders.map(({ id, version }) => [id, version]));
        const messages = await manager.find(InboxMessageRow, { order: { receivedAt: 'ASC', id: 'ASC' } });
        return messages.map(({ orderVersion, ...message }) => ({
          ...message,
          orderStands: orderVersion !== null && versions.get(message.orderId) === orderVersion,
        }));
      },
      store: async (storing, messages) => {
        for (const { orderStands, ...message } of messages) {
          const orderVersion = orderStands ? storing.versionOf('order', message.orderId) : null;
          await storing.manager.save(InboxMessageRow, { ...message, orderVersion });
        }
      },
    });
  }
}
