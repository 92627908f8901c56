import { Controller, Get, HttpCode, Param, Post, StreamableFile } from '@nestjs/common';
import { ApiOperation, ApiParam, ApiResponse, ApiTags } from '@nestjs/swagger';
import { backupSchema, backupsSchema, databaseHealthSchema, restoredSchema } from '@usual-pantry/core/api';
import { Answers, AnswersFile } from '../http/contract.js';
import { Audit } from '../door/audit.js';
import { Backups, type Backup } from '../storage/backups.js';
import type { Health } from '../storage/inspect.js';

@ApiTags('Backups')
@Controller('api/backups')
export class BackupController {
  constructor(
    private readonly backups: Backups,
    private readonly audit: Audit,
  ) {}

  @Get()
  @ApiOperation({ summary: 'Copies of the whole database, the newest first' })
  @Answers(backupsSchema)
  list(): Backup[] {
    return this.backups.list();
  }

  @Post()
  @ApiOperation({ summary: 'Takes a copy now, while everything goes on' })
  @Answers(backupSchema, 201)
  take(): Promise<Backup> {
    return this.backups.take('on-demand');
  }

  @Post('check')
  @HttpCode(200)
  @ApiOperation({ summary: 'Looks at every page and index of the database itself' })
  @Answers(databaseHealthSchema)
  checkDatabase(): Promise<Health> {
    return this.backups.check(null);
  }

  @Post(':name/check')
  @HttpCode(200)
  @ApiOperation({ summary: 'Looks at every page and index of a copy' })
  @ApiParam({ name: 'name', schema: { type: 'string' } })
  @Answers(databaseHealthSchema)
  check(@Param('name') name: string): Promise<Health> {
    return this.backups.check(name);
  }

  @Get(':name/file')
  @ApiOperation({ summary: 'A copy as a file: a whole SQLite database' })
  @ApiParam({ name: 'name', schema: { type: 'string' } })
  @AnswersFile('application/vnd.sqlite3')
  file(@Param('name') name: string): StreamableFile {
    const stream = this.backups.read(name);
    this.audit.note('backup taken away', name);
    return new StreamableFile(stream, {
      type: 'application/vnd.sqlite3',
      disposition: `attachment; filename="${name}"`,
    });
  }

  @Post(':name/restore')
  @HttpCode(200)
  @ApiOperation({ summary: 'Puts a copy back, after a copy of what is there now' })
  @ApiParam({ name: 'name', schema: { type: 'string' } })
  @ApiResponse({ status: 422, description: 'The copy cannot be used; everything is as before' })
  @Answers(restoredSchema)
  async restore(@Param('name') name: string): Promise<{ before: Backup }> {
    const before = await this.backups.restore(name);
    this.audit.note('restored', name);
    return { before };
  }
}
