import { Controller, Get, Inject, Param, Query, Res } from '@nestjs/common';
import { ApiOperation, ApiQuery, ApiTags } from '@nestjs/swagger';
import { labelRunsSchema, setLabelSchema, type SetLabel } from '@usual-pantry/core/api';
import { finding, type Finding } from '@usual-pantry/core/finding';
import { labelOf, schools } from '@usual-pantry/core/label';
import { exclusionSchema, packBox, packedKey } from '@usual-pantry/core/order';
import type { LabelRun } from '@usual-pantry/core/plan';
import { daySchema, idSchema } from '@usual-pantry/core/record';
import type { Response } from 'express';
import { z } from 'zod';
import { BookService } from '../book/book.service.js';
import { leastHeight, setLabel } from './label-pdf.js';
import type { LabelJob } from './label-worker.js';
import { Answers, AnswersFile } from '../http/contract.js';
import { whenGone } from '../http/gone.js';
import { runIn } from '../http/readers.js';
import { Thread } from '../thread/thread.js';
import { notFound, wrongValues } from '../refusal/refused.js';

const MOST_COPIES = 500;
const MOST_MS = 60_000;

/** Injection token of the thread that sets PDFs. */
export const LABEL_PRESS = Symbol('LABEL_PRESS');

const labelQuerySchema = z.strictObject({
  handOver: daySchema.optional(),
  /** What the box is packed without, stand-ins in place: codes with commas between. */
  without: z
    .string()
    .transform((text) => text.split(',').filter(Boolean).sort())
    .pipe(z.array(exclusionSchema))
    .default([]),
  /** The number that it was sold under, where that is not the box as it is now. */
  edition: z.coerce.number().int().min(1).nullable().default(null),
  /** Whether cells without a stand-in stay empty. */
  leaveOut: z.stringbool().default(false),
  /** What an order puts in place of pieces itself: `piece.other` with commas between. */
  standIns: z
    .string()
    .transform((text) =>
      text
        .split(',')
        .filter(Boolean)
        .map((pair) => {
          const [pieceId = '', withId = ''] = pair.split('.');
          return { pieceId, withId };
        }),
    )
    .pipe(z.array(z.strictObject({ pieceId: idSchema, withId: idSchema })))
    .default([]),
});
const pdfQuerySchema = labelQuerySchema.extend({
  copies: z.coerce.number().int().min(1).max(MOST_COPIES).default(1),
});

@ApiTags('Labels')
@Controller('api')
export class LabelController {
  constructor(
    private readonly books: BookService,
    @Inject(LABEL_PRESS) private readonly press: Thread<LabelJob, Uint8Array>,
  ) {}

  @Get('labels')
  @ApiOperation({
    summary: 'Which labels the open orders need: box, hand-over, number, made on, best before',
  })
  @Answers(labelRunsSchema)
  async runs(): Promise<readonly LabelRun[]> {
    return (await this.books.plan()).plan.labels;
  }

  @Get('boxes/:id/label')
  @ApiOperation({ summary: 'The US label of a box in words and set in type, with what is missing' })
  @ApiQuery({ name: 'handOver', required: false, schema: { type: 'string', format: 'date' } })
  @ApiQuery({ name: 'without', required: false, schema: { type: 'string', example: 'nuts,sesame' } })
  @ApiQuery({ name: 'edition', required: false, schema: { type: 'integer', minimum: 1 } })
  @ApiQuery({ name: 'leaveOut', required: false, schema: { type: 'boolean' } })
  @ApiQuery({ name: 'standIns', required: false, schema: { type: 'string', example: 'praline.malted' } })
  @Answers(setLabelSchema)
  label(
    @Param('id') id: string,
    @Query({ schema: labelQuerySchema }) query: z.infer<typeof labelQuerySchema>,
  ): Promise<SetLabel> {
    return this.set(id, query);
  }

  @Get('boxes/:id/label.pdf')
  @ApiOperation({ summary: 'The same as a PDF at true size, one label a page' })
  @AnswersFile('application/pdf')
  @ApiQuery({ name: 'handOver', required: false, schema: { type: 'string', format: 'date' } })
  @ApiQuery({ name: 'without', required: false, schema: { type: 'string', example: 'nuts,sesame' } })
  @ApiQuery({ name: 'edition', required: false, schema: { type: 'integer', minimum: 1 } })
  @ApiQuery({ name: 'leaveOut', required: false, schema: { type: 'boolean' } })
  @ApiQuery({ name: 'standIns', required: false, schema: { type: 'string', example: 'praline.malted' } })
  @ApiQuery({
    name: 'copies',
    required: false,
    schema: { type: 'integer', minimum: 1, maximum: MOST_COPIES },
  })
  async pdf(
    @Param('id') id: string,
    @Query({ schema: pdfQuerySchema }) query: z.infer<typeof pdfQuerySchema>,
    @Res() response: Response,
  ): Promise<void> {
    const { findings, layout, blocks } = await this.set(id, query);
    const stops = findings.filter((each) => each.severity === 'stop');
    if (stops.length > 0)
      throw wrongValues(
        stops.map(({ message }) => ({ path: ['label'], message })),
        'This label is not ready to be printed.',
      );
    const job = { layout, title: blocks[0]?.text ?? 'Label', copies: query.copies };
    const pdf = await runIn(this.press, job, { signal: whenGone(response), mostMs: MOST_MS });
    response
      .type('application/pdf')
      .set('Content-Disposition', `inline; filename="label-${id}.pdf"`)
      .send(Buffer.from(pdf));
  }

  private async set(boxId: string, { handOver, ...packed }: z.infer<typeof labelQuerySchema>): Promise<SetLabel> {
    const { season, plan } = await this.books.plan();
    const box = packBox(season.book, boxId, packed);
    if (!box) throw notFound('box', boxId);
    const key = packedKey(boxId, packed);
    const run = plan.labels.find((each) => each.handOver === handOver && packedKey(each.boxId, each) === key) ?? null;
    const label = labelOf(schools.us, box.facts, season.book, run);
    const { widthMm, heightMm } = season.book.kitchen.label;
    const layout = setLabel(label, widthMm, heightMm);
    const tooSmall: Finding[] =
      layout.overflowMm > 0
        ? [
            finding(
              'label-too-small',
              { noun: 'kitchen', id: 'kitchen', name: 'Settings' },
              { heightMm: leastHeight(label, widthMm, heightMm) },
            ),
          ]
        : [];
    return { ...label, findings: [...tooSmall, ...label.findings], run, layout };
  }
}
