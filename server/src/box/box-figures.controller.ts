import { Controller, Get, Param } from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import { boxFiguresSchema, type BoxFigures } from '@usual-pantry/core/api';
import { BookService } from '../book/book.service.js';
import { Answers } from '../http/contract.js';
import { notFound } from '../refusal/refused.js';

@ApiTags('Boxes')
@Controller('api/boxes')
export class BoxFiguresController {
  constructor(private readonly books: BookService) {}

  @Get(':id/figures')
  @ApiOperation({ summary: 'Weight, pieces, allergens, shelf life and travel class of a box' })
  @Answers(boxFiguresSchema)
  async figures(@Param('id') id: string): Promise<BoxFigures> {
    const facts = (await this.books.season()).book.boxes.get(id);
    if (!facts) throw notFound('box', id);
    const { box: _box, pieceIds: _pieceIds, ingredientIds, ...figures } = facts;
    return { ...figures, ingredientIds: [...ingredientIds] };
  }
}
