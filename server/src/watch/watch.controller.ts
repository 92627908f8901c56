import { Controller, Get, Header, Res } from '@nestjs/common';
import { ApiOperation, ApiResponse, ApiTags } from '@nestjs/swagger';
import { healthSchema } from '@usual-pantry/core/api';
import type { Response } from 'express';
import { Answers, AnswersFile } from '../http/contract.js';
import { visitorAt } from '../door/door-guard.js';
import { Diagnostics, type Health } from './diagnostics.js';

@ApiTags('Watching')
@Controller('api')
export class WatchController {
  constructor(private readonly diagnostics: Diagnostics) {}

  @Get('health')
  @ApiOperation({ summary: 'Whether the server is well; how, for those who have signed in' })
  @ApiResponse({ status: 503, description: 'It is not' })
  @Answers(healthSchema)
  async health(@Res({ passthrough: true }) response: Response): Promise<Health | Pick<Health, 'ok'>> {
    const health = await this.diagnostics.health();
    response.status(health.ok ? 200 : 503);
    return visitorAt(response) ? health : { ok: health.ok };
  }

  @Get('diagnostics')
  @Header('Content-Type', 'application/json; charset=utf-8')
  @ApiOperation({ summary: 'A text for a report: how the program is doing, without anything of the kitchen' })
  @AnswersFile('application/json')
  file(): Promise<string> {
    return this.diagnostics.file();
  }
}
