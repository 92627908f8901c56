import { Controller, Get } from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import { boxCostsSchema } from '@usual-pantry/core/api';
import type { BoxCost } from '@usual-pantry/core/money';
import { Answers } from '../http/contract.js';
import { BookService } from '../book/book.service.js';

@ApiTags('Money')
@Controller('api/money')
export class MoneyController {
  constructor(private readonly books: BookService) {}

  @Get('boxes')
  @ApiOperation({
    summary: 'What each box costs and brings: ingredients with losses, packaging, hands x rate, price, margin',
  })
  @Answers(boxCostsSchema)
  boxes(): Promise<readonly BoxCost[]> {
    return this.books.costs();
  }
}
