import { Controller } from '@nestjs/common';
import { ApiTags } from '@nestjs/swagger';
import { orderDraftSchema, orderSchema, type OrderDraft } from '@usual-pantry/core/order';
import { z } from 'zod';
import { listQuerySchema, recordController } from '../http/record-controller.js';
import type { OrderRow } from './order.entity.js';
import { OrderRecords } from './order.records.js';

@ApiTags('Orders')
@Controller('api/orders')
export class OrderController extends recordController<OrderDraft, OrderRow>({
  noun: 'order',
  draft: orderDraftSchema,
  stored: orderSchema,
  query: listQuerySchema.extend({ show: z.enum(['open', 'closed', 'all']).default('all') }),
}) {
  constructor(override readonly records: OrderRecords) {
    super(records);
  }
}
