import { Controller, Get, Param } from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import type { BoxFacts } from '@usual-pantry/core/box';
import { BookService } from '../book/book.service.js';
import { notFound } from '../http/errors.js';

@ApiTags('Boxes')
@Controller('api/boxes')
export class BoxFiguresController {
  constructor(private readonly books: BookService) {}

  @Get(':id/figures')
  @ApiOperation({ summary: 'Weight, pieces, allergens, shelf life and travel class of a box' })
  async figures(@Param('id') id: string): Promise<BoxFacts> {
    const facts = (await this.books.season()).book.boxes.get(id);
    if (!facts) throw notFound('box', id);
    return facts;
  }
}
