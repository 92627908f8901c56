import { Controller, Get } from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import { customersSchema, type Customers } from '@usual-pantry/core/api';
import { BookService } from '../book/book.service.js';
import { Answers } from '../http/contract.js';

@ApiTags('Orders')
@Controller('api/customers')
export class CustomerController {
  constructor(private readonly books: BookService) {}

  @Get()
  @ApiOperation({ summary: 'Names of all who have ordered, each once: a typed order may begin with one' })
  @Answers(customersSchema)
  async customers(): Promise<Customers> {
    const { orders } = await this.books.season();
    return { names: [...new Set(orders.map(({ customer }) => customer.name))].sort() };
  }
}
