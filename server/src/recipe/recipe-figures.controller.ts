import { Controller, Get, Param } from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import { BookService } from '../book/book.service.js';
import { notFound } from '../http/errors.js';

@ApiTags('Recipes')
@Controller('api/recipes')
export class RecipeFiguresController {
  constructor(private readonly books: BookService) {}

  @Get(':id/figures')
  @ApiOperation({
    summary: 'Line weights, raw mass, yield, allergens and ingredient shares of the base batch, in grams',
  })
  async figures(@Param('id') id: string) {
    const facts = (await this.books.season()).book.recipes.get(id);
    if (!facts) throw notFound('recipe', id);
    return { ...facts, ingredientsPerGram: Object.fromEntries(facts.ingredientsPerGram) };
  }
}
