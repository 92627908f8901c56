import { randomUUID } from 'node:crypto';
import { Body, Controller, Get, Post } from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import { newPracticeSchema, practicesSchema, type NewPractice } from '@usual-pantry/core/api';
import { practiceSchema, type Practice } from '@usual-pantry/core/practice';
import { Clock } from '../clock/clock.js';
import { Answers, Takes } from '../http/contract.js';
import { UnitOfWork } from '../storage/unit-of-work.js';
import { PracticeRow } from './making.entity.js';

/** So many of the newest are shown. */
const SHOWN = 200;

/** Practice runs and how they went. They touch no stock, no plan and no log. */
@ApiTags('At the bench')
@Controller('api/practices')
export class PracticeController {
  constructor(
    private readonly work: UnitOfWork,
    private readonly clock: Clock,
  ) {}

  @Get()
  @ApiOperation({ summary: 'Practice runs, the newest first' })
  @Answers(practicesSchema)
  list(): Promise<Practice[]> {
    return this.work.read((manager) => manager.find(PracticeRow, { order: { at: 'DESC', id: 'ASC' }, take: SHOWN }));
  }

  @Post()
  @ApiOperation({ summary: 'Keeps how a practice run went' })
  @Takes(newPracticeSchema)
  @Answers(practiceSchema, 201)
  add(@Body({ schema: newPracticeSchema }) practice: NewPractice): Promise<Practice> {
    return this.work.write(
      (manager) => manager.save(PracticeRow, { ...practice, id: randomUUID(), at: this.clock.now() }),
      { part: 'aside' },
    );
  }
}
