import { Body, Controller, Get, HttpCode, Post, Query, Res } from '@nestjs/common';
import { ApiOperation, ApiQuery, ApiResponse, ApiTags } from '@nestjs/swagger';
import { seasonCountsSchema, seasonFileAnswerSchema, type SeasonCounts } from '@usual-pantry/core/api';
import { seasonFileJsonSchema, type SeasonFile } from '@usual-pantry/core/season-file';
import type { Response } from 'express';
import { z } from 'zod';
import { Audit } from '../door/audit.js';
import { Answers, AnswersFile, Takes } from '../http/contract.js';
import { whenGone } from '../http/gone.js';
import { bytesOf } from '../http/readers.js';
import { SeasonFileService } from './season-file.service.js';

const importQuerySchema = z.strictObject({ dates: z.enum(['keep', 'move']).default('keep') });

@ApiTags('Season file')
@Controller('api/season-file')
export class SeasonFileController {
  constructor(
    private readonly files: SeasonFileService,
    private readonly audit: Audit,
  ) {}

  @Get()
  @ApiOperation({ summary: 'Everything that is kept, as one JSON file' })
  @Answers(seasonFileAnswerSchema)
  async write(@Res({ passthrough: true }) response: Response): Promise<SeasonFile> {
    const file = await this.files.write();
    this.audit.note('exported', `${String(file.orders.length)} orders`);
    response.set('Content-Disposition', `attachment; filename="season-${file.writtenFor}.json"`);
    return file;
  }

  @Get('schema')
  @ApiOperation({ summary: 'The JSON Schema of the file' })
  @AnswersFile('application/schema+json')
  schema(): object {
    return seasonFileJsonSchema();
  }

  @Post('check')
  @HttpCode(200)
  @ApiOperation({ summary: 'What a file holds; changes nothing' })
  @Takes(seasonFileAnswerSchema)
  @ApiResponse({ status: 422, description: 'Every wrong value with its path' })
  @Answers(seasonCountsSchema)
  check(@Body() value: unknown, @Res({ passthrough: true }) response: Response): Promise<SeasonCounts> {
    return this.files.check(bytesOf(value), whenGone(response));
  }

  @Post()
  @HttpCode(200)
  @ApiOperation({ summary: 'Replace everything by a file in one transaction, or change nothing' })
  @Takes(seasonFileAnswerSchema)
  @ApiQuery({ name: 'dates', required: false, schema: { type: 'string', enum: ['keep', 'move'] } })
  @ApiResponse({ status: 422, description: 'Every wrong value with its path' })
  @Answers(seasonCountsSchema)
  replace(
    @Body() value: unknown,
    @Query({ schema: importQuerySchema }) query: z.infer<typeof importQuerySchema>,
    @Res({ passthrough: true }) response: Response,
  ): Promise<SeasonCounts> {
    return this.files.replace(bytesOf(value), query.dates === 'move', whenGone(response));
  }
}
