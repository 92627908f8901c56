import { Body, Controller, HttpCode, Post, UseInterceptors } from '@nestjs/common';
import { ApiHeader, ApiOperation, ApiTags } from '@nestjs/swagger';
import {
  batchesSchema,
  finishBatchesSchema,
  makeBatchesSchema,
  takeBackBatchesSchema,
  weighBatchesSchema,
  type FinishBatches,
  type MakeBatches,
  type TakeBackBatches,
  type WeighBatches,
} from '@usual-pantry/core/api';
import { afterStage, batchDraftSchema, batchSchema, type BatchDraft } from '@usual-pantry/core/batch';
import { Answers, AnswersNothing, Takes } from '../http/contract.js';
import { onceHeader, OnceInterceptor } from '../http/once.interceptor.js';
import { recordController } from '../http/record-controller.js';
import type { BatchRow } from './batch.entity.js';
import { BatchRecords } from './batch.records.js';

@ApiTags('Batches')
@Controller('api/batches')
export class BatchController extends recordController<BatchDraft, BatchRow>({
  noun: 'batch',
  draft: batchDraftSchema,
  stored: batchSchema,
}) {
  constructor(override readonly records: BatchRecords) {
    super(records);
  }

  @Post('made')
  @UseInterceptors(OnceInterceptor)
  @ApiHeader(onceHeader)
  @ApiOperation({
    summary:
      'Writes several batches down that were made, all of them or none; the pantry gives for them. Refused while it is not said where that came from which it does not have',
  })
  @Takes(makeBatchesSchema)
  @Answers(batchesSchema, 201)
  made(@Body({ schema: makeBatchesSchema }) { batches, ...from }: MakeBatches) {
    return this.records.createAll(batches, from);
  }

  @Post('finished')
  @HttpCode(200)
  @ApiOperation({
    summary:
      'Says of several batches when their pieces were cut, rolled, dipped or filled, or went through a stage of that; null takes it back',
  })
  @Takes(finishBatchesSchema)
  @Answers(batchesSchema)
  finished(@Body({ schema: finishBatchesSchema }) { batches, on, stage }: FinishBatches) {
    return this.records.updateAll(batches, (batch) => afterStage(batch, stage, on));
  }

  @Post('weighed')
  @HttpCode(200)
  @ApiOperation({ summary: 'Says of several batches what they weighed, all of them or none' })
  @Takes(weighBatchesSchema)
  @Answers(batchesSchema)
  weighed(@Body({ schema: weighBatchesSchema }) { batches }: WeighBatches) {
    return this.records.updateAll(batches, (batch, place) => ({ ...batch, grams: batches[place]?.grams ?? null }));
  }

  @Post('taken-back')
  @HttpCode(204)
  @ApiOperation({ summary: 'Several batches were not made after all; the pantry gets back what they took' })
  @Takes(takeBackBatchesSchema)
  @AnswersNothing()
  takenBack(@Body({ schema: takeBackBatchesSchema }) { batches }: TakeBackBatches): Promise<void> {
    return this.records.removeAll(batches);
  }
}
