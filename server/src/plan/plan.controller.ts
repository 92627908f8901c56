import { Controller, Get } from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import type { Finding } from '@usual-pantry/core/finding';
import type { Plan, ShoppingLine } from '@usual-pantry/core/plan';
import { BookService } from '../book/book.service.js';

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

  @Get('findings')
  @ApiOperation({ summary: 'What must be settled, the gravest first' })
  async findings(): Promise<readonly Finding[]> {
    return (await this.books.plan()).plan.findings;
  }
}
