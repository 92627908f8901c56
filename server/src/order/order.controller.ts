import { Body, Controller, HttpCode, Post } from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import {
  handedOverSchema,
  ordersPaidSchema,
  ordersSchema,
  orderStatesSchema,
  type HandedOver,
  type OrdersPaid,
  type OrderStates,
} from '@usual-pantry/core/api';
import { exclusionSchema, orderDraftSchema, orderSchema, orderStates, type OrderDraft } from '@usual-pantry/core/order';
import { daySchema } from '@usual-pantry/core/record';
import { z } from 'zod';
import { listQuerySchema, recordController } from '../http/record-controller.js';
import { Answers, Takes } from '../http/contract.js';
import type { OrderRow } from './order.entity.js';
import { OrderRecords } from './order.records.js';

@ApiTags('Orders')
@Controller('api/orders')
export class OrderController extends recordController<OrderDraft, OrderRow>({
  noun: 'order',
  draft: orderDraftSchema,
  stored: orderSchema,
  query: listQuerySchema.extend({
    show: z.enum(['open', 'closed', 'all']).default('all'),
    state: z.enum(orderStates).optional(),
    way: orderDraftSchema.shape.handOver.shape.way.optional(),
    exclusion: exclusionSchema.optional(),
    on: daySchema.optional(),
  }),
}) {
  constructor(override readonly records: OrderRecords) {
    super(records);
  }

  @Post('states')
  @HttpCode(200)
  @ApiOperation({ summary: 'Brings several orders into one state, all of them or none' })
  @Takes(orderStatesSchema)
  @Answers(ordersSchema)
  changeStates(@Body({ schema: orderStatesSchema }) { orders, state }: OrderStates) {
    return this.records.updateAll(orders, (order) => ({ ...order, state }));
  }

  @Post('handed-over')
  @HttpCode(200)
  @ApiOperation({ summary: 'Notes that orders were handed over, and paid if so, all of them or none' })
  @Takes(handedOverSchema)
  @Answers(ordersSchema)
  handOver(@Body({ schema: handedOverSchema }) body: HandedOver) {
    return this.records.handOver(body);
  }

  @Post('paid')
  @HttpCode(200)
  @ApiOperation({ summary: 'Notes that all that is due of orders was paid, all of them or none' })
  @Takes(ordersPaidSchema)
  @Answers(ordersSchema)
  pay(@Body({ schema: ordersPaidSchema }) body: OrdersPaid) {
    return this.records.pay(body);
  }
}
