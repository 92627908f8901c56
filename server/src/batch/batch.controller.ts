import { Body, Controller, HttpCode, Post, UseInterceptors } from '@nestjs/common';
import { ApiBody, ApiHeader, ApiOperation, ApiTags } from '@nestjs/swagger';
import { batchDraftSchema, batchSchema, type BatchDraft } from '@usual-pantry/core/batch';
import { gramsSchema } from '@usual-pantry/core/quantity';
import { daySchema, idSchema, versionSchema } from '@usual-pantry/core/record';
import { z } from 'zod';
import { jsonSchemaOf } from '../http/json-schema.js';
import { onceHeader, OnceInterceptor } from '../http/once.interceptor.js';
import { recordController } from '../http/record-controller.js';
import type { BatchRow } from './batch.entity.js';
import { BatchRecords } from './batch.records.js';

const MOST_AT_ONCE = 100;
const MOST_OPENED = 100;
const madeSchema = z.strictObject({
  batches: z.array(batchDraftSchema).min(1).max(MOST_AT_ONCE),
  /** Packs that were bought without a word and opened for them, g: what is left of them is on hand afterwards. */
  opened: z
    .array(z.strictObject({ ingredientId: idSchema, grams: gramsSchema }))
    .max(MOST_OPENED)
    .default([]),
  /** Ingredients that did not come from the pantry. */
  elsewhere: z.array(idSchema).max(MOST_OPENED).default([]),
});
const finishedSchema = z.strictObject({
  batches: z
    .array(z.strictObject({ id: idSchema, version: versionSchema }))
    .min(1)
    .max(MOST_AT_ONCE),
  on: daySchema.nullable(),
});

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
  @ApiBody({ schema: jsonSchemaOf(madeSchema) })
  made(@Body({ schema: madeSchema }) { batches, ...from }: z.infer<typeof madeSchema>) {
    return this.records.createAll(batches, from);
  }

  @Post('finished')
  @HttpCode(200)
  @ApiOperation({
    summary: 'Says of several batches when their pieces were cut, rolled or dipped; null takes that back',
  })
  @ApiBody({ schema: jsonSchemaOf(finishedSchema) })
  finished(@Body({ schema: finishedSchema }) { batches, on }: z.infer<typeof finishedSchema>) {
    return this.records.updateAll(batches, (batch) => ({ ...batch, finishedOn: on }));
  }
}
