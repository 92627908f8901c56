import { Body, Controller, Get, HttpCode, Post, Query } from '@nestjs/common';
import { ApiOperation, ApiQuery, ApiTags } from '@nestjs/swagger';
import {
  changePageSchema,
  changeSchema,
  whichChangeSchema,
  type Change,
  type ChangePage,
  type WhichChange,
} from '@usual-pantry/core/api';
import { z } from 'zod';
import { Answers, Takes } from '../http/contract.js';
import { HistoryService } from './history.service.js';

const pageQuerySchema = z.strictObject({
  page: z.coerce.number().int().min(1).default(1),
  size: z.coerce.number().int().min(1).max(100).default(25),
});

@ApiTags('History')
@Controller('api/history')
export class HistoryController {
  constructor(private readonly history: HistoryService) {}

  @Get()
  @ApiOperation({ summary: 'What was changed, the newest first, and what stands in the way of undoing it' })
  @ApiQuery({ name: 'page', required: false, schema: { type: 'integer', minimum: 1, default: 1 } })
  @ApiQuery({ name: 'size', required: false, schema: { type: 'integer', minimum: 1, maximum: 100, default: 25 } })
  @Answers(changePageSchema)
  list(@Query({ schema: pageQuerySchema }) { page, size }: z.infer<typeof pageQuerySchema>): Promise<ChangePage> {
    return this.history.list(page, size);
  }

  @Post('undo')
  @HttpCode(200)
  @ApiOperation({ summary: 'Takes a change back, all of it or nothing; without an id your last one' })
  @Takes(whichChangeSchema)
  @Answers(changeSchema)
  undo(@Body({ schema: whichChangeSchema }) { id }: WhichChange): Promise<Change> {
    return this.history.turn('undo', id);
  }

  @Post('redo')
  @HttpCode(200)
  @ApiOperation({ summary: 'Does a change again that was taken back; without an id the one you took back last' })
  @Takes(whichChangeSchema)
  @Answers(changeSchema)
  redo(@Body({ schema: whichChangeSchema }) { id }: WhichChange): Promise<Change> {
    return this.history.turn('redo', id);
  }
}
