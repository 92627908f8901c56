import { Body, Controller, Get, HttpCode, Post } from '@nestjs/common';
import { ApiBody, ApiOperation, ApiTags } from '@nestjs/swagger';
import type { Finding } from '@usual-pantry/core/finding';
import { orderDraftSchema } from '@usual-pantry/core/order';
import { promiseCheck, type Plan, type PromiseCheck, type ShoppingLine } from '@usual-pantry/core/plan';
import { idSchema } from '@usual-pantry/core/record';
import type { z } from 'zod';
import { BookService } from '../book/book.service.js';
import { jsonSchemaOf } from '../http/json-schema.js';

/** An order that may be stored already: then it is not counted twice. */
const askedSchema = orderDraftSchema.safeExtend({ id: idSchema.optional() });

@ApiTags('Plan')
@Controller('api')
export class PlanController {
  constructor(private readonly books: BookService) {}

  @Get('plan')
  @ApiOperation({
    summary: 'The season worked out from the open orders: makings, left-overs, shopping, days, label dates, findings',
  })
  async plan(): Promise<Plan & { today: string; maker: string; currency: string }> {
    const { plan, today, season } = await this.books.plan();
    const { makerName, currency } = season.data.kitchen;
    return { ...plan, today, maker: makerName, currency };
  }

  @Get('plan/shopping')
  @ApiOperation({ summary: 'The shopping list: whole packs at least cost, net of what is on hand' })
  async shopping(): Promise<readonly ShoppingLine[]> {
    return (await this.books.plan()).plan.shopping;
  }

  @Post('plan/promise')
  @HttpCode(200)
  @ApiOperation({
    summary: 'Whether an order can be promised for its day, why not, and the earliest day; changes nothing',
  })
  @ApiBody({ schema: jsonSchemaOf(orderDraftSchema) })
  async promise(@Body({ schema: askedSchema }) asked: z.infer<typeof askedSchema>): Promise<PromiseCheck> {
    const { season, today } = await this.books.plan();
    return promiseCheck(season.book, season.orders, { ...asked, id: asked.id ?? 'asked' }, today);
  }

  @Get('findings')
  @ApiOperation({ summary: 'What must be settled, the gravest first' })
  async findings(): Promise<readonly Finding[]> {
    return (await this.books.plan()).plan.findings;
  }
}
