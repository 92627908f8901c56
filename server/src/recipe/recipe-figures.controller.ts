import { Body, Controller, Get, HttpCode, Inject, Param, Post, Res } from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import {
  linesReadSchema,
  readLinesSchema,
  recipeEstimateSchema,
  recipeFiguresSchema,
  recipeMethodSchema,
  recipeVersionsSchema,
  type Answer,
  type ReadLines,
  type RecipeFigures,
  type RecipeVersion,
} from '@usual-pantry/core/api';
import { pantryItems, type ReadLine } from '@usual-pantry/core/reading';
import { estimateOf, stepCautions, stepTarget, worstBoiling } from '@usual-pantry/core/recipe';
import type { Response } from 'express';
import { BookService } from '../book/book.service.js';
import { notFound } from '../refusal/refused.js';
import { whenGone } from '../http/gone.js';
import { Answers, Takes } from '../http/contract.js';
import { runIn } from '../http/readers.js';
import { Thread } from '../thread/thread.js';
import type { LinesJob } from './line-reader.js';
import { RecipeRecords } from './recipe.records.js';

/** Injection token of the thread that reads pasted lines. */
export const LINE_READER = Symbol('LINE_READER');
const MOST_MS = 20_000;

@ApiTags('Recipes')
@Controller('api/recipes')
export class RecipeFiguresController {
  constructor(
    private readonly books: BookService,
    private readonly records: RecipeRecords,
    @Inject(LINE_READER) private readonly reader: Thread<LinesJob, ReadLine[]>,
  ) {}

  @Get(':id/figures')
  @ApiOperation({
    summary: 'Line weights, raw mass, yield, allergens and ingredient shares of the base batch, in grams',
  })
  @Answers(recipeFiguresSchema)
  async figures(@Param('id') id: string): Promise<RecipeFigures> {
    const facts = (await this.books.season()).book.recipes.get(id);
    if (!facts) throw notFound('recipe', id);
    const { lineGrams, rawGrams, yieldGrams, contains, mayContain, complete } = facts;
    return {
      ...{ lineGrams, rawGrams, yieldGrams, contains, mayContain, complete },
      ingredientsPerGram: Object.fromEntries(facts.ingredientsPerGram),
      listedPerGram: Object.fromEntries(facts.listedPerGram),
    };
  }

  @Get(':id/estimate')
  @ApiOperation({
    summary:
      'Composition, water activity, alcohol, energy and ganache balance of the finished recipe: estimates, not measurements',
  })
  @Answers(recipeEstimateSchema)
  async estimate(@Param('id') id: string): Promise<Answer<typeof recipeEstimateSchema>> {
    const { book } = await this.books.season();
    const facts = book.recipes.get(id);
    if (!facts) throw notFound('recipe', id);
    return { per100Grams: facts.parts, unknown: facts.unknownParts, estimate: estimateOf(facts, book.ingredients) };
  }

  @Get(':id/method')
  @ApiOperation({ summary: 'Steps with targets for this kitchen (C), cautions and the mass after each (g)' })
  @Answers(recipeMethodSchema)
  async method(@Param('id') id: string): Promise<Answer<typeof recipeMethodSchema>> {
    const { book } = await this.books.season();
    const facts = book.recipes.get(id);
    if (!facts) throw notFound('recipe', id);
    return {
      pot: worstBoiling(facts, 1, book.kitchen.pots),
      steps: facts.recipe.steps.map((step, at) => ({
        text: step.text,
        target: stepTarget(step, book.kitchen),
        cautions: stepCautions(facts.recipe, at, book),
        mass: facts.stepMasses[at] ?? null,
      })),
    };
  }

  @Get(':id/versions')
  @ApiOperation({ summary: 'Earlier versions of the recipe, the newest first' })
  @Answers(recipeVersionsSchema)
  versions(@Param('id') id: string): Promise<RecipeVersion[]> {
    return this.records.versions(id);
  }

  @Post('read-lines')
  @HttpCode(200)
  @ApiOperation({ summary: 'Reads pasted ingredient lines against the pantry; changes nothing' })
  @Takes(readLinesSchema)
  @Answers(linesReadSchema)
  async readLines(
    @Body({ schema: readLinesSchema }) { text, habit }: ReadLines,
    @Res({ passthrough: true }) response: Response,
  ): Promise<ReadLine[]> {
    const { data } = await this.books.season();
    const pantry = pantryItems(data.ingredients, data.recipes);
    const job = { text, pantry, habit: habit ?? data.kitchen.measures };
    return runIn(this.reader, job, { signal: whenGone(response), mostMs: MOST_MS });
  }
}
