import { Body, Controller, Get, HttpCode, Post, Query, Res } from '@nestjs/common';
import { ApiBody, ApiOperation, ApiQuery, ApiResponse, ApiTags } from '@nestjs/swagger';
import { seasonFileJsonSchema, type SeasonFile } from '@usual-pantry/core/season-file';
import type { Response } from 'express';
import { z } from 'zod';
import { Audit } from '../door/audit.js';
import { whenGone } from '../http/gone.js';
import { bytesOf } from '../http/readers.js';
import type { SeasonCounts } from './season-reader.js';
import { SeasonFileService } from './season-file.service.js';

const importQuerySchema = z.strictObject({ dates: z.enum(['keep', 'move']).default('keep') });
const fileBody = {
  description: 'A season file; its schema is at /api/season-file/schema',
  schema: { type: 'object' },
};

@ApiTags('Season file')
@Controller('api/season-file')
export class SeasonFileController {
  constructor(
    private readonly files: SeasonFileService,
    private readonly audit: Audit,
  ) {}

  @Get()
  @ApiOperation({ summary: 'Everything that is kept, as one JSON file' })
  async write(@Res({ passthrough: true }) response: Response): Promise<SeasonFile> {
    const file = await this.files.write();
    this.audit.note('exported', `${String(file.orders.length)} orders`);
    response.set('Content-Disposition', `attachment; filename="season-${file.writtenFor}.json"`);
    return file;
  }

  @Get('schema')
  @ApiOperation({ summary: 'The JSON Schema of the file' })
  schema(): object {
    return seasonFileJsonSchema();
  }

  @Post('check')
  @HttpCode(200)
  @ApiOperation({ summary: 'What a file holds; changes nothing' })
  @ApiBody(fileBody)
  @ApiResponse({ status: 422, description: 'Every wrong value with its path' })
  check(@Body() value: unknown, @Res({ passthrough: true }) response: Response): Promise<SeasonCounts> {
    return this.files.check(bytesOf(value), whenGone(response));
  }

  @Post()
  @HttpCode(200)
  @ApiOperation({ summary: 'Replace everything by a file in one transaction, or change nothing' })
  @ApiBody(fileBody)
  @ApiQuery({ name: 'dates', required: false, schema: { type: 'string', enum: ['keep', 'move'] } })
  @ApiResponse({ status: 422, description: 'Every wrong value with its path' })
  replace(
    @Body() value: unknown,
    @Query({ schema: importQuerySchema }) query: z.infer<typeof importQuerySchema>,
    @Res({ passthrough: true }) response: Response,
  ): Promise<SeasonCounts> {
    return this.files.replace(bytesOf(value), query.dates === 'move', whenGone(response));
  }
}
