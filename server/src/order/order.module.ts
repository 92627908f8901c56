import { Module } from '@nestjs/common';
import { Parts } from '../book/parts.js';
import { Keepers } from '../storage/keeper.js';
import { OrderFileController } from './order-file.controller.js';
import { CustomerController } from './customer.controller.js';
import { OrderController } from './order.controller.js';
import { OrderRow, OrderLineRow, OrderAgreedRow } from './order.entity.js';
import { orderMapping } from './order.mapping.js';
import { OrderRecords } from './order.records.js';
import { ORDER_FILE_READER, OrderFileService } from './order-file.service.js';
import { threadOf } from '../thread/thread.js';

/** Orders, their customers, and files of them. */
@Module({
  controllers: [OrderFileController, CustomerController, OrderController],
  providers: [
    OrderRecords,
    OrderFileService,
    { provide: ORDER_FILE_READER, useFactory: () => threadOf('order-file-reader') },
  ],
  exports: [OrderRecords],
})
export class OrderModule {
  static readonly entities = [OrderRow, OrderLineRow, OrderAgreedRow];

  constructor(parts: Parts, keepers: Keepers, records: OrderRecords) {
    parts.addRecords('orders', orderMapping);
    keepers.add(records);
  }
}
