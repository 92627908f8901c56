import { Body, Controller, HttpCode, Post } from '@nestjs/common';
import { ApiBody, ApiOperation, ApiTags } from '@nestjs/swagger';
import { exclusionSchema, orderDraftSchema, orderSchema, orderStates, type OrderDraft } from '@usual-pantry/core/order';
import { daySchema, idSchema, versionSchema } from '@usual-pantry/core/record';
import { z } from 'zod';
import { listQuerySchema, recordController } from '../http/record-controller.js';
import { jsonSchemaOf } from '../http/json-schema.js';
import type { OrderRow } from './order.entity.js';
import { OrderRecords } from './order.records.js';

const statesSchema = z.strictObject({
  orders: z
    .array(z.strictObject({ id: idSchema, version: versionSchema }))
    .min(1)
    .max(500),
  state: z.enum(orderStates),
});

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
  @ApiBody({ schema: jsonSchemaOf(statesSchema) })
  changeStates(@Body({ schema: statesSchema }) { orders, state }: z.infer<typeof statesSchema>) {
    return this.records.updateAll(orders, (order) => ({ ...order, state }));
  }
}
